import { message, type Message, type Value } from '../model/index.ts'

/** How two values of one fact lie to each other, with the reason a person is told. */
export interface Agreement {
  relation: 'same' | 'variant' | 'different'
  why: Message
}

/** A value with how sure its reading is; weak readings may be explained by a slip. */
export interface Side {
  value: Value
  confidence: number
}

/** Compares two values of one kind. Symmetric in its two sides. */
export type Comparer = (a: Side, b: Side) => Agreement

export const same: Agreement = { relation: 'same', why: message('agreement.same') }
export const variant = (why: Message): Agreement => ({ relation: 'variant', why })
export const different = (why: Message): Agreement => ({ relation: 'different', why })

/** Below this a reading is weak enough for a look-alike slip to be believed. */
export const WEAK = 0.93

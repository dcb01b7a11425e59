import type { Inner } from '../core/model/index.ts'

/** Makes a sentence of a message in one language. */
export type Say = (message: Inner) => string

/** A sentence for every code of a set of messages; those that hold other messages say them by `say`. */
export type Sentences<M> = { [C in keyof M]: (parameters: M[C], say: Say) => string }

import { groupThousands, isMoney } from '../value.ts'
import type { AgreementMessages } from './agreement.ts'
import type { ChecklistMessages } from './checklist.ts'
import type { CheckMessages } from './checks.ts'
import type { DeckMessages } from './deck.ts'
import type { FindingMessages } from './findings.ts'
import type { None } from './parameters.ts'
import type { ValueMessages } from './values.ts'

/** All that the core says to people: codes with their parameters. Sentences are made of them elsewhere. */
export interface Messages
  extends ValueMessages, AgreementMessages, ChecklistMessages, CheckMessages, FindingMessages, DeckMessages {
  /** Several that hold at once. */
  all: { of: Message[] }
}

export type MessageCode = keyof Messages

/** One code with its parameters, as it is stored and handed on. */
export type Message = { [C in MessageCode]: { code: C } & Messages[C] }[MessageCode]

/** A message of a code; codes that say all by themselves take no parameters. */
export const message = <C extends MessageCode>(
  code: C,
  ...[parameters]: None extends Messages[C] ? [] : [Messages[C]]
): Message => ({ code, ...parameters }) as Message

/** Several messages as one; one alone stays itself. */
export const allOf = (messages: readonly Message[]): Message =>
  messages.length === 1 ? messages[0] : { code: 'all', of: [...messages] }

/**
 * The amounts and days that a message rests on, as `48,750.00` and ISO days. Numbers count only where there
 * are none of these.
 */
export function figuresIn(told: Message): string[] {
  const [exact, numbers]: [string[], string[]] = [[], []]
  const collect = (parameter: unknown): void => {
    if (isMoney(parameter)) exact.push(groupThousands(parameter.amount.replace('-', '')))
    else if (typeof parameter === 'number') numbers.push(String(parameter))
    else if (typeof parameter === 'string') {
      if (/^\d{4}-\d{2}-\d{2}$/.test(parameter)) exact.push(parameter)
    } else if (parameter !== null && typeof parameter === 'object') Object.values(parameter).forEach(collect)
  }
  collect(told)
  return [...new Set(exact.length > 0 ? exact : numbers)]
}

import type { RequestItem } from './item.ts'

/** What an applicant said to an item in place of papers: which value is right, or why they cannot bring it. */
export interface Statement {
  item: string
  kind: 'value' | 'words' | 'cannot'
  text: string
}

/**
 * How far an item is: nothing came; papers came and are being read; papers came and do not do yet; the applicant said
 * something, which a person weighs; it is done.
 */
export type ItemState = 'open' | 'reading' | 'not yet' | 'said' | 'done'

/** Reasons that end with whatever comes. */
const BY_COMING: ReadonlySet<RequestItem['why']['kind']> = new Set(['rejected', 'own words', 'unusable file'])

/**
 * Tells how far what was asked for is.
 * @param now items that a request would have now: what is not among them any more is settled
 * @param came items that papers were brought for
 * @param reading whether what came is still being read
 */
export function progressOf(
  asked: readonly RequestItem[],
  now: readonly RequestItem[],
  { came, said, reading }: { came: ReadonlySet<string>; said: readonly Statement[]; reading: boolean },
): Map<string, ItemState> {
  const open = new Set(now.map((i) => i.id))
  return new Map(
    asked.map(({ id, kind, why }) => {
      // No verdict says whether what somebody asked for by hand is there, and a file that was set aside stays so: what
      // comes for these settles them.
      const lacks = BY_COMING.has(why.kind) ? !came.has(id) : open.has(id)
      if (!lacks) return [id, reading && came.has(id) ? 'reading' : 'done']
      // What was sent to explain something is weighed by a person.
      if (came.has(id)) return [id, reading ? 'reading' : kind === 'say' ? 'said' : 'not yet']
      return [id, said.some((s) => s.item === id) ? 'said' : 'open']
    }),
  )
}

/** Whether there is nothing more for the applicant to do: all came, or they said what they have to say. */
export const isAnswered = (states: ReadonlyMap<string, ItemState>): boolean =>
  [...states.values()].every((state) => state === 'done' || state === 'said')

import { z } from 'zod'
import { type Box, boxAround, inside, type Page } from '../model/index.ts'
import { linesOf, PhraseIndex } from '../layout/index.ts'

const share = z.number().min(0).max(1)

/** Where on a page words must stand. */
export const rulePlace = z.union([
  z.enum(['anywhere', 'top', 'bottom']),
  z.tuple([share, share, share, share]),
])
export type RulePlace = z.infer<typeof rulePlace>

/**
 * What a person says of papers in words: a page on which all of `words` stand, each in its place, and none of
 * `without`, begins a document, or is of a type.
 */
export const ruleSchema = z.object({
  name: z.string().trim().min(3).max(80),
  says: z.discriminatedUnion('kind', [
    z.object({ kind: z.literal('begins') }),
    z.object({ kind: z.literal('type'), type: z.string().max(80) }),
  ]),
  words: z
    .array(
      z.object({
        text: z
          .string()
          .trim()
          .min(2)
          .max(120)
          .regex(/[\p{L}\p{N}]/u),
        place: rulePlace,
      }),
    )
    .min(1)
    .max(6),
  without: z.array(z.string().trim().min(2).max(120)).max(6).default([]),
})
export type Rule = z.infer<typeof ruleSchema>

const AREAS = {
  anywhere: [0, 0, 1, 1],
  top: [0, 0, 1, 0.25],
  bottom: [0, 0.8, 1, 1],
} as const satisfies Record<string, Box>

export const areaOf = (place: RulePlace): Box => (typeof place === 'string' ? AREAS[place] : place)

const books = new Map<string, PhraseIndex<true>>()

/** Where words stand on a page, whole, in one piece, within an area; on scans with a letter misread. */
function placesOf(page: Page, text: string, area: Box): Box[] {
  let book = books.get(text)
  // Many rules, or many of a draft's wordings, must not fill the memory.
  if (!book) {
    if (books.size > 500) books.clear()
    books.set(text, (book = new PhraseIndex([[text, true]])))
  }
  const lines = linesOf(page)
  const found = book
    .find(page)
    .map((hit) => ({ box: boxAround(lines[hit.line].words.slice(hit.from, hit.to).map((w) => w.box)) }))
  return inside(found, area).map(({ box }) => box)
}

/** The places by which a rule applies to a page, null where it does not. */
export function ruleHits(page: Page, rule: Rule): Box[] | null {
  const found: Box[] = []
  for (const { text, place } of rule.words) {
    const places = placesOf(page, text, areaOf(place))
    if (places.length === 0) return null
    found.push(...places)
  }
  return rule.without.some((text) => placesOf(page, text, AREAS.anywhere).length > 0) ? null : found
}

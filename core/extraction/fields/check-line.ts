import { type Line, linesOf } from '../../layout/index.ts'
import type { Page, Word } from '../../model/index.ts'
import type { DocumentType, FieldSource } from '../../program/index.ts'
import type { Candidate } from '../scoring/candidate.ts'

/**
 * The line at the foot of a cheque, which machines read by magnetic ink (MICR): the bank's code, the account
 * and the number of the cheque, parted by signs of their own that readers of print take for strokes, points
 * and letters.
 */

/** A line of so many figures, and so few letters, is one. */
const [FEWEST_FIGURES, MOST_LETTERS] = [15, 4]
/** Shorter groups of figures are what readers make of the signs between. */
const SHORTEST_GROUP = 3
/** Longer ones are no number of a cheque. */
const LONGEST_CHECK_NUMBER = 8

interface Group {
  figures: string
  word: Word
}

/** Check digit of a routing number of the United States: weights 3, 7, 1. Source: ABA Routing Number Policy. */
export const routingHolds = (figures: string): boolean =>
  /^\d{9}$/.test(figures) &&
  !/^0{9}$/.test(figures) &&
  [...figures].reduce((sum, figure, i) => sum + Number(figure) * [3, 7, 1][i % 3], 0) % 10 === 0

const figuresIn = (text: string): number => text.replace(/\D/g, '').length

const isCheckLine = ({ text }: Line): boolean =>
  figuresIn(text) >= FEWEST_FIGURES &&
  text.replace(/[^\p{L}]/gu, '').length <= MOST_LETTERS &&
  !/\d[.,]\d{2}\b|\d\/\d/.test(text) &&
  groupsOf(text.split(' ').map((word) => ({ text: word }) as Word)).length >= 2

const groupsOf = (words: readonly Word[]): Group[] =>
  words.flatMap((word) =>
    word.text
      .split(/\D+/)
      .filter((figures) => figures.length >= SHORTEST_GROUP)
      .map((figures) => ({ figures, word })),
  )

const bare = (figures: string): string => figures.replace(/^0+(?=\d)/, '')

/** What fields take of the line at the foot of a cheque; nothing on a page without one. */
export function checkLineCandidates(page: Page, type: DocumentType): Candidate[] {
  if (!type.fields.some((f) => f.sources.some((source) => source.startsWith('check_')))) return []
  const lines = linesOf(page)
  const line = lines.findLast(isCheckLine)
  if (!line) return []
  const groups = groupsOf(line.words)
  const bank = groups.find((g) => routingHolds(g.figures)) ?? groups.find((g) => g.figures.length === 9)
  const others = groups.filter((g) => g !== bank)
  // The number of the cheque is printed at its head, too.
  const printed = new Set(
    lines.flatMap((l) => (l === line ? [] : l.words.flatMap((w) => w.text.match(/\d+/g) ?? []).map(bare))),
  )
  const short = others.filter((g) => g.figures.length <= LONGEST_CHECK_NUMBER)
  const number =
    short.find((g) => printed.has(bare(g.figures))) ??
    short.toSorted((a, b) => a.figures.length - b.figures.length)[0]
  const account = others
    .filter((g) => g !== number)
    .toSorted((a, b) => b.figures.length - a.figures.length)[0]
  const parts: Partial<Record<FieldSource, Group & { value: string; proven: boolean }>> = {
    ...(bank && {
      check_bank: { ...bank, value: bank.figures, proven: routingHolds(bank.figures) },
    }),
    ...(account && { check_account: { ...account, value: account.figures, proven: false } }),
    ...(number && {
      check_number: { ...number, value: bare(number.figures), proven: printed.has(bare(number.figures)) },
    }),
  }
  return type.fields.flatMap((field): Candidate[] => {
    const part = field.sources.map((source) => parts[source]).find((found) => found !== undefined)
    return part
      ? [
          {
            field: field.name,
            value: part.value,
            raw: part.figures,
            words: [part.word],
            page,
            repaired: false,
            proven: part.proven,
            score: SCORE,
          },
        ]
      : []
  })
}

/** Log-odds of a part of the line; nothing else of a cheque is in machine figures. */
const SCORE = 5

import { linesOf, missingAround } from '../../layout/index.ts'
import { cents, encloses, isMoney, localeOf, type Page, type Row } from '../../model/index.ts'
import { type DocumentType, type Field, type Relation, tableColumns } from '../../program/index.ts'
import type { Candidate } from '../scoring/candidate.ts'
import { readMoney } from '../parsers/money.ts'
import type { Reading } from '../parsers/reading.ts'
import { bookingColumns, centsIn } from '../tables/columns.ts'
import { cellsOf, oldestFirst } from '../tables/row-order.ts'
import type { Table } from '../tables/table.ts'

interface Printed extends Reading {
  page: Page
  cents: number
  /** Stands in a row of a table, where it has a meaning of its own. */
  inRow: boolean
}

/**
 * Fields with a label as sure as this need no arithmetic; a paper that truly does not add up must not be
 * argued away.
 */
const SURE = 3
const FROM_TABLE = 2.5
const FROM_SUM = 1.8

/**
 * Values that the arithmetic of a paper points to where its wording does not: the balances before and after
 * its rows, the sum of its lines, a net amount and a tax that make up the total.
 */
export function candidatesFromSums(
  pages: readonly Page[],
  type: DocumentType,
  found: ReadonlyMap<string, Candidate[]>,
  tablesOf: (field: string) => readonly Table[],
): Candidate[] {
  const open = (name: string) => !found.get(name)!.some((c) => c.label && c.score >= SURE)
  const told = (name: string): number | null => {
    const best = found.get(name)!.reduce<Candidate | null>((a, b) => (!a || b.score > a.score ? b : a), null)
    return best && best.score > 1 && isMoney(best.value) ? cents(best.value) : null
  }
  const relations = type.relations.filter((r) => namesOf(r).some(open))
  if (relations.length === 0) return []
  const guesses: Candidate[] = []
  const sums = new Map<string, number>()
  const guess = (field: string, amount: Printed | undefined, score: number) => {
    if (amount && open(field))
      guesses.push({
        field,
        value: amount.value,
        raw: amount.raw,
        words: amount.words,
        page: amount.page,
        repaired: amount.repaired,
        score,
      })
  }
  const fieldOf = (name: string) => type.fields.find((f) => f.name === name)!
  const amountColumn = (table: string) => tableColumns(fieldOf(table)).amount ?? ''
  const tables = type.fields.filter((f) => f.kind === 'table').flatMap((f) => tablesOf(f.name))
  const printed = amountsOn(pages, tables)
  const find = (sum: number) => printed.find((p) => p.cents === sum && !p.inRow)
  const [before, behind] = missingAround(pages)
  for (const relation of relations) {
    if (relation.kind === 'running')
      for (const table of tablesOf(relation.table)) {
        const ends = endBalances(table, fieldOf(relation.table))
        if (!ends) continue
        // Where pages are lacking, what the last row here comes to is only carried over to them.
        if (!behind) guess(relation.closing, find(ends.closing), FROM_TABLE)
        if (!before) for (const opening of ends.openings) guess(relation.opening, find(opening), FROM_TABLE)
      }
    if (relation.kind === 'lines_sum')
      for (const table of tablesOf(relation.table)) {
        const amounts = cellsOf(table)
          .map((row) => row[amountColumn(relation.table)])
          .filter(isMoney)
        if (amounts.length === 0 || amounts.length < table.rows.length) continue
        const sum = amounts.reduce((total, a) => total + cents(a), 0)
        if (find(sum)) sums.set(relation.total, sum)
        guess(relation.total, find(sum), FROM_TABLE)
      }
  }
  for (const relation of relations) {
    if (relation.kind !== 'sum' || relation.parts.length !== 2) continue
    const [large, small] = relation.parts
    const known = sums.get(large) ?? told(large)
    const fits = printed
      .filter((p) => !p.inRow && p.cents > 0 && (known === null || p.cents === known))
      .flatMap((a) =>
        printed
          .filter((b) => !b.inRow && b.cents > 0 && b.cents < a.cents)
          .flatMap((b) => {
            const total = find(a.cents + b.cents)
            return total ? [{ a, b, total }] : []
          }),
      )
    // Without a known part, one way to add up is a find and two are a coincidence.
    if (new Set(fits.map((f) => `${f.a.cents} ${f.b.cents}`)).size !== 1) continue
    const score = known === null ? FROM_SUM - 1 : FROM_SUM
    guess(large, fits[0].a, score)
    guess(small, fits[0].b, score)
    guess(relation.total, fits[0].total, score)
  }
  for (const relation of relations) {
    if (relation.kind !== 'deductions') continue
    const pairs = deducted(printed.filter((p) => !p.inRow && p.cents > 0))
    if (new Set(pairs.map(([a, b]) => `${a.cents} ${b.cents}`)).size !== 1) continue
    guess(relation.from, pairs[0][0], FROM_SUM)
    guess(relation.leaves, pairs[0][1], FROM_SUM)
  }
  return guesses
}

/** At most so many different amounts are looked through, and so many taken off: more ways than that fit by chance. */
const MOST_AMOUNTS = 14
const MOST_TAKEN = 4
/** What is left is more than this share. */
const LEFT = 0.35

/** Whether an amount less one to four other amounts of a paper leaves another, to the cent. */
export function leaves(pages: readonly Page[], whole: number, rest: number): boolean {
  const amounts = [...new Set(amountsOn(pages, []).map((p) => p.cents))].filter(
    (a) => a > 0 && a !== whole && a !== rest && a <= whole - rest,
  )
  const makes = (sum: number, from: number, taken: number): boolean =>
    sum === 0
      ? taken > 0
      : taken < MOST_TAKEN &&
        amounts.some((a, i) => i >= from && a <= sum && makes(sum - a, i + 1, taken + 1))
  return amounts.length <= MOST_AMOUNTS && rest < whole && makes(whole - rest, 0, 0)
}

/** Pairs of amounts of which the second is the first less two to four others. */
function deducted(printed: readonly Printed[]): [Printed, Printed][] {
  const amounts = [...new Map(printed.map((p) => [p.cents, p])).values()]
  if (amounts.length > MOST_AMOUNTS) return []
  const makes = (sum: number, from: number, taken: number, others: readonly Printed[]): boolean =>
    sum === 0
      ? taken >= 2
      : taken < MOST_TAKEN &&
        others.some((o, i) => i >= from && o.cents <= sum && makes(sum - o.cents, i + 1, taken + 1, others))
  return amounts.flatMap((whole) =>
    amounts
      .filter((rest) => rest.cents < whole.cents && rest.cents > whole.cents * LEFT)
      .flatMap((rest): [Printed, Printed][] => {
        const others = amounts.filter((o) => o !== whole && o !== rest && o.cents < whole.cents - rest.cents)
        return makes(whole.cents - rest.cents, 0, 0, others) ? [[whole, rest]] : []
      }),
  )
}

function namesOf(relation: Relation): string[] {
  if (relation.kind === 'running') return [relation.opening, relation.closing]
  if (relation.kind === 'lines_sum') return [relation.total]
  if (relation.kind === 'deductions') return [relation.from, relation.leaves]
  return relation.kind === 'sum' ? [...relation.parts, relation.total] : []
}

function amountsOn(pages: readonly Page[], tables: readonly Table[]): Printed[] {
  const rows = tables.flatMap((t) => t.rows.map((row) => row.place))
  return pages.flatMap((page) =>
    linesOf(page).flatMap((line) =>
      line.segments.flatMap((segment) =>
        readMoney(segment.words, localeOf(page))
          .filter((r) => r.plausibility >= 0.8 && isMoney(r.value))
          .map((r) => ({
            ...r,
            page,
            cents: cents(r.value as never),
            inRow: rows.some(
              (place) => place.page === page.number && r.words.every((w) => encloses(place.box, w.box)),
            ),
          })),
      ),
    ),
  )
}

/**
 * The balances before and after a table whose every row leads to the next; a balance may stand behind the last row
 * of a day alone. Where it stands behind the first row, that row's sign may still be open.
 */
export const endBalances = (table: Table, field: Field): { openings: number[]; closing: number } | null =>
  oldestFirst(table, field, () => endsOfRows(cellsOf(table), field))

/** Fewer balances prove no chain. */
const BALANCES = 3

function endsOfRows(rows: readonly Row[], field: Field): { openings: number[]; closing: number } | null {
  const names = bookingColumns(field)
  if (!names) return null
  let moved = 0
  /** What is left before the first row, by the first balance; the rows before that balance; how many followed. */
  let opening: number | null = null
  let [before, found] = [0, 0]
  for (const row of rows) {
    const [amount, balance] = [centsIn(row, names.amount), centsIn(row, names.balance)]
    if (amount === null) return null
    moved += amount
    if (opening === null) before++
    if (balance === null) continue
    opening ??= balance - moved
    if (balance - moved !== opening) return null
    found++
  }
  if (opening === null || found < BALANCES) return null
  const [first] = rows
  const turned = opening + 2 * centsIn(first, names.amount)!
  return { openings: before === 1 ? [opening, turned] : [opening], closing: opening + moved }
}

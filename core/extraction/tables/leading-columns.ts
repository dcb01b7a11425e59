import type { Locale } from '../../locale/index.ts'
import { units } from '../../lexicon/index.ts'
import type { Row } from '../../model/index.ts'
import { type Field, tableColumns } from '../../program/index.ts'
import { isDay } from '../parsers/date.ts'
import { shortDate } from './row-date.ts'
import type { Table } from './table.ts'

/** So many rows have to begin alike before what they begin with is a column of its own. */
const FEWEST = 3
/** Share of the rows that do: on a picture some are misread. */
const SHARE = 0.9

/**
 * Takes columns that the words of rows were read together with off their front: numbers that count the rows on, a
 * second day, on which a booking counts, and what goods are counted in. No head need name them; that they run through the table tells.
 */
export function dropLeadingColumns(table: Table, field: Field): void {
  const text = tableColumns(field).description
  if (!text) return
  const cells = table.rows.map((row) => row.cells)
  for (const isOne of [secondDays(table.locale), runningNumbers(cells, text), unitsOfGoods]) {
    const hits = cells.filter((row) => isOne(row)(firstOf(row, text)))
    if (cells.length < FEWEST || hits.length < cells.length * SHARE) continue
    for (const row of hits) row[text] = (row[text] as string).replace(/^\S+\s*/, '') || null
  }
}

function firstOf(row: Row, text: string): string {
  const said = row[text]
  return typeof said === 'string' ? /^\S*/.exec(said)![0] : ''
}

const secondDays = (locale: Locale) => () => (word: string) =>
  isDay(word) || shortDate(word.replace(/\.$/, ''), locale) !== null

const unitsOfGoods = () => (word: string) => units.has(word.toLowerCase().replace(/\.$/, ''))

/** Numbers that go on by the same step from row to row, as 1, 2, 3 and 10, 20, 30 do. */
function runningNumbers(cells: readonly Row[], text: string): (row: Row) => (word: string) => boolean {
  const numbers = cells.map((row) => /^(\d{1,4})[.)]?$/.exec(firstOf(row, text))?.[1])
  const at = (i: number) => (numbers[i] === undefined ? NaN : Number(numbers[i]))
  const steps = cells.map((_, i) => at(i + 1) - at(i))
  const [step] = steps.filter(
    (s) => Math.abs(s) > 0 && steps.filter((t) => t === s).length > steps.length / 2,
  )
  return (row) => () => {
    const i = cells.indexOf(row)
    return step !== undefined && (steps[i] === step || steps[i - 1] === step)
  }
}

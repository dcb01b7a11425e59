import { cents, type FieldValue, isMoney, message } from '../../model/index.ts'
import { askedBelow, type Field, tableColumns } from '../../program/index.ts'
import { endBalances } from './sums.ts'
import { isDigitSlip } from '../scoring/digit-slips.ts'
import { likelySpelling } from '../tables/repair-words.ts'
import { round } from '../scoring/calibration.ts'
import { bookingColumns, centsIn, goodsColumns } from '../tables/columns.ts'
import { cellsOf, oldestFirst } from '../tables/row-order.ts'
import type { SelectedTable } from '../tables/select.ts'
import { PRINTED, type Table } from '../tables/table.ts'

/**
 * A table as a value of its document, with how far its rows are to be believed.
 * @param lacking pages of the document are not there, by its own numbering, and rows of the table may be on
 * them
 */
export function tableValue({ table, proof }: SelectedTable, field: Field, lacking = false): FieldValue {
  const empty = {
    name: field.name,
    value: null,
    raw: null,
    others: [],
    repaired: false,
    page: null,
    box: null,
  }
  if (!table) return { ...empty, confidence: 0.4, needsReview: true, reason: message('table.not_found') }
  const { balance } = tableColumns(field)
  const complete = table.rows.every(({ cells, withinDay }) =>
    field.columns.every((c) => c.optional || cells[c.name] !== null || (withinDay && c.name === balance)),
  )
  let confidence =
    proof === true
      ? 0.985
      : proof === false
        ? table.confidence >= PRINTED && complete && leadsOn(table, field)
          ? LEADS_ON
          : complete &&
              (table.confidence >= PRINTED || oldestFirst(table, field, () => slipsItself(table, field)))
            ? 0.8
            : 0.35
        : complete
          ? 0.85
          : 0.5
  confidence *=
    table.confidence >= PRINTED ? 1 : Math.max(0.5, proof === true ? 0.97 : 0.6 + 0.4 * table.confidence)
  if (table.rows.length === 0) confidence = 0.3
  // Sums bear out the amounts, not the words beside them.
  if (
    table.wordConfidence < SPELT ||
    (table.wordConfidence < PRINTED && likelySpelling(table, field).size > 0)
  )
    confidence = Math.min(confidence, 0.55)
  const eitherWay = table.locale.orderOpen && hasOpenDay(table, field)
  const ordered = table.confidence >= PRINTED || followsDays(table, field)
  if (
    lacking ||
    eitherWay ||
    !complete ||
    !ordered ||
    !multiplies(table, field) ||
    (proof !== true && (table.pointed || table.guessed || table.leftOut || table.unexplained.length > 0))
  )
    confidence = Math.min(confidence, 0.55)
  const begins = table.rows.at(0)?.place ?? table.head
  return {
    ...empty,
    value: cellsOf(table),
    raw: null,
    confidence: round(confidence),
    needsReview: confidence < askedBelow(field),
    reason:
      confidence < askedBelow(field)
        ? table.rows.length === 0
          ? message('table.no_rows')
          : lacking
            ? message('table.page_lacking')
            : proof === false
              ? message('table.does_not_add_up')
              : eitherWay
                ? message('table.days_either_way')
                : complete && !ordered
                  ? message('table.days_out_of_order')
                  : table.leftOut
                    ? message('table.column_left_out')
                    : message('table.cells_unreadable')
        : null,
    repaired: table.repaired,
    page: begins?.page ?? null,
    box: begins?.box ?? null,
    rowPlaces: table.rows.map((row) => row.place),
  }
}

/** Whether some day of the rows would be another with day and month exchanged. */
const hasOpenDay = (table: Table, field: Field): boolean =>
  cellsOf(table).some((row) =>
    field.columns.some(({ name, kind }) => {
      const day = row[name]
      return (
        kind === 'date' &&
        typeof day === 'string' &&
        Number(day.slice(-2)) <= 12 &&
        day.slice(-2) !== day.slice(-5, -3)
      )
    }),
  )

/**
 * Whether the days of rows go one way, up or down: one that does not was likely misread ("8 January" before
 * the 3rd), and no sum tells.
 */
function followsDays(table: Table, field: Field): boolean {
  const day = tableColumns(field).date
  const days = cellsOf(table).flatMap((row) => (day && typeof row[day] === 'string' ? [row[day]] : []))
  return (
    days.every((d, i) => i === 0 || d >= days[i - 1]) || days.every((d, i) => i === 0 || d <= days[i - 1])
  )
}

/** Words read less surely than this are likely misspelt somewhere. */
const SPELT = 0.7

/**
 * Every balance follows from the one before: then it is the ends that were misread, and the first row's sign
 * with them.
 */
/** Rows in clear print that follow from one another are right, whatever the paper says that it opens or closes with. */
const LEADS_ON = 0.95

const leadsOn = (table: Table, field: Field): boolean => endBalances(table, field) !== null

/** Print read this surely is fair. */
const FAIR = 0.8

/**
 * Whether the one row that breaks the running balance is the paper's own slip: read fairly, and further off
 * than a misreading goes.
 */
function slipsItself(table: Table, field: Field): boolean {
  const names = bookingColumns(field)
  if (!names) return false
  const { amount, balance } = names
  const at = (i: number, name: string) => centsIn(table.rows[i].cells, name) ?? NaN
  const breaks = table.rows.flatMap((_, i) =>
    i > 0 && at(i - 1, balance) + at(i, amount) !== at(i, balance) ? [i] : [],
  )
  if (breaks.length !== 1) return false
  const [i] = breaks
  const [before, step, after] = [at(i - 1, balance), at(i, amount), at(i, balance)]
  return (
    Math.min(table.rows[i - 1].confidence, table.rows[i].confidence) >= FAIR &&
    !isDigitSlip(step, after - before) &&
    !isDigitSlip(after, before + step) &&
    !isDigitSlip(before, after - step)
  )
}

/** Whether each row's quantity times its price is its amount, where the table has these columns. */
function multiplies(table: Table, field: Field): boolean {
  const names = goodsColumns(field)
  if (!names) return true
  const wrong = cellsOf(table).filter((row) => {
    const [q, p, a] = [row[names.quantity], row[names.price], row[names.amount]]
    return !(
      typeof q === 'string' &&
      isMoney(p) &&
      isMoney(a) &&
      Math.abs(Number(q) * cents(p) - cents(a)) <= 1
    )
  })
  // One odd row in clear print may be the seller's slip, which the arithmetic of the paper tells; several are ours.
  return wrong.length <= (table.confidence >= PRINTED ? 1 : 0)
}

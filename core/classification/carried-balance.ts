import { type Line, linesOf } from '../layout/index.ts'
import type { Page } from '../model/index.ts'
import { fold } from '../text/index.ts'

/** The balances in cents with which the rows of a page can begin and end; empty where it has none. */
export interface Carried {
  /** What only the page before can have printed. */
  from: ReadonlySet<number>
  /** What the page prints over its rows: brought forward, or what a statement opens with. */
  opening: ReadonlySet<number>
  to: ReadonlySet<number>
  /** A line of it says that the balance is carried over to the next page. */
  carriesOn: boolean
}

/** An amount with its cents; "01.03.2026" is none. */
const AMOUNT = /(?<![\d.,])(-\s?)?(\d[\d.,' ]*[.,]\d{2})(?![\d.,])(\s?(?:-|DR\b))?/g
/** Sums over and under the rows look like rows: so many lines from either end may be the first or last. */
const ENDS = 2

/**
 * Balances that run from page to page. Before its first row an account stood at that row's balance less or
 * more its amount, whichever sign or column says which. An account with nothing in it proves nothing.
 */
export function carriedBalances(page: Page): Carried {
  const lines = linesOf(page)
  const read = lines
    .map((line) => ({ line, amounts: amountsOf(line, page) }))
    .filter(({ amounts }) => amounts.length > 0)
  const rows = read.map(({ amounts }) => amounts)
  const whole = rows.flatMap((amounts, i) => (amounts.length > 1 ? [i] : []))
  // One line of two amounts is any sum, unless it is a booking with its day.
  if (whole.length === 0 || (whole.length === 1 && !BEGINS_WITH_DAY.test(fold(read[whole[0]].line.text))))
    return NOTHING
  const [from, opening] = [new Set<number>(), new Set<number>()]
  for (const i of whole.slice(0, ENDS)) {
    const [amount, balance] = rows[i].slice(-2)
    const over = rows.slice(0, i).flat()
    for (const before of [balance - amount, balance + amount])
      if (before !== 0) (over.includes(before) ? opening : from).add(before)
  }
  return {
    from,
    opening,
    to: new Set(rows.slice(-ENDS).flatMap((amounts) => eitherWay(amounts.at(-1)!, page))),
    carriesOn: lines.some((line) => CARRIED.test(fold(line.text))),
  }
}

/** An overdrawn balance may have lost its minus on a picture, on this page or the next. */
const eitherWay = (balance: number, { source }: Page): number[] =>
  source === 'text' ? [balance] : [balance, -balance]

const NOTHING: Carried = { from: new Set(), opening: new Set(), to: new Set(), carriesOn: false }
const CARRIED = /\b(?:carried (?:forward|over)|c\/f|a reporter|suma y sigue)\b/

/** "12/03", "12 Mar", "2026-03-12". */
const BEGINS_WITH_DAY = /^\W{0,2}(?:\d{1,2}[/. -]{1,2}(?:\d{1,2}\b|[a-z]{3})|\d{4}-\d{2}-\d{2})/

/** An amount that lost its point on a weak print: beside one that has it, figures alone in their place are cents. */
const POINTLESS = /^\d{3,7}$/

function amountsOf(line: Line, page: Page): number[] {
  const amounts = line.segments.map((s) => amountsIn(s.text))
  if (page.source === 'text' || !amounts.some((a) => a.length > 0)) return amounts.flat()
  return amounts.flatMap((a, i) =>
    a.length === 0 && POINTLESS.test(line.segments[i].text) ? [Number(line.segments[i].text)] : a,
  )
}

const amountsIn = (text: string): number[] =>
  [...text.matchAll(AMOUNT)].map(
    ([, minus, digits, debit]) => Number(digits.replace(/\D/g, '')) * (minus || debit ? -1 : 1),
  )

/** Whether one of these balances is what the rows of a page end with. */
export const meets = (page: Carried, begins: ReadonlySet<number>): boolean =>
  [...begins].some((balance) => page.to.has(balance))

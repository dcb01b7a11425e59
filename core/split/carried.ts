import { linesOf } from '../page/layout.ts'
import type { Page } from '../page/page.ts'

/** The balances in cents with which the rows of a page can begin and end; empty where it has none. */
export interface Carried {
  /** What only the page before can have printed. */
  from: ReadonlySet<number>
  /** What the page prints over its rows: brought forward, or what a statement opens with. */
  opening: ReadonlySet<number>
  to: ReadonlySet<number>
}

/** An amount with its cents; "01.03.2026" is none. */
const AMOUNT = /(?<![\d.,])(-\s?)?(\d[\d.,' ]*[.,]\d{2})(?![\d.,])(\s?(?:-|DR\b))?/g
/** Sums over and under the rows look like rows: so many lines from either end may be the first or last. */
const ENDS = 2

/**
 * Balances that run from page to page. Before its first row an account stood at that row's balance less or more its
 * amount, whichever sign or column says which. An account with nothing in it proves nothing.
 */
export function carriedOn(page: Page): Carried {
  const rows = linesOf(page).flatMap((line) => {
    const amounts = line.segments.flatMap((s) => amountsIn(s.text))
    return amounts.length > 0 ? [{ balance: amounts.at(-1)!, amount: amounts.at(-2) }] : []
  })
  if (rows.filter((r) => r.amount !== undefined).length < 2) return NOTHING
  const begins = rows.findIndex((r) => r.amount !== undefined)
  const over = new Set(rows.slice(0, begins).map((r) => r.balance))
  const before = rows.slice(begins, begins + ENDS).flatMap(({ balance, amount }) => (amount === undefined ? [] : [balance - amount, balance + amount])).filter((b) => b !== 0)
  return { from: new Set(before.filter((b) => !over.has(b))), opening: new Set(before.filter((b) => over.has(b))), to: new Set(rows.slice(-ENDS).map((r) => r.balance)) }
}

const NOTHING: Carried = { from: new Set(), opening: new Set(), to: new Set() }

const amountsIn = (text: string): number[] => [...text.matchAll(AMOUNT)].map(([, minus, digits, debit]) => Number(digits.replace(/\D/g, '')) * (minus || debit ? -1 : 1))

/** Whether one of these balances is what the rows of a page end with. */
export const meets = (page: Carried, begins: ReadonlySet<number>): boolean => [...begins].some((balance) => page.to.has(balance))

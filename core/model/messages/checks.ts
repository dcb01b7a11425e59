import type { Money } from '../value.ts'
import type { Inner, None } from './parameters.ts'

/** What a check over several papers found. Days are ISO, `paper` is what a person calls a paper. */
export interface CheckMessages {
  'check.waits_for_answer': { otherwise: Inner }
  /** ISO 4217. */
  'check.several_currencies': { currencies: string[] }
  'check.no_amount': None
  'check.no_roles': None
  'check.no_pay_day_covered': None
  'check.no_rows': None
  'check.no_neighbours': None
  'check.nothing_to_add': None
  'check.no_numbers': None
  'check.no_signing_date': None
  'difference.agrees': { total: Money; minus: Money; is: Money }
  'difference.differs': { total: Money; minus: Money; is: Money; says: Money; apart: Money }
  /** `apart` in percent. */
  'mean.compared': { stated: Money; mean: Money; apart: number; allowed: number }
  'account.credits_lacking': { payments: { amount: Money; paper: string }[] }
  'account.credits_there': { count: number }
  /** `row` is counted from 1. */
  'balance.breaks': { paper: string; row: number; should: Money; says: Money }
  'balance.ends_otherwise': { paper: string; leads: Money; closes: Money }
  'balance.adds_up': { count: number }
  'statements.break': { before: string; closes: Money; next: string; opens: Money }
  'statements.join': { count: number }
  'quote.lines_differ': { paper: string; sum: Money; net: Money }
  'quote.total_differs': { paper: string; makes: Money; says: Money }
  'quote.agrees': None
  'quote.agrees_but_lines': None
  'column.total': { paper: string; numbers: number[]; sum: number; is: number }
  'amount.covers': { amount: Money; than: Money }
  'amount.does_not_cover': { amount: Money; than: Money }
  'signing.later': { paper: string; day: string }
  'signing.too_early': { paper: string; day: string; daysBefore: number }
  'signing.in_order': None
  /** What stands beside an amount of a sum. */
  'term.paper': { paper: string }
  'term.words': { words: string }
  'term.mean': None
  'term.rows': None
  'term.divided': { paper: string; by: number }
}

import { starterTypes } from '../../../demo/lenders/merrow-sound/index.ts'
import { NEUTRAL } from '../../locale/index.ts'
import { typeById } from '../../program/index.ts'
import { eur } from '../../testing/paper-of.ts'
import { leaveDaysOpen } from './day-balances.ts'
import { emptyTable, tableRow } from './table.ts'

const field = typeById(starterTypes, 'bank_statement').fields.find((f) => f.name === 'transactions')!
/** Rows of an account: the day, the amount, and the balance with the one that was printed, where any was. */
const accountOf = (...rows: [day: string, amount: string, balance: string, printed?: number | null][]) => ({
  ...emptyTable(NEUTRAL),
  rows: rows.map(([date, amount, balance, printed]) =>
    tableRow(
      { date, description: 'Card', amount: eur(amount), balance: eur(balance) },
      { page: 1, box: [0, 0, 1, 1] },
      printed === undefined ? {} : { asRead: { amount: 0, balance: printed } },
    ),
  ),
})
const balancesOf = (table: ReturnType<typeof accountOf>) => {
  leaveDaysOpen(table, field)
  return table.rows.map(({ cells }) => (cells.balance as { amount: string } | null)?.amount ?? null)
}

test('a balance that is printed at the end of the day alone is none of the earlier rows', () =>
  expect(
    balancesOf(
      accountOf(
        ['2026-03-02', '10.00', '110.00', null],
        ['2026-03-02', '-20.00', '90.00', 9000],
        ['2026-03-05', '5.00', '95.00', 9500],
        ['2026-03-06', '1.00', '96.00', null],
        ['2026-03-06', '1.00', '97.00', 9700],
      ),
    ),
  ).toEqual([null, '90.00', '95.00', null, '97.00']))
test('where balances within days are printed, one that could not be read stays as the sums say', () =>
  expect(
    balancesOf(
      accountOf(
        ['2026-03-02', '10.00', '110.00', null],
        ['2026-03-02', '-20.00', '90.00', 9000],
        ['2026-03-02', '5.00', '95.00', 9500],
        ['2026-03-02', '1.00', '96.00', 9600],
      ),
    ),
  ).toEqual(['110.00', '90.00', '95.00', '96.00']))

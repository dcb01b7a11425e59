import { isMoney, type Row } from '../../model/value.ts'
import { pageOf } from '../../testing/page-of.ts'
import { entries } from '../../testing/small-types.ts'
import { readBookingsByColumns } from './by-columns.ts'

/** Lines with their amounts set to the right, as columns of figures are. */
const page = (lines: string[], at: readonly number[]) => {
  const set = pageOf(lines, { at })
  for (const word of set.words) {
    if (!/\d[.,]\d{2}$/.test(word.text)) continue
    const wide = word.box[2] - word.box[0]
    const column = [...at].reverse().find((x) => x <= word.box[0] + 0.0001)!
    word.box = [column + 0.1 - wide, word.box[1], column + 0.1, word.box[3]]
  }
  return set
}
const rowsOf = (lines: string[], at: readonly number[]) =>
  readBookingsByColumns([page(lines, at)], entries)?.rows.map(({ cells }) =>
    ['day', 'note', 'moved', 'left'].map((name) => shown(cells[name])).join(' | '),
  )
const shown = (cell: Row[string]): string =>
  isMoney(cell) ? cell.amount : typeof cell === 'string' ? cell : '-'

test('columns in any order and under any heads: which is the balance, the arithmetic tells', () =>
  expect(
    rowsOf(
      [
        'Put down | Then there was | So much | Said',
        '02/03/2026 | 1,180.00 | -20.00 | Net loft',
        '03/03/2026 | 1,150.00 | -30.00 | Ferry',
        '04/03/2026 | 1,650.00 | +500.00 | Fish auction',
        '05/03/2026 | 1,640.00 | -10.00 | Bakery',
      ],
      [0.05, 0.2, 0.4, 0.6],
    ),
  ).toEqual([
    '2026-03-02 | Net loft | -20.00 | 1180.00',
    '2026-03-03 | Ferry | -30.00 | 1150.00',
    '2026-03-04 | Fish auction | 500.00 | 1650.00',
    '2026-03-05 | Bakery | -10.00 | 1640.00',
  ]))
test('what is taken and what is brought stand apart, and a mark repeats the day', () =>
  expect(
    rowsOf(
      [
        '02/03/2026 | Net loft | 20.00 |  | 1,180.00',
        '” | Ferry | 30.00 |  | 1,150.00',
        '04/03/2026 | Fish auction |  | 500.00 | 1,650.00',
        '05/03/2026 | Bakery | 10.00 |  | 1,640.00',
      ],
      [0.05, 0.2, 0.45, 0.62, 0.8],
    ),
  ).toEqual([
    '2026-03-02 | Net loft | -20.00 | 1180.00',
    '2026-03-02 | Ferry | -30.00 | 1150.00',
    '2026-03-04 | Fish auction | 500.00 | 1650.00',
    '2026-03-05 | Bakery | -10.00 | 1640.00',
  ]))
test('a balance stands behind the last row of a day alone', () =>
  expect(
    rowsOf(
      [
        '01/03/2026 | Tide tables | -5.00 | 1,200.00',
        '02/03/2026 | Net loft | -20.00',
        '02/03/2026 | Ferry | -30.00 | 1,150.00',
        '04/03/2026 | Fish auction | +500.00',
        '04/03/2026 | Bakery | -10.00 | 1,640.00',
        '05/03/2026 | Ferry | -30.00 | 1,610.00',
      ],
      [0.05, 0.2, 0.5, 0.75],
    )?.slice(0, 3),
  ).toEqual([
    '2026-03-01 | Tide tables | -5.00 | 1200.00',
    '2026-03-02 | Net loft | -20.00 | -',
    '2026-03-02 | Ferry | -30.00 | 1150.00',
  ]))
test('rows whose balances lead nowhere are no bookings', () =>
  expect(
    rowsOf(
      [
        '02/03/2026 | Net | 20.00 | 1,180.00',
        '03/03/2026 | Rope | 31.00 | 90.00',
        '04/03/2026 | Tar | 7.00 | 3.00',
      ],
      [0.05, 0.2, 0.5, 0.75],
    ),
  ).toBeUndefined())

import { starterTypes } from '../../../demo/lenders/merrow-sound/index.ts'
import { pageOf } from '../../testing/page-of.ts'
import { cutShort, endOf, periodIn, periodCandidates } from './periods.ts'
import { typeById } from '../../program/document-type.ts'
import { localeOfLender } from '../../locale/index.ts'
import { euroLender } from '../../testing/lender.ts'
import type { Word } from '../../model/index.ts'

const EURO = localeOfLender(euroLender)
const stretchIn = (words: Word[]) => periodIn(words, EURO)

const payslip = typeById(starterTypes, 'payslip')
const field = (name: string) => payslip.fields.find((f) => f.name === name)!
const period = (line: string) => {
  const found = stretchIn(pageOf([line]).words)
  return found && [found.start, found.end]
}

test('the stroke between two days may be lost, and words may stand around them', () => {
  expect(period('01/03/2026 31/03/2026')).toEqual(['2026-03-01', '2026-03-31'])
  expect(period('Wages for 1 February 2026 to 28 February 2026')).toEqual(['2026-02-01', '2026-02-28'])
})
test('strokes inside days are none between them, though they stand as far apart', () =>
  expect(period('01-JAN- 26 - 31-JAN-26')).toEqual(['2026-01-01', '2026-01-31']))
test.each(['28 February 2026', 'Paid on 28 February 2026', 'Petrel Slipways Ltd', 'No 2026'])(
  '%s is none',
  (line) => expect(period(line)).toBeNull(),
)

test('a period whose last figures could not be read ends with the month that it begins with', () => {
  const cut = (line: string) => {
    const found = cutShort(pageOf([line]).words)
    return found && [found.start, found.end]
  }
  expect(cut('2026-02-01 - 2026-02-')).toEqual(['2026-02-01', '2026-02-28'])
  expect(cut('2026-02-01-2026-02-')).toEqual(['2026-02-01', '2026-02-28'])
  expect([cut('2026-02-15 - 2026-02-'), cut('2026-02-01 - 2026-03-')]).toEqual([null, null])
})

test('the name of a field tells which end it is', () =>
  expect([endOf(field('period_start')), endOf(field('period_end'))]).toEqual(['start', 'end']))
test('a period printed without a label is found high on the page, and not at its foot', () => {
  const lines = ['Payslip', 'March 2026']
  expect(periodCandidates(pageOf(lines), field('period_end')).map((c) => c.value)).toEqual(['2026-03-31'])
  expect(
    periodCandidates(pageOf([...Array.from({ length: 40 }, () => ''), ...lines]), field('period_end')),
  ).toEqual([])
})
test('days written out speak louder than a month’s name', () => {
  const [days, month] = ['1 March 2026 to 31 March 2026', 'March 2026'].map(
    (line) => periodCandidates(pageOf(['Payslip', line]), field('period_end'))[0].score,
  )
  expect(days).toBeGreaterThan(month)
})

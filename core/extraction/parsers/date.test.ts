import fc from 'fast-check'
import { dateForms } from '../../../demo/story.ts'
import { pageOf } from '../../testing/page-of.ts'
import { isoDate, monthEnd, monthOf, otherDay, parseDate, parsePeriod, readDates } from './date.ts'
import { internLocale, type Locale, localeOfLender } from '../../locale/index.ts'
import { euroLender } from '../../testing/lender.ts'
import type { Word } from '../../model/index.ts'

const EURO = localeOfLender(euroLender)
const parsed = (text: string) => parseDate(text, EURO)
const period = (text: string) => parsePeriod(text, EURO)
const daysIn = (words: Word[]) => readDates(words, EURO)

test.each([
  ['14/03/2026', '2026-03-14'],
  ['14.03.2026', '2026-03-14'],
  ['14-03-26', '2026-03-14'],
  ['14 March 2026', '2026-03-14'],
  ['14th of March 2026', '2026-03-14'],
  ['14-MAR-26', '2026-03-14'],
  ['2026-03-14', '2026-03-14'],
  ['March 14, 2026', '2026-03-14'],
  ['March 14,2026', '2026-03-14'],
  ['14 mars 2026', '2026-03-14'],
  ['1er août 2026', '2026-08-01'],
  ['14 de marzo de 2026', '2026-03-14'],
  ['3 Sept. 1988', '1988-09-03'],
  ['28-JUL-64', '1964-07-28'],
  ['12/25/2026', '2026-12-25'],
])('%s is %s', (text, iso) => expect(parsed(text)?.value).toBe(iso))

test.each(['31/02/2026', '14/2026', 'March', '1 234,56', 'SK4 2QD', '', '99/99/9999', 'page 2 of 3'])(
  '%s is no date',
  (text) => expect(parsed(text)).toBeNull(),
)

test.each([
  ['8rd January 2026', '2026-01-03'],
  ['28rd March 2026', '2026-03-23'],
  ['7st May 2026', '2026-05-01'],
])('%s says by its ending that it is %s', (text, value) =>
  expect(parsed(text)).toEqual({ value, plausibility: 0.7, repaired: true }),
)
test('a letter for a digit before the name of a month, too', () =>
  expect([parsed('O1-Jan-2026'), parsed('1] January 2026')]).toEqual([
    { value: '2026-01-01', plausibility: 0.85, repaired: true },
    { value: '2026-01-11', plausibility: 0.85, repaired: true },
  ]))
test('a letter for a digit is mended and said', () =>
  expect(parsed('l4/O3/2026')).toEqual({ value: '2026-03-14', plausibility: 0.7, repaired: true }))

test.each([
  ['1 March 2026 to 31 March 2026', '2026-03-01', '2026-03-31'],
  ['01/03/2026 - 31/03/2026', '2026-03-01', '2026-03-31'],
  ['1 to 31 March 2026', '2026-03-01', '2026-03-31'],
  ['from 28 February to 27 March 2026', '2026-02-28', '2026-03-27'],
  ['1 Jul 2024-30 Jun 2025', '2024-07-01', '2025-06-30'],
  ['March 2026', '2026-03-01', '2026-03-31'],
  ['février 2024', '2024-02-01', '2024-02-29'],
  ['02/2026', '2026-02-01', '2026-02-28'],
  ['01.12.2025 au 31.12.2025', '2025-12-01', '2025-12-31'],
])('%s runs from %s to %s', (text, start, end) => expect(period(text)).toEqual({ start, end }))

test('a period that ends before it begins is none', () =>
  expect(period('31/03/2026 - 01/03/2026')).toBeNull())
test('months have names in three languages', () =>
  expect([monthOf('Januar'), monthOf('janv.'), monthOf('Enero'), monthOf('dic')]).toEqual([
    undefined,
    1,
    1,
    12,
  ]))
test('the last day of a month', () =>
  expect([monthEnd(2024, 2), monthEnd(2026, 12)]).toEqual(['2024-02-29', '2026-12-31']))
test('days that do not exist', () =>
  expect([isoDate(2026, 2, 29), isoDate(2026, 13, 1), isoDate(1850, 1, 1)]).toEqual([null, null, null]))

test('every way of writing a day is read back', () => {
  const day = fc
    .date({ min: new Date('1955-01-01'), max: new Date('2049-12-31'), noInvalidDate: true })
    .map((d) => d.toISOString().slice(0, 10))
  for (const [name, write] of Object.entries(dateForms))
    fc.assert(
      fc.property(day, (iso) => {
        // Two digits of a year say nothing of the century before 1951.
        if (name === 'short' && iso < '1951-01-01') return true
        return parsed(write(iso))?.value === iso
      }),
    )
})
test.each([
  ['19101988', '1988-10-19'],
  ['01. 02 +2026', '2026-02-01'],
  ['Q2. 02. 2026', '2026-02-02'],
])('%s out of boxes or weak print', (text, iso) => expect(parsed(text)?.value).toBe(iso))

describe('as a weak reader spells a date', () => {
  const read = (text: string, sure: number) =>
    daysIn(pageOf([text], { confidence: sure }).words).map((r) => r.value)
  test.each([
    ['06.022026', '2026-02-06'],
    ['0803/2026', '2026-03-08'],
    ['25.02:2026', '2026-02-25'],
    ['"21.02.2026', '2026-02-21'],
    ['1510911965', '1965-09-15'],
    ['199.2-03-16', '1992-03-16'],
    ['z4-NOV-8s', '1985-11-24'],
    ['05.12.1783', '1983-12-05'],
    ['2826-04-01', '2026-04-01'],
    ['4 Hay 1963', '1963-05-04'],
    ['46 Nov 1969', '1969-11-16'],
    ['15-0CT-24', '2024-10-15'],
    ['3 5ep 2025', '2025-09-03'],
  ])('%s is %s, mended', (text, iso) => {
    expect(daysIn(pageOf([text], { confidence: 0.9 }).words)).toMatchObject([{ value: iso, repaired: true }])
    expect(read(text, 1)).toEqual([])
  })
})
test('a period whose first day runs into the word behind it', () =>
  expect(period('1to 31 January 2026')).toEqual({ start: '2026-01-01', end: '2026-01-31' }))
test.each([
  ['year ended 31 December 2025', '2025-01-01', '2025-12-31'],
  ['the financial year to 31/03/2026', '2025-04-01', '2026-03-31'],
  ['12 months ending 28 February 2025', '2024-03-01', '2025-02-28'],
  ['exercice clos le 30 juin 2025', '2024-07-01', '2025-06-30'],
])('“%s” runs from %s to %s', (text, start, end) => expect(period(text)).toEqual({ start, end }))
test.each(['01.03.2026-31.03.2026', '01/03/2026–31/03/2026', '01.03.2026 - 31.03.2026'])(
  '%s is a period with no space around its stroke',
  (text) => expect(period(text)).toEqual({ start: '2026-03-01', end: '2026-03-31' }),
)

describe('in other orders', () => {
  const first = (dateOrder: Locale['dateOrder']) => internLocale({ ...EURO, dateOrder })
  test.each([
    ['03/04/2026', 'mdy', '2026-03-04'],
    ['03/04/2026', 'dmy', '2026-04-03'],
    ['26/03/04', 'ymd', '2026-03-04'],
    ['31/12/2025', 'mdy', '2025-12-31'],
    ['the 4th day of March, 2026', 'mdy', '2026-03-04'],
    ["1st of May '26", 'mdy', '2026-05-01'],
    ['Mar 4, 2026', 'dmy', '2026-03-04'],
    ['03042026', 'mdy', '2026-03-04'],
  ] as const)('%s (%s) is %s', (text, order, iso) => expect(parseDate(text, first(order))?.value).toBe(iso))
  test('boxes of a form hold six figures; elsewhere these are no day', () => {
    const boxes = pageOf(['0 3 0 4 2 6']).words
    expect(readDates(boxes, first('mdy')).map((r) => r.value)).toEqual(['2026-03-04'])
    expect(parseDate('030426', first('mdy'))).toBeNull()
  })
  test('a stretch of days with its months first', () =>
    expect(
      ['March 1 to March 31, 2026', 'March 1 - 31, 2026', '03/01/2026 - 03/31/2026'].map((text) =>
        parsePeriod(text, first('mdy')),
      ),
    ).toEqual(Array(3).fill({ start: '2026-03-01', end: '2026-03-31' })))
  test('the other day that figures may mean', () =>
    expect(['03/04/2026', '03/13/2026', '03/03/2026'].map(otherDay)).toEqual(['2026-03-04', null, null]))
})

import type { Word } from '../../model/page.ts'
import { nearestDate, rowDate, shortDate } from './row-date.ts'
import { localeOfLender } from '../../locale/index.ts'
import { euroLender } from '../../testing/lender.ts'

const EURO = localeOfLender(euroLender)
const rowDay = (words: Word[]) => rowDate(words, EURO)
const shortDay = (text: string) => shortDate(text, EURO)

const words = (text: string, sure = 0.7): Word[] =>
  text.split(' ').map((word, i) => ({ text: word, confidence: sure, box: [i / 10, 0, i / 10 + 0.08, 0.01] }))

test.each([
  ['02 Feb', '--02-02'],
  ['2Feb', '--02-02'],
  ['02/02', '--02-02'],
  ['2026-02-02', null],
  ['Salary', null],
])('%s as a day without its year is %s', (text, date) => expect(shortDay(text)).toBe(date))

test.each([
  ['2026-0201', '2026-02-01'],
  ['20260201', '2026-02-01'],
  ['20.022026', '2026-02-20'],
  ['12’ Mar 2026', '2026-03-12'],
  ['°25 March 2026', '2026-03-25'],
  ['1 1Feb', '--02-11'],
  ['23 Mar', '--03-23'],
  ['Salary', null],
  ['000412', null],
])('%s on a picture is the day %s', (text, day) => expect(rowDay(words(text))).toBe(day))
test('a text layer is read to the letter', () => expect(rowDay(words('2026-0201', 1))).toBeNull())
test('words beside a day are no day with it', () => expect(rowDay(words('25.01.2026 Direct'))).toBeNull())

const march = ['2026-03-07', '2026-03-08', '2026-03-09']
test('the day that figures are nearest to', () =>
  expect([
    nearestDate('091032026', march),
    nearestDate('2026-0307', march),
    nearestDate('27103', ['--03-27', '--03-28']),
  ]).toEqual(['2026-03-09', '2026-03-07', '--03-27']))
test('by a misread month the day alone', () => expect(nearestDate('8 Mer', march)).toBe('2026-03-08'))
test('none is near, or two are as near as each other', () =>
  expect([
    nearestDate('1234567', march),
    nearestDate('2026030', march),
    nearestDate('', march),
    nearestDate('?', march),
  ]).toEqual([null, null, null, null]))

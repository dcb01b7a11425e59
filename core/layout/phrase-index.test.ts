import { pageOf } from '../testing/page-of.ts'
import { PhraseIndex } from './phrase-index.ts'

const book = new PhraseIndex<string>([
  ['net pay', 'net'],
  ['pay', 'any pay'],
  ['date', 'date'],
  ['pay date', 'pay day'],
  ['date', 'second meaning'],
])
const found = (lines: string[], more = {}) => book.find(pageOf(lines, more)).map((h) => h.meanings.join('+'))

test('the longest phrase at a place wins', () => expect(found(['Net pay 5.00'])).toEqual(['net']))
test('a wording may have several meanings', () => expect(found(['Date'])).toEqual(['date+second meaning']))
test('a phrase does not run over a column gap', () =>
  expect(found(['Pay | date'])).toEqual(['any pay', 'date+second meaning']))
test('weak readers are forgiven on scans, not in text', () => {
  const words = new PhraseIndex<string>([['balance', 'b']])
  expect(words.find(pageOf(['Balanee'], { source: 'ocr' })).map((h) => h.mended)).toEqual([true])
  expect(words.find(pageOf(['Balanee'], { source: 'text' }))).toEqual([])
})
test('words that a reader of pictures joined are parted on scans', () => {
  expect(found(['Paydate'], { source: 'ocr' })).toEqual(['pay day'])
  expect(found(['Paydate'])).toEqual([])
  expect(found(['Payday'], { source: 'ocr' })).toEqual([])
})

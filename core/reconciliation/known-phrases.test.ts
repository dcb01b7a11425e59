import { knownPhrase, phraseOf, type ReadWord } from './known-phrases.ts'

/** "Fey~0.5" is read at 0.5; the rest surely. */
const read = (text: string): ReadWord[] =>
  text.split(' ').map((word) => {
    const [letters, sure] = word.split('~')
    return { text: letters, confidence: sure ? Number(sure) : 0.95 }
  })
const PHRASES = [
  'Card payment Ferry Office',
  'Card payment Fuel Quay',
  'Direct debit Isles Water',
  'Standing order rent',
  'Cheque 000412',
  'Transfer to savings',
]
const meant = (text: string) => knownPhrase(read(text), PHRASES.map(phraseOf))

test.each([
  ['a letter lost', 'Card payment Fery Office', 'Card payment Ferry Office'],
  ['letters too faint to be read', 'Card payment Fey~0.5 Office', 'Card payment Ferry Office'],
  ['nearly a whole word', 'Direct debit s~0.4 Water', 'Direct debit Isles Water'],
  ['several words at once', 'Cad~0.6 payment u~0.3 Quay', 'Card payment Fuel Quay'],
  ['a short word', 'Transfer lo savings~0.9', null],
  ['a space not seen', 'Directdebit Isles Water', 'Direct debit Isles Water'],
  ['a space not seen, and a letter lost', 'Card payment FeryOffice', 'Card payment Ferry Office'],
  ['letters read as figures', 'Transfer 10 savings', 'Transfer to savings'],
  ['strokes taken for one another', 'Direct debit lsies Water', 'Direct debit Isles Water'],
  ['a stain read behind the words', 'Standing order rent RE~0.4', 'Standing order rent'],
  ['a stain between them', 'Direct Di~0.3 debit Isles Water', 'Direct debit Isles Water'],
])('%s', (_, text, phrase) => expect(meant(text)).toBe(phrase))

test('what is said already is no finding', () => expect(meant('Standing order rent')).toBeNull())
test('a word clearly read that is more than a letter off is another word', () =>
  expect(meant('Card payment Harbour Office')).toBeNull())
test('a figure apart is another cheque', () => expect(meant('Cheque~0.5 000413~0.5')).toBeNull())
test('a word more that is clear is meant', () => expect(meant('Standing order rent arrears')).toBeNull())
test('a plural is another word', () => expect(meant('Standing orders rent')).toBeNull())
test('two phrases as near as each other are no help', () =>
  expect(
    knownPhrase(
      read('Card payment Fe~0.3 Office'),
      ['Card payment Ferry Office', 'Card payment Fetch Office'].map(phraseOf),
    ),
  ).toBeNull())
test('one word in common is not enough to know a phrase by', () =>
  expect(meant('Card~0.5 pymnt~0.3 Fury~0.3 Offal~0.3')).toBeNull())

describe('words not read at all', () => {
  const poor = (text: string) => knownPhrase(read(text), PHRASES.map(phraseOf), true)
  test('on a poor page the one phrase that holds the rest is meant', () =>
    expect(poor('Isles Water')).toBe('Direct debit Isles Water'))
  test('several that hold it are no help', () => expect(poor('Card payment')).toBeNull())
  test('letters misread throughout are known again by the phrase that they are like, unless another is as near', () => {
    expect(poor('Dred~0.5 debi~0.6 lses~0.4 Wat~0.6')).toBe('Direct debit Isles Water')
    expect(poor('Card~0.5 pymnt~0.3 Fu~0.3 O~0.3')).toBeNull()
    expect(poor('Dred~0.5 debi~0.6 Harbour Wat~0.6')).toBeNull()
  })
  test('on a fair page the row says all that it says', () => expect(meant('Isles Water')).toBeNull())
})
test('a row of many weak words takes no longer than any', () => {
  const many = Array.from({ length: 60 }, (_, i): ReadWord => ({ text: `w${i % 3}`, confidence: 0.3 }))
  expect(
    knownPhrase(many, [phraseOf(Array.from({ length: 60 }, (_, i) => `w${i % 2}`).join(' '))], true),
  ).not.toBeUndefined()
})

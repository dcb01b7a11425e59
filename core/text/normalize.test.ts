import fc from 'fast-check'
import { editDistance, fold, nearlyWord, squeeze, tokens } from './normalize.ts'

test.each([
  ['Zoë Müller', 'zoe muller'],
  ['Ødegaard', 'odegaard'],
  ['Straße', 'strasse'],
  ['Œuvre, Ærø', 'oeuvre, aero'],
  ['12 – 14', '12 - 14'],
  ['l’eau', "l'eau"],
  ['«Stella»', '"stella"'],
])('fold(%s) is %s', (text, folded) => expect(fold(text)).toBe(folded))

test('folding twice changes nothing more', () => {
  fc.assert(fc.property(fc.string(), (text) => fold(fold(text)) === fold(text)))
})

test.each([
  ['Nº. 12-B', 'no12b'],
  ['SKR-88 241', 'skr88241'],
  ['', ''],
])('squeeze(%s) is %s', (text, squeezed) => expect(squeeze(text)).toBe(squeezed))

test('apostrophes join a word, other punctuation parts it', () => {
  expect(tokens("Date d'émission: 3/4")).toEqual(['date', 'demission', '3', '4'])
})

test.each([
  ['kitten', 'sitting', 3],
  ['', 'abc', 3],
  ['same', 'same', 0],
])('distance of %s and %s is %i', (a, b, distance) => expect(editDistance(a, b)).toBe(distance))

test('distance is given up just above its limit', () =>
  expect(editDistance('abcdefgh', 'zzzzzzzz', 2)).toBe(3))

test('distance is symmetric', () => {
  fc.assert(
    fc.property(
      fc.string({ maxLength: 12 }),
      fc.string({ maxLength: 12 }),
      (a, b) => editDistance(a, b) === editDistance(b, a),
    ),
  )
})

test.each([
  ['balanee', 'balance', true],
  ['bal', 'bat', false],
  ['registrat1om', 'registration', true],
  ['premium', 'premises', false],
])('%s may be a weak print of %s: %s', (read, wanted, may) => expect(nearlyWord(read, wanted)).toBe(may))

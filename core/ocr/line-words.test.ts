import { isLegible, isNoise, confidenceOf, isLowQuality, wordsFrom } from './line-words.ts'
import type { Word } from '../model/page.ts'
import type { Letter } from './combine-readers.ts'

const word = (text: string, sure: number, at = 0.1): Word => ({
  text,
  confidence: sure,
  box: [at, 0.1, at + text.length * 0.01, 0.12],
})
/** Letters a hundredth of the page apart. */
const letters = (text: string, sure = 0.95): Letter[] =>
  [...text].map((l, i) => ({ text: l, confidence: sure, at: 0.1 + i * 0.01 }))

test('a fair page is left to the first reader, one with much noise is not', () => {
  const fair = Array.from({ length: 20 }, (_, i) => word('Harbour', 0.95, i / 25))
  expect(isLowQuality({ words: fair, qualityProblem: null })).toBe(false)
  expect(
    isLowQuality({
      words: [...fair, word('wlrnq', 0.2), word('mnuqz', 0.3), word('Wwvnn', 0.1), word('ttjfa', 0.4)],
      qualityProblem: null,
    }),
  ).toBe(true)
  expect(isLowQuality({ words: fair, qualityProblem: 'too faint' })).toBe(true)
  expect(isLowQuality({ words: [], qualityProblem: null })).toBe(false)
})
test('sureness counts letters, not words', () =>
  expect(confidenceOf([word('a', 0), word('abcdefghi', 1)])).toBeCloseTo(0.9))
test('a line without words is noise, and not legible', () =>
  expect([isLegible([]), isNoise([]), isLegible([word('Harbour', 0.9)])]).toEqual([false, true, true]))

test('letters are parted where paper shows between them', () => {
  const apart = letters('OttilieVarnham').map((l, i) => (i < 7 ? l : { ...l, at: l.at + 0.008 }))
  const words = wordsFrom(apart, [[0.164, 0.174]], [0.09, 0.5, 0.25, 0.53])
  expect(words.map((w) => w.text)).toEqual(['Ottilie', 'Varnham'])
  expect(words[0].box[0]).toBeCloseTo(0.095)
  expect(words[1].box[2]).toBeCloseTo(0.243)
})
test('a point or a dash too faint to be seen is no space: the letters on both sides are as close as all others', () =>
  expect(wordsFrom(letters('01-FEB-26'), [[0.117, 0.123]], [0, 0, 1, 1]).map((w) => w.text)).toEqual([
    '01-FEB-26',
  ]))
test('a space that the reader saw parts them too', () =>
  expect(wordsFrom(letters('12 Gannet'), [], [0, 0, 1, 1]).map((w) => w.text)).toEqual(['12', 'Gannet']))
test('a space that is both seen and measured parts once, though the places of letters are a little out', () => {
  expect(wordsFrom(letters('Full name'), [[0.126, 0.133]], [0, 0, 1, 1]).map((w) => w.text)).toEqual([
    'Full',
    'name',
  ])
  const wide = letters('Fullname').map((l, i) => (i < 4 ? l : { ...l, at: l.at + 0.008 }))
  expect(wordsFrom(wide, [[0.122, 0.13]], [0, 0, 1, 1]).map((w) => w.text)).toEqual(['Full', 'name'])
})
test('one letter that is hardly seen makes a word doubtful', () =>
  expect(
    wordsFrom([...letters('2140.5'), { text: '5', confidence: 0.4, at: 0.17 }], [], [0, 0, 1, 1])[0]
      .confidence,
  ).toBeCloseTo(0.65))
test('no letters, no words', () => expect(wordsFrom([], [], [0, 0, 1, 1])).toEqual([]))

import type { Word } from '../model/page.ts'
import { runsAt, combineReaders, type Letter } from './combine-readers.ts'

/** Words of letters a hundredth of the page wide, each from a place on: `['Old', 0.10, 0.9]`. */
const line = (...words: [text: string, left: number, sure: number][]): Word[] =>
  words.map(([text, left, sure]) => ({
    text,
    confidence: sure,
    box: [left, 0.5, left + text.length * 0.01, 0.512],
  }))
/** What the second reader says from a place on, one letter a hundredth. */
const says = (text: string, left: number, sure = 0.97): Letter[] =>
  [...text].map((letter, i) => ({ text: letter, confidence: sure, at: left + 0.005 + i * 0.01 }))
const told = (words: readonly Word[]) => words.map((w) => `${w.text} ${w.confidence}`)

describe('two readers', () => {
  test('who agree are believed, and the first one’s accents are kept', () => {
    expect(
      told(
        combineReaders(line(['Müller', 0.1, 0.8], ['12,50', 0.2, 0.85]), [
          ...says('Muller', 0.1),
          ...says('12,50', 0.2),
        ]),
      ),
    ).toEqual(['Müller 0.998', '12,50 0.998'])
  })
  test('who disagree: a clear second puts an unsure first right', () => {
    expect(told(combineReaders(line(['TE98', 0.1, 0.63]), says('IE98', 0.1)))).toEqual(['IE98 0.8'])
  })
  test('who disagree while both are clear leave the word in doubt', () => {
    expect(told(combineReaders(line(['SKO589', 0.1, 0.95]), says('SK0589', 0.1)))).toEqual(['SKO589 0.6'])
  })
  test('of whom the second is unsure, or sees nothing, leave it as it was', () => {
    expect(told(combineReaders(line(['Port', 0.1, 0.7]), says('Fort', 0.1, 0.4)))).toEqual(['Port 0.7'])
    expect(told(combineReaders(line(['Port', 0.1, 0.7]), []))).toEqual(['Port 0.7'])
  })
  test('a decimal point seen by one alone is no agreement', () => {
    expect(told(combineReaders(line(['1.234', 0.1, 0.9]), says('1,234', 0.1)))).toEqual(['1.234 0.9'])
    expect(
      told(
        combineReaders(
          line(['12.34', 0.1, 0.9]),
          says('1234', 0.1).map((l, i) => ({ ...l, at: 0.105 + i * 0.012 })),
        ),
      ),
    ).toEqual(['12.34 0.9'])
  })
  test('a tick or a stroke that the second takes for a sign of Chinese says nothing', () => {
    expect(
      told(
        combineReaders(line(['ES]', 0.1, 0.77], ['-', 0.2, 0.8]), [...says('凶', 0.11), ...says('一', 0.2)]),
      ),
    ).toEqual(['ES] 0.77', '- 0.8'])
    expect(told(combineReaders(line(['yon', 0.1, 0.6]), says('y由n', 0.1)))).toEqual(['yon 0.6'])
  })
  test('a sign seen by one alone is no agreement either', () => {
    expect(
      told(
        combineReaders(line(['5.00', 0.1, 0.9]), [
          { text: '-', confidence: 0.95, at: 0.099 },
          ...says('5.00', 0.1),
        ]),
      ),
    ).toEqual(['5.00 0.9'])
    expect(told(combineReaders(line(['-5.00', 0.1, 0.9]), says('-5.00', 0.1)))).toEqual(['-5.00 0.998'])
  })
  test('figures that the second sees in a word are letters', () => {
    expect(told(combineReaders(line(['Old', 0.1, 0.9]), says('01d', 0.1)))).toEqual(['Old 0.998'])
  })
  test('a small letter for a capital is put right, a capital stays', () => {
    expect(
      told(
        combineReaders(line(['wilma', 0.1, 0.87], ['Orrin', 0.2, 0.9]), [
          ...says('Wilma', 0.1),
          ...says('orrin', 0.2),
        ]),
      ),
    ).toEqual(['Wilma 0.998', 'Orrin 0.998'])
  })
})

describe('figures in pieces', () => {
  const pieces = line(['2', 0.1, 0.9], [',447', 0.112, 0.8], ['.', 0.153, 0.6], ['34', 0.164, 0.97])
  test('become one where both readers see the same', () => {
    expect(
      told(
        combineReaders(
          pieces,
          says('2,447.34', 0.1, 0.95).map((l, i) => ({ ...l, at: 0.105 + i * 0.0105 })),
        ),
      ),
    ).toEqual(['2,447.34 0.998'])
  })
  test('are one to be asked about where they do not: a piece would be another value', () => {
    expect(
      told(
        combineReaders(
          pieces,
          says('2,441.34', 0.1, 0.5).map((l, i) => ({ ...l, at: 0.105 + i * 0.0105 })),
        ),
      ),
    ).toEqual(['2,447.34 0.6'])
  })
  test('stay apart where a space is between them', () => {
    const apart = line(['5', 0.1, 0.9], ['500.00', 0.125, 0.9])
    const letters = [...says('5', 0.1), ...says('500.00', 0.125)]
    expect(combineReaders(apart, letters).map((w) => w.text)).toEqual(['5', '500.00'])
  })
})

describe('what is looked at', () => {
  const words = line(['Total', 0.1, 0.97], ['3', 0.3, 0.9], ['194.97', 0.312, 0.7], ['gross', 0.6, 0.9])
  const texts = (runs: number[][]) => runs.map((run) => run.map((i) => words[i].text).join(' '))
  test('is the words at a place, with the pieces that belong to them', () => {
    expect(texts(runsAt(words, [[0.33, 0.5, 0.36, 0.51]], 0.7))).toEqual(['3 194.97'])
  })
  test('is each place on its own', () => {
    expect(
      texts(
        runsAt(
          words,
          [
            [0.1, 0.5, 0.15, 0.51],
            [0.6, 0.5, 0.65, 0.51],
          ],
          0.7,
        ),
      ),
    ).toEqual(['Total', 'gross'])
  })
  test('is nothing where no word stands', () =>
    expect(runsAt(words, [[0.1, 0.8, 0.2, 0.9]], 0.7)).toEqual([]))
})

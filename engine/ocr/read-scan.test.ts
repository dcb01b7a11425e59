/** @jest-environment ./tests/native-arrays.js */
import { StandardFonts } from 'pdf-lib'
import type { Word } from '../../core/model/page.ts'
import { turned } from '../image/greyscale.ts'
import { DPI, printed, printedIn } from './printed.ts'
import { readScan } from './read-scan.ts'
import { retryLowConfidence } from './retry-low-confidence.ts'
import { endReaders, recognise } from './tesseract.ts'

const texts = (words: readonly Word[]) => words.map((w) => w.text)
const word = (text: string, sure: number, [x0, y0, x1, y1]: [number, number, number, number]): Word => ({
  text,
  confidence: sure,
  box: [x0 / 400, y0 / 200, x1 / 400, y1 / 200],
})
const letter =
  'The harbour office has read your letter of the second of March with care and thanks you for it'.split(' ')
const lines = (): [string, number, number][] =>
  [0, 1, 2].map((i) => [letter.slice(i * 7, i * 7 + 7).join(' '), 30, 40 + i * 22])

afterAll(endReaders)

describe('Tesseract', () => {
  test('one reader reads one picture after the other, and each has its own words', async () => {
    const [one, two] = [await printed(['Merrow Sound', 30, 60]), await printed(['Oyster Haven', 30, 60])]
    expect(texts(await recognise(one, DPI))).toEqual(['Merrow', 'Sound'])
    expect(texts(await recognise(two, DPI))).toEqual(['Oyster', 'Haven'])
    expect((await Promise.all([recognise(two, DPI), recognise(one, DPI)])).map(texts)).toEqual([
      ['Oyster', 'Haven'],
      ['Merrow', 'Sound'],
    ])
  })
  test('a picture without words has none', async () =>
    expect(await recognise(await printed(), DPI)).toEqual([]))
  test('letters of German and French are spelt as they are printed', async () => {
    expect(texts(await recognise(await printed(['Marguerite Müller née Lefèvre', 30, 60]), DPI))).toEqual([
      'Marguerite',
      'Müller',
      'née',
      'Lefèvre',
    ])
  })
  test('words stand where they are printed', async () => {
    const [{ box }] = await recognise(await printed(['Harbour', 120, 100]), DPI)
    expect(box[0] * 400).toBeCloseTo(121, -1)
    expect(box[3] * 200).toBeCloseTo(100, -1)
  })
})

describe('a page as it was scanned', () => {
  test.each([0, 90, 180, 270] as const)(
    'turned by %d degrees it is put right and read',
    async (degrees) => {
      const read = await readScan(turned(await printed(...lines()), degrees), DPI)
      expect((read.rotation + degrees) % 360).toBe(0)
      expect(texts(read.words).slice(0, 3)).toEqual(['The', 'harbour', 'office'])
      expect(read.qualityProblem).toBeNull()
    },
    30_000,
  )
  test('a typewritten table lying on its side is put right: its letters stand in lines that way too', async () => {
    const rows = Array.from({ length: 14 }, (_, i): [string, number, number] => [
      `${String(i + 1).padStart(2, '0')}-MAR-26   Card payment Ferry Office   ${100 + i * 7}.50   6,${700 - i * 31}.07`,
      20,
      18 + i * 12,
    ])
    const read = await readScan(turned(await printedIn(StandardFonts.Courier, ...rows), 90), DPI)
    expect(read.rotation).toBe(270)
    expect(texts(read.words)).toContain('Ferry')
  }, 30_000)
  test('an empty sheet is blank', async () =>
    expect(await readScan(await printed(), DPI)).toMatchObject({ blank: true, words: [] }))
})

describe('a second look', () => {
  const total: [string, number, number][] = [
    ['Total', 30, 60],
    ['EUR 3,135.74', 200, 60],
  ]
  const sure = word('Total', 0.96, [30, 50, 58, 61])
  test('a weak word is read again, in its place', async () => {
    const { words: again } = await retryLowConfidence(
      await printed(...total),
      [sure, word('HUR8l3574', 0.2, [200, 50, 275, 63])],
      DPI,
    )
    expect(texts(again)).toEqual(['Total', 'EUR', '3,135.74'])
    expect(again[1].box[0] * 400).toBeCloseTo(200, -1)
    expect(again[2].box[1] * 200).toBeCloseTo(51, -1)
  })
  test('of a page that is weak all over two lines taken for one are read apart', async () => {
    const blurred = Array.from({ length: 60 }, (_, i) =>
      word('blur', 0.3, [
        200 + (i % 6) * 30,
        10 + Math.floor(i / 6) * 18,
        212 + (i % 6) * 30,
        20 + Math.floor(i / 6) * 18,
      ]),
    )
    const { words: again } = await retryLowConfidence(
      await printed(['Direct debit', 30, 60], ['Isles Water', 30, 73]),
      [...blurred, word('Dies', 0.02, [30, 50, 98, 75])],
      DPI,
    )
    expect(texts(again)).toEqual(expect.arrayContaining(['Direct', 'debit', 'Isles', 'Water']))
  })
  test('a page of which most was passed over is for another reader', async () => {
    const rows = Array.from({ length: 14 }, (_, i) => 14 + i * 13)
    const page = await printed(
      ...[0, 1, 2, 3, 4].flatMap((c) =>
        rows.map((y): [string, number, number] => ['12 Mar', 20 + c * 70, y]),
      ),
    )
    expect(await retryLowConfidence(page, [word('12', 0.95, [20, 4, 34, 15])], DPI)).toMatchObject({
      passedOver: true,
    })
    expect(await retryLowConfidence(await printed(...total), [sure], DPI)).toMatchObject({
      passedOver: false,
    })
  })
  test('ink that no word covers is read', async () => {
    const { words: again } = await retryLowConfidence(
      await printed(...total, ['paid', 340, 60]),
      [sure, word('paid', 0.95, [340, 50, 363, 63])],
      DPI,
    )
    expect(texts(again).sort()).toEqual(['3,135.74', 'EUR', 'Total', 'paid'])
  })
  test('what a line begins and ends with, a space away from its words, is read', async () => {
    const dated: [string, number, number][] = [
      ['23 Feb 2026', 30, 60],
      ['Ferry Office', 200, 60],
    ]
    const { words: again } = await retryLowConfidence(
      await printed(...dated),
      [word('2026', 0.96, [72, 51, 99, 61]), word('Ferry', 0.95, [200, 51, 229, 62])],
      DPI,
    )
    expect(texts(again).sort()).toEqual(['2026', '23', 'Feb', 'Ferry', 'Office'])
  })
  test('a line that was passed over is read, and a word whose box reached over it keeps to its own', async () => {
    const page = await printed(['From', 30, 50], ['01.01.2026', 30, 66], ['Harbour Union Bank', 30, 110])
    const { words: again } = await retryLowConfidence(
      page,
      [
        word('01.01.2026', 0.95, [30, 40, 88, 68]),
        word('Harbour', 0.95, [30, 100, 74, 111]),
        word('Union', 0.95, [77, 100, 107, 111]),
        word('Bank', 0.95, [110, 100, 137, 111]),
      ],
      DPI,
    )
    expect(texts(again).sort()).toEqual(['01.01.2026', 'Bank', 'From', 'Harbour', 'Union'])
    expect(again.find((w) => w.text === '01.01.2026')!.box[1] * 200).toBeGreaterThan(53)
  })
  test('a figure that stands alone is read, and not quite confidence: it would make another amount of one beside it', async () => {
    const { words: again } = await retryLowConfidence(
      await printed(['3', 60, 60], ['Bow thruster', 120, 60]),
      [word('Bow', 0.95, [120, 50, 143, 61]), word('thruster', 0.95, [146, 50, 188, 61])],
      DPI,
    )
    const [figure] = again.filter((w) => /^\d+$/.test(w.text))
    expect(figure).toMatchObject({ text: '3' })
    expect(figure.confidence).toBeLessThanOrEqual(0.8)
  })
  test('a caption before a row of dots is read, and the dots are no word', async () => {
    const page = await printed(
      ['Total', 30, 30],
      ['Signature of account holder .......................................', 30, 90],
    )
    const again = texts((await retryLowConfidence(page, [word('Total', 0.95, [30, 20, 58, 31])], DPI)).words)
    expect(again.slice(0, 5)).toEqual(['Total', 'Signature', 'of', 'account', 'holder'])
    expect(again.filter((t) => /^[.·…_]{4}/.test(t))).toEqual([])
  })
  test('what is sure stays, and dots between words are no ink', async () => {
    const words = [sure, word('Street', 0.95, [200, 50, 236, 61])]
    expect(
      (
        await retryLowConfidence(
          await printed(['Total', 30, 60], ['. . . . . . . . . .', 70, 60], ['Street', 200, 60]),
          words,
          DPI,
        )
      ).words,
    ).toEqual(words)
  })
  test('a reading that is no surer changes nothing', async () => {
    const words = [sure, word('smudge', 0.6, [200, 150, 240, 161])]
    expect((await retryLowConfidence(await printed(...total), words, DPI)).words).toContainEqual(words[1])
  })
  test('a page that is weak all over is read again only where two lines were taken for one', async () => {
    const words = Array.from({ length: 120 }, (_, i) =>
      word('blur', 0.3, [
        (i % 10) * 38,
        10 + Math.floor(i / 10) * 15,
        (i % 10) * 38 + 12,
        20 + Math.floor(i / 10) * 15,
      ]),
    )
    expect((await retryLowConfidence(await printed(), words, DPI)).words).toEqual(words)
  })
})

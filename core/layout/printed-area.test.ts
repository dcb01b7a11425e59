import { pageOf } from '../testing/page-of.ts'
import { isPrint, printedOn, surelyPrintedOn } from './printed-area.ts'

const page = pageOf(['Signed by the applicant on this day in Port Ellery', 'MAMA', '..........'], {
  source: 'ocr',
  confidence: 0.96,
})
const scrawl = (sure: number, tall = 1) => ({
  ...page,
  words: page.words.map((w) =>
    w.text === 'MAMA'
      ? {
          ...w,
          confidence: sure,
          box: [w.box[0], w.box[1], w.box[2], w.box[1] + (w.box[3] - w.box[1]) * tall] as typeof w.box,
        }
      : w,
  ),
})
const isWord = (p: ReturnType<typeof scrawl>) =>
  isPrint(
    p.words.find((w) => w.text === 'MAMA')!,
    p,
  )

test('a word surely read is print', () => expect(isWord(scrawl(0.9))).toBe(true))
test('one hardly read may be a scrawl, and so may a weak one that is taller than print', () =>
  expect([isWord(scrawl(0.5)), isWord(scrawl(0.8, 2))]).toEqual([false, false]))
test('where print is clear, what was hardly read is none; on a weak page it may be', () => {
  const places = (p: ReturnType<typeof scrawl>) => printedOn(p).length
  expect(places(scrawl(0.3))).toBe(places(scrawl(0.9)) - 1)
})
test('of dots to sign on only their own height is print: the pen goes over them', () => {
  const dots = page.words.find((w) => w.text.startsWith('..'))!
  const place = printedOn(page).find((b) => b[0] === dots.box[0] && b[3] === dots.box[3])!
  expect(place[3] - place[1]).toBeCloseTo((dots.box[3] - dots.box[1]) / 2)
})
test('surely print is what no scrawl would be read as', () =>
  expect(surelyPrintedOn(scrawl(0.6)).length).toBeLessThan(surelyPrintedOn(scrawl(0.9)).length))
describe('words in a large hand', () => {
  const signed = (sure: readonly number[]) => {
    const [first] = page.words
    const large = sure.map((confidence, i) => ({
      ...first,
      text: ['Hamish', 'Torguhill'][i],
      confidence,
      box: [0.1 + i * 0.2, 0.5, 0.28 + i * 0.2, 0.53] as typeof first.box,
    }))
    return { on: { ...page, words: [...page.words, ...large] }, large }
  }
  const arePrint = ({ on, large }: ReturnType<typeof signed>) => large.map((w) => isPrint(w, on))
  test('are none of them print where one was read weakly', () =>
    expect(arePrint(signed([0.94, 0.83]))).toEqual([false, false]))
  test('a heading is read surely from end to end', () =>
    expect(arePrint(signed([0.94, 0.93]))).toEqual([true, true]))
})

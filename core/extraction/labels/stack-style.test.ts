import type { Page, Word } from '../../model/index.ts'
import { pageOf } from '../../testing/page-of.ts'
import { stackStyle } from './stack-style.ts'

/** A page of lines, each so far below the one before and with letters so high, in shares of the page. */
function stacked(lines: readonly (readonly [text: string, gap: number, high: number])[]): Page {
  let top = 0.1
  const words = lines.flatMap(([text, gap, high]): Word[] => {
    top += gap
    const line = text.split(' | ').flatMap((part, column): Word[] => {
      let left = [0.08, 0.5][column]
      return part.split(' ').map((word): Word => {
        const box: Word['box'] = [left, top, left + word.length * 0.009, top + high]
        left = box[2] + 0.004
        return { text: word, confidence: 1, box }
      })
    })
    top += high
    return line
  })
  return { ...pageOf([]), words }
}
const [VALUE, LABEL] = [0.014, 0.009]

test('small print close under larger print captions it', () => {
  const style = stackStyle(
    stacked([
      ['Lorna Escalante | 09/28/2022', 0, VALUE],
      ['Owner | Issued', 0.003, LABEL],
      ['Corvane Ridge | 36947', 0.014, VALUE],
      ['Vehicle | Mileage', 0.003, LABEL],
    ]),
  )
  expect(style?.way).toBe('captions')
  expect([...style!.small].map((w) => w.text)).toEqual(['Owner', 'Issued', 'Vehicle', 'Mileage'])
})
test('small print close over larger print heads it', () =>
  expect(
    stackStyle(
      stacked([
        ['Owner | Issued', 0, LABEL],
        ['Lorna Escalante | 09/28/2022', 0.003, VALUE],
        ['Vehicle | Mileage', 0.014, LABEL],
        ['Corvane Ridge | 36947', 0.003, VALUE],
      ]),
    )?.way,
  ).toBe('heads'))
test('print of one size, or small print here and there, makes no style', () => {
  expect(stackStyle(pageOf(['Owner', 'Lorna', 'Vehicle', 'Corvane', 'Mileage', '36947']))).toBeNull()
  expect(
    stackStyle(
      stacked([
        ['Lorna Escalante', 0, VALUE],
        ['a note', 0.003, LABEL],
        ['Corvane Ridge', 0.014, VALUE],
        ['Red Bluff', 0.02, VALUE],
      ]),
    ),
  ).toBeNull()
})

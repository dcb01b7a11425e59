import { joinCombFields } from './comb-fields.ts'
import type { Word } from '../model/page.ts'

/** Letters one to a box, 15 points apart on a page of 600; a space leaves its box empty. */
const boxes = (text: string, left = 100, pitch = 15): Word[] =>
  [...text].flatMap((letter, i) =>
    letter === ' '
      ? []
      : [
          {
            text: letter,
            confidence: 1,
            box: [(left + i * pitch) / 600, 0.1, (left + i * pitch + 6) / 600, 0.12] as Word['box'],
          },
        ],
  )
const words = (list: Word[]) => joinCombFields(list, 600).map((w) => w.text)

test('letters in boxes are the words they spell', () =>
  expect(words(boxes('061090-7828'))).toEqual(['061090-7828']))
test('an empty box is a space', () => expect(words(boxes('Ewan Penhallow'))).toEqual(['Ewan', 'Penhallow']))
test('the word before an empty box reaches over it, so that no column parts the two', () => {
  const [first, second] = joinCombFields(boxes('Ewan Penhallow'), 600)
  expect((second.box[0] - first.box[2]) * 600).toBeLessThan(5)
})
test('an amount whose first step goes over an empty box', () =>
  expect(words(boxes('2 460,00'))).toEqual(['2', '460,00']))
test('two boxes are a comb where the page has longer ones at the same pitch', () => {
  expect(words([...boxes('SKR-87403'), ...boxes('84', 400)])).toEqual(['SKR-87403', '84'])
})
test('two letters alone are initials', () => expect(words(boxes('AB'))).toEqual(['A', 'B']))
test('letters of one word are nearer together than boxes', () =>
  expect(words(boxes('ABCDEF', 100, 5))).toEqual([...'ABCDEF']))
test('words are left as they are', () => {
  const list: Word[] = ['Net', 'pay', 'a'].map((text, i) => ({
    text,
    confidence: 1,
    box: [0.1 + i * 0.1, 0.1, 0.15 + i * 0.1, 0.12],
  }))
  expect(joinCombFields(list, 600)).toEqual(list)
})

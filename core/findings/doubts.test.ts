import { message } from '../model/messages/message.ts'
import type { Box } from '../model/geometry.ts'
import { pageOf } from '../testing/page-of.ts'
import type { FilledField } from '../answers/fill.ts'
import type { Document } from './document.ts'
import { doubtsOf } from './doubts.ts'

const BOX: Box = [0.1, 0.2, 0.3, 0.22]
const field = (more: Partial<FilledField>): FilledField => ({
  name: 'iban',
  value: 'X',
  raw: 'X',
  confidence: 0.7,
  needsReview: true,
  reason: message('value.weak_print'),
  others: [],
  repaired: false,
  page: 1,
  box: BOX,
  state: 'asked',
  ...more,
})
const doubts = (
  fields: FilledField[],
  page = pageOf([], { number: 1, source: 'ocr' }),
  signed: boolean | null = null,
) => [...doubtsOf([{ fields, signed, pages: [1], lacking: [] } as unknown as Document], [page])]

test('what is asked about, and what is hardly sure enough not to be, is in doubt', () => {
  expect(doubts([field({}), field({ needsReview: false, state: 'certain', confidence: 0.91 })])).toEqual([
    [1, [BOX, BOX]],
  ])
  expect(doubts([field({ needsReview: false, state: 'certain', confidence: 0.97 })])).toEqual([])
})
test('on a paper that is signed somebody may have written: more is looked at', () =>
  expect(
    doubts([field({ needsReview: false, state: 'certain', confidence: 0.97 })], undefined, true),
  ).toHaveLength(1))
test('runners-up and rows are looked at too', () => {
  const other: Box = [0.5, 0.5, 0.6, 0.52]
  expect(doubts([field({ others: [{ value: 'Y', raw: 'Y', page: 1, box: other }] })])).toEqual([
    [1, [BOX, other]],
  ])
  expect(
    doubts([
      field({
        value: [],
        rowPlaces: [
          { page: 1, box: other },
          { page: 1, box: BOX },
        ],
      }),
    ]),
  ).toEqual([[1, [other, BOX]]])
})
test('a person’s word is in no doubt, nor is what stands nowhere', () => {
  expect(
    doubts([
      field({ state: 'confirmed', confidence: 1, needsReview: false }),
      field({ page: null, box: null }),
    ]),
  ).toEqual([])
})
test('a text layer is not looked at, and no page twice', () => {
  expect(doubts([field({})], pageOf([], { number: 1, source: 'text' }))).toEqual([])
  expect(doubts([field({})], pageOf([], { number: 1, source: 'ocr', regionsRetried: true }))).toEqual([])
})
test('a page number that makes pages lacking is looked at again, and others are not', () => {
  const page = pageOf([...Array.from({ length: 44 }, () => ''), 'Page 1 of 4'], { number: 1, source: 'ocr' })
  const looked = (lacking: number[]) => [
    ...doubtsOf([{ fields: [], signed: null, pages: [1], lacking } as unknown as Document], [page]),
  ]
  expect(looked([2, 3, 4])).toEqual([[1, [expect.arrayContaining([0.08])]]])
  expect(looked([])).toEqual([])
})

import { bareNumberOf, pageNumberOf } from './page-numbers.ts'
import { pageOf } from '../testing/page-of.ts'

const footed = (text: string) => pageOf([...Array.from({ length: 44 }, () => ''), text])

test.each([
  ['Page 2 of 5', { page: 2, of: 5 }],
  ['Page 2/5', { page: 2, of: 5 }],
  ['Sheet 1 of 3', { page: 1, of: 3 }],
  ['2 / 4', { page: 2, of: 4 }],
  ['- 3 / 4 -', { page: 3, of: 4 }],
  ['(2/3)', { page: 2, of: 3 }],
  ['2 out of 3', { page: 2, of: 3 }],
  ['Page 3 sur 7', { page: 3, of: 7 }],
  ['Hoja 1 de 2', { page: 1, of: 2 }],
  ['Page 4', { page: 4, of: null }],
  ['- 6 -', { page: 6, of: null }],
])('%s says %j', (text, number) => expect(pageNumberOf(footed(text))).toEqual(number))

test('a number and the year of its paper are no page number', () => {
  const statement = (day: string) => pageOf(['Statement 3/26', day])
  expect(pageNumberOf(statement('31/03/26'))).toBeNull()
  expect(pageNumberOf(pageOf(['3/26', 'March 2026']))).toBeNull()
  expect(pageNumberOf(pageOf(['3/26', 'March 2019']))).toEqual({ page: 3, of: 26 })
})

test.each([
  ['Page 20t3', { page: 2, of: 3 }],
  ['313', { page: 3, of: 3 }],
])('%s says %j on a picture, where a stroke may be read as a figure', (text, number) => {
  expect(pageNumberOf({ ...footed(text), source: 'ocr' })).toEqual(number)
  expect(pageNumberOf(footed(text))).toBeNull()
})
test('a page beyond its own total is no page number', () =>
  expect(pageNumberOf(footed('Page 9 of 2'))).toBeNull())
test('numbers in the middle of a page are none of its own', () => {
  expect(
    pageNumberOf(
      pageOf([
        ...Array.from({ length: 20 }, () => ''),
        'Page 2 of 5',
        ...Array.from({ length: 10 }, () => ''),
      ]),
    ),
  ).toBeNull()
})

test('a number alone in the foot may be a page number', () => expect(bareNumberOf(footed('3'))).toBe(3))
test('a number with words beside it, or amid the page, is none', () => {
  expect(bareNumberOf(footed('Form 3'))).toBeNull()
  expect(bareNumberOf(pageOf([...Array.from({ length: 20 }, () => ''), '3', 'a word']))).toBeNull()
})
test('the number may stand apart from its word', () =>
  expect(pageNumberOf(pageOf([...Array.from({ length: 44 }, () => ''), 'page | 2 of 5']))).toEqual({
    page: 2,
    of: 5,
  }))
test('a 1 that a reader of pictures took for a stroke', () => {
  const number = (source: 'ocr' | 'text') => pageNumberOf(pageOf(['Page lof2'], { source }))
  expect(number('ocr')).toEqual({ page: 1, of: 2 })
  expect(number('text')).toBeNull()
  expect(
    ['Page lofi', 'Pagelof1', 'page |of l'].map((text) => pageNumberOf(pageOf([text], { source: 'ocr' }))),
  ).toEqual(Array(3).fill({ page: 1, of: 1 }))
  expect(pageNumberOf(pageOf(['Page loft'], { source: 'ocr' }))).toBeNull()
})
test('what stands between the figures, or the total, may be unreadable on a picture', () => {
  const number = (text: string, source: 'ocr' | 'text' = 'ocr') =>
    pageNumberOf(pageOf([...Array.from({ length: 47 }, () => ''), text], { source }))
  expect(['Page 2 où 2', 'Page 1 af 3', 'Page 1 of à', 'Page 1 of'].map((text) => number(text))).toEqual([
    { page: 2, of: 2 },
    { page: 1, of: 3 },
    { page: 1, of: null },
    { page: 1, of: null },
  ])
  expect(['Page Lot2', '202'].map((text) => number(text))).toEqual([
    { page: 1, of: 2 },
    { page: 2, of: 2 },
  ])
  expect(['Page 2 où 2', 'Page 1 of à', '202', '302'].map((text) => number(text, 'text'))).toEqual([
    null,
    null,
    null,
    null,
  ])
  expect(number('302')).toBeNull()
})
test('no document of a scan has hundreds of pages: 203 is 2 of 3 there, 1012 is 1 of 2', () => {
  const number = (text: string, source: 'ocr' | 'text' = 'ocr') =>
    pageNumberOf(pageOf([...Array.from({ length: 44 }, () => ''), text], { source }))
  expect(['Page 193', 'Page 2043'].map((text) => number(text))).toEqual([
    { page: 1, of: 3 },
    { page: 2, of: 3 },
  ])
  expect(['Page203', 'Page 1012', 'Page | 2 02'].map((text) => number(text))).toEqual([
    { page: 2, of: 3 },
    { page: 1, of: 2 },
    { page: 2, of: 2 },
  ])
  expect(number('Page 12')).toEqual({ page: 12, of: null })
  expect(number('Page203', 'text')).toEqual({ page: 203, of: null })
})

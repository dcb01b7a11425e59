import { pageOf } from '../testing/page-of.ts'
import type { Page } from '../model/page.ts'
import { firstPageLikelihood } from './first-page.ts'

const SENTENCES = [
  'The holder moors the vessel with lines of a strength that suits her displacement',
  'and looks after them in bad weather, by day and by night and at any season.',
  'Waste oil and nets go into the containers that are provided on the quay.',
]

/** The page with the letters of its first line so many times as large. */
const headed = (page: Page, times: number): Page => {
  const [top] = page.words
  return {
    ...page,
    words: page.words.map((w) =>
      w.box[1] === top.box[1]
        ? { ...w, box: [w.box[0], w.box[1], w.box[2], w.box[1] + (w.box[3] - w.box[1]) * times] }
        : w,
    ),
  }
}

test('large letters at the top open a document', () =>
  expect(firstPageLikelihood(headed(pageOf(['Berth agreement', ...SENTENCES]), 1.6))).toBe(1))
test('sentences from the top on go on with one', () =>
  expect(firstPageLikelihood(pageOf(SENTENCES))).toBe(-1))
test('two sentences on a page are a page of sentences', () =>
  expect(firstPageLikelihood(pageOf(SENTENCES.slice(0, 2)))).toBe(-1))
test('labels and values may be either', () =>
  expect(firstPageLikelihood(pageOf(['Name | Maren Carrow', 'Date | 14/03/2026', 'Amount | 12.00']))).toBe(0))
test('an empty page says nothing', () => expect(firstPageLikelihood(pageOf([]))).toBe(0))

describe('nothing begins with its second part', () => {
  const rows = ['Price | 51,319.20', 'Deposit | 10,500.00', 'Months | 60']
  test.each(['Section 3: Work and income', 'Part B. Particulars'])('%s', (head) =>
    expect(firstPageLikelihood(pageOf([head, ...rows]))).toBe(-0.6),
  )
  test.each(['2 What you need', '3. About the boat'])('%s', (head) =>
    expect(firstPageLikelihood(pageOf([head, ...rows]))).toBe(-0.6),
  )
  test('in large letters even where it is one word', () =>
    expect(firstPageLikelihood(headed(pageOf(['2 Purpose', ...rows]), 1.6))).toBe(-0.6))
  test.each(['1 About you', '2 Harbour Road', '3 Rue du Port', '12 What you need', '2 of 3'])(
    '%s may begin one',
    (head) => expect(firstPageLikelihood(pageOf([head, ...rows]))).toBe(0),
  )
})

import { pageOf } from '../testing/page-of.ts'
import type { Page } from '../model/page.ts'
import { pageFeatures } from './page-links.ts'
import { mergeFragments } from './merge-fragments.ts'
import type { Piece } from './piece.ts'

/** A page of a paper with its head, what it says, and its number in the foot. */
const page = (number: number, head: string, foot: string, body = 'some words'): Page => ({
  ...pageOf([head, '', body, ...Array.from({ length: 41 }, () => ''), foot]),
  number,
})
const piece = (type: string, ...pages: number[]): Piece => ({
  pages,
  type,
  confidence: 0.97,
  types: [{ type, confidence: 0.97 }],
  cutBefore: 0.97,
})
const put = (pages: Page[], ...pieces: Piece[]) =>
  mergeFragments(
    pieces,
    (n) => pageFeatures(pages[n - 1]),
    () => false,
  ).map((p) => `${p.type}:${p.pages.join()}`)

const LANTERN = 'Lantern Bank statement of account IE94ISSB92227997813659'
test('a page that lies elsewhere goes to the paper that lacks it', () =>
  expect(
    put(
      [page(1, LANTERN, 'Page 1 of 2'), page(2, 'Payslip', ''), page(3, LANTERN, 'Page 2 of 2')],
      piece('bank_statement', 1),
      piece('payslip', 2),
      piece('bank_statement', 3),
    ),
  ).toEqual(['bank_statement:1,3', 'payslip:2']))
test('pages in the wrong order go by their numbers', () =>
  expect(
    put(
      [page(1, LANTERN, 'Page 2 of 2'), page(2, LANTERN, 'Page 1 of 2')],
      piece('bank_statement', 1),
      piece('bank_statement', 2),
    ),
  ).toEqual(['bank_statement:2,1']))
test('within one piece too', () =>
  expect(
    put([page(1, LANTERN, 'Page 2 of 2'), page(2, LANTERN, 'Page 1 of 2')], piece('bank_statement', 1, 2)),
  ).toEqual(['bank_statement:2,1']))
test('a balance that runs on to the cent says whose it is, whatever type it was taken for', () => {
  const pages = [
    page(1, LANTERN, 'Page 1 of 2', '26 Mar | Isles Water | 86.93 | 367.18'),
    page(2, 'Payslip', ''),
    page(3, 'Lantern Bank', 'Page 2 of 2', '27 Mar | Pilots Guild | 112.08 | 255.10'),
  ]
  expect(put(pages, piece('bank_statement', 1), piece('payslip', 2), piece('debit_mandate', 3))).toEqual([
    'bank_statement:1,3',
    'payslip:2',
  ])
})
test('of another make it stays alone', () =>
  expect(
    put(
      [page(1, LANTERN, 'Page 1 of 2'), page(2, 'Merrow Electric bill for the quarter', '2 / 2')],
      piece('bank_statement', 1),
      piece('utility_bill', 2),
    ),
  ).toHaveLength(2))
test('where two papers could claim it, it is nobody’s', () =>
  expect(
    put(
      [
        page(1, LANTERN, 'Page 1 of 2'),
        page(2, LANTERN, 'Page 1 of 2', 'other words'),
        page(3, LANTERN, 'Page 2 of 2'),
      ],
      piece('bank_statement', 1),
      piece('bank_statement', 2),
      piece('bank_statement', 3),
    ),
  ).toHaveLength(3))
test('a number that is there already is no lacking page', () =>
  expect(
    put(
      [page(1, LANTERN, 'Page 1 of 2'), page(2, LANTERN, 'Page 2 of 2'), page(3, LANTERN, 'Page 2 of 2')],
      piece('bank_statement', 1, 2),
      piece('bank_statement', 3),
    ),
  ).toHaveLength(2))
test('a last page whose number is there already goes where it is lacking', () => {
  const other = 'Harbour Mutual statement of account IE77HMUT00022227813111'
  const pages = [
    page(1, LANTERN, 'Page 1 of 2'),
    page(2, 'Payslip', ''),
    page(3, other, 'Page 1 of 2'),
    page(4, other, 'Page 2 of 2'),
    page(5, LANTERN, 'Page 2 of 2'),
  ]
  expect(
    put(pages, piece('bank_statement', 1), piece('payslip', 2), piece('bank_statement', 3, 4, 5)),
  ).toEqual(['bank_statement:1,5', 'payslip:2', 'bank_statement:3,4'])
})
test('a page 2 behind a paper of another make goes to the one that lacks it; where none does, it stays', () => {
  const pages = [
    page(1, LANTERN, 'Page 1 of 2'),
    page(2, 'Mandate for direct debit', ''),
    page(3, LANTERN, 'Page 2 of 2'),
  ]
  expect(put(pages, piece('bank_statement', 1), piece('debit_mandate', 2, 3))).toEqual([
    'bank_statement:1,3',
    'debit_mandate:2',
  ])
  expect(
    put(
      pages.slice(1).map((p, i) => ({ ...p, number: i + 1 })),
      piece('debit_mandate', 1, 2),
    ),
  ).toEqual(['debit_mandate:1,2'])
})
test('what was put together is a little less sure', () => {
  const pages = [page(1, LANTERN, 'Page 1 of 2'), page(2, LANTERN, 'Page 2 of 2')]
  expect(
    mergeFragments(
      [piece('bank_statement', 2), piece('bank_statement', 1)],
      (n) => pageFeatures(pages[n - 1]),
      () => false,
    )[0].confidence,
  ).toBe(0.93)
})

describe('a stray last page set in the hand of the paper that lacks it', () => {
  const form = page(1, 'Application for a boat loan', 'Page 1 of 2', 'Applicant Ottilie Varnham')
  const card = page(2, 'Passport', '', 'Surname Varnham')
  const rest = page(3, 'Price agreed', 'Page 2 of 2', 'Loan applied for')
  const pieces = [piece('loan_application', 1), piece('identity_card', 2, 3)]
  const cut = (speaks: (type: string) => boolean) =>
    mergeFragments(
      pieces,
      (n) => pageFeatures([form, card, rest][n - 1]),
      (_, type) => speaks(type),
    ).map((p) => `${p.type}:${p.pages.join()}`)
  test('goes there where it says what such papers say', () =>
    expect(cut((type) => type === 'loan_application')).toEqual(['loan_application:1,3', 'identity_card:2']))
  test('and stays where it says what others say', () =>
    expect(cut((type) => type === 'survey_report')).toEqual(['loan_application:1', 'identity_card:2,3']))
})

import { starterTypes } from '../../../demo/lenders/merrow-sound/index.ts'
import { inkOf, none } from '../../testing/ink-of.ts'
import { pageOf } from '../../testing/page-of.ts'
import { readSignature } from './signature.ts'
import { typeById } from '../../program/document-type.ts'

const consent = typeById(starterTypes, 'credit_consent')
const scrawlAt = (x0: number, y0: number) => (x: number, y: number) =>
  x > x0 && x < x0 + 40 && Math.abs(y - y0 - 5 * Math.sin(x / 3)) < 1.1

const lines = ['Consent to a credit check', '', '', '', '', '', '', '', '', '', 'Signature | Date']
test('a scrawl over its caption is a signature', () =>
  expect(readSignature([pageOf(lines, { ink: inkOf(scrawlAt(20, 60)) })], consent)).toMatchObject({
    signed: true,
    page: 1,
  }))
test('an empty line is none', () =>
  expect(
    readSignature([pageOf(lines, { ink: inkOf((x, y) => y === 68 && x > 15 && x < 90) })], consent),
  ).toMatchObject({ signed: false }))
test('where no place for a signature is found, the answer is unsure, not no', () =>
  expect(readSignature([pageOf(['Consent'], { ink: inkOf(none) })], consent)).toMatchObject({
    signed: false,
    confidence: 0.5,
  }))
test('types that ask for none have none', () =>
  expect(readSignature([pageOf(lines)], typeById(starterTypes, 'payslip'))).toBeNull())

test('a scrawl that was spelt as a weak word is a signature, but a person is to look', () => {
  const page = pageOf(lines, { source: 'ocr', confidence: 0.96, ink: inkOf(scrawlAt(20, 60)) })
  const spelt = {
    text: 'PANS',
    confidence: 0.6,
    box: [0.1, 0.18, 0.31, 0.24] as [number, number, number, number],
  }
  expect(readSignature([{ ...page, words: [...page.words, spelt] }], consent)).toMatchObject({
    signed: true,
    confidence: 0.7,
  })
})
const pen = (box: [number, number, number, number], drawn = true) => ({ pens: [{ box, drawn }] })
test('a line of curves near its caption is a signature, known exactly', () =>
  expect(readSignature([pageOf(lines, pen([0.1, 0.2, 0.3, 0.23]))], consent)).toMatchObject({
    signed: true,
    confidence: 0.96,
  }))
test('far from any caption it still is one, less surely', () =>
  expect(readSignature([pageOf(lines, pen([0.1, 0.8, 0.3, 0.83]))], consent)).toMatchObject({
    signed: true,
    confidence: 0.86,
  }))
test('a frame around the letters of a stamp is none', () => {
  const stamp = {
    text: 'COPY',
    confidence: 1,
    box: [0.15, 0.805, 0.25, 0.825] as [number, number, number, number],
  }
  const page = pageOf(lines, pen([0.1, 0.8, 0.3, 0.83]))
  expect(readSignature([{ ...page, words: [...page.words, stamp] }], consent)).toMatchObject({
    signed: false,
  })
})
test('a logo is none: it stands in the head, or is as large as a picture', () => {
  expect(
    readSignature(
      [
        pageOf(
          ['Consent', ...Array.from({ length: 30 }, () => ''), 'Signature'],
          pen([0.1, 0.02, 0.3, 0.05]),
        ),
      ],
      consent,
    ),
  ).toMatchObject({ signed: false })
  expect(readSignature([pageOf(lines, pen([0.1, 0.2, 0.8, 0.6]))], consent)).toMatchObject({ signed: false })
})

describe('signatures that no caption leads to', () => {
  const unlabelled = [
    'Mandate for direct debit',
    '',
    '',
    '',
    '',
    '',
    '',
    '',
    '',
    '',
    'for Merrow Sound Mutual',
  ]
  const mandate = typeById(starterTypes, 'debit_mandate')
  test('a scrawl is found wherever it stands, and a person is to look', () =>
    expect(
      readSignature([pageOf(unlabelled, { ink: inkOf(scrawlAt(60, 90)), source: 'ocr' })], mandate),
    ).toMatchObject({ signed: true, confidence: 0.7 }))
  test('on a later page it may stand where a first page has its letterhead', () => {
    const high = pageOf(['', 'Approved'], { ink: inkOf(scrawlAt(60, 40)), source: 'ocr' })
    expect(readSignature([high], mandate)).toMatchObject({ signed: false })
    expect(
      readSignature(
        [pageOf(unlabelled, { ink: inkOf(none), source: 'ocr' }), { ...high, number: 2 }],
        mandate,
      ),
    ).toMatchObject({ signed: true, page: 2 })
  })
  test('who a paper names at its head is no place to sign, and keeps nobody from looking on', () => {
    const accounts = typeById(starterTypes, 'business_accounts')
    const first = pageOf(['Annual accounts', 'Sole trader | Ottilie Pettigrew'], {
      ink: inkOf(none),
      source: 'ocr',
    })
    const last = {
      ...pageOf(['', 'Ottilie Pettigrew'], { ink: inkOf(scrawlAt(60, 90)), source: 'ocr' }),
      number: 2,
    }
    expect(readSignature([first, last], accounts)).toMatchObject({ signed: true, page: 2 })
  })
  test('specks are none', () =>
    expect(
      readSignature(
        [pageOf(unlabelled, { source: 'ocr', ink: inkOf((x, y) => x % 31 === 0 && y % 29 === 0) })],
        mandate,
      ),
    ).toMatchObject({ signed: false, confidence: 0.5 }))
  test('nor is the ring of a stamp', () =>
    expect(
      readSignature(
        [
          pageOf(unlabelled, {
            source: 'ocr',
            ink: inkOf((x, y) => Math.abs(Math.hypot(x - 100, y - 150) - 26) < 0.5),
          }),
        ],
        mandate,
      ),
    ).toMatchObject({ signed: false }))
})
test('a tall word none too surely read over a caption is the scrawl, and does not cut the place to sign short', () => {
  const page = pageOf(lines, { source: 'ocr', confidence: 0.96, ink: inkOf(scrawlAt(20, 60)) })
  const spelt = {
    text: 'MAMA',
    confidence: 0.66,
    box: [0.1, 0.18, 0.31, 0.24] as [number, number, number, number],
  }
  expect(readSignature([{ ...page, words: [...page.words, spelt] }], consent)).toMatchObject({ signed: true })
})
test('the day printed over "Signed on" is no place to sign, and the pen beside it is found', () => {
  const survey = typeById(starterTypes, 'survey_report')
  const below = [
    'Marine survey report',
    '',
    '',
    '',
    '',
    '',
    '',
    '',
    '',
    '',
    ' | 08/03/2026',
    'for Northlight Marine | Signed on',
  ]
  const at = [0.1, 0.55]
  expect(
    readSignature([pageOf(below, { at, source: 'ocr', ink: inkOf(scrawlAt(30, 68)) })], survey),
  ).toMatchObject({ signed: true, confidence: 0.7 })
  expect(readSignature([pageOf(below, { at, source: 'ocr', ink: inkOf(none) })], survey)).toMatchObject({
    signed: false,
  })
})
describe('what a hand wrote elsewhere on a paper', () => {
  const form = ['Consent to a credit check', '', '', 'Signature', 'I have read both pages of this paper.']
  const drawn = (y: number) => pageOf(form, { source: 'ocr', confidence: 0.96, ink: inkOf(scrawlAt(20, y)) })
  test('is the signature where only print comes between it and its caption', () =>
    expect(readSignature([drawn(120)], consent)).toMatchObject({ signed: true, confidence: 0.7 }))
  test('fills in the form where it stands over the caption', () => {
    const low = [...Array.from({ length: 20 }, () => ''), ...form]
    const page = pageOf(low, { source: 'ocr', confidence: 0.96, ink: inkOf(scrawlAt(20, 60)) })
    expect(readSignature([page], consent)).toMatchObject({ signed: false, confidence: 0.98 })
  })
})

import { starterTypes, workingBoatLoan } from '../../demo/lenders/merrow-sound/index.ts'
import { euroLender } from '../testing/lender.ts'
import { pageOf } from '../testing/page-of.ts'
import type { Answer } from '../answers/answer.ts'
import { boxAround } from '../model/geometry.ts'
import { assess } from './assess.ts'

/** A payslip whose net pay has a name that no wording leads to, beside another amount that is as likely. */
const slip = (month: string, pay: string, other: string, label = 'Shells in your sack') =>
  pageOf([
    'Petrel Slipways Ltd',
    'Payslip',
    'Employee | O. Varnham',
    `Pay period | 01/${month}/2026 - 28/${month}/2026`,
    `Pay date | 28/${month}/2026`,
    'Gross pay | 2,755.00',
    `Held for the slip | ${other}`,
    `${label} | ${pay}`,
  ])
const numbered = (slips: ReturnType<typeof slip>[]) =>
  slips.map((p, i) => ({ ...p, number: i + 1, filePage: i + 1 }))
const pages = numbered([
  slip('01', '2,140.55', '1,990.10'),
  slip('02', '2,077.30', '1,911.40'),
  slip('03', '2,101.15', '1,870.20', 'What the gull left'),
])

/** The net pay of each slip, and whether it is asked about. */
const netPay = (answers: Answer[], read = pages) =>
  assess({
    files: [{ name: 'a.pdf', sha256: 'x'.repeat(64), pages: 3, problem: null }],
    pages: read,
    pieces: read.map((p) => ({
      pages: [p.number],
      type: 'payslip',
      confidence: 1,
      types: [{ type: 'payslip', confidence: 1 }],
      cutBefore: 1,
    })),
    program: workingBoatLoan,
    types: starterTypes,
    lender: euroLender,
    answers,
    asOf: '2026-04-10',
  }).documents.map((d) => {
    const field = d.fields.find((f) => f.name === 'net_pay')!
    return [field.needsReview, field.value && (field.value as { amount: string }).amount, field.state]
  })

const said = (page: number, amount: string, on = pages): Answer => ({
  kind: 'value',
  page,
  field: 'net_pay',
  value: { amount: amount.replace(',', ''), currency: 'EUR' },
  state: 'corrected',
  at: { page, box: boxAround(on[page - 1].words.filter((w) => w.text === amount).map((w) => w.box)) },
})

test('without an answer each slip is asked about', () =>
  expect(netPay([]).map(([asked]) => asked)).toEqual([true, true, true]))
test('one answer settles the slip with the same label; the one with another is still asked about', () =>
  expect(netPay([said(1, '2,140.55')])).toEqual([
    [false, '2140.55', 'corrected'],
    [false, '2077.30', 'certain'],
    expect.arrayContaining([true, 'asked']),
  ]))
test('what was read from weak print is still asked about, though its place is known', () => {
  const weak = pages.map((p) => ({
    ...p,
    source: 'ocr' as const,
    words: p.words.map((w) => (w.text === '2,077.30' ? { ...w, confidence: 0.6 } : w)),
  }))
  expect(netPay([said(1, '2,140.55')], weak)[1][0]).toBe(true)
})
test('an amount whose currency the paper leaves open is still asked about', () => {
  const inPesos = numbered([
    slip('01', 'pesos 2,140.55', 'pesos 1,990.10'),
    slip('02', 'pesos 2,077.30', 'pesos 1,911.40'),
  ])
  expect(netPay([said(1, '2,140.55', inPesos)], inPesos)[1][0]).toBe(true)
})
test('a value that was typed shows no label, and settles nothing', () =>
  expect(netPay([{ ...(said(1, '2,140.55') as Answer & { kind: 'value' }), at: null }])[1][0]).toBe(true))

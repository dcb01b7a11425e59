import { starterTypes } from '../../../demo/lenders/merrow-sound/index.ts'
import { euroLender } from '../../testing/lender.ts'
import { pageOf } from '../../testing/page-of.ts'
import { extractDocument } from '../fields/extract.ts'
import { typeById } from '../../program/document-type.ts'

const payslip = (lines: string[], sure: number) => {
  const { fields } = extractDocument(
    [pageOf(['Petrel Slipways Ltd', 'Payslip', ...lines], { confidence: sure, source: 'ocr' })],
    typeById(starterTypes, 'payslip'),
    euroLender,
  )
  return (name: string) => fields.find((f) => f.name === name)!
}
const WEAK = 0.72

test('a whole month to the day is not asked about, however weak the print', () => {
  const whole = payslip(['Pay period | 01/02/2026 - 28/02/2026'], WEAK)
  expect([whole('period_start'), whole('period_end')].map((f) => [f.value, f.needsReview])).toEqual([
    ['2026-02-01', false],
    ['2026-02-28', false],
  ])
  const part = payslip(['Pay period | 01/02/2026 - 26/02/2026'], WEAK)
  expect(part('period_end').needsReview).toBe(true)
})
test('gross less deductions is net: both are borne out', () => {
  const lines = (tax: string) => [
    'Gross pay | 2,755.00',
    `Income tax | ${tax}`,
    'Social insurance | 212.30',
    'Net pay | 2,140.55',
  ]
  expect(payslip(lines('402.15'), WEAK)('net_pay').needsReview).toBe(false)
  expect(payslip(lines('402.75'), WEAK)('net_pay').needsReview).toBe(true)
})

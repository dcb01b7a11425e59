import { pageDiff } from './page-diff.ts'
import { pageOf } from '../testing/page-of.ts'

test('two pages differ where one says what the other does not', () => {
  const first = pageOf(['Payslip for January', 'Net pay 2,140.55'])
  const second = pageOf(['PAYSLIP for February', 'Net pay 2,140.55'])
  const found = pageDiff(first, second)
  expect(found.first).toHaveLength(1)
  expect(found.second).toHaveLength(1)
  expect(found.common).toBeCloseTo(5 / 6)
})

test('the same page differs nowhere, and two empty ones are alike', () => {
  const page = pageOf(['Skerrow Power', 'Amount due 61.20'])
  expect(pageDiff(page, page)).toEqual({ first: [], second: [], common: 1 })
  expect(pageDiff(pageOf([]), pageOf([])).common).toBe(1)
})

import { starterLender, starterTypes, workingBoatLoan } from '../../demo/lenders/merrow-sound/index.ts'
import { pageOf } from '../../core/testing/page-of.ts'
import { judgeRead } from './headless.ts'
import type { ReadPackage } from './read-package.ts'

const given = {
  program: workingBoatLoan,
  types: starterTypes,
  lender: starterLender,
  asOf: '2026-04-10',
}
const slip = [
  'PAYSLIP',
  'Employee: Ottilie Varnham',
  'Pay date: 28/02/2026',
  'Gross pay: EUR 2,755.00',
  'Net pay: EUR 2,140.55',
]
const packageOf = (read: ReadPackage['pages']): ReadPackage => ({
  files: [{ name: 'a.pdf', sha256: '0', pages: read.length, problem: null }],
  pages: read,
  originals: [],
})

test('a package of text is cut, read and judged, and no page of it is looked at twice', async () => {
  const read = packageOf([pageOf(slip)])
  const { situation, assessment } = await judgeRead(read, given)
  expect(situation.pages).toBe(read.pages)
  expect(assessment.documents).toMatchObject([{ type: 'payslip', pages: [1] }])
  expect(assessment.documents[0].fields.find((f) => f.name === 'net_pay')?.value).toEqual({
    amount: '2140.55',
    currency: 'EUR',
  })
})
test('the same package is judged the same', async () => {
  const read = packageOf([pageOf(slip), pageOf(['Please find the papers attached.'], { number: 2 })])
  const [once, again] = [await judgeRead(read, given), await judgeRead(read, given)]
  expect(JSON.stringify(again.assessment)).toBe(JSON.stringify(once.assessment))
})
test('what lacks is said of the requirement, by name', async () => {
  const { assessment } = await judgeRead(packageOf([pageOf(slip)]), given)
  expect(assessment.checklist.find((r) => r.requirement === 'consent')?.status).toBe('missing')
})

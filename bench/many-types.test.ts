import { starterTypes } from '../demo/lenders/merrow-sound/index.ts'
import { pageOf } from '../core/testing/page-of.ts'
import { inventedTypes, runManyTypes } from './many-types.ts'

test('invented types are many, differ, and come out the same for the same seed', () => {
  const types = inventedTypes(500 - starterTypes.length)
  expect(new Set([...types, ...starterTypes].map((t) => t.id)).size).toBe(500)
  expect(inventedTypes(3)).toEqual(types.slice(0, 3))
})
test('a paper is still found among them', () => {
  const page = {
    ...pageOf([
      'Petrel Slipways Ltd',
      'Payslip',
      'Employee | Ottilie Varnham',
      'Pay date | 30/01/2026',
      'Gross pay | 2,755.00',
      'Net pay | 2,140.55',
      'Income tax | 402.15',
      'National number | 140380-2211',
    ]),
    number: 1,
  }
  const truth = {
    pages: [{ document: 0, blank: false, separator: false, rotation: 0 }],
    documents: [{ type: 'payslip', pages: [1], signed: null, fields: {} }],
    checklist: {},
    conflicts: [],
    failedChecks: [],
    duplicates: [],
  }
  const [few, many] = runManyTypes([{ pages: [page], truth }], [25, 100])
  expect([few.typeAccuracy, many.typeAccuracy]).toEqual([1, 1])
})

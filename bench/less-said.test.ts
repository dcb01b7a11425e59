import { starterLender, starterTypes } from '../demo/lenders/merrow-sound/index.ts'
import { pageOf } from '../core/testing/page-of.ts'
import { described } from './fit/described.ts'
import { Dice } from '../demo/dice.ts'
import { measureLessSaid } from './less-said.ts'
import { truthSchema } from './truth.ts'

const page = (lines: string[], type: string, fields: Record<string, string>) => ({
  pages: [{ ...pageOf(lines), number: 1 }],
  truth: truthSchema.parse({
    program: 'working-boat-loan',
    asOf: '2026-04-10',
    pages: [{ document: 0, blank: false, separator: false, rotation: 0 }],
    documents: [
      {
        type,
        pages: [1],
        fields: Object.fromEntries(Object.entries(fields).map(([name, value]) => [name, { value }])),
        signed: null,
        duplicateOf: null,
      },
    ],
    checklist: {},
    conflicts: [],
    failedChecks: [],
  }),
})

test('a type described on a first day keeps two labels a field, those that come first of them first', () => {
  const whole = new Map(starterTypes.flatMap((t) => t.fields.map((f) => [`${t.id}.${f.name}`, f.labels])))
  for (const type of described(starterTypes, new Dice(1)))
    for (const field of type.fields) {
      const labels = whole.get(`${type.id}.${field.name}`)!
      expect(field.labels).toHaveLength(Math.min(2, labels.length))
      expect(field.labels).toEqual(labels.filter((label) => field.labels.includes(label)))
    }
})
test('values and types are counted with all that is said, and with less', () => {
  const slip = [
    'Payslip',
    'Employee | O. Varnham',
    'Pay date | 30/01/2026',
    'Net pay | 2,140.55',
    'Gross pay | 2,755.00',
  ]
  const run = measureLessSaid(
    [page(slip, 'payslip', { pay_date: '2026-01-30', employee_name: 'somebody else' })],
    starterTypes,
    starterLender,
  )
  expect(run).toMatchObject({ values: 0.5, types: 1, typesWithoutTitles: 1 })
  expect(run.valuesByTwoLabels).toBeLessThanOrEqual(0.5)
})
test('what is known by its title alone is not known without it', () => {
  const bare = page(['Payslip', 'Hello'], 'payslip', { employee_name: 'x' })
  const { typesWithoutTitles } = measureLessSaid([bare], starterTypes, starterLender)
  expect(typesWithoutTitles).toBe(0)
})

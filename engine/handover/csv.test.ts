import { parse } from 'csv-parse/sync'
import type { ValueOut } from '../../core/receivers/index.ts'
import { csvOf, harmless } from './csv.ts'

const about = { caseNumber: 'MSM-1', reference: '=1+1', applicant: 'Ottilie, Varnham', program: 'Boats' }
const value = (more: Partial<ValueOut>): ValueOut => ({
  document: 'a',
  file: 'a.pdf',
  type: 'payslip',
  typeName: 'Payslip',
  label: 'Payslip January',
  field: 'net_pay',
  fieldName: 'Net pay',
  row: null,
  column: null,
  value: '-12.50',
  currency: 'EUR',
  raw: '',
  confidence: 0.99,
  state: 'certain',
  confirmedBy: '',
  page: 3,
  box: [0, 0.25, 1, 0.5],
  link: 'https://jigsa.example/p?page=3',
  ...more,
})
const values = [value({}), value({ field: 'employee', value: '=HYPERLINK("x")', currency: '' })]

test('the table round-trips, and nothing in it is a formula', () => {
  const rows: Record<string, string>[] = parse(csvOf(values, about), { columns: true, bom: true })
  expect(rows).toHaveLength(values.length)
  expect(rows[0]).toMatchObject({ applicant: 'Ottilie, Varnham', value: '-12.50', confidence: '0.990' })
  const cells = rows.flatMap((row) => Object.values(row))
  expect(cells.filter((c) => /^[=+@\t\r-]/.test(c) && !/^-?\d/.test(c))).toEqual([])
  expect(rows[1].value).toBe('\'=HYPERLINK("x")')
})

test.each(['=1', '+cmd', '-2+3', '@a', '\tx', '|x'])('%s is harmless', (text) =>
  expect(harmless(text)).toBe(`'${text}`),
)
test.each(['-12.50', '+3', 'plain', ''])('%s stays as it is', (text) => expect(harmless(text)).toBe(text))

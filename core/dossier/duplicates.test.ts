import { starterTypes } from '../../demo/lenders/merrow-sound/index.ts'
import { markDuplicates } from './duplicates.ts'
import { eur, paperOf } from '../testing/paper-of.ts'
import type { Paper } from './paper.ts'

const types = new Map(starterTypes.map((t) => [t.id, t]))
const copies = (...papers: Paper[]) => markDuplicates(papers, types).map((p) => p.copyOf)
const slip = (id: string, values: Parameters<typeof paperOf>[2] = {}) =>
  paperOf(id, 'payslip', {
    employee_name: 'Ewan Garvie',
    employer_name: 'Fathom & Daughters Ltd',
    pay_date: '2026-02-27',
    period_start: '2026-02-01',
    period_end: '2026-02-28',
    gross_pay: eur('2600.00'),
    net_pay: eur('1980.10'),
    ...values,
  })
const weakly = (paper: Paper, name: string): Paper => ({
  ...paper,
  fields: paper.fields.map((f) => (f.name === name ? { ...f, confidence: 0.6 } : f)),
})

test('a paper that says all that an earlier one says is its copy', () =>
  expect(copies(slip('a'), slip('b'))).toEqual([null, 'a']))
test('a third is a copy of the first', () =>
  expect(copies(slip('a'), slip('b'), slip('c'))).toEqual([null, 'a', 'a']))
test('case, spaces and points make no other paper', () =>
  expect(copies(slip('a'), slip('b', { employer_name: 'FATHOM & DAUGHTERS LTD.' }))).toEqual([null, 'a']))
test('another day is another paper, however alike the rest', () =>
  expect(copies(slip('a'), slip('b', { pay_date: '2026-02-28' }))).toEqual([null, null]))
test('and so is another amount', () =>
  expect(copies(slip('a'), slip('b', { net_pay: eur('1980.11') }))).toEqual([null, null]))
test('unless it was hardly read', () =>
  expect(copies(slip('a'), weakly(slip('b', { net_pay: eur('1980.11') }), 'net_pay'))).toEqual([null, 'a']))
test('what the copy does not say cannot differ', () =>
  expect(copies(slip('a'), slip('b', { pay_date: null, employer_name: null }))).toEqual([null, 'a']))
test('two values in common are no copy yet', () =>
  expect(
    copies(
      paperOf('a', 'payslip', { employee_name: 'Ewan Garvie', pay_date: '2026-02-27' }),
      paperOf('b', 'payslip', { employee_name: 'Ewan Garvie', pay_date: '2026-02-27' }),
    ),
  ).toEqual([null, null]))
test('a signed paper is no copy of an unsigned one', () =>
  expect(copies({ ...slip('a'), signed: false }, { ...slip('b'), signed: true })).toEqual([null, null]))
test('papers of different types never are', () =>
  expect(copies(slip('a'), { ...slip('b'), type: 'unknown' })).toEqual([null, null]))

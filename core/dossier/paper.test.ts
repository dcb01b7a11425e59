import { paperOf } from '../testing/paper-of.ts'
import {
  counting,
  counts,
  fieldOf,
  splitReference,
  usable,
  usableText,
  valueIn,
  type Paper,
} from './paper.ts'

const slip = (id: string, name: string | null, more: Partial<Paper> = {}): Paper => ({
  ...paperOf(id, 'payslip', { employee_name: name }),
  ...more,
})
const unsure = (paper: Paper): Paper => ({
  ...paper,
  fields: paper.fields.map((f) => ({ ...f, confidence: 0.4 })),
})

test('a value likelier wrong than right takes no part in comparisons', () => {
  expect(usable(slip('a', 'Ewan Garvie'), 'employee_name')).toBe('Ewan Garvie')
  expect(usable(unsure(slip('a', 'Ewan Garvie')), 'employee_name')).toBeNull()
})
test('nor does one that is not there, or that the type has not', () =>
  expect([
    usable(slip('a', null), 'employee_name'),
    usable(slip('a', 'Ewan Garvie'), 'shoe_size'),
    fieldOf(slip('a', null), 'shoe_size'),
  ]).toEqual([null, null, undefined]))
test('text is asked for as text', () =>
  expect(
    usableText(
      { ...slip('a', 'x'), fields: [{ ...slip('a', 'x').fields[0], value: true }] },
      'employee_name',
    ),
  ).toBeNull())
test('copies and older versions count as nothing new', () => {
  const papers = [
    slip('a', 'Ewan Garvie'),
    slip('b', 'Ewan Garvie', { copyOf: 'a' }),
    slip('c', 'Ewan Garvie', { supersededBy: 'a' }),
  ]
  expect(papers.filter(counts).map((p) => p.id)).toEqual(['a'])
  expect(counting([...papers, paperOf('d', 'identity_card', {})], 'payslip').map((p) => p.id)).toEqual(['a'])
})
test('the first paper of a type that says it speaks for the package', () => {
  const papers = [
    slip('a', null),
    unsure(slip('b', 'Somebody Else')),
    slip('c', 'Ewan Garvie'),
    slip('d', 'Maren Thorne'),
  ]
  expect(valueIn(papers, 'payslip.employee_name')).toMatchObject({ paper: { id: 'c' }, value: 'Ewan Garvie' })
  expect(valueIn(papers, 'identity_card.full_name')).toBeNull()
})
test('a field of a type is written with a point between', () =>
  expect(splitReference('payslip.net_pay')).toEqual(['payslip', 'net_pay']))

import { fillIn, inForm, parsePattern, PatternProblem, variablesIn } from './pattern.ts'

const said: Record<string, string> = {
  type: 'Payslip',
  pay_date: '2026-02-28',
  applicant: 'Ottilie / Varnham',
}
const filled = (pattern: string) => fillIn(parsePattern(pattern), (name) => said[name] ?? '')

test('variables stand for what a paper says, days in the form that is asked for', () => {
  expect(filled('{type} {pay_date:yyyy-MM}')).toBe('Payslip 2026-02')
  expect(filled('{type} {pay_date:d MMMM yyyy}')).toBe('Payslip 28 February 2026')
})

test('what stands in square brackets goes with its variables', () => {
  expect(filled('{type}[ of {pay_date:yyyy}]')).toBe('Payslip of 2026')
  expect(filled('{type}[ no. {policy_number}]')).toBe('Payslip')
})

test('a slash in the pattern opens a folder, one in a value does not', () =>
  expect(filled('{applicant}/{type}')).toBe('Ottilie - Varnham/Payslip'))

test.each(['{type', '{Type}', 'a]', '[a', '[[a]]', '{}', '{type:}'])(
  '%s is refused with a sentence',
  (pattern) => expect(() => parsePattern(pattern)).toThrow(PatternProblem),
)

test('a form that is none of a day is refused', () => {
  expect(() => inForm('2026-02-28', 'hello')).toThrow(/no form of a day/)
  expect(inForm('not a day', 'yyyy')).toBe('not a day')
})

test('variables are found inside of brackets, too', () =>
  expect(variablesIn(parsePattern('{type}[ {pay_date:yyyy}]')).map((v) => v.name)).toEqual([
    'type',
    'pay_date',
  ]))

import { recordOf, whatIf, type PastReading } from './field-record.ts'

const past = (confidence: number, said: string | null = null, value = 'SKR-1'): PastReading => ({
  field: 'hull_number',
  value,
  confidence,
  needsReview: confidence < 0.8,
  said: said === null ? null : { value: said, state: said === value ? 'confirmed' : 'corrected' },
})
const readings = [
  past(0.99),
  past(0.97, 'SKR-7'),
  past(0.7, 'SKR-1'),
  past(0.6, 'SKR-2'),
  { ...past(0.99), field: 'vessel_name' },
]

test('a field’s record counts what was asked, what was asked in vain, and what was wrong without asking', () =>
  expect(recordOf('hull_number', readings)).toEqual({
    field: 'hull_number',
    papers: 4,
    asked: 2,
    wrongUnasked: 1,
    askedInVain: 1,
  }))
test('a higher threshold asks more and lets fewer errors pass', () => {
  const own = readings.filter((r) => r.field === 'hull_number')
  expect(whatIf(own, [0.5, 0.8, 0.98])).toEqual([
    { threshold: 0.5, questions: 0, passed: 2 },
    { threshold: 0.8, questions: 2, passed: 1 },
    { threshold: 0.98, questions: 3, passed: 0 },
  ])
})
test('what nobody could read is no error of the machine', () =>
  expect(
    recordOf('x', [
      {
        field: 'x',
        value: 'A',
        confidence: 0.9,
        needsReview: false,
        said: { value: null, state: 'unreadable' },
      },
    ]).wrongUnasked,
  ).toBe(0))

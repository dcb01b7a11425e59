import { merrowSound, starterTypes } from '../../demo/lenders/merrow-sound/index.ts'
import { checkSchema, type Check, type Need } from '../../core/program/schema.ts'
import {
  CHECKS,
  CLAUSES,
  CONDITIONS,
  conditionKind,
  partsOf,
  type Fillings,
  type Sentence,
} from './sentences.ts'
import { inWords } from './slots.tsx'

const every: [string, Sentence][] = [
  ...Object.entries(CHECKS),
  ...Object.entries(CONDITIONS),
  ...Object.entries(CLAUSES),
]

test.each(every)('the words of “%s” have each of its slots once, and no other', (_, sentence) => {
  expect(
    partsOf(sentence)
      .flatMap((p) => ('slot' in p ? [p.slot] : []))
      .sort(),
  ).toEqual(Object.keys(sentence.slots).sort())
})
test('there is a sentence for every kind of check, with a slot for each of its fields', () => {
  for (const shape of checkSchema.options) {
    const { kind, ...fields } = shape.shape
    expect(Object.keys(CHECKS[kind.value].slots).sort()).toEqual(
      Object.keys(fields)
        .filter((f) => f !== 'id' && f !== 'title')
        .sort(),
    )
  }
})
describe.each(merrowSound.programs.map((p) => [p.title, p] as const))('%s', (_, program) => {
  test('is said in full', () => {
    for (const check of program.checks)
      expect(inWords(CHECKS[check.kind], check as unknown as Fillings, starterTypes)).not.toContain('…')
    for (const { when } of program.limits)
      expect(inWords(CONDITIONS[conditionKind(when)], when as Fillings, starterTypes)).not.toContain('…')
  })
  test('every need is read into clauses and comes out of them as it was', () => {
    for (const need of program.requirements.flatMap((r) => r.ways.flatMap((w) => w.needs))) {
      const bare: Need = { type: need.type, whose: need.whose, signed: false, filled: [] }
      const written = Object.values(CLAUSES).reduce((made, clause) => {
        const fillings = clause.read(need)
        return fillings ? clause.write(made, fillings) : made
      }, bare)
      expect(written).toEqual(need)
    }
  })
})
test('a clause taken away leaves the need without it', () => {
  const need: Need = {
    type: 'utility_bill',
    whose: 'anyone',
    signed: true,
    filled: [],
    fresh: { field: 'issue_date', days: 90 },
  }
  expect(CLAUSES.fresh.without(CLAUSES.signed.without(need))).toEqual({
    type: 'utility_bill',
    whose: 'anyone',
    signed: false,
    filled: [],
    fresh: undefined,
  })
})
test('each of several values that must be filled in is shown, and changed for itself', () => {
  const need: Need = {
    type: 'loan_application',
    whose: 'anyone',
    signed: false,
    filled: ['signature_date', 'phone'],
  }
  expect([CLAUSES.filled0.read(need), CLAUSES.filled1.read(need), CLAUSES.filled2.read(need)]).toEqual([
    { field: 'signature_date' },
    { field: 'phone' },
    null,
  ])
  expect(CLAUSES.filled0.write(need, { field: 'email' }).filled).toEqual(['email', 'phone'])
  expect(CLAUSES.filled0.without(need).filled).toEqual(['phone'])
})
test('a check reads as a person would say it', () => {
  const check: Check = {
    kind: 'at_least',
    id: 'x',
    title: 'X',
    value: 'survey_report.market_value',
    than: 'loan_application.loan_amount',
  }
  expect(inWords(CHECKS.at_least, check as unknown as Fillings, starterTypes)).toBe(
    '“market value” of the survey report is at least “loan amount” of the loan application',
  )
})

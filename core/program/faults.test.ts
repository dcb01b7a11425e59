import { merrowSound, starterTypes, workingBoatLoan } from '../../demo/lenders/merrow-sound/index.ts'
import { faultsOf } from './faults.ts'
import type { Program } from './schema.ts'
import { passbook } from '../testing/small-types.ts'

const faults = (change: (program: Program) => void) => {
  const program = structuredClone(workingBoatLoan)
  change(program)
  return faultsOf(program, starterTypes).map((f) => `${f.where}: ${f.what}`)
}
const need = (program: Program, id: string) => program.requirements.find((r) => r.id === id)!.ways[0].needs[0]

test('the programs that ship have no faults', () => {
  for (const program of merrowSound.programs)
    expect([program.id, faultsOf(program, starterTypes)]).toEqual([program.id, []])
})
test.each<[string, (p: Program) => void, string]>([
  [
    'a type that does not exist',
    (p) => {
      need(p, 'survey').type = 'survey'
    },
    'requirement “Survey”: there is no document type “survey”',
  ],
  [
    'a value that does not exist',
    (p) => {
      need(p, 'purchase_quote').until = 'good_until'
    },
    'requirement “Purchase quote”: “Purchase quote” has no value “good_until”',
  ],
  [
    'a value of the wrong kind',
    (p) => {
      need(p, 'purchase_quote').until = 'total_price'
    },
    'is an amount, where a day is needed',
  ],
  [
    'a signature where none can be',
    (p) => {
      need(p, 'registration').signed = true
    },
    'so none is ever signed',
  ],
  [
    'a condition that never holds',
    (p) => {
      p.requirements.find((r) => r.id === 'income_proof')!.ways[0].when!.is = 'retired'
    },
    'is never “retired”',
  ],
  [
    'a way behind one that always holds',
    (p) => {
      p.requirements.find((r) => r.id === 'income_proof')!.ways.reverse()
    },
    'can never be asked for',
  ],
  [
    'ways none of which holds in every case',
    (p) => {
      const r = p.requirements.find((r) => r.id === 'income_proof')!
      r.any = true
      r.ways[1].when = r.ways[0].when
    },
    'one of its ways must hold in every case',
  ],
  [
    'a day at which it begins and ends',
    (p) => {
      need(p, 'insurance').from = 'cover_end'
    },
    'in force on one day only',
  ],
  [
    'how old in days and in months',
    (p) => {
      need(p, 'survey').fresh!.days = 30
    },
    'in one of them',
  ],
  [
    'a sum compared with itself',
    (p) => {
      const c = p.checks.find((c) => c.kind === 'at_least')!
      c.value = c.than
    },
    'always as much as itself',
  ],
  [
    'tables and balances of two papers',
    (p) => {
      const c = p.checks.find((c) => c.kind === 'running_balance')!
      c.opening = 'purchase_quote.net_amount'
    },
    'same paper',
  ],
  [
    'a paper of somebody whom nothing names',
    (p) => {
      p.requirements[0].ways[0].needs[0].whose = 'named'
    },
    'choose the value that says whose it is to be',
  ],
  [
    'a paper of somebody named by an amount',
    (p) => {
      const [need] = p.requirements[0].ways[0].needs
      need.whose = 'named'
      need.namedBy = 'loan_application.loan_amount'
    },
    'a firm’s name is needed',
  ],
  [
    'amounts beside names',
    (p) => {
      p.facts.find((f) => f.id === 'hull_number')!.fields.push('purchase_quote.total_price')
    },
    'is an amount, where',
  ],
  [
    'two rules of one id',
    (p) => {
      p.checks[1].id = p.checks[0].id
    },
    'has the same id',
  ],
  [
    'each person, where there is one',
    (p) => {
      delete p.persons.coApplicant
    },
    'names no second person',
  ],
])('%s is refused, with the place', (_, change, words) => expect(faults(change).join('\n')).toContain(words))

describe('a check on a table with column names of its own', () => {
  const program: Program = {
    ...workingBoatLoan,
    persons: { applicant: 'passbook.saver' },
    requirements: [],
    facts: [],
    limits: [],
    checks: [
      {
        kind: 'running_balance',
        id: 'passbook_adds_up',
        title: 'The passbook adds up',
        table: 'passbook.entries',
        opening: 'passbook.begun_with',
        closing: 'passbook.ended_with',
      },
    ],
  }
  test('has no fault where the columns have their roles', () =>
    expect(faultsOf(program, [passbook])).toEqual([]))
  test('is refused, role by role, where they have none', () => {
    const plain = structuredClone(passbook)
    for (const field of plain.fields) for (const column of field.columns) delete column.role
    expect(faultsOf(program, [plain]).map((f) => f.what)).toEqual([
      'no column of the table “Entries” is said to be its amount',
      'no column of the table “Entries” is said to be its balance',
    ])
  })
})

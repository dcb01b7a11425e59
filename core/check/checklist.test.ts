import { starterTypes, traderAccount, workingBoatLoan } from '../../demo/lenders/merrow-sound/index.ts'
import { message } from '../model/messages/message.ts'
import { inWords } from '../../wording/index.ts'
import type { Answer } from '../answers/answer.ts'
import { addDays } from '../text/calendar.ts'
import { eur, paperOf } from '../testing/paper-of.ts'
import type { Paper } from '../dossier/paper.ts'
import { personsOf, assignOwners } from '../dossier/persons.ts'
import type { Program } from '../program/schema.ts'
import { judgeChecklist } from './checklist.ts'

const asOf = '2026-04-10'
const titles = new Map(starterTypes.map((t) => [t.id, t.title]))
function item(requirement: string, papers: Paper[], answers: Answer[] = []) {
  const persons = personsOf(papers, workingBoatLoan, 'Ottilie Varnham', starterTypes)
  return judgeChecklist(
    workingBoatLoan,
    { papers: assignOwners(papers, persons, starterTypes), persons, asOf, titles, currency: 'EUR' },
    answers,
  ).find((r) => r.requirement === requirement)!
}
const status = (requirement: string, ...papers: Paper[]) => item(requirement, papers).status

const form = (more: Partial<Paper> = {}, co?: string) =>
  paperOf(
    'form',
    'loan_application',
    {
      applicant_name: 'Ottilie Varnham',
      loan_amount: eur('48750.00'),
      signature_date: '2026-03-20',
      ...(co ? { co_applicant_name: co } : {}),
    },
    { signed: true, ...more },
  )
const card = (name: string, until: string) =>
  paperOf(`card ${name} ${until}`, 'identity_card', { full_name: name, expiry_date: until })
const slip = (month: string) =>
  paperOf(`slip ${month}`, 'payslip', {
    employee_name: 'Ottilie Varnham',
    period_end: `${month}-28`,
    pay_date: `${month}-28`,
  })
const statement = (start: string, end: string, more: Partial<Paper> = {}) =>
  paperOf(`st ${start}`, 'bank_statement', { statement_start: start, statement_end: end }, more)
const statements = [
  statement('2026-01-01', '2026-01-31'),
  statement('2026-02-01', '2026-02-28'),
  statement('2026-03-01', '2026-03-31'),
]

test.each<[string, Paper[], string]>([
  ['nothing', [], 'missing'],
  ['a signed form', [form()], 'satisfied'],
  ['an unsigned form', [form({ signed: false })], 'unsigned'],
  ['a form that lacks a page', [form({ lacking: [2] })], 'incomplete'],
  ['an unsigned form that lacks a page', [form({ lacking: [2], signed: false })], 'incomplete'],
])('application form: %s', (_, papers, expected) =>
  expect(status('application_form', ...papers)).toBe(expected),
)

test.each<[string, Paper[], string]>([
  ['a valid card', [form(), card('Ottilie Varnham', '2030-01-01')], 'satisfied'],
  ['valid until this very day', [form(), card('Ottilie Varnham', asOf)], 'satisfied'],
  ['expired yesterday', [form(), card('Ottilie Varnham', addDays(asOf, -1))], 'expired'],
  [
    'an old one beside a valid one',
    [form(), card('Ottilie Varnham', '2020-01-01'), card('Ottilie Varnham', '2030-01-01')],
    'satisfied',
  ],
  ['one of two persons', [form({}, 'Bram Teasdale'), card('Ottilie Varnham', '2030-01-01')], 'incomplete'],
  [
    'both persons',
    [form({}, 'Bram Teasdale'), card('Ottilie Varnham', '2030-01-01'), card('Bram Teasdale', '2030-01-01')],
    'satisfied',
  ],
  [
    'one of both expired',
    [form({}, 'Bram Teasdale'), card('Ottilie Varnham', '2030-01-01'), card('Bram Teasdale', '2020-01-01')],
    'expired',
  ],
  [
    'a copy counts as nothing new',
    [form(), { ...card('Ottilie Varnham', '2030-01-01'), copyOf: 'x' }],
    'missing',
  ],
])('photo identity: %s', (_, papers, expected) => expect(status('photo_id', ...papers)).toBe(expected))

test.each([
  [90, 'satisfied'],
  [91, 'expired'],
  [0, 'satisfied'],
  [-1, 'expired'],
])('a bill %i days old: %s', (days, expected) =>
  expect(
    status('address_proof', form(), paperOf('bill', 'utility_bill', { issue_date: addDays(asOf, -days) })),
  ).toBe(expected),
)

test.each<[string, string[], string]>([
  ['three months in a row', ['2026-01', '2026-02', '2026-03'], 'satisfied'],
  ['over the turn of the year, too old', ['2025-11', '2025-12', '2026-01'], 'expired'],
  ['one lacking', ['2026-01', '2026-03'], 'incomplete'],
  ['more than needed', ['2025-12', '2026-01', '2026-02', '2026-03'], 'satisfied'],
  ['none', [], 'missing'],
])('payslips: %s', (_, months, expected) =>
  expect(status('income_proof', form(), ...months.map(slip))).toBe(expected),
)
test('the reason names the months', () =>
  expect(inWords(item('income_proof', [form(), slip('2026-01'), slip('2026-03')]).reason)).toBe(
    'Payslip for January 2026 and March 2026; February 2026 is missing',
  ))

test.each<[string, Paper[], string]>([
  ['three months without a gap', statements, 'satisfied'],
  ['a month lacking', [statements[0], statements[2]], 'incomplete'],
  ['one statement of a quarter', [statement('2026-01-01', '2026-03-31')], 'satisfied'],
  [
    'overlapping ones',
    [statement('2026-01-01', '2026-02-10'), statement('2026-02-01', '2026-03-31')],
    'satisfied',
  ],
  ['ended too long ago', [statement('2025-10-01', '2025-12-31')], 'expired'],
  ['a page lacking', [statements[0], { ...statements[1], lacking: [2] }, statements[2]], 'incomplete'],
])('bank statements: %s', (_, papers, expected) =>
  expect(status('bank_statements', form(), ...papers)).toBe(expected),
)

const cover = (start: string, end: string, sum: string) =>
  paperOf('cover', 'insurance_cover', { cover_start: start, cover_end: end, sum_insured: eur(sum) })
test.each([
  ['2026-01-01', '2026-12-31', '50000.00', 'satisfied'],
  ['2026-01-01', '2026-12-31', '48749.99', 'insufficient'],
  ['2026-05-01', '2027-04-30', '50000.00', 'expired'],
  ['2025-01-01', '2025-12-31', '10000.00', 'expired'],
])('cover from %s to %s over %s: %s', (start, end, sum, expected) =>
  expect(status('insurance', form(), cover(start, end, sum))).toBe(expected),
)

test('consent of each person, signed', () => {
  const consent = (name: string, signed: boolean) =>
    paperOf(`consent ${name}`, 'credit_consent', { applicant_name: name }, { signed })
  expect(
    status(
      'consent',
      form({}, 'Bram Teasdale'),
      consent('Ottilie Varnham', true),
      consent('Bram Teasdale', true),
    ),
  ).toBe('satisfied')
  expect(
    status(
      'consent',
      form({}, 'Bram Teasdale'),
      consent('Ottilie Varnham', true),
      consent('Bram Teasdale', false),
    ),
  ).toBe('unsigned')
})
test('a date that is still asked about is named in the verdict', () => {
  const bill = paperOf('bill', 'utility_bill', { issue_date: '2026-04-01' })
  const asked = { ...bill, fields: bill.fields.map((f) => ({ ...f, confidence: 0.3, needsReview: true })) }
  expect(inWords(item('address_proof', [form(), asked]).reason)).toContain('issue date is still asked about')
})
test('a signature that is still asked about is named, found or not', () => {
  expect(item('application_form', [form({ signed: false, signedAsked: true })])).toMatchObject({
    status: 'unsigned',
    reason: message('paper.signature_asked', { paper: 'form' }),
  })
  expect(item('application_form', [form({ signedAsked: true })])).toMatchObject({
    status: 'satisfied',
    reason: message('paper.good', { paper: 'form', until: null, open: [], signatureOpen: true }),
  })
})
test('a waiver counts once a second person agreed, with a reason that is kept', () => {
  const waived: Answer = { kind: 'waive', requirement: 'photo_id', reason: 'seen at the counter' }
  expect(item('photo_id', [form()], [waived])).toMatchObject({
    status: 'missing',
    waiver: { state: 'waits', reason: 'seen at the counter' },
  })
  expect(
    item(
      'photo_id',
      [form()],
      [waived, { kind: 'sign', what: 'waive', subject: 'photo_id', agreed: true, reason: '' }],
    ),
  ).toMatchObject({
    status: 'waived',
    reason: message('requirement.waived', { reason: 'seen at the counter' }),
  })
})
test('where the value that a condition is on was not read, the papers that are there say whether it is asked for', () => {
  const bare = paperOf('form', 'loan_application', { applicant_name: 'Ottilie Varnham' }, { signed: true })
  const survey = paperOf('survey', 'survey_report', { inspection_date: '2026-03-01' }, { signed: true })
  expect(item('survey', [bare])).toMatchObject({
    status: 'not_applicable',
    reason: message('requirement.not_known_yet', { field: 'loan_amount' }),
  })
  expect(status('survey', bare, survey)).toBe('satisfied')
  const taxes = ['2025', '2024'].map((year) =>
    paperOf(year, 'tax_assessment', { taxpayer_name: 'Ottilie Varnham', tax_year: year }),
  )
  expect(
    status(
      'income_proof',
      bare,
      ...taxes,
      paperOf('accounts', 'business_accounts', { period_end: '2025-12-31' }),
    ),
  ).toBe('satisfied')
  expect(status('income_proof', bare, slip('2026-01'), slip('2026-02'), slip('2026-03'))).toBe('satisfied')
})
test('one more good paper never makes a satisfied requirement missing', () => {
  const papers = [
    form(),
    card('Ottilie Varnham', '2030-01-01'),
    ...statements,
    slip('2026-01'),
    slip('2026-02'),
    slip('2026-03'),
  ]
  for (const requirement of workingBoatLoan.requirements) {
    if (status(requirement.id, ...papers) !== 'satisfied') continue
    for (const extra of [
      card('Ottilie Varnham', '2031-01-01'),
      slip('2025-12'),
      statement('2025-12-01', '2025-12-31'),
    ])
      expect(status(requirement.id, ...papers, extra)).toBe('satisfied')
  }
})

const survey = (inspected: string, more: Partial<Paper> = {}) =>
  paperOf('survey', 'survey_report', { inspection_date: inspected }, { signed: true, ...more })
const small = paperOf('form', 'loan_application', { loan_amount: eur('24000.00') }, { signed: true })
test.each<[string, Paper[], string]>([
  ['a small loan', [small], 'not_applicable'],
  ['a large loan without one', [form()], 'missing'],
  ['inspected in the last twelve months', [form(), survey('2025-06-01')], 'satisfied'],
  ['inspected before', [form(), survey('2025-03-01')], 'expired'],
  ['unsigned', [form(), survey('2025-06-01', { signed: false })], 'unsigned'],
])('survey: %s', (_, papers, expected) => expect(status('survey', ...papers)).toBe(expected))

const trader = paperOf('form', 'loan_application', { employment_status: 'self_employed' }, { signed: true })
const notice = (year: string) =>
  paperOf(`tax ${year}`, 'tax_assessment', { taxpayer_name: 'Ottilie Varnham', tax_year: year })
const accounts = (end: string) => paperOf('accounts', 'business_accounts', { period_end: end })
test.each<[string, Paper[], string]>([
  [
    'two notices and the accounts',
    [trader, notice('2025'), notice('2024'), accounts('2025-12-31')],
    'satisfied',
  ],
  ['one notice lacking', [trader, notice('2025'), accounts('2025-12-31')], 'incomplete'],
  ['the accounts lacking', [trader, notice('2025'), notice('2024')], 'incomplete'],
  ['old accounts', [trader, notice('2025'), notice('2024'), accounts('2024-03-31')], 'expired'],
  ['nothing', [trader], 'missing'],
])('income of the self-employed: %s', (_, papers, expected) =>
  expect(status('income_proof', ...papers)).toBe(expected),
)
test('the other loan asks for its balance', () => {
  const owing = paperOf('form', 'loan_application', { existing_loan: true }, { signed: true })
  expect(status('payoff', owing)).toBe('missing')
  expect(status('payoff', form())).toBe('not_applicable')
  expect(status('payoff', owing, paperOf('balance', 'loan_payoff', { statement_date: '2026-03-20' }))).toBe(
    'satisfied',
  )
})

const business = (requirement: string, ...papers: Paper[]) =>
  judgeChecklist(
    traderAccount,
    {
      papers,
      persons: { applicant: null, coApplicant: null, named: {}, strangers: [] },
      asOf,
      titles,
      currency: 'EUR',
    },
    [],
  ).find((r) => r.requirement === requirement)!
const declaration = (...owners: [string, string][]) =>
  paperOf(
    'owners',
    'owners_declaration',
    { owners: owners.map(([name, share]) => ({ name, share })) },
    { signed: true },
  )
test.each<[string, Paper[], string]>([
  [
    'every owner of a quarter has one',
    [
      declaration(['Maren Carrow', '75'], ['Leif Thorne', '25']),
      card('Maren Carrow', '2030-01-01'),
      card('Leif THORNE', '2030-01-01'),
    ],
    'satisfied',
  ],
  [
    'one has none',
    [declaration(['Maren Carrow', '75'], ['Leif Thorne', '25']), card('Maren Carrow', '2030-01-01')],
    'incomplete',
  ],
  [
    'a small owner needs none',
    [declaration(['Maren Carrow', '80'], ['Leif Thorne', '20']), card('Maren Carrow', '2030-01-01')],
    'satisfied',
  ],
  [
    'one has run out',
    [
      declaration(['Maren Carrow', '75'], ['Leif Thorne', '25']),
      card('Maren Carrow', '2030-01-01'),
      card('Leif Thorne', '2025-01-01'),
    ],
    'expired',
  ],
  ['nobody has one', [declaration(['Maren Carrow', '100']), card('Osric Pell', '2030-01-01')], 'missing'],
])('identity of owners: %s', (_, papers, expected) =>
  expect(business('owner_ids', ...papers).status).toBe(expected),
)
test('where nobody is known to own it, the verdict says so', () =>
  expect(inWords(business('owner_ids', card('Maren Carrow', '2030-01-01')).reason)).toMatch(
    /who must bring one is not read yet$/,
  ))
test('who acts for a business of one owner needs no resolution', () => {
  expect(business('mandate_to_act', declaration(['Maren Carrow', '100'])).status).toBe('not_applicable')
  expect(business('mandate_to_act', declaration(['Maren Carrow', '60'], ['Leif Thorne', '40'])).status).toBe(
    'missing',
  )
})
describe('any one of several ways', () => {
  const program: Program = {
    ...workingBoatLoan,
    requirements: [
      {
        id: 'who',
        title: 'Who it is',
        any: true,
        ways: [
          {
            needs: [
              { type: 'identity_card', whose: 'anyone', signed: false, filled: [], until: 'expiry_date' },
            ],
          },
          {
            needs: [
              { type: 'utility_bill', whose: 'anyone', signed: false, filled: [] },
              { type: 'bank_statement', whose: 'anyone', signed: false, filled: [] },
            ],
          },
        ],
      },
    ],
  }
  const who = (...papers: Paper[]) =>
    judgeChecklist(
      program,
      {
        papers,
        persons: { applicant: null, coApplicant: null, named: {}, strangers: [] },
        asOf,
        titles,
        currency: 'EUR',
      },
      [],
    )[0].status
  const bill = paperOf('bill', 'utility_bill', {})
  test.each<[string, Paper[], string]>([
    ['the one', [card('x', '2030-01-01')], 'satisfied'],
    ['or those two', [bill, statements[0]], 'satisfied'],
    ['half of those two', [bill], 'incomplete'],
    ['the one, out of date, beside those two', [card('x', '2020-01-01'), bill, statements[0]], 'satisfied'],
    ['none', [], 'missing'],
  ])('%s', (_, papers, expected) => expect(who(...papers)).toBe(expected))
})

describe('a paper of somebody whom another paper names', () => {
  const program: Program = {
    ...workingBoatLoan,
    requirements: [
      {
        id: 'guarantor',
        title: 'Payslip of the guarantor',
        any: false,
        ways: [
          {
            needs: [
              {
                type: 'payslip',
                whose: 'named',
                namedBy: 'loan_application.employer_name',
                signed: false,
                filled: [],
              },
            ],
          },
        ],
      },
    ],
  }
  const judged = (papers: Paper[]) => {
    const persons = personsOf(papers, program, 'Ottilie Varnham', starterTypes)
    const owned = assignOwners(papers, persons, starterTypes)
    const [result] = judgeChecklist(program, { papers: owned, persons, asOf, titles, currency: 'EUR' }, [])
    return [result.status, inWords(result.reason), owned.map((p) => p.owner).at(-1)]
  }
  const naming = (name: string | null) =>
    paperOf('form', 'loan_application', { applicant_name: 'Ottilie Varnham', employer_name: name })
  const theirs = (name: string) => paperOf('slip', 'payslip', { employee_name: name })

  test('is asked for by that name, and their papers are not the applicant’s', () => {
    expect(judged([naming('Bram Teasdale'), theirs('B. Teasdale')])).toEqual([
      'satisfied',
      expect.any(String),
      'named:loan_application.employer_name',
    ])
    expect(judged([naming('Bram Teasdale'), theirs('Ottilie Varnham')]).slice(0, 2)).toEqual([
      'missing',
      'No payslip of Bram Teasdale is there',
    ])
  })
  test('is not asked for where nobody is named', () =>
    expect(judged([naming(null)]).slice(0, 2)).toEqual([
      'not_applicable',
      'Nobody is named whose it would be',
    ]))
})

import { starterTypes, workingBoatLoan } from '../../demo/lenders/merrow-sound/index.ts'
import { message } from '../model/messages/message.ts'
import type { Answer } from '../answers/answer.ts'
import { markDuplicates } from './duplicates.ts'
import { judgeFacts } from './facts.ts'
import { eur, paperOf } from '../testing/paper-of.ts'
import { personsOf, assignOwners } from './persons.ts'

const fact = (id: string, papers: ReturnType<typeof paperOf>[], answers: Answer[] = []) =>
  judgeFacts(papers, workingBoatLoan, answers).find((f) => f.fact === id)!
const application = paperOf('form', 'loan_application', {
  applicant_name: 'Ottilie Varnham',
  employer_name: 'Cormorant Slipway Ltd',
  hull_number: 'SKR-88241',
  purchase_price: eur('61250.00'),
})
const slip = (id: string, employer: string) =>
  paperOf(id, 'payslip', { employee_name: 'O. Varnham', employer_name: employer })

test('what only one paper says is single, what none says is absent', () => {
  expect(fact('hull_number', [application]).status).toBe('single')
  expect(fact('iban', [application]).status).toBe('absent')
})
test('variants agree', () => {
  const result = fact('applicant_name', [application, slip('jan', 'x')])
  expect(result.status).toBe('agreed')
  expect(result.evidence.map((e) => e.relation)).toEqual(['same', 'variant'])
})
test('the value that most papers share is the measure, the other one differs', () => {
  const result = fact('employer_name', [
    application,
    slip('jan', 'Petrel Slipways Ltd'),
    slip('feb', 'Petrel Slipways Limited'),
  ])
  expect(result).toMatchObject({ status: 'conflict', value: 'Petrel Slipways Ltd' })
  expect(result.evidence.find((e) => e.relation === 'different')).toMatchObject({
    document: 'form',
    why: message('agreement.another_firm'),
  })
})
test('naming the true value ends the conflict and still shows who differs', () => {
  const said: Answer = {
    kind: 'fact',
    fact: 'employer_name',
    decision: 'value',
    value: 'Cormorant Slipway Ltd',
    reason: 'she changed jobs',
  }
  const result = fact('employer_name', [application, slip('jan', 'Petrel Slipways Ltd')], [said])
  expect(result).toMatchObject({
    status: 'agreed',
    value: 'Cormorant Slipway Ltd',
    settled: { decision: 'value' },
  })
  expect(result.evidence.map((e) => e.relation)).toEqual(['same', 'different'])
})
test('what was settled is asked again only where a paper says something new against it', () => {
  const said: Answer = {
    kind: 'fact',
    fact: 'employer_name',
    decision: 'value',
    value: 'Cormorant Slipway Ltd',
    reason: 'she changed jobs',
    over: ['Cormorant Slipway Ltd', 'Petrel Slipways Ltd'],
  }
  const old = slip('jan', 'Petrel Slipways Ltd')
  expect(
    fact('employer_name', [application, old, slip('feb', 'Cormorant Slipway Limited')], [said]).status,
  ).toBe('agreed')
  const again = fact('employer_name', [application, old, slip('feb', 'Tern Chandlery Ltd')], [said])
  expect([again.status, again.settled?.against]).toEqual(['conflict', ['Tern Chandlery Ltd']])
})
test('an accepted difference waits for a second person where the program says so', () => {
  const papers = [application, slip('jan', 'Petrel Slipways Ltd')]
  const said: Answer = {
    kind: 'fact',
    fact: 'employer_name',
    decision: 'accepted',
    value: null,
    reason: 'same owner',
    over: [],
  }
  const word = (agreed: boolean): Answer => ({
    kind: 'sign',
    what: 'fact',
    subject: 'employer_name',
    agreed,
    reason: '',
  })
  const known: Answer = { ...said, over: ['Cormorant Slipway Ltd', 'Petrel Slipways Ltd'] }
  expect(
    [
      fact('employer_name', papers, [known]),
      fact('employer_name', papers, [known, word(true)]),
      fact('employer_name', papers, [known, word(false)]),
    ].map((f) => [f.status, f.settled?.state]),
  ).toEqual([
    ['conflict', 'waits'],
    ['agreed', 'holds'],
    ['conflict', 'refused'],
  ])
})
test('asking the applicant leaves it a conflict', () => {
  expect(
    fact(
      'employer_name',
      [application, slip('jan', 'Petrel Slipways Ltd')],
      [{ kind: 'fact', fact: 'employer_name', decision: 'ask', value: null, reason: 'to be asked' }],
    ).status,
  ).toBe('conflict')
})
test('unsure values take no part; values still asked about accuse nobody', () => {
  const doubtful = slip('jan', 'Petrel Slipways Ltd')
  const weak = { ...doubtful, fields: doubtful.fields.map((f) => ({ ...f, confidence: 0.4 })) }
  const asked = {
    ...doubtful,
    fields: doubtful.fields.map((f) => ({ ...f, confidence: 0.7, needsReview: true })),
  }
  expect(fact('employer_name', [application, weak]).status).toBe('single')
  expect(fact('employer_name', [application, asked]).status).toBe('single')
})
test("a co-applicant's papers are no conflict", () => {
  const form = paperOf('form', 'loan_application', {
    applicant_name: 'Ottilie Varnham',
    co_applicant_name: 'Bram Teasdale',
  })
  const papers = [
    form,
    paperOf('hers', 'identity_card', { full_name: 'OTTILIE VARNHAM' }),
    paperOf('his', 'identity_card', { full_name: 'Bram Teasdale' }),
  ]
  const owned = assignOwners(
    papers,
    personsOf(papers, workingBoatLoan, 'Ottilie Varnham', starterTypes),
    starterTypes,
  )
  expect(owned.map((p) => p.owner)).toEqual(['applicant', 'applicant', 'co_applicant'])
  expect(fact('applicant_name', owned).status).toBe('agreed')
})
test('the card of somebody else beside the applicant’s own differs in all it says, and contradicts nothing', () => {
  const papers = [
    paperOf('form', 'loan_application', { applicant_name: 'Ottilie Varnham', date_of_birth: '1990-02-01' }),
    paperOf('hers', 'identity_card', { full_name: 'VARNHAM Ottilie', date_of_birth: '1990-02-01' }),
    paperOf('his', 'identity_card', { full_name: 'Bram Teasdale', date_of_birth: '1971-12-24' }),
    paperOf('bill', 'utility_bill', { account_holder: 'B. Teasdale' }),
  ]
  const owners = (given: typeof papers) =>
    assignOwners(given, personsOf(given, workingBoatLoan, 'Ottilie Varnham', starterTypes), starterTypes)
  const owned = owners(papers)
  expect(owned.map((p) => p.owner)).toEqual(['applicant', 'applicant', 'stranger', 'stranger'])
  expect(fact('date_of_birth', owned).status).toBe('agreed')
  expect(fact('applicant_name', owned).status).toBe('agreed')
  // Without hers, his may be hers with the name misread: it is asked about.
  expect(owners(papers.filter((p) => p.id !== 'hers')).map((p) => p.owner)).toEqual([
    'applicant',
    'other',
    'other',
  ])
})
test('a second card whose name was not read may be another person’s: it accuses nobody', () => {
  const card = (id: string, name: string | null, born: string) =>
    paperOf(id, 'identity_card', { full_name: name, date_of_birth: born })
  const papers = (own: string | null) => {
    const given = [
      paperOf('form', 'loan_application', { applicant_name: 'Ottilie Varnham', date_of_birth: '1990-02-01' }),
      card('one', own, '1990-02-01'),
      card('two', null, '1971-12-24'),
    ]
    const persons = personsOf(given, workingBoatLoan, 'Ottilie Varnham', starterTypes)
    return assignOwners(given, persons, starterTypes)
  }
  expect(fact('date_of_birth', papers('Ottilie Varnham')).status).not.toBe('conflict')
  expect(fact('date_of_birth', papers(null)).status).toBe('conflict')
})
test("a stranger's name is one", () => {
  const papers = [application, paperOf('bill', 'utility_bill', { account_holder: 'Greta Lorimer' })]
  expect(
    fact(
      'applicant_name',
      assignOwners(papers, personsOf(papers, workingBoatLoan, 'Ottilie Varnham', starterTypes), starterTypes),
    ).status,
  ).toBe('conflict')
})

const types = new Map(starterTypes.map((t) => [t.id, t]))
const month = (id: string, end: string, net: string) =>
  paperOf(id, 'payslip', {
    employee_name: 'Ottilie Varnham',
    employer_name: 'Petrel Slipways Ltd',
    pay_date: end,
    period_end: end,
    net_pay: eur(net),
    national_number: '140380-2211',
  })
test('a paper that repeats another value for value is its copy', () => {
  expect(
    markDuplicates([month('a', '2026-01-31', '5.00'), month('b', '2026-01-31', '5.00')], types).map(
      (p) => p.copyOf,
    ),
  ).toEqual([null, 'a'])
})
test("the next month's paper is none, however alike", () => {
  expect(
    markDuplicates([month('a', '2026-01-31', '5.00'), month('b', '2026-02-28', '5.00')], types).map(
      (p) => p.copyOf,
    ),
  ).toEqual([null, null])
})

test('a paper that is a stranger’s by a name still asked about accuses nobody; by a sure one it does', () => {
  const papers = (asked: boolean) => {
    const [form, card] = [
      paperOf('form', 'loan_application', { applicant_name: 'Bjørn Skarsen', date_of_birth: '1966-07-25' }),
      paperOf('card', 'identity_card', { full_name: 'Joren Sdegaard', date_of_birth: '1992-09-12' }),
    ]
    const fields = card.fields.map((f) =>
      f.name === 'full_name' ? { ...f, confidence: 0.7, needsReview: asked } : f,
    )
    return assignOwners(
      [form, { ...card, fields }],
      { applicant: 'Bjørn Skarsen', coApplicant: null, named: {}, strangers: [] },
      starterTypes,
    )
  }
  expect(fact('date_of_birth', papers(true)).status).not.toBe('conflict')
  expect(fact('date_of_birth', papers(false)).status).toBe('conflict')
})

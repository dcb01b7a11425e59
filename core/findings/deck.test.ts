import { workingBoatLoan } from '../../demo/lenders/merrow-sound/index.ts'
import { inWords } from '../../wording/index.ts'
import { message } from '../model/messages/message.ts'
import { answerSchema } from '../answers/answer.ts'
import type { FilledField } from '../answers/fill.ts'
import type { FactResult } from '../dossier/facts.ts'
import type { CheckResult } from '../dossier/checks.ts'
import { dealDeck, type DeckTypes } from './deck.ts'
import type { Document } from './document.ts'

const field = (name: string, more: Partial<FilledField> = {}): FilledField => ({
  name,
  value: 'X',
  raw: 'X',
  confidence: 0.7,
  needsReview: true,
  reason: message('value.weak_print'),
  others: [],
  repaired: false,
  page: 3,
  box: [0.1, 0.1, 0.2, 0.12],
  state: 'asked',
  ...more,
})
const document = (id: string, label: string, more: Partial<Document> = {}): Document =>
  ({
    id,
    label,
    type: 'payslip',
    pages: [3],
    fields: [],
    lacking: [],
    copyOf: null,
    supersededBy: null,
    signed: null,
    signedAsked: false,
    confidence: 0.99,
    typeAsked: false,
    needsReview: false,
    types: [{ type: 'payslip', confidence: 0.99 }],
    cutBefore: 0.99,
    doubts: [],
    contested: null,
    typeSaid: false,
    cutSaid: false,
    signature: null,
    ...more,
  }) as unknown as Document
const types: DeckTypes = {
  title: (id) => ({ payslip: 'Payslip', utility_bill: 'Utility bill', unknown: 'Unknown' })[id] ?? id,
  fieldTitle: (_, name) => ({ net_pay: 'Net pay', iban: 'IBAN' })[name] ?? name,
  fieldKind: (_, name) => (name === 'rows' ? 'table' : 'text'),
  threshold: () => 0.85,
}
const deal = (documents: Document[], more: { facts?: FactResult[]; checks?: CheckResult[] } = {}) =>
  dealDeck({ documents, facts: [], checks: [], checklist: [], program: workingBoatLoan, types, ...more })

test('a package without doubts asks nothing', () =>
  expect(deal([document('d1', 'Payslip'), document('d2', 'Utility bill')])).toEqual([]))
test('pages behind another case’s sheet are asked about before all else, with both ways to answer', () => {
  const stray = {
    sheet: 2,
    caseNumber: 'MSM-26-000002',
    by: 'sheet' as const,
    applicant: null,
    pages: [3, 4],
    known: true,
  }
  const [asked] = dealDeck({
    documents: [document('d3', 'Payslip', { pages: [3, 4], fields: [field('net_pay')] })],
    facts: [],
    checks: [],
    checklist: [],
    program: workingBoatLoan,
    types,
    strays: [stray],
  })
  expect([asked.about, asked.question.code, asked.why[0].code]).toEqual([
    'stray',
    'ask.stray',
    'why.stray_unproved',
  ])
  expect(asked.choices.map((c) => c.answer)).toEqual([
    { kind: 'file', page: 2, there: true },
    { kind: 'file', page: 2, there: false },
  ])
  expect(asked.evidence.map((e) => e.page)).toEqual([2, 3])
})
test('every choice of every question is an answer that can be stored', () => {
  const asked = deal([
    document('d1', 'Application form', {
      pages: [1, 2],
      typeAsked: true,
      doubts: [{ page: 2, chance: 0.4 }],
    }),
    document('d2', 'Payslip', { typeAsked: true, cutBefore: 0.6 }),
    document('d3', 'Payslip May', {
      pages: [4],
      fields: [field('net_pay'), field('iban', { value: null }), field('rows', { value: [] })],
      signedAsked: true,
      signature: { signed: true, confidence: 0.7, page: 4, box: [0, 0, 1, 1], said: false },
    }),
  ])
  expect(new Set(asked.map((q) => q.about))).toEqual(new Set(['cut', 'value', 'signature']))
  for (const question of asked)
    for (const { answer, needs } of question.choices)
      if (needs === 'nothing') expect(answerSchema.safeParse(answer).success).toBe(true)
})
describe('cuts and types', () => {
  test('a doubtful beginning is a question of the cut, not of the type', () => {
    const asked = deal([
      document('d1', 'Application form', { pages: [1, 2] }),
      document('d2', 'Payslip', { typeAsked: true, cutBefore: 0.6 }),
    ])
    expect(asked.map((q) => inWords(q.question))).toEqual(['Does a payslip start on page 3?'])
    expect(asked[0].choices.map((c) => inWords(c.text))).toEqual([
      'Yes, it starts here',
      'No, it goes on with Application form',
    ])
  })
  test('the first document of a package begins there', () =>
    expect(
      deal([document('d1', 'Payslip', { typeAsked: true, cutBefore: 0.6 })]).filter((q) =>
        q.id.startsWith('cut'),
      ),
    ).toEqual([]))
  test('a doubtful type offers the likely ones, and any other', () => {
    const [asked] = deal([
      document('d1', 'Payslip', {
        typeAsked: true,
        types: [
          { type: 'payslip', confidence: 0.5 },
          { type: 'utility_bill', confidence: 0.4 },
        ],
      }),
    ])
    expect(inWords(asked.question)).toBe('Is page 3 a payslip?')
    expect(asked.choices.map((c) => inWords(c.text))).toEqual(['Payslip', 'Utility bill', 'Another type'])
  })
  test('what a person said is not asked', () =>
    expect(
      deal([
        document('d1', 'A'),
        document('d2', 'Payslip', { typeSaid: true, cutBefore: 0.6, cutSaid: true }),
      ]),
    ).toEqual([]))
  test('a rule that the page contradicts is named', () => {
    const [asked] = deal([
      document('d1', 'Payslip', {
        typeAsked: true,
        contested: 'Landing notes',
        types: [
          { type: 'payslip', confidence: 0.5 },
          { type: 'utility_bill', confidence: 0.4 },
        ],
      }),
    ])
    expect(asked.why.map(inWords).join(' ')).toContain('Landing notes')
  })
})
describe('values', () => {
  test('the reading comes first, then what else stands on the page; the cut-out shows where', () => {
    const [asked] = deal([
      document('d1', 'Payslip', {
        fields: [
          field('net_pay', { others: [{ value: 'Y', raw: 'Y', page: 3, box: [0.5, 0.5, 0.6, 0.52] }] }),
        ],
      }),
    ])
    expect(inWords(asked.question)).toBe('Is the net pay of Payslip X?')
    expect(asked.choices.map((c) => inWords(c.text))).toEqual([
      'X',
      'Y',
      'Type it, or click it on the page',
      'The paper does not say',
      'Unreadable',
    ])
    expect(asked.evidence).toEqual([
      expect.objectContaining({ page: 3, box: [0.1, 0.1, 0.2, 0.12], raw: 'X', sure: 0.7 }),
    ])
    expect(asked.why.map(inWords).join(' ')).toBe('Asked because: weak print.')
  })
  test('a value that was not found has no reading to confirm; a short name in capitals stays so', () => {
    const [asked] = deal([document('d1', 'Payslip', { fields: [field('iban', { value: null, raw: null })] })])
    expect(inWords(asked.question)).toBe('What is the IBAN on Payslip?')
    expect(asked.choices[0].needs).toBe('value')
  })
  test('as long as it is not known what a paper is, its values are not asked', () =>
    expect(
      deal([
        document('d1', 'Payslip', {
          typeAsked: true,
          fields: [field('net_pay')],
          types: [
            { type: 'payslip', confidence: 0.5 },
            { type: 'utility_bill', confidence: 0.4 },
          ],
        }),
      ]).map((q) => q.about),
    ).toEqual(['type']))
})
test('a signature is asked with the likelier answer first', () => {
  const asked = (signed: boolean) =>
    deal([
      document('d1', 'Consent', {
        signedAsked: true,
        signature: {
          signed,
          confidence: 0.7,
          page: 3,
          box: null,
          said: false,
        } as unknown as Document['signature'],
      }),
    ])[0].choices.map((c) => inWords(c.text))
  expect(asked(true)).toEqual(['Yes, it is signed', 'No, it is not'])
  expect(asked(false)).toEqual(['No, it is not', 'Yes, it is signed'])
})
describe('facts and checks', () => {
  const slip = document('d1', 'Payslip', {
    fields: [field('employer', { value: 'Lodestar Pilots', needsReview: false, state: 'certain' })],
  })
  const form = document('d2', 'Application form', {
    pages: [1],
    fields: [field('employer', { value: 'Petrel Slipways', needsReview: false, state: 'certain', page: 1 })],
  })
  const evidence = (of: string, value: string, relation: 'same' | 'different') =>
    ({
      document: of,
      field: 'employer',
      value,
      confidence: 0.99,
      asked: false,
      relation,
      why: message('agreement.another_name'),
    }) as unknown as FactResult['evidence'][number]
  const fact = (settled: FactResult['settled'] = null): FactResult => ({
    fact: 'employer_name',
    title: 'Employer',
    status: 'conflict',
    value: 'Petrel Slipways',
    evidence: [evidence('d2', 'Petrel Slipways', 'same'), evidence('d1', 'Lodestar Pilots', 'different')],
    settled,
  })
  test('both sides are offered with where they stand, and that one may be misread', () => {
    const [asked] = deal([form, slip], { facts: [fact()] })
    expect(asked.choices.slice(0, 3).map((c) => inWords(c.text))).toEqual([
      'Petrel Slipways',
      'Lodestar Pilots',
      'It is misread on Payslip',
    ])
    expect(asked.evidence.map((e) => e.page)).toEqual([1, 3])
    expect(asked.choices[0].answer).toMatchObject({
      kind: 'fact',
      decision: 'value',
      over: ['Petrel Slipways', 'Lodestar Pilots'],
    })
  })
  const settled = (more: object) =>
    ({
      decision: 'accepted',
      reason: 'a second job',
      state: 'holds',
      refusal: '',
      against: [],
      ...more,
    }) as NonNullable<FactResult['settled']>
  test('what is settled rests, until a second person refuses it or a paper says something new', () => {
    expect(deal([form, slip], { facts: [fact(settled({}))] })).toEqual([])
    expect(
      deal([form, slip], { facts: [fact(settled({ state: 'refused', refusal: 'no proof' }))] })[0]
        .why.map(inWords)
        .join(' '),
    ).toContain('refused “a second job”: no proof')
    expect(
      deal([form, slip], { facts: [fact(settled({ against: ['Tern Ferries'] }))] })[0]
        .why.map(inWords)
        .join(' '),
    ).toContain('now a paper says Tern Ferries')
  })
  test('a sum that does not come out is asked with the places of its terms', () => {
    const check = {
      check: 'adds_up',
      title: 'The quote adds up',
      status: 'failed',
      detail: message('quote.total_differs', {
        paper: 'Quote',
        makes: { amount: '110.00', currency: 'EUR' },
        says: { amount: '120.00', currency: 'EUR' },
      }),
      documents: ['d1'],
      terms: [
        {
          label: message('term.paper', { paper: 'Payslip' }),
          document: 'd1',
          field: 'employer',
          amount: 'X',
        },
      ],
      settled: null,
    } as unknown as CheckResult
    const [asked] = deal([slip], { checks: [check] })
    expect(inWords(asked.question)).toBe('The quote adds up: why not here?')
    expect(asked.evidence.map((e) => e.page)).toEqual([3])
    expect(asked.choices[0].answer).toMatchObject({ kind: 'check', over: ['110.00', '120.00'] })
  })
})
test('what settles most comes first: cuts, types, signatures, facts, values, checks', () => {
  const asked = deal([
    document('d1', 'A', { fields: [field('net_pay')] }),
    document('d2', 'Payslip', { pages: [4], typeAsked: true, cutBefore: 0.6 }),
    document('d3', 'Consent', {
      pages: [5],
      signedAsked: true,
      signature: {
        signed: true,
        sure: 0.7,
        page: 5,
        box: null,
        said: false,
      } as unknown as Document['signature'],
    }),
  ])
  expect(asked.map((q) => q.about)).toEqual(['cut', 'signature', 'value'])
})

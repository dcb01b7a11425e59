import { starterTypes, traderAccount, workingBoatLoan } from '../../demo/lenders/merrow-sound/index.ts'
import { message } from '../model/messages/message.ts'
import { inWords } from '../../wording/index.ts'
import { monthName } from '../text/calendar.ts'
import { eur, paperOf } from '../testing/paper-of.ts'
import { pageOf } from '../testing/page-of.ts'
import type { CheckResult } from '../dossier/checks.ts'
import { gatherFindings } from './findings.ts'
import { labelDocuments } from './label.ts'
import { typeById } from '../program/document-type.ts'

const nothing = {
  files: [],
  pages: [],
  papers: [],
  facts: [],
  checks: [],
  checklist: [],
  program: workingBoatLoan,
  currency: 'EUR',
}

test('nothing wrong, nothing found', () => expect(gatherFindings(nothing)).toEqual([]))
test('what is missing blocks, with its reason', () => {
  const [finding] = gatherFindings({
    ...nothing,
    checklist: [
      {
        requirement: 'photo_id',
        title: 'Photo identity',
        status: 'missing',
        documents: [],
        reason: message('requirement.none_there', { type: 'Identity card' }),
      },
    ],
  })
  expect(finding).toMatchObject({ kind: 'missing_document', severity: 'blocking', requirement: 'photo_id' })
  expect(inWords(finding.message)).toBe('Photo identity: No identity card is there')
})
test('what is there, waived or not needed is no finding', () => {
  const item = (status: 'satisfied' | 'waived' | 'not_applicable') => ({
    requirement: 'x',
    title: 'X',
    status,
    documents: [],
    reason: message('requirement.not_asked_for'),
  })
  expect(
    gatherFindings({ ...nothing, checklist: [item('satisfied'), item('waived'), item('not_applicable')] }),
  ).toEqual([])
})
test('a conflict names each value and its paper', () => {
  const papers = [paperOf('form', 'loan_application', {}), paperOf('quote', 'purchase_quote', {})]
  const side = (document: string, value: string, relation: 'same' | 'different') => ({
    document,
    field: 'hull_number',
    value,
    confidence: 1,
    asked: false,
    relation,
    why: message('agreement.another_number'),
  })
  const [finding] = gatherFindings({
    ...nothing,
    papers,
    facts: [
      {
        fact: 'hull_number',
        title: 'Hull number',
        status: 'conflict',
        value: 'A',
        evidence: [side('form', 'SKR-1', 'same'), side('quote', 'SKR-2', 'different')],
        settled: null,
      },
    ],
  })
  expect(finding).toMatchObject({
    kind: 'conflict',
    fact: 'hull_number',
    documents: ['form', 'quote'],
  })
  expect(inWords(finding.message)).toBe('Hull number differs: SKR-1 (form); SKR-2 (quote)')
})
test('an accepted failed check is no finding any more', () => {
  const check = (settled: CheckResult['settled']) => ({
    check: 'quote_adds_up',
    title: 'The quote adds up',
    status: 'failed' as const,
    detail: message('quote.agrees'),
    documents: [],
    terms: [],
    settled,
  })
  expect(gatherFindings({ ...nothing, checks: [check(null)] })).toHaveLength(1)
  expect(
    gatherFindings({
      ...nothing,
      checks: [
        check({ decision: 'accepted', reason: 'seller told', state: 'waits', refusal: '', against: [] }),
      ],
    }),
  ).toHaveLength(1)
  expect(
    gatherFindings({
      ...nothing,
      checks: [
        check({ decision: 'accepted', reason: 'seller told', state: 'holds', refusal: '', against: [] }),
      ],
    }),
  ).toEqual([])
})
test('what is over a limit tells the lead', () => {
  const form = (turnover: string, currency = 'EUR') =>
    paperOf('form', 'account_application', { expected_monthly_turnover: { amount: turnover, currency } })
  const messages = (turnover: string, currency?: string) =>
    gatherFindings({ ...nothing, program: traderAccount, papers: [form(turnover, currency)] }).map((f) =>
      inWords(f.message),
    )
  // Nobody knows what it would be in the limit's currency: the lead looks.
  expect(messages('900.00', 'USD')).toEqual([
    'Expected monthly turnover over 150,000, or not: USD 900.00 is in another currency: the team lead is told',
  ])
  expect(messages('150000.00')).toEqual([])
  expect(messages('150000.01')).toEqual(['Expected monthly turnover over 150,000: the team lead is told'])
})
test('copies, unknown pages, poor pages and unusable files are told', () => {
  const papers = [
    paperOf('a', 'payslip', {}),
    paperOf('b', 'payslip', {}, { copyOf: 'a', pages: [2] }),
    paperOf('c', 'unknown', {}, { pages: [3] }),
  ]
  const found = gatherFindings({
    ...nothing,
    papers,
    pages: [pageOf([], { qualityProblem: 'too dark' })],
    files: [{ name: 'x.pdf', sha256: '', pages: 0, problem: 'This PDF is damaged and cannot be opened.' }],
  })
  expect(found.map((f) => f.kind).sort()).toEqual([
    'duplicate_document',
    'poor_quality',
    'unknown_pages',
    'unusable_file',
  ])
})
test('every finding has an id of its own', () => {
  const papers = [1, 2, 3].map((n) => paperOf(`u${n}`, 'unknown', {}, { pages: [n] }))
  const ids = gatherFindings({ ...nothing, papers }).map((f) => f.id)
  expect(new Set(ids).size).toBe(3)
})

test('several papers of a kind are told apart by their month, or by a number', () => {
  const payslip = typeById(starterTypes, 'payslip')
  const of = (date: string | null) => ({
    type: payslip,
    fields: paperOf('x', 'payslip', date ? { pay_date: date } : { net_pay: eur('1.00') }).fields,
  })
  expect(labelDocuments([of('2026-01-30'), of('2026-02-27')])).toEqual([
    'Payslip January 2026',
    'Payslip February 2026',
  ])
  expect(labelDocuments([of('2026-01-30'), of('2026-01-30')])).toEqual([
    `Payslip ${monthName(2026 * 12)}`,
    `Payslip ${monthName(2026 * 12)} (2)`,
  ])
  expect(labelDocuments([of(null)])).toEqual(['Payslip'])
})

import { starterTypes, traderAccount, workingBoatLoan } from '../../demo/lenders/merrow-sound/index.ts'
import { figuresIn } from '../model/messages/message.ts'
import { eur, paperOf } from '../testing/paper-of.ts'
import { passbook } from '../testing/small-types.ts'
import { entry } from '../testing/table-of.ts'
import type { Answer } from '../answers/answer.ts'
import { accepted, judgeChecks, type Judging } from './checks.ts'
import type { DocumentType, Program } from '../program/schema.ts'

const judged = (program: Program, answers: readonly Answer[] = [], asOf = '2026-04-10'): Judging => ({
  program,
  types: starterTypes,
  answers,
  asOf,
})

const check = (id: string, papers: ReturnType<typeof paperOf>[], asOf = '2026-04-10') =>
  judgeChecks(papers, judged(workingBoatLoan, [], asOf)).find((c) => c.check === id)!
const form = (loan: string, income = '2140.00', opened = '2026-03-20') =>
  paperOf(
    'form',
    'loan_application',
    {
      loan_amount: eur(loan),
      purchase_price: eur('61250.00'),
      deposit_amount: eur('12500.00'),
      monthly_net_income: eur(income),
      application_date: opened,
      signature_date: opened,
    },
    { signed: true },
  )

test.each([
  ['48750.00', 'passed'],
  ['47850.00', 'failed'],
])('loan of %s against price less deposit: %s', (loan, status) =>
  expect(check('loan_equals_price_less_deposit', [form(loan)]).status).toBe(status),
)
test('arithmetic is given as arithmetic', () =>
  expect(check('loan_equals_price_less_deposit', [form('47850.00')]).terms.map((t) => t.sign)).toEqual([
    '',
    '−',
    '≠',
  ]))
test('without its papers a check does not apply', () =>
  expect(check('loan_equals_price_less_deposit', []).status).toBe('not_applicable'))

const slip = (n: number, net: string, paid = `2026-0${n}-28`) =>
  paperOf(`slip${n}`, 'payslip', { net_pay: eur(net), pay_date: paid })
test.each([
  ['2140.00', 'passed'],
  ['2240.00', 'passed'],
  ['2900.00', 'failed'],
])('stated income of %s against mean pay of 2140.55: %s', (income, status) =>
  expect(
    check('stated_income_matches_pay', [form('48750.00', income), slip(1, '2140.55'), slip(2, '2140.55')])
      .status,
  ).toBe(status),
)

const row = (date: string, amount: string, balance: string) => ({
  date,
  description: 'x',
  amount: eur(amount),
  balance: eur(balance),
})
const statement = (
  rows: ReturnType<typeof row>[],
  opening = '100.00',
  closing = '90.00',
  { start, end, id } = { start: '2026-01-01', end: '2026-01-31', id: 'jan' },
) =>
  paperOf(id, 'bank_statement', {
    transactions: rows,
    opening_balance: eur(opening),
    closing_balance: eur(closing),
    statement_start: start,
    statement_end: end,
  })

test('a statement that adds up', () =>
  expect(
    check('statement_adds_up', [
      statement([row('2026-01-05', '-30.00', '70.00'), row('2026-01-06', '20.00', '90.00')]),
    ]).status,
  ).toBe('passed'))
test('a statement with its newest row first adds up upwards, and breaks at the row as printed', () => {
  const newest = [
    row('2026-01-08', '5.00', '95.00'),
    row('2026-01-06', '20.00', '90.00'),
    row('2026-01-05', '-30.00', '70.00'),
  ]
  expect(check('statement_adds_up', [statement(newest, '100.00', '95.00')]).status).toBe('passed')
  const broken = check('statement_adds_up', [
    statement([row('2026-01-08', '5.00', '96.00'), ...newest.slice(1)], '100.00', '96.00'),
  ])
  expect([broken.status, broken.terms.find((t) => t.row !== undefined)?.row]).toEqual(['failed', 0])
})
test('a running balance that breaks points at its row', () => {
  const result = check('statement_adds_up', [
    statement([row('2026-01-05', '-30.00', '70.00'), row('2026-01-06', '20.00', '95.00')], '100.00', '95.00'),
  ])
  expect(result.status).toBe('failed')
  expect(result.terms.some((t) => t.row === 1)).toBe(true)
})
test('statements join up where the months follow each other', () => {
  const february = (opening: string) =>
    statement([row('2026-02-03', '-10.00', '80.00')], opening, '80.00', {
      start: '2026-02-01',
      end: '2026-02-28',
      id: 'feb',
    })
  const january = statement([row('2026-01-05', '-10.00', '90.00')])
  expect(check('statements_join_up', [january, february('90.00')]).status).toBe('passed')
  expect(check('statements_join_up', [january, february('91.00')]).status).toBe('failed')
  expect(check('statements_join_up', [january]).status).toBe('not_applicable')
})
test('pay reaches the account within five days, where a statement covers them', () => {
  const paid = statement([row('2026-01-30', '2140.55', '2240.55')], '100.00', '2240.55')
  expect(check('pay_reaches_account', [slip(1, '2140.55', '2026-01-28'), paid]).status).toBe('passed')
  expect(check('pay_reaches_account', [slip(1, '2017.10', '2026-01-28'), paid]).status).toBe('failed')
  expect(check('pay_reaches_account', [slip(3, '2140.55'), paid]).status).toBe('not_applicable')
})
const quote = (lines: string[], net: string, total: string) =>
  paperOf('quote', 'purchase_quote', {
    lines: lines.map((amount) => ({
      description: 'x',
      quantity: '1',
      unit_price: eur(amount),
      amount: eur(amount),
    })),
    net_amount: eur(net),
    vat_amount: eur('20.00'),
    total_price: eur(total),
  })
test.each([
  [['60.00', '40.00'], '100.00', '120.00', 'passed'],
  [['60.00', '50.00'], '100.00', '120.00', 'failed'],
  [['60.00', '40.00'], '100.00', '125.00', 'failed'],
] as const)('lines %j, net %s, total %s: %s', (lines, net, total, status) =>
  expect(check('quote_adds_up', [quote([...lines], net, total)]).status).toBe(status),
)
test.each([
  ['2026-03-20', 'passed'],
  ['2026-04-11', 'failed'],
  ['2025-11-01', 'failed'],
])('signed on %s for an application of 20 March: %s', (signed, status) => {
  const papers = [
    form('48750.00'),
    paperOf('consent', 'credit_consent', { signature_date: signed }, { signed: true }),
  ]
  expect(check('signed_after_opened', papers).status).toBe(status)
})
test('a person may accept a failed check; it stays failed and says so', () => {
  const [result] = judgeChecks(
    [form('47850.00')],
    judged(workingBoatLoan, [
      { kind: 'check', check: 'loan_equals_price_less_deposit', decision: 'accepted', reason: 'typing slip' },
    ]),
  )
  expect(result).toMatchObject({ status: 'failed', settled: { decision: 'accepted', reason: 'typing slip' } })
})
test('a failure accepted is a new one once other figures come into it', () => {
  const over = figuresIn(judgeChecks([form('47850.00')], judged(workingBoatLoan))[0].detail)
  const answers: Answer[] = [
    {
      kind: 'check',
      check: 'loan_equals_price_less_deposit',
      decision: 'accepted',
      reason: 'typing slip',
      over,
    },
    { kind: 'sign', what: 'check', subject: 'loan_equals_price_less_deposit', agreed: true, reason: '' },
  ]
  expect(
    [form('47850.00'), form('47111.00')].map((f) =>
      accepted(judgeChecks([f], judged(workingBoatLoan, answers))[0]),
    ),
  ).toEqual([true, false])
})

const owners = (...shares: string[]) =>
  paperOf('owners', 'owners_declaration', {
    owners: shares.map((share, i) => ({ name: `Owner ${i}`, share })),
  })
test.each([
  [['60', '40'], 'passed'],
  [['75.5', '24.5'], 'passed'],
  [['60', '35'], 'failed'],
])('shares of %s: %s', (shares, status) =>
  expect(
    judgeChecks([owners(...shares)], judged(traderAccount)).find((c) => c.check === 'shares_total')!.status,
  ).toBe(status),
)
test('shares that were not read say nothing', () =>
  expect(judgeChecks([], judged(traderAccount))[0].status).toBe('not_applicable'))
test.each([
  ['52000.00', 'passed'],
  ['40000.00', 'failed'],
])('a survey of %s for a loan of 48750.00: %s', (value, status) =>
  expect(
    check('value_covers_loan', [
      form('48750.00'),
      paperOf('survey', 'survey_report', { market_value: eur(value) }),
    ]).status,
  ).toBe(status),
)

describe('a table whose columns have other names', () => {
  const program: Program = {
    ...workingBoatLoan,
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
  const book = (left: string) =>
    paperOf('book', 'passbook', {
      begun_with: eur('100.00'),
      ended_with: eur('70.00'),
      entries: [entry('2026-03-01', 'Rope', '-20.00', '80.00'), entry('2026-03-02', 'Bait', '-10.00', left)],
    })
  const status = (left: string, types: DocumentType[]) =>
    judgeChecks([book(left)], { ...judged(program), types })[0].status

  test('is judged by the roles of its columns', () =>
    expect([status('70.00', [passbook]), status('71.00', [passbook])]).toEqual(['passed', 'failed']))
  test('without roles it accuses no paper', () => {
    const plain = structuredClone(passbook)
    for (const field of plain.fields) for (const column of field.columns) delete column.role
    expect(status('71.00', [plain])).toBe('not_applicable')
  })
})

describe('amounts in two currencies are never reckoned together in silence', () => {
  const usd = (amount: string) => ({ amount, currency: 'USD' })
  const mixed = (loan: { amount: string; currency: string }) =>
    check('loan_equals_price_less_deposit', [
      paperOf('form', 'loan_application', {
        loan_amount: loan,
        purchase_price: eur('61250.00'),
        deposit_amount: eur('12500.00'),
      }),
    ])
  test('figures that would add up do not', () => {
    expect(mixed(eur('48750.00')).status).toBe('passed')
    const { status, detail } = mixed(usd('48750.00'))
    expect([status, detail.code]).toEqual(['failed', 'check.several_currencies'])
  })
  test('an amount whose currency nobody says is taken for the others’', () =>
    expect(mixed({ amount: '48750.00', currency: 'XXX' }).status).toBe('passed'))
  test('slips in dollars bear no income in euros out', () =>
    expect(
      check('stated_income_matches_pay', [
        form('48750.00', '2140.00'),
        paperOf('slip', 'payslip', { net_pay: usd('2140.55'), pay_date: '2026-01-28' }),
      ]).status,
    ).toBe('failed'))
})

test('what a card was charged abroad, in a column of its own, is no second currency of a statement', () => {
  const columns = [
    { name: 'day', kind: 'date' as const, role: 'date' as const, labels: ['Date'] },
    { name: 'moved', kind: 'money' as const, role: 'amount' as const, labels: ['Amount'] },
    { name: 'left', kind: 'money' as const, role: 'balance' as const, labels: ['Balance'] },
    { name: 'abroad', kind: 'money' as const, labels: ['Charged in'] },
  ]
  const type = {
    ...passbook,
    fields: passbook.fields.map((f) =>
      f.name === 'entries' ? { ...f, columns: columns.map((c) => ({ optional: false, ...c })) } : f,
    ),
  }
  const program: Program = {
    ...workingBoatLoan,
    checks: [
      {
        kind: 'running_balance',
        id: 'adds_up',
        title: 'Adds up',
        table: 'passbook.entries',
        opening: 'passbook.begun_with',
        closing: 'passbook.ended_with',
      },
    ],
  }
  const book = (left: { amount: string; currency: string }) =>
    paperOf('book', 'passbook', {
      begun_with: eur('100.00'),
      ended_with: eur('90.00'),
      entries: [
        { day: '2026-03-02', moved: eur('-10.00'), left, abroad: { amount: '11.20', currency: 'USD' } },
      ],
    })
  const status = (paper: ReturnType<typeof paperOf>) =>
    judgeChecks([paper], { ...judged(program), types: [type] })[0].status
  expect(status(book(eur('90.00')))).toBe('passed')
  expect(status(book({ amount: '90.00', currency: 'USD' }))).toBe('failed')
})

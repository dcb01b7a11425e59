import { cents, isMoney, type Row } from '../core/model/value.ts'
import { ibanHolds } from '../core/extraction/parsers/iban.ts'
import { Dice } from './dice.ts'
import { makePackage, type mishaps } from './package.ts'
import { makeStory } from './story.ts'
import { closePrinter } from './papers/printed/print.ts'
import { paperSets } from './papers/sets.ts'
import { makeTradePackage, type tradeMishaps } from './trade-package.ts'
import { makeTrade } from './trade.ts'

afterAll(closePrinter)

test('the same seed throws the same dice', () => {
  const throws = (seed: number) => {
    const dice = new Dice(seed)
    return Array.from({ length: 20 }, () => dice.int(1, 6))
  }
  expect(throws(7)).toEqual(throws(7))
  expect(throws(7)).not.toEqual(throws(8))
  for (const n of throws(9)) expect(n >= 1 && n <= 6).toBe(true)
})
test('shuffling keeps every card', () =>
  expect(new Dice(3).shuffle([1, 2, 3, 4, 5]).sort()).toEqual([1, 2, 3, 4, 5]))

test.each([1, 2, 3, 4, 5])('story %i is true in itself', (seed) => {
  const story = makeStory(new Dice(seed), '2026-04-10', seed % 2 === 0)
  expect(story.loan).toBe(story.total - story.deposit)
  expect(story.net + story.vat).toBe(story.total)
  expect(story.lines.reduce((sum, l) => sum + l.amount, 0)).toBe(story.net)
  expect(ibanHolds(story.iban)).toBe(true)
  for (const month of story.pay) expect(month.gross - month.tax - month.insurance).toBe(month.net)
  story.statements.forEach((statement, i) => {
    expect(statement.rows.reduce((sum, r) => sum + r.amount, statement.opening)).toBe(statement.closing)
    if (i > 0) expect(statement.opening).toBe(story.statements[i - 1].closing)
  })
})

describe.each(Object.keys(paperSets) as (keyof typeof paperSets)[])('papers of the set %s', (papers) => {
  test('a package has its pages, and every page its document or none', async () => {
    const { truth, bytes } = await makePackage({
      seed: 5,
      papers,
      asOf: '2026-04-10',
      clutter: true,
      coApplicant: true,
    })
    expect(bytes.length).toBeGreaterThan(1000)
    expect(truth.documents.flatMap((d) => d.pages).sort((a, b) => a - b)).toEqual(
      truth.pages.flatMap((p, i) => (p.document === null ? [] : [i + 1])),
    )
    expect(new Set(truth.documents.map((d) => d.type)).size).toBeGreaterThanOrEqual(9)
  }, 60_000)
  test('a business has its papers too', async () => {
    const { truth } = await makeTradePackage({ seed: 5, papers, asOf: '2026-04-10', clutter: true })
    const types = new Set(truth.documents.map((d) => d.type))
    for (const type of [
      'account_application',
      'incorporation_certificate',
      'owners_declaration',
      'tax_self_certification',
      'utility_bill',
      'identity_card',
    ])
      expect([type, types.has(type)]).toEqual([type, true])
    expect(
      Object.values(truth.checklist).every((status) => status === 'satisfied' || status === 'not_applicable'),
    ).toBe(true)
  }, 60_000)
  test('the truth of a statement adds up', async () => {
    const { truth } = await makePackage({ seed: 6, papers, asOf: '2026-04-10' })
    for (const d of truth.documents.filter((t) => t.type === 'bank_statement')) {
      const value = (name: string) => d.fields[name].value
      const [opening, closing] = [value('opening_balance'), value('closing_balance')]
      const rows = value('transactions') as Row[]
      expect(
        isMoney(opening) &&
          isMoney(closing) &&
          rows.reduce((sum, r) => sum + (isMoney(r.amount) ? cents(r.amount) : NaN), cents(opening)) ===
            cents(closing),
      ).toBe(true)
    }
  }, 60_000)
})
test('each mishap changes the truth or the papers', async () => {
  const plain = JSON.stringify((await makePackage({ seed: 8, papers: 'tuning', asOf: '2026-04-10' })).truth)
  for (const mishap of [
    'missing_quote',
    'expired_card',
    'unsigned_consent',
    'other_hull',
    'loan_wrong',
    'balance_wrong',
  ] satisfies (typeof mishaps)[number][]) {
    const { truth } = await makePackage({ seed: 8, papers: 'tuning', asOf: '2026-04-10', mishaps: [mishap] })
    expect([mishap, JSON.stringify(truth) === plain]).toEqual([mishap, false])
  }
}, 60_000)
test('what befalls the self-employed is told in their own papers', async () => {
  const of = async (...given: (typeof mishaps)[number][]) =>
    (await makePackage({ seed: 9, papers: 'dice', asOf: '2026-04-10', selfEmployed: true, mishaps: given }))
      .truth
  const good = await of()
  expect(good.documents.map((d) => d.type)).not.toContain('payslip')
  expect(
    good.documents.filter((d) => d.type === 'tax_assessment').map((d) => d.fields.tax_year.value),
  ).toEqual(['2025', '2024'])
  expect([
    good.checklist.income_proof,
    (await of('missing_tax_year')).checklist.income_proof,
    (await of('old_accounts')).checklist.income_proof,
  ]).toEqual(['satisfied', 'incomplete', 'expired'])
}, 60_000)
test.each([1, 2, 3, 4])('the shares of business %i make up the whole', (seed) =>
  expect(makeTrade(new Dice(seed), '2026-04-10').owners.reduce((sum, o) => sum + o.share, 0)).toBe(100),
)
test.each<[(typeof tradeMishaps)[number], string, string]>([
  ['unsigned_tax', 'tax_status', 'unsigned'],
  ['missing_incorporation', 'incorporation', 'missing'],
  ['old_bill', 'business_address_proof', 'expired'],
])(
  '%s makes %s %s',
  async (mishap, requirement, status) =>
    expect(
      (await makeTradePackage({ seed: 5, papers: 'dice', asOf: '2026-04-10', mishaps: [mishap] })).truth
        .checklist[requirement],
    ).toBe(status),
  60_000,
)
test('forms filled in by hand say the same, and their truth says that they are', async () => {
  const made = await makePackage({ seed: 10, papers: 'dice', asOf: '2026-04-10', handwritten: true })
  const form = made.truth.documents.find((d) => d.type === 'loan_application')!
  expect(Object.values(form.fields).every((f) => f.handwritten)).toBe(true)
  expect(made.truth.documents.find((d) => d.type === 'bank_statement')!.fields.iban.handwritten).toBe(false)
}, 60_000)
test('sheets between papers and a page at the end are in the truth', async () => {
  const { truth } = await makePackage({
    seed: 11,
    papers: 'dice',
    asOf: '2026-04-10',
    separators: true,
    scattered: true,
  })
  expect(truth.pages.some((p) => p.separator && p.document === null)).toBe(true)
  const apart = truth.documents.filter((d) => d.pages.some((p, i) => i > 0 && p !== d.pages[i - 1] + 1))
  expect(apart.map((d) => d.pages.at(-1))).toEqual([truth.pages.length])
}, 60_000)

import { cents, isMoney, type Row } from '../core/read/value.ts'
import { ibanHolds } from '../core/read/kinds/iban.ts'
import { Dice } from './dice.ts'
import { makePackage, type mishaps } from './package.ts'
import { makeStory } from './story.ts'
import { closePrinter } from './papers/printed/print.ts'
import { paperSets } from './papers/sets.ts'

afterAll(closePrinter)

test('the same seed throws the same dice', () => {
  const throws = (seed: number) => { const dice = new Dice(seed); return Array.from({ length: 20 }, () => dice.int(1, 6)) }
  expect(throws(7)).toEqual(throws(7))
  expect(throws(7)).not.toEqual(throws(8))
  for (const n of throws(9)) expect(n >= 1 && n <= 6).toBe(true)
})
test('shuffling keeps every card', () => expect(new Dice(3).shuffle([1, 2, 3, 4, 5]).sort()).toEqual([1, 2, 3, 4, 5]))

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
    const { truth, bytes } = await makePackage({ seed: 5, papers, asOf: '2026-04-10', clutter: true, coApplicant: true })
    expect(bytes.length).toBeGreaterThan(1000)
    expect(truth.documents.flatMap((d) => d.pages).sort((a, b) => a - b)).toEqual(truth.pages.flatMap((p, i) => (p.document === null ? [] : [i + 1])))
    expect(new Set(truth.documents.map((d) => d.type)).size).toBeGreaterThanOrEqual(9)
  }, 60_000)
  test('the truth of a statement adds up', async () => {
    const { truth } = await makePackage({ seed: 6, papers, asOf: '2026-04-10' })
    for (const d of truth.documents.filter((t) => t.type === 'bank_statement')) {
      const value = (name: string) => d.fields[name].value
      const [opening, closing] = [value('opening_balance'), value('closing_balance')]
      const rows = value('transactions') as Row[]
      expect(isMoney(opening) && isMoney(closing) && rows.reduce((sum, r) => sum + (isMoney(r.amount) ? cents(r.amount) : NaN), cents(opening)) === cents(closing)).toBe(true)
    }
  }, 60_000)
})
test('each mishap changes the truth or the papers', async () => {
  const plain = JSON.stringify((await makePackage({ seed: 8, papers: 'tuning', asOf: '2026-04-10' })).truth)
  for (const mishap of ['missing_quote', 'expired_card', 'unsigned_consent', 'other_hull', 'loan_wrong', 'balance_wrong'] satisfies (typeof mishaps)[number][]) {
    const { truth } = await makePackage({ seed: 8, papers: 'tuning', asOf: '2026-04-10', mishaps: [mishap] })
    expect([mishap, JSON.stringify(truth) === plain]).toEqual([mishap, false])
  }
}, 60_000)

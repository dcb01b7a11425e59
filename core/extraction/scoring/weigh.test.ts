import { documentTypeSchema } from '../../program/index.ts'
import { euroLender } from '../../testing/lender.ts'
import { pageOf } from '../../testing/page-of.ts'
import { extractDocument } from '../fields/extract.ts'
import { FEATURES, featured } from './features.ts'
import { weigh } from './weigh.ts'

/** A type of nobody's, described in few words. */
const slip = documentTypeSchema.parse({
  id: 'slip',
  title: 'Slip',
  short: 'Slip',
  pages: { min: 1, max: 1 },
  titles: ['slip'],
  fields: [
    { name: 'wage', title: 'Salary', kind: 'money', labels: ['monthly salary'] },
    { name: 'rent', title: 'Rent', kind: 'money', labels: ['rent of the house'] },
    { name: 'keeper', title: 'Owner', kind: 'name', labels: ['owner'], never: ['ask at desk'] },
  ],
})
const read = (...lines: string[]) => {
  const { fields } = extractDocument([pageOf(lines)], slip, euroLender)
  return (name: string) => fields.find((f) => f.name === name)!
}
const eur = (amount: string) => ({ amount, currency: 'EUR' })

test('captions that nobody listed are told apart by what they mean', () => {
  const of = read('Slip', 'Wages per month | EUR 2,140.55', 'Tenancy of the cottage | EUR 600.00')
  expect(of('wage').value).toEqual(eur('2140.55'))
  expect(of('rent').value).not.toEqual(eur('2140.55'))
})
test('what the paper does not carry is not made of what it does, unasked', () => {
  const of = read('Slip', 'Monthly salary | EUR 2,140.55')
  expect(of('wage').value).toEqual(eur('2140.55'))
  expect(of('keeper').needsReview).toBe(true)
  expect(of('rent').needsReview).toBe(true)
})
test('a currency that several share is asked about, whoever found the amount', () =>
  expect(read('Slip', 'Wages per month | 2,140.55 francs')('wage').needsReview).toBe(true))
test('words that never are a value’s are none, whoever found them', () =>
  expect(read('Slip', 'Owner | Ask At Desk')('keeper').value).not.toBe('Ask At Desk'))
test('fields without a candidate have none, and every feature is a number', () => {
  const none = new Map(slip.fields.map((f) => [f.name, []]))
  const rows = { places: [], ends: [] }
  expect([...weigh([pageOf([''])], slip, none, rows).values()]).toEqual([[], [], []])
  const all = [...featured([pageOf(['Pay | 5.00 | Ann Lee'])], slip, none, rows).values()].flat()
  expect(all.length).toBeGreaterThan(0)
  for (const { features } of all) {
    expect(features).toHaveLength(FEATURES.length)
    expect([...features].every(Number.isFinite)).toBe(true)
  }
})

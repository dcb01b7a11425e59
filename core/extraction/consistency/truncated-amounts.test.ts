import { pageOf } from '../../testing/page-of.ts'
import type { DocumentType } from '../../program/schema.ts'
import type { Ranked } from '../scoring/joint-assignment.ts'
import { passbook } from '../../testing/small-types.ts'
import { entry, tableOf } from '../../testing/table-of.ts'
import { flagMissingCents, flagTruncatedAmounts, restoreEndBalances } from './truncated-amounts.ts'
import { fromCents, type Money } from '../../model/value.ts'

const scan = pageOf([], { source: 'ocr' })
const print = pageOf([], { source: 'text' })
const amount = (cents: number, raw: string, page = scan) =>
  ({ ranked: [{ candidate: { value: fromCents(cents, 'EUR'), raw, page } }] }) as unknown as Ranked
const quote = {
  relations: [{ kind: 'sum', parts: ['net', 'tax'], total: 'total' }],
} as unknown as DocumentType
const valueOf = (ranked: Ranked): string => (ranked.ranked[0].candidate.value as Money).amount

describe('a sum that would come out with figures lost in front', () => {
  test('is put right where only one part explains it, and asked about', () => {
    const read = new Map([
      ['net', amount(1480_00, '1,480.00')],
      ['tax', amount(40_00, '40.00')],
      ['total', amount(1720_00, '1,720.00')],
    ])
    flagTruncatedAmounts(quote, read)
    expect([valueOf(read.get('tax')!), read.get('tax')!.doubted]).toEqual(['240.00', true])
    expect(read.get('tax')!.ranked[0].candidate.repaired).toBe(true)
    expect([read.get('net')!.doubted, read.get('total')!.doubted]).toEqual([undefined, undefined])
  })
  test('is left to a person where two parts explain it', () => {
    const read = new Map([
      ['net', amount(400_00, '400.00')],
      ['tax', amount(400_00, '400.00')],
      ['total', amount(1800_00, '1,800.00')],
    ])
    flagTruncatedAmounts(quote, read)
    expect(['net', 'tax'].map((name) => valueOf(read.get(name)!))).toEqual(['400.00', '400.00'])
    expect(['net', 'tax'].map((name) => read.get(name)!.doubted)).toEqual([true, true])
  })
  test('is the paper’s own mistake where it is no picture, and where other figures are wrong', () => {
    const printed = new Map([
      ['net', amount(1480_00, '1,480.00', print)],
      ['tax', amount(40_00, '40.00', print)],
      ['total', amount(1720_00, '1,720.00', print)],
    ])
    flagTruncatedAmounts(quote, printed)
    expect([...printed.values()].some((r) => r.doubted)).toBe(false)
    const wrong = new Map([
      ['net', amount(480_00, '480.00')],
      ['tax', amount(240_00, '240.00')],
      ['total', amount(725_00, '725.00')],
    ])
    flagTruncatedAmounts(quote, wrong)
    expect([...wrong.values()].some((r) => r.doubted)).toBe(false)
  })
})
describe('balances that rows lead on from and to', () => {
  const table = tableOf([
    entry('2026-03-01', 'Net loft', '-10.00', '90.00'),
    entry('2026-03-02', 'Ferry', '-20.00', '70.00'),
    entry('2026-03-05', 'Bakery', '-5.00', '65.00'),
  ])
  /** Readings of a balance, the likeliest first, each somewhere above the rows. */
  const balance = (...cents: [cents: number, probability: number][]): Ranked =>
    ({
      ranked: cents.map(([value, probability], i) => ({
        candidate: {
          value: fromCents(value, 'EUR'),
          raw: '',
          page: print,
          words: [{ text: '', box: [0.8, 0.01 * i, 0.9, 0.01 * i + 0.008], confidence: 1 }],
        },
        elsewhere: [],
        probability,
      })),
    }) as unknown as Ranked
  const restored = (opening: Ranked, proof: boolean | null = false) => {
    const chosen = new Map([
      ['begun_with', opening],
      ['ended_with', balance([65_00, 0.97])],
    ])
    const mended = restoreEndBalances(passbook, new Map([['entries', { table, proof }]]), chosen)
    return [mended, valueOf(opening), opening.doubted]
  }
  test('are taken from where they are printed, though another amount was likelier', () => {
    expect(restored(balance([72_00, 0.8], [100_00, 0.12]))).toEqual([true, '100.00', undefined])
    expect(restored(balance([65_00, 0.96], [100_00, 0.01]))).toEqual([true, '100.00', undefined])
  })
  test('are asked about where nothing but the rows speaks for them', () =>
    expect(restored(balance([72_00, 0.96], [100_00, 0.01]))).toEqual([true, '100.00', true]))
  test('are left where they are not printed, and where the rows come out', () => {
    expect(restored(balance([65_00, 0.96], [99_00, 0.03]))).toEqual([false, '65.00', undefined])
    expect(restored(balance([100_00, 0.96], [65_00, 0.03]), true)).toEqual([false, '100.00', undefined])
  })
})
describe('cents', () => {
  test('who writes one amount with them writes them all so', () => {
    const read = new Map([
      ['price', amount(28_910_00, '€28,910')],
      ['deposit', amount(2_000_00, '€2,000.00')],
    ])
    flagMissingCents(read)
    expect([read.get('price')!.doubted, read.get('deposit')!.doubted]).toEqual([true, undefined])
  })
  test('a paper without any has lost none, and print loses none', () => {
    const whole = new Map([
      ['price', amount(28_910_00, '€28,910')],
      ['deposit', amount(2_000_00, '€2,000')],
    ])
    flagMissingCents(whole)
    const printed = new Map([
      ['price', amount(28_910_00, '€28,910', print)],
      ['deposit', amount(2_000_00, '€2,000.00', print)],
    ])
    flagMissingCents(printed)
    expect([...whole.values(), ...printed.values()].some((r) => r.doubted)).toBe(false)
  })
})

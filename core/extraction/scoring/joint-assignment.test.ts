import { starterTypes } from '../../../demo/lenders/merrow-sound/index.ts'
import { pageOf } from '../../testing/page-of.ts'
import type { Candidate } from './candidate.ts'
import { assignJointly, rankCandidates } from './joint-assignment.ts'
import { typeById } from '../../program/document-type.ts'

const payslip = typeById(starterTypes, 'payslip')
const field = (name: string) => payslip.fields.find((f) => f.name === name)!
const page = pageOf(['28.02.2026 | 01.02.2026 - 28.02.2026 | 2,140.55 | 2,755.00'])
/** A candidate at the words of the page with these texts. */
const at = (
  name: string,
  value: Candidate['value'],
  texts: string[],
  score: number,
  more: Partial<Candidate> = {},
): Candidate => {
  const words = texts.map(
    (text, i) => page.words.filter((w) => w.text === text)[more.period && i === 2 ? 1 : 0],
  )
  return { field: name, value, raw: texts.join(' '), words, page, score, repaired: false, ...more }
}
const chosen = (candidates: Candidate[]) => {
  const names = [...new Set(candidates.map((c) => c.field))]
  const found = assignJointly(
    { ...payslip, relations: payslip.relations.filter((r) => r.kind === 'at_most') },
    names.map((name) =>
      rankCandidates(
        field(name),
        candidates.filter((c) => c.field === name),
      ),
    ),
  )
  return Object.fromEntries([...found].map(([name, r]) => [name, r.ranked[0]?.candidate.value ?? null]))
}
const eur = (amount: string) => ({ amount, currency: 'EUR' })

test('a part of a name speaks for the whole of it', () => {
  const whole = at('employee_name', 'Ruaridh Penhallow', ['Ruaridh', 'Penhallow'], 3)
  const [alone, beside] = [[whole], [whole, at('employee_name', 'Ruaridh', ['Ruaridh'], 2.5)]].map(
    (c) => rankCandidates(field('employee_name'), c).ranked[0],
  )
  expect(beside).toMatchObject({ candidate: { value: 'Ruaridh Penhallow' }, probability: alone.probability })
})
test('the same value said twice is one reading', () => {
  const twice = [1, 2].map(() => at('pay_date', '2026-02-28', ['28.02.2026'], 1))
  expect(rankCandidates(field('pay_date'), twice).ranked).toHaveLength(1)
})
test('one place is one field’s: the less sure one takes its next best', () => {
  expect(
    chosen([
      at('net_pay', eur('2140.55'), ['2,140.55'], 3),
      at('gross_pay', eur('2140.55'), ['2,140.55'], 2),
      at('gross_pay', eur('2755.00'), ['2,755.00'], 1),
    ]),
  ).toEqual({ net_pay: eur('2140.55'), gross_pay: eur('2755.00') })
})
test('who finds its value elsewhere too leaves the place to who has it only here', () => {
  const period = at('period_end', '2026-02-28', ['01.02.2026', '-', '28.02.2026'], 1, { period: true })
  expect(
    chosen([
      at('period_end', '2026-02-28', ['28.02.2026'], 3),
      period,
      at('pay_date', '2026-02-28', ['28.02.2026'], 2),
    ]),
  ).toEqual({ period_end: '2026-02-28', pay_date: '2026-02-28' })
})
test('net above gross gives way to a runner-up that can be true', () => {
  expect(
    chosen([
      at('net_pay', eur('2755.00'), ['2,755.00'], 1.2),
      at('net_pay', eur('2140.55'), ['2,140.55'], 1),
      at('gross_pay', eur('2500.00'), ['28.02.2026'], 1.4),
    ]).net_pay,
  ).toEqual(eur('2140.55'))
})
test('nothing found is nothing chosen', () =>
  expect(assignJointly(payslip, [rankCandidates(field('net_pay'), [])]).get('net_pay')!.ranked).toEqual([]))
describe('a sum', () => {
  const quote = typeById(starterTypes, 'purchase_quote')
  const printed = pageOf(['100.00 | 23.00 | 123.00'])
  const summed = (currency: string) =>
    assignJointly(
      { ...quote, relations: quote.relations.filter((r) => r.kind === 'sum') },
      [
        ['net_amount', '100.00', 'EUR'],
        ['vat_amount', '23.00', currency],
        ['total_price', '123.00', 'EUR'],
      ].map(([name, amount, money]) =>
        rankCandidates(
          quote.fields.find((f) => f.name === name)!,
          [
            {
              field: name,
              value: { amount, currency: money },
              raw: amount,
              words: printed.words.filter((w) => w.text === amount),
              page: printed,
              score: 2,
              repaired: false,
            },
          ],
        ),
      ),
    )
  test('that comes out bears out its amounts', () =>
    expect([...summed('EUR').values()].every((r) => r.backed)).toBe(true))
  test('over two currencies says nothing of them', () =>
    expect([...summed('GBP').values()].some((r) => r.backed || r.doubted)).toBe(false))
})

test('two days the wrong way round on a picture are both asked about: likely they changed places', () => {
  const doubted = (source: 'ocr' | 'text') => {
    const on = { ...page, source }
    const dates = [
      at('period_start', '2026-02-28', ['28.02.2026'], 4, { page: on }),
      at('period_end', '2026-02-01', ['01.02.2026'], -3, { page: on }),
    ]
    const found = assignJointly(
      { ...payslip, relations: payslip.relations.filter((r) => r.kind === 'not_after') },
      dates.map((c) => rankCandidates(field(c.field), [c])),
    )
    return [...found.values()].map((r) => r.doubted)
  }
  expect(doubted('ocr')).toEqual([true, true])
  expect(doubted('text')).toEqual([false, true])
})

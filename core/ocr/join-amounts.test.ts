import { pageOf } from '../testing/page-of.ts'
import { joinSplitAmounts } from './join-amounts.ts'

const joined = (line: string) => {
  const page = pageOf([line], { confidence: 0.9 })
  return joinSplitAmounts(page.words, page.width / page.height)
    .map((w) => w.text)
    .join(' ')
}
test.each([
  ['-EUR 123. 57', '-EUR 123.57'],
  ['€1.234, 50 EUR', '€1.234,50 EUR'],
  ['12. 05 2026', '12. 05 2026'],
  ['123. 5', '123. 5'],
  ['EUR6,749.0 4', 'EUR6,749.04'],
  ['6749.0 4', '6749.0 4'],
  ['Ltd. 57', 'Ltd. 57'],
])('%s is read as %s', (line, as) => expect(joined(line)).toBe(as))
test('what stands a column apart is another amount', () => expect(joined('123. | 57')).toBe('123. 57'))
test('the rest is found wherever it is listed', () => {
  const page = pageOf(['-EUR 123. 57'], { confidence: 0.9 })
  const [currency, amount, rest] = page.words
  expect(joinSplitAmounts([rest, currency, amount], page.width / page.height).map((w) => w.text)).toEqual([
    '-EUR',
    '123.57',
  ])
})

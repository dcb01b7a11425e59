import { pageOf } from '../testing/page-of.ts'
import { ruleHits, ruleSchema, type Rule } from './user-rules.ts'

const rule = (words: Rule['words'], without: string[] = []): Rule => ({
  name: 'Slipway sheet',
  says: { kind: 'begins' },
  words,
  without,
})
const page = pageOf(['Slipway sheet 14', '', 'Vessel | Pole Star', 'Copied to the harbour office'])

test('all its words must stand on the page, whole and in their order', () => {
  expect(
    ruleHits(
      page,
      rule([
        { text: 'Slipway sheet', place: 'anywhere' },
        { text: 'pole star', place: 'anywhere' },
      ]),
    ),
  ).toHaveLength(2)
  expect(
    ruleHits(
      page,
      rule([
        { text: 'Slipway sheet', place: 'anywhere' },
        { text: 'Kittiwake', place: 'anywhere' },
      ]),
    ),
  ).toBeNull()
  expect(ruleHits(page, rule([{ text: 'slip', place: 'anywhere' }]))).toBeNull()
  expect(ruleHits(page, rule([{ text: 'sheet slipway', place: 'anywhere' }]))).toBeNull()
})
test('and in their place', () => {
  expect(ruleHits(page, rule([{ text: 'Slipway sheet', place: 'top' }]))).not.toBeNull()
  expect(ruleHits(page, rule([{ text: 'Slipway sheet', place: 'bottom' }]))).toBeNull()
  expect(ruleHits(page, rule([{ text: 'Vessel', place: [0, 0, 0.3, 0.3] }]))).not.toBeNull()
  expect(ruleHits(page, rule([{ text: 'Vessel', place: [0.5, 0, 1, 0.3] }]))).toBeNull()
})
test('none of the words that must not stand', () =>
  expect(ruleHits(page, rule([{ text: 'Slipway sheet', place: 'anywhere' }], ['copied to']))).toBeNull())
test('a letter misread on a scan is forgiven, on a text page it is another word', () => {
  const misread = ['Sl1pway sheet 14']
  expect(
    ruleHits(pageOf(misread, { source: 'ocr' }), rule([{ text: 'Slipway sheet', place: 'top' }])),
  ).not.toBeNull()
  expect(ruleHits(pageOf(misread), rule([{ text: 'Slipway sheet', place: 'top' }]))).toBeNull()
})
test('a rule needs a name and words', () => {
  expect(ruleSchema.safeParse(rule([])).success).toBe(false)
  expect(ruleSchema.safeParse(rule([{ text: '--', place: 'top' }])).success).toBe(false)
  expect(ruleSchema.safeParse({ ...rule([{ text: 'Slipway', place: 'top' }]), name: ' ' }).success).toBe(
    false,
  )
  expect(ruleSchema.safeParse(rule([{ text: 'Slipway', place: 'top' }])).success).toBe(true)
})

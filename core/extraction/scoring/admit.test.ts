import { fieldSchema } from '../../program/schema.ts'
import { pageOf } from '../../testing/page-of.ts'
import { admit, withoutSign } from './admit.ts'
import type { Candidate } from './candidate.ts'

const field = (more: object) => fieldSchema.parse({ name: 'f', title: 'F', kind: 'id', ...more })
const of = (value: string, source: 'text' | 'ocr' = 'text'): Candidate => ({
  field: 'f',
  value,
  raw: value,
  words: [],
  page: pageOf(['x'], { source }),
  score: 0,
  repaired: false,
})

test('words that never are a field’s are no candidate, however they are written', () =>
  expect(admit(of('See Overleaf'), field({ kind: 'text', never: ['see overleaf'] }))).toBeNull())
test('a text layer spells what the paper says; on a picture a form that does not fit is in part', () => {
  const code = field({ pattern: '[A-Z]{2}-\\d{4}' })
  expect(admit(of('AB-12'), code)!.partial).toBeUndefined()
  expect(admit(of('AB-12', 'ocr'), code)).toMatchObject({ partial: true })
})
test('a sign that was taken off an amount is a repair', () => {
  const amount = (text: string) => ({ amount: text, currency: 'EUR' })
  const read = (value: string) =>
    withoutSign({ value: amount(value), words: [], raw: value, plausibility: 1, repaired: false })
  expect(read('-20.00')).toMatchObject({ value: amount('20.00'), repaired: true })
  expect(read('20.00')).toMatchObject({ value: amount('20.00'), repaired: false })
})

import { starterTypes } from '../../../demo/lenders/merrow-sound/index.ts'
import { typeById } from '../../program/index.ts'
import { pageOf } from '../../testing/page-of.ts'
import type { Candidate } from './candidate.ts'
import { type Evidence, evidenceFor, withEvidence } from './evidence.ts'
import type { Ranked } from './joint-assignment.ts'

const page = pageOf(['3'], { source: 'ocr', confidence: 0.9 })
const { fields } = typeById(starterTypes, 'loan_application')
const chosen = (
  kind: string,
  change: Partial<Candidate> = {},
  ranked: Partial<Omit<Ranked, 'ranked'>> = {},
): Ranked => {
  const field = fields.find((f) => f.kind === kind)!
  const candidate: Candidate = {
    field: field.name,
    value: 'x',
    raw: 'x',
    words: page.words,
    page,
    score: 1,
    repaired: false,
    ...change,
  }
  return {
    field,
    ranked: [{ candidate, probability: 0.9, elsewhere: [] }],
    backed: false,
    wellRead: false,
    doubted: false,
    ...ranked,
  }
}

describe('what speaks for a value', () => {
  test('sums that come out, and show that no part of it lacks', () => {
    const bare = { value: { amount: '3.00', currency: 'EUR' }, raw: '3' }
    expect(evidenceFor(chosen('money', bare))).toEqual(['partial'])
    expect(evidenceFor(chosen('money', { ...bare, repaired: true }, { backed: true }))).toEqual(['backed'])
  })
  test('check digits, which speak for it or against it', () => {
    expect(evidenceFor(chosen('iban', { value: 'GB82WEST12345698765432' }))).toEqual(['checked'])
    expect(evidenceFor(chosen('iban', { value: 'GB82WEST12345698765431' }))).toEqual(['digits_fail'])
  })
  test('nothing, where nothing was chosen', () =>
    expect(evidenceFor({ ...chosen('name'), ranked: [] })).toEqual([]))
})

describe('a probability once evidence is heard', () => {
  const weights = { place: { doubted: -2 }, reading: { well_read: 4, partial: -2 } }
  const after = (place: number, reading: number, ...said: Evidence[]) =>
    withEvidence({ place, reading }, said, weights)
  test('is that of the place times that of the reading, each by what speaks of it', () => {
    expect(after(0.9, 0.8)).toBeCloseTo(0.72)
    expect(after(0.9, 0.5, 'well_read')).toBeCloseTo(0.9 * 0.982)
    expect(after(0.5, 1, 'doubted')).toBeCloseTo(0.119)
    expect(after(0.9, 0.5, 'well_read', 'partial')).toBeCloseTo(0.9 * 0.881)
  })
  test('figures that add up say nothing of whose they are', () =>
    expect(after(0.5, 0.9, 'well_read')).toBeLessThanOrEqual(0.5))
  test('is never a certainty, and nothing makes something of none', () => {
    expect(withEvidence({ place: 1, reading: 1 }, ['proven', 'backed'])).toBe(0.995)
    expect(withEvidence({ place: 0, reading: 0 }, ['proven'])).toBe(0)
  })
})

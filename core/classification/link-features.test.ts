import { starterTypes } from '../../demo/lenders/merrow-sound/index.ts'
import { pageOf } from '../testing/page-of.ts'
import { LINK_FEATURES, linkFeatures } from './link-features.ts'
import { EvidenceReader } from './page-evidence.ts'
import { pageFeatures } from './page-links.ts'

const reader = new EvidenceReader(starterTypes)
const between = (a: string[], b: string[]) => {
  const pages = [pageOf(a), pageOf(b, { number: 2 })] as const
  const row = linkFeatures(
    pageFeatures(pages[0]),
    pageFeatures(pages[1]),
    [reader.read(pages[0]), reader.read(pages[1])],
    starterTypes,
  )
  return Object.fromEntries(LINK_FEATURES.map((name, i) => [name, row[i]]))
}

test('next month’s paper has its captions in the same places', () => {
  const slip = (day: string) => [
    'Payslip',
    'Employee | Ottilie Varnham',
    'Net pay | 2,140.55',
    `Pay date | ${day}`,
  ]
  expect(between(slip('28.02.2026'), slip('31.03.2026'))).toMatchObject({ words_in_place: 1, same_type: 1 })
  expect(between(slip('28.02.2026'), ['Berth agreement', 'The holder moors']).words_in_place).toBeLessThan(
    0.2,
  )
})
test('every feature is a number', () =>
  expect(Object.values(between(['12'], [''])).every((x) => Number.isFinite(x))).toBe(true))

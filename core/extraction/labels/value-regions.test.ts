import { pageOf } from '../../testing/page-of.ts'
import { passbook } from '../../testing/small-types.ts'
import { findLabels } from './find-labels.ts'
import { continuing, labelsByLine, regionsOf } from './value-regions.ts'

function regions(lines: string[], field: string) {
  const labels = findLabels(pageOf(lines), passbook)
  const label = labels.find(
    (l) => l.similarity === 1 && l.meanings.some((m) => m.role === 'field' && m.field === field),
  )!
  return Object.fromEntries(
    regionsOf(label, labelsByLine(labels)).map((r) => [r.relation, r.words.map((w) => w.text).join(' ')]),
  )
}

test('behind the colon', () =>
  expect(regions(['Begun with: 2,140.55'], 'begun_with')).toMatchObject({ inline: '2,140.55' }))
test('in the next column', () =>
  expect(regions(['Begun with | 2,140.55'], 'begun_with')).toMatchObject({ right: '2,140.55' }))
test('beneath', () =>
  expect(regions(['Begun with | Until', '2,140.55 | 31/01/2026'], 'until')).toMatchObject({
    below: '31/01/2026',
  }))
test('not past the next label', () =>
  expect(regions(['Begun with: 2,140.55 Until: 31/01/2026'], 'begun_with').inline).toBe('2,140.55'))
test('leaders are no value', () =>
  expect(
    regions(['Begun with ........ | 2,140.55'], 'begun_with').right ??
      regions(['Begun with ........ | 2,140.55'], 'begun_with').inline,
  ).toContain('2,140.55'))
test('scraps of letters before it are none, accents or not', () => {
  const page = pageOf(['Begun with | née | 2,140.55'], { source: 'ocr' })
  const labels = findLabels(
    { ...page, words: page.words.map((w) => (w.text === 'née' ? { ...w, confidence: 0.11 } : w)) },
    passbook,
  )
  const label = labels.find((l) => l.meanings.some((m) => m.role === 'field' && m.field === 'begun_with'))!
  expect(
    regionsOf(label, labelsByLine(labels))
      .find((r) => r.relation === 'right')
      ?.words.map((w) => w.text),
  ).toEqual(['2,140.55'])
})
test('a speck before the next column is no value', () =>
  expect(regions(['Begun with | * | 2,140.55'], 'begun_with').right).toBe('2,140.55'))
test('lines that go on in the same column', () => {
  const page = pageOf(['Saver: 12 Gannet Row', 'Port Ellery SK4 2QD', '', 'Something else'], { at: [0.08] })
  const labels = findLabels(page, passbook)
  const region = { relation: 'below' as const, words: page.words.slice(4, 7), page, line: 1 }
  expect(continuing(region, labelsByLine(labels), 3)).toEqual([])
})
test('not past a stroke that parts it from another label', () =>
  expect(regions(['Begun with: 2,140.55 — Werks ident.: 77-1'], 'begun_with').inline).toBe('2,140.55'))

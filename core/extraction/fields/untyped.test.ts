import { pageOf } from '../../testing/page-of.ts'
import { extractUntyped } from './untyped.ts'

const slip = pageOf([
  'Brackwater Fish Auction',
  '',
  'Landing no: LS-2214',
  'Landed on | 14/03/2026',
  'Skipper’s name | Ottilie Varnham',
  'Paid to skipper | EUR 812.40',
  '',
  'Species | Boxes | Sum',
  'Ling | 12 | 512.40',
  'Monk | 3 | 210.00',
  'Cod | 4 | 90.00',
  '',
  'ottilie@kelpnet.example',
])
const said = extractUntyped([slip])
const by = (label: string | null) => said.values.find((v) => v.label === label)

test('labels with what stands beside them, each of its kind', () => {
  expect(by('Landing no')).toMatchObject({ value: 'LS-2214', kind: 'id' })
  expect(by('Landed on')).toMatchObject({ value: '2026-03-14', kind: 'date', raw: '14/03/2026' })
  expect(by('Paid to skipper')).toMatchObject({ value: 'EUR 812.40', kind: 'money' })
  expect(by('Skipper’s name')).toMatchObject({ value: 'Ottilie Varnham', kind: 'name' })
})
test('a value that needs no label', () =>
  expect(by(null)).toMatchObject({ value: 'ottilie@kelpnet.example', kind: 'email' }))
test('a table with its head, none of it among the values', () => {
  expect(said.tables).toHaveLength(1)
  expect(said.tables[0]).toMatchObject({
    head: ['Species', 'Boxes', 'Sum'],
    rows: [
      ['Ling', '12', '512.40'],
      ['Monk', '3', '210.00'],
      ['Cod', '4', '90.00'],
    ],
  })
  expect(said.values.map((v) => v.raw)).not.toContain('512.40')
})
test('a label over its value', () =>
  expect(extractUntyped([pageOf(['Net weight', '1,240'])]).values).toMatchObject([
    { label: 'Net weight', value: '1,240' },
  ]))
test('sentences are no values', () =>
  expect(
    extractUntyped([pageOf(['The nets were mended on the quay and hung to dry over the winter.'])]).values,
  ).toEqual([]))
test('large print near the top is what the paper calls itself', () => {
  const page = pageOf(['Slipway sheet', 'Week | 12', 'Boat | Pole Star'])
  page.words.slice(0, 2).forEach((w) => {
    w.box = [w.box[0], w.box[1], w.box[2], w.box[1] + 0.026]
  })
  expect(extractUntyped([page]).heading).toBe('Slipway sheet')
  expect(extractUntyped([]).heading).toBeNull()
})

test('small captions over values, several to a row, as the cells of a form have them', () => {
  const page = pageOf(['Member name | Member number', 'Beatriz Inez Baca | 8976834'], { at: [0.1, 0.5] })
  const values = page.words.filter((w) => /Beatriz|Inez|Baca|8976834/.test(w.text))
  for (const w of values) w.box = [w.box[0], w.box[1], w.box[2], w.box[1] + (w.box[3] - w.box[1]) * 1.5]
  expect(extractUntyped([page]).values.map((v) => [v.label, v.raw])).toEqual([
    ['Member name', 'Beatriz Inez Baca'],
    ['Member number', '8976834'],
  ])
})

import { ago, count, fileSize, show } from './parts/format.ts'

test.each([
  ['2026-03-04', '4 March 2026'],
  ['Ottilie', 'Ottilie'],
  [true, 'yes'],
  [{ amount: '48750.00', currency: 'EUR' }, 'EUR 48,750.00'],
  [[{ a: null }, { a: null }], '2 rows'],
  [null, ''],
])('%j is shown as %s', (value, text) => expect(show(value)).toBe(text))
test('ages are in the largest fitting unit', () => {
  const before = (minutes: number) => ago(new Date(Date.now() - minutes * 60_000))
  expect([before(5), before(90), before(60 * 72)]).toEqual(['5 min', '2 h', '3 days'])
})
test('sizes and counts', () =>
  expect([
    fileSize(12),
    fileSize(4096),
    fileSize(5.5 * 1024 * 1024),
    count(1, 'page'),
    count(3, 'page'),
  ]).toEqual(['12 bytes', '4 kB', '5.5 MB', '1 page', '3 pages']))

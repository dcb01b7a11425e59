import { ago, count, fileSize, show } from './format.ts'

test.each([
  ['2026-03-09', '9 March 2026'],
  [{ amount: '1857.00', currency: 'EUR' }, 'EUR 1,857.00'],
  ['Eider Duck', 'Eider Duck'],
  [[{ date: null }, { date: null }], '2 rows'],
])('%j is shown as %s', (value, shown) => expect(show(value as never)).toBe(shown))

describe('how long ago', () => {
  const before = (minutes: number) => ago(new Date(Date.now() - minutes * 60_000))
  test('in the largest fitting unit', () =>
    expect([before(0), before(59), before(60), before(47 * 60), before(72 * 60)]).toEqual([
      '0 min',
      '59 min',
      '1 h',
      '47 h',
      '3 days',
    ]))
  test('a clock that is ahead says now', () => expect(before(-5)).toBe('0 min'))
  test('from what the database sends as well', () =>
    expect(ago(new Date(Date.now() - 120_000).toISOString())).toBe('2 min'))
})

test('sizes of files', () =>
  expect([0, 1023, 1024, 1_500_000].map(fileSize)).toEqual(['0 bytes', '1023 bytes', '1 kB', '1.4 MB']))
test('one of a thing, and many', () =>
  expect([count(1, 'page'), count(0, 'page'), count(2, 'copy', 'copies')]).toEqual([
    '1 page',
    '0 pages',
    '2 copies',
  ]))

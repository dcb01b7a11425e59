import { plain } from '../../model/index.ts'
import { pageOf } from '../../testing/page-of.ts'
import { openOn, type OpenKind } from './open-candidates.ts'

const values = (kind: OpenKind, ...lines: string[]) =>
  openOn(pageOf(lines), kind).map(({ value }) => plain(value))

test('every day and amount of a page, wherever it stands', () => {
  const lines = ['Seen on 3 March 2026 at Tarnvoe', 'Left | EUR 1,180.00']
  expect(values('date', ...lines)).toContain('2026-03-03')
  expect(values('money', ...lines)).toContain('EUR 1,180.00')
})
test('names inside a sentence are its runs of capitals', () =>
  expect(values('name', 'We hereby confirm that Ottilie Varnham works here')).toContain('Ottilie Varnham'))
test('an address goes on over lines', () =>
  expect(values('address', '7 Ropewalk Lane', 'Saltholm', 'SK2 9LP')).toContain(
    '7 Ropewalk Lane, Saltholm, SK2 9LP',
  ))
test('a name goes on into a second line', () =>
  expect(values('name', 'GWENAËL YVES', 'LE CORVEC')).toContain('GWENAËL YVES LE CORVEC'))

import { cursorOf, placeOf } from './cursor.ts'

const place = { at: new Date('2026-12-01T08:07:06.543Z'), id: '69b7a866-441e-467b-96ec-4af8d4d79a82' }

test('a place comes back as it was', () => expect(placeOf(cursorOf(place))).toEqual(place))

test.each([
  ['nonsense', 'nonsense'],
  ['nothing', ''],
  ['another shape', Buffer.from('[1,2]').toString('base64url')],
  ['no id', Buffer.from('["2026-12-01T08:07:06.543Z","x"]').toString('base64url')],
])('%s is no place', (_, cursor) => expect(placeOf(cursor)).toBeNull())

import { documentTypeSchema } from '../../program/index.ts'
import { pageOf } from '../../testing/page-of.ts'
import { checkLineCandidates, routingHolds } from './check-line.ts'

const check = documentTypeSchema.parse({
  id: 'specimen',
  title: 'Specimen check',
  short: 'Check',
  pages: { min: 1, max: 1 },
  titles: ['void'],
  fields: [
    { name: 'sort', title: 'Bank code', kind: 'id', sources: ['check_bank'] },
    { name: 'konto', title: 'Account', kind: 'id', sources: ['check_account'] },
    { name: 'serial', title: 'Number', kind: 'id', sources: ['check_number'] },
  ],
})
const read = (line: string) =>
  Object.fromEntries(
    checkLineCandidates(
      pageOf(['Lorna Kent | 321', '12 Juniper Ln', 'Pay to the order of', 'VOID', line]),
      check,
    ).map((c) => [c.field, c.value]),
  )
const all = { sort: '302579527', konto: '9734603947', serial: '321' }

test.each([
  "||'000321||' |:302579527|: 9734603947||'",
  '⑆302579527⑆ 9734603947⑈ 0321',
  '302579527 9734603947 321',
  '1: 302579527 1: 9734603947 u" 0321',
])('%s gives bank, account and number, by whatever field is to have them', (line) =>
  expect(read(line)).toEqual(all),
)
test.each(['Total 1,250.00 3,400.00 5,000.00', 'Call 505 555 0134 or write to us', '04/11/2026 04/18/2026'])(
  '%s is no line of a check',
  (line) => expect(read(line)).toEqual({}),
)
test('a routing number holds by its weights', () =>
  expect(['302579527', '302579528', '000000000', '30257952'].map(routingHolds)).toEqual([
    true,
    false,
    false,
    false,
  ]))

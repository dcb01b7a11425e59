import { packInk } from '../page/ink.ts'
import { pageOf } from '../page/page-of.ts'
import { builtInTypes, typeById } from '../program/types/index.ts'
import { readDocument } from './document.ts'
import { inkWanted, readSignature } from './marks.ts'

const consent = typeById(builtInTypes, 'credit_consent')
const application = typeById(builtInTypes, 'loan_application')
const ink = (dark: (x: number, y: number) => boolean) => packInk(200, 283, Uint8Array.from({ length: 200 * 283 }, (_, i) => (dark(i % 200, Math.floor(i / 200)) ? 220 : 0)))
const scrawlAt = (x0: number, y0: number) => (x: number, y: number) => x > x0 && x < x0 + 40 && Math.abs(y - y0 - 5 * Math.sin(x / 3)) < 1.1
const none = () => false

const lines = ['Consent to a credit check', '', '', '', '', '', '', '', '', '', 'Signature | Date']
test('a scrawl over its caption is a signature', () => expect(readSignature([pageOf(lines, { ink: ink(scrawlAt(20, 60)) })], consent)).toMatchObject({ signed: true, page: 1 }))
test('an empty line is none', () => expect(readSignature([pageOf(lines, { ink: ink((x, y) => y === 68 && x > 15 && x < 90) })], consent)).toMatchObject({ signed: false }))
test('where no place for a signature is found, the answer is unsure, not no', () => expect(readSignature([pageOf(['Consent'], { ink: ink(none) })], consent)).toMatchObject({ signed: false, sure: 0.5 }))
test('types that ask for none have none', () => expect(readSignature([pageOf(lines)], typeById(builtInTypes, 'payslip'))).toBeNull())

const choice = (line: string, dark: (x: number, y: number) => boolean = none) => readDocument([pageOf(['Loan application', line], { ink: ink(dark) })], application).fields
const field = (fields: ReturnType<typeof choice>, name: string) => fields.find((f) => f.name === name)!.value
test.each([
  ['Employment status | [X] Employed [ ] Self-employed', 'employed'],
  ['Employment status | ☐ Employed ☒ Self-employed', 'self_employed'],
  ['Employment status | Self-employed', 'self_employed'],
  ['Employment status | Employed &Xl | Self-employed 1', 'employed'],
])('%s means %s', (line, value) => expect(field(choice(line), 'employment_status')).toBe(value))
test.each([['Existing loan | Yes', true], ['Existing loan | No', false], ['Existing loan | [ ] Yes [X] No', false]])('%s means %s', (line, value) => expect(field(choice(line), 'existing_loan')).toBe(value))
test('two empty boxes say nothing', () => expect(field(choice('Existing loan | [ ] Yes [ ] No'), 'existing_loan')).toBeNull())

test('ink is measured only where it can matter', () => {
  const wanted = inkWanted(builtInTypes)
  expect(wanted(pageOf(['Signature of applicant']).words, true)).toBe(true)
  expect(wanted(pageOf(['Tide table of October']).words, true)).toBe(false)
  expect(wanted(pageOf(['Existing loan | Yes | No']).words, true)).toBe(true)
  expect(wanted(pageOf(['Employee | Ewan Garvie']).words, true)).toBe(false)
  // “Account” and “salary” are words of choices, and of every bank statement.
  expect(wanted(pageOf(['Current account', 'Salary Petrel Slipways Ltd']).words, true)).toBe(false)
})

describe('boxes of a scan', () => {
  const frame = (x: number, y: number, left: number, top: number) => x >= left && x < left + 5 && y >= top && y < top + 5 && (x === left || x === left + 4 || y === top || y === top + 4)
  const lines = ['Loan application', '', 'Employment status:', 'Employed | Self-employed']
  // The words stand on rows 31 to 35 of the grid; their boxes hang two rows higher.
  const status = (ticked: number, words = lines, sure = 0.96) => {
    const inside = (x: number, y: number) => x > ticked && x < ticked + 4 && y > 29 && y < 33
    const page = pageOf(words, { at: [0.16, 0.5], source: 'ocr', sure, ink: ink((x, y) => frame(x, y, 25, 29) || frame(x, y, 93, 29) || inside(x, y)) })
    return readDocument([page], application).fields.find((f) => f.name === 'employment_status')!.value
  }
  test('that hang higher than their words tell by what is in them', () => expect([status(25), status(93)]).toEqual(['employed', 'self_employed']))
})
test('a scrawl that was spelt as a weak word is a signature, but a person is to look', () => {
  const page = pageOf(lines, { source: 'ocr', sure: 0.96, ink: ink(scrawlAt(20, 60)) })
  const spelt = { text: 'PANS', sure: 0.6, box: [0.1, 0.18, 0.31, 0.24] as [number, number, number, number] }
  expect(readSignature([{ ...page, words: [...page.words, spelt] }], consent)).toMatchObject({ signed: true, sure: 0.7 })
})
test('an empty ring that ran into its option is none of its letters', () => {
  const words = ['Loan application', 'Any existing loan? @ Yes | ONo']
  const [left, top, right, bottom] = pageOf(words).words.find((w) => w.text === '@')!.box
  const filled = ink((x, y) => x >= left * 200 && x <= right * 200 && y >= top * 283 && y <= bottom * 283)
  const read = readDocument([pageOf(words, { source: 'ocr', sure: 0.96, ink: filled })], application).fields.find((f) => f.name === 'existing_loan')!
  expect(read).toMatchObject({ value: true })
})
test('ink that contradicts what was read in a box makes it a question', () => {
  const page = pageOf(['Loan application', 'Existing loan | no ES] | yes []'], { source: 'ocr', sure: 0.96, ink: ink((x, y) => x > 130 && x < 140 && y > 18 && y < 25) })
  const read = readDocument([page], application).fields.find((f) => f.name === 'existing_loan')!
  expect(read).toMatchObject({ value: false, needsReview: true })
})

const pen = (box: [number, number, number, number], drawn = true) => ({ pens: [{ box, drawn }] })
test('a line of curves near its caption is a signature, known exactly', () => expect(readSignature([pageOf(lines, pen([0.1, 0.2, 0.3, 0.23]))], consent)).toMatchObject({ signed: true, sure: 0.96 }))
test('far from any caption it still is one, less surely', () => expect(readSignature([pageOf(lines, pen([0.1, 0.8, 0.3, 0.83]))], consent)).toMatchObject({ signed: true, sure: 0.86 }))
test('a logo is none: it stands in the head, or is as large as a picture', () => {
  expect(readSignature([pageOf(['Consent', ...Array.from({ length: 30 }, () => ''), 'Signature'], pen([0.1, 0.02, 0.3, 0.05]))], consent)).toMatchObject({ signed: false })
  expect(readSignature([pageOf(lines, pen([0.1, 0.2, 0.8, 0.6]))], consent)).toMatchObject({ signed: false })
})
test('a caption that stands alone wants its ink measured, one in a sentence does not', () => {
  const wants = inkWanted(builtInTypes)
  expect(wants(pageOf(['Marine surveyor']).words, true)).toBe(true)
  expect(wants(pageOf(['Marine surveyor']).words, false)).toBe(false)
  expect(wants(pageOf(['The surveyor came aboard at noon.']).words, true)).toBe(false)
})

describe('choices on scans', () => {
  const scanned = (line: string) => field(readDocument([pageOf(['Loan application', line], { ink: ink(none), source: 'ocr' })], application).fields, 'employment_status')
  test('a letter misread leaves the choice what it is', () => expect(scanned('Employment status | Setf-employed')).toBe('self_employed'))
  test('words that go on with the label answer nothing', () => expect(scanned('Status in employment | Self -employed')).toBe('self_employed'))
  test('the box behind the label is the first option’s, however near it stands', () => expect(scanned('Employment status: O Employed &] Self-employed')).not.toBe('employed'))
})

describe('signatures that no caption leads to', () => {
  const unlabelled = ['Mandate for direct debit', '', '', '', '', '', '', '', '', '', 'for Merrow Sound Mutual']
  const mandate = typeById(builtInTypes, 'debit_mandate')
  test('a scrawl is found wherever it stands, and a person is to look', () => expect(readSignature([pageOf(unlabelled, { ink: ink(scrawlAt(60, 90)), source: 'ocr' })], mandate)).toMatchObject({ signed: true, sure: 0.7 }))
  test('on a later page it may stand where a first page has its letterhead', () => {
    const high = pageOf(['', 'Approved'], { ink: ink(scrawlAt(60, 40)), source: 'ocr' })
    expect(readSignature([high], mandate)).toMatchObject({ signed: false })
    expect(readSignature([pageOf(unlabelled, { ink: ink(none), source: 'ocr' }), { ...high, number: 2 }], mandate)).toMatchObject({ signed: true, page: 2 })
  })
  test('who a paper names at its head is no place to sign, and keeps nobody from looking on', () => {
    const accounts = typeById(builtInTypes, 'business_accounts')
    const first = pageOf(['Annual accounts', 'Sole trader | Ottilie Pettigrew'], { ink: ink(none), source: 'ocr' })
    const last = { ...pageOf(['', 'Ottilie Pettigrew'], { ink: ink(scrawlAt(60, 90)), source: 'ocr' }), number: 2 }
    expect(readSignature([first, last], accounts)).toMatchObject({ signed: true, page: 2 })
  })
  test('specks are none', () => expect(readSignature([pageOf(unlabelled, { source: 'ocr', ink: ink((x, y) => x % 31 === 0 && y % 29 === 0) })], mandate)).toMatchObject({ signed: false, sure: 0.5 }))
  test('nor is the ring of a stamp', () => expect(readSignature([pageOf(unlabelled, { source: 'ocr', ink: ink((x, y) => Math.abs(Math.hypot(x - 100, y - 150) - 26) < 0.5) })], mandate)).toMatchObject({ signed: false }))
})
test.each([
  ['Employment status [X] An employee | [ ] Own business', 'employed'],
  ['Employment status ○ An employee | ● Own business', 'self_employed'],
  ['Occupational status [X] In employment | [ ] Self employed', 'employed'],
  ['Are you Own business', 'self_employed'],
])('%s is answered %s, though no gap parts the label from its boxes', (line, status) => expect(field(choice(line), 'employment_status')).toBe(status))

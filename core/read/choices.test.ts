import { inkOf, none } from '../page/ink-of.ts'
import { pageOf } from '../page/page-of.ts'
import { builtInTypes, typeById } from '../program/types/index.ts'
import { readDocument } from './document.ts'

const application = typeById(builtInTypes, 'loan_application')

const choice = (line: string, dark: (x: number, y: number) => boolean = none) => readDocument([pageOf(['Loan application', line], { ink: inkOf(dark) })], application).fields
const field = (fields: ReturnType<typeof choice>, name: string) => fields.find((f) => f.name === name)!.value
test.each([
  ['Employment status | [X] Employed [ ] Self-employed', 'employed'],
  ['Employment status | ☐ Employed ☒ Self-employed', 'self_employed'],
  ['Employment status | Self-employed', 'self_employed'],
  ['Employment status | Employed &Xl | Self-employed 1', 'employed'],
])('%s means %s', (line, value) => expect(field(choice(line), 'employment_status')).toBe(value))
test.each([['Existing loan | Yes', true], ['Existing loan | No', false], ['Existing loan | [ ] Yes [X] No', false]])('%s means %s', (line, value) => expect(field(choice(line), 'existing_loan')).toBe(value))
test('two empty boxes say nothing', () => expect(field(choice('Existing loan | [ ] Yes [ ] No'), 'existing_loan')).toBeNull())

describe('boxes of a scan', () => {
  const frame = (x: number, y: number, left: number, top: number) => x >= left && x < left + 5 && y >= top && y < top + 5 && (x === left || x === left + 4 || y === top || y === top + 4)
  const lines = ['Loan application', '', 'Employment status:', 'Employed | Self-employed']
  // The words stand on rows 31 to 35 of the grid; their boxes hang two rows higher.
  const status = (ticked: number, words = lines, sure = 0.96) => {
    const inside = (x: number, y: number) => x > ticked && x < ticked + 4 && y > 29 && y < 33
    const page = pageOf(words, { at: [0.16, 0.5], source: 'ocr', sure, ink: inkOf((x, y) => frame(x, y, 25, 29) || frame(x, y, 93, 29) || inside(x, y)) })
    return readDocument([page], application).fields.find((f) => f.name === 'employment_status')!.value
  }
  test('that hang higher than their words tell by what is in them', () => expect([status(25), status(93)]).toEqual(['employed', 'self_employed']))
})
test('an empty ring that ran into its option is none of its letters', () => {
  const words = ['Loan application', 'Any existing loan? @ Yes | ONo']
  const [left, top, right, bottom] = pageOf(words).words.find((w) => w.text === '@')!.box
  const filled = inkOf((x, y) => x >= left * 200 && x <= right * 200 && y >= top * 283 && y <= bottom * 283)
  const read = readDocument([pageOf(words, { source: 'ocr', sure: 0.96, ink: filled })], application).fields.find((f) => f.name === 'existing_loan')!
  expect(read).toMatchObject({ value: true })
})
test('ink that contradicts what was read in a box makes it a question', () => {
  const page = pageOf(['Loan application', 'Existing loan | no ES] | yes []'], { source: 'ocr', sure: 0.96, ink: inkOf((x, y) => x > 130 && x < 140 && y > 18 && y < 25) })
  const read = readDocument([page], application).fields.find((f) => f.name === 'existing_loan')!
  expect(read).toMatchObject({ value: false, needsReview: true })
})

describe('choices on scans', () => {
  const scanned = (line: string) => field(readDocument([pageOf(['Loan application', line], { ink: inkOf(none), source: 'ocr' })], application).fields, 'employment_status')
  test('a letter misread leaves the choice what it is', () => expect(scanned('Employment status | Setf-employed')).toBe('self_employed'))
  test('words that go on with the label answer nothing', () => expect(scanned('Status in employment | Self -employed')).toBe('self_employed'))
  test('the box behind the label is the first option’s, however near it stands', () => expect(scanned('Employment status: O Employed &] Self-employed')).not.toBe('employed'))
})

test.each([
  ['Employment status [X] An employee | [ ] Own business', 'employed'],
  ['Employment status ○ An employee | ● Own business', 'self_employed'],
  ['Occupational status [X] In employment | [ ] Self employed', 'employed'],
  ['Are you Own business', 'self_employed'],
])('%s is answered %s, though no gap parts the label from its boxes', (line, status) => expect(field(choice(line), 'employment_status')).toBe(status))

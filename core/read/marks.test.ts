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
  expect(wanted(pageOf(['Signature of applicant']).words)).toBe(true)
  expect(wanted(pageOf(['Tide table of October']).words)).toBe(false)
  expect(wanted(pageOf(['Existing loan | Yes | No']).words)).toBe(true)
  expect(wanted(pageOf(['Employee | Ewan Garvie']).words)).toBe(false)
})

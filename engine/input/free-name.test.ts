import { freeName } from './free-name.ts'

test.each([
  ['scan.pdf', [], 'scan.pdf'],
  ['scan.pdf', ['other.pdf'], 'scan.pdf'],
  ['scan.pdf', ['scan.pdf'], 'scan (2).pdf'],
  ['scan.pdf', ['scan.pdf', 'scan (2).pdf'], 'scan (3).pdf'],
  ['scan', ['scan'], 'scan (2)'],
  ['letter.of.may.pdf', ['letter.of.may.pdf'], 'letter.of.may (2).pdf'],
])('%s beside %j is called %s', (name, taken, free) => expect(freeName(name, taken)).toBe(free))

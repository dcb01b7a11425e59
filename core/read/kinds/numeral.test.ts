import { mendNumeral } from './numeral.ts'

test.each([
  ['Morning Tern Il', 'Morning Tern II'],
  ['Morning Tern lIl', 'Morning Tern III'],
  ['Kittiwake I1', 'Kittiwake II'],
  ['Kittiwake 11', 'Kittiwake 11'],
  ['Morning Tern II', 'Morning Tern II'],
  ['Morning Tern', 'Morning Tern'],
  ['Bill', 'Bill'],
])('%s is %s', (read, meant) => expect(mendNumeral(read)).toBe(meant))

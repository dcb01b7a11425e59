import { repairDigits, repairNumeral } from './numeral.ts'

test.each([
  ['Morning Tern Il', 'Morning Tern II'],
  ['Morning Tern lIl', 'Morning Tern III'],
  ['Kittiwake I1', 'Kittiwake II'],
  ['Kittiwake 11', 'Kittiwake 11'],
  ['Morning Tern II', 'Morning Tern II'],
  ['Morning Tern', 'Morning Tern'],
  ['Bill', 'Bill'],
])('%s is %s', (read, meant) => expect(repairNumeral(read)).toBe(meant))

test.each([
  ['0Z0161-0358', '020161-0358'],
  ['280174-28O0', '280174-2800'],
  ['SKR-95654', 'SKR-95654'],
  ['12S45', '12S45'],
  ['IE29B123456', 'IE29B123456'],
  ['8812345678B', '8812345678B'],
])('of figures %s is %s', (read, meant) => expect(repairDigits(read)).toBe(meant))

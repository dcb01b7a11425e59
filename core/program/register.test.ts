import { merrowSound } from '../../demo/lenders/merrow-sound/index.ts'
import { tarrowValley } from '../../demo/lenders/tarrow-valley/index.ts'
import { registerSchema } from './register.ts'

const boats = {
  id: 'boats',
  title: 'Boats',
  columns: [
    { name: 'hull_number', fact: 'hull_number' },
    { name: 'owner', fact: null },
  ],
  number: 'hull_number',
  name: null,
}

test('a register is what its columns say, and by which of them an entry is found', () =>
  expect(registerSchema.parse(boats)).toMatchObject({ formatVersion: 1, number: 'hull_number' }))
test.each([
  [{ number: null }, 'say which column finds an entry'],
  [{ number: 'owner' }, 'say which fact that column is'],
  [{ name: 'keel' }, 'say which fact that column is'],
  [{ columns: [...boats.columns, boats.columns[1]] }, 'the column owner is there twice'],
  [{ columns: [...boats.columns, { name: 'hull', fact: 'hull_number' }] }, 'two columns say hull_number'],
])('%j is refused', (part, why) => {
  const { error } = registerSchema.safeParse({ ...boats, ...part })
  expect(error?.issues.map((i) => i.message).join()).toContain(why)
})

test.each([merrowSound, tarrowValley])('the registers of a demo lender speak of its facts', (lender) => {
  const facts = new Set(lender.programs.flatMap((p) => p.facts.map((f) => f.id)))
  expect(lender.registers.length).toBeGreaterThan(0)
  for (const register of lender.registers)
    for (const { fact } of register.columns) expect(fact === null || facts.has(fact)).toBe(true)
})

import { loadRegister, lookUp, registersOf, UnusableRegister } from '../../server/registers.ts'
import { desk, elsewhere } from '../support/server.ts'

desk()

const CUSTOMERS = [
  'Name;National number;Date of birth;Address',
  '"Ottilie Varnham";140380-2211;1980-03-14;"12 Gannet Row, Port Ellery SK4 2QD"',
  'Bram Teasdale;010175-9001;1975-01-01;',
  '',
].join('\n')

test('a register taken in from CSV is found by number, and by a name that is alike', async () => {
  const who = await elsewhere('administrator')
  expect(await loadRegister(who, 'customers', CUSTOMERS)).toBe(2)
  const find = (key: string | null, name: string | null) =>
    lookUp(who.organisationId, 'customers', { key, name })
  expect(await find('140380 2211', 'Somebody Else')).toMatchObject({
    by: 'number',
    score: 1,
    row: { name: 'Ottilie Varnham', date_of_birth: '1980-03-14' },
  })
  expect(await find(null, 'Otilie Varnam')).toMatchObject({
    by: 'name',
    row: { national_number: '140380-2211' },
  })
  expect((await find(null, 'Otilie Varnam'))!.score).toBeLessThan(1)
  expect(await find('999999-0000', 'Zebedee Quill')).toBeNull()
})
test('taken in again, it is in place of what was there; another organisation sees nothing of it', async () => {
  const [who, other] = [await elsewhere('administrator'), await elsewhere('administrator')]
  await loadRegister(who, 'customers', CUSTOMERS)
  await loadRegister(who, 'customers', 'name\nWilma Ravensby\n')
  expect((await registersOf(who)).map((r) => [r.kind, r.rows])).toEqual([
    ['customers', 1],
    ['employers', 0],
    ['vessels', 0],
  ])
  expect(await lookUp(other.organisationId, 'customers', { key: null, name: 'Wilma Ravensby' })).toBeNull()
})
test.each([
  ['', 'has no entries'],
  ['name\n', 'has no entries'],
  ['title\nCaptain\n', 'column “name” is needed'],
  ['name\n"broken', 'no table of columns'],
])('%j is refused in one sentence, and costs nothing that was there', async (csv, why) => {
  const who = await elsewhere('administrator')
  await loadRegister(who, 'customers', CUSTOMERS)
  await expect(loadRegister(who, 'customers', csv)).rejects.toThrow(UnusableRegister)
  await expect(loadRegister(who, 'customers', csv)).rejects.toThrow(why)
  expect((await registersOf(who))[0].rows).toBe(2)
})

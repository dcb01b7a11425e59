import { merrowSound } from '../../demo/lenders/merrow-sound/index.ts'
import { tarrowValley } from '../../demo/lenders/tarrow-valley/index.ts'
import {
  countedRegisters,
  loadRegister,
  readCsv,
  removeRegister,
  saveRegister,
  UnusableRegister,
} from '../../server/configuration/registers.ts'
import { takeStarter } from '../../server/configuration/starter.ts'
import { database } from '../../server/database/connection.ts'
import { lookUp } from '../../server/packages/registered.ts'
import { desk, elsewhere } from '../support/server.ts'

desk()

const CUSTOMERS = [
  'Name;National number;Date of birth;Address',
  '"Ottilie Varnham";140380-2211;1980-03-14;"12 Gannet Row, Port Ellery SK4 2QD"',
  'Bram Teasdale;010175-9001;1975-01-01;',
  '',
].join('\n')
const [customers] = merrowSound.registers
const rowsOf = async (organisationId: string) =>
  (await countedRegisters(organisationId)).map((r) => [r.register.id, r.rows])

test('a register taken in from CSV is found by number, and by a name that is alike', async () => {
  const who = await elsewhere('administrator')
  expect(await loadRegister(who, 'customers', CUSTOMERS)).toEqual({ entries: 2, unread: 0 })
  const find = (key: string | null, name: string | null) =>
    lookUp(who.organisationId, customers, { key, name })
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
  await loadRegister(who, 'customers', 'name,national number\nWilma Ravensby,1\n')
  expect(await rowsOf(who.organisationId)).toEqual([
    ['customers', 1],
    ['employers', 0],
    ['vessels', 0],
  ])
  expect(await lookUp(other.organisationId, customers, { key: null, name: 'Wilma Ravensby' })).toBeNull()
})
test('a large table is read in pieces, and others are answered meanwhile', async () => {
  const csv = `name,national number\n${Array.from({ length: 60_000 }, (_, i) => `"Name ${i}, with a comma",${i}\n`).join('')}`
  let turns = 0
  const turn = setInterval(() => turns++, 1)
  const { head, rows } = await readCsv(csv)
  clearInterval(turn)
  expect([head, rows.length, rows[59_999]]).toEqual([
    ['name', 'national_number'],
    60_000,
    { name: 'Name 59999, with a comma', national_number: '59999' },
  ])
  expect(turns).toBeGreaterThan(3)
  await expect(readCsv('a,b\n"open')).rejects.toThrow('no table of columns')
})
test('days that cannot be read are counted: as words they would differ from every paper', async () => {
  const who = await elsewhere('administrator')
  const csv = 'name,national number,date of birth\nWilma Ravensby,1,31/12/1980\nBram Teasdale,2,spring 1980\n'
  expect(await loadRegister(who, 'customers', csv)).toEqual({ entries: 2, unread: 1 })
})
test('a register of one’s own is described by its columns, found by them, and taken away with its entries', async () => {
  const who = await elsewhere('lead')
  const plots = {
    formatVersion: 1 as const,
    id: 'berths',
    title: 'Berths',
    columns: [
      { name: 'berth', fact: 'hull_number' },
      { name: 'boat', fact: 'vessel_name' },
    ],
    number: 'berth',
    name: null,
  }
  await saveRegister(who, plots, 'Berth,Boat\nB-12,Pole Star\n')
  expect(await lookUp(who.organisationId, plots, { key: 'b 12', name: null })).toMatchObject({
    row: { boat: 'Pole Star' },
  })
  // Described anew, the same entries are found by another column.
  const byName = { ...plots, number: null, name: 'boat' }
  await saveRegister(who, byName, null)
  expect(await lookUp(who.organisationId, byName, { key: null, name: 'Pole Star' })).toMatchObject({
    by: 'name',
    row: { berth: 'B-12' },
  })
  expect(await removeRegister(who, 'berths')).toBe(true)
  expect(await rowsOf(who.organisationId)).not.toContainEqual(['berths', 1])
  expect(await removeRegister(who, 'berths')).toBe(false)
})
test('an organisation takes of a starter set what it likes; what it has by the same id stays its own', async () => {
  const who = await elsewhere('administrator')
  const [members] = tarrowValley.registers
  const before = (await rowsOf(who.organisationId)).length
  const some = { types: [], programs: [], registers: [members.id], lender: false }
  await takeStarter(database(), who, who.organisationId, tarrowValley, some)
  await takeStarter(database(), who, who.organisationId, tarrowValley, some)
  expect(await rowsOf(who.organisationId)).toHaveLength(before + 1)
})
test.each([
  ['', 'has no entries'],
  ['name\n', 'has no entries'],
  ['title\nCaptain\n', 'A column “national_number” is needed'],
  ['name\n"broken', 'no table of columns'],
])('%j is refused in one sentence, and costs nothing that was there', async (csv, why) => {
  const who = await elsewhere('administrator')
  await loadRegister(who, 'customers', CUSTOMERS)
  await expect(loadRegister(who, 'customers', csv)).rejects.toThrow(UnusableRegister)
  await expect(loadRegister(who, 'customers', csv)).rejects.toThrow(why)
  expect((await rowsOf(who.organisationId))[0]).toEqual(['customers', 2])
})

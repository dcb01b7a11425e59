import {
  appendFileSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  renameSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { and, desc, eq } from 'drizzle-orm'
import { keepEntry, look } from '../../server/arrivals/folder.ts'
import { arrivalsOf } from '../../server/arrivals/queries.ts'
import { setSource, sourcesOf } from '../../server/arrivals/sources.ts'
import { take, takeAgain } from '../../server/arrivals/take.ts'
import { database } from '../../server/database/connection.ts'
import { arrivals, files, FIRST_ORGANISATION } from '../../server/database/schema.ts'
import { newPackage } from '../../server/packages/intake.ts'
import { packageRow } from '../../server/packages/queries.ts'
import { payslip, pdfOf } from '../support/papers.ts'
import { desk, elsewhere, person, until } from '../support/server.ts'
import { zip } from '../support/zip.ts'

const folder = mkdtempSync(join(tmpdir(), 'jigsa-arrivals-'))
// The worker is started with it.
process.env.WATCHED_FOLDERS = JSON.stringify({ [FIRST_ORGANISATION]: [folder] })
const at = desk()
const source = async () => (await sourcesOf(FIRST_ORGANISATION)).find((s) => s.address === folder)!

let pay = 0
const slip = () => pdfOf(payslip('March', '31', `3,${String(100 + ++pay)}.50`))
const put = (name: string, bytes: Uint8Array) => writeFileSync(join(folder, name), bytes)
const named = async (name: string) =>
  (
    await database()
      .select()
      .from(arrivals)
      .where(and(eq(arrivals.organisationId, FIRST_ORGANISATION), eq(arrivals.name, name)))
      .orderBy(desc(arrivals.createdAt))
  )[0]
const came = async (name: string) => {
  await until(async () => Boolean(await named(name)))
  return named(name)
}

test('nothing is taken before somebody said by which program; then it is, by a click', async () => {
  await until(async () => Boolean(await source()))
  // Two programs ship with the starter set: which is meant is not for Jigsa to say.
  expect((await source()).program).toBeNull()
  put('first.pdf', await slip())
  const waiting = await came('first.pdf')
  expect([waiting.packageId, waiting.problem]).toEqual([
    null,
    'Nobody has said by which program papers from here are judged.',
  ])
  const set = { name: 'Copier', program: 'working-boat-loan', paused: false }
  expect(await setSource(await elsewhere('lead'), (await source()).id, set)).toBe(false)
  expect(await setSource(await person('lead'), (await source()).id, set)).toBe(true)
  expect(await takeAgain(await elsewhere(), waiting.id)).toBe(false)
  expect(await takeAgain(at.who, waiting.id)).toBe(true)
  expect((await named('first.pdf')).packageId).not.toBeNull()
}, 60_000)

test('a file, a folder and an archive are a package each, and are moved out of the way', async () => {
  mkdirSync(join(folder, 'Varnham', 'more'), { recursive: true })
  writeFileSync(join(folder, 'Varnham', 'one.pdf'), await slip())
  writeFileSync(join(folder, 'Varnham', 'more', 'one.pdf'), await slip())
  put('single.pdf', await slip())
  put('all.zip', await zip({ 'a.pdf': await slip(), 'b.pdf': await slip() }))
  const rows = [await came('Varnham'), await came('single.pdf'), await came('all.zip')]
  await until(() =>
    Promise.resolve(['Varnham', 'single.pdf', 'all.zip'].every((n) => existsSync(join(folder, 'done', n)))),
  )
  expect(rows.map((r) => r.files.map((f) => f.name))).toEqual(
    [['one (2).pdf', 'one.pdf'], ['single.pdf'], ['all.zip']].map(
      (n) => expect.arrayContaining(n) as string[],
    ),
  )
  expect(new Set(rows.map((r) => r.packageId)).size).toBe(3)
  const state = async (id: string) => packageRow(id, at.who)
  await until(async () =>
    (await Promise.all(rows.map((r) => state(r.packageId!)))).every((p) => p?.state === 'open'),
  )
  expect(await Promise.all(rows.map(async (r) => (await state(r.packageId!))?.pageCount))).toEqual([2, 1, 2])
}, 90_000)

test('what is still being written is waited for', async () => {
  const bytes = Buffer.from(await slip())
  writeFileSync(join(folder, 'slow.pdf'), bytes.subarray(0, 400))
  for (let part = 1; part <= 3; part++) {
    await new Promise((done) => setTimeout(done, 1200))
    expect(await named('slow.pdf')).toBeUndefined()
    appendFileSync(
      join(folder, 'slow.pdf'),
      part < 3 ? bytes.subarray(400 * part, 400 * (part + 1)) : bytes.subarray(1200),
    )
  }
  expect((await came('slow.pdf')).size).toBe(bytes.length)
  put('.hidden.pdf', bytes)
  put('later.pdf.part', bytes)
}, 60_000)

test('the same papers again are noticed; a case number in a name files them there', async () => {
  const bytes = await slip()
  put('once.pdf', bytes)
  await came('once.pdf')
  await until(() => Promise.resolve(existsSync(join(folder, 'done', 'once.pdf'))))
  put('once more.pdf', bytes)
  const again = await came('once more.pdf')
  expect([again.packageId, again.problem]).toEqual([
    null,
    expect.stringMatching(/^The very same came on \d+ \w+ \d{4} and is in .*; it was not taken twice\.$/),
  ])
  const id = await newPackage('working-boat-loan', at.who)
  const { caseNumber } = (await packageRow(id, at.who))!
  put(`${caseNumber.toLowerCase()} payslip.pdf`, await slip())
  expect((await came(`${caseNumber.toLowerCase()} payslip.pdf`)).packageId).toBe(id)
  // Numbers are as each lender writes them; within a longer word one is none.
  const own = await newPackage('working-boat-loan', at.who, { caseNumber: 'Boat 7 Ærø' })
  put('BOAT 7 ÆRØ, payslip.pdf', await slip())
  put('Boat 7 Ærøskøbing.pdf', await slip())
  expect((await came('BOAT 7 ÆRØ, payslip.pdf')).packageId).toBe(own)
  expect((await came('Boat 7 Ærøskøbing.pdf')).packageId).not.toBe(own)
}, 60_000)

test('taken and not yet moved when it was killed, it is known again', async () => {
  const name = 'twice seen.pdf'
  const hidden = join(folder, `.${name}`)
  writeFileSync(hidden, await slip())
  renameSync(hidden, join(folder, name))
  const seen = (await look(folder)).find((s) => s.name === name)!
  await take(await source(), (await keepEntry(folder, seen))!)
  const { packageId } = await named(name)
  await until(() => Promise.resolve(existsSync(join(folder, 'done', name))))
  expect(await database().$count(arrivals, eq(arrivals.name, name))).toBe(1)
  expect(await database().$count(files, eq(files.packageId, packageId!))).toBe(1)
}, 60_000)

test('a folder that is gone is told, and comes back by itself', async () => {
  renameSync(folder, `${folder}-away`)
  await until(async () => (await source()).problem !== null)
  expect(await source()).toMatchObject({ problem: 'The folder is not there.' })
  renameSync(`${folder}-away`, folder)
  await until(async () => (await source()).problem === null)
  expect((await source()).problemSince).toBeNull()
}, 60_000)

test('what came is found by its words and what became of it, and by its organisation alone', async () => {
  const found = async (asked: Parameters<typeof arrivalsOf>[1], organisation = FIRST_ORGANISATION) =>
    (await arrivalsOf(organisation, asked)).rows.map((r) => r.name)
  expect(await found({ words: 'slow' })).toEqual(['slow.pdf'])
  expect(await found({ words: '%' })).toEqual([])
  expect(await found({ outcome: 'not taken', source: (await source()).id })).toEqual(['once more.pdf'])
  expect(await found({}, (await elsewhere()).organisationId)).toEqual([])
  expect(readdirSync(folder).sort()).toEqual(['.hidden.pdf', 'done', 'later.pdf.part'])
})

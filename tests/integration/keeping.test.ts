import { execFile } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { buffer } from 'node:stream/consumers'
import { Readable } from 'node:stream'
import { promisify } from 'node:util'
import { and, eq, sql } from 'drizzle-orm'
import pg from 'pg'
import type { Person } from '../../server/access/person.ts'
import { actsOf, historyOf, note } from '../../server/audit.ts'
import { database } from '../../server/database/connection.ts'
import { mayRewriteTrail, migrateDatabase } from '../../server/database/migrate.ts'
import { failedJobs, files, lessons, packageKeys, packages, pages } from '../../server/database/schema.ts'
import { failuresOf, noteFailure, settleFailure } from '../../server/jobs/failed.ts'
import { agreeToErase, askErasure, eraseOverdue, setHold, setRetention } from '../../server/packages/erase.ts'
import { everythingOf } from '../../server/packages/everything.ts'
import { checkAgain } from '../../server/packages/again.ts'
import { forgetReadings, pagesOf } from '../../server/packages/judge.ts'
import { finish } from '../../server/packages/finish.ts'
import { packageRow } from '../../server/packages/queries.ts'
import { settings } from '../../server/settings.ts'
import { collectContents, missingContents } from '../../server/storage/contents.ts'
import { trailHead, verifyTrail } from '../../server/trail.ts'
import { noteHead, readWitness } from '../../server/witness.ts'
import { payslip, pdfOf } from '../support/papers.ts'
import { asOwner, desk, person, readPackage, stateOf, until } from '../support/server.ts'

const at = desk()
const folder = mkdtempSync(join(tmpdir(), 'jigsa-keeping-'))
const witness = join(folder, 'witness.jsonl')
let who: Person
let lead: Person
let administrator: Person
beforeAll(async () => {
  who = at.who
  ;[lead, administrator] = [await person('lead'), await person('administrator')]
  settings().TRAIL_WITNESS.push(witness)
})
afterAll(() => rmSync(folder, { recursive: true, force: true }))

const slip = async (name: string, pay: string) =>
  readPackage(
    who,
    await pdfOf(payslip('January', '30', pay).map((line) => line.replace('Ottilie Varnham', name))),
  )

/** Every row of every table of the application in which words stand, as `table: row`. */
async function rowsWith(words: string): Promise<string[]> {
  const { rows } = await database().execute<{ name: string }>(
    sql`select tablename as name from pg_tables where schemaname = 'public' and tablename <> 'chunk'`,
  )
  const found = []
  for (const { name } of rows) {
    const { rows: hits } = await database().execute<{ row: string }>(
      sql.raw(`select t::text as row from "${name}" t where t::text ilike '%${words}%'`),
    )
    found.push(...hits.map(({ row }) => `${name}: ${row.slice(0, 120)}`))
  }
  return found
}

describe('erasing', () => {
  test('takes two people, is stopped by a hold, and leaves no word of the applicant; the trail stays whole', async () => {
    const id = await slip('Wilhelmine Zwetschge', '7,321.09')
    await note(database(), who, id, 'wrote to the applicant', 'Wilhelmine Zwetschge, by mail')
    expect(await rowsWith('Zwetschge')).not.toEqual([])
    await expect(askErasure(id, lead, 'she asked for it')).rejects.toThrow('An administrator asks')
    await setHold(id, lead, 'a court asks for it')
    await expect(askErasure(id, administrator, 'she asked for it')).rejects.toThrow('a court asks for it')
    await setHold(id, lead, null)
    await askErasure(id, administrator, 'she asked for it')
    await expect(agreeToErase(id, administrator)).rejects.toThrow('somebody else agrees')
    await expect(agreeToErase(id, who)).rejects.toThrow('agrees to erasing')
    const [file] = await database().select().from(files).where(eq(files.packageId, id))
    // What is refused at the last is not noted outside either: a restore would erase it.
    await database().update(packages).set({ heldBecause: 'in the last moment' }).where(eq(packages.id, id))
    await expect(agreeToErase(id, lead)).rejects.toThrow('in the last moment')
    expect(existsSync(witness) ? readFileSync(witness, 'utf8') : '').not.toContain(id)
    await database().update(packages).set({ heldBecause: null }).where(eq(packages.id, id))
    await agreeToErase(id, lead)
    expect(readFileSync(witness, 'utf8')).toContain(id)

    expect(await rowsWith('Zwetschge')).toEqual([])
    expect(await packageRow(id, who)).toBeNull()
    expect((await historyOf(id)).find((h) => h.act === 'wrote to the applicant')?.detail).toBe('erased')
    expect((await actsOf(who.organisationId, null, 20)).map((a) => a.act)).toContain('erased a package')
    expect((await verifyTrail()).broken).toBeNull()
    // What no file names goes once it is old enough that nobody is just bringing it.
    await database().execute(
      sql`update chunk set kept_at = now() - interval '2 days' where sha256 = ${file.sha256}`,
    )
    expect(await collectContents()).toBeGreaterThan(0)
    const { rows } = await database().execute(sql`select 1 from chunk where sha256 = ${file.sha256}`)
    expect(rows).toEqual([])
    expect(await missingContents()).toEqual([])
  }, 90_000)

  test('takes what was learnt of its papers out of lessons, and a lesson that cannot tell is thrown away', async () => {
    const id = await slip('Wilhelmine Zwetschge', '7,321.10')
    const sample = { type: 'payslip', place: 0, words: ['zwetschge'], looks: [] }
    const own = { organisationId: who.organisationId, state: 'ready' as const }
    const [telling, mute] = await database()
      .insert(lessons)
      .values([
        {
          ...own,
          body: {
            samples: [
              { ...sample, from: id },
              { ...sample, words: ['berth'], from: 'another' },
            ],
          },
        },
        { ...own, body: { samples: [sample] } },
      ])
      .returning({ id: lessons.id })
    await askErasure(id, administrator, 'she asked for it')
    await agreeToErase(id, lead)
    const left = await database().select().from(lessons).where(eq(lessons.organisationId, who.organisationId))
    expect(left.map((l) => l.id)).not.toEqual(expect.arrayContaining([telling.id]))
    expect(left.map((l) => l.id)).not.toEqual(expect.arrayContaining([mute.id]))
    expect(left.flatMap((l) => l.body?.samples.map((s) => s.words.join()) ?? [])).toEqual(['berth'])
  }, 90_000)

  test('comes by itself once a finished package is past the days of its program, unless it is held', async () => {
    const [due, held, young] = [
      await slip('Ada Due', '7,001.01'),
      await slip('Ada Held', '7,001.02'),
      await slip('Ada Young', '7,001.03'),
    ]
    for (const id of [due, held, young]) await finish(id, who)
    await setHold(held, lead, 'a dispute')
    const old = { finishedAt: new Date(Date.now() - 40 * 86_400_000) }
    for (const id of [due, held]) await database().update(packages).set(old).where(eq(packages.id, id))
    expect(await eraseOverdue()).toBe(0)
    await setRetention(lead, 'working-boat-loan', 30)
    try {
      expect(await eraseOverdue()).toBe(1)
      expect(await packageRow(due, who)).toBeNull()
      expect((await stateOf(held)).state).toBe('finished')
      expect((await stateOf(young)).state).toBe('finished')
    } finally {
      await setRetention(lead, 'working-boat-loan', null)
    }
  }, 90_000)

  test('all that is kept of an applicant is given out as one file', async () => {
    const id = await slip('Ottoline Quillfeather', '7,002.02')
    const zip = await buffer(Readable.fromWeb((await everythingOf(id, lead)) as never))
    for (const name of [
      'files/001 papers.pdf',
      'pages.json',
      'answers.json',
      'history.json',
      'verdict.json',
      'letters.json',
      'arrivals.json',
      'requests.json',
    ])
      expect(zip.includes(name)).toBe(true)
  }, 90_000)
})

describe('the trail', () => {
  test('is not the application’s to change: not its rows, not its links, not its rules', async () => {
    expect(await mayRewriteTrail()).toBe(false)
    for (const change of [
      `update audit set act = 'x'`,
      `delete from audit_link`,
      `insert into audit_link (position, audit_id, digest) values (999999, 999999, 'x')`,
      `alter table audit disable trigger all`,
      `select audit_link_on(a) from audit a limit 1`,
      `set session_replication_role = replica`,
    ])
      await expect(database().execute(sql.raw(change))).rejects.toThrow()
    // Granting itself what it has not is answered with a warning, and changes nothing.
    await database().execute(sql`grant update on audit to current_user`)
    const { rows } = await database().execute(sql`select has_table_privilege('audit', 'update') as may`)
    expect(rows).toEqual([{ may: false }])
    expect((await verifyTrail()).broken).toBeNull()
  })

  test('written anew by whoever owns it is found by what was noted outside', async () => {
    await note(database(), who, who, 'first of three')
    await noteHead()
    await note(database(), who, who, 'second of three')
    const heads = (await readWitness(witness)).flatMap((line) => (line.kind === 'head' ? [line] : []))
    expect((await verifyTrail(undefined, heads)).broken).toBeNull()
    const all = `select * from audit_link`
    const before = (await database().execute(sql.raw(all))).rows
    const rewrite = (detail: string) =>
      asOwner(async (work) => {
        await work.execute(sql`alter table audit disable trigger all`)
        await work.execute(sql`alter table audit_link disable trigger all`)
        await work.execute(sql`update audit set detail = ${detail} where act = 'first of three'`)
        await work.execute(sql`delete from audit_link`)
        await work.execute(
          sql`do $$ declare a audit; begin for a in select * from audit order by id loop perform audit_link_on(a); end loop; end $$`,
        )
        await work.execute(sql`alter table audit enable trigger all`)
        await work.execute(sql`alter table audit_link enable trigger all`)
      })
    await rewrite('it was somebody else')
    // In itself the chain is whole: only what stands elsewhere tells.
    expect((await verifyTrail()).broken).toBeNull()
    expect((await verifyTrail(undefined, heads)).broken).toMatch('written anew')
    await asOwner(async (work) => {
      await work.execute(sql`alter table audit disable trigger all`)
      await work.execute(sql`update audit set detail = '' where act = 'first of three'`)
      await work.execute(sql`alter table audit enable trigger all`)
      await work.execute(sql`alter table audit_link disable trigger all`)
      await work.execute(sql`delete from audit_link`)
      for (const row of before as { position: string; audit_id: string; digest: string }[])
        await work.execute(
          sql`insert into audit_link values (${row.position}, ${row.audit_id}, ${row.digest})`,
        )
      await work.execute(sql`alter table audit_link enable trigger all`)
    })
    expect((await verifyTrail(undefined, heads)).broken).toBeNull()
    // A line that was not written here, or was changed, is none.
    writeFileSync(
      join(folder, 'forged.jsonl'),
      readFileSync(witness, 'utf8').replace(/"acts":\d+/, '"acts":1'),
    )
    await expect(readWitness(join(folder, 'forged.jsonl'))).rejects.toThrow(
      'was not written by this installation',
    )
  }, 60_000)
})

describe('backup', () => {
  const run = promisify(execFile)
  const jigsa = (words: string[], env: NodeJS.ProcessEnv) =>
    run(process.execPath, ['--import', 'tsx', 'cli/keep.ts', ...words], { env: { ...process.env, ...env } })

  test('is put back whole into an empty database, and brings back nothing that was erased since', async () => {
    const [kept, erased] = [await slip('Ada Kept', '7,003.01'), await slip('Ada Erased', '7,003.02')]
    const file = join(folder, 'all.backup')
    await jigsa(['backup', file], {})
    await expect(jigsa(['backup', file], {})).rejects.toThrow('overwrites nothing')
    await askErasure(erased, administrator, 'they asked for it')
    await agreeToErase(erased, lead)
    await expect(jigsa(['restore', file], {})).rejects.toThrow('not empty')

    const url = (base: string) => Object.assign(new URL(base), { pathname: '/restored' }).href
    const env = {
      DATABASE_URL: url(process.env.DATABASE_URL!),
      DATABASE_OWNER_URL: url(process.env.DATABASE_OWNER_URL!),
    }
    await asServer('drop database if exists restored with (force)', 'create database restored')
    const { stdout } = await jigsa(['restore', file, '--witness', witness], env)
    expect(stdout).toMatch(/All is back: \d+ acts in a whole trail, every file with its contents; [1-9]/)
    const client = new pg.Client({ connectionString: env.DATABASE_URL })
    await client.connect()
    try {
      const { rows } = await client.query<{ id: string }>('select id from package where id = any($1)', [
        [kept, erased],
      ])
      expect(rows.map((r) => r.id)).toEqual([kept])
      // The application's role may work there, and may not rewrite the trail.
      await client.query("insert into audit (user_name, act) values ('Jigsa', 'is back')")
      await expect(client.query("update audit set act = 'x'")).rejects.toThrow('permission denied')
    } finally {
      await client.end()
    }
    await asServer('drop database restored with (force)')
  }, 120_000)

  async function asServer(...statements: string[]): Promise<void> {
    const client = new pg.Client({ connectionString: process.env.DATABASE_OWNER_URL })
    await client.connect()
    try {
      for (const statement of statements) await client.query(statement)
    } finally {
      await client.end()
    }
  }
})

test('migrations that begin at once are done one after the other', async () => {
  await expect(Promise.all([migrateDatabase(), migrateDatabase(), migrateDatabase()])).resolves.toBeDefined()
})

describe('failed work', () => {
  test('stands in a list of its organisation and is done again, or let be, once', async () => {
    const id = await slip('Ada Failed', '7,004.01')
    await database()
      .update(pages)
      .set({ body: sql`${pages.body} || '{"words": []}'::jsonb` })
      .where(eq(pages.packageId, id))
    await database().transaction((work) => forgetReadings(work, id, 1))
    expect((await pagesOf(database(), id))[0].words).toEqual([])
    await noteFailure('read_page', { packageId: id, number: 1 }, 'Error: the reader ended')
    const [failed] = await failuresOf(who.organisationId)
    expect([failed.task, failed.packageId, failed.error]).toEqual([
      'read_page',
      id,
      'Error: the reader ended',
    ])
    await expect(settleFailure({ ...lead, organisationId: 'another' }, failed.id, true)).rejects.toThrow(
      'looked after',
    )
    await settleFailure(administrator, failed.id, true)
    await until(async () => (await stateOf(id)).state === 'open')
    expect(await stateOf(id)).toEqual({ state: 'open', read: 1, all: 1 })
    const read = await database()
      .select({ body: pages.body })
      .from(pages)
      .where(and(eq(pages.packageId, id), eq(pages.number, 1)))
    expect(read[0].body?.words.length).toBeGreaterThan(5)
    // What this process keeps of its pages is known to be old.
    expect((await pagesOf(database(), id))[0].words.length).toBeGreaterThan(5)
    await expect(settleFailure(administrator, failed.id, false)).rejects.toThrow('looked after this already')
    expect(await database().select().from(failedJobs).where(eq(failedJobs.packageId, id))).toEqual([])
  }, 60_000)
  test('of a file that was opened meanwhile is refused: it would have its pages twice', async () => {
    const id = await slip('Ada Opened', '7,004.02')
    const [{ id: fileId }] = await database().select().from(files).where(eq(files.packageId, id))
    await noteFailure('open_file', { fileId }, 'Error')
    const [failed] = await failuresOf(who.organisationId)
    await expect(settleFailure(administrator, failed.id, true)).rejects.toThrow('needs nothing any more')
    await settleFailure(administrator, failed.id, false)
    expect(await stateOf(id)).toEqual({ state: 'open', read: 1, all: 1 })
  }, 60_000)
  test('of a check that somebody asked for at the package is no failure any more', async () => {
    const id = await slip('Ada Checked', '7,004.03')
    await database().update(packages).set({ problem: 'A fault of ours.' }).where(eq(packages.id, id))
    await noteFailure('judge_package', { packageId: id }, 'Error')
    await checkAgain(id, who)
    expect(await database().select().from(failedJobs).where(eq(failedJobs.packageId, id))).toEqual([])
  }, 60_000)
  test('of what was erased meanwhile is nobody’s', async () => {
    const all = () => database().select({ id: failedJobs.id }).from(failedJobs)
    const before = await all()
    await noteFailure('read_page', { packageId: '00000000-0000-4000-8000-000000000000', number: 1 }, 'Error')
    expect(await all()).toEqual(before)
  })
})

test('every package has a key of its own, made with its first act', async () => {
  const [a, b] = [await slip('Ada One', '7,005.01'), await slip('Ada Two', '7,005.02')]
  const keys = await database().select().from(packageKeys)
  const [one, two] = [a, b].map((id) => keys.find((k) => k.packageId === id)!.key.toString('hex'))
  expect(one).not.toBe(two)
  expect((await trailHead()).digest).toMatch(/^[0-9a-f]{64}$/)
}, 60_000)

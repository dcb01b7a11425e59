import { jest } from '@jest/globals'
import { execFileSync } from 'node:child_process'
import { randomBytes } from 'node:crypto'
import { existsSync, mkdtempSync, readFileSync, readdirSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { connect, type Socket } from 'node:net'
import { and, eq, isNull, sql } from 'drizzle-orm'
import pg from 'pg'
import { PDFDocument } from 'pdf-lib'
import { merrowSound } from '../../demo/lenders/merrow-sound/index.ts'
import { Dice } from '../../demo/dice.ts'
import { scanPdf } from '../../demo/scan.ts'
import { ensureDatabase, freePort, startPostgres, type Cluster } from '../../cli/postgres.ts'
import { KeptProcess, startWeb, startWorker } from '../../cli/processes.ts'
import type { Person } from '../../server/access/person.ts'
import { takeStarter } from '../../server/configuration/starter.ts'
import { closeDatabase, database } from '../../server/database/connection.ts'
import { migrateDatabase } from '../../server/database/migrate.ts'
import {
  answers,
  arrivals,
  chunks,
  failedJobs,
  files,
  finishedReports,
  FIRST_ORGANISATION,
  packages,
  pages,
  sources,
} from '../../server/database/schema.ts'
import { queueJudgement } from '../../server/jobs/queue.ts'
import { newPackage } from '../../server/packages/intake.ts'
import { verifyTrail } from '../../server/trail.ts'
import { payslip, pdfOf } from '../support/papers.ts'
import { person, until } from '../support/server.ts'
import { ask, cookiesOf } from '../support/web.ts'

/**
 * Whatever ends without a word, wherever it is in its work: nothing is lost, nothing is there twice, no package is
 * stuck. Each trial holds the work at a step, kills one of those who take part in it, and lets the rest go on as the
 * application does by itself.
 */

const FOLDER = '.jigsa/fault-postgres'
const DATABASE = 'faults'
/** Processes that end are started again at once; here sooner than people need it. */
const SOON = { pause: 200, longest: 1000, settled: 60_000, most: 400 }

type Part = 'web' | 'worker' | 'reader' | 'postgres'

jest.setTimeout(120_000)

/** Papers that are put here arrive. */
const watched = mkdtempSync(join(tmpdir(), 'jigsa-watched-'))

let port = 0
let webPort = 0
let cluster: Cluster
let web: KeptProcess
let worker: KeptProcess
let who: Person
let cookie = ''
/** The web process that served when the database was killed: it must outlive that. */
let served: number | null = null
/** What processes that are started from now on are told besides. */
let besides: NodeJS.ProcessEnv = {}
const url = () => `http://127.0.0.1:${webPort}`

beforeAll(async () => {
  port = await freePort()
  webPort = await freePort()
  cluster = await startPostgres(FOLDER, port)
  await ensureDatabase(cluster, DATABASE, true)
  Object.assign(process.env, {
    DATABASE_URL: cluster.url(DATABASE),
    DATABASE_OWNER_URL: cluster.ownerUrl(DATABASE),
    BASE_URL: url(),
    PORT: String(webPort),
    HOST: '127.0.0.1',
    WORKER_TASKS: '2',
    WATCHED_FOLDERS: JSON.stringify({ [FIRST_ORGANISATION]: [watched] }),
  })
  await migrateDatabase()
  await takeStarter(database(), null, FIRST_ORGANISATION, merrowSound)
  who = await person('lead')
  const giveUp = () => undefined
  web = new KeptProcess('web', () => startWeb({ ...process.env, ...besides }), giveUp, SOON)
  worker = new KeptProcess(
    'worker',
    () => startWorker({ ...process.env, ...besides }, 'ignore'),
    giveUp,
    SOON,
  )
  await serving()
  cookie = await cookiesOf(url(), who)
})
afterAll(async () => {
  await Promise.all([web.end(), worker.end()])
  await closeDatabase()
  await cluster.stop()
})

/** What comes and goes with the parts of the application is asked for until it is there. */
const patiently = (holds: () => Promise<boolean>, seconds = 60) =>
  until(() => holds().catch(() => false), seconds)
const serving = () => patiently(async () => (await ask(`${url()}/health?worker=1`)).status === 200)

/** Processes below another one, by what they are called with. */
const below = (parent: number, called: string): number[] =>
  readdirSync('/proc')
    .filter((name) => /^\d+$/.test(name))
    .filter((pid) => {
      try {
        const stat = readFileSync(`/proc/${pid}/stat`, 'utf8')
        const [, owner] = stat.slice(stat.lastIndexOf(')') + 2).split(' ')
        return Number(owner) === parent && readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(called)
      } catch {
        return false
      }
    })
    .map(Number)

const KILL: Record<Part, () => Promise<void> | void> = {
  web: () => void web.now.kill('SIGKILL'),
  worker: () => void worker.now.kill('SIGKILL'),
  reader() {
    const found = below(worker.now.pid!, 'box/reader.ts')
    expect(found.length).toBeGreaterThan(0)
    for (const pid of found) process.kill(pid, 'SIGKILL')
  },
  async postgres() {
    served = web.now.pid!
    const pid = Number(readFileSync(`${FOLDER}/data/postmaster.pid`, 'utf8').split('\n')[0])
    process.kill(pid, 'SIGKILL')
    // One that is not waited for yet is taken for alive.
    await until(() => Promise.resolve(!existsSync(`/proc/${pid}`)))
    // Its own processes let go of the shared memory a moment later.
    for (let tries = 0; ; tries++) {
      try {
        cluster = await startPostgres(FOLDER, port)
        return
      } catch (error) {
        if (tries === 5) throw error
      }
    }
  },
}

/** Holds rows as another transaction would, until it is let go of or the database ends. */
async function hold(query: string, id: string): Promise<{ letGo: () => Promise<void> }> {
  const client = new pg.Client({ connectionString: cluster.ownerUrl(DATABASE) })
  client.on('error', () => undefined)
  await client.connect()
  await client.query('begin')
  await client.query(query, [id])
  return { letGo: () => client.end().catch(() => undefined) }
}
const PACKAGE = 'select 1 from package where id = $1 for update'
const PAGES = 'select 1 from page where package_id = $1 for update'

/** Somebody waits for what is held. */
const isWaited = async () => {
  const { rows } = await database().execute(sql`
    select 1 from pg_stat_activity where datname = ${DATABASE} and wait_event_type = 'Lock'`)
  return rows.length > 0
}

let month = 0
const paper = async () =>
  pdfOf(payslip('March', '31', `2,${String(100 + ++month)}.50`), payslip('April', '30'))
const newCase = () => newPackage('working-boat-loan', who, { asOf: '2026-05-10' })
const bring = (id: string, bytes: Uint8Array) =>
  ask(`${url()}/packages/${id}/bring?name=papers.pdf`, {
    method: 'POST',
    headers: { cookie, Origin: url(), 'Content-Type': 'application/octet-stream' },
    body: Buffer.from(bytes),
  })
const post = (path: string, body: string, kind = 'application/json') =>
  ask(`${url()}${path}`, {
    method: 'POST',
    headers: { cookie, Origin: url(), 'Content-Type': kind },
    body,
  })
const stateOf = async (id: string) => (await database().select().from(packages).where(eq(packages.id, id)))[0]
const isOpen = (id: string) => patiently(async () => (await stateOf(id)).state === 'open')
const readCase = async () => {
  const id = await newCase()
  expect((await bring(id, await paper())).status).toBe(200)
  await isOpen(id)
  return id
}

/** A package is as if nothing had happened. */
async function isWhole(id: string, pageCount = 2): Promise<void> {
  await isOpen(id)
  const brought = await database().select().from(files).where(eq(files.packageId, id))
  expect(brought.filter((f) => f.state !== 'arriving').map((f) => f.state)).toEqual(['read'])
  const numbers = await database()
    .select({ number: pages.number, unread: isNull(pages.body) })
    .from(pages)
    .where(eq(pages.packageId, id))
  expect(numbers.toSorted((a, b) => a.number - b.number)).toEqual(
    Array.from({ length: pageCount }, (_, i) => ({ number: i + 1, unread: false })),
  )
  const { assessment, pageCount: counted, pagesRead } = await stateOf(id)
  expect([counted, pagesRead]).toEqual([pageCount, pageCount])
  expect(assessment!.documents.flatMap((d) => d.pages)).toHaveLength(pageCount)
  expect(await database().select().from(failedJobs)).toEqual([])
}

/** Waits for what was killed to be there again. */
async function recovered(): Promise<void> {
  await serving()
  if (served !== null) expect(web.now.pid).toBe(served)
  served = null
  await patiently(async () => (await ask(`${url()}/packages`, { headers: { cookie } })).status === 200)
}

describe('an upload', () => {
  test.each<[Part]>([['web'], ['postgres']])('half of it here, and the %s is killed', async (part) => {
    const id = await newCase()
    const bytes = Buffer.from(await largePaper())
    const line = await sendHalf(`/packages/${id}/bring?name=papers.pdf`, bytes)
    await patiently(async () => {
      const { rows } = await database().execute(sql`select 1 from chunk where sha256 like 'arriving-%'`)
      return rows.length > 0
    })
    await KILL[part]()
    line.destroy()
    await recovered()
    expect((await stateOf(id)).pageCount).toBe(0)
    await patiently(async () => (await bring(id, bytes)).status === 200)
    await isWhole(id)
  })

  test.each<[Part]>([['web'], ['postgres']])(
    'all of it here, its row not written, and the %s is killed',
    async (part) => {
      const id = await newCase()
      const bytes = await paper()
      const held = await hold(PACKAGE, id)
      const sent = bring(id, bytes).catch(() => null)
      await patiently(isWaited)
      await KILL[part]()
      await held.letGo()
      await sent
      await recovered()
      // Whoever got no answer brings it again.
      await patiently(async () => (await bring(id, bytes)).status === 200)
      await isWhole(id)
    },
  )
})

describe('reading', () => {
  test.each<[Part]>([['worker'], ['postgres']])(
    'a file is open, its pages not written, and the %s is killed',
    async (part) => {
      const id = await newCase()
      await stopped(async () => {
        await bring(id, await paper())
      })
      const held = await hold(PACKAGE, id)
      worker.now.kill('SIGCONT')
      await patiently(isWaited)
      await KILL[part]()
      await held.letGo()
      await recovered()
      await isWhole(id)
    },
  )

  test.each<[Part]>([['reader'], ['worker']])(
    'a scanned page is being read, and the %s is killed',
    async (part) => {
      const id = await newCase()
      await bring(id, await scanPdf(await pdfOf(payslip('May', '29')), 'light', new Dice(3)))
      await patiently(async () => (await stateOf(id)).pageCount === 1)
      await patiently(() => Promise.resolve(below(worker.now.pid!, 'box/reader.ts').length > 0))
      await new Promise((done) => setTimeout(done, 400))
      await KILL[part]()
      await recovered()
      await isWhole(id, 1)
    },
  )

  test.each<[Part]>([['worker'], ['postgres']])(
    'a page is read, not stored, and the %s is killed',
    async (part) => {
      const id = await newCase()
      await stopped(async () => {
        await bring(id, await paper())
      })
      worker.now.kill('SIGCONT')
      await patiently(async () => (await stateOf(id)).pageCount === 2)
      const held = await hold(PAGES, id)
      await patiently(isWaited)
      await KILL[part]()
      await held.letGo()
      await recovered()
      await isWhole(id)
    },
  )

  test.each<[Part]>([['worker'], ['postgres']])(
    'a package is being judged, and the %s is killed',
    async (part) => {
      const id = await readCase()
      const { version } = await stateOf(id)
      const held = await hold(PACKAGE, id)
      await queueJudgement(database(), id)
      await patiently(isWaited)
      await KILL[part]()
      await held.letGo()
      await recovered()
      await patiently(async () => (await stateOf(id)).version > version)
      await isWhole(id)
      expect((await stateOf(id)).version).toBe(version + 1)
    },
  )
})

describe('what a person does', () => {
  test.each<[Part]>([['web'], ['postgres']])(
    'an answer is being stored, and the %s is killed',
    async (part) => {
      const id = await readCase()
      const waive = () =>
        post(
          `/packages/${id}/answers`,
          JSON.stringify({
            act: 'answer',
            answers: [{ kind: 'waive', requirement: 'berth', reason: 'own berth' }],
          }),
        )
      const held = await hold(PACKAGE, id)
      const sent = waive().catch(() => null)
      await patiently(isWaited)
      await KILL[part]()
      await held.letGo()
      await sent
      await recovered()
      const given = () => database().select().from(answers).where(eq(answers.packageId, id))
      expect(await given()).toEqual([])
      expect((await waive()).status).toBe(200)
      expect(await given()).toHaveLength(1)
      await isWhole(id)
    },
  )

  test.each<[Part]>([['web'], ['postgres']])(
    'a package is being finished, and the %s is killed',
    async (part) => {
      const id = await readCase()
      const finish = () =>
        post(`/packages/${id}/hand-over.data`, 'act=finish', 'application/x-www-form-urlencoded')
      const held = await hold(PACKAGE, id)
      const sent = finish().catch(() => null)
      await patiently(isWaited)
      await KILL[part]()
      await held.letGo()
      await sent
      await recovered()
      await isWhole(id)
      await finish()
      expect((await stateOf(id)).state).toBe('finished')
      const rounds = await database()
        .select()
        .from(finishedReports)
        .where(and(eq(finishedReports.packageId, id)))
      expect(rounds).toHaveLength(1)
    },
  )
})

test('papers in a watched folder arrive once each, whoever is killed while they do', async () => {
  const names = Array.from({ length: 8 }, (_, i) => `paper-${i}.pdf`)
  await patiently(async () => (await database().$count(sources)) === 1)
  await database().update(sources).set({ program: 'working-boat-loan' })
  for (const [i, name] of names.entries()) {
    const bytes = await pdfOf(payslip('June', '30', `4,${300 + i}.00`))
    writeFileSync(join(watched, name), bytes)
    if (i % 3 === 2) {
      await new Promise((done) => setTimeout(done, 2500))
      worker.now.kill('SIGKILL')
    }
  }
  await recovered()
  await patiently(() => Promise.resolve(readdirSync(watched).join() === 'done'))
  await patiently(async () => (await database().$count(packages, eq(packages.state, 'reading'))) === 0)
  const rows = await database().select().from(arrivals)
  expect(rows.map((r) => r.name).sort()).toEqual(names)
  expect(rows.filter((r) => r.problem !== null)).toEqual([])
  expect(new Set(rows.map((r) => r.packageId)).size).toBe(names.length)
  for (const { packageId } of rows) await isWhole(packageId!, 1)
  expect(readdirSync(join(watched, 'done')).sort()).toEqual(names)
})

test('on a disk that is full a file is refused, and nothing else suffers; with room again it is taken', async () => {
  const id = await readCase()
  // What is started from here has the limit: the database, which is killed and begins anew.
  const limit = (bytes: string) =>
    execFileSync('prlimit', ['--pid', String(process.pid), `--fsize=${bytes}:unlimited`])
  const anew = async () => {
    await KILL.postgres()
    await recovered()
  }
  const bytes = randomBytes(FULL_AT + (8 << 20))
  const rowsBefore = await database().$count(chunks)
  limit(String(FULL_AT))
  try {
    await anew()
    expect((await bring(id, bytes)).status).toBe(500)
    expect((await ask(`${url()}/packages/${id}/deck`, { headers: { cookie } })).status).toBe(200)
    expect(await database().$count(files, eq(files.packageId, id))).toBe(1)
    expect(await database().$count(chunks)).toBe(rowsBefore)
  } finally {
    limit('unlimited')
  }
  await anew()
  expect((await bring(id, bytes)).status).toBe(200)
  await patiently(async () => (await stateOf(id)).state === 'open')
})

test('with clocks set back by hours papers are read, answered and handed over as ever', async () => {
  const id = await newCase()
  besides = { NODE_OPTIONS: `--import data:text/javascript,${encodeURIComponent(EARLIER)}` }
  web.now.kill('SIGKILL')
  worker.now.kill('SIGKILL')
  await recovered()
  expect((await bring(id, await paper())).status).toBe(200)
  await isWhole(id)
  const said = { kind: 'type', page: 2, type: 'cover_letter' }
  expect(
    (await post(`/packages/${id}/answers`, JSON.stringify({ act: 'answer', answers: [said] }))).status,
  ).toBe(200)
  await post(`/packages/${id}/hand-over.data`, 'act=finish', 'application/x-www-form-urlencoded')
  expect((await stateOf(id)).state).toBe('finished')
  expect((await stateOf(id)).finishedAt!.getTime()).toBeLessThan(Date.now() - 2 * 3_600_000)
  await cookiesOf(url(), await person('processor'))
})

test('after all that the trail is whole', async () => {
  expect(await verifyTrail()).toMatchObject({ broken: null })
})

/** Bytes at which a file of the database is as large as it gets on a disk that is full. */
const FULL_AT = 40 << 20

/** Sets the clock of a process back by three hours. */
const EARLIER = `
  const now = Date
  globalThis.Date = class extends now {
    constructor(...said) { said.length ? super(...said) : super(now.now() - 3 * 3600000) }
    static now() { return now.now() - 3 * 3600000 }
  }`

/** Does something while the worker stands still. */
async function stopped(act: () => Promise<void>): Promise<void> {
  worker.now.kill('SIGSTOP')
  try {
    await act()
  } catch (error) {
    worker.now.kill('SIGCONT')
    throw error
  }
}

/** A PDF of two pages of some megabytes: what nobody draws is in it. */
async function largePaper(): Promise<Uint8Array> {
  const pdf = await PDFDocument.load(await paper())
  const noise = Uint8Array.from({ length: 3 << 20 }, (_, i) => (i * 7919) % 251)
  pdf.context.register(pdf.context.stream(noise))
  return pdf.save()
}

/** Begins to send a body and stops half-way. */
function sendHalf(path: string, bytes: Buffer): Promise<Socket> {
  return new Promise((done, fail) => {
    const socket = connect(webPort, '127.0.0.1', () => {
      socket.write(
        `POST ${path} HTTP/1.1\r\nHost: 127.0.0.1:${webPort}\r\nOrigin: ${url()}\r\nCookie: ${cookie}\r\n` +
          `Content-Type: application/octet-stream\r\nContent-Length: ${bytes.length}\r\n\r\n`,
      )
      socket.write(bytes.subarray(0, bytes.length / 2), () => done(socket))
    })
    socket.on('error', fail)
  })
}

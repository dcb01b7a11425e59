import { mkdirSync, mkdtempSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { setTimeout as pause } from 'node:timers/promises'
import { eq, isNull, sql } from 'drizzle-orm'
import nodemailer from 'nodemailer'
import { PDFDocument, StandardFonts } from 'pdf-lib'
import { ensureDatabase, freePort, startPostgres, type Cluster } from '../cli/postgres.ts'
import { answers, KeptProcess, startWeb, startWorker } from '../cli/processes.ts'
import { Dice } from '../demo/dice.ts'
import { merrowSound } from '../demo/lenders/merrow-sound/index.ts'
import { scanPdf } from '../demo/scan.ts'
import { knowSources } from '../server/arrivals/sources.ts'
import { takeStarter } from '../server/configuration/starter.ts'
import { closeDatabase, database } from '../server/database/connection.ts'
import { migrateDatabase } from '../server/database/migrate.ts'
import {
  arrivals,
  files,
  FIRST_ORGANISATION,
  messages,
  packages,
  sources,
} from '../server/database/schema.ts'
import { startPostOffice, type PostOffice } from '../standins/post-office.ts'

export interface Burst {
  mails: number
  files: number
  /** Seconds between two mails; a burst where it is 0. */
  everySeconds: number
  /** Pages of a scan that is read meanwhile; none where it is 0. */
  scanPages: number
  /** Waits until all of it is read, too; else until all is in packages and whoever sent it was told something. */
  readAll: boolean
  /**
   * After so many arrivals more the worker or the web process is killed, in turn; nobody is killed where it is 0.
   * Counted so, and not in seconds, a slow machine has no more kills than a fast one: one that is killed before it
   * has begun would never end.
   */
  killAfter: number
}

/** What became of a burst. */
export interface BurstResult {
  /** Mails and files that are in no package. */
  lost: number
  /** Files that are in two packages, or twice in one. */
  twice: number
  /** Mails that nobody answered. */
  untold: number
  /** Letters of one kind that went out for one mail more than once. */
  toldTwice: number
  kills: number
  /** Seconds from the handing over of a mail to the first letter that answers it. */
  firstLetter: { median: number; p95: number; most: number }
  /** Seconds until it was over. */
  seconds: number
}

const OURS = 'papers@burst.example'
const PROGRAM = 'working-boat-loan'
/** Processes that end are started again at once: it is the application that is looked at, not patience. */
const SOON = { pause: 200, longest: 1000, settled: 60_000, most: 10_000 }
/** Seconds after which what has not come about does not any more. */
const LATEST_SECONDS = 3600

/** A paper that no other is. */
async function paper(number: number): Promise<Buffer> {
  const pdf = await PDFDocument.create()
  const font = await pdf.embedFont(StandardFonts.Helvetica)
  const page = pdf.addPage([595, 842])
  const lines = ['Payslip', 'Petrel Slipways Ltd', `Payroll number: ${100_000 + number}`, 'Net pay: 2,140.55']
  lines.forEach((line, i) => page.drawText(line, { x: 50, y: 780 - i * 18, size: 11, font }))
  return Buffer.from(await pdf.save())
}

/** Many scanned pages of one sheet: each is recognised for itself. */
async function longScan(pages: number): Promise<Buffer> {
  const sheet = await PDFDocument.create()
  const font = await sheet.embedFont(StandardFonts.Helvetica)
  const page = sheet.addPage([595, 842])
  for (let i = 0; i < 40; i++)
    page.drawText(`${i + 1}. The harbour master keeps the register of boats.`, {
      x: 50,
      y: 790 - i * 18,
      size: 11,
      font,
    })
  const scanned = await PDFDocument.load(await scanPdf(await sheet.save(), 'light', new Dice(1)))
  const long = await PDFDocument.create()
  const [one] = await long.embedPdf(scanned)
  for (let i = 0; i < pages; i++) long.addPage([one.width, one.height]).drawPage(one)
  return Buffer.from(await long.save())
}

/** Puts a file into a watched folder in one step, as those do who know that it is watched. */
function put(folder: string, name: string, bytes: Buffer): void {
  mkdirSync(join(folder, '.coming'), { recursive: true })
  const passing = join(folder, '.coming', name)
  writeFileSync(passing, bytes)
  renameSync(passing, join(folder, name))
}

/** The application of the trial, as `start` runs it. */
class Running {
  private constructor(
    readonly office: PostOffice,
    readonly watched: string,
    private readonly cluster: Cluster,
    private readonly parts: readonly KeptProcess[],
  ) {}

  kills = 0

  static async begin(folder: string): Promise<Running> {
    const port = await freePort()
    const [webPort, listen] = [await freePort(port + 1), await freePort(port + 101)]
    const cluster = await startPostgres(folder, port)
    await ensureDatabase(cluster, 'burst', true)
    const watched = mkdtempSync(join(tmpdir(), 'jigsa-burst-'))
    const office = await startPostOffice([OURS], `smtp://127.0.0.1:${listen}`)
    Object.assign(process.env, {
      DATABASE_URL: cluster.url('burst'),
      DATABASE_OWNER_URL: cluster.ownerUrl('burst'),
      AUTH_SECRET: 'only-for-trials-only-for-trials-only',
      BASE_URL: `http://127.0.0.1:${webPort}`,
      PORT: String(webPort),
      HOST: '127.0.0.1',
      WATCHED_FOLDERS: JSON.stringify({ [FIRST_ORGANISATION]: [watched] }),
      MAIL_ADDRESSES: JSON.stringify({ [FIRST_ORGANISATION]: [OURS] }),
      MAIL_LISTEN: `127.0.0.1:${listen}`,
      MAIL_SERVER: office.smtp,
      LOG_LEVEL: 'silent',
    })
    await migrateDatabase()
    await takeStarter(database(), null, FIRST_ORGANISATION, merrowSound)
    await knowSources()
    await database().update(sources).set({ program: PROGRAM }).where(isNull(sources.program))
    const giveUp = () => undefined
    const worker = new KeptProcess('worker', () => startWorker(process.env, 'ignore'), giveUp, SOON)
    const web = new KeptProcess('web', () => startWeb(process.env, 'ignore'), giveUp, SOON)
    await answers(`http://127.0.0.1:${webPort}/health`, web.now)
    return new Running(office, watched, cluster, [worker, web])
  }

  /** Kills one process after the other, each time so many arrivals have come, until it is told to stop. */
  async killAlong(after: number, stop: AbortSignal): Promise<void> {
    for (let next = after; after > 0 && !stop.aborted; next += after) {
      await until(async () => (await countTaken()) >= next || stop.aborted)
      if (!stop.aborted) this.parts[this.kills++ % this.parts.length].now.kill('SIGKILL')
    }
  }

  async end(): Promise<void> {
    for (const part of this.parts) await part.end()
    await this.office.stop()
    await closeDatabase()
    await this.cluster.stop()
    rmSync(this.watched, { recursive: true, force: true })
  }
}

/**
 * Sends a burst of mails and files to the running application, while its processes are killed and started again, and
 * looks what became of each.
 * @param folder where the database of the trial lies
 */
export async function measureBurst(burst: Burst, folder: string): Promise<BurstResult> {
  const running = await Running.begin(folder)
  try {
    if (burst.scanPages > 0) {
      put(running.watched, 'long scan.pdf', await longScan(burst.scanPages))
      await until(async () => (await countRead()) > 0)
    }
    const began = performance.now()
    const stop = new AbortController()
    const killing = running.killAlong(burst.killAfter, stop.signal)
    const sent = await sendAll(burst, running)
    const answered = () => sent.every(({ id }) => running.office.letters().some((l) => l.inReplyTo === id))
    await until(async () => answered() && (await isAtRest(burst)))
    const seconds = (performance.now() - began) / 1000
    stop.abort()
    await killing
    return { ...(await whatBecame(burst, sent, running)), kills: running.kills, seconds: Math.round(seconds) }
  } finally {
    await running.end()
  }
}

interface Sent {
  id: string
  at: number
}

async function sendAll(
  { mails, files: many, everySeconds }: Burst,
  { office, watched }: Running,
): Promise<Sent[]> {
  const door = nodemailer.createTransport(office.smtp)
  const sent: Sent[] = []
  for (let i = 0; i < Math.max(mails, many); i++) {
    if (i < many) put(watched, `file ${i}.pdf`, await paper(i))
    if (i >= mails) continue
    const at = Date.now()
    const { messageId } = await door.sendMail({
      from: `sender${i}@burst.example`,
      to: OURS,
      subject: `Papers ${i}`,
      text: 'Here they are.',
      attachments: [{ filename: `mail ${i}.pdf`, content: await paper(50_000 + i) }],
    })
    sent.push({ id: messageId, at })
    await pause(everySeconds * 1000)
  }
  return sent
}

async function until(holds: () => Promise<boolean>): Promise<void> {
  for (const end = Date.now() + LATEST_SECONDS * 1000; Date.now() < end;) {
    // The database may be gone for a moment; whoever waits for it asks again.
    if (await holds().catch(() => false)) return
    await pause(300)
  }
}

async function countRead(): Promise<number> {
  const [row] = await database()
    .select({ read: sql<number>`coalesce(sum(${packages.pagesRead}), 0)::int` })
    .from(packages)
  return row.read
}

const TAKEN = sql<number>`count(*) filter (where ${arrivals.outcome} = 'taken')::int`

async function countTaken(): Promise<number> {
  const [row] = await database().select({ taken: TAKEN }).from(arrivals)
  return row.taken
}

/** Whether all that was sent is in packages, and where that is waited for each of them is read. The long scan may go on. */
async function isAtRest({ mails, files: many, readAll }: Burst): Promise<boolean> {
  const [row] = await database()
    .select({
      taken: TAKEN,
      reading: sql<number>`count(*) filter (where ${packages.state} = 'reading')::int`,
    })
    .from(arrivals)
    .leftJoin(packages, eq(packages.id, arrivals.packageId))
    .where(sql`${arrivals.name} <> 'long scan.pdf'`)
  return row.taken >= mails + many && (!readAll || row.reading === 0)
}

async function whatBecame(
  { mails, files: many }: Burst,
  sent: readonly Sent[],
  { office }: Running,
): Promise<Omit<BurstResult, 'kills' | 'seconds'>> {
  const rows = await database().select({ name: files.name }).from(files)
  const names = rows.map((r) => r.name).filter((name) => /^(?:file|mail) \d+\.pdf$/.test(name))
  const told = await database()
    .select({ kind: messages.kind, about: sql<string>`${messages.references}[1]` })
    .from(messages)
    .where(eq(messages.state, 'sent'))
  const first = sent.flatMap(({ id, at }) => {
    const answer = office.letters().findLast((letter) => letter.inReplyTo === id)
    return answer ? [(new Date(answer.at).getTime() - at) / 1000] : []
  })
  first.sort((a, b) => a - b)
  const at = (share: number) => Math.round(10 * (first[Math.floor(share * (first.length - 1))] ?? 0)) / 10
  return {
    lost: mails + many - new Set(names).size,
    twice: names.length - new Set(names).size,
    untold: sent.length - first.length,
    toldTwice: told.length - new Set(told.map((t) => `${t.kind} ${t.about}`)).size,
    firstLetter: { median: at(0.5), p95: at(0.95), most: at(1) },
  }
}

import { readdirSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { and, eq, sql } from 'drizzle-orm'
import type { Answer } from '../../core/answers/answer.ts'
import { Dice } from '../../demo/dice.ts'
import { scanPdf } from '../../demo/scan.ts'
import { historyOf } from '../../server/audit.ts'
import { signIn } from '../../server/access/people.ts'
import { database } from '../../server/database/connection.ts'
import { answers, audit, chunks, files, packages, pages, session } from '../../server/database/schema.ts'
import { hear, tell } from '../../server/events.ts'
import { giveAnswers, redo, undo, undoState } from '../../server/packages/answer.ts'
import { Refused } from '../../server/packages/states.ts'
import { finish, openAgain } from '../../server/packages/finish.ts'
import { exportOf } from '../../server/handover/export.ts'
import { usualReceiver } from '../../core/receivers/index.ts'
import { pageTasks } from '../../server/jobs/tasks.ts'
import { findIn } from '../../server/packages/find.ts'
import { settings } from '../../server/settings.ts'
import { forgetUploads, newPackage } from '../../server/packages/intake.ts'
import { pagesWaiting } from '../../server/jobs/turns.ts'
import { judge } from '../../server/packages/judge.ts'
import { assign } from '../../server/packages/owners.ts'
import {
  fileCounts,
  filesIn,
  packageRow,
  pageSheets,
  pictureOf,
  queue,
  queueQuery,
  takeNext,
  wordsOf,
} from '../../server/packages/queries.ts'
import { fetchContents, keep, keepBytes, TooLarge } from '../../server/storage/contents.ts'
import { payslip, pdfOf, stray } from '../support/papers.ts'
import {
  elsewhere,
  bring,
  desk,
  person,
  readPackage,
  stateOf,
  until,
  worker,
  type Desk,
} from '../support/server.ts'
import { Open } from '../support/zip.ts'
import { checkAgain } from '../../server/packages/again.ts'

const at = desk()
let who: Desk['who']
beforeAll(() => {
  who = at.who
})

const value = async (id: string, field: string) =>
  (await packageRow(id, at.who))!.assessment!.documents[0].fields.find((f) => f.name === field)!

/** A file of a package that no worker was told of. */
async function storedFile(
  packageId: string,
  name: string,
  bytes: Uint8Array,
  more: { state: 'waiting' | 'reading'; pages?: number },
): Promise<string> {
  const kept = await keepBytes(bytes)
  const [{ id }] = await database()
    .insert(files)
    .values({ packageId, name, ...kept, ...more })
    .returning({ id: files.id })
  return id
}

const firstTry = { job: { attempts: 1, max_attempts: 5, last_error: null } }

describe('from a file to a judged package', () => {
  test('pages are read, cut and judged by the worker', async () => {
    const id = await readPackage(who, await pdfOf(payslip('January', '30'), payslip('February', '27'), stray))
    const row = (await packageRow(id, at.who))!
    expect(row.assessment!.documents.map((d) => d.type)).toEqual(['payslip', 'payslip', 'unknown'])
    expect(row.pagesRead).toBe(3)
    expect((await pageSheets(id)).map((s) => s.read)).toEqual([true, true, true])
    expect((await wordsOf(id, 1))!.map((w) => w.text)).toContain('2,140.55')
    await until(async () => (await pictureOf(id, 1, 'large'))?.final === true)
  }, 90_000)

  test('bad files are set aside with a sentence, the good one goes on', async () => {
    const id = await newPackage('working-boat-loan', who)
    await bring(id, 'damaged.pdf', new TextEncoder().encode('%PDF-1.7 and then nothing of use'), who)
    await bring(id, 'renamed.pdf', new TextEncoder().encode('just some words'), who)
    await bring(id, 'empty.pdf', new Uint8Array(), who)
    await bring(id, 'good.pdf', await pdfOf(payslip('March', '30')), who)
    await until(async () => (await stateOf(id)).state === 'open')
    const problems = Object.fromEntries((await filesIn(id)).map((f) => [f.name, f.problem]))
    expect(problems).toEqual({
      'damaged.pdf': 'This PDF is damaged and cannot be opened.',
      'renamed.pdf': expect.stringMatching(/not a kind of file/) as string,
      'empty.pdf': 'The file is empty.',
      'good.pdf': null,
    })
    expect(
      (await packageRow(id, at.who))!.assessment!.findings.filter((f) => f.kind === 'unusable_file'),
    ).toHaveLength(3)
  }, 90_000)

  test('a package is not open while a file waits, though all pages known so far are read', async () => {
    const id = await newPackage('working-boat-loan', who)
    await database().update(packages).set({ state: 'reading' }).where(eq(packages.id, id))
    // Files without jobs: what another worker has not come to yet.
    await database()
      .insert(files)
      .values([
        {
          packageId: id,
          name: 'damaged.pdf',
          state: 'unusable',
          problem: 'This PDF is damaged and cannot be opened.',
        },
        { packageId: id, name: 'good.pdf', state: 'waiting' },
      ])
    await database().transaction((work) => judge(work, id, 'anew'))
    expect((await stateOf(id)).state).toBe('reading')
    expect(await fileCounts(id)).toEqual({ unusable: 1, coming: 1 })
    await database()
      .update(files)
      .set({ state: 'unusable', problem: 'The file is empty.' })
      .where(and(eq(files.packageId, id), eq(files.state, 'waiting')))
    await database().transaction((work) => judge(work, id, 'anew'))
    expect((await stateOf(id)).state).toBe('open')
  })

  test('pages are seen before they are read, and of this package alone', async () => {
    const id = await newPackage('working-boat-loan', who)
    const bytes = await pdfOf(payslip('March', '30'), stray)
    const fileId = await storedFile(id, 'seen.pdf', bytes, { state: 'reading', pages: 2 })
    await database()
      .insert(pages)
      .values([1, 2].map((number) => ({ packageId: id, number, fileId, filePage: number })))
    await database().update(packages).set({ pageCount: 2, state: 'reading' }).where(eq(packages.id, id))
    await pageTasks.glance_at_page({ packageId: id, number: 1 }, firstTry)
    expect((await pageSheets(id)).map((s) => [s.drawn, s.read])).toEqual([
      [true, false],
      [false, false],
    ])
    // It may yet be turned, so that nobody keeps this picture.
    expect((await pictureOf(id, 1, 'small'))!.final).toBe(false)
    await pageTasks.read_page({ packageId: id, number: 1 }, firstTry)
    expect((await pictureOf(id, 1, 'small'))!.final).toBe(true)
  }, 60_000)

  test('a file that fails at every try is set aside with a sentence, and its package opens', async () => {
    const id = await newPackage('working-boat-loan', who)
    await database().update(packages).set({ state: 'reading' }).where(eq(packages.id, id))
    const [{ id: fileId }] = await database()
      .insert(files)
      .values({ packageId: id, name: 'lost.pdf', state: 'waiting', sha256: '0'.repeat(64) })
      .returning({ id: files.id })
    await expect(pageTasks.open_file({ fileId }, firstTry)).rejects.toThrow()
    expect((await filesIn(id))[0].problem).toBeNull()
    await pageTasks.open_file({ fileId }, { job: { ...firstTry.job, attempts: 5, last_error: 'away' } })
    expect((await filesIn(id))[0].problem).toMatch(/fault of ours/)
    await until(async () => (await stateOf(id)).state === 'open')
  }, 60_000)

  test('a file waits while the malware scanner is away, says so, and is set aside only after a day', async () => {
    const id = await newPackage('working-boat-loan', who)
    const bytes = await pdfOf(payslip('August', '31'), stray)
    const fileId = await storedFile(id, 'waits.pdf', bytes, { state: 'waiting' })
    const lastTry = { job: { ...firstTry.job, attempts: 5, last_error: 'away' } }
    const scanner = settings().MALWARE_SCANNER
    settings().MALWARE_SCANNER = 'clamd://127.0.0.1:1'
    try {
      await pageTasks.open_file({ fileId }, lastTry)
      expect((await filesIn(id))[0]).toMatchObject({
        state: 'waiting',
        problem: expect.stringMatching('scanner is away') as string,
      })
      await database()
        .update(files)
        .set({ createdAt: new Date(Date.now() - 25 * 3_600_000) })
        .where(eq(files.id, fileId))
      await pageTasks.open_file({ fileId }, lastTry)
      expect((await filesIn(id))[0]).toMatchObject({ state: 'unusable' })
    } finally {
      settings().MALWARE_SCANNER = scanner
    }
  }, 60_000)

  test('a file whose tries never came back is set aside, and taken where it is brought again', async () => {
    const id = await newPackage('working-boat-loan', who)
    const bytes = await pdfOf(payslip('June', '30'), stray)
    const fileId = await storedFile(id, 'deadly.pdf', bytes, { state: 'waiting' })
    await pageTasks.open_file({ fileId }, { job: { ...firstTry.job, attempts: 4 } })
    expect((await filesIn(id))[0].problem).toMatch(/please bring it again/)
    const again = await bring(id, 'deadly.pdf', bytes, who)
    expect(again.problem).toBeNull()
    await until(async () => (await stateOf(id)).state === 'open')
    expect((await stateOf(id)).all).toBe(2)
  }, 60_000)

  test('a package that cannot be checked says so, and is checked again by a person', async () => {
    const id = await readPackage(who, await pdfOf(payslip('May', '31'), stray))
    await pageTasks.judge_package({ packageId: id }, { job: { ...firstTry.job, attempts: 4 } })
    expect((await packageRow(id, who))!.problem).toMatch(/fault of ours/)
    await checkAgain(id, who)
    await until(async () => {
      const now = await packageRow(id, who)
      return now!.problem === null && now!.assessment !== null
    })
    expect((await historyOf(id)).map((h) => h.act)).toEqual(
      expect.arrayContaining(['could not check the package', 'had the package checked again']),
    )
  }, 60_000)

  test('a file that is opened twice has its pages once', async () => {
    const id = await newPackage('working-boat-loan', who)
    const fileId = await storedFile(id, 'twice.pdf', await pdfOf(payslip('July', '31'), stray), {
      state: 'waiting',
    })
    await Promise.all([1, 2].map(() => pageTasks.open_file({ fileId }, firstTry)))
    await pageTasks.open_file({ fileId }, firstTry)
    expect((await stateOf(id)).all).toBe(2)
  }, 60_000)

  test('two files of one name, brought at once, keep names apart', async () => {
    const id = await newPackage('working-boat-loan', who)
    await Promise.all([
      bring(id, 'scan.pdf', await pdfOf(payslip('July', '31')), who),
      bring(id, 'scan.pdf', await pdfOf(payslip('August', '31')), who),
    ])
    const names = (await filesIn(id)).map((f) => f.name)
    expect(new Set(names).size).toBe(2)
    expect(names).toContain('scan.pdf')
  }, 60_000)

  test('the same file twice is noticed, in its package and in another', async () => {
    const bytes = await pdfOf(payslip('May', '29'))
    const [first, second] = [
      await newPackage('working-boat-loan', who),
      await newPackage('working-boat-loan', who),
    ]
    expect(await bring(first, 'a.pdf', bytes, who)).toMatchObject({ problem: null, twin: null })
    expect((await bring(first, 'b.pdf', bytes, who)).problem).toMatch(/already/)
    expect((await filesIn(first)).map((f) => f.name)).toEqual(['a.pdf'])
    expect((await bring(second, 'c.pdf', bytes, who)).twin).toBe(
      (await packageRow(first, at.who))!.caseNumber,
    )
  })

  test('a worker killed in the middle loses nothing', async () => {
    const id = await newPackage('working-boat-loan', who)
    await bring(
      id,
      'long.pdf',
      await pdfOf(...Array.from({ length: 120 }, (_, i) => payslip('January', '30', `${i + 1},140.55`))),
      who,
    )
    await until(async () => (await stateOf(id)).read > 3)
    at.running.child.kill('SIGKILL')
    const { read } = await stateOf(id)
    at.running = worker()
    await until(async () => (await stateOf(id)).state === 'open')
    expect(await stateOf(id)).toMatchObject({ read: 120, all: 120 })
    expect(read).toBeGreaterThan(3)
  }, 120_000)
})

/** How many of a package's pages were recognised again. */
const lookedAt = async (id: string): Promise<number> => {
  const [row] = await database()
    .select({ lookedAt: packages.pagesLookedAt })
    .from(packages)
    .where(eq(packages.id, id))
  return row.lookedAt
}

test('what is in doubt on a scan is looked at by the second reader before the package opens, and once', async () => {
  const id = await readPackage(
    who,
    await scanPdf(await pdfOf(payslip('January', '30')), 'light', new Dice(5)),
  )
  const bodies = (
    await database().select({ body: pages.body }).from(pages).where(eq(pages.packageId, id))
  ).map((r) => r.body!)
  const looked = bodies.filter((p) => p.regionsRetried)
  expect(looked.length).toBeGreaterThan(0)
  expect(await lookedAt(id)).toBe(looked.length)
  // Judged anew, it is not looked at again.
  await pageTasks.judge_package({ packageId: id }, firstTry)
  expect(await lookedAt(id)).toBe(looked.length)
}, 90_000)

describe('what a person says', () => {
  let id: string
  const said: Answer = {
    kind: 'value',
    page: 1,
    field: 'net_pay',
    value: { amount: '1.00', currency: 'EUR' },
    state: 'corrected',
    at: null,
  }
  beforeAll(async () => {
    id = await readPackage(who, await pdfOf(payslip('June', '30'), stray))
  }, 90_000)

  test('is stored, judged at once, undone and redone', async () => {
    const before = (await value(id, 'net_pay')).value
    await giveAnswers(id, [said], who)
    expect(await value(id, 'net_pay')).toMatchObject({
      value: { amount: '1.00', currency: 'EUR' },
      state: 'corrected',
    })
    expect((await undoState(id)).undo).toMatch(/net pay of page 1/)
    await undo(id, who)
    expect((await value(id, 'net_pay')).value).toEqual(before)
    await redo(id, who)
    expect((await value(id, 'net_pay')).state).toBe('corrected')
    await undo(id, who)
  })
  test('survives a later run of the machine', async () => {
    await giveAnswers(id, [said], who)
    await database().transaction((work) => judge(work, id, 'anew'))
    expect((await value(id, 'net_pay')).value).toEqual({ amount: '1.00', currency: 'EUR' })
    await undo(id, who)
  })
  test('something new ends what could be redone', async () => {
    await giveAnswers(id, [said], who)
    await undo(id, who)
    await giveAnswers(id, [{ kind: 'type', page: 2, type: 'cover_letter' }], who)
    expect(await redo(id, who)).toBeNull()
    await undo(id, who)
  })
  test('two people at once: both are heard', async () => {
    const other = await person()
    await Promise.all([
      giveAnswers(id, [said], who),
      giveAnswers(id, [{ kind: 'type', page: 2, type: 'utility_bill' }], other),
    ])
    const { documents } = (await packageRow(id, at.who))!.assessment!
    expect(documents.map((d) => d.type)).toEqual(['payslip', 'utility_bill'])
    expect(documents[0].fields.find((f) => f.name === 'net_pay')!.state).toBe('corrected')
    await undo(id, who)
    await undo(id, who)
  })
  test('what somebody else said of the same thing meanwhile is not overwritten unseen', async () => {
    const other = await person()
    const { seen } = await undoState(id)
    await giveAnswers(id, [said], other)
    await expect(
      giveAnswers(id, [{ ...said, value: { amount: '2.00', currency: 'EUR' } }], who, seen),
    ).rejects.toThrow(`${other.name} changed this meanwhile`)
    expect((await value(id, 'net_pay')).value).toEqual({ amount: '1.00', currency: 'EUR' })
    await giveAnswers(id, [{ kind: 'type', page: 2, type: 'utility_bill' }], who, seen)
    await giveAnswers(
      id,
      [{ ...said, value: { amount: '2.00', currency: 'EUR' } }],
      who,
      (await undoState(id)).seen,
    )
    for (let i = 0; i < 3; i++) await undo(id, who)
  })
  test('pages set aside are in no document until they are moved back', async () => {
    const types = async () =>
      (await packageRow(id, at.who))!.assessment!.documents.map((d) => `${d.type}:${d.pages.join()}`)
    await giveAnswers(id, [{ kind: 'aside', pages: [2] }], who)
    expect(await types()).toEqual(['payslip:1'])
    await giveAnswers(id, [{ kind: 'move', pages: [2], behind: null }], who)
    expect(await types()).toEqual(['payslip:1', 'unknown:2'])
    await undo(id, who)
    await undo(id, who)
  })
  test('words are found on their pages, whatever their case', async () => {
    const { hits, more } = await findIn(id, 'VARNHAM')
    expect(hits.map((h) => h.page)).toEqual([1])
    expect(hits[0].line).toContain('Ottilie Varnham')
    expect([more, (await findIn(id, 'nowhere at all')).hits]).toEqual([false, []])
  })
  test('nonsense is refused and nothing of it stored', async () => {
    const [{ n }] = await database()
      .select({ n: sql<number>`count(*)::int` })
      .from(answers)
      .where(eq(answers.packageId, id))
    await expect(
      giveAnswers(
        id,
        [said, { kind: 'fact', fact: 'x', decision: 'accepted', value: null, reason: '' }],
        who,
      ),
    ).rejects.toThrow()
    const [{ n: after }] = await database()
      .select({ n: sql<number>`count(*)::int` })
      .from(answers)
      .where(eq(answers.packageId, id))
    expect(after).toBe(n)
  })
  test('every act is in the history, with who did it', async () => {
    const acts = await historyOf(id)
    expect(acts.map((a) => a.act)).toEqual(
      expect.arrayContaining([
        'opened the package',
        'brought a file',
        'read the package',
        'answered',
        'undid',
      ]),
    )
    expect(acts.find((a) => a.act === 'answered')!.userName).toBe(who.name)
  })
  test('the history cannot be changed', async () => {
    await expect(database().update(audit).set({ act: 'nothing' })).rejects.toThrow()
    await expect(database().delete(audit)).rejects.toThrow()
    await expect(database().execute(sql`truncate audit`)).rejects.toThrow()
  })
})

describe('the end of the work', () => {
  test('a finished package is handed over as one ZIP and takes no answers until opened again', async () => {
    const id = await readPackage(who, await pdfOf(payslip('July', '30'), stray))
    await finish(id, who)
    await expect(giveAnswers(id, [{ kind: 'type', page: 2, type: 'cover_letter' }], who)).rejects.toThrow(
      Refused,
    )
    const zip = await Open.from((await exportOf(id, usualReceiver, 'zip', who)).body)
    expect(zip.names).toEqual([
      'documents/01-Payslip.pdf',
      'documents/02-Unknown.pdf',
      'history.json',
      'report.json',
    ])
    const report = JSON.parse(zip.text('report.json')) as { documents: { type: string }[] }
    expect(report.documents.map((d) => d.type)).toEqual(['payslip', 'unknown'])
    expect(zip.bytes('documents/01-Payslip.pdf').subarray(0, 5).toString()).toBe('%PDF-')
    await openAgain(id, who)
    await giveAnswers(id, [{ kind: 'type', page: 2, type: 'cover_letter' }], who)
  }, 90_000)

  const filesOf = (id: string) => database().select().from(files).where(eq(files.packageId, id))

  test('a document that cannot be cut out goes along in the file as it came, and the others as ever', async () => {
    const id = await readPackage(who, await pdfOf(payslip('May', '29', '1,871.09')))
    await bring(id, 'second ../ one.pdf', await pdfOf(stray), who)
    await until(async () => (await stateOf(id)).state === 'open')
    const second = (await filesOf(id)).find((f) => f.name !== 'papers.pdf')!
    const broken = Buffer.from('%PDF-1.4 and nothing more')
    await database().update(chunks).set({ bytes: broken }).where(eq(chunks.sha256, second.sha256!))
    const zip = await Open.from((await exportOf(id, usualReceiver, 'zip', who)).body)
    const [good, other] = zip.names
    expect([good, other]).toEqual(['documents/01-Payslip.pdf', 'history.json'])
    expect(zip.text('notes.txt')).toMatch(
      /^documents\/02-.*\.pdf: This PDF is damaged and cannot be opened\. Its pages are in second \.\.\/ one\.pdf\.\n$/,
    )
    expect(zip.bytes('originals/01-second ..- one.pdf')).toEqual(broken)
    await database().delete(packages).where(eq(packages.id, id))
  }, 90_000)

  test('a download that breaks off leaves nothing on the disk, and the process goes on', async () => {
    const left = () => readdirSync(tmpdir()).filter((name) => name.startsWith(`jigsa-reader-${process.pid}-`))
    const id = await readPackage(who, await pdfOf(payslip('June', '30', '1,871.10')))
    const before = left().length
    const stopped = (await exportOf(id, usualReceiver, 'zip', who)).body
    await stopped.cancel()
    await database()
      .delete(chunks)
      .where(eq(chunks.sha256, (await filesOf(id))[0].sha256!))
    await expect(Open.from((await exportOf(id, usualReceiver, 'zip', who)).body)).rejects.toThrow()
    // A reader that was started meanwhile has a folder of its own.
    await until(() => Promise.resolve(left().length <= before + 1))
    // Others look for contents that are missing.
    await database().delete(packages).where(eq(packages.id, id))
  }, 90_000)
})

describe('telling of changes', () => {
  test('after the connection was lost, everyone is told to look afresh, and hears again', async () => {
    const [one, two, three] = await Promise.all(
      [1, 2, 3].map((n) => newPackage('working-boat-loan', who, { caseNumber: `HEARD-${n}-${Date.now()}` })),
    )
    const heard: (string | null)[] = []
    const silence = await hear((change) => heard.push(change?.packageId ?? null))
    await tell(database(), { packageId: one, what: 'files' })
    await until(() => Promise.resolve(heard.includes(one)))
    await database().execute(
      sql`select pg_terminate_backend(pid) from pg_stat_activity where query like 'listen %' and datname = current_database()`,
    )
    await until(() => Promise.resolve(heard.includes(null)))
    await tell(database(), { packageId: two, what: 'files' })
    await until(() => Promise.resolve(heard.includes(two)))
    silence()
    await tell(database(), { packageId: three, what: 'files' })
    await new Promise((done) => setTimeout(done, 200))
    expect(heard).not.toContain(three)
  }, 30_000)
})

describe('the queue', () => {
  test('two people who take the next one get two packages', async () => {
    await readPackage(who, await pdfOf(payslip('August', '31')))
    await readPackage(who, await pdfOf(payslip('September', '30')))
    const [a, b] = await Promise.all([takeNext(who), takeNext(await person())])
    expect(a).not.toBeNull()
    expect(b).not.toBeNull()
    expect(a).not.toBe(b)
  }, 90_000)
  test('search finds a case number in part; percent signs are letters', async () => {
    const id = await newPackage('working-boat-loan', who)
    const { caseNumber } = (await packageRow(id, at.who))!
    expect(
      (await queue(queueQuery.parse({ words: caseNumber.slice(-5), state: 'all' }), who)).rows.map(
        (r) => r.caseNumber,
      ),
    ).toContain(caseNumber)
    expect((await queue(queueQuery.parse({ words: '%', state: 'all' }), who)).total).toBe(0)
  })
  test('words of an address bar that make no sense are set right', () =>
    expect(queueQuery.parse({ sort: 'nonsense', page: '-3', state: 7 })).toMatchObject({
      sort: 'age',
      page: 1,
      state: 'working',
    }))
  test('a package is given and put back', async () => {
    const id = await newPackage('working-boat-loan', who)
    await assign(id, who.id, who)
    expect((await packageRow(id, at.who))!.ownerId).toBe(who.id)
    await expect(assign(id, 'nobody-of-that-id', who)).rejects.toThrow('no such person')
    await assign(id, null, who)
    expect((await packageRow(id, at.who))!.ownerId).toBeNull()
  })
})

describe('storage', () => {
  test('contents come back as they were, kept once', async () => {
    const bytes = Uint8Array.from({ length: 2_500_000 }, (_, i) => i % 251)
    const [a, b] = [await keepBytes(bytes), await keepBytes(bytes)]
    expect(a).toEqual(b)
    expect(Buffer.compare(Buffer.from(await fetchContents(a.sha256)), Buffer.from(bytes))).toBe(0)
  })
  test('too large a stream is refused and leaves nothing behind', async () => {
    await expect(keepBytes(new Uint8Array(3000), 1000)).rejects.toThrow(TooLarge)
    const { rows } = await database().execute<{ n: number }>(
      sql`select count(*)::int as n from chunk where sha256 like 'arriving-%'`,
    )
    expect(rows[0].n).toBe(0)
  })
  test('whoever sends too much is heard out: a line closed on them would tell them nothing', async () => {
    let sent = 0
    async function* parts() {
      for (; sent < 20; sent++) yield await Promise.resolve(new Uint8Array(1000))
    }
    await expect(keep(parts(), 3000)).rejects.toThrow(TooLarge)
    expect(sent).toBe(20)
  })
})

describe('what one package and one organisation may take', () => {
  test('a package that is full takes no file more, and says so', async () => {
    const id = await newPackage('working-boat-loan', who)
    const full = { packageId: id, name: 'large.pdf', size: 2 * 1024 ** 3 - 10, state: 'read' } as const
    await database().insert(files).values(full)
    const { problem } = await bring(id, 'more.txt', Buffer.from('words that are more than ten'), who)
    expect(problem).toBe('With this file the package would be larger than 2048 MB, the most that one may be.')
  })

  test('a file whose pages are too many for its package is set aside, and the rest goes on', async () => {
    const id = await newPackage('working-boat-loan', who)
    await database().update(packages).set({ pageCount: 4999, pagesRead: 4999 }).where(eq(packages.id, id))
    const { fileId } = await bring(id, 'two.pdf', await pdfOf(stray, stray), who)
    const file = async () => (await database().select().from(files).where(eq(files.id, fileId)))[0]
    await until(async () => (await file()).state === 'unusable')
    expect((await file()).problem).toBe(
      'With the 2 pages of this file the package would have 5001; it may have 5000.',
    )
    await database().delete(packages).where(eq(packages.id, id))
  })

  test('pages that wait are counted for their organisation alone', async () => {
    const other = await elsewhere()
    const waits = { state: 'reading', pageCount: 300, pagesRead: 40 } as const
    await database()
      .update(packages)
      .set(waits)
      .where(eq(packages.id, await newPackage('working-boat-loan', other)))
    expect(await pagesWaiting(database(), other.organisationId)).toBe(260)
    expect(await pagesWaiting(database(), (await elsewhere()).organisationId)).toBe(0)
    await database().delete(packages).where(eq(packages.organisationId, other.organisationId))
  })

  test('a file that began to come and never will have is taken out; one that comes stays', async () => {
    const id = await newPackage('working-boat-loan', who)
    const hours = (n: number) => new Date(Date.now() - n * 3_600_000)
    await database()
      .insert(files)
      .values([3, 1].map((n) => ({ packageId: id, name: `${n}.pdf`, createdAt: hours(n) })))
    expect(await forgetUploads()).toBe(1)
    const left = await database().select({ name: files.name }).from(files).where(eq(files.packageId, id))
    expect(left).toEqual([{ name: '1.pdf' }])
  })
})

describe('sign-in', () => {
  const request = () => new Request('http://localhost:3000/sign-in', { method: 'POST' })
  test('with the right password makes a session in the database', async () => {
    const p = await person()
    const result = await signIn(request(), p.email.toUpperCase(), 'a-long-password')
    expect('headers' in result && result.headers.get('set-cookie')).toMatch(/HttpOnly/i)
    expect((await database().select().from(session).where(eq(session.userId, p.id))).length).toBeGreaterThan(
      0,
    )
  })
  test('after eight wrong tries the address is closed for a while, to the right password too', async () => {
    const p = await person()
    for (let i = 0; i < 8; i++)
      expect(await signIn(request(), p.email, 'wrong-password')).toEqual({
        problem: 'E-mail address or password is wrong.',
      })
    expect(await signIn(request(), p.email, 'a-long-password')).toEqual({
      problem: expect.stringMatching(/Too many tries/) as string,
    })
  }, 60_000)
  test('passwords are nowhere in the clear', async () => {
    const { rows } = await database().execute<{ password: string }>(sql`select password from account`)
    for (const row of rows) expect(row.password).not.toContain('a-long-password')
  })
})

test('a package removed takes its pages and files along', async () => {
  const id = await newPackage('working-boat-loan', who)
  await bring(id, 'x.pdf', await pdfOf(payslip('October', '30')), who)
  await database().delete(packages).where(eq(packages.id, id))
  expect(await database().select().from(files).where(eq(files.packageId, id))).toEqual([])
})

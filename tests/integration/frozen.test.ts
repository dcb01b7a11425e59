import { createHash } from 'node:crypto'
import { Readable } from 'node:stream'
import { buffer } from 'node:stream/consumers'
import { eq } from 'drizzle-orm'
import { workingBoatLoan } from '../../demo/lenders/merrow-sound/index.ts'
import type { Person } from '../../server/access/person.ts'
import { historyOf } from '../../server/audit.ts'
import { saveProgram, newestProgram } from '../../server/configuration/programs.ts'
import { recutUntouched } from '../../server/configuration/knowledge.ts'
import { saveType, typesOf } from '../../server/configuration/types.ts'
import { database } from '../../server/database/connection.ts'
import { finishedReports, packages, pages } from '../../server/database/schema.ts'
import { jobWaits, judgementKey } from '../../server/jobs/queue.ts'
import { giveAnswers } from '../../server/packages/answer.ts'
import { finish, openAgain, signOff } from '../../server/packages/finish.ts'
import { exportOf } from '../../server/handover/export.ts'
import { usualReceiver } from '../../core/receivers/index.ts'
import { handedOver } from '../../server/handover/finished.ts'
import { bringFile, newPackage } from '../../server/packages/intake.ts'
import { judge } from '../../server/packages/judge.ts'
import { assign } from '../../server/packages/owners.ts'
import { takeVersion } from '../../server/packages/program-change.ts'
import { packageRow } from '../../server/packages/queries.ts'
import { Refused } from '../../server/packages/states.ts'
import { payslip, pdfOf } from '../support/papers.ts'
import { bring, desk, elsewhere, person, readPackage, stateOf, until } from '../support/server.ts'

const at = desk()
let who: Person
let reviewer: Person
let lead: Person
beforeAll(async () => {
  who = at.who
  ;[reviewer, lead] = await Promise.all([person('reviewer'), person('lead')])
})
let pay = 0
const oneSlip = async () =>
  readPackage(who, await pdfOf(payslip('January', '30', `1,${String(++pay).padStart(3, '0')}.40`)))
const row = async (id: string) => (await packageRow(id, who))!

describe('a finished package', () => {
  test('takes no file that was on its way when it was finished', async () => {
    const id = await oneSlip()
    let end = () => undefined as void
    const held = new Promise<void>((done) => (end = done))
    const bytes = await pdfOf(payslip('May', '29', '3,000.00'))
    async function* slowly() {
      yield bytes.subarray(0, 100)
      await held
      yield bytes.subarray(100)
    }
    const brought = bringFile(id, 'late.pdf', Readable.from(slowly()), who)
    await finish(id, who)
    end()
    expect((await brought).problem).toMatch('This package is finished')
    expect(await stateOf(id)).toEqual({ state: 'finished', read: 1, all: 1 })
  }, 90_000)

  test('is judged and cut no more, whatever was queued before', async () => {
    const id = await oneSlip()
    await finish(id, who)
    const before = await row(id)
    await database().transaction((work) => judge(work, id, 'anew'))
    await recutUntouched(database(), who.organisationId)
    await until(async () => !(await jobWaits(database(), judgementKey(id))))
    expect((await row(id)).version).toBe(before.version)
    expect((await row(id)).assessment).toEqual(before.assessment)
  }, 90_000)

  test('is not finished while pages are being read another way', async () => {
    const id = await oneSlip()
    await giveAnswers(id, [{ kind: 'turn', page: 1, rotation: 180 }], who)
    await database().update(pages).set({ again: true }).where(eq(pages.packageId, id))
    await expect(finish(id, who)).rejects.toThrow('being checked again')
    await until(
      async () =>
        !(await database().select({ again: pages.again }).from(pages).where(eq(pages.packageId, id)))[0]
          .again && !(await jobWaits(database(), judgementKey(id))),
    )
    await finish(id, who)
    expect((await row(id)).state).toBe('finished')
  }, 90_000)

  test('hands out the same for ever, whatever a lead changes afterwards', async () => {
    const id = await oneSlip()
    await finish(id, who)
    const first = await handedOver(id)
    expect(first.report).toContain('net_pay')
    const before = (await typesOf(database(), who.organisationId)).find((t) => t.id === 'payslip')!
    await database().transaction((work) =>
      saveType(work, lead, { ...before, fields: before.fields.filter((f) => f.name !== 'net_pay') }),
    )
    try {
      await database().transaction((work) => judge(work, id))
      const again = await handedOver(id)
      expect(again.report).toBe(first.report)
      expect(again.history).toBe(first.history)
      const [kept] = await database().select().from(finishedReports).where(eq(finishedReports.packageId, id))
      expect(kept.sha256).toBe(createHash('sha256').update(first.report).digest('hex'))
      expect((await historyOf(id)).map((h) => h.detail).join()).toContain(kept.sha256)
      const zip = await buffer(
        Readable.fromWeb((await exportOf(id, usualReceiver, 'zip', who)).body as never),
      )
      expect(zip.includes('report.json')).toBe(true)
    } finally {
      await database().transaction((work) => saveType(work, lead, before))
    }
  }, 90_000)

  test('that was finished before reports were kept is kept from its first hand-over on', async () => {
    const id = await oneSlip()
    await finish(id, who)
    await database().delete(finishedReports).where(eq(finishedReports.packageId, id))
    const { report } = await handedOver(id)
    const [kept] = await database().select().from(finishedReports).where(eq(finishedReports.packageId, id))
    expect([kept.round, kept.report]).toEqual([1, report])
  }, 90_000)

  test('finished anew is another round; the first stays', async () => {
    const id = await oneSlip()
    await finish(id, who)
    await openAgain(id, who)
    await giveAnswers(id, [{ kind: 'type', page: 1, type: 'cover_letter' }], who)
    await finish(id, who)
    const rounds = await database().select().from(finishedReports).where(eq(finishedReports.packageId, id))
    const reports = rounds.toSorted((a, b) => a.round - b.round).map((r) => r.report)
    expect([reports.length, (await handedOver(id)).report === reports[1]]).toEqual([2, true])
    expect(reports[0]).not.toBe(reports[1])
  }, 90_000)
})

describe('a second pair of eyes', () => {
  test('is not escaped by going back to a version that asked for none', async () => {
    await saveProgram(lead, { ...workingBoatLoan, id: 'eyes-later', title: 'Eyes later' })
    const id = await newPackage('eyes-later', who)
    await bring(id, 'papers.pdf', await pdfOf(payslip('June', '30', '2,777.77')), who)
    await until(async () => (await stateOf(id)).state === 'open')
    await saveProgram(lead, {
      ...workingBoatLoan,
      id: 'eyes-later',
      title: 'Eyes later',
      signOff: { waivers: false, differences: false, finish: true, requests: false },
    })
    const { version } = (await newestProgram(database(), who.organisationId, 'eyes-later'))!
    await takeVersion(id, version, who)
    await expect(takeVersion(id, version - 1, who)).rejects.toThrow('A lead moves packages back')
    await expect(takeVersion(id, version - 1, lead)).rejects.toThrow('why it goes back')
    await takeVersion(id, version - 1, lead, 'the survey is not asked for yet')
    expect((await row(id)).programVersion).toBe(version - 1)
    await finish(id, who)
    expect((await row(id)).state).toBe('review')
    await signOff(id, reviewer)
    expect((await row(id)).state).toBe('finished')
  }, 90_000)
})

describe('at once', () => {
  test('two who take one package are not both told that it is theirs', async () => {
    const id = await newPackage('working-boat-loan', who)
    const people = await Promise.all([1, 2, 3, 4].map(() => person()))
    const told = await Promise.allSettled(people.map((p) => assign(id, p.id, p)))
    expect(told.filter((t) => t.status === 'fulfilled')).toHaveLength(1)
    const refused = told.filter((t) => t.status === 'rejected')
    for (const { reason } of refused) expect(reason).toBeInstanceOf(Refused)
  })
  test('six new packages have six numbers', async () => {
    const other = await elsewhere()
    const ids = await Promise.all([1, 2, 3, 4, 5, 6].map(() => newPackage('working-boat-loan', other)))
    const rows = await database()
      .select()
      .from(packages)
      .where(eq(packages.organisationId, other.organisationId))
    expect(new Set(rows.map((r) => r.caseNumber)).size).toBe(ids.length)
  })
  test('one file brought twice is taken once', async () => {
    const id = await newPackage('working-boat-loan', who)
    const bytes = await pdfOf(payslip('July', '31', '1,212.12'))
    const brought = await Promise.all(['a.pdf', 'b.pdf', 'c.pdf'].map((name) => bring(id, name, bytes, who)))
    expect(brought.filter((b) => b.problem === null)).toHaveLength(1)
  })
  test('many who wait for one package keep nobody else waiting for a connection', async () => {
    const id = await newPackage('working-boat-loan', who)
    let letGo = () => undefined as void
    const held = new Promise<void>((done) => (letGo = done))
    const holding = database().transaction(async (work) => {
      await work.select({ id: packages.id }).from(packages).where(eq(packages.id, id)).for('update')
      await held
    })
    const waiting = Array.from({ length: 30 }, () => assign(id, who.id, who).catch(() => undefined))
    const began = Date.now()
    await database().select({ id: packages.id }).from(packages).limit(1)
    expect(Date.now() - began).toBeLessThan(5000)
    letGo()
    await Promise.all([holding, ...waiting])
    expect((await row(id)).ownerId).toBe(who.id)
  })
})

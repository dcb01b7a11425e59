import { traderAccount, workingBoatLoan } from '../../demo/lenders/merrow-sound/index.ts'
import { eq, sql } from 'drizzle-orm'
import { ASSESSMENT_FORM } from '../../core/pipeline/assess.ts'
import { overriddenIn } from '../../core/findings/overridden.ts'
import { note } from '../../server/audit.ts'
import { askedPackage } from '../../server/access/packages.ts'
import { signIn } from '../../server/access/people.ts'
import type { Person } from '../../server/access/person.ts'
import { database } from '../../server/database/connection.ts'
import { audit, packages } from '../../server/database/schema.ts'
import { newestProgram, programsOf, saveProgram } from '../../server/configuration/programs.ts'
import { giveAnswers, undo } from '../../server/packages/answer.ts'
import { Refused } from '../../server/packages/states.ts'
import { finish, openAgain, sendBack, signOff } from '../../server/packages/finish.ts'
import { newPackage } from '../../server/packages/intake.ts'
import { newerFor, takeVersion } from '../../server/packages/program-change.ts'
import { beginTrial, trialState } from '../../server/configuration/trials.ts'
import { packageRow, queue, queueQuery } from '../../server/packages/queries.ts'
import { trailHead, verifyTrail } from '../../server/trail.ts'
import { payslip, pdfOf } from '../support/papers.ts'
import { asOwner, elsewhere, desk, person, readPackage, type Desk, until } from '../support/server.ts'

const at = desk()
let who: Desk['who']
let reviewer: Person
beforeAll(async () => {
  who = at.who
  reviewer = await person('reviewer')
})

const row = async (id: string) => (await packageRow(id, who))!
const status = async (id: string, requirement: string) =>
  (await row(id)).assessment!.checklist.find((c) => c.requirement === requirement)!
const waive = { kind: 'waive', requirement: 'berth', reason: 'the berth is the lender’s own' } as const
const agree = { kind: 'sign', what: 'waive', subject: 'mandate', agreed: true, reason: '' } as const

describe('two pairs of eyes', () => {
  test('a waiver counts once somebody else agreed, never by whoever gave it or by a processor', async () => {
    const id = await readPackage(who, await pdfOf(payslip('January', '30', '1,999.01')))
    await giveAnswers(id, [{ ...waive, requirement: 'mandate' }], who)
    expect([(await status(id, 'mandate')).status, (await row(id)).toSign]).toEqual(['missing', 1])
    expect((await queue(queueQuery.parse({ state: 'to_sign' }), who)).rows.map((r) => r.id)).toContain(id)
    await expect(giveAnswers(id, [agree], who)).rejects.toThrow('A reviewer, a lead or an administrator')
    const own = await person('lead')
    await giveAnswers(id, [{ ...waive, requirement: 'consent' }], own)
    await expect(giveAnswers(id, [{ ...agree, subject: 'consent' }], own)).rejects.toThrow(
      'You decided this yourself',
    )
    await giveAnswers(id, [agree], reviewer)
    expect((await status(id, 'mandate')).status).toBe('waived')
    await giveAnswers(
      id,
      [{ ...agree, subject: 'consent', agreed: false, reason: 'no ground for it' }],
      reviewer,
    )
    expect(overriddenIn((await row(id)).assessment!).map((o) => [o.subject, o.state])).toEqual([
      ['consent', 'refused'],
      ['mandate', 'holds'],
    ])
    await expect(giveAnswers(id, [{ ...agree, subject: 'payoff' }], reviewer)).rejects.toThrow(
      'no such decision',
    )
    await expect(undo(id, own)).rejects.toThrow('only they take it back')
    await expect(
      giveAnswers(id, [{ ...waive, requirement: 'mandate', reason: 'another one' }, agree], own),
    ).rejects.toThrow('said by itself')
    await undo(id, reviewer)
    expect((await row(id)).toSign).toBe(1)
  }, 90_000)

  test('while decisions wait, finishing gives the package to a second person, who signs it off or sends it back', async () => {
    const id = await readPackage(who, await pdfOf(payslip('February', '27', '1,999.02')))
    await giveAnswers(id, [{ ...waive, requirement: 'mandate' }], who)
    await finish(id, who)
    expect((await row(id)).state).toBe('review')
    await expect(giveAnswers(id, [{ kind: 'type', page: 1, type: 'cover_letter' }], who)).rejects.toThrow(
      Refused,
    )
    await expect(signOff(id, who)).rejects.toThrow(Refused)
    await expect(signOff(id, reviewer)).rejects.toThrow('still wait')
    await giveAnswers(id, [agree], reviewer)
    const lead = await person('lead')
    await signOff(id, lead)
    expect((await row(id)).state).toBe('finished')
    // What two people closed, one alone neither opens nor closes.
    await expect(openAgain(id, who)).rejects.toThrow('A second person signed it off')
    await openAgain(id, reviewer)
    await finish(id, who)
    expect((await row(id)).state).toBe('review')
  }, 90_000)

  test('where the program asks for it, somebody who did none of the work signs off', async () => {
    const id = await readPackage(who, await pdfOf(payslip('March', '30', '1,999.03')))
    await saveProgram(who, {
      ...workingBoatLoan,
      id: 'two-eyes',
      title: 'Two eyes',
      signOff: { waivers: false, differences: false, finish: true, requests: false },
    })
    await database()
      .update(packages)
      .set({ program: 'two-eyes', programVersion: 1 })
      .where(eq(packages.id, id))
    const helper = await person('lead')
    await giveAnswers(
      id,
      [
        {
          kind: 'value',
          page: 1,
          field: 'gross_pay',
          value: { amount: '2755.00', currency: 'EUR' },
          state: 'confirmed',
          at: null,
        },
      ],
      helper,
    )
    await finish(id, who)
    await expect(signOff(id, helper)).rejects.toThrow('You worked on this package yourself')
    await sendBack(id, reviewer, 'page 1 is upside down')
    expect((await row(id)).state).toBe('open')
    await finish(id, who)
    await signOff(id, reviewer)
    expect((await row(id)).state).toBe('finished')
  }, 90_000)
})

describe('programs in versions', () => {
  test('a package keeps the version it was judged by until it is moved knowingly', async () => {
    const lead = await person('lead')
    const id = await readPackage(who, await pdfOf(payslip('April', '30', '1,999.04')))
    const { body, version } = (await newestProgram(database(), who.organisationId, 'working-boat-loan'))!
    const draft = { ...body, requirements: body.requirements.filter((r) => r.id !== 'consent') }
    const trying = await beginTrial(lead, draft)
    await until(async () => (await trialState(lead, trying))?.state === 'done')
    const trial = await trialState(lead, trying)
    expect(trial.tried).toBe(trial.packages)
    expect(await trialState(await elsewhere(), trying)).toBeNull()
    expect(trial.differing.find((d) => d.packageId === id)?.changes).toEqual([
      {
        what: 'requirement',
        id: 'consent',
        title: 'Credit check consent',
        before: 'missing',
        after: 'not asked',
      },
    ])
    expect(await saveProgram(lead, draft, version)).toBe(version + 1)
    await expect(saveProgram(lead, body, version)).rejects.toThrow(`Version ${version + 1} was stored while`)
    expect((await row(id)).programVersion).toBe(version)
    expect((await newerFor(id, who.organisationId))?.changes.map((c) => c.id)).toEqual(['consent'])
    await takeVersion(id, version + 1, who)
    expect((await row(id)).assessment!.checklist.map((c) => c.requirement)).not.toContain('consent')
    expect(await newerFor(id, who.organisationId)).toBeNull()
    await expect(takeVersion(id, version + 9, who)).rejects.toThrow(Refused)
    const next = await newPackage('working-boat-loan', who)
    expect((await row(next)).programVersion).toBe(version + 1)
    // Other tests judge by the program as it ships.
    await saveProgram(lead, body)
  }, 90_000)
  test('an organisation’s own program is one more, and nobody else’s', async () => {
    await saveProgram(who, { ...traderAccount, id: 'berth-only', title: 'Berth only' })
    expect((await programsOf(database(), who.organisationId)).map((p) => p.body.id)).toContain('berth-only')
    expect((await programsOf(database(), (await elsewhere()).organisationId)).map((p) => p.body.id)).toEqual([
      'working-boat-loan',
      'trader-account',
    ])
  })
})

describe('the trail', () => {
  test('every act is chained to the one before; a change, a lost act and one put in are found', async () => {
    await Promise.all(
      [1, 2, 3, 4, 5].map((n) =>
        database().transaction((work) =>
          note(work, who, who, 'tried the trail', `act ${n} “with” \\ marks\n and é`),
        ),
      ),
    )
    const whole = await verifyTrail()
    expect(whole).toMatchObject({ broken: null })
    const noted = await trailHead()
    await note(database(), who, who, 'went on')
    expect((await verifyTrail(noted.digest)).broken).toBeNull()
    expect((await verifyTrail('0'.repeat(64))).broken).toMatch('does not have the digest')

    const [mine] = await database().select().from(audit).where(eq(audit.act, 'went on'))
    const behindItsBack = (change: ReturnType<typeof sql>) =>
      asOwner(async (work) => {
        await work.execute(sql`set local session_replication_role = replica`)
        await work.execute(change)
      })
    await behindItsBack(sql`update audit set detail = 'nothing happened' where id = ${mine.id}`)
    expect((await verifyTrail()).broken).toMatch('is not as it was written: “went on”')
    await behindItsBack(sql`update audit set detail = '' where id = ${mine.id}`)
    expect((await verifyTrail()).broken).toBeNull()
    await behindItsBack(sql`insert into audit (user_name, act) values ('Nobody', 'was never here')`)
    expect((await verifyTrail()).broken).toMatch('stands outside the chain')
    await behindItsBack(sql`delete from audit where act = 'was never here'`)
    // Acts noted at once are linked in the order in which their transactions end, not in that of their numbers.
    const last = (
      await database().execute<{ audit_id: number }>(
        sql`select audit_id from audit_link where position = ${noted.acts}`,
      )
    ).rows[0]
    await behindItsBack(sql`delete from audit_link where position = ${noted.acts}`)
    expect((await verifyTrail()).broken).toMatch(`Act ${noted.acts} of the chain is not there`)
    await behindItsBack(
      sql`insert into audit_link (position, audit_id, digest) values (${noted.acts}, ${last.audit_id}, ${noted.digest})`,
    )
  })
  test('acts that were taken back with their transaction leave no gap', async () => {
    await expect(
      database().transaction(async (work) => {
        await note(work, who, who, 'never happened')
        throw new Error('back')
      }),
    ).rejects.toThrow('back')
    await note(database(), who, who, 'happened')
    expect((await verifyTrail()).broken).toBeNull()
  })
})

test('a package that was judged before the shape of verdicts changed is judged again when it is asked for', async () => {
  const id = await readPackage(who, await pdfOf(payslip('May', '29', '1,999.05')))
  const { assessment } = await row(id)
  await database()
    .update(packages)
    .set({ assessment: { ...assessment!, form: 1, facts: [{ old: true }] as never } })
    .where(eq(packages.id, id))
  const signed = await signIn(new Request('http://localhost/sign-in'), who.email, 'a-long-password')
  if ('problem' in signed) throw new Error(signed.problem)
  const cookie = signed.headers
    .getSetCookie()
    .map((c) => c.split(';')[0])
    .join('; ')
  const { row: shown } = await askedPackage(
    new Request('http://localhost/packages', { headers: { cookie } }),
    id,
  )
  expect(shown.assessment).toMatchObject({
    form: ASSESSMENT_FORM,
    facts: expect.not.arrayContaining([{ old: true }]) as unknown[],
  })
}, 90_000)

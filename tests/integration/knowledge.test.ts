import { and, eq } from 'drizzle-orm'
import type { Rule } from '../../core/classification/user-rules.ts'
import { database } from '../../server/database/connection.ts'
import { lessons, packages } from '../../server/database/schema.ts'
import { beginLesson, learningState, useLesson as switchLesson } from '../../server/configuration/lessons.ts'
import { removeRule, rulesOf, saveRule, switchRule, tryRuleOn } from '../../server/configuration/rules.ts'
import { giveAnswers } from '../../server/packages/answer.ts'
import { finish } from '../../server/packages/finish.ts'
import { packageRow, queue, queueQuery, takeNext } from '../../server/packages/queries.ts'
import { personOf, signIn } from '../../server/access/people.ts'
import type { Person } from '../../server/access/person.ts'
import { payslip, pdfOf } from '../support/papers.ts'
import { desk, readPackage, until, elsewhere } from '../support/server.ts'

const at = desk()
const slip = (week: number, sum: string): string[] => [
  'Brackwater Fish Auction',
  'Landing settlement',
  `Week ${week} of the season`,
  `Ling ${sum} in boxes`,
  `Monk ${sum} in boxes`,
  'Less harbour dues and ice',
  `Paid to skipper ${sum}`,
]
const typesOf = async (id: string, who: Person) =>
  (await packageRow(id, who))!.assessment!.documents.map((d) => d.type)
const landing: Rule = {
  name: 'Landing slips',
  says: { kind: 'type', type: 'cover_letter' },
  words: [{ text: 'Landing settlement', place: 'top' }],
  without: [],
}

describe('organisations', () => {
  test('see only their own packages, by whatever way', async () => {
    const [here, there] = [await elsewhere(), await elsewhere()]
    const id = await readPackage(here, await pdfOf(payslip('January', '30')))
    expect(await packageRow(id, there)).toBeNull()
    expect((await queue(queueQuery.parse({ state: 'all' }), there)).total).toBe(0)
    expect(await takeNext(there)).toBeNull()
    expect((await queue(queueQuery.parse({ state: 'all' }), here)).rows.map((r) => r.id)).toEqual([id])
    expect((await packageRow(id, here))!.caseNumber).toMatch(/^THS-\d\d-\d{6}$/)
  })
  test('whoever signs in is of their own one', async () => {
    const there = await elsewhere('processor')
    const tried = await signIn(
      new Request('http://localhost:3000/sign-in', { method: 'POST' }),
      there.email,
      'a-long-password',
    )
    if (!('headers' in tried)) throw new Error(tried.problem)
    const cookie = tried.headers
      .getSetCookie()
      .map((c) => c.split(';')[0])
      .join('; ')
    expect(
      await personOf(new Request('http://localhost:3000/packages', { headers: { cookie } })),
    ).toMatchObject(there)
  })
})

describe('rules', () => {
  test('are tried without changing anything, and change what nobody touched once they are on', async () => {
    const who = await elsewhere()
    const id = await readPackage(who, await pdfOf(slip(9, '812.40'), payslip('January', '30')))
    expect((await typesOf(id, who))[0]).not.toBe('cover_letter')
    const trial = await tryRuleOn(who, id, landing, null)
    expect(trial.hits.map((h) => h.page)).toEqual([1])
    expect(trial.changes.map((c) => c.kind)).toContain('type')
    expect((await typesOf(id, who))[0]).not.toBe('cover_letter')
    const rule = (await saveRule(who, null, landing))!
    expect(await switchRule(who, rule, true)).toBe(1)
    await until(async () => (await typesOf(id, who))[0] === 'cover_letter')
    await removeRule(who, rule)
    await until(async () => (await typesOf(id, who))[0] !== 'cover_letter')
  })
  test('leave a package alone in which somebody has said something', async () => {
    const who = await elsewhere()
    const id = await readPackage(who, await pdfOf(slip(9, '812.40'), payslip('January', '30')))
    await giveAnswers(id, [{ kind: 'type', page: 1, type: 'tax_assessment' }], who)
    const rule = (await saveRule(who, null, landing))!
    expect(await switchRule(who, rule, true)).toBe(0)
    expect((await typesOf(id, who))[0]).toBe('tax_assessment')
  })
  test('a change beside a rule that is on waits for a lead, and another organisation’s rule is nobody’s to change', async () => {
    const [who, other] = [await elsewhere(), await elsewhere()]
    const id = (await saveRule(who, null, landing))!
    await switchRule(who, id, true)
    await saveRule(who, id, { ...landing, name: 'Slips of the auction' })
    const now = async () => (await rulesOf(who)).map((r) => [r.body.name, r.on, r.draft?.name ?? null])
    expect(await now()).toEqual([['Landing slips', true, 'Slips of the auction']])
    // Taken back, nothing waits; put in force, it takes its place.
    await saveRule(who, id, landing)
    expect(await now()).toEqual([['Landing slips', true, null]])
    await saveRule(who, id, { ...landing, name: 'Slips of the auction' })
    await switchRule(who, id, true)
    expect(await now()).toEqual([['Slips of the auction', true, null]])
    expect(await saveRule(other, id, landing)).toBeNull()
    expect(await switchRule(other, id, true)).toBeNull()
    expect(await rulesOf(other)).toEqual([])
  })
})

test('confirmed papers are learnt from, tried on what is kept aside, and used; other organisations learn nothing of it', async () => {
  const who = await elsewhere()
  const settle = async (week: number) => {
    const id = await readPackage(who, await pdfOf(slip(week, `${week}12.40`), payslip('January', '30')))
    await giveAnswers(id, [{ kind: 'type', page: 1, type: 'payslip' }], who)
    await finish(id, who)
  }
  await settle(1)
  await settle(2)
  const state = await learningState(who)
  expect(state.types.find((t) => t.type === 'payslip')).toMatchObject({ samples: 2, aside: 2 })
  expect(state.packagesAside).toBe(1)
  const id = await beginLesson(who)
  await until(async () => (await learningState(who)).lessons[0].state === 'ready')
  const { trial } = (await learningState(who)).lessons[0]
  expect(trial!.after.right).toBeGreaterThan(trial!.before.right)
  const waiting = await readPackage(who, await pdfOf(slip(3, '77.10'), payslip('March', '30')))
  expect(await typesOf(waiting, who)).not.toEqual(['payslip', 'payslip'])
  expect(await switchLesson(who, id)).toBe(1)
  await until(async () => (await typesOf(waiting, who)).join() === 'payslip,payslip')
  expect(await switchLesson(await elsewhere(), id)).toBeNull()
  expect((await learningState(await elsewhere())).lessons).toEqual([])
  await switchLesson(who, null)
  expect(
    await database()
      .select({ id: lessons.id })
      .from(lessons)
      .where(and(eq(lessons.organisationId, who.organisationId), eq(lessons.on, true))),
  ).toEqual([])
  await until(async () => (await typesOf(waiting, who)).join() !== 'payslip,payslip')
})

test('a page turned by a person is read that way, and undoing turns it back', async () => {
  const { who } = at
  const id = await readPackage(who, await pdfOf(payslip('January', '30')))
  const lies = async () => {
    const row = await database().query.pages.findFirst({ where: (p, { eq: is }) => is(p.packageId, id) })
    return [row!.body!.rotation, row!.again]
  }
  await giveAnswers(id, [{ kind: 'turn', page: 1, rotation: 90 }], who)
  await until(async () => (await lies()).join() === '90,false')
  await until(
    async () =>
      (await database().select({ state: packages.state }).from(packages).where(eq(packages.id, id)))[0]
        .state === 'open',
  )
  const { undo } = await import('../../server/packages/answer.ts')
  await undo(id, who)
  await until(async () => (await lies()).join() === '0,false')
})

import { eq } from 'drizzle-orm'
import { TOTP } from 'otpauth'
import {
  addColleague,
  demandSecondFactor,
  inviteColleague,
  peopleOf,
  resetColleague,
  setDisabled,
  setRole,
} from '../../server/access/colleagues.ts'
import { choosePassword, personOfLink } from '../../server/access/links.ts'
import { personOf, signedIn, signIn, signInByCode } from '../../server/access/people.ts'
import { beginSecondFactor, confirmSecondFactor } from '../../server/access/second-factor.ts'
import { actsOf } from '../../server/audit.ts'
import { starterSets, takeStarter, typesSpokenOf } from '../../server/configuration/starter.ts'
import { removeType, typesOf } from '../../server/configuration/types.ts'
import { database } from '../../server/database/connection.ts'
import { account, audit, session, user, verification } from '../../server/database/schema.ts'
import { desk, elsewhere, person } from '../support/server.ts'

desk()
const knock = (email: string, password: string) =>
  signIn(new Request('http://localhost:3000/sign-in', { method: 'POST' }), email, password)

test('a colleague signs in with the password that is shown once, and is of that organisation alone', async () => {
  const who = await elsewhere('administrator')
  const email = `Nils-${Date.now()}@tern.example`
  const password = (await addColleague(who, who.organisationId, {
    name: 'Nils Berg',
    email,
    role: 'reviewer',
  }))!
  expect(password).toMatch(/^(?:[a-z2-9]{4}-){3}[a-z2-9]{4}$/)
  expect(await knock(email, password)).toHaveProperty('headers')
  expect(await knock(email, 'another-password')).toHaveProperty('problem')
  expect((await peopleOf(who.organisationId)).map((p) => [p.name, p.role])).toContainEqual([
    'Nils Berg',
    'reviewer',
  ])
  const [row] = await database().select().from(user).where(eq(user.email, email.toLowerCase()))
  expect(row.organisationId).toBe(who.organisationId)
})
test('an address that somebody has is refused: no password is shown that would not work', async () => {
  const [who, other] = [await elsewhere('administrator'), await elsewhere('administrator')]
  expect(
    await addColleague(other, other.organisationId, {
      name: 'Again',
      email: who.email.toUpperCase(),
      role: 'lead',
    }),
  ).toBeNull()
})
test('a role is changed in one’s own organisation alone', async () => {
  const [who, other] = [await elsewhere('administrator'), await elsewhere('processor')]
  expect(await setRole(who, who.organisationId, other.id, 'administrator')).toBe(false)
  const [row] = await database().select().from(user).where(eq(user.id, other.id))
  expect(row.role).toBe('processor')
  expect(await setRole(who, other.organisationId, other.id, 'lead')).toBe(true)
})
test('a program of a starter set brings the types that it speaks of; nothing else of the set comes with it', async () => {
  const who = await elsewhere('administrator')
  const sets = await starterSets()
  expect(sets.map((s) => s.id)).toEqual(['merrow-sound', 'tarrow-valley'])
  const [, set] = sets
  const types = typesSpokenOf(set, ['share-account'])
  expect([...types].sort()).toEqual(['drivers_license', 'share_account_application', 'voided_check'])
  const before = (await typesOf(database(), who.organisationId)).length
  await takeStarter(database(), who, who.organisationId, set, {
    types,
    programs: ['share-account'],
    registers: [],
    lender: false,
  })
  expect(await typesOf(database(), who.organisationId)).toHaveLength(before + 3)
  expect(await removeType(who, 'voided_check')).toContain('“Share account” asks for it')
})

test('a link lets a person choose a password once, and a weak one or an old link is refused', async () => {
  const who = await elsewhere('administrator')
  const email = `sol-${Date.now()}@tern.example`
  const link = (await inviteColleague(who, who.organisationId, {
    name: 'Sol Vane',
    email,
    role: 'processor',
  }))!
  const token = link.split('/').at(-1)!
  expect((await personOfLink(token))?.email).toBe(email)
  expect(JSON.stringify(await database().select().from(verification))).not.toContain(token)
  expect(await choosePassword(token, 'osprey kettle vault')).toBe(true)
  expect(await choosePassword(token, 'another kettle vault')).toBe(false)
  expect(await personOfLink(token)).toBeNull()
  expect(await knock(email, 'osprey kettle vault')).toHaveProperty('headers')
  // Of two links the later one counts.
  const person = (await peopleOf(who.organisationId)).find((p) => p.email === email)!
  const first = (await resetColleague(who, who.organisationId, person.id))!
  const second = (await resetColleague(who, who.organisationId, person.id))!
  expect(await personOfLink(first.split('/').at(-1)!)).toBeNull()
  await database()
    .update(verification)
    .set({ expiresAt: new Date(Date.now() - 1000) })
    .where(eq(verification.value, person.id))
  expect(await personOfLink(second.split('/').at(-1)!)).toBeNull()
})

const cookieOf = (signed: Awaited<ReturnType<typeof knock>>): string => {
  if ('problem' in signed) throw new Error(signed.problem)
  return signed.headers
    .getSetCookie()
    .map((one) => one.split(';')[0])
    .join('; ')
}
const asking = (cookie: string) => new Request('http://localhost:3000/packages', { headers: { cookie } })

test('a person who is switched off is out at once, and signs in no more until they are switched on', async () => {
  const administrator = await elsewhere('administrator')
  const who = await person('processor', administrator.organisationId)
  const cookie = cookieOf(await knock(who.email, 'a-long-password'))
  expect((await personOf(asking(cookie)))?.id).toBe(who.id)
  expect(await setDisabled(administrator, administrator.organisationId, who.id, true)).toBe(true)
  expect(await personOf(asking(cookie))).toBeNull()
  expect(await knock(who.email, 'a-long-password')).toHaveProperty('problem')
  await setDisabled(administrator, administrator.organisationId, who.id, false)
  expect(await knock(who.email, 'a-long-password')).toHaveProperty('headers')
  const acts = (await actsOf(administrator.organisationId, null, 50)).map((a) => a.act)
  for (const act of ['signed in', 'could not sign in', 'switched a person off', 'switched a person on'])
    expect(acts).toContain(act)
})

test('a session ends twelve hours after signing in, whatever is done meanwhile', async () => {
  const who = await person()
  const cookie = cookieOf(await knock(who.email, 'a-long-password'))
  await personOf(asking(cookie))
  const [row] = await database().select().from(session).where(eq(session.userId, who.id))
  const hours = (row.expiresAt.getTime() - row.createdAt.getTime()) / 3_600_000
  expect(hours).toBeCloseTo(12, 2)
  await database()
    .update(session)
    .set({ expiresAt: new Date(Date.now() - 1) })
    .where(eq(session.userId, who.id))
  expect(await personOf(asking(cookie))).toBeNull()
})

const from = (client: string, more: Record<string, string> = {}) =>
  new Request('http://localhost:3000/sign-in', {
    method: 'POST',
    headers: { 'x-jigsa-client': client, ...more },
  })

describe('wrong tries', () => {
  test('shut out whoever makes them, and nobody else: not the owner elsewhere, not on a device that is known', async () => {
    const who = await person()
    const device = cookieOf(await signIn(from('10.1.0.1'), who.email, 'a-long-password'))
    for (let i = 0; i < 8; i++) await signIn(from('10.1.0.9'), who.email, `wrong-${i}`)
    expect(await signIn(from('10.1.0.9'), who.email, 'a-long-password')).toMatchObject({
      problem: expect.stringMatching('Too many tries') as string,
    })
    expect(await signIn(from('10.1.0.2'), who.email, 'a-long-password')).toHaveProperty('headers')
    expect(await signIn(from('10.1.0.9', { cookie: device }), who.email, 'a-long-password')).toHaveProperty(
      'headers',
    )
    const acts = (await actsOf(who.organisationId, null, 60)).map((a) => `${a.act}: ${a.detail}`)
    expect(acts).toContain(`shut the sign-in for a while: ${who.email}, from 10.1.0.9`)
  }, 60_000)
  test('one password tried on everybody in turn is stopped', async () => {
    const ends = []
    for (let i = 0; i < 42; i++)
      ends.push(await signIn(from('10.2.0.9'), `nobody-${i}@tern.example`, 'Summer2026!'))
    expect(ends.slice(0, 38).every((e) => 'problem' in e && e.problem.includes('wrong'))).toBe(true)
    expect(ends.at(-1)).toMatchObject({ problem: expect.stringMatching('Too many tries') as string })
  }, 60_000)
})

test('a second factor is asked for after the password, and a spare code counts once', async () => {
  const who = await person()
  const cookie = cookieOf(await knock(who.email, 'a-long-password'))
  expect(await beginSecondFactor(asking(cookie), 'not-the-password')).toBeNull()
  const begun = (await beginSecondFactor(asking(cookie), 'a-long-password'))!
  const device = new TOTP({ secret: new URL(begun.uri).searchParams.get('secret')! })
  expect(await confirmSecondFactor(asking(cookie), who, '000000')).toBeNull()
  expect(await confirmSecondFactor(asking(cookie), who, device.generate())).not.toBeNull()

  const half = await knock(who.email, 'a-long-password')
  expect(half).toMatchObject({ second: true })
  expect(await personOf(asking(cookieOf(half)))).toBeNull()
  expect(await signInByCode(asking(cookieOf(half)), '123456')).toHaveProperty('problem')
  const acts = await database().select().from(audit).where(eq(audit.userId, who.id))
  expect(acts.filter((a) => a.act === 'could not sign in')).toHaveLength(1)
  const whole = await signInByCode(asking(cookieOf(half)), device.generate())
  expect((await personOf(asking(cookieOf(whole))))?.id).toBe(who.id)

  // Coming in by a code is coming in: nobody is shut out for having done so often.
  for (let i = 0; i < 9; i++) {
    const again = await knock(who.email, 'a-long-password')
    expect(await signInByCode(asking(cookieOf(again)), device.generate())).toHaveProperty('headers')
  }

  const spare = async () =>
    signInByCode(asking(cookieOf(await knock(who.email, 'a-long-password'))), begun.spare[0])
  expect(await spare()).toHaveProperty('headers')
  expect(await spare()).toHaveProperty('problem')
})

test('whose role signs in with a second factor sets one up before anything else', async () => {
  const administrator = await elsewhere('administrator')
  const who = await person('lead', administrator.organisationId)
  await demandSecondFactor(administrator, ['lead'])
  const cookie = cookieOf(await knock(who.email, 'a-long-password'))
  await expect(signedIn(asking(cookie))).rejects.toMatchObject({ status: 302 })
  const own = new Request('http://localhost:3000/account', { headers: { cookie } })
  expect((await signedIn(own)).lacksSecondFactor).toBe(true)
  // Who comes in by a provider alone has no password to set one up by; the provider asks for what it asks for.
  await database().update(account).set({ password: null }).where(eq(account.userId, who.id))
  expect((await signedIn(asking(cookie))).lacksSecondFactor).toBe(false)
})

import { eq } from 'drizzle-orm'
import { addColleague, peopleOf, setRole } from '../../server/access/colleagues.ts'
import { signIn } from '../../server/access/people.ts'
import { starterSets, takeStarter, typesSpokenOf } from '../../server/configuration/starter.ts'
import { removeType, typesOf } from '../../server/configuration/types.ts'
import { database } from '../../server/database/connection.ts'
import { user } from '../../server/database/schema.ts'
import { desk, elsewhere } from '../support/server.ts'

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
  expect(await setRole(who, other.id, 'administrator')).toBe(false)
  const [row] = await database().select().from(user).where(eq(user.id, other.id))
  expect(row.role).toBe('processor')
  expect(await setRole({ ...who, organisationId: other.organisationId }, other.id, 'lead')).toBe(true)
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

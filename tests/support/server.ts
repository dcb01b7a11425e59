import { merrowSound } from '../../demo/lenders/merrow-sound/index.ts'
import { Readable } from 'node:stream'
import { jest } from '@jest/globals'
import { eq } from 'drizzle-orm'
import { drizzle } from 'drizzle-orm/node-postgres'
import pg from 'pg'
import type { ChildProcess } from 'node:child_process'
import { endProcess, startWorker } from '../../cli/processes.ts'
import { nameOrganisation } from '../../server/access/organisations.ts'
import { takeStarter } from '../../server/configuration/starter.ts'
import { addPerson } from '../../server/access/people.ts'
import type { Person } from '../../server/access/person.ts'
import { closeDatabase, database, type Work } from '../../server/database/connection.ts'
import { migrateDatabase } from '../../server/database/migrate.ts'
import { FIRST_ORGANISATION, packages, user, type Role } from '../../server/database/schema.ts'
import { bringFile, newPackage } from '../../server/packages/intake.ts'
import { packageRow } from '../../server/packages/queries.ts'

let people = 0

/** A person of the desk who can sign in. */
export async function person(role: Role = 'processor', organisationId?: string): Promise<Person> {
  const email = `person${++people}-${Date.now()}@merrowsound.example`
  const id = await addPerson(`Person ${people}`, email, 'a-long-password', role, organisationId)
  const [row] = await database().select().from(user).where(eq(user.id, id))
  return { id: row.id, name: row.name, email: row.email, role: row.role, organisationId: row.organisationId }
}

let organisationsMade = 0

/** A person of an organisation of its own, with the starter set. */
export async function elsewhere(role: Role = 'lead'): Promise<Person> {
  const id = `house-${++organisationsMade}-${Date.now()}`
  await nameOrganisation(id, 'Tern Harbour Savings', 'THS')
  await takeStarter(database(), null, id, merrowSound)
  return person(role, id)
}

export const bring = (packageId: string, name: string, bytes: Uint8Array, who: Person) =>
  bringFile(packageId, name, Readable.from([bytes]), who)

/** Does something to the database as the owner of its tables, in a transaction. */
export async function asOwner(act: (work: Work) => Promise<unknown>): Promise<void> {
  const client = new pg.Client({ connectionString: process.env.DATABASE_OWNER_URL })
  await client.connect()
  try {
    await drizzle(client).transaction(async (work) => void (await act(work as unknown as Work)))
  } finally {
    await client.end()
  }
}

/** A package with one file, read and judged by a worker process. */
export async function readPackage(who: Person, bytes: Uint8Array): Promise<string> {
  const id = await newPackage('working-boat-loan', who, { asOf: '2026-04-10' })
  await bring(id, 'papers.pdf', bytes, who)
  await until(async () => (await packageRow(id, who))?.state === 'open')
  return id
}

/** Waits for something that another process brings about. */
export async function until(holds: () => Promise<boolean>, seconds = 60): Promise<void> {
  for (const end = Date.now() + seconds * 1000; Date.now() < end;) {
    if (await holds()) return
    await new Promise((done) => setTimeout(done, 100))
  }
  throw new Error('It did not come about in time.')
}

/** A worker process of this test; end it with the returned function, or kill it to see what happens. */
export function worker(): { child: ChildProcess; end: () => Promise<void> } {
  const child = startWorker(process.env, 'ignore')
  return { child, end: () => endProcess(child) }
}

export const stateOf = async (id: string) =>
  (
    await database()
      .select({ state: packages.state, read: packages.pagesRead, all: packages.pageCount })
      .from(packages)
      .where(eq(packages.id, id))
  )[0]

/** What the tests of a file work with; there once the first of them begins. */
export interface Desk {
  who: Person
  running: ReturnType<typeof worker>
}

/** A worker process and a person of the desk for all tests of a file, on a database brought up to date. */
export function desk(): Desk {
  const at = {} as Desk
  // They wait for another process: on a busy machine five seconds would measure the machine.
  jest.setTimeout(60_000)
  beforeAll(async () => {
    await migrateDatabase()
    await takeStarter(database(), null, FIRST_ORGANISATION, merrowSound)
    at.running = worker()
    at.who = await person()
  }, 60_000)
  afterAll(async () => {
    await at.running.end()
    await closeDatabase()
  })
  return at
}

import { sql } from 'drizzle-orm'
import pg from 'pg'
import type { Work } from './database/connection.ts'
import { log } from './log.ts'
import { settings } from './settings.ts'

/** Something changed in a package, or in what came to an organisation; screens that show it ask again. */
export interface Change {
  /** Null where it is in no package. */
  packageId: string | null
  organisationId: string
  what: 'progress' | 'judged' | 'files' | 'queue' | 'arrivals'
}

const CHANNEL = 'jigsa_change'

/** Tells every web process, once the transaction stands. */
export async function tell(
  work: Work,
  change: { packageId: string; what: Exclude<Change['what'], 'arrivals'> },
): Promise<void> {
  await work.execute(
    sql`select pg_notify(${CHANNEL},
      json_build_object('packageId', id, 'organisationId', organisation_id, 'what', ${change.what}::text)::text)
      from package where id = ${change.packageId}`,
  )
}

/** Tells every web process of what came and is in no package, or of how a source is. */
export async function tellArrivals(work: Work, organisationId: string): Promise<void> {
  const change: Change = { packageId: null, organisationId, what: 'arrivals' }
  await work.execute(sql`select pg_notify(${CHANNEL}, ${JSON.stringify(change)})`)
}

/** `null` stands for changes that may have been missed. */
type Listener = (change: Change | null) => void
const listeners = new Set<Listener>()
let line: Promise<pg.Client> | null = null

/**
 * Hears all changes from the moment the promise is kept until the returned function is called. One connection
 * serves all listeners of the process; it ends with the last of them.
 */
export async function hear(listener: Listener): Promise<() => void> {
  listeners.add(listener)
  // A listener that is told it hears, while the database does not know yet, would miss what happens in between.
  await (line ??= listen())
  return () => {
    listeners.delete(listener)
    if (listeners.size === 0) hangUp()
  }
}

function hangUp(): void {
  void line?.then((client) => client.end()).catch(() => undefined)
  line = null
}

async function listen(): Promise<pg.Client> {
  const client = new pg.Client({ connectionString: settings().DATABASE_URL })
  const lost = (error: unknown) => {
    log.warn({ error: String(error) }, 'lost the connection for changes')
    hangUp()
    setTimeout(() => void catchUp(), 2000)
  }
  client.on('error', lost)
  client.on('notification', ({ payload }) => {
    if (!payload) return
    const change = JSON.parse(payload) as Change
    for (const listener of listeners) listener(change)
  })
  await client
    .connect()
    .then(() => client.query(`listen ${CHANNEL}`))
    .catch(lost)
  return client
}

/** Connects again, and lets everyone look afresh: the database may have been away for long. */
async function catchUp(): Promise<void> {
  if (listeners.size === 0) return
  await (line ??= listen())
  for (const listener of listeners) listener(null)
}

import { sql } from 'drizzle-orm'
import pg from 'pg'
import type { Work } from './database/connection.ts'
import { log } from './log.ts'
import { settings } from './settings.ts'

/** Something changed in a package; screens that show it ask again. */
export interface Change {
  packageId: string
  what: 'progress' | 'judged' | 'files' | 'queue'
}

const CHANNEL = 'jigsa_change'

/** Tells every web process, once the transaction stands. */
export async function tell(work: Work, change: Change): Promise<void> {
  await work.execute(sql`select pg_notify(${CHANNEL}, ${JSON.stringify(change)})`)
}

type Listener = (change: Change) => void
const listeners = new Set<Listener>()
let listening: Promise<void> | null = null

/** Hears all changes until the returned function is called. One connection serves all listeners of the process. */
export function hear(listener: Listener): () => void {
  listeners.add(listener)
  listening ??= listen()
  return () => void listeners.delete(listener)
}

async function listen(): Promise<void> {
  const client = new pg.Client({ connectionString: settings().DATABASE_URL })
  const again = () => {
    listening = null
    void client.end().catch(() => undefined)
    // The database may be restarting; screens also ask by themselves now and then, so nothing is lost meanwhile.
    if (listeners.size > 0) setTimeout(() => { listening ??= listen() }, 2000)
  }
  client.on('error', (error) => {
    log.warn({ error: error.message }, 'lost the connection for changes')
    again()
  })
  client.on('notification', ({ payload }) => {
    if (!payload) return
    const change = JSON.parse(payload) as Change
    for (const listener of listeners) listener(change)
  })
  try {
    await client.connect()
    await client.query(`listen ${CHANNEL}`)
  } catch {
    again()
  }
}

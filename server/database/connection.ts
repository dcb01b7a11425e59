import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres'
import pg from 'pg'
import { log } from '../log.ts'
import { settings } from '../settings.ts'
import * as schema from './schema.ts'

export type Database = NodePgDatabase<typeof schema>
/** A transaction, or the database itself. */
export type Work = Pick<Database, 'select' | 'selectDistinctOn' | 'insert' | 'update' | 'delete' | 'execute'>

let pool: pg.Pool | null = null
let opened: Database | null = null

export function connections(): pg.Pool {
  if (!pool) {
    pool = new pg.Pool({ connectionString: settings().DATABASE_URL, max: 12 })
    // An idle connection that breaks (the database restarts) is replaced by the pool; unheard, the event
    // would end the process.
    pool.on('error', (error) => log.warn({ error: error.message }, 'lost a connection to the database'))
  }
  return pool
}

/** The database of this process. */
export function database(): Database {
  opened ??= drizzle(connections(), { schema })
  return opened
}

export async function closeDatabase(): Promise<void> {
  await pool?.end()
  pool = null
  opened = null
}

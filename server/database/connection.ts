import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres'
import pg from 'pg'
import { log } from '../log.ts'
import { settings } from '../settings.ts'
import * as schema from './schema.ts'

export type Database = NodePgDatabase<typeof schema>
/** A transaction, or the database itself. */
export type Work = Pick<
  Database,
  'select' | 'selectDistinctOn' | 'insert' | 'update' | 'delete' | 'execute' | 'transaction'
>

let pool: pg.Pool | null = null
let opened: Database | null = null

const MOST_CONNECTIONS = 16

/**
 * Milliseconds that this process waits for the database. Whoever waits longer for a row or a connection is told so,
 * and makes room for others; without bounds one package that is being judged keeps a whole desk waiting.
 */
const PATIENCE = {
  connectionTimeoutMillis: 10_000,
  lock_timeout: 15_000,
  statement_timeout: 120_000,
  idle_in_transaction_session_timeout: 300_000,
}

export function connections(): pg.Pool {
  if (!pool) {
    pool = new pg.Pool({ connectionString: settings().DATABASE_URL, max: MOST_CONNECTIONS, ...PATIENCE })
    // A connection that breaks (the database restarts) is replaced by the pool, at rest or in the middle of a
    // transaction; unheard, the event would end the process with the requests of everybody else.
    const lost = (error: Error) => log.warn({ error: error.message }, 'lost a connection to the database')
    pool.on('error', lost)
    pool.on('connect', (client) => client.on('error', lost))
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

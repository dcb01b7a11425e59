import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres'
import pg from 'pg'
import { settings } from '../settings.ts'
import * as schema from './schema.ts'

export type Database = NodePgDatabase<typeof schema>
/** A transaction, or the database itself. */
export type Work = Pick<Database, 'select' | 'insert' | 'update' | 'delete' | 'execute'>

let pool: pg.Pool | null = null
let opened: Database | null = null

export function connections(): pg.Pool {
  pool ??= new pg.Pool({ connectionString: settings().DATABASE_URL, max: 12 })
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

import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { migrate } from 'drizzle-orm/node-postgres/migrator'
import { runMigrations } from 'graphile-worker'
import { describeOlderRegisters } from '../configuration/starter.ts'
import { connections, database } from './connection.ts'

/** Brings the database to the newest form: the application's tables and the job queue's. */
export async function migrateDatabase(): Promise<void> {
  await migrate(database(), { migrationsFolder: join(dirname(fileURLToPath(import.meta.url)), 'migrations') })
  await runMigrations({ pgPool: connections() })
  await describeOlderRegisters()
}

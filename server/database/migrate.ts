import { readFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { sql } from 'drizzle-orm'
import { drizzle } from 'drizzle-orm/node-postgres'
import { migrate } from 'drizzle-orm/node-postgres/migrator'
import { runMigrations } from 'graphile-worker'
import pg from 'pg'
import { describeOlderRegisters } from '../configuration/starter.ts'
import { listOlderDocuments } from '../packages/judge.ts'
import { settings } from '../settings.ts'
import { database } from './connection.ts'

const MIGRATIONS = join(dirname(fileURLToPath(import.meta.url)), 'migrations')

/** Held while the database is brought up to date: two processes that begin at once do it one after the other. */
const MIGRATION_LOCK = 7302

/** Words of the trail that nobody but the owner of the tables may touch; see `trail.ts`. */
const TRAIL = ['audit', 'audit_link']

/**
 * Brings the database to the newest form, the application's tables and the job queue's, as the owner of the tables,
 * and lets the application's role do with them what it needs: of the trail it may read and add.
 */
export async function migrateDatabase(): Promise<void> {
  const { DATABASE_URL, DATABASE_OWNER_URL } = settings()
  const ownerUrl = DATABASE_OWNER_URL ?? DATABASE_URL
  const owner = new pg.Client({ connectionString: ownerUrl })
  await owner.connect()
  try {
    await owner.query('select pg_advisory_lock($1)', [MIGRATION_LOCK])
    await migrate(drizzle(owner), { migrationsFolder: MIGRATIONS })
    await runMigrations({ connectionString: ownerUrl })
    const role = decodeURIComponent(new URL(DATABASE_URL).username)
    if (role !== decodeURIComponent(new URL(ownerUrl).username)) await grantTo(owner, role)
    await describeOlderRegisters()
    await listOlderDocuments()
  } finally {
    // The lock ends with its connection.
    await owner.end()
  }
}

/** What the application may do, stated anew each time: a table that is new has nobody's rights yet. */
async function grantTo(owner: pg.Client, role: string): Promise<void> {
  const to = pg.escapeIdentifier(role)
  const trail = TRAIL.join(', ')
  await owner.query(`
    grant usage on schema public, drizzle, graphile_worker to ${to};
    grant select on all tables in schema drizzle to ${to};
    grant select, insert, update, delete on all tables in schema public, graphile_worker to ${to};
    grant usage, select on all sequences in schema public, graphile_worker to ${to};
    grant execute on all functions in schema graphile_worker to ${to};
    revoke all on ${trail} from ${to};
    grant select, insert on audit to ${to};
    grant select on audit_link to ${to};`)
  // The job queue lets nobody see a row of its own tables but their owner, whatever was granted.
  const { rows } = await owner.query<{ name: string }>(`
    select relname as name from pg_class
    where relnamespace = 'graphile_worker'::regnamespace and relkind = 'r' and relrowsecurity`)
  for (const { name } of rows) {
    const table = `graphile_worker.${pg.escapeIdentifier(name)}`
    await owner.query(`
      drop policy if exists application on ${table};
      create policy application on ${table} to ${to} using (true) with check (true);`)
  }
}

interface Journal {
  entries: { when: number }[]
}

/** How the database's form stands to the one that this program knows. */
export type DatabaseForm = 'same' | 'older' | 'newer'

/** PostgreSQL's codes (Appendix A) for what is not there. */
const [UNDEFINED_TABLE, UNDEFINED_SCHEMA] = ['42P01', '3F000']

/** Whether this program fits the database: one that does not would write what others cannot read. */
export async function databaseForm(): Promise<DatabaseForm> {
  const journal = JSON.parse(readFileSync(join(MIGRATIONS, 'meta', '_journal.json'), 'utf8')) as Journal
  const known = Math.max(...journal.entries.map((entry) => entry.when))
  const has = await database()
    .execute<{ at: string | null }>(sql`select max(created_at) as at from drizzle.__drizzle_migrations`)
    .then(
      ({ rows }) => Number(rows[0].at ?? 0),
      (error: unknown) => {
        // An empty database has no such table; one that cannot be reached is another matter.
        const code = ((error as Error).cause as NodeJS.ErrnoException | undefined)?.code
        if (code === UNDEFINED_TABLE || code === UNDEFINED_SCHEMA) return 0
        throw new Error(`the database cannot be asked (${code ?? 'no answer'})`)
      },
    )
  return has === known ? 'same' : has < known ? 'older' : 'newer'
}

/** Whether the application's role could rewrite the trail: it owns its tables, or may do anything. */
export async function mayRewriteTrail(): Promise<boolean> {
  const { rows } = await database().execute<{ may: boolean }>(sql`
    select bool_or(r.rolsuper or pg_has_role(current_user, c.relowner, 'MEMBER')) as may
    from pg_class c, pg_roles r where c.relname = 'audit' and c.relkind = 'r' and r.rolname = current_user`)
  return rows[0]?.may ?? false
}

import { eq, sql } from 'drizzle-orm'
import pg from 'pg'
import type { WorkerUtils } from 'graphile-worker'
import { database } from '../database/connection.ts'
import { workers } from '../database/schema.ts'
import { log } from '../log.ts'
import { settings } from '../settings.ts'

/** The class of the advisory locks by which worker processes say that they live. */
const WORKER_LOCKS = 7301

/** Worker processes whose lock on the database holds. */
export async function workersAlive(): Promise<number> {
  const { rows } = await database().execute<{ alive: string }>(sql`
    select count(*) as alive from worker_process w where exists (
      select 1 from pg_locks l where l.locktype = 'advisory' and l.granted
        and l.classid = ${WORKER_LOCKS} and l.objid = w.id
        and l.database = (select oid from pg_database where datname = current_database()))`)
  return Number(rows[0].alive)
}

/**
 * Says that this process lives, by a lock that the database lets go the moment its connection ends, and frees
 * the work of processes that died: a killed worker's jobs go on with the next one within seconds.
 */
export class Alive {
  private readonly id = Math.floor(Math.random() * 2_000_000_000)
  private readonly client = new pg.Client({ connectionString: settings().DATABASE_URL })
  private timer: NodeJS.Timeout | null = null

  async begin(workerIds: readonly string[], utils: WorkerUtils): Promise<void> {
    await this.client.connect()
    this.client.on('error', (error) => {
      // Without the lock others would take this process for dead and do its work twice: better to end.
      log.error({ error: error.message }, 'lost the database')
      process.exit(1)
    })
    await this.client.query('select pg_advisory_lock($1, $2)', [WORKER_LOCKS, this.id])
    await database()
      .insert(workers)
      .values({ id: this.id, workerIds: [...workerIds] })
    const sweep = () =>
      void this.sweep(utils).catch((error: unknown) =>
        log.warn({ error: String(error) }, 'could not look for dead workers'),
      )
    sweep()
    this.timer = setInterval(sweep, 4000)
  }

  private async sweep(utils: WorkerUtils): Promise<void> {
    for (const row of await database().select().from(workers)) {
      if (row.id === this.id) continue
      const { rows } = await this.client.query<{ free: boolean }>(
        'select pg_try_advisory_lock($1, $2) as free',
        [WORKER_LOCKS, row.id],
      )
      if (!rows[0].free) continue
      await utils.forceUnlockWorkers(row.workerIds)
      await database().delete(workers).where(eq(workers.id, row.id))
      await this.client.query('select pg_advisory_unlock($1, $2)', [WORKER_LOCKS, row.id])
      log.warn({ worker: row.id }, 'took up the work of a dead worker')
    }
  }

  async end(): Promise<void> {
    if (this.timer) clearInterval(this.timer)
    await database().delete(workers).where(eq(workers.id, this.id))
    await this.client.end()
  }
}

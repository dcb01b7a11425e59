import { sql, type SQL } from 'drizzle-orm'
import { collectDefaultMetrics, Gauge, Histogram, Registry } from 'prom-client'
import { connections, database } from './database/connection.ts'
import { workersAlive } from './jobs/alive.ts'

/** The figures of a web process and of the work that waits, in the text format of Prometheus. */
const registry = new Registry()
collectDefaultMetrics({ register: registry })

const requests = new Histogram({
  name: 'jigsa_request_seconds',
  help: 'Seconds until a request was answered',
  labelNames: ['method', 'status'] as const,
  buckets: [0.01, 0.03, 0.1, 0.3, 1, 3, 10, 30],
  registers: [registry],
})

/** Counts a request that was answered. */
export const observeRequest = (method: string, status: number, seconds: number): void =>
  requests.observe({ method, status: `${Math.floor(status / 100)}xx` }, seconds)

const gauge = (name: string, help: string, labelNames: readonly string[] = []): Gauge =>
  new Gauge({ name, help, labelNames, registers: [registry] })

const jobs = gauge('jigsa_jobs', 'Jobs that wait, by kind of work', ['task'])
const oldest = gauge('jigsa_oldest_job_seconds', 'Age of the oldest job that waits to be run')
const failed = gauge('jigsa_jobs_failed', 'Jobs that failed for good and nobody looked after yet', ['task'])
const states = gauge('jigsa_packages', 'Packages by state', ['state'])
const workers = gauge('jigsa_workers', 'Worker processes alive')
const pool = gauge('jigsa_database_connections', 'Connections of this process to the database', ['use'])

/** All figures, those of the database as they are now. */
export async function metrics(): Promise<{ type: string; text: string }> {
  const counted = async (figure: Gauge, label: string, query: SQL) => {
    const { rows } = await database().execute<{ label: string; n: string }>(query)
    figure.reset()
    for (const row of rows) figure.set({ [label]: row.label }, Number(row.n))
  }
  const waits = sql`from graphile_worker.jobs where attempts < max_attempts`
  await counted(jobs, 'task', sql`select task_identifier as label, count(*) as n ${waits} group by 1`)
  await counted(failed, 'task', sql`select task as label, count(*) as n from failed_job group by 1`)
  await counted(states, 'state', sql`select state as label, count(*) as n from package group by 1`)
  const { rows } = await database().execute<{ age: string }>(
    sql`select coalesce(max(extract(epoch from now() - run_at)), 0) as age ${waits} and run_at <= now()`,
  )
  oldest.set(Number(rows[0].age))
  workers.set(await workersAlive())
  const { totalCount, idleCount, waitingCount } = connections()
  pool.set({ use: 'open' }, totalCount)
  pool.set({ use: 'idle' }, idleCount)
  pool.set({ use: 'awaited' }, waitingCount)
  return { type: registry.contentType, text: await registry.metrics() }
}

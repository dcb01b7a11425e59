import { sql } from 'drizzle-orm'
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

const gauge = <L extends string>(name: string, help: string, labelNames: readonly L[] = []) =>
  new Gauge({ name, help, labelNames, registers: [registry] })

const jobs = gauge('jigsa_jobs', 'Jobs that wait, by kind of work', ['task'])
const oldest = gauge('jigsa_oldest_job_seconds', 'Age of the oldest job that waits to be run')
const failed = gauge('jigsa_jobs_failed', 'Jobs that failed for good', ['task'])
const states = gauge('jigsa_packages', 'Packages by state', ['state'])
const workers = gauge('jigsa_workers', 'Worker processes alive')
const pool = gauge('jigsa_database_connections', 'Connections of this process to the database', ['use'])

/** All figures, those of the database as they are now. */
export async function metrics(): Promise<{ type: string; text: string }> {
  const waiting = await database().execute<{
    task: string
    n: string
    failed: string
    age: string | null
  }>(sql`
    select task_identifier as task,
      count(*) filter (where attempts < max_attempts) as n,
      count(*) filter (where attempts >= max_attempts and locked_at is null) as failed,
      max(extract(epoch from now() - run_at)) filter (where attempts < max_attempts and run_at <= now()) as age
    from graphile_worker.jobs group by 1`)
  for (const figure of [jobs, failed, states]) figure.reset()
  for (const row of waiting.rows) {
    jobs.set({ task: row.task }, Number(row.n))
    failed.set({ task: row.task }, Number(row.failed))
  }
  oldest.set(Math.max(0, ...waiting.rows.map((row) => Number(row.age ?? 0))))
  const packages = await database().execute<{ state: string; n: string }>(
    sql`select state, count(*) as n from package group by 1`,
  )
  for (const { state, n } of packages.rows) states.set({ state }, Number(n))
  workers.set(await workersAlive())
  const { totalCount, idleCount, waitingCount } = connections()
  pool.set({ use: 'open' }, totalCount)
  pool.set({ use: 'idle' }, idleCount)
  pool.set({ use: 'awaited' }, waitingCount)
  return { type: registry.contentType, text: await registry.metrics() }
}

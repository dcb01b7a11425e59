import { sql } from 'drizzle-orm'
import type { Work } from '../database/connection.ts'

/** The kinds of work and what each needs. */
export interface Jobs {
  open_file: { fileId: string }
  glance_at_page: { packageId: string; number: number }
  read_page: { packageId: string; number: number }
  read_page_again: { packageId: string; number: number }
  draw_page: { packageId: string; number: number }
  judge_package: { packageId: string }
  read_type_again: { organisationId: string; type: string; labelId: number | null }
  learn: { lessonId: string }
}

/** Queues work inside the caller's transaction: it starts only if what it works on was stored. */
export async function queueJob<K extends keyof Jobs>(
  work: Work,
  task: K,
  payload: Jobs[K],
  options: { queue?: string; key?: string; priority?: number } = {},
): Promise<void> {
  await work.execute(
    sql`select graphile_worker.add_job(${task}, payload := ${JSON.stringify(payload)}::json,
      queue_name := ${options.queue ?? null}, job_key := ${options.key ?? null},
      priority := ${options.priority ?? 0}, max_attempts := 5)`,
  )
}

import { sql } from 'drizzle-orm'
import type { Work } from '../database/connection.ts'

/** The kinds of work and what each needs. */
export interface Jobs {
  open_file: { fileId: string }
  glance_at_page: { packageId: string; number: number }
  read_page: { packageId: string; number: number }
  read_page_again: { packageId: string; number: number }
  draw_page: { packageId: string; number: number }
  /** `untouched`: only where nobody has said anything of it meanwhile. */
  judge_package: { packageId: string; untouched?: boolean }
  read_type_again: { organisationId: string; type: string; labelId: number | null }
  learn: { lessonId: string }
  try_draft: { trialId: string }
  open_message: { arrivalId: string }
  /** `late`: that it is being worked on is told, too. */
  tell_sender: { arrivalId: string; late: boolean }
  send_mail: { mailId: string }
  post_notice: { toldId: string }
  check_identity: { packageId: string; page: number }
}

/**
 * Queues work inside the caller's transaction: it starts only if what it works on was stored.
 * @param options.seconds from now until it is begun
 */
export async function queueJob<K extends keyof Jobs>(
  work: Work,
  task: K,
  payload: Jobs[K],
  options: { queue?: string; key?: string; priority?: number; seconds?: number } = {},
): Promise<void> {
  await work.execute(
    sql`select graphile_worker.add_job(${task}, payload := ${JSON.stringify(payload)}::json,
      queue_name := ${options.queue ?? null}, job_key := ${options.key ?? null},
      priority := ${options.priority ?? 0}, max_attempts := 5,
      run_at := now() + make_interval(secs => ${options.seconds ?? 0}))`,
  )
}

/** A judgement of a package that waits is the only one: it will find all that was said until it begins. */
export const judgementKey = (packageId: string): string => `judge:${packageId}`

/** Has a package cut and judged. @param untouched only where nobody has said anything of it when that begins */
export const queueJudgement = (work: Work, packageId: string, untouched = false): Promise<void> =>
  queueJob(
    work,
    'judge_package',
    { packageId, ...(untouched ? { untouched } : {}) },
    { key: untouched ? `recut:${packageId}` : judgementKey(packageId), priority: -5 },
  )

/** Whether a job of a key waits or is being run. */
export async function jobWaits(work: Work, key: string): Promise<boolean> {
  const { rows } = await work.execute(sql`select 1 from graphile_worker.jobs where key = ${key} limit 1`)
  return rows.length > 0
}

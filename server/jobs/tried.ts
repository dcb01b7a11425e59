import { log } from '../log.ts'
import { noteFailure } from './failed.ts'
import type { Jobs } from './queue.ts'

/** Which try of a job this is; an error of an earlier one stays noted, and one that never came back left none. */
export interface Tries {
  job: { attempts: number; max_attempts: number; last_error: string | null }
}

/** Tries that never came back: whatever ran them ended with them, and would again. */
const DEAD_TRIES = 3

/** One kind of work, and what is done where it fails for good, so that nothing waits for it for ever. */
export interface Task<K extends keyof Jobs> {
  run: (payload: Jobs[K]) => Promise<void>
  /** Says where a person sees it that this was not done; or that it goes on, as where a service is away for hours. */
  giveUp: (payload: Jobs[K], error: unknown) => Promise<'goes on' | void>
}

/** Writes down work that failed for good. */
type Failed = typeof noteFailure

/**
 * Runs a task as a job of the queue. At its last try, and once tries died without a word, it is given up where a person
 * sees it; errors before that are the queue's, which tries again.
 */
export const tried =
  <K extends keyof Jobs>(name: K, { run, giveUp }: Task<K>, failed: Failed = noteFailure) =>
  async (payload: Jobs[K], { job }: Tries): Promise<void> => {
    const { attempts, max_attempts: most, last_error: said } = job
    if (attempts > DEAD_TRIES && said === null) {
      log.error({ task: name, attempts }, 'given up: no try of it came back')
      await giveUp(payload, null)
      return failed(name, payload, 'no try of it came back: what runs it ends with it')
    }
    try {
      await run(payload)
    } catch (error) {
      // What is thrown here stands in the queue's table and in the log, which are nobody's papers.
      if (attempts < most) throw new Error(inShort(error), { cause: error })
      log.error({ task: name, error: inShort(error) }, 'given up at the last try')
      if ((await giveUp(payload, error)) !== 'goes on') await failed(name, payload, inShort(error))
    }
  }

/** An error without what it was given: queries carry applicants' data in theirs. */
export function inShort(error: unknown): string {
  if (!(error instanceof Error)) return 'an unknown fault'
  const code =
    (error as NodeJS.ErrnoException).code ?? (error.cause as NodeJS.ErrnoException | undefined)?.code
  return `${error.name}${code ? ` ${code}` : ''}: ${error.message.split('\n')[0].slice(0, 120)}`
}

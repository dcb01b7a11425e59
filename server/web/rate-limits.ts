import { RateLimiterPostgres, RateLimiterRes, type IRateLimiterOptions } from 'rate-limiter-flexible'
import { connections } from '../database/connection.ts'

/** Whether something may be done now, or in how many seconds. */
export interface Verdict {
  allowed: boolean
  seconds: number
}

const ALLOWED: Verdict = { allowed: true, seconds: 0 }

/** So often may something be done in so many seconds. */
export interface Rate {
  name: string
  points: number
  duration: number
  /** Whoever is over it costs no query more, and is counted no further. */
  shuts?: boolean
}

const limiters = new Map<string, RateLimiterPostgres>()

/** Counted in the database, so that several web processes count together and a new one does not begin at nothing. */
function limiterOf({ name, points, duration, shuts }: Rate): RateLimiterPostgres {
  const known = limiters.get(name)
  if (known) return known
  const options: IRateLimiterOptions = { points, duration, keyPrefix: name }
  const made = new RateLimiterPostgres({
    ...options,
    storeClient: connections(),
    tableName: 'rate_limit',
    tableCreated: true,
    ...(shuts ? { inMemoryBlockOnConsumed: points + 1 } : {}),
  })
  limiters.set(name, made)
  return made
}

const inSeconds = (ms: number): number => Math.max(1, Math.ceil(ms / 1000))

/** Counts one more of what is limited. */
export async function count(rate: Rate, key: string): Promise<Verdict> {
  try {
    await limiterOf(rate).consume(key)
    return ALLOWED
  } catch (refused) {
    if (!(refused instanceof RateLimiterRes)) throw refused
    return { allowed: false, seconds: inSeconds(refused.msBeforeNext) }
  }
}

/** Looks without counting. */
export async function look(rate: Rate, key: string): Promise<Verdict & { counted: number }> {
  const found = await limiterOf(rate).get(key)
  const counted = found?.consumedPoints ?? 0
  if (!found || counted < rate.points) return { ...ALLOWED, counted }
  return { allowed: false, seconds: inSeconds(found.msBeforeNext), counted }
}

/** Forgets what was counted. */
export const forget = (rate: Rate, key: string): Promise<boolean> => limiterOf(rate).delete(key)

/** Calls of one key of the API: a system that asks for each of its packages every few seconds stays below it. */
export const CALLS: Rate = { name: 'call', points: 1200, duration: 60, shuts: true }

/**
 * Changes by one client: a desk of forty people behind one address, each bringing files and answering, stays far
 * below it.
 */
export const CHANGES: Rate = { name: 'change', points: 3000, duration: 60, shuts: true }

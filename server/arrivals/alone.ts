import { setTimeout as pause } from 'node:timers/promises'
import pg from 'pg'
import { inShort } from '../jobs/tried.ts'
import { log } from '../log.ts'
import { settings } from '../settings.ts'

/** The class of the locks under which one process looks after a source: two would take everything twice. */
const SOURCES_LOCK = 7306
/** Milliseconds between two tries to be the one. */
const AGAIN_MS = 1000

/** Rests, and wakes where it is ended. */
export const rest = (ms: number, signal: AbortSignal): Promise<void> =>
  pause(ms, undefined, { signal }).catch(() => undefined)

/**
 * Does something for as long as this process is the only one that does it under a name, until it is ended. Where the
 * connection that holds the lock is gone, another process may be at it: `signal` of the act says so, and it begins anew.
 */
export async function whileAlone(
  name: string,
  ending: AbortSignal,
  act: (signal: AbortSignal) => Promise<void>,
): Promise<void> {
  while (!ending.aborted) {
    const client = new pg.Client({ connectionString: settings().DATABASE_URL })
    const lost = new AbortController()
    client.on('error', () => lost.abort())
    const signal = AbortSignal.any([ending, lost.signal])
    try {
      await client.connect()
      while (!signal.aborted) {
        const { rows } = await client.query<{ mine: boolean }>(
          'select pg_try_advisory_lock($1, hashtext($2)) as mine',
          [SOURCES_LOCK, name],
        )
        if (rows[0].mine) await act(signal)
        else await rest(AGAIN_MS, signal)
      }
    } catch (error) {
      log.warn({ error: inShort(error) }, 'a source cannot be looked after just now')
      await rest(AGAIN_MS, ending)
    } finally {
      await client.end().catch(() => undefined)
    }
  }
}

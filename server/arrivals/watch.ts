import { setTimeout as pause } from 'node:timers/promises'
import pg from 'pg'
import { inShort } from '../jobs/tried.ts'
import { log } from '../log.ts'
import { settings } from '../settings.ts'
import { clear, DONE, FAILED, identityOf, isWhole, keepEntry, look, NotTaken } from './folder.ts'
import { knowSources, noteState, watchedSources } from './sources.ts'
import { refuse, take } from './take.ts'

/** The lock under which one process looks after the sources: two would take everything twice from the disk. */
const SOURCES_LOCK = 7306
/** Milliseconds between two looks. */
const LOOK_MS = 1000
/** Milliseconds after which what could not be taken is tried again. */
const AGAIN_MS = 30_000

/** Looks after which it is seen to whether there are sources that nobody knew. */
const KNOWN_EVERY = 15

/** What a look at a folder says to people when it fails. */
const WHY: Record<string, string> = {
  ENOENT: 'The folder is not there.',
  EACCES: 'Jigsa may not look into the folder.',
  ENOTDIR: 'This is no folder.',
}

/** Looks after the sources of this machine, where no other process does, until it is ended. */
export class Watch {
  private readonly ending = new AbortController()
  private running: Promise<void> = Promise.resolve()
  /** What was seen at the last look, by source. */
  private readonly before = new Map<string, Set<string>>()
  /** What could not be taken, and when it is tried again. */
  private readonly restless = new Map<string, { until: number; problem: string }>()

  begin(): void {
    if (Object.keys(settings().WATCHED_FOLDERS).length === 0) return
    this.running = this.run().catch((error: unknown) =>
      log.error({ error: inShort(error) }, 'the sources are not looked after any more'),
    )
  }

  async end(): Promise<void> {
    this.ending.abort()
    await this.running
  }

  private async run(): Promise<void> {
    while (!this.ending.signal.aborted) {
      const client = new pg.Client({ connectionString: settings().DATABASE_URL })
      // With its connection the lock is gone, and another process may look after them: begin anew.
      let lost = false
      client.on('error', () => (lost = true))
      try {
        await client.connect()
        while (!this.ending.signal.aborted && !lost) {
          const { rows } = await client.query<{ mine: boolean }>(
            'select pg_try_advisory_lock($1, hashtext($2)) as mine',
            // Other machines have other folders.
            [SOURCES_LOCK, JSON.stringify(settings().WATCHED_FOLDERS)],
          )
          if (rows[0].mine) await this.lookAfter(() => lost)
          else await this.rest()
        }
      } catch (error) {
        log.warn({ error: inShort(error) }, 'the sources cannot be looked after just now')
        await this.rest()
      } finally {
        await client.end().catch(() => undefined)
      }
    }
  }

  private async lookAfter(lost: () => boolean): Promise<void> {
    for (let looks = 0; !this.ending.signal.aborted && !lost(); looks++) {
      // An organisation may be made while this runs.
      if (looks % KNOWN_EVERY === 0) await knowSources()
      for (const source of await watchedSources()) if (!source.paused) await this.lookAt(source)
      await this.rest()
    }
  }

  private rest = (): Promise<void> =>
    pause(LOOK_MS, undefined, { signal: this.ending.signal }).catch(() => undefined)

  private async lookAt(source: Awaited<ReturnType<typeof watchedSources>>[number]): Promise<void> {
    const folder = source.address
    let seen: Awaited<ReturnType<typeof look>>
    try {
      seen = await look(folder)
    } catch (error) {
      const { code } = error as NodeJS.ErrnoException
      return noteState(source, WHY[code ?? ''] ?? 'The folder cannot be looked at.')
    }
    const before = this.before.get(source.id) ?? new Set<string>()
    let problem: string | null = null
    for (const one of seen.filter((s) => isWhole(s, before))) {
      if (this.ending.signal.aborted) return
      const identity = identityOf(one)
      const late = this.restless.get(identity)
      if (late && late.until > Date.now()) {
        problem = late.problem
        continue
      }
      try {
        const arrived = await keepEntry(folder, one)
        if (!arrived) continue
        // Stored first and cleared after: killed between the two, it is known again by its identity.
        await take(source, arrived)
        await clear(folder, one.name, DONE)
        this.restless.delete(identity)
      } catch (error) {
        if (error instanceof NotTaken) {
          await refuse(source, { identity, name: one.name }, error.message)
          await clear(folder, one.name, FAILED)
          continue
        }
        const may = (error as NodeJS.ErrnoException).code === 'EACCES'
        problem = `${one.name} ${may ? 'may not be read or moved by Jigsa.' : 'could not be taken; it is tried again.'}`
        this.restless.set(identity, { until: Date.now() + AGAIN_MS, problem })
        log.warn({ source: source.id, error: inShort(error) }, 'what came could not be taken')
      }
    }
    const now = new Set(seen.map(identityOf))
    for (const identity of before) if (!now.has(identity)) this.restless.delete(identity)
    this.before.set(source.id, now)
    await noteState(source, problem)
  }
}

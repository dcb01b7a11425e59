import { inShort } from '../jobs/tried.ts'
import { log } from '../log.ts'
import { settings, type MailboxSetting } from '../settings.ts'
import { rest, whileAlone } from './alone.ts'
import {
  clear,
  DONE,
  FAILED,
  folderProblem,
  identityOf,
  isWhole,
  keepEntry,
  look,
  NotTaken,
} from './folder.ts'
import { Mailbox, mailboxProblem } from './mailbox.ts'
import { knowSources, noteState, setSourcesOf, type Source } from './sources.ts'
import { refuse, take } from './take.ts'

/** Milliseconds between two looks. */
const LOOK_MS = 1000
/** Milliseconds after which what could not be taken, or a mailbox that could not be reached, is tried again. */
const AGAIN_MS = 30_000

/** Looks after which it is seen to whether there are sources that nobody knew. */
const KNOWN_EVERY = 15

/** Looks after the folders and mailboxes of this machine, each where no other process does, until it is ended. */
export class Watch {
  private readonly ending = new AbortController()
  private running: Promise<unknown> = Promise.resolve()

  begin(): void {
    const { WATCHED_FOLDERS, MAILBOXES } = settings()
    const { signal } = this.ending
    const boxes = Object.entries(MAILBOXES).flatMap(([id, set]) => set.map((box) => ({ id, box })))
    this.running = Promise.all([
      ...(Object.keys(WATCHED_FOLDERS).length > 0
        ? // Other machines have other folders.
          [whileAlone(JSON.stringify(WATCHED_FOLDERS), signal, (held) => new Folders().lookAfter(held))]
        : []),
      ...boxes.map(({ id, box }) =>
        whileAlone(JSON.stringify([id, box.address]), signal, (held) => lookAfterMailbox(id, box, held)),
      ),
    ])
  }

  async end(): Promise<void> {
    this.ending.abort()
    await this.running
  }
}

async function lookAfterMailbox(
  organisationId: string,
  setting: MailboxSetting,
  signal: AbortSignal,
): Promise<void> {
  const box = new Mailbox(setting)
  try {
    while (!signal.aborted) {
      await knowSources()
      const source = (await setSourcesOf('mailbox')).find(
        (s) => s.organisationId === organisationId && s.address === setting.address,
      )
      if (!source || source.paused) {
        await rest(AGAIN_MS / 10, signal)
        continue
      }
      try {
        await box.look(source, signal)
        await noteState(source, null)
        await box.wait(signal)
      } catch (error) {
        box.end()
        if (signal.aborted) return
        log.warn({ source: source.id, error: inShort(error) }, 'a mailbox cannot be looked into')
        await noteState(source, mailboxProblem(error))
        await rest(AGAIN_MS, signal)
      }
    }
  } finally {
    box.end()
  }
}

/** Looks after all folders of the machine. */
class Folders {
  /** What was seen at the last look, by source. */
  private readonly before = new Map<string, Set<string>>()
  /** What could not be taken, and when it is tried again. */
  private readonly restless = new Map<string, { until: number; problem: string }>()

  async lookAfter(signal: AbortSignal): Promise<void> {
    for (let looks = 0; !signal.aborted; looks++) {
      // An organisation may be made while this runs.
      if (looks % KNOWN_EVERY === 0) await knowSources()
      for (const source of await setSourcesOf('folder')) if (!source.paused) await this.lookAt(source, signal)
      await rest(LOOK_MS, signal)
    }
  }

  private async lookAt(source: Source, signal: AbortSignal): Promise<void> {
    const folder = source.address
    let seen: Awaited<ReturnType<typeof look>>
    try {
      seen = await look(folder)
    } catch (error) {
      return noteState(source, folderProblem(error))
    }
    const before = this.before.get(source.id) ?? new Set<string>()
    let problem: string | null = null
    for (const one of seen.filter((s) => isWhole(s, before))) {
      if (signal.aborted) return
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
    const there = new Set(seen.map(identityOf))
    for (const identity of before) if (!there.has(identity)) this.restless.delete(identity)
    this.before.set(source.id, there)
    await noteState(source, problem)
  }
}

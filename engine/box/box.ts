import { execFile, spawn, type ChildProcess } from 'node:child_process'
import { existsSync } from 'node:fs'
import { readdir, readFile } from 'node:fs/promises'
import { setPriority } from 'node:os'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { promisify } from 'node:util'
import { UnusableFile } from '../input/unusable-file.ts'
import { BOX_LIMITS, type BoxCall, type BoxEnd, type BoxLimits, ReaderEnded, ReaderFault } from './limits.ts'
import { clearScratch, makeScratch } from './scratch.ts'
import type { Answers, Asked, Said } from './protocol.ts'
import type { IncomingFile } from '../input/incoming-file.ts'

/** A reader that is not ready after so long never will be. */
const START_SECONDS = 60
/** How often the memory of a working reader is looked at. */
const LOOK_MS = 250
/** A reader's largest file of its own: pictures of pages on their way to a command. */
const MOST_WRITTEN = 1024 * 1024 * 1024
/** A reader that used so much is thrown away, whatever for. */
const MOST_CPU_SECONDS = 3600
/** All that a reader needs to know of where it runs: no database, no secret. */
const ENVIRONMENT = ['PATH', 'HOME', 'LANG', 'TZ', 'TESSDATA_PREFIX', 'NODE_ENV'] as const

let apart: Promise<boolean> | null = null
/** Whether this machine lets a process be parted from the network without being its administrator. */
export const canPartFromNetwork = (): Promise<boolean> =>
  (apart ??= promisify(execFile)('unshare', ['--user', '--map-root-user', '--net', 'true']).then(
    () => true,
    () => false,
  ))

/** The program of a reader, which is never bundled; whoever starts it may be, and then lies elsewhere in the project. */
function readerProgram(): string {
  for (let folder = dirname(fileURLToPath(import.meta.url)); ; folder = dirname(folder)) {
    const found = join(folder, 'engine/box/reader.ts')
    if (existsSync(found)) return found
    if (folder === dirname(folder)) throw new Error('the program of a reader is not there')
  }
}

/** A reader process, with one call at a time. */
export class ReaderBox {
  private readonly child: ChildProcess
  private readonly ready: Promise<void>
  private ended: BoxEnd | null = null
  private hear: ((said: Said) => void) | null = null
  private fail: ((error: Error) => void) | null = null
  private opened = 0
  /** Seconds of processor that it had used when the call, or the file of an archive, began. */
  private usedBefore: number | null = null
  private readonly scratch = makeScratch()

  private constructor(
    command: readonly string[],
    private readonly limits: BoxLimits,
  ) {
    this.child = spawn(command[0], command.slice(1), {
      env: {
        ...Object.fromEntries(
          ENVIRONMENT.flatMap((name) => (process.env[name] ? [[name, process.env[name]]] : [])),
        ),
        TMPDIR: this.scratch,
      },
      stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
      serialization: 'advanced',
      // A group of its own: the commands that it starts end with it.
      detached: true,
    })
    // The commands that it starts later stand back with it.
    if (this.child.pid && limits.nice > 0) setPriority(this.child.pid, limits.nice)
    this.child.on('message', (said) => this.hear?.(said as Said))
    const over = () => {
      this.ended ??= 'crash'
      clearScratch(this.scratch)
      this.fail?.(new ReaderEnded(this.ended))
    }
    this.child.on('error', over)
    this.child.on('exit', over)
    this.ready = new Promise((done, fail) => {
      this.hear = () => done()
      this.fail = fail
    })
    this.ready.catch(() => undefined)
    this.hold(false)
  }

  /** A reader at rest keeps no process from ending. */
  private hold(on: boolean): void {
    for (const handle of [this.child, this.child.channel])
      if (on) handle?.ref()
      else handle?.unref()
  }

  /** Starts a reader; it is ready some tenths of a second later, and calls wait for that. */
  static async start(limits: BoxLimits = BOX_LIMITS): Promise<ReaderBox> {
    const node = [process.execPath, '--max-old-space-size=1024', '--import', 'tsx', readerProgram()]
    const bounded = [
      ...['prlimit', '--core=0', `--fsize=${MOST_WRITTEN}`, `--cpu=${MOST_CPU_SECONDS}`],
      // One that is stuck does not hear that nobody waits for it any more.
      ...['setpriv', '--pdeathsig', 'KILL', ...node],
    ]
    return new ReaderBox(
      (await canPartFromNetwork()) ? ['unshare', '--user', '--map-root-user', '--net', ...bounded] : bounded,
      limits,
    )
  }

  /** Whether it is good for another file: not ended, and neither used often nor large. */
  async isFit(): Promise<boolean> {
    return (
      this.ended === null && this.opened < this.limits.files && (await this.bytes()) < this.limits.restBytes
    )
  }

  /**
   * Asks for one thing; `take` is given the files of an archive one by one.
   * @throws UnusableFile with a sentence; ReaderEnded where it did not come back; ReaderFault where it failed; Error
   * where no reader can be started, which is no fault of the file
   */
  async ask<C extends Asked['call']>(
    asked: Extract<Asked, { call: C }>,
    lacking: (what: 'bytes' | 'types') => Promise<Extract<Asked, { call: C }>>,
    take: (file: IncomingFile) => Promise<void> = () => Promise.resolve(),
  ): Promise<Answers[C]> {
    this.hold(true)
    let look: NodeJS.Timeout | undefined
    try {
      await this.started()
      this.usedBefore = null
      look = setInterval(() => void this.look(asked.call), LOOK_MS)
      for (let now = asked; ;) {
        const said = await this.say(now, take)
        if (said.said === 'done') return said.result as Answers[C]
        if (said.said === 'lacks') {
          if (said.what === 'bytes') this.opened++
          now = await lacking(said.what)
        } else if (said.said === 'unusable') throw new UnusableFile(said.problem)
        else {
          if (said.broken) this.end('crash')
          throw said.broken ? new ReaderEnded('crash') : new ReaderFault(said.problem)
        }
      }
    } finally {
      clearInterval(look)
      this.hold(false)
    }
  }

  /** Whether it ended, while nobody asked it or under a call. */
  get gone(): boolean {
    return this.ended !== null
  }

  private async started(): Promise<void> {
    const timer = setTimeout(() => this.end(), START_SECONDS * 1000)
    await this.ready
      .catch(() => {
        throw new Error('a reader could not be started')
      })
      .finally(() => clearTimeout(timer))
  }

  private say(
    asked: Asked,
    take: (file: IncomingFile) => Promise<void>,
  ): Promise<Exclude<Said, { said: 'file' }>> {
    const late = () => setTimeout(() => this.end('time'), this.limits.seconds[asked.call] * 1000)
    let timer = late()
    return new Promise<Exclude<Said, { said: 'file' }>>((done, fail) => {
      if (this.ended) return fail(new ReaderEnded(this.ended))
      this.fail = fail
      this.hear = (said) => {
        if (said.said !== 'file') return done(said)
        // A store that is slow to take a file is no fault of the file.
        clearTimeout(timer)
        take(said.file).then(
          () => {
            timer = late()
            this.usedBefore = null
            this.child.send('taken')
          },
          (error: unknown) => {
            // Half an archive is of no use: the reader would wait for ever to hand over the rest.
            this.end('crash')
            fail(error instanceof Error ? error : new Error(String(error)))
          },
        )
      }
      this.child.send(asked, (error) => error && fail(new ReaderEnded(this.ended ?? 'crash')))
    }).finally(() => clearTimeout(timer))
  }

  private async look(call: BoxCall): Promise<void> {
    if ((await this.bytes()) > this.limits.bytes) return this.end('memory')
    const used = await cpuSecondsOf(this.child.pid)
    // The first look of a call is some tenths of a second after its beginning, which nobody misses.
    this.usedBefore ??= used
    if (used - this.usedBefore > this.limits.cpuSeconds[call]) this.end('time')
  }

  /** The memory that it and its commands hold, from /proc; none where that cannot be read. */
  private async bytes(): Promise<number> {
    const sizes = await Promise.all((await groupOf(this.child.pid)).map(residentBytes))
    return sizes.reduce((sum, size) => sum + size, 0)
  }

  /** Ends it with all that it started. */
  end(why: BoxEnd = 'crash'): void {
    this.ended ??= why
    try {
      process.kill(-this.child.pid!, 'SIGKILL')
    } catch {
      // It is gone already.
    }
  }
}

/** Clock ticks of a second in /proc (`USER_HZ`, 100 on every Linux). */
const TICKS = 100

/** Fields of /proc/PID/stat behind the name of the command (proc(5)); the first is the state. */
const statOf = async (pid: number | string): Promise<string[]> => {
  const stat = await readFile(`/proc/${pid}/stat`, 'utf8').catch(() => '')
  // pid (command) state parent group …: the command may hold anything, brackets too.
  return stat.slice(stat.lastIndexOf(')') + 2).split(' ')
}

/** Processes of a group. */
async function groupOf(leader: number | undefined): Promise<number[]> {
  if (leader === undefined) return []
  const all = (await readdir('/proc').catch(() => [])).filter((name) => /^\d+$/.test(name))
  const found = await Promise.all(
    all.map(async (name) => (Number((await statOf(name))[2]) === leader ? Number(name) : null)),
  )
  return found.filter((pid) => pid !== null)
}

/** Seconds of processor that a process and its commands have used, those that ended among them. */
async function cpuSecondsOf(leader: number | undefined): Promise<number> {
  const stats = await Promise.all((await groupOf(leader)).map(statOf))
  const ticks = stats.flatMap((fields) => fields.slice(11, 15).map(Number)).filter(Number.isFinite)
  return ticks.reduce((sum, n) => sum + n, 0) / TICKS
}

const residentBytes = async (pid: number): Promise<number> =>
  Number((await readFile(`/proc/${pid}/statm`, 'utf8').catch(() => '')).split(' ')[1] ?? 0) * 4096

import { spawn, type ChildProcess } from 'node:child_process'

/** What a part of the application is told: never who owns the tables, which it has no use for and could misuse. */
const told = ({ DATABASE_OWNER_URL: _, ...env }: NodeJS.ProcessEnv): NodeJS.ProcessEnv => ({
  ...env,
  NODE_ENV: 'production',
})

/** Starts the web process; `PORT` and the settings come with `env`. */
export const startWeb = (env: NodeJS.ProcessEnv, stdio: 'inherit' | 'ignore' = 'inherit'): ChildProcess =>
  spawn(process.execPath, ['build/server/index.js'], {
    env: told(env),
    stdio: ['ignore', 'ignore', stdio],
    detached: true,
  })

/** Starts a worker process; it ends by itself when this process is gone. */
export const startWorker = (env: NodeJS.ProcessEnv, stdio: 'inherit' | 'ignore' = 'inherit'): ChildProcess =>
  spawn(process.execPath, ['--import', 'tsx', 'server/worker.ts'], {
    env: { ...told(env), JIGSA_CHILD: '1' },
    stdio: ['pipe', stdio, stdio],
    detached: true,
  })

/** Asks a process to end, and makes it after `seconds`: requests and pages under way are let end before. */
export function endProcess(child: ChildProcess, seconds = 30): Promise<void> {
  return new Promise((done) => {
    if (child.exitCode !== null || child.signalCode !== null) return done()
    child.once('exit', () => done())
    child.kill('SIGTERM')
    setTimeout(() => child.kill('SIGKILL'), seconds * 1000).unref()
  })
}

/** Times in milliseconds, and how often, a process that ends is started again. */
export interface Patience {
  /** Before the first start again; twice as long before each that follows soon. */
  pause: number
  longest: number
  /** One that lived so long did not end for what it is. */
  settled: number
  /** So many soon after one another are enough. */
  most: number
}

const PATIENCE: Patience = { pause: 500, longest: 30_000, settled: 60_000, most: 8 }

/**
 * Keeps a process running: one that ends is started again, and costs its neighbours nothing. `giveUp` is called where
 * it ends time after time as soon as it begins.
 */
export class KeptProcess {
  private child: ChildProcess
  private ending = false
  private soon = 0
  private timer: NodeJS.Timeout | null = null

  constructor(
    private readonly name: string,
    private readonly start: () => ChildProcess,
    private readonly giveUp: () => void,
    private readonly patience = PATIENCE,
  ) {
    this.child = this.begin()
  }

  private begin(): ChildProcess {
    const child = this.start()
    const began = Date.now()
    child.once('exit', (code, signal) => {
      if (this.ending) return
      const { pause, longest, settled, most } = this.patience
      this.soon = Date.now() - began >= settled ? 0 : this.soon + 1
      const ended = `jigsa: the ${this.name} ended (${signal ?? `code ${code}`})`
      if (this.soon >= most) {
        process.stderr.write(`${ended}, time after time as soon as it began\n`)
        return this.giveUp()
      }
      const wait = Math.min(longest, pause * 2 ** Math.max(0, this.soon - 1))
      process.stderr.write(`${ended}; it is started again in ${wait / 1000} s\n`)
      this.timer = setTimeout(() => (this.child = this.begin()), wait)
    })
    return child
  }

  /** The process that runs now. */
  get now(): ChildProcess {
    return this.child
  }

  /** Ends it for good. */
  async end(): Promise<void> {
    this.ending = true
    if (this.timer) clearTimeout(this.timer)
    await endProcess(this.child)
  }
}

/** Waits until an address answers. @throws Error after `seconds`, or when the process ends before */
export async function answers(url: string, child: ChildProcess, seconds = 40): Promise<void> {
  for (const end = Date.now() + seconds * 1000; Date.now() < end;) {
    if (child.exitCode !== null) throw new Error('The web process ended before it answered.')
    const good = await fetch(url, { redirect: 'manual' }).then(
      (r) => r.status < 500,
      () => false,
    )
    if (good) return
    await new Promise((done) => setTimeout(done, 150))
  }
  throw new Error('The web process does not answer.')
}

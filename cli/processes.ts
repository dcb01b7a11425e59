import { spawn, type ChildProcess } from 'node:child_process'

/** Starts the web process; `PORT` and the settings come with `env`. */
export const startWeb = (env: NodeJS.ProcessEnv, stdio: 'inherit' | 'ignore' = 'inherit'): ChildProcess =>
  spawn(process.execPath, ['build/server/index.js'], {
    env: { ...env, NODE_ENV: 'production' },
    stdio: ['ignore', 'ignore', stdio],
    detached: true,
  })

/** Starts a worker process; it ends by itself when this process is gone. */
export const startWorker = (env: NodeJS.ProcessEnv, stdio: 'inherit' | 'ignore' = 'inherit'): ChildProcess =>
  spawn(process.execPath, ['--import', 'tsx', 'server/worker.ts'], {
    env: { ...env, NODE_ENV: 'production', JIGSA_CHILD: '1' },
    stdio: ['pipe', stdio, stdio],
    detached: true,
  })

/** Asks a process to end, and makes it after `seconds`. */
export function endProcess(child: ChildProcess, seconds = 8): Promise<void> {
  return new Promise((done) => {
    if (child.exitCode !== null || child.signalCode !== null) return done()
    child.once('exit', () => done())
    child.kill('SIGTERM')
    setTimeout(() => child.kill('SIGKILL'), seconds * 1000).unref()
  })
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

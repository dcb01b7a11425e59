import { randomBytes } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { DEMO_PASSWORD } from '../demo/desk.ts'
import { merrowSoundDesk } from '../demo/lenders/merrow-sound/desk.ts'
import { world } from '../demo/lenders/merrow-sound/world.ts'
import { tarrowValleyDesk } from '../demo/lenders/tarrow-valley/desk.ts'
import { startVesselRegister } from '../standins/vessel-register.ts'
import { startMalwareScanner } from '../standins/malware-scanner.ts'
import { answers, endProcess, startWeb, startWorker } from './processes.ts'
import { ensureDatabase, freePort, startPostgres } from './postgres.ts'

const say = (text: string) => process.stderr.write(`${text}\n`)
const fresh = process.argv.includes('--fresh')
const unknown = process.argv.slice(2).filter((w) => w !== '--fresh')
if (unknown.length > 0) {
  say(`jigsa demo: there is no "${unknown[0]}"; the only word is --fresh`)
  process.exit(2)
}
const folder = '.jigsa'
const pidFile = join(folder, 'demo.pid')
mkdirSync(folder, { recursive: true })
if (existsSync(pidFile) && isAlive(Number(readFileSync(pidFile, 'utf8')))) {
  say('The demo of this checkout is running already; end it there with Ctrl-C first.')
  process.exit(1)
}
writeFileSync(pidFile, String(process.pid))

let ending = false
const undoing: (() => Promise<unknown>)[] = []
const end = async (code: number) => {
  if (ending) return
  ending = true
  for (const step of undoing.reverse()) await step()
  rmSync(pidFile, { force: true })
  process.exit(code)
}
process.on('SIGINT', () => void end(0))
process.on('SIGTERM', () => void end(0))

try {
  say('Starting PostgreSQL')
  const cluster = await startPostgres(join(folder, 'postgres'))
  undoing.push(cluster.stop)
  await ensureDatabase(cluster, 'jigsa', fresh)
  const scanner = await startMalwareScanner()
  undoing.push(scanner.stop)
  const { vessels } = world(new Date().toISOString().slice(0, 10))
  const register = await startVesselRegister(() => vessels)
  undoing.push(register.stop)
  const port = await freePort(Number(process.env.PORT ?? 3000))
  const secretFile = join(folder, 'auth-secret')
  if (!existsSync(secretFile)) writeFileSync(secretFile, randomBytes(32).toString('hex'), { mode: 0o600 })
  Object.assign(process.env, {
    DATABASE_URL: cluster.url('jigsa'),
    DATABASE_OWNER_URL: cluster.ownerUrl('jigsa'),
    AUTH_SECRET: readFileSync(secretFile, 'utf8'),
    BASE_URL: `http://localhost:${port}`,
    PORT: String(port),
    HOST: '127.0.0.1',
    MALWARE_SCANNER: `clamd://127.0.0.1:${scanner.port}`,
    REGISTERS_OUTSIDE: JSON.stringify({ [`${merrowSoundDesk.id}/vessels`]: register.url }),
    LOG_LEVEL: process.env.LOG_LEVEL ?? 'warn',
  })
  const { migrateDatabase } = await import('../server/database/migrate.ts')
  const { closeDatabase } = await import('../server/database/connection.ts')
  const { fillDesk, finishEarlier, openDesk } = await import('../demo/load.ts')
  await migrateDatabase()
  const worker = startWorker(process.env)
  const web = startWeb(process.env)
  undoing.push(() => Promise.all([endProcess(web), endProcess(worker)]))
  undoing.push(closeDatabase)
  for (const [child, name] of [
    [worker, 'worker'],
    [web, 'web process'],
  ] as const)
    child.once('exit', () => {
      if (!ending) {
        say(`The ${name} ended.`)
        void end(1)
      }
    })
  await answers(`http://127.0.0.1:${port}/sign-in`, web)
  const desks = [merrowSoundDesk, tarrowValleyDesk]
  for (const desk of desks) await openDesk(desk)
  for (const desk of desks) await fillDesk(desk, say)
  say('')
  say(`Jigsa is at http://localhost:${port}`)
  say(`Sign in as one of these, each with the password ${DEMO_PASSWORD}`)
  for (const desk of desks) {
    say(`${desk.set.lender.name}:`)
    for (const person of desk.people)
      say(`  ${person.email.padEnd(34)} ${person.role.padEnd(14)} ${person.name}`)
  }
  say('Ctrl-C ends it.')
  for (const desk of desks)
    await finishEarlier(desk).catch((error: unknown) => {
      if (!ending) throw error
    })
} catch (error) {
  const cause = error instanceof Error && error.cause instanceof Error ? ` (${error.cause.message})` : ''
  say(`jigsa demo: ${error instanceof Error ? error.message.split('\n')[0] : String(error)}${cause}`)
  await end(1)
}

function isAlive(pid: number): boolean {
  try {
    process.kill(pid, 0)
    return /demo\.ts/.test(readFileSync(`/proc/${pid}/cmdline`, 'utf8'))
  } catch {
    return false
  }
}

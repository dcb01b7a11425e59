import { randomBytes } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { Command } from 'commander'
import { z } from 'zod'
import { DEMO_PASSWORD, type DemoDesk } from '../demo/desk.ts'
import { merrowSoundDesk } from '../demo/lenders/merrow-sound/desk.ts'
import { world } from '../demo/lenders/merrow-sound/world.ts'
import { tarrowValleyDesk } from '../demo/lenders/tarrow-valley/desk.ts'
import { API } from '../server/api/address.ts'
import { startCounterDevice } from '../standins/counter-device.ts'
import { startIdentityService } from '../standins/identity-service.ts'
import { startPostOffice } from '../standins/post-office.ts'
import { startReceiver } from '../standins/receiver.ts'
import { startVesselRegister } from '../standins/vessel-register.ts'
import { startMalwareScanner } from '../standins/malware-scanner.ts'
import { answers, endProcess, startWeb, startWorker } from './processes.ts'
import { ensureDatabase, freePort, isFree, startPostgres } from './postgres.ts'

const say = (text: string) => process.stderr.write(`${text}\n`)
const command = new Command('demo')
  .description('the application with made-up packages')
  .option('--fresh', 'begins anew, without what was done in it before')
  .option('--empty', 'loads no packages')
  .option('--port <n>', 'where it serves; without it 3000, or another that is free')
  .option('--dir <folder>', 'where its state lies, so that two can run at once', '.jigsa')
  .allowExcessArguments(false)
  .configureOutput({
    writeErr: (text) => process.stderr.write(`jigsa demo: ${text.replace(/^error: /, '')}`),
  })
  .exitOverride((refused) => process.exit(refused.exitCode === 0 ? 0 : 2))
  .parse()
const words = z
  .object({
    fresh: z.boolean().default(false),
    empty: z.boolean().default(false),
    port: z.coerce.number('--port is a number').int().min(1).max(65_535).optional(),
    dir: z.string().min(1),
  })
  .safeParse(command.opts())
if (!words.success) {
  say(`jigsa demo: ${words.error.issues[0].message}`)
  process.exit(2)
}
const desks = [merrowSoundDesk, tarrowValleyDesk]
const { fresh, empty, port: wanted, dir: folder } = words.data
/** Where it is said what others need to know of it, while it serves. */
const described = join(folder, 'demo.json')
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
  rmSync(described, { force: true })
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
  if (wanted !== undefined && !(await isFree(wanted, '127.0.0.1')))
    throw new Error(`something else listens on port ${wanted}`)
  const port = wanted ?? (await freePort(Number(process.env.PORT ?? 3000)))
  const arrivals = resolve(folder, 'arrivals')
  mkdirSync(arrivals, { recursive: true })
  const listen = await freePort(port + 1)
  const office = await startPostOffice(
    desks.map((desk) => desk.mail),
    `smtp://127.0.0.1:${listen}`,
  )
  undoing.push(office.stop)
  const identity = await startIdentityService()
  undoing.push(identity.stop)
  const receiver = await startReceiver()
  undoing.push(receiver.stop)
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
    WATCHED_FOLDERS: JSON.stringify({ [merrowSoundDesk.id]: [arrivals] }),
    MAIL_LISTEN: `127.0.0.1:${listen}`,
    MAIL_ADDRESSES: JSON.stringify(Object.fromEntries(desks.map(({ id, mail }) => [id, [mail]]))),
    MAIL_SERVER: office.smtp,
    POST_HOSTS: new URL(receiver.url).host,
    IDENTITY_CHECK: JSON.stringify({ [merrowSoundDesk.id]: identity.url }),
    LOG_LEVEL: process.env.LOG_LEVEL ?? 'warn',
  })
  const { migrateDatabase } = await import('../server/database/migrate.ts')
  const { closeDatabase } = await import('../server/database/connection.ts')
  const { askSample, fillDesk, finishEarlier, openDesk, postSamples, watchFor } =
    await import('../demo/load.ts')
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
  for (const desk of desks) await openDesk(desk)
  for (const desk of desks) await watchFor(desk)
  const device = await deviceOf(merrowSoundDesk)
  const panel = await startCounterDevice(`http://127.0.0.1:${port}${API}`, device.key, () =>
    merrowSoundDesk.device!.papers(new Date().toISOString().slice(0, 10)),
  )
  undoing.push(panel.stop)
  if (!empty) for (const desk of desks) await fillDesk(desk, say)
  if (!empty) await postSamples(office.smtp, merrowSoundDesk)
  describe(
    {
      url: `http://127.0.0.1:${port}`,
      apiKey: await keyOf(merrowSoundDesk.id),
      folder: arrivals,
      receiver: `${receiver.url}/received`,
      device: { ...device, panel: panel.url },
      mail: { intake: merrowSoundDesk.mail, smtp: office.smtp, messages: office.messages },
    },
    desks,
  )
  say('')
  say(`Jigsa is at http://localhost:${port}`)
  say(`Sign in as one of these, each with the password ${DEMO_PASSWORD}`)
  for (const desk of desks) {
    say(`${desk.set.lender.name}:`)
    for (const person of desk.people)
      say(`  ${person.email.padEnd(34)} ${person.role.padEnd(14)} ${person.name}`)
  }
  say(`Its counter scanner is at ${panel.url}, all mail that it sends at ${office.messages}`)
  say('Ctrl-C ends it.')
  const later = empty ? [] : [() => askSample(merrowSoundDesk), ...desks.map((d) => () => finishEarlier(d))]
  for (const step of later)
    await step().catch((error: unknown) => {
      if (!ending) throw error
    })
} catch (error) {
  const cause = error instanceof Error && error.cause instanceof Error ? ` (${error.cause.message})` : ''
  say(`jigsa demo: ${error instanceof Error ? error.message.split('\n')[0] : String(error)}${cause}`)
  await end(1)
}

/** Tells whoever works with the running demo where it is, who signs in, and by which key another system does. */
function describe(
  {
    url,
    ...besides
  }: { url: string; apiKey: string; folder: string; receiver: string; mail: object; device: object },
  desks: readonly DemoDesk[],
): void {
  const people = desks.flatMap((desk) =>
    desk.people.map(({ email, role }) => ({ email, password: DEMO_PASSWORD, role })),
  )
  writeFileSync(described, JSON.stringify({ url, people, ...besides }, null, 1), { mode: 0o600 })
}

/** A key of the demo's own, kept where its secret is: made once for a database. */
async function keyOf(organisationId: string): Promise<string> {
  const { addIntegration, callerBy } = await import('../server/access/integrations.ts')
  const { scopes } = await import('../server/database/schema.ts')
  const file = join(folder, 'api-key')
  const known = existsSync(file) ? readFileSync(file, 'utf8') : ''
  if ((await callerBy(known))?.organisationId === organisationId) return known
  const key = await addIntegration(null, organisationId, {
    name: 'Counter system',
    scopes: [...scopes],
    expiresAt: null,
  })
  writeFileSync(file, key, { mode: 0o600 })
  return key
}

/** The scanner at a desk's counter, with its key, kept as the other is. */
async function deviceOf(desk: DemoDesk): Promise<{ id: string; key: string }> {
  const { callerBy } = await import('../server/access/integrations.ts')
  const { addDevice } = await import('../server/arrivals/devices.ts')
  const file = join(folder, 'device-key')
  const known = existsSync(file) ? readFileSync(file, 'utf8') : ''
  const caller = await callerBy(known)
  if (caller?.organisationId === desk.id && caller.sourceId) return { id: caller.sourceId, key: known }
  const { name, buttons } = desk.device!
  const made = await addDevice(null, desk.id, { name, buttons, paused: false })
  if ('problem' in made) throw new Error(made.problem)
  writeFileSync(file, made.key, { mode: 0o600 })
  return made
}

function isAlive(pid: number): boolean {
  try {
    process.kill(pid, 0)
    return /demo\.ts/.test(readFileSync(`/proc/${pid}/cmdline`, 'utf8'))
  } catch {
    return false
  }
}

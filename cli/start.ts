import { migrateDatabase } from '../server/database/migrate.ts'
import { closeDatabase } from '../server/database/connection.ts'
import { settings } from '../server/settings.ts'
import { KeptProcess, startWeb, startWorker } from './processes.ts'

const which = process.argv[2] ?? 'both'
if (!['both', 'web', 'worker'].includes(which)) {
  process.stderr.write('jigsa start: the parts are "web" and "worker"; without a word both start\n')
  process.exit(2)
}
try {
  settings()
  await migrateDatabase()
  await closeDatabase()
} catch (error) {
  process.stderr.write(`jigsa start: ${error instanceof Error ? error.message : String(error)}\n`)
  process.exit(1)
}
const kept = (name: string, start: typeof startWeb) =>
  new KeptProcess(
    name,
    () => start(process.env),
    () => void end(1),
  )
const children = [
  ...(which === 'worker' ? [] : [kept('web process', startWeb)]),
  ...(which === 'web' ? [] : [kept('worker', startWorker)]),
]
process.stderr.write(
  `Jigsa is running${which === 'worker' ? ' as a worker' : ` at ${settings().BASE_URL}`}\n`,
)
let ending = false
const end = async (code: number) => {
  if (ending) return
  ending = true
  await Promise.all(children.map((c) => c.end()))
  process.exit(code)
}
process.on('SIGINT', () => void end(0))
process.on('SIGTERM', () => void end(0))

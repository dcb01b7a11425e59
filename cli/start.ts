import { closeDatabase } from '../server/database/connection.ts'
import { settings } from '../server/settings.ts'
import { isLoopback } from '../server/web/addresses.ts'
import { isFree } from './postgres.ts'
import { KeptProcess, startWeb, startWorker } from './processes.ts'
import { fitsDatabase, ownsNoTrail } from './ready.ts'

const say = (text: string) => process.stderr.write(`${text}\n`)
const which = process.argv[2] ?? 'both'
if (!['both', 'web', 'worker'].includes(which)) {
  say('jigsa start: the parts are "web" and "worker"; without a word both start')
  process.exit(2)
}

/** What is set so that it works, and not so that it should stay. */
function warnings(): string[] {
  const { BASE_URL, MALWARE_SCANNER } = settings()
  const { protocol, hostname } = new URL(BASE_URL)
  return [
    protocol === 'http:' && !isLoopback(hostname)
      ? 'BASE_URL is no https address: passwords and papers go over the network in the clear'
      : '',
    MALWARE_SCANNER === 'built-in'
      ? 'no malware scanner is set (MALWARE_SCANNER): files are looked at for the EICAR test file alone'
      : '',
    process.getuid?.() === 0 ? 'started by root: give Jigsa a user of its own, who owns nothing else' : '',
  ].filter(Boolean)
}

try {
  const { PORT, HOST } = settings()
  if (!process.env.BASE_URL)
    throw new Error('BASE_URL is not set: it is the address people open, such as https://jigsa.example.org')
  await fitsDatabase()
  await ownsNoTrail()
  await closeDatabase()
  if (which !== 'worker' && !(await isFree(PORT, HOST)))
    throw new Error(`something else listens on port ${PORT} of ${HOST}: set another PORT`)
} catch (error) {
  say(`jigsa start: ${error instanceof Error ? error.message : String(error)}`)
  process.exit(1)
}
for (const warning of warnings()) say(`jigsa start: ${warning}`)
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
say(`Jigsa is running${which === 'worker' ? ' as a worker' : ` at ${settings().BASE_URL}`}`)
let ending = false
const end = async (code: number) => {
  if (ending) return
  ending = true
  await Promise.all(children.map((c) => c.end()))
  process.exit(code)
}
process.on('SIGINT', () => void end(0))
process.on('SIGTERM', () => void end(0))

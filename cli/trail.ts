import { existsSync, readFileSync } from 'node:fs'
import { open } from 'node:fs/promises'
import { join } from 'node:path'
import { Command } from 'commander'
import { reachPostgres } from './postgres.ts'

const command = new Command('trail')
  .description('Looks whether the audit trail is whole.')
  .option('--noted <digest>', 'a digest that was noted earlier and must still be in the chain')
  .option('--witness <file>', 'what was noted outside: the chain must have every head in it')
  .option('--out <file>', 'writes every act with its digest, one JSON object a line')
  .configureOutput({
    writeErr: (text) => process.stderr.write(`jigsa trail: ${text.replace(/^error: /, '')}`),
  })
  .exitOverride((refused) => process.exit(refused.exitCode === 0 ? 0 : 2))
  .parse()
const { noted, out, witness } = command.opts<{ noted?: string; out?: string; witness?: string }>()

/** The demo's own database where no other is named, started for the look if the demo is not running. */
async function demoDatabase(): Promise<() => Promise<unknown>> {
  const folder = '.jigsa'
  if (!existsSync(join(folder, 'postgres')))
    throw new Error('name the database by DATABASE_URL; this checkout has none of its own')
  const cluster = await reachPostgres(join(folder, 'postgres'))
  const secret = join(folder, 'auth-secret')
  Object.assign(process.env, {
    DATABASE_URL: cluster.url('jigsa'),
    DATABASE_OWNER_URL: cluster.ownerUrl('jigsa'),
    AUTH_SECRET: existsSync(secret) ? readFileSync(secret, 'utf8') : 'x'.repeat(32),
    BASE_URL: 'http://localhost:3000',
  })
  return cluster.stop
}

let stop: () => Promise<unknown> = () => Promise.resolve()
let code = 0
try {
  if (!process.env.DATABASE_URL) stop = await demoDatabase()
  const { trail, verifyTrail } = await import('../server/trail.ts')
  const { readWitness } = await import('../server/witness.ts')
  const { closeDatabase } = await import('../server/database/connection.ts')
  if (out) {
    const file = await open(out, 'w')
    for await (const { position, digest, act } of trail())
      await file.write(`${JSON.stringify({ position, ...act, digest })}\n`)
    await file.close()
  }
  const lines = witness ? await readWitness(witness) : []
  const heads = lines.flatMap((line) => (line.kind === 'head' ? [line] : []))
  const state = await verifyTrail(noted, heads)
  await closeDatabase()
  if (state.broken === null)
    process.stdout.write(`The trail is whole: ${state.acts} acts, the last digest is\n${state.head}\n`)
  else process.stdout.write(`The trail is broken after ${state.acts} acts. ${state.broken}\n`)
  code = state.broken === null ? 0 : 1
} catch (error) {
  process.stderr.write(`jigsa trail: ${error instanceof Error ? error.message : String(error)}\n`)
  code = 2
}
await stop()
process.exit(code)

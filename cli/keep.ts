import { Command } from 'commander'
import { sql } from 'drizzle-orm'
import { closeDatabase, database } from '../server/database/connection.ts'
import { migrateDatabase } from '../server/database/migrate.ts'
import { eraseAgain } from '../server/packages/erase.ts'
import { missingContents } from '../server/storage/contents.ts'
import { verifyTrail } from '../server/trail.ts'
import { readWitness } from '../server/witness.ts'
import { backUp, putBack } from './backup.ts'

/** `jigsa backup` and `jigsa restore`: the whole of Jigsa is its database. */

const say = (text: string) => process.stdout.write(`${text}\n`)

const isEmpty = async () =>
  (await database().execute(sql`select 1 from pg_tables where schemaname = 'public' limit 1`)).rows.length ===
  0

const program = new Command('jigsa').configureOutput({
  writeErr: (text) => process.stderr.write(`jigsa: ${text.replace(/^error: /, '')}`),
})
program.exitOverride((refused) => process.exit(refused.exitCode === 0 ? 0 : 2))

program
  .command('backup <file>')
  .description('writes the whole database into a file')
  .action(async (file: string) => {
    await backUp(file)
    say(`All is in ${file}.`)
  })

program
  .command('restore <file>')
  .description('puts a backup into an empty database, and looks whether all of it is there')
  .option('--witness <file>', 'what was noted outside: erases again what was erased since the backup')
  .action(async (file: string, { witness }: { witness?: string }) => {
    // Read first: a file that is none must not be found out about after the restore.
    const lines = witness ? await readWitness(witness) : []
    await putBack(file, isEmpty)
    await migrateDatabase()
    const state = await verifyTrail()
    if (state.broken !== null)
      throw new Error(`the trail is broken after ${state.acts} acts. ${state.broken}`)
    const missing = await missingContents()
    if (missing.length > 0) throw new Error(`the contents of ${missing.length} files are not in the backup`)
    const gone = await eraseAgain(lines.flatMap((line) => (line.kind === 'erased' ? [line.packageId] : [])))
    say(
      `All is back: ${state.acts} acts in a whole trail, every file with its contents` +
        `${gone > 0 ? `; ${gone} packages that were erased since are erased again` : ''}.`,
    )
  })

await program
  .parseAsync()
  .catch((error: unknown) => {
    process.stderr.write(`jigsa: ${error instanceof Error ? error.message.split('\n')[0] : String(error)}\n`)
    process.exitCode = 1
  })
  .finally(closeDatabase)

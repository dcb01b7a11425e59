import { closeDatabase } from '../server/database/connection.ts'
import { migrateDatabase } from '../server/database/migrate.ts'

/** Brings the database up to date, as its owner. Run again, it does nothing. */
await migrateDatabase()
  .then(() => process.stdout.write('The database is up to date.\n'))
  .catch((error: unknown) => {
    process.stderr.write(`jigsa migrate: ${error instanceof Error ? error.message : String(error)}\n`)
    process.exitCode = 1
  })
  .finally(closeDatabase)

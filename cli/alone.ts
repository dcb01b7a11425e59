import { answers, endProcess, startWeb, startWorker } from './processes.ts'
import { freePort } from './postgres.ts'
import { migrateDatabase } from '../server/database/migrate.ts'
import { openDesk } from '../demo/load.ts'
import { merrowSoundDesk } from '../demo/lenders/merrow-sound/desk.ts'

/**
 * Starts the built application, web and one worker, on the empty database that `DATABASE_URL` names, with the
 * demo's people and nothing else: for tests and measurements of the interface.
 * @returns where it answers, and what ends both; this process's own connection to the database stays open
 */
export async function startAlone(): Promise<{ url: string; end: () => Promise<void> }> {
  const port = await freePort()
  const url = `http://localhost:${port}`
  Object.assign(process.env, { BASE_URL: url, PORT: String(port), HOST: '127.0.0.1' })
  await migrateDatabase()
  await openDesk(merrowSoundDesk)
  const worker = startWorker(process.env)
  const web = startWeb(process.env)
  const end = async () => void (await Promise.all([endProcess(web), endProcess(worker)]))
  try {
    await answers(`http://127.0.0.1:${port}/sign-in`, web)
    return { url, end }
  } catch (error) {
    await end()
    throw error
  }
}

import { Readable } from 'node:stream'
import { answers, endProcess, startWeb, startWorker } from '../../cli/processes.ts'
import { freePort } from '../../cli/postgres.ts'
import { DEMO_PASSWORD, DEMO_PEOPLE } from '../../demo/people.ts'
import { makePackage } from '../../demo/package.ts'

/** Starts web and worker on the database of this run, with the demo's people and one package full of conflicts. */
export default async function serve(): Promise<() => Promise<void>> {
  const port = await freePort()
  Object.assign(process.env, { BASE_URL: `http://localhost:${port}`, PORT: String(port), HOST: '127.0.0.1' })
  const { migrateDatabase } = await import('../../server/database/migrate.ts')
  const { closeDatabase } = await import('../../server/database/connection.ts')
  const { addPerson } = await import('../../server/access/people.ts')
  const { bringFile, newPackage } = await import('../../server/packages/intake.ts')
  const { nameOrganisation } = await import('../../server/access/organisations.ts')
  const { FIRST_ORGANISATION } = await import('../../server/database/schema.ts')
  const { packageRow } = await import('../../server/packages/queries.ts')
  await migrateDatabase()
  await nameOrganisation(FIRST_ORGANISATION, 'Merrow Sound Mutual', 'MSM')
  for (const person of DEMO_PEOPLE) await addPerson(person.name, person.email, DEMO_PASSWORD, person.role)
  const worker = startWorker(process.env)
  const web = startWeb(process.env)
  const end = async () => {
    await Promise.all([endProcess(web), endProcess(worker)])
    await closeDatabase()
  }
  try {
    await answers(`http://127.0.0.1:${port}/sign-in`, web)
    const made = await makePackage({ seed: 104817, papers: 'tuning', asOf: '2026-04-10', mishaps: ['other_employer', 'other_hull', 'loan_wrong', 'old_bill'], variants: true, clutter: true })
    const id = await newPackage('working-boat-loan', null, { caseNumber: 'MSM-26-004817', asOf: '2026-04-10', createdAt: new Date(Date.now() - 50 * 3_600_000) })
    await bringFile(id, 'application-and-papers.pdf', Readable.from([made.bytes]), null)
    for (let i = 0; i < 600 && (await packageRow(id, { organisationId: FIRST_ORGANISATION }))?.state !== 'open'; i++) await new Promise((done) => setTimeout(done, 100))
    process.env.TEST_PACKAGE = id
  } catch (error) {
    await end()
    throw error
  }
  return end
}

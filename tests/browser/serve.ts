import { Readable } from 'node:stream'
import { makePackage } from '../../demo/package.ts'

/** Starts web and worker on the database of this run, with the demo's people and one package full of conflicts. */
export default async function serve(): Promise<() => Promise<void>> {
  // Settings are read when these are loaded, and come with the run.
  const { startAlone } = await import('../../cli/alone.ts')
  const { freePort } = await import('../../cli/postgres.ts')
  const { bringFile, newPackage } = await import('../../server/packages/intake.ts')
  const { FIRST_ORGANISATION } = await import('../../server/database/schema.ts')
  const { packageRow } = await import('../../server/packages/queries.ts')
  const { startPostOffice } = await import('../../standins/post-office.ts')
  const { closeDatabase } = await import('../../server/database/connection.ts')
  const listen = await freePort(5100)
  const office = await startPostOffice(['papers@merrowsound.example'], `smtp://127.0.0.1:${listen}`)
  Object.assign(process.env, {
    MAIL_SERVER: office.smtp,
    TEST_LETTERS: office.messages,
    MAIL_LISTEN: `127.0.0.1:${listen}`,
    MAIL_ADDRESSES: JSON.stringify({ [FIRST_ORGANISATION]: ['papers@merrowsound.example'] }),
    TEST_MAIL: `smtp://127.0.0.1:${listen}`,
  })
  const alone = await startAlone()
  const end = () =>
    alone
      .end()
      .finally(() => office.stop())
      .finally(closeDatabase)
  try {
    const made = await makePackage({
      seed: 104817,
      papers: 'tuning',
      asOf: '2026-04-10',
      mishaps: ['other_employer', 'other_hull', 'loan_wrong', 'old_bill'],
      variants: true,
      clutter: true,
    })
    const id = await newPackage('working-boat-loan', null, {
      caseNumber: 'MSM-26-004817',
      asOf: '2026-04-10',
      createdAt: new Date(Date.now() - 50 * 3_600_000),
    })
    await bringFile(id, 'application-and-papers.pdf', Readable.from([made.bytes]), null)
    for (
      let i = 0;
      i < 600 && (await packageRow(id, { organisationId: FIRST_ORGANISATION }))?.state !== 'open';
      i++
    )
      await new Promise((done) => setTimeout(done, 100))
    process.env.TEST_PACKAGE = id
  } catch (error) {
    await end()
    throw error
  }
  return end
}

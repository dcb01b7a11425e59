import { Readable } from 'node:stream'
import { asc, eq } from 'drizzle-orm'
import yazl from 'yazl'
import type { Person } from '../access/person.ts'
import { historyOf, note } from '../audit.ts'
import { database } from '../database/connection.ts'
import { answers, arrivals, files, finishedReports, packages, pages } from '../database/schema.ts'
import { lettersOf } from './letters.ts'
import { requestsOf } from '../requests/drafts.ts'
import { statementsAbout } from '../requests/statements.ts'
import { contentsOf } from '../storage/contents.ts'

/**
 * All that is kept of an applicant in a package, as one ZIP: the files and letters as they came, what was read of each
 * page, the verdict and its reports, what people answered, and who did what and looked at it. Files are fetched while
 * they are sent.
 */
export async function everythingOf(packageId: string, who: Person): Promise<ReadableStream<Uint8Array>> {
  await note(database(), who, packageId, 'gave out all that is kept')
  const work = database()
  const [row] = await work.select().from(packages).where(eq(packages.id, packageId))
  const originals = await work
    .select({ name: files.name, sha256: files.sha256, size: files.size })
    .from(files)
    .where(eq(files.packageId, packageId))
    .orderBy(asc(files.createdAt), asc(files.id))
  const zip = new yazl.ZipFile()
  const add = (name: string, value: unknown) =>
    zip.addBuffer(Buffer.from(JSON.stringify(value, null, 1)), name)
  const { assessment, pieces, ...about } = row
  add('package.json', about)
  add('verdict.json', { assessment, pieces })
  add(
    'pages.json',
    await work
      .select({ number: pages.number, read: pages.body })
      .from(pages)
      .where(eq(pages.packageId, packageId))
      .orderBy(asc(pages.number)),
  )
  add(
    'answers.json',
    await work.select().from(answers).where(eq(answers.packageId, packageId)).orderBy(asc(answers.id)),
  )
  add('letters.json', await lettersOf(packageId))
  const came = await work
    .select({
      id: arrivals.id,
      name: arrivals.name,
      at: arrivals.createdAt,
      message: arrivals.message,
      outcome: arrivals.outcome,
    })
    .from(arrivals)
    .where(eq(arrivals.packageId, packageId))
    .orderBy(asc(arrivals.createdAt))
  add('arrivals.json', came)
  add('requests.json', {
    // Their links are nobody's to have.
    requests: (await requestsOf(work, packageId)).map(
      ({ linkSalt: _salt, tokenHash: _token, ...request }) => request,
    ),
    statements: await statementsAbout(work, packageId),
  })
  add('history.json', await historyOf(packageId))
  for (const kept of await work
    .select({ round: finishedReports.round, report: finishedReports.report })
    .from(finishedReports)
    .where(eq(finishedReports.packageId, packageId)))
    zip.addBuffer(Buffer.from(kept.report), `reports/${kept.round}.json`)
  for (const [i, { name, sha256, size }] of originals.entries())
    if (sha256)
      zip.addReadStreamLazy(inFolder(i + 1, name), { size, compress: false }, (give) =>
        give(null, Readable.from(contentsOf(sha256), { objectMode: false })),
      )
  for (const [i, { message }] of came.entries())
    if (message)
      zip.addReadStreamLazy(`letters/${String(i + 1).padStart(3, '0')}.eml`, { compress: false }, (give) =>
        give(null, Readable.from(contentsOf(message), { objectMode: false })),
      )
  // A file whose contents cannot be fetched breaks the download off, and nothing else.
  zip.on('error', (error: Error) => (zip.outputStream as Readable).destroy(error))
  zip.end()
  return Readable.toWeb(zip.outputStream as Readable) as ReadableStream<Uint8Array>
}

/** A name that a stranger gave, as no path and beside others of the same name. */
const inFolder = (place: number, name: string): string =>
  `files/${String(place).padStart(3, '0')} ${name.replace(/[\\/:*?"<>|\p{Cc}]/gu, '_').slice(-120)}`

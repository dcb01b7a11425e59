import { mkdtemp, readFile, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Readable } from 'node:stream'
import { eq } from 'drizzle-orm'
import yazl from 'yazl'
import { assess } from '../../core/assess.ts'
import { fileNames } from '../../core/handover/names.ts'
import { reportOf } from '../../core/handover/report.ts'
import { writeDocuments } from '../../engine/handover/documents.ts'
import type { Person } from '../access/people.ts'
import { note } from '../audit.ts'
import { database } from '../database/connection.ts'
import { files, packages } from '../database/schema.ts'
import { tell } from '../events.ts'
import { fetchContents } from '../storage/contents.ts'
import { situationOf } from './judge.ts'

/** Finishes a package, or opens it again. A finished package takes no answers. */
export async function setFinished(packageId: string, finished: boolean, who: Person): Promise<void> {
  await database().transaction(async (work) => {
    const [row] = await work.select({ state: packages.state, loose: packages.looseCount }).from(packages).where(eq(packages.id, packageId)).for('update')
    if (!row || row.state === (finished ? 'finished' : 'open') || row.state === 'reading' || row.state === 'empty') return
    await work.update(packages).set({ state: finished ? 'finished' : 'open', finishedAt: finished ? new Date() : null, updatedAt: new Date() }).where(eq(packages.id, packageId))
    await note(work, who, packageId, finished ? 'finished the package' : 'opened the package again', finished && row.loose > 0 ? `${row.loose} loose pieces were left` : '')
    await tell(work, { packageId, what: 'judged' })
  })
}

/** The package as one ZIP: a PDF for each document and the report. */
export async function packageZip(packageId: string, who: Person): Promise<ReadableStream<Uint8Array>> {
  const situation = await situationOf(database(), packageId, false)
  const assessment = assess(situation)
  const names = fileNames(assessment.documents)
  const folder = await mkdtemp(join(tmpdir(), 'jigsa-zip-'))
  const zip = new yazl.ZipFile()
  try {
    const rows = await database().select({ name: files.name, sha256: files.sha256, pages: files.pages }).from(files).where(eq(files.packageId, packageId))
    const originals = await Promise.all(rows.filter((r) => r.pages > 0 && r.sha256).map(async (r) => ({ name: r.name, bytes: await fetchContents(r.sha256!) })))
    const byNumber = new Map(situation.pages.map((p) => [p.number, p]))
    await writeDocuments(folder, originals, assessment.documents.map((d) => ({ name: names.get(d.id)!, pages: d.pages.map((n) => byNumber.get(n)!) })))
    for (const d of assessment.documents) zip.addBuffer(await readFile(join(folder, names.get(d.id)!)), `documents/${names.get(d.id)}`)
    zip.addBuffer(Buffer.from(JSON.stringify(reportOf(situation, assessment), null, 1)), 'report.json')
    zip.end()
    await note(database(), who, packageId, 'downloaded the package', `${assessment.documents.length} documents`)
    return Readable.toWeb(zip.outputStream as Readable) as ReadableStream<Uint8Array>
  } finally {
    await rm(folder, { recursive: true, force: true })
  }
}

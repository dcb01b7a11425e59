import { Readable } from 'node:stream'
import yazl from 'yazl'
import { fileNames } from '../../core/handover/index.ts'
import type { Person } from '../access/person.ts'
import { note } from '../audit.ts'
import { database } from '../database/connection.ts'
import { inShort } from '../jobs/tried.ts'
import { log } from '../log.ts'
import { DocumentsOut } from './documents-out.ts'
import { handedOver, type HandedOver } from './finished.ts'

/**
 * The package as one ZIP: a PDF for each document, the report, and the history up to it. It flows while it is made.
 * What is not as it came is said in `notes.txt`: documents that were drawn anew; and for those that cannot be cut out,
 * why, and the files that their pages are in, which go along.
 */
export async function packageZip(packageId: string, who: Person): Promise<ReadableStream<Uint8Array>> {
  const out = await handedOver(packageId)
  await note(database(), who, packageId, 'downloaded the package', `${out.documents.length} documents`)
  const zip = new yazl.ZipFile()
  const stream = zip.outputStream as Readable
  const documents = new DocumentsOut(packageId)
  stream.once('close', () => documents.close())
  fill(zip, documents, out).catch((error: unknown) => {
    log.error({ packageId, error: inShort(error) }, 'a ZIP broke off')
    stream.destroy(error instanceof Error ? error : new Error(String(error)))
  })
  return Readable.toWeb(stream) as ReadableStream<Uint8Array>
}

async function fill(zip: yazl.ZipFile, cutter: DocumentsOut, out: HandedOver): Promise<void> {
  const dated = { mtime: out.at }
  const names = fileNames(out.documents)
  const notes: string[] = []
  const along = new Set<string>()
  for await (const document of cutter.cut(
    out.documents.map((d) => ({ name: names.get(d.id)!, pages: d.pages })),
  )) {
    if ((zip.outputStream as Readable).destroyed) return
    if ('path' in document) {
      zip.addFile(document.path, `documents/${document.name}`, dated)
      if (document.drawn)
        notes.push(`${document.name}: Its pages could not be taken over as they came and were drawn anew.`)
    } else {
      notes.push(
        `${document.name}: ${document.problem} Its pages are in ${document.originals.map((o) => o.name).join(', ')}.`,
      )
      for (const { name, path } of document.originals)
        if (!along.has(name)) zip.addFile(path, originalName(along.add(name).size, name), dated)
    }
  }
  if (notes.length > 0) zip.addBuffer(Buffer.from(`${notes.join('\n')}\n`), 'notes.txt', dated)
  zip.addBuffer(Buffer.from(out.report), 'report.json', dated)
  zip.addBuffer(Buffer.from(out.history), 'history.json', dated)
  zip.end()
}

/** A stranger's file name says anything: what it is called in the ZIP leads nowhere else. */
const originalName = (place: number, name: string): string =>
  `originals/${String(place).padStart(2, '0')}-${name.replace(/[^\p{L}\p{N}._ -]+/gu, '-').slice(-120)}`

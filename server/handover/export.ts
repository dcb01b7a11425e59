import { createReadStream } from 'node:fs'
import { stat } from 'node:fs/promises'
import { Readable } from 'node:stream'
import yazl from 'yazl'
import { bagFiles, type Payload } from '../../core/receivers/index.ts'
import type { Receiver } from '../../core/receivers/index.ts'
import type { Person } from '../access/person.ts'
import { organisationName } from '../access/organisations.ts'
import { note } from '../audit.ts'
import { database } from '../database/connection.ts'
import { inShort } from '../jobs/tried.ts'
import { log } from '../log.ts'
import { digestOf, type Entry, Making } from './making.ts'

/** What a package can be had as, in one file. */
export const exportFormats = ['zip', 'pdf', 'csv', 'xlsx', 'json', 'bag', 'xml'] as const
export type ExportFormat = (typeof exportFormats)[number]

/** A file that leaves. */
export interface Export {
  name: string
  type: string
  body: ReadableStream<Uint8Array>
}

const XLSX = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet'

/**
 * A package as a receiver wants it, in one file that flows while it is made; that it was had is noted.
 * @throws Refused where it cannot be made so
 */
export async function exportOf(
  packageId: string,
  receiver: Receiver,
  format: ExportFormat,
  who: Person,
): Promise<Export> {
  const making = await Making.of(packageId, receiver)
  const { caseNumber } = making.given.about
  try {
    const made = await inFormat(making, format, who)
    await note(
      database(),
      who,
      packageId,
      'downloaded the package',
      `${making.given.documents.length} documents, ${format}, for ${receiver.title}`,
    )
    return { ...made, name: `${caseNumber}.${format === 'bag' ? 'bag.zip' : format}` }
  } catch (error) {
    making.close()
    throw error
  }
}

async function inFormat(making: Making, format: ExportFormat, who: Person): Promise<Omit<Export, 'name'>> {
  switch (format) {
    case 'zip':
      return { type: 'application/zip', body: zipped(making, (zip) => fill(zip, making)) }
    case 'bag': {
      const lender = await organisationName(who.organisationId)
      return { type: 'application/zip', body: zipped(making, (zip) => fillBag(zip, making, lender)) }
    }
    case 'pdf':
      return { type: 'application/pdf', body: await flowing(making, await making.whole()) }
    case 'csv':
      return { type: 'text/csv; charset=utf-8; header=present', body: await flowing(making, making.csv()) }
    case 'xlsx':
      return { type: XLSX, body: await flowing(making, await making.xlsx()) }
    case 'xml':
      return { type: 'application/xml', body: await flowing(making, await making.xml()) }
    case 'json':
      return {
        type: 'application/json',
        body: await flowing(making, { path: 'report.json', bytes: Buffer.from(making.given.out.report) }),
      }
  }
}

/** The bytes of one file; what it was made of is closed behind them. */
async function flowing(making: Making, entry: Entry): Promise<ReadableStream<Uint8Array>> {
  if ('bytes' in entry) {
    making.close()
    return Readable.toWeb(Readable.from([entry.bytes])) as ReadableStream<Uint8Array>
  }
  await stat(entry.disk)
  const stream = createReadStream(entry.disk)
  stream.once('close', () => making.close())
  return Readable.toWeb(stream) as ReadableStream<Uint8Array>
}

function zipped(making: Making, fillIt: (zip: yazl.ZipFile) => Promise<void>): ReadableStream<Uint8Array> {
  const zip = new yazl.ZipFile()
  const stream = zip.outputStream as Readable
  stream.once('close', () => making.close())
  fillIt(zip).catch((error: unknown) => {
    log.error({ case: making.given.about.caseNumber, error: inShort(error) }, 'a ZIP broke off')
    stream.destroy(error instanceof Error ? error : new Error(String(error)))
  })
  return Readable.toWeb(stream) as ReadableStream<Uint8Array>
}

function put(zip: yazl.ZipFile, entry: Entry, path: string, mtime: Date): void {
  if ('disk' in entry) zip.addFile(entry.disk, path, { mtime })
  else zip.addBuffer(entry.bytes, path, { mtime })
}

async function fill(zip: yazl.ZipFile, making: Making): Promise<void> {
  for await (const entry of making.entries()) {
    if ((zip.outputStream as Readable).destroyed) return
    put(zip, entry, entry.path, making.given.out.at)
  }
  zip.end()
}

/** A bag (RFC 8493) in a ZIP, in a folder of its case: each file with its digest, and the digests with theirs. */
async function fillBag(zip: yazl.ZipFile, making: Making, lender: string): Promise<void> {
  const { caseNumber, reference } = making.given.about
  const payload: Payload[] = []
  for await (const entry of making.entries()) {
    if ((zip.outputStream as Readable).destroyed) return
    payload.push({ path: entry.path, ...(await digestOf(entry)) })
    put(zip, entry, `${caseNumber}/data/${entry.path}`, making.given.out.at)
  }
  const tags = bagFiles(payload, {
    organisation: lender,
    identifier: caseNumber,
    senderIdentifier: reference,
    day: making.given.out.at.toISOString().slice(0, 10),
  })
  const tagged: Payload[] = []
  for (const { path, text } of tags.files) {
    const entry = { path, bytes: Buffer.from(text) }
    tagged.push({ path, ...(await digestOf(entry)) })
    put(zip, entry, `${caseNumber}/${path}`, making.given.out.at)
  }
  put(
    zip,
    { path: tags.manifest, bytes: Buffer.from(tags.linesOf(tagged)) },
    `${caseNumber}/${tags.manifest}`,
    making.given.out.at,
  )
  zip.end()
}

import { createHash } from 'node:crypto'
import type { Readable } from 'node:stream'
import { buffer } from 'node:stream/consumers'
import type { Entry } from 'yauzl'
import { Budget } from './budget.ts'
import type { IncomingFile } from './incoming-file.ts'
import { kindOf } from './kind.ts'
import { attachmentsOf, parseMessage } from './message.ts'
import { wellFormed } from '../../core/text/index.ts'
import { UnusableFile } from './unusable-file.ts'

export const sha256 = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex')

/** Whether a file holds others: an archive or a message. */
export const holdsFiles = async (bytes: Uint8Array): Promise<boolean> => {
  const kind = await kindOf(bytes)
  return kind === 'application/zip' || kind === 'message/rfc822'
}

/**
 * Files inside archives and messages, one at a time, so that whoever takes them holds one; other files as they are.
 * @throws UnusableFile
 */
export async function* expand(
  file: IncomingFile,
  budget = new Budget(),
  depth = 0,
): AsyncGenerator<IncomingFile> {
  const kind = await kindOf(file.bytes)
  if (kind === 'application/zip') {
    budget.enter(depth, 'archive')
    let empty = true
    for await (const inside of unzip(file, budget)) {
      empty = false
      yield* expand(inside, budget, depth + 1)
    }
    if (empty) throw new UnusableFile('This archive has no files in it.')
  } else if (kind === 'message/rfc822') {
    budget.enter(depth, 'message')
    yield* openMessage(file, budget, depth)
  } else yield file
}

// Archives and messages are rare, and their readers slow to load: they are loaded when one comes.

/** Longer names are cut, their ending kept. */
const LONGEST_NAME = 240

const shortened = (given: string): string => {
  const name = wellFormed(given)
  return name.length <= LONGEST_NAME ? name : `${name.slice(0, LONGEST_NAME - 20)}…${name.slice(-18)}`
}

/** What yauzl gives besides what its types say. */
interface Entries {
  eachEntry(): AsyncIterable<Entry>
  openReadStreamPromise(entry: Entry): Promise<Readable>
}
interface Archives {
  fromBufferPromise(bytes: Buffer, options: { lazyEntries: true }): Promise<Entries>
}

async function* unzip(file: IncomingFile, budget: Budget): AsyncGenerator<IncomingFile> {
  const { default: archives } = (await import('yauzl')) as unknown as { default: Archives }
  const bytes = Buffer.from(file.bytes.buffer, file.bytes.byteOffset, file.bytes.length)
  try {
    const zip = await archives.fromBufferPromise(bytes, { lazyEntries: true })
    for await (const entry of zip.eachEntry()) {
      if (/\/$|^__MACOSX\/|(?:^|\/)\./.test(entry.fileName)) continue
      if (entry.isEncrypted()) throw new UnusableFile('This archive is locked with a password.')
      // The stated size is taken before a byte is unpacked, and holds: the reader ends where more comes.
      budget.take(entry.uncompressedSize, entry.compressedSize)
      const stream = await zip.openReadStreamPromise(entry)
      yield {
        name: shortened(`${file.name}/${entry.fileName}`),
        bytes: new Uint8Array(await buffer(stream)),
      }
    }
  } catch (error) {
    if (error instanceof UnusableFile) throw error
    throw new UnusableFile('This archive is damaged and cannot be opened.')
  }
}

/** Lines of a message that are shown; a longer one is hardly a letter. */
const MOST_LINES = 5000

/** A message becomes a page of its own, its attachments follow. */
async function* openMessage(file: IncomingFile, budget: Budget, depth: number): AsyncGenerator<IncomingFile> {
  const mail = await parseMessage(file.bytes)
  const text = (mail.text ?? '').split('\n')
  const lines = [
    ...(mail.from ? [`From: ${mail.from.text}`] : []),
    ...(mail.to
      ? [`To: ${Array.isArray(mail.to) ? mail.to.map((t) => t.text).join(', ') : mail.to.text}`]
      : []),
    ...(mail.date ? [`Date: ${mail.date.toISOString().slice(0, 10)}`] : []),
    `Subject: ${mail.subject ?? ''}`,
    '',
    ...text.slice(0, MOST_LINES),
    ...(text.length > MOST_LINES
      ? ['', `… and ${text.length - MOST_LINES} more lines, which are not shown`]
      : []),
  ]
  budget.take(0)
  yield { name: shortened(`${file.name}/message.pdf`), bytes: await pageOfText(lines) }
  for (const { name, bytes } of attachmentsOf(mail, budget))
    yield* expand({ name: shortened(`${file.name}/${name}`), bytes }, budget, depth + 1)
}

async function pageOfText(lines: readonly string[]): Promise<Uint8Array> {
  const { PDFDocument, StandardFonts } = await import('pdf-lib')
  const pdf = await PDFDocument.create()
  const font = await pdf.embedFont(StandardFonts.Helvetica)
  const size = 10.5
  const wrapped = lines.flatMap((line) =>
    wrap(printable(line), (text) => font.widthOfTextAtSize(text, size), 480),
  )
  for (let start = 0; start < Math.max(1, wrapped.length); start += 50) {
    const page = pdf.addPage([595, 842])
    wrapped
      .slice(start, start + 50)
      .forEach((text, i) => page.drawText(text, { x: 57, y: 780 - i * 14.5, size, font }))
  }
  return pdf.save()
}

/** Letters that the standard fonts of PDF can print; others become a question mark. */
export const printable = (text: string): string =>
  text
    .normalize('NFC')
    .replace(/\t/g, '  ')
    .replace(/[^\x20-\x7e\xa1-\xff€‘’“”–—•…]/gu, (c) => {
      const [base] = c.normalize('NFKD')
      return /\s/.test(c) ? ' ' : /[\x20-\x7e]/.test(base) ? base : '?'
    })

function wrap(line: string, width: (text: string) => number, most: number): string[] {
  const out: string[] = []
  let current = ''
  for (const word of line.split(' ')) {
    const next = current ? `${current} ${word}` : word
    if (width(next) > most && current) {
      out.push(current)
      current = word
    } else current = next
  }
  return [...out, current]
}

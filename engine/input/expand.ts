import { createHash } from 'node:crypto'
import type yauzl from 'yauzl'
import { kindOf } from './kind.ts'
import { UnusableFile } from './source.ts'

/** A file as it came in, with its bytes. */
export interface IncomingFile {
  name: string
  bytes: Uint8Array
}

/** Limits on what one archive or message may unfold to. */
const MOST_FILES = 200
const MOST_BYTES = 400 * 1024 * 1024

export const sha256 = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex')

/** Files inside archives and messages, one level of nesting deep; other files as they are. @throws UnusableFile */
export async function expand(file: IncomingFile, depth = 0): Promise<IncomingFile[]> {
  const kind = await kindOf(file.bytes)
  if (kind === 'application/zip') {
    if (depth > 1) throw new UnusableFile('This archive is nested too deeply.')
    const inside = await unzip(file)
    if (inside.length === 0) throw new UnusableFile('This archive has no files in it.')
    return (await Promise.all(inside.map((f) => expand(f, depth + 1)))).flat()
  }
  if (kind === 'message/rfc822') {
    if (depth > 1) throw new UnusableFile('This message is nested too deeply.')
    return openMessage(file, depth)
  }
  return [file]
}

// Archives and messages are rare, and their readers slow to load: they are loaded when one comes.

async function unzip(file: IncomingFile): Promise<IncomingFile[]> {
  const { default: archives } = await import('yauzl')
  const damaged = () => new UnusableFile('This archive is damaged and cannot be opened.')
  return new Promise((resolve, reject) => {
    archives.fromBuffer(
      Buffer.from(file.bytes.buffer, file.bytes.byteOffset, file.bytes.length),
      { lazyEntries: true },
      (error, zip) => {
        if (error) return reject(damaged())
        const files: IncomingFile[] = []
        let total = 0
        zip.on('error', () => reject(damaged()))
        zip.on('end', () => resolve(files))
        zip.on('entry', (entry: yauzl.Entry) => {
          if (/\/$|^__MACOSX\/|(?:^|\/)\./.test(entry.fileName)) return zip.readEntry()
          if (entry.generalPurposeBitFlag & 1)
            return reject(new UnusableFile('This archive is locked with a password.'))
          total += entry.uncompressedSize
          // The stated size is checked before a byte is unpacked, and the true one by the reader: a bomb
          // never unfolds.
          if (files.length >= MOST_FILES || total > MOST_BYTES)
            return reject(new UnusableFile('This archive unfolds to more than can be taken in.'))
          zip.openReadStream(entry, (failed, stream) => {
            if (failed) return reject(damaged())
            const chunks: Buffer[] = []
            stream.on('data', (c: Buffer) => chunks.push(c))
            stream.on('error', () => reject(damaged()))
            stream.on('end', () => {
              files.push({
                name: `${file.name}/${entry.fileName}`,
                bytes: new Uint8Array(Buffer.concat(chunks)),
              })
              zip.readEntry()
            })
          })
        })
        zip.readEntry()
      },
    )
  })
}

/** A message becomes a page of its own, its attachments follow. */
async function openMessage(file: IncomingFile, depth: number): Promise<IncomingFile[]> {
  const { simpleParser } = await import('mailparser')
  const mail = await simpleParser(Buffer.from(file.bytes.buffer, file.bytes.byteOffset, file.bytes.length))
  const lines = [
    ...(mail.from ? [`From: ${mail.from.text}`] : []),
    ...(mail.to
      ? [`To: ${Array.isArray(mail.to) ? mail.to.map((t) => t.text).join(', ') : mail.to.text}`]
      : []),
    ...(mail.date ? [`Date: ${mail.date.toISOString().slice(0, 10)}`] : []),
    `Subject: ${mail.subject ?? ''}`,
    '',
    ...(mail.text ?? '').split('\n'),
  ]
  const message = { name: `${file.name}/message.pdf`, bytes: await pageOfText(lines) }
  const attachments = mail.attachments
    .filter((a) => a.content.length > 0 && !a.related)
    .map((a, i) => ({
      name: `${file.name}/${a.filename ?? `attachment-${i + 1}`}`,
      bytes: new Uint8Array(a.content),
    }))
  return [message, ...(await Promise.all(attachments.map((a) => expand(a, depth + 1)))).flat()]
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
    .replace(/[^\x20-\x7e\xa1-\xff€‘’“”–—•…]/g, (c) => (/\s/.test(c) ? ' ' : '?'))

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

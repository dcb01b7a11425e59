import Busboy from '@fastify/busboy'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { wellFormed } from '../../core/text/index.ts'
import type { Kept } from '../packages/intake.ts'
import { settings } from '../settings.ts'
import { keep, TooLarge } from '../storage/contents.ts'
import { Problem } from './problems.ts'

/** A multipart body: its fields, and its files as they were kept. */
export interface Upload {
  fields: Record<string, string>
  files: Kept[]
}

const MOST = { files: 500, fields: 20, fieldSize: 64 * 1024 }

/** A name as senders give it: the last part of a path alone, in letters that any store takes. */
const nameOf = (given: string): string =>
  wellFormed(given.replace(/^.*[/\\]/, ''))
    .trim()
    .slice(0, 240) || 'file'

/**
 * Takes a multipart body (RFC 7578) in as it comes: files go to the store chunk by chunk, whatever their size.
 * @throws Problem
 */
export async function takeUpload(request: Request): Promise<Upload> {
  const type = request.headers.get('content-type') ?? ''
  if (!/^multipart\/form-data\b/i.test(type))
    throw new Problem(415, 'The files are sent as multipart/form-data.')
  if (!request.body) throw new Problem(400, 'The request has no body.')
  const fields: Record<string, string> = {}
  const kept: Promise<Kept>[] = []
  const coming: Readable[] = []
  let parser: ReturnType<typeof Busboy>
  try {
    parser = Busboy({ headers: { 'content-type': type }, limits: MOST })
  } catch {
    throw new Problem(400, 'The body says no boundary of its parts.')
  }
  parser.on('field', (name, value) => (fields[name] = wellFormed(value)))
  let bytes = 0
  const most = settings().MOST_PACKAGE_BYTES
  /** What is too much is heard out and not kept: a part that nobody listens to would hold up all behind it. */
  async function* upTo(stream: Readable): AsyncGenerator<Uint8Array> {
    for await (const part of stream as AsyncIterable<Uint8Array>) {
      bytes += part.length
      if (bytes <= most) yield part
    }
  }
  parser.on('file', (_field, stream, filename) => {
    coming.push(stream)
    const one = keepOne(upTo(stream), nameOf(filename))
    // It is waited for below; until then nobody listens.
    one.catch(() => undefined)
    kept.push(one)
  })
  let many = false
  parser.on('filesLimit', () => (many = true))
  await pipeline(Readable.fromWeb(request.body as Parameters<typeof Readable.fromWeb>[0]), parser).catch(
    async (error: Error) => {
      for (const stream of coming) stream.destroy(error)
      await Promise.allSettled(kept)
      throw new Problem(400, 'The body breaks off, or is no multipart body.')
    },
  )
  const files = await Promise.all(kept)
  if (many) throw new Problem(413, `At most ${MOST.files} files are taken at once.`, 'files')
  if (bytes > most) throw new Problem(413, 'Together the files are larger than a package may be.', 'files')
  return { fields, files }
}

async function keepOne(stream: AsyncIterable<Uint8Array>, name: string): Promise<Kept> {
  try {
    return { name, ...(await keep(stream, settings().MOST_FILE_BYTES)) }
  } catch (error) {
    if (error instanceof TooLarge) throw new Problem(413, `The file ${name} ${error.message}.`, 'files')
    throw error
  }
}

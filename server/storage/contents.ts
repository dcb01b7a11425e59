import { createHash, type Hash } from 'node:crypto'
import { Readable } from 'node:stream'
import { and, asc, eq } from 'drizzle-orm'
import { database } from '../database/connection.ts'
import { chunks } from '../database/schema.ts'

const CHUNK = 1024 * 1024

/** A stream grew past its limit. */
export class TooLarge extends Error {}

/**
 * Keeps a stream of bytes under its hash. Chunks are written under a passing name while the hash is not
 * known, so that memory holds one chunk, not the file.
 * @throws TooLarge once `most` bytes are passed; nothing is kept then
 */
export async function keep(
  stream: AsyncIterable<Uint8Array>,
  most: number,
): Promise<{ sha256: string; size: number }> {
  const passing = `arriving-${crypto.randomUUID()}`
  const hash: Hash = createHash('sha256')
  let size = 0
  let position = 0
  let pending: Buffer[] = []
  let waiting = 0
  const flush = async () => {
    if (waiting === 0) return
    await database()
      .insert(chunks)
      .values({ sha256: passing, position: position++, bytes: Buffer.concat(pending) })
    pending = []
    waiting = 0
  }
  try {
    for await (const part of stream) {
      size += part.length
      if (size > most) throw new TooLarge()
      hash.update(part)
      pending.push(Buffer.from(part))
      waiting += part.length
      if (waiting >= CHUNK) await flush()
    }
    await flush()
  } catch (error) {
    await database().delete(chunks).where(eq(chunks.sha256, passing))
    throw error
  }
  const sha256 = hash.digest('hex')
  await database().transaction(async (work) => {
    const [known] = await work
      .select({ position: chunks.position })
      .from(chunks)
      .where(and(eq(chunks.sha256, sha256), eq(chunks.position, 0)))
      .limit(1)
    if (known || size === 0) await work.delete(chunks).where(eq(chunks.sha256, passing))
    else await work.update(chunks).set({ sha256 }).where(eq(chunks.sha256, passing))
  })
  return { sha256, size }
}

/** Keeps bytes that are already in memory. */
export const keepBytes = (bytes: Uint8Array, most = Infinity): Promise<{ sha256: string; size: number }> =>
  keep(Readable.from([bytes]), most)

/** The whole contents of a hash. @throws Error where they are not there */
export async function fetchContents(sha256: string): Promise<Uint8Array> {
  const parts = await database()
    .select({ bytes: chunks.bytes })
    .from(chunks)
    .where(eq(chunks.sha256, sha256))
    .orderBy(asc(chunks.position))
  if (parts.length === 0 && sha256 !== createHash('sha256').digest('hex'))
    throw new Error(`contents ${sha256} are not in the store`)
  return new Uint8Array(Buffer.concat(parts.map((p) => p.bytes)))
}

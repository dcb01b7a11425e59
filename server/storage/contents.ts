import { createHash, type Hash } from 'node:crypto'
import { Readable } from 'node:stream'
import { and, asc, eq, gte, sql } from 'drizzle-orm'
import { database, type Work } from '../database/connection.ts'
import { arrivals, chunks, files } from '../database/schema.ts'

/** Bytes of one chunk. */
export const CHUNK = 1024 * 1024

/** The class of the advisory locks under which contents of one digest are put in and taken out. */
const CONTENTS_LOCK = 7304

/** Two that bring the same contents at once would both put them in; and what is put in must not be collected. */
const holdContents = (work: Work, sha256: string) =>
  work.execute(sql`select pg_advisory_xact_lock(${CONTENTS_LOCK}, hashtext(${sha256}))`)

/** Bytes after which whoever sends what is not taken is not heard out any more. */
const MOST_HEARD_OUT = 1024 * 1024 * 1024

/** A stream grew past its limit; the message goes on behind a name. */
export class TooLarge extends Error {
  constructor(most: number) {
    super(`is larger than ${inMegabytes(most)}, the most that is taken`)
  }
}

/** A number of bytes as people read it. */
export const inMegabytes = (bytes: number): string => `${Math.round(bytes / 1024 / 1024)} MB`

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
  const take = async (part: Uint8Array) => {
    if (size > most) throw new TooLarge(most)
    hash.update(part)
    // However large the parts that arrive: a chunk that is stored larger cannot be fetched by any driver.
    for (let from = 0; from < part.length;) {
      const piece = part.subarray(from, from + CHUNK - waiting)
      pending.push(Buffer.from(piece))
      waiting += piece.length
      from += piece.length
      if (waiting >= CHUNK) await flush()
    }
  }
  let fault: { error: unknown } | null = null
  try {
    for await (const part of stream) {
      size += part.length
      // Whoever sends hears nothing before all is sent: a line that is closed on them would be all that they are told.
      if (fault && size > MOST_HEARD_OUT) break
      if (!fault)
        await take(part).catch((error: unknown) => {
          fault = { error }
          pending = []
        })
    }
    if (fault) throw (fault as { error: unknown }).error
    await flush()
  } catch (error) {
    await database().delete(chunks).where(eq(chunks.sha256, passing))
    throw error
  }
  const sha256 = hash.digest('hex')
  await database().transaction(async (work) => {
    await holdContents(work, sha256)
    const [known] = await work
      .select({ position: chunks.position })
      .from(chunks)
      .where(and(eq(chunks.sha256, sha256), eq(chunks.position, 0)))
      .limit(1)
    if (known)
      await work
        .update(chunks)
        .set({ keptAt: new Date() })
        .where(and(eq(chunks.sha256, sha256), eq(chunks.position, 0)))
    if (known || size === 0) await work.delete(chunks).where(eq(chunks.sha256, passing))
    else await work.update(chunks).set({ sha256 }).where(eq(chunks.sha256, passing))
  })
  return { sha256, size }
}

/** Keeps bytes that are already in memory. */
export const keepBytes = (bytes: Uint8Array, most = Infinity): Promise<{ sha256: string; size: number }> =>
  keep(Readable.from([bytes]), most)

/** Chunks fetched at once: the driver holds each as text first, at twice its size. */
const AT_ONCE = 8

/** The contents of a hash, chunk by chunk. @throws Error where they are not there */
export async function* contentsOf(sha256: string): AsyncGenerator<Uint8Array> {
  let next = 0
  for (;;) {
    const parts = await database()
      .select({ bytes: chunks.bytes })
      .from(chunks)
      .where(and(eq(chunks.sha256, sha256), gte(chunks.position, next)))
      .orderBy(asc(chunks.position))
      .limit(AT_ONCE)
    for (const { bytes } of parts) yield bytes
    next += parts.length
    if (parts.length < AT_ONCE) break
  }
  if (next === 0 && sha256 !== createHash('sha256').digest('hex'))
    throw new Error(`contents ${sha256} are not in the store`)
}

/** The whole contents of a hash. @throws Error where they are not there */
export const fetchContents = async (sha256: string): Promise<Uint8Array> =>
  new Uint8Array(Buffer.concat((await Readable.from(contentsOf(sha256)).toArray()) as Uint8Array[]))

/** Hours for which contents stay that no file names: what is being stored is named a moment later. */
const GRACE_HOURS = 24

/**
 * Takes out what no file names any more: contents of what was erased, and pieces of what broke off while it came.
 * @returns how many contents are gone
 */
export async function collectContents(): Promise<number> {
  const old = sql`now() - make_interval(hours => ${GRACE_HOURS})`
  const unnamed = sql`not exists (select 1 from ${files} where ${files.sha256} = ${chunks.sha256})
    and not exists (
      select 1 from ${arrivals} where ${arrivals.packageId} is null
        and ${arrivals.files} @> jsonb_build_array(jsonb_build_object('sha256', ${chunks.sha256})))
    and not exists (select 1 from ${arrivals} where ${arrivals.message} = ${chunks.sha256})`
  const found = await database()
    .select({ sha256: chunks.sha256 })
    .from(chunks)
    .where(and(eq(chunks.position, 0), sql`${chunks.keptAt} < ${old}`, unnamed))
  for (const { sha256 } of found)
    await database().transaction(async (work) => {
      await holdContents(work, sha256)
      // Somebody may have brought them anew while others were taken out.
      const [still] = await work
        .select({ position: chunks.position })
        .from(chunks)
        .where(
          and(eq(chunks.sha256, sha256), eq(chunks.position, 0), sql`${chunks.keptAt} < ${old}`, unnamed),
        )
      if (still) await work.delete(chunks).where(eq(chunks.sha256, sha256))
    })
  return found.length
}

/** Digests that files name and whose contents are not there: after a backup was put back, none. */
export async function missingContents(): Promise<string[]> {
  const { rows } = await database().execute<{ sha256: string }>(sql`
    select distinct f.sha256 from file f where f.sha256 is not null and f.size > 0
      and not exists (select 1 from chunk c where c.sha256 = f.sha256 and c.position = 0)`)
  return rows.map((row) => row.sha256)
}

import { createHash } from 'node:crypto'
import { DataStore, ERRORS, MemoryLocker, Server, Upload } from '@tus/server'
import { and, count, eq, lt, sql } from 'drizzle-orm'
import type { Readable } from 'node:stream'
import { z } from 'zod'
import { wellFormed } from '../../core/text/index.ts'
import { database } from '../database/connection.ts'
import { chunks, comingFiles, requests } from '../database/schema.ts'
import { settings } from '../settings.ts'
import { CHUNK, contentsOf, keep } from '../storage/contents.ts'
import { takePaper } from './applicant.ts'
import type { RequestRow } from './link.ts'

/** Files that one link may bring: more are nobody's papers. */
const MOST_FILES = 300
/** Hours for which a file that came in part may be gone on with. */
export const COMING_HOURS = 24

/** Contents that are not whole stand in the store under a name that no digest is. */
const passing = (id: string): string => `coming-${id}`

const metadataSchema = z.object({ name: z.string().min(1).max(240), item: z.string().max(300).nullish() })

const refusal = (status_code: number, body: string) => ({ status_code, body })

/** A line that breaks costs at most so much: what came before it is there when they go on. */
class ComingStore extends DataStore {
  override extensions = ['creation']

  constructor(private readonly row: RequestRow) {
    super()
  }

  override async create(upload: Upload): Promise<Upload> {
    const given = metadataSchema.safeParse({
      name: upload.metadata?.name,
      item: upload.metadata?.item || null,
    })
    if (!given.success || upload.size === undefined) throw refusal(400, 'The file has no name.')
    const { item } = given.data
    if (item && !this.row.items.some((i) => i.id === item)) throw refusal(404, 'This is not asked for.')
    const [{ files, bytes }] = await database()
      .select({ files: count(), bytes: sql<number>`coalesce(sum(${comingFiles.size}), 0)::float8` })
      .from(comingFiles)
      .where(eq(comingFiles.requestId, this.row.id))
    if (files >= MOST_FILES || bytes + upload.size > settings().MOST_PACKAGE_BYTES)
      throw refusal(413, 'More than can be taken by one link.')
    await database()
      .insert(comingFiles)
      .values({
        id: upload.id,
        requestId: this.row.id,
        item: item ?? null,
        name: wellFormed(given.data.name.replace(/^.*[/\\]/, '')).slice(0, 240) || 'file',
        size: upload.size,
      })
    return upload
  }

  override async getUpload(id: string): Promise<Upload> {
    const [file] = z.uuid().safeParse(id).success
      ? await database()
          .select()
          .from(comingFiles)
          .where(and(eq(comingFiles.id, id), eq(comingFiles.requestId, this.row.id)))
      : []
    if (!file) throw ERRORS.FILE_NOT_FOUND
    return new Upload({
      id,
      size: file.size,
      offset: file.offset,
      creation_date: file.createdAt.toISOString(),
    })
  }

  /** Each chunk is there, or is not, together with the count of bytes: two that write at once cannot both. */
  override async write(stream: Readable, id: string, offset: number): Promise<number> {
    let at = offset
    let waiting: Buffer[] = []
    let size = 0
    const flush = async () => {
      if (size === 0) return
      const bytes = Buffer.concat(waiting)
      ;[waiting, size] = [[], 0]
      await database().transaction(async (work) => {
        const moved = await work
          .update(comingFiles)
          .set({ offset: at + bytes.length })
          .where(and(eq(comingFiles.id, id), eq(comingFiles.offset, at)))
          .returning({ id: comingFiles.id })
        if (moved.length === 0) throw ERRORS.INVALID_OFFSET
        await work.insert(chunks).values({
          sha256: passing(id),
          position: sql`(select coalesce(max(position) + 1, 0) from ${chunks} where sha256 = ${passing(id)})`,
          bytes,
        })
      })
      at += bytes.length
    }
    try {
      for await (const part of stream as AsyncIterable<Uint8Array>) {
        waiting.push(Buffer.from(part))
        size += part.length
        if (size >= CHUNK) await flush()
      }
    } finally {
      // What came before the line broke is kept.
      await flush()
    }
    return at
  }
}

const locker = new MemoryLocker()

/** Answers a request of the protocol by which files come in pieces (tus 1.0), for one link. @param path of its uploads */
export function takePieces(row: RequestRow, path: string, request: Request): Promise<Response> {
  const server = new Server({
    path,
    datastore: new ComingStore(row),
    relativeLocation: true,
    // The page alone speaks to it.
    allowedOrigins: () => false,
    maxSize: settings().MOST_FILE_BYTES,
    locker,
    namingFunction: () => crypto.randomUUID(),
    onUploadFinish: async (_request, upload) => {
      const problem = await finishComing(row, upload.id)
      return problem ? { status_code: 200, body: problem } : {}
    },
  })
  return server.handleWeb(request)
}

/** Takes a file that is whole into its package, once. @returns why it was refused, for the desk; null where it was not */
async function finishComing(row: RequestRow, id: string): Promise<string | null> {
  const [file] = await database().select().from(comingFiles).where(eq(comingFiles.id, id))
  if (!file || file.arrivalId || file.offset < file.size) return null
  const kept =
    file.size === 0
      ? { sha256: createHash('sha256').digest('hex'), size: 0 }
      : await keep(contentsOf(passing(id)), settings().MOST_FILE_BYTES)
  const { arrivalId, problem } = await takePaper(row, {
    comingId: id,
    item: file.item,
    kept: { name: file.name, ...kept },
  })
  await database().update(comingFiles).set({ arrivalId }).where(eq(comingFiles.id, id))
  await database()
    .delete(chunks)
    .where(eq(chunks.sha256, passing(id)))
  return problem
}

/** Files that came whole while whoever took them was killed are taken now; those that never will come are forgotten. */
export async function mendComing(): Promise<void> {
  const whole = await database()
    .select({ id: comingFiles.id, row: requests })
    .from(comingFiles)
    .innerJoin(requests, eq(requests.id, comingFiles.requestId))
    .where(
      and(
        sql`${comingFiles.offset} >= ${comingFiles.size}`,
        sql`${comingFiles.arrivalId} is null`,
        lt(comingFiles.createdAt, sql`now() - interval '1 minute'`),
      ),
    )
  for (const { id, row } of whole) await finishComing(row, id)
  const gone = await database()
    .delete(comingFiles)
    .where(
      and(
        sql`${comingFiles.offset} < ${comingFiles.size}`,
        lt(comingFiles.createdAt, sql`now() - make_interval(hours => ${COMING_HOURS})`),
      ),
    )
    .returning({ id: comingFiles.id })
  for (const { id } of gone)
    await database()
      .delete(chunks)
      .where(eq(chunks.sha256, passing(id)))
}

import { gunzipSync, gzipSync } from 'node:zlib'
import { customType } from 'drizzle-orm/pg-core'

const GZIP = 0x1f

/** JSON in few bytes. */
export const pack = (value: unknown): Buffer => gzipSync(JSON.stringify(value), { level: 1 })

/** What was packed; also JSON that was never packed, as rows from before have it. */
export const unpack = (bytes: Buffer): unknown =>
  JSON.parse((bytes[0] === GZIP ? gunzipSync(bytes) : bytes).toString('utf8'))

/**
 * JSON that is only ever stored and fetched whole. As `jsonb`, the verdict on 500 pages would be parsed and
 * compressed by PostgreSQL with every answer, which takes longer than judging does.
 */
export const packedJson = <T>(name: string) =>
  customType<{ data: T; driverData: Buffer }>({
    dataType: () => 'bytea',
    toDriver: pack,
    fromDriver: (bytes) => unpack(bytes) as T,
  })(name)

/** Text that is stored and fetched whole, to the letter. */
export const packedText = (name: string) =>
  customType<{ data: string; driverData: Buffer }>({
    dataType: () => 'bytea',
    toDriver: (text) => gzipSync(text, { level: 1 }),
    fromDriver: (bytes) => gunzipSync(bytes).toString('utf8'),
  })(name)

import { isDeepStrictEqual } from 'node:util'
import { eq } from 'drizzle-orm'
import type { Lender } from '../../core/locale/index.ts'
import type { Page } from '../../core/model/index.ts'
import { type DocumentType, unknownType } from '../../core/program/index.ts'
import { heldLenderOf } from '../access/organisations.ts'
import type { Work } from '../database/connection.ts'
import { readings } from '../database/schema.ts'
import { keepingReader, pageReader, type Reader, type Readings } from '../../core/pipeline/index.ts'

/** What documents are read from and by. */
export interface ReadBy {
  pages: readonly Page[]
  types: readonly DocumentType[]
  lender: Lender
}

/** What documents read as, by type and pages, with the types and the lender they were read by and the keys that the database has. */
export interface KnownReadings {
  types: readonly DocumentType[]
  lender: Lender
  byKey: Readings
  stored: Set<string>
}

/**
 * Of lately judged packages. A reading follows from pages and type alone: it lives as long as the list of
 * pages, and goes when its type changes.
 */
const known = new WeakMap<readonly Page[], KnownReadings>()

/** What is known of a package's documents, in this process or, by the database, in another. */
export async function readingsOf(
  work: Work,
  packageId: string,
  { pages, ...by }: ReadBy,
): Promise<KnownReadings> {
  const found = stillTrue(known.get(pages), by) ?? (await storedReadings(work, packageId, by))
  known.set(pages, found)
  return found
}

async function storedReadings(
  work: Work,
  packageId: string,
  { types, lender }: Omit<ReadBy, 'pages'>,
): Promise<KnownReadings> {
  const rows = await work
    .select({ key: readings.key, body: readings.body })
    .from(readings)
    .where(eq(readings.packageId, packageId))
  return {
    types,
    lender,
    byKey: new Map(rows.map((r) => [r.key, r.body])),
    stored: new Set(rows.map((r) => r.key)),
  }
}

/**
 * Keeps in mind what was read of the documents of a list of pages that is new, as after pages were recognised
 * again.
 */
export const rememberReadings = (pages: readonly Page[], readingsOfPages: KnownReadings): void =>
  void known.set(pages, readingsOfPages)

/**
 * A reader of a package's documents that knows what was read before.
 * @returns `keep` stores what was read anew since
 */
export async function keptReader(
  work: Work,
  packageId: string,
  of: ReadBy,
): Promise<{ read: Reader; keep: () => Promise<void> }> {
  const { byKey, stored } = await readingsOf(work, packageId, of)
  const keep = async () => {
    const fresh = [...byKey].flatMap(([key, body]) => (stored.has(key) ? [] : [{ packageId, key, body }]))
    if (fresh.length === 0) return
    // Read by ways of writing that changed meanwhile, they would outlive the change.
    if (!isDeepStrictEqual(await heldLenderOf(work, packageId), of.lender)) return
    await work.insert(readings).values(fresh).onConflictDoNothing()
    for (const { key } of fresh) stored.add(key)
  }
  return { read: keepingReader(pageReader(of.pages, of.lender), byKey), keep }
}

/** The readings whose types are what they were; undefined where nothing is known. */
function stillTrue(
  was: KnownReadings | undefined,
  { types, lender }: Omit<ReadBy, 'pages'>,
): KnownReadings | undefined {
  if (!was || !isDeepStrictEqual(was.lender, lender)) return undefined
  if (was.types === types) return was
  const same = new Set([unknownType, ...types.filter((t) => was.types.includes(t))].map((t) => t.id))
  const holds = (key: string): boolean => same.has(key.slice(0, key.indexOf(':')))
  return {
    types,
    lender,
    byKey: new Map([...was.byKey].filter(([key]) => holds(key))),
    stored: new Set([...was.stored].filter(holds)),
  }
}

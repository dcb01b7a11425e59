import { eq } from 'drizzle-orm'
import { keepingReader, pageReader, type Reader } from '../../core/assess.ts'
import type { Page } from '../../core/model/page.ts'
import type { DocumentType } from '../../core/program/schema.ts'
import { unknownType } from '../../core/program/types/index.ts'
import type { DocumentReading } from '../../core/extraction/fields/extract.ts'
import type { Work } from '../database/connection.ts'
import { readings } from '../database/schema.ts'

/** What documents read as, by type and pages, with the types they were read by. */
interface Known {
  types: readonly DocumentType[]
  byKey: Map<string, DocumentReading>
}

/** Of lately judged packages. A reading follows from pages and type alone: it lives as long as the list of pages, and goes when its type changes. */
const known = new WeakMap<readonly Page[], Known>()

/**
 * A reader of a package's documents that knows what was read before, in this process or, by the database, in another.
 * @returns `keep` stores what was read anew since
 */
export async function keptReader(
  work: Work,
  packageId: string,
  { pages, types }: { pages: readonly Page[]; types: readonly DocumentType[] },
): Promise<{ read: Reader; keep: () => Promise<void> }> {
  const byKey =
    stillTrue(known.get(pages), types) ??
    new Map(
      (
        await work
          .select({ key: readings.key, body: readings.body })
          .from(readings)
          .where(eq(readings.packageId, packageId))
      ).map((r) => [r.key, r.body]),
    )
  known.set(pages, { types, byKey })
  const before = new Set(byKey.keys())
  const keep = async () => {
    const fresh = [...byKey]
      .filter(([key]) => !before.has(key))
      .map(([key, body]) => ({ packageId, key, body }))
    if (fresh.length > 0) await work.insert(readings).values(fresh).onConflictDoNothing()
  }
  return { read: keepingReader(pageReader(pages), byKey), keep }
}

/** The readings whose types are what they were; undefined where nothing is known. */
function stillTrue(
  was: Known | undefined,
  types: readonly DocumentType[],
): Map<string, DocumentReading> | undefined {
  if (!was || was.types === types) return was?.byKey
  const same = new Set([unknownType, ...types.filter((t) => was.types.includes(t))].map((t) => t.id))
  return new Map([...was.byKey].filter(([key]) => same.has(key.slice(0, key.indexOf(':')))))
}

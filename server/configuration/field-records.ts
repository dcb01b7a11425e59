import { and, desc, eq, inArray, isNull, like } from 'drizzle-orm'
import { fill } from '../../core/answers/index.ts'
import type { PastReading } from '../../core/findings/index.ts'
import type { Person } from '../access/person.ts'
import { database } from '../database/connection.ts'
import { answers, packages, readings } from '../database/schema.ts'

/** Packages that are looked back on, the latest. */
const MOST_PACKAGES = 300

/** What was read and said of a type's fields, over the latest packages of an organisation. */
export async function pastReadings(who: Person, type: string): Promise<PastReading[]> {
  const rows = await database()
    .select({ id: packages.id, documents: packages.documents })
    .from(packages)
    .where(
      and(
        eq(packages.organisationId, who.organisationId),
        inArray(packages.state, ['open', 'review', 'finished']),
      ),
    )
    .orderBy(desc(packages.createdAt))
    .limit(MOST_PACKAGES)
  const ids = rows.map((r) => r.id)
  if (ids.length === 0) return []
  const [read, said] = await Promise.all([
    database()
      .select({ packageId: readings.packageId, key: readings.key, body: readings.body })
      .from(readings)
      .where(and(inArray(readings.packageId, ids), like(readings.key, `${type}:%`))),
    database()
      .select({ packageId: answers.packageId, body: answers.body })
      .from(answers)
      .where(and(inArray(answers.packageId, ids), isNull(answers.undoneAt))),
  ])
  // Readings are kept of cuts that were given up, too: only those of documents that stand count.
  const standing = new Set(
    rows.flatMap(({ id, documents }) => (documents ?? []).map((d) => `${id} ${d.type}:${d.pages.join(',')}`)),
  )
  return read
    .filter((r) => standing.has(`${r.packageId} ${r.key}`))
    .flatMap(({ packageId, key, body }) => {
      const pages = key
        .slice(key.indexOf(':') + 1)
        .split(',')
        .map(Number)
      const own = said.filter((a) => a.packageId === packageId).map((a) => a.body)
      const filled = new Map(fill(body.fields, pages, own).map((f) => [f.name, f]))
      return body.fields.map((field): PastReading => {
        const now = filled.get(field.name)!
        const byPerson = ['confirmed', 'corrected', 'empty', 'unreadable'].includes(now.state)
        return {
          field: field.name,
          value: field.value,
          confidence: field.confidence,
          needsReview: field.needsReview,
          said: byPerson ? { value: now.value, state: now.state } : null,
        }
      })
    })
}

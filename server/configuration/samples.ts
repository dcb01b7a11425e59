import { randomUUID } from 'node:crypto'
import { and, arrayContains, asc, desc, eq, inArray, lt, sql } from 'drizzle-orm'
import { segmentPages } from '../../core/classification/index.ts'
import {
  columnsOf,
  extractDocument,
  extractUntyped,
  type UntypedColumn,
  type UntypedValue,
} from '../../core/extraction/index.ts'
import type { Box, FieldValue } from '../../core/model/index.ts'
import type { DocumentType } from '../../core/program/index.ts'
import { lenderOf } from '../access/organisations.ts'
import type { Person } from '../access/person.ts'
import { database } from '../database/connection.ts'
import { files, packages } from '../database/schema.ts'
import { fileCounts, pageSheets } from '../packages/queries.ts'
import { pagesOf } from '../packages/judge.ts'
import { typesOf } from './types.ts'

/** Pages of a sample that are read at most: a type is written from its first ones. */
const MOST_PAGES = 6
/** A sample whose type was not stored in this time was left. */
const LEFT_MS = 24 * 3_600_000
/** Papers of past packages that are offered as samples at most. */
const MOST_PAST = 5

/** A paper that a type can be held against: dropped for it, or of a package. */
export interface Sample {
  packageId: string
  pages: number[]
  title: string
  /** Dropped for this, and to be taken away again. */
  own: boolean
}

/** What a type as it is written just now reads from a sample. */
export interface SampleReading {
  fields: FieldValue[]
  /** What the paper says besides, with the wording that leads to it. */
  besides: UntypedValue[]
  /** Tables of it that no value takes its rows from. */
  tables: { columns: UntypedColumn[]; rows: number }[]
  heading: string | null
  /** What the sample would be taken for among all types, and how surely; null where it is of none. */
  takenFor: { id: string; title: string; confidence: number } | null
  signed: boolean | null
}

/** Makes room for a sample that files can be brought to. @param type null while the type is not stored yet */
export async function newSample(who: Person, type: string | null): Promise<string> {
  // Strangers' papers are not kept for a type that nobody made.
  await database()
    .delete(packages)
    .where(
      and(
        eq(packages.organisationId, who.organisationId),
        eq(packages.state, 'sample'),
        eq(packages.types, []),
        lt(packages.createdAt, new Date(Date.now() - LEFT_MS)),
      ),
    )
  const [made] = await database()
    .insert(packages)
    .values({
      organisationId: who.organisationId,
      // No case has a number like it, and no program is to judge it.
      caseNumber: `sample ${randomUUID()}`,
      program: '',
      asOf: new Date().toISOString().slice(0, 10),
      state: 'sample',
      types: type ? [type] : [],
      createdById: who.id,
    })
    .returning({ id: packages.id })
  return made.id
}

const ownSample = (who: Person, id: string) =>
  and(eq(packages.id, id), eq(packages.organisationId, who.organisationId), eq(packages.state, 'sample'))

/** Says of which type a sample is, once that is stored. */
export async function keepSample(who: Person, id: string, type: string): Promise<void> {
  await database()
    .update(packages)
    .set({ types: [type] })
    .where(ownSample(who, id))
}

/** Takes a sample away. @returns false where there is none */
export async function removeSample(who: Person, id: string): Promise<boolean> {
  return (
    (await database().delete(packages).where(ownSample(who, id)).returning({ id: packages.id })).length > 0
  )
}

/** Papers that a type can be held against: those that were dropped for it, then those of lately brought packages. */
export async function samplesOf(who: Person, type: string): Promise<Sample[]> {
  const rows = await database()
    .select({
      id: packages.id,
      caseNumber: packages.caseNumber,
      state: packages.state,
      documents: packages.documents,
      // Said in full: in a query of one table names stand without it, and would be the inner one's.
      file: sql<
        string | null
      >`(select min(brought.name) from file brought where brought.package_id = package.id)`,
    })
    .from(packages)
    .where(
      and(
        eq(packages.organisationId, who.organisationId),
        arrayContains(packages.types, [type]),
        inArray(packages.state, ['sample', 'open', 'review', 'finished']),
      ),
    )
    .orderBy(asc(sql`${packages.state} <> 'sample'`), desc(packages.createdAt))
    .limit(MOST_PAST * 4)
  const past = rows.filter((r) => r.state !== 'sample').slice(0, MOST_PAST)
  return rows.flatMap((row): Sample[] => {
    if (row.state === 'sample')
      return [{ packageId: row.id, pages: [], title: row.file ?? 'a sample', own: true }]
    const document = past.includes(row) ? row.documents?.find((d) => d.type === type) : undefined
    return document
      ? [
          {
            packageId: row.id,
            pages: document.pages.slice(0, MOST_PAGES),
            title: `${row.caseNumber}, page ${document.pages[0]}`,
            own: false,
          },
        ]
      : []
  })
}

/** How far the reading of a sample is, with the shape of its pages. Null where the organisation has none of that id. */
export async function sampleState(who: Person, id: string) {
  const [row] = await database()
    .select({ id: packages.id })
    .from(packages)
    .where(and(eq(packages.id, id), eq(packages.organisationId, who.organisationId)))
  if (!row) return null
  const [sheets, counts, brought] = await Promise.all([
    pageSheets(id),
    fileCounts(id),
    database()
      .select({ name: files.name, problem: files.problem })
      .from(files)
      .where(eq(files.packageId, id))
      .orderBy(asc(files.createdAt))
      .limit(1),
  ])
  return { id, sheets, coming: counts.coming > 0, problem: brought[0]?.problem ?? null }
}

/**
 * Reads a sample with a type as it is written just now, among the organisation's other types.
 * @param pages of the package; all of a sample where empty
 * @returns null where its pages are not read yet, or the organisation has none of that id
 */
export async function readSample(
  who: Person,
  packageId: string,
  pages: readonly number[],
  type: DocumentType,
): Promise<SampleReading | null> {
  const [row] = await database()
    .select({ id: packages.id })
    .from(packages)
    .where(and(eq(packages.id, packageId), eq(packages.organisationId, who.organisationId)))
  if (!row) return null
  const all = await pagesOf(database(), packageId)
  const read = all.filter((p) => pages.length === 0 || pages.includes(p.number)).slice(0, MOST_PAGES)
  if (read.length === 0) return null
  const { fields, signature, locale } = extractDocument(
    read,
    type,
    await lenderOf(database(), who.organisationId),
  )
  const others = (await typesOf(database(), who.organisationId)).filter((t) => t.id !== type.id)
  const types = [...others, type]
  const piece = segmentPages(read, types).find((p) => p.pages.includes(read[0].number))
  const known = types.find((t) => t.id === piece?.type)
  const { heading, values, tables } = extractUntyped(read)
  const taken = fields.flatMap(
    (f): { page: number; box: Box }[] =>
      f.rowPlaces ?? (f.page !== null && f.box !== null ? [{ page: f.page, box: f.box }] : []),
  )
  const open = (place: { page: number; box: Box }) =>
    !taken.some((t) => t.page === place.page && meets(t.box, place.box))
  return {
    fields,
    heading,
    tables: tables.filter(open).flatMap((table) => {
      const columns = columnsOf(table, locale)
      return columns.length > 0 ? [{ columns, rows: table.rows.length }] : []
    }),
    besides: values.filter((v) => v.label !== null && open(v)),
    takenFor: known && piece ? { id: known.id, title: known.title, confidence: piece.confidence } : null,
    signed: signature?.signed ?? null,
  }
}

/** Whether two places share a part. */
const meets = (a: Box, b: Box): boolean => a[0] < b[2] && b[0] < a[2] && a[1] < b[3] && b[1] < a[3]

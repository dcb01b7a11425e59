import { eq } from 'drizzle-orm'
import type { Assessment } from '../../core/pipeline/index.ts'
import { type Program, unknownType } from '../../core/program/index.ts'
import { draftItems, type RequestItem, type ToAskAbout } from '../../core/requests/index.ts'
import { lenderOf } from '../access/organisations.ts'
import { programAt } from '../configuration/programs.ts'
import { typesOf } from '../configuration/types.ts'
import type { Work } from '../database/connection.ts'
import { packages } from '../database/schema.ts'
import { filesOf } from '../packages/files-of.ts'

type AskedPackage = Pick<
  typeof packages.$inferSelect,
  'id' | 'organisationId' | 'program' | 'programVersion' | 'asOf'
>

/** The program that a package is judged by. */
export async function programOf(
  work: Work,
  row: Pick<AskedPackage, 'organisationId' | 'program' | 'programVersion'>,
): Promise<Program> {
  const program = await programAt(work, row.organisationId, row.program, row.programVersion)
  if (!program) throw new Error(`there is no program ${row.program} of version ${row.programVersion}`)
  return program
}

async function fromVerdict(work: Work, row: AskedPackage, verdict: Assessment): Promise<ToAskAbout> {
  const program = await programOf(work, row)
  const types = await typesOf(work, row.organisationId)
  const { currency } = await lenderOf(work, row.organisationId)
  const { documents, persons } = verdict
  return {
    ...verdict,
    program,
    files: await filesOf(work, row.id),
    fieldTitle: (type, name) =>
      types.find((t) => t.id === type)?.fields.find((f) => f.name === name)?.title ?? name,
    situation: {
      papers: documents,
      persons,
      asOf: row.asOf,
      currency,
      titles: new Map([...types, unknownType].map((t) => [t.id, t.title])),
    },
  }
}

/** A package, as far as its applicant can be asked about it. @throws Error where there is none */
export async function askedPackage(
  work: Work,
  packageId: string,
): Promise<AskedPackage & { assessment: Assessment | null }> {
  const [row] = await work
    .select({
      id: packages.id,
      organisationId: packages.organisationId,
      program: packages.program,
      programVersion: packages.programVersion,
      asOf: packages.asOf,
      assessment: packages.assessment,
    })
    .from(packages)
    .where(eq(packages.id, packageId))
  if (!row) throw new Error(`there is no package ${packageId}`)
  return row
}

/** All that a request about a package is drafted from; null where it was not judged yet. */
export async function toAskAbout(work: Work, packageId: string): Promise<ToAskAbout | null> {
  const row = await askedPackage(work, packageId)
  return row.assessment ? fromVerdict(work, row, row.assessment) : null
}

/** What a request about a package would ask for now; nothing where it was not judged yet. */
export async function itemsNow(work: Work, packageId: string): Promise<RequestItem[]> {
  const about = await toAskAbout(work, packageId)
  return about ? draftItems(about) : []
}

import { and, desc, eq, isNotNull } from 'drizzle-orm'
import { goingOut, pathsOf, type Receiver, receiverFaults } from '../../core/receivers/index.ts'
import { programAt } from '../configuration/programs.ts'
import { typesOf } from '../configuration/types.ts'
import { database } from '../database/connection.ts'
import { packages } from '../database/schema.ts'

/** A file that would go out. */
export interface FileOut {
  path: string
  document: string
  pages: number[]
}

/** What would go to a receiver of a package as it stands, or why the receiver cannot be used. */
export async function filesFor(
  organisationId: string,
  packageId: string,
  receiver: Receiver,
): Promise<{ files: FileOut[]; faults: string[] }> {
  const types = await typesOf(database(), organisationId)
  const faults = receiverFaults(receiver, types)
  const [row] = await database()
    .select()
    .from(packages)
    .where(and(eq(packages.id, packageId), eq(packages.organisationId, organisationId)))
  if (!row?.assessment || faults.length > 0) return { files: [], faults }
  const program = await programAt(database(), organisationId, row.program, row.programVersion)
  const documents = goingOut(row.assessment.documents, receiver)
  const paths = pathsOf(documents, receiver, types, {
    caseNumber: row.caseNumber,
    reference: row.reference ?? '',
    applicant: row.applicant ?? '',
    program: program?.title ?? row.program,
  })
  return {
    faults,
    files: documents.map((d) => ({ path: paths.get(d.id)!, document: d.id, pages: d.pages })),
  }
}

/** Packages that a receiver is tried on: the latest that were read. */
const MOST_TRIED = 30

export const triedOn = (organisationId: string) =>
  database()
    .select({ id: packages.id, caseNumber: packages.caseNumber, applicant: packages.applicant })
    .from(packages)
    .where(and(eq(packages.organisationId, organisationId), isNotNull(packages.assessment)))
    .orderBy(desc(packages.createdAt))
    .limit(MOST_TRIED)

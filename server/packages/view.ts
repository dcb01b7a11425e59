import type { Person } from '../access/person.ts'
import { rightsOf } from '../access/rights.ts'
import { programAt } from '../configuration/programs.ts'
import { typesOf } from '../configuration/types.ts'
import { database } from '../database/connection.ts'
import { undoState } from './answer.ts'
import { hasIdentityCheck, identityOf } from './identity.ts'
import { statementsAbout } from '../requests/statements.ts'
import { ownersFor } from './owners.ts'
import { fileCounts, pageSheets, type packageRow } from './queries.ts'
import { unknownType } from '../../core/program/index.ts'

/**
 * What all screens of one package share: the package, its verdict, its pages, its types and who may do what
 * with it.
 */
export async function packageView(who: Person, found: NonNullable<Awaited<ReturnType<typeof packageRow>>>) {
  const { assessment, ...row } = found
  const [program, types, sheets, undo, files, owners, identity, statements] = await Promise.all([
    programAt(database(), who.organisationId, row.program, row.programVersion),
    typesOf(database(), who.organisationId),
    pageSheets(row.id),
    undoState(row.id),
    fileCounts(row.id),
    ownersFor(who, row.ownerId),
    identityOf(database(), row.id),
    statementsAbout(database(), row.id),
  ])
  const things = assessment
    ? assessment.documents.reduce(
        (sum, d) => sum + 1 + d.fields.filter((f) => f.state !== 'absent').length,
        0,
      ) +
      assessment.facts.length +
      assessment.checks.length
    : 0
  return {
    who,
    rights: rightsOf(who),
    row,
    assessment,
    sheets,
    undo,
    files,
    owners,
    /** What the applicant said in place of papers: evidence of theirs, told apart from what papers say. */
    statements,
    /** What a service says of identity papers, and whether there is one to ask. */
    identity,
    hasIdentityCheck: hasIdentityCheck(who.organisationId),
    programTitle: program?.title ?? row.program,
    signOff: program?.signOff ?? { waivers: false, differences: false, finish: false, requests: false },
    types: [...types, unknownType].map((t) => ({
      id: t.id,
      title: t.title,
      titles: t.titles.slice(0, 8),
      signed: t.signature !== null,
      zone: t.zone,
      fields: t.fields.map(({ name, title, kind, columns, choices }) => ({
        name,
        title,
        kind,
        columns: columns.map((c) => ({ name: c.name, kind: c.kind })),
        choices: choices.map((c) => c.value),
      })),
    })),
    meter: assessment ? { placed: Math.max(0, things - assessment.deck.length), all: things } : null,
  }
}

export type PackageView = Awaited<ReturnType<typeof packageView>>

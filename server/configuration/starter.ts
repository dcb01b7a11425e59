import { and, eq, isNull } from 'drizzle-orm'
import type { Lender } from '../../core/locale/index.ts'
import type { DocumentType, Program } from '../../core/program/index.ts'
import { database, type Work } from '../database/connection.ts'
import { documentTypes, organisations, programs } from '../database/schema.ts'

/** Document types and programs to begin with: data that whoever starts the application hands in. */
export interface StarterSet {
  types: readonly DocumentType[]
  programs: readonly Program[]
  /** How papers for these types are written; the name stays the organisation's own. */
  lender: Lender
}

/**
 * Gives every organisation that never had one the starter set, as first versions of its own: from then on it
 * changes or removes what it likes, and no types but its own take part in reading its papers.
 */
export async function giveStarterSets(starter: StarterSet): Promise<void> {
  await database().transaction(async (work) => {
    const without = await work
      .select({ id: organisations.id })
      .from(organisations)
      .where(isNull(organisations.starterAt))
      .for('update')
    for (const { id } of without) await takeStarterSet(work, id, starter)
  })
}

/** Puts the starter set beside what an organisation has; what it has changed itself stays the newest version. */
async function takeStarterSet(work: Work, organisationId: string, starter: StarterSet): Promise<void> {
  const { country, currency, dateOrder, languages } = starter.lender
  const first = { organisationId, version: 1, createdById: null }
  if (starter.types.length > 0)
    await work
      .insert(documentTypes)
      .values(starter.types.map((body) => ({ ...first, type: body.id, body })))
      .onConflictDoNothing()
  if (starter.programs.length > 0)
    await work
      .insert(programs)
      .values(starter.programs.map((body) => ({ ...first, program: body.id, body })))
      .onConflictDoNothing()
  await work
    .update(organisations)
    .set({ starterAt: new Date(), country, currency, dateOrder: dateOrder ?? null, languages })
    .where(and(eq(organisations.id, organisationId)))
}

import { eq, inArray } from 'drizzle-orm'
import { type Lender, lenderSchema } from '../../core/locale/index.ts'
import { database, type Work } from '../database/connection.ts'
import { organisations, packages, readings } from '../database/schema.ts'

/** Names an organisation, or makes it. */
export async function nameOrganisation(id: string, name: string, casePrefix: string): Promise<void> {
  await database()
    .insert(organisations)
    .values({ id, name, casePrefix })
    .onConflictDoUpdate({ target: organisations.id, set: { name, casePrefix } })
}

export async function organisationName(id: string): Promise<string> {
  const [row] = await database()
    .select({ name: organisations.name })
    .from(organisations)
    .where(eq(organisations.id, id))
  return row?.name ?? ''
}

const LENDER = {
  name: organisations.name,
  country: organisations.country,
  currency: organisations.currency,
  dateOrder: organisations.dateOrder,
  languages: organisations.languages,
  colour: organisations.colour,
}
const lenderIn = (row: { dateOrder: Lender['dateOrder'] | null } | undefined): Lender =>
  lenderSchema.parse({ ...row, dateOrder: row?.dateOrder ?? undefined })

/** How an organisation's papers are written where they do not show it. */
export async function lenderOf(work: Work, organisationId: string): Promise<Lender> {
  const [row] = await work.select(LENDER).from(organisations).where(eq(organisations.id, organisationId))
  return lenderIn(row)
}

/**
 * As `lenderOf`, of a package's organisation, and nobody changes it until the work is done: what was read by
 * it can be stored.
 */
export async function heldLenderOf(work: Work, packageId: string): Promise<Lender> {
  const [row] = await work
    .select(LENDER)
    .from(organisations)
    .innerJoin(packages, eq(packages.organisationId, organisations.id))
    .where(eq(packages.id, packageId))
    .for('share', { of: organisations })
  return lenderIn(row)
}

/**
 * Says how an organisation's papers are written. What was read of documents rests on it and is forgotten;
 * packages are read anew when they are judged next.
 */
export async function setLender(
  work: Work,
  organisationId: string,
  {
    country,
    currency,
    dateOrder,
    languages,
  }: Pick<Lender, 'country' | 'currency' | 'dateOrder'> & Partial<Pick<Lender, 'languages'>>,
): Promise<void> {
  await work
    .update(organisations)
    .set({ country, currency, dateOrder: dateOrder ?? null, ...(languages ? { languages } : {}) })
    .where(eq(organisations.id, organisationId))
  const own = work
    .select({ id: packages.id })
    .from(packages)
    .where(eq(packages.organisationId, organisationId))
  await work.delete(readings).where(inArray(readings.packageId, own))
}

/** Says by which colour applicants know an organisation. */
export const setColour = (work: Work, organisationId: string, colour: Lender['colour']) =>
  work.update(organisations).set({ colour }).where(eq(organisations.id, organisationId))

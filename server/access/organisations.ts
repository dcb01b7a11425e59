import { eq } from 'drizzle-orm'
import { database } from '../database/connection.ts'
import { organisations } from '../database/schema.ts'

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

import { eq } from 'drizzle-orm'
import type { Work } from '../database/connection.ts'
import { sources } from '../database/schema.ts'
import { settings } from '../settings.ts'

/** The address that letters of an organisation come from. */
export async function ownAddress(work: Work, organisationId: string): Promise<string> {
  const rows = await work
    .select({ kind: sources.kind, address: sources.address })
    .from(sources)
    .where(eq(sources.organisationId, organisationId))
    .orderBy(sources.createdAt)
  return (
    rows.find((s) => s.kind === 'address' || s.kind === 'mailbox')?.address ??
    `jigsa@${new URL(settings().BASE_URL).hostname}`
  )
}

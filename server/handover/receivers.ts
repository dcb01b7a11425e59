import { and, asc, eq } from 'drizzle-orm'
import { type Receiver, receiverFaults, receiverSchema, usualReceiver } from '../../core/receivers/index.ts'
import type { Person } from '../access/person.ts'
import { note } from '../audit.ts'
import { typesOf } from '../configuration/types.ts'
import { database, type Work } from '../database/connection.ts'
import { receivers } from '../database/schema.ts'

/** A receiver that cannot be stored; the message says what to change. */
export class UnusableReceiver extends Error {}

/** Whom an organisation hands packages over to, in the order in which it described them. */
export async function receiversOf(work: Work, organisationId: string): Promise<Receiver[]> {
  const rows = await work
    .select({ body: receivers.body })
    .from(receivers)
    .where(eq(receivers.organisationId, organisationId))
    .orderBy(asc(receivers.createdAt), asc(receivers.id))
  return rows.map((row) => receiverSchema.parse(row.body))
}

export async function receiverOf(work: Work, organisationId: string, id: string): Promise<Receiver | null> {
  return (await receiversOf(work, organisationId)).find((r) => r.id === id) ?? null
}

/** Stores a receiver in place of the one of its id. @throws UnusableReceiver */
export const saveReceiver = (who: Person, receiver: Receiver): Promise<void> =>
  database().transaction(async (work) => {
    if (receiver.id === usualReceiver.id)
      throw new UnusableReceiver('This name is taken for everything as it lies; give it another.')
    const [fault] = receiverFaults(receiver, await typesOf(work, who.organisationId))
    if (fault) throw new UnusableReceiver(fault)
    await work
      .insert(receivers)
      .values({ organisationId: who.organisationId, id: receiver.id, body: receiver })
      .onConflictDoUpdate({
        target: [receivers.organisationId, receivers.id],
        set: { body: receiver, updatedAt: new Date() },
      })
    await note(work, who, who, 'described a receiver', receiver.title)
  })

/** Takes a receiver away; what was handed over to it stays on record. */
export const dropReceiver = (who: Person, id: string): Promise<void> =>
  database().transaction(async (work) => {
    const [gone] = await work
      .delete(receivers)
      .where(and(eq(receivers.organisationId, who.organisationId), eq(receivers.id, id)))
      .returning({ body: receivers.body })
    if (gone) await note(work, who, who, 'took a receiver away', gone.body.title)
  })

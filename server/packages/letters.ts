import { asc, eq } from 'drizzle-orm'
import { database } from '../database/connection.ts'
import { messages } from '../database/schema.ts'

/** Letters that came for a package and went out for it, the earliest first. */
export const lettersOf = (packageId: string) =>
  database()
    .select({
      id: messages.id,
      arrivalId: messages.arrivalId,
      state: messages.state,
      kind: messages.kind,
      sender: messages.sender,
      senderName: messages.senderName,
      recipients: messages.recipients,
      subject: messages.subject,
      text: messages.text,
      problem: messages.problem,
      sentAt: messages.sentAt,
      createdAt: messages.createdAt,
    })
    .from(messages)
    .where(eq(messages.packageId, packageId))
    .orderBy(asc(messages.createdAt))

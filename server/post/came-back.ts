import { and, eq, inArray, isNotNull } from 'drizzle-orm'
import type { Message } from '../../engine/input/message.ts'
import { note } from '../audit.ts'
import type { Work } from '../database/connection.ts'
import { messages } from '../database/schema.ts'
import { tell } from '../events.ts'
import { syncTasks } from '../tasks/tasks.ts'

/**
 * A mail server says that letters of ours did not arrive: they are failed, and somebody has to see to it. Ids of our
 * letters are nobody's to guess; a report that names none of them changes nothing.
 */
export async function cameBack(
  work: Work,
  organisationId: string,
  { undelivered }: Pick<Message, 'undelivered'>,
): Promise<void> {
  if (undelivered.length === 0) return
  const failed = await work
    .update(messages)
    .set({ state: 'failed', problem: 'It came back: there may be no such address.' })
    .where(
      and(
        eq(messages.organisationId, organisationId),
        inArray(messages.messageId, undelivered),
        inArray(messages.state, ['waiting', 'sent']),
        isNotNull(messages.packageId),
      ),
    )
    .returning({ packageId: messages.packageId, recipients: messages.recipients })
  for (const { packageId, recipients } of failed) {
    await note(work, null, packageId, 'a letter came back', recipients.join(', '))
    await syncTasks(work, packageId!)
    await tell(work, { packageId: packageId!, what: 'judged' })
  }
}

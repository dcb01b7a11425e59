import { and, eq } from 'drizzle-orm'
import type { Person } from '../access/person.ts'
import { database } from '../database/connection.ts'
import { sources } from '../database/schema.ts'
import { queueMail } from '../post/outbox.ts'
import { settings } from '../settings.ts'
import { folderProblem, look } from './folder.ts'
import { Mailbox, mailboxProblem } from './mailbox.ts'

/** What a trial of a source found, in a sentence. */
export interface SourceTrial {
  problem: string | null
  said: string | null
}

const lies = (count: number): string =>
  count === 1
    ? 'One thing lies in it now.'
    : `${count === 0 ? 'Nothing lies' : `${count} things lie`} in it now.`

/**
 * Tries a source once without taking anything: a folder or a mailbox is looked into, an address is sent a letter that
 * comes back as an arrival of its own.
 */
export async function trySource(who: Person, id: string): Promise<SourceTrial> {
  const [source] = await database()
    .select()
    .from(sources)
    .where(and(eq(sources.id, id), eq(sources.organisationId, who.organisationId)))
  const setting = settings().MAILBOXES[who.organisationId]?.find((box) => box.address === source?.address)
  switch (source?.kind) {
    case 'folder':
      return look(source.address).then(
        (seen) => ({ problem: null, said: `${source.name} can be looked into. ${lies(seen.length)}` }),
        (error: unknown) => ({ problem: `${source.name}: ${folderProblem(error)}`, said: null }),
      )
    case 'mailbox': {
      if (!setting) return { problem: `${source.name} is not looked after any more.`, said: null }
      const box = new Mailbox(setting)
      try {
        return { problem: null, said: `${source.name} can be looked into. ${lies(await box.count())}` }
      } catch (error) {
        return { problem: `${source.name}: ${mailboxProblem(error)}`, said: null }
      } finally {
        box.end()
      }
    }
    case 'address':
      await database().transaction((work) =>
        queueMail(work, {
          organisationId: who.organisationId,
          packageId: null,
          arrivalId: null,
          kind: 'trial',
          sender: source.address,
          recipients: [source.address],
          subject: `A letter to try ${source.address}`,
          references: [],
          language: 'en',
          text: 'Where this comes back, mail for this address reaches Jigsa.',
        }),
      )
      return {
        problem: null,
        said: `A letter goes to ${source.address}. Once it comes back it stands above, left alone.`,
      }
    default:
      return { problem: 'There is no such source any more.', said: null }
  }
}

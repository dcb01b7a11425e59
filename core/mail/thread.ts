/** What answers put before a subject, in the languages of mail programs. */
const ANSWER = /^\s*(?:(?:ref?|aw|sv|antw|tr|fwd?|rv|rif|odp)(?:\[\d+\])?\s*:\s*)+/i

/** The subject of an answer to a message: one `Re:` however often it went to and fro. */
export const answerSubject = (subject: string): string => `Re: ${subject.replace(ANSWER, '').trim()}`.trim()

/** Ids of messages kept of a thread: the first, which began it, and the latest (RFC 5322, 3.6.4). */
const MOST_REFERENCES = 20

/** The references of an answer to a message. */
export function answerReferences({
  messageId,
  references,
}: {
  messageId: string
  references: readonly string[]
}): string[] {
  const all = [...references.filter((id) => id !== messageId), messageId]
  return all.length <= MOST_REFERENCES ? all : [all[0], ...all.slice(1 - MOST_REFERENCES)]
}

/** Ids of messages in a field of a head, `<id@host>`, each once. */
export const messageIds = (field: string): string[] => [...new Set(field.match(/<[^<>\s]{1,250}>/g) ?? [])]

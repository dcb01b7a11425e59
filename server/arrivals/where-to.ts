import { and, desc, eq, inArray, isNotNull, or, sql } from 'drizzle-orm'
import { squeeze } from '../../core/text/index.ts'
import type { Work } from '../database/connection.ts'
import { messages, packages, registerRows, registers } from '../database/schema.ts'
import { allows, statesFor } from '../packages/states.ts'

/** What tells where something belongs that came by itself. */
export interface Signs {
  organisationId: string
  /** What it and its files are called; of a message its subject, too. */
  names: readonly string[]
  /** Of a message, whom it is from (null where that is a machine, such as a copier, which sends anybody's papers) and
   * which messages it answers. */
  letter: { sender: string | null; references: readonly string[] } | null
}

export interface Belongs {
  /** The package that it belongs to; null where that is a new one. */
  packageId: string | null
  /** Whoever sent it is known from that package: a number in a subject can be anybody's guess. */
  senderKnown: boolean
  /** Another package that it may belong to instead: a person is asked. */
  maybeOfId: string | null
}

const NEW: Belongs = { packageId: null, senderKnown: true, maybeOfId: null }

/**
 * Tells which package something belongs to: by a case number in its names, by the thread that it answers, by its
 * sender, by a number of a register; else it is a new one.
 */
export async function whereTo(work: Work, signs: Signs): Promise<Belongs> {
  const { letter } = signs
  const bySender = letter?.sender ? await packagesOfSender(work, signs.organisationId, letter.sender) : []
  const known = (packageId: string) => bySender.some((p) => p.id === packageId)
  const named = await namedCase(work, signs)
  if (named) return { packageId: named, senderKnown: !letter || known(named), maybeOfId: null }
  const answered = letter && (await packageOfThread(work, signs.organisationId, letter.references))
  if (answered) return answered
  const open = bySender.filter((p) => allows(p.state, 'bring files'))
  if (open.length > 0)
    // Whoever has one package alone means that; a broker who brings many may mean any, or a new one.
    return bySender.length === 1
      ? { packageId: open[0].id, senderKnown: true, maybeOfId: null }
      : { ...NEW, maybeOfId: open[0].id }
  const registered = await registeredCase(work, signs)
  return registered ? { packageId: registered, senderKnown: !letter, maybeOfId: null } : NEW
}

/** Case numbers shorter than this stand in many a name by chance. */
const SHORTEST_NUMBER = 5

/** The package whose case number stands in a name, as a word of its own, where it takes papers. */
async function namedCase(work: Work, { organisationId, names: given }: Signs): Promise<string | null> {
  const names = given.join('\n').toUpperCase()
  const found = await work
    .select({ id: packages.id, state: packages.state, caseNumber: packages.caseNumber })
    .from(packages)
    .where(
      and(
        eq(packages.organisationId, organisationId),
        sql`length(${packages.caseNumber}) >= ${SHORTEST_NUMBER} and strpos(${names}, upper(${packages.caseNumber})) > 0`,
      ),
    )
  const whole = found.filter(({ caseNumber }) =>
    names.split(caseNumber.toUpperCase()).some((before, i, parts) => {
      const after = parts[i + 1]
      return after !== undefined && !/[\p{L}\d]$/u.test(before) && !/^[\p{L}\d]/u.test(after)
    }),
  )
  // Two numbers in one name say nothing.
  return whole.length === 1 && allows(whole[0].state, 'bring files') ? whole[0].id : null
}

/** The package of the latest message that is answered, where it takes papers. Ids of messages are nobody's to guess. */
async function packageOfThread(
  work: Work,
  organisationId: string,
  references: readonly string[],
): Promise<Belongs | null> {
  if (references.length === 0) return null
  const [found] = await work
    .select({ id: packages.id, state: packages.state, known: messages.known })
    .from(messages)
    .innerJoin(packages, eq(packages.id, messages.packageId))
    .where(and(eq(messages.organisationId, organisationId), inArray(messages.messageId, [...references])))
    .orderBy(desc(messages.createdAt))
    .limit(1)
  return found && allows(found.state, 'bring files')
    ? { packageId: found.id, senderKnown: found.known, maybeOfId: null }
    : null
}

/** Packages that somebody is known from: they wrote for them, or was written to for; the latest first. */
function packagesOfSender(work: Work, organisationId: string, sender: string) {
  return work
    .select({ id: packages.id, state: packages.state })
    .from(packages)
    .where(
      and(
        eq(packages.organisationId, organisationId),
        inArray(
          packages.id,
          work
            .select({ id: messages.packageId })
            .from(messages)
            .where(
              and(
                eq(messages.organisationId, organisationId),
                eq(messages.known, true),
                isNotNull(messages.packageId),
                or(
                  and(eq(messages.state, 'came'), eq(messages.sender, sender)),
                  and(
                    inArray(messages.state, ['waiting', 'sent']),
                    sql`${messages.recipients} @> array[${sender}]`,
                  ),
                ),
              ),
            ),
        ),
      ),
    )
    .orderBy(desc(packages.createdAt))
    .limit(MOST_OF_SENDER)
}

/** More packages of one sender tell nothing more. */
const MOST_OF_SENDER = 50

/** The open package of whoever a register names by a number that stands in a name, where there is one. */
async function registeredCase(work: Work, { organisationId, names }: Signs): Promise<string | null> {
  const numbers = [
    ...new Set(
      names
        .join(' ')
        .split(/\s+/)
        .map(squeeze)
        .filter((word) => word.length >= SHORTEST_NUMBER && /\d/.test(word)),
    ),
  ]
  if (numbers.length === 0) return null
  const found = await work
    .selectDistinctOn([packages.id], { id: packages.id })
    .from(registerRows)
    .innerJoin(
      registers,
      and(eq(registers.organisationId, registerRows.organisationId), eq(registers.id, registerRows.register)),
    )
    .innerJoin(
      packages,
      and(
        eq(packages.organisationId, registerRows.organisationId),
        sql`lower(${packages.applicant}) = lower(${registerRows.body} ->> (${registers.body} ->> 'name'))`,
      ),
    )
    .where(
      and(
        eq(registerRows.organisationId, organisationId),
        inArray(registerRows.key, numbers),
        inArray(packages.state, statesFor('bring files')),
      ),
    )
    .limit(2)
  return found.length === 1 ? found[0].id : null
}

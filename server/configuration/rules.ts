import { and, asc, desc, eq, inArray } from 'drizzle-orm'
import { type Rule, type RuleTrial, tryRule } from '../../core/classification/index.ts'
import type { Person } from '../access/people.ts'
import { note } from '../audit.ts'
import { database } from '../database/connection.ts'
import { packages, rules, user } from '../database/schema.ts'
import { pagesOf } from '../packages/judge.ts'
import { knowledgeOf, recutUntouched } from './knowledge.ts'
import { typesOf } from './types.ts'

/** All may write rules and try them; switching one on changes everybody's packages, and is a lead's. */
export const maySwitch = (who: Pick<Person, 'role'>): boolean =>
  who.role === 'lead' || who.role === 'administrator'

/** The rules of an organisation, in the order in which they apply. */
export const rulesOf = (who: Person) =>
  database()
    .select({
      id: rules.id,
      body: rules.body,
      on: rules.on,
      changedBy: user.name,
      updatedAt: rules.updatedAt,
    })
    .from(rules)
    .leftJoin(user, eq(rules.changedById, user.id))
    .where(eq(rules.organisationId, who.organisationId))
    .orderBy(asc(rules.createdAt), asc(rules.id))

const own = (who: Person, id: string) => and(eq(rules.id, id), eq(rules.organisationId, who.organisationId))

/**
 * Stores a rule, new or changed. A changed one is off until somebody switches it on: it is another rule now.
 * Null where there is none of that id.
 */
export function saveRule(who: Person, id: string | null, body: Rule): Promise<string | null> {
  return database().transaction(async (work) => {
    const values = { body, on: false, changedById: who.id, updatedAt: new Date() }
    const [before] = id ? await work.select({ on: rules.on }).from(rules).where(own(who, id)) : []
    const [saved] = id
      ? await work.update(rules).set(values).where(own(who, id)).returning({ id: rules.id })
      : await work
          .insert(rules)
          .values({ ...values, organisationId: who.organisationId })
          .returning({ id: rules.id })
    if (!saved) return null
    await note(work, who, null, id ? 'changed a rule' : 'wrote a rule', body.name)
    if (before?.on) await recutUntouched(work, who.organisationId)
    return saved.id
  })
}

/** Switches a rule on or off. @returns how many packages are cut anew; null where there is no such rule */
export function switchRule(who: Person, id: string, on: boolean): Promise<number | null> {
  return database().transaction(async (work) => {
    const [row] = await work
      .update(rules)
      .set({ on, changedById: who.id, updatedAt: new Date() })
      .where(own(who, id))
      .returning({ body: rules.body })
    if (!row) return null
    await note(work, who, null, on ? 'switched a rule on' : 'switched a rule off', row.body.name)
    return recutUntouched(work, who.organisationId)
  })
}

/** Takes a rule away. */
export function removeRule(who: Person, id: string): Promise<void> {
  return database().transaction(async (work) => {
    const [row] = await work.delete(rules).where(own(who, id)).returning({ body: rules.body, on: rules.on })
    if (!row) return
    await note(work, who, null, 'removed a rule', row.body.name)
    if (row.on) await recutUntouched(work, who.organisationId)
  })
}

/** Packages that a rule can be tried on: those that are read, the latest first. */
export const packagesToTry = (who: Person) =>
  database()
    .select({
      id: packages.id,
      caseNumber: packages.caseNumber,
      applicant: packages.applicant,
      pages: packages.pageCount,
    })
    .from(packages)
    .where(
      and(
        eq(packages.organisationId, who.organisationId),
        inArray(packages.state, ['open', 'review', 'finished']),
      ),
    )
    .orderBy(desc(packages.createdAt))
    .limit(200)

/** What a rule would do to a package that is read. @param id the stored rule that it changes, which is left out */
export async function tryRuleOn(
  who: Person,
  packageId: string,
  rule: Rule,
  id: string | null,
): Promise<RuleTrial> {
  const [pages, types, known, stored] = await Promise.all([
    pagesOf(database(), packageId),
    typesOf(database(), who.organisationId),
    knowledgeOf(database(), who.organisationId),
    rulesOf(who),
  ])
  const others = stored.filter((r) => r.on && r.id !== id).map((r) => r.body)
  return tryRule(pages, types, { ...known, rules: others }, rule)
}

import { isDeepStrictEqual } from 'node:util'
import { and, asc, desc, eq, inArray } from 'drizzle-orm'
import { type Rule, type RuleTrial, tryRule } from '../../core/classification/index.ts'
import type { Person } from '../access/person.ts'
import { note } from '../audit.ts'
import { database } from '../database/connection.ts'
import { packages, rules, user } from '../database/schema.ts'
import { pagesOf } from '../packages/judge.ts'
import { knowledgeOf, recutUntouched } from './knowledge.ts'
import { typesOf } from './types.ts'

/** The rules of an organisation, in the order in which they apply. */
export const rulesOf = (who: Person) =>
  database()
    .select({
      id: rules.id,
      body: rules.body,
      on: rules.on,
      draft: rules.draft,
      changedBy: user.name,
      updatedAt: rules.updatedAt,
    })
    .from(rules)
    .leftJoin(user, eq(rules.changedById, user.id))
    .where(eq(rules.organisationId, who.organisationId))
    .orderBy(asc(rules.createdAt), asc(rules.id))

const own = (who: Person, id: string) => and(eq(rules.id, id), eq(rules.organisationId, who.organisationId))

/**
 * Stores a rule, new or changed. One that is on stays as it is until a lead puts the change in force: whoever writes
 * beside it must neither switch it off nor on.
 * @returns its id; null where there is none of that id
 */
export function saveRule(who: Person, id: string | null, body: Rule): Promise<string | null> {
  return database().transaction(async (work) => {
    const changed = { changedById: who.id, updatedAt: new Date() }
    if (!id) {
      const [made] = await work
        .insert(rules)
        .values({ body, organisationId: who.organisationId, ...changed })
        .returning({ id: rules.id })
      await note(work, who, who, 'wrote a rule', body.name)
      return made.id
    }
    const [before] = await work.select().from(rules).where(own(who, id)).for('update')
    if (!before) return null
    const now = before.draft ?? before.body
    if (isDeepStrictEqual(now, body)) return id
    const draft = before.on && !isDeepStrictEqual(before.body, body) ? body : null
    await work
      .update(rules)
      .set({ ...(before.on ? { draft } : { body }), ...changed })
      .where(own(who, id))
    await note(work, who, who, 'changed a rule', body.name)
    return id
  })
}

/**
 * Switches a rule on, with the change that waits beside it, or off.
 * @returns how many packages are cut anew; null where there is no such rule
 */
export function switchRule(who: Person, id: string, on: boolean): Promise<number | null> {
  return database().transaction(async (work) => {
    const [before] = await work.select().from(rules).where(own(who, id)).for('update')
    if (!before) return null
    const body = before.draft ?? before.body
    await work
      .update(rules)
      .set({ on, body, draft: null, changedById: who.id, updatedAt: new Date() })
      .where(own(who, id))
    await note(work, who, who, on ? 'switched a rule on' : 'switched a rule off', body.name)
    return recutUntouched(work, who.organisationId)
  })
}

/** Takes a rule away. */
export function removeRule(who: Person, id: string): Promise<void> {
  return database().transaction(async (work) => {
    const [row] = await work.delete(rules).where(own(who, id)).returning({ body: rules.body, on: rules.on })
    if (!row) return
    await note(work, who, who, 'removed a rule', row.body.name)
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

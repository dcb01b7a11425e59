import { and, arrayContains, desc, eq, inArray, isNull, like } from 'drizzle-orm'
import type { Answer } from '../../core/answers/index.ts'
import type { Assessment } from '../../core/pipeline/index.ts'
import { labelBeside } from '../../core/extraction/index.ts'
import { plain } from '../../core/model/index.ts'
import type { Person } from '../access/person.ts'
import { note } from '../audit.ts'
import { database, type Work } from '../database/connection.ts'
import { learntLabels, packages, readings, taughtChanges, user } from '../database/schema.ts'
import { queueJob, type Jobs } from '../jobs/queue.ts'
import { judge, pagesOf } from '../packages/judge.ts'
import { typesOf } from './types.ts'

/** A wording that an answer taught. */
export interface Taught {
  type: string
  typeTitle: string
  fieldTitle: string
  wording: string
}

/**
 * Learns from values whose place a person showed or confirmed: the wording that leads to each is a label of
 * its field from now on. Call it before the package is judged; other papers that wait are read again by a
 * job.
 */
export async function teach(
  work: Work,
  packageId: string,
  given: readonly Answer[],
  who: Person,
): Promise<Taught[]> {
  const taught = await learnSkips(work, packageId, given, who)
  const shown = given.filter(
    (a): a is Answer & { kind: 'value' } =>
      a.kind === 'value' && a.at !== null && (a.state === 'corrected' || a.state === 'confirmed'),
  )
  if (shown.length === 0) return taught
  const [row] = await work
    .select({ assessment: packages.assessment })
    .from(packages)
    .where(eq(packages.id, packageId))
  const [types, pages] = [await typesOf(work, who.organisationId), await pagesOf(work, packageId)]
  for (const answer of shown) {
    const document = row?.assessment?.documents.find((d) => d.pages.includes(answer.page))
    const type = types.find((t) => t.id === document?.type)
    const field = type?.fields.find((f) => f.name === answer.field)
    const page = pages.find((p) => p.number === answer.at!.page)
    if (!type || !field || !page || field.kind === 'table') continue
    const others = document!.fields.flatMap((f) =>
      f.name === field.name || f.value === null || typeof f.value === 'object'
        ? []
        : [f.raw ?? plain(f.value)],
    )
    const wording = labelBeside(page, answer.at!.box, { type, field: field.name, others })
    if (!wording) continue
    const [label] = await work
      .insert(learntLabels)
      .values({
        organisationId: who.organisationId,
        type: type.id,
        field: field.name,
        wording,
        packageId,
        page: answer.at!.page,
        taughtById: who.id,
      })
      .returning({ id: learntLabels.id })
    await note(
      work,
      who,
      packageId,
      'taught a wording',
      `“${wording}” leads to ${field.title} on a ${type.title.toLowerCase()}`,
    )
    await work
      .delete(readings)
      .where(and(eq(readings.packageId, packageId), like(readings.key, `${type.id}:%`)))
    await queueJob(work, 'read_type_again', {
      organisationId: who.organisationId,
      type: type.id,
      labelId: label.id,
    })
    taught.push({ type: type.id, typeTitle: type.title, fieldTitle: field.title, wording })
  }
  return taught
}

/** Learns which lines of a table are no rows. */
async function learnSkips(
  work: Work,
  packageId: string,
  given: readonly Answer[],
  who: Person,
): Promise<Taught[]> {
  const taught: Taught[] = []
  for (const answer of given) {
    if (answer.kind !== 'value' || !answer.skips?.length) continue
    const [row] = await work
      .select({ assessment: packages.assessment })
      .from(packages)
      .where(eq(packages.id, packageId))
    const document = row?.assessment?.documents.find((d) => d.pages.includes(answer.page))
    const type = (await typesOf(work, who.organisationId)).find((t) => t.id === document?.type)
    const field = type?.fields.find((f) => f.name === answer.field && f.kind === 'table')
    if (!type || !field) continue
    for (const wording of answer.skips) {
      if (field.never.includes(wording)) continue
      const [label] = await work
        .insert(learntLabels)
        .values({
          organisationId: who.organisationId,
          type: type.id,
          field: field.name,
          wording,
          skips: true,
          packageId,
          page: answer.page,
          taughtById: who.id,
        })
        .returning({ id: learntLabels.id })
      await note(
        work,
        who,
        packageId,
        'taught which lines are no rows',
        `“${wording}” on a ${type.title.toLowerCase()}`,
      )
      await work
        .delete(readings)
        .where(and(eq(readings.packageId, packageId), like(readings.key, `${type.id}:%`)))
      await queueJob(work, 'read_type_again', {
        organisationId: who.organisationId,
        type: type.id,
        labelId: label.id,
      })
      taught.push({ type: type.id, typeTitle: type.title, fieldTitle: field.title, wording })
    }
  }
  return taught
}

/**
 * Reads the waiting papers of a type again, package by package, and notes what a newly learnt wording
 * changed. Answers stay.
 */
export async function readTypeAgain({
  organisationId,
  type,
  labelId,
}: Jobs['read_type_again']): Promise<void> {
  const waiting = await database()
    .select({ id: packages.id })
    .from(packages)
    .where(
      and(
        eq(packages.organisationId, organisationId),
        eq(packages.state, 'open'),
        arrayContains(packages.types, [type]),
      ),
    )
  for (const { id } of waiting)
    await database().transaction(async (work) => {
      const [row] = await work
        .select({ state: packages.state, assessment: packages.assessment })
        .from(packages)
        .where(eq(packages.id, id))
        .for('update')
      if (row?.state !== 'open' || !row.assessment) return
      await work.delete(readings).where(and(eq(readings.packageId, id), like(readings.key, `${type}:%`)))
      const after = await judge(work, id)
      const changes = labelId === null ? [] : changesBetween(row.assessment, after, type)
      if (labelId !== null && changes.length > 0)
        await work
          .insert(taughtChanges)
          .values(changes.map((change) => ({ labelId, packageId: id, ...change })))
    })
}

/** What is read otherwise on papers of a type, where no person has answered. */
function changesBetween(
  before: Assessment,
  after: Assessment,
  type: string,
): { page: number; field: string; before: string; after: string; settled: boolean }[] {
  return after.documents
    .filter((d) => d.type === type)
    .flatMap((document) => {
      const was = before.documents.find((d) => d.type === type && d.pages.join() === document.pages.join())
      return document.fields.flatMap((field) => {
        const old = was?.fields.find((f) => f.name === field.name)
        if (
          !old ||
          (field.state !== 'certain' &&
            field.state !== 'asked' &&
            field.state !== 'repaired' &&
            field.state !== 'absent')
        )
          return []
        const [from, to] = [plain(old.value), plain(field.value)]
        const settled = old.needsReview && !field.needsReview
        return from === to && !settled
          ? []
          : [
              {
                page: document.pages[0],
                field: field.name,
                before: from.slice(0, 200),
                after: to.slice(0, 200),
                settled,
              },
            ]
      })
    })
}

/** The learnt wordings of a type with what each changed, the latest first. */
export async function learntFor(who: Person, type: string) {
  const labels = await database()
    .select({
      id: learntLabels.id,
      field: learntLabels.field,
      wording: learntLabels.wording,
      skips: learntLabels.skips,
      page: learntLabels.page,
      packageId: learntLabels.packageId,
      caseNumber: packages.caseNumber,
      by: user.name,
      createdAt: learntLabels.createdAt,
    })
    .from(learntLabels)
    .leftJoin(packages, eq(learntLabels.packageId, packages.id))
    .leftJoin(user, eq(learntLabels.taughtById, user.id))
    .where(
      and(
        eq(learntLabels.organisationId, who.organisationId),
        eq(learntLabels.type, type),
        isNull(learntLabels.removedAt),
      ),
    )
    .orderBy(desc(learntLabels.id))
    .limit(200)
  if (labels.length === 0) return []
  const changes = await database()
    .select({
      labelId: taughtChanges.labelId,
      packageId: taughtChanges.packageId,
      caseNumber: packages.caseNumber,
      page: taughtChanges.page,
      field: taughtChanges.field,
      before: taughtChanges.before,
      after: taughtChanges.after,
      settled: taughtChanges.settled,
    })
    .from(taughtChanges)
    .innerJoin(packages, eq(taughtChanges.packageId, packages.id))
    .where(
      inArray(
        taughtChanges.labelId,
        labels.map((l) => l.id),
      ),
    )
    .orderBy(desc(taughtChanges.id))
    .limit(400)
  return labels.map((label) => ({ ...label, changes: changes.filter((c) => c.labelId === label.id) }))
}

/** Takes a learnt wording back: papers that wait are read again without it. False where there is none of that id. */
export function unlearn(who: Person, id: number): Promise<boolean> {
  return database().transaction(async (work) => {
    const [row] = await work
      .update(learntLabels)
      .set({ removedAt: new Date() })
      .where(
        and(
          eq(learntLabels.id, id),
          eq(learntLabels.organisationId, who.organisationId),
          isNull(learntLabels.removedAt),
        ),
      )
      .returning({ type: learntLabels.type, wording: learntLabels.wording })
    if (!row) return false
    await note(work, who, who, 'took a wording back', `“${row.wording}”`)
    await queueJob(work, 'read_type_again', {
      organisationId: who.organisationId,
      type: row.type,
      labelId: null,
    })
    return true
  })
}

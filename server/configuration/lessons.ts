import { and, desc, eq, isNull, sql } from 'drizzle-orm'
import {
  type FinishedPackage,
  type Learnt,
  MOST_SAMPLES,
  samplesOf,
  tryKnowledge,
} from '../../core/classification/index.ts'
import type { Person } from '../access/person.ts'
import { note } from '../audit.ts'
import { database, type Work } from '../database/connection.ts'
import { answers, lessons, packages, user, type LessonTrial } from '../database/schema.ts'
import { queueJob, type Jobs } from '../jobs/queue.ts'
import { pagesOf } from '../packages/judge.ts'
import { knowledgeOf, recutUntouched } from './knowledge.ts'
import { typesOf } from './types.ts'

/**
 * Of finished packages every so manieth is kept aside: nothing is learnt from it, and what was learnt is
 * tried on it.
 */
const ASIDE_EVERY = 4
/** Packages that are looked at, the latest. */
const MOST_PACKAGES = 400

/** A confirmed document: of a finished package, or one whose type a person said. */
interface Confirmed {
  packageId: string
  caseNumber: string
  aside: boolean
  type: string
  pages: number[]
}

/**
 * The confirmed documents of an organisation. Packages keep their place when others are finished after them,
 * so what is kept aside once is kept aside for ever.
 */
export async function confirmedIn(work: Work, organisationId: string): Promise<Confirmed[]> {
  const columns = { id: packages.id, caseNumber: packages.caseNumber, documents: packages.documents }
  const finished = await work
    .select({
      ...columns,
      place: sql<number>`row_number() over (order by ${packages.finishedAt}, ${packages.id})`,
    })
    .from(packages)
    .where(and(eq(packages.organisationId, organisationId), eq(packages.state, 'finished')))
    .orderBy(desc(packages.finishedAt))
    .limit(MOST_PACKAGES)
  const begun = await work
    .select(columns)
    .from(packages)
    .where(
      and(
        eq(packages.organisationId, organisationId),
        eq(packages.state, 'open'),
        sql`exists (
          select 1 from ${answers}
          where ${answers.packageId} = ${packages.id} and ${isNull(answers.undoneAt)}
            and ${answers.body}->>'kind' = 'type')`,
      ),
    )
    .orderBy(desc(packages.updatedAt))
    .limit(MOST_PACKAGES)
  return [
    ...finished.flatMap((row) =>
      (row.documents ?? []).map((d) => ({
        packageId: row.id,
        caseNumber: row.caseNumber,
        aside: Number(row.place) % ASIDE_EVERY === 2,
        type: d.type,
        pages: d.pages,
      })),
    ),
    ...begun.flatMap((row) =>
      (row.documents ?? [])
        .filter((d) => d.typeSaid)
        .map((d) => ({
          packageId: row.id,
          caseNumber: row.caseNumber,
          aside: false,
          type: d.type,
          pages: d.pages,
        })),
    ),
  ]
}

/** What the training screen shows. */
export async function learningState(who: Person) {
  const work = database()
  const confirmed = await confirmedIn(work, who.organisationId)
  const types = new Map<string, { type: string; samples: number; aside: number }>()
  for (const { type, aside } of confirmed) {
    const row = types.get(type) ?? { type, samples: 0, aside: 0 }
    types.set(type, row)
    if (aside) row.aside++
    else row.samples++
  }
  const made = await work
    .select({
      id: lessons.id,
      state: lessons.state,
      on: lessons.on,
      trial: lessons.trial,
      by: user.name,
      createdAt: lessons.createdAt,
    })
    .from(lessons)
    .leftJoin(user, eq(lessons.createdById, user.id))
    .where(eq(lessons.organisationId, who.organisationId))
    .orderBy(desc(lessons.createdAt))
    .limit(12)
  return {
    types: [...types.values()].sort(
      (a, b) => b.samples + b.aside - a.samples - a.aside || a.type.localeCompare(b.type),
    ),
    packagesAside: new Set(confirmed.filter((c) => c.aside).map((c) => c.packageId)).size,
    lessons: made,
  }
}

/** Queues a lesson on all confirmed papers. */
export function beginLesson(who: Person): Promise<string> {
  return database().transaction(async (work) => {
    const [made] = await work
      .insert(lessons)
      .values({ organisationId: who.organisationId, createdById: who.id })
      .returning({ id: lessons.id })
    await queueJob(work, 'learn', { lessonId: made.id })
    await note(work, who, who, 'had a lesson made')
    return made.id
  })
}

/** Makes a lesson: collects samples, and takes apart without it and with it what is kept aside. */
export async function learn({ lessonId }: Jobs['learn']): Promise<void> {
  const work = database()
  const [lesson] = await work.select().from(lessons).where(eq(lessons.id, lessonId))
  if (!lesson || lesson.state !== 'learning') return
  const confirmed = await confirmedIn(work, lesson.organisationId)
  const taught = latestOf(confirmed.filter((c) => !c.aside))
  const learnt: Learnt = { samples: [] }
  for (const [packageId, documents] of byPackage(taught)) {
    const pages = new Map((await pagesOf(work, packageId)).map((p) => [p.number, p]))
    for (const d of documents)
      learnt.samples.push(
        ...samplesFrom(
          packageId,
          d.type,
          d.pages.flatMap((n): Parameters<typeof samplesOf>[1][number][] => {
            const page = pages.get(n)
            return page ? [page] : []
          }),
        ),
      )
  }
  const aside: FinishedPackage[] = []
  for (const [packageId, documents] of byPackage(confirmed.filter((c) => c.aside)))
    aside.push({ pages: await pagesOf(work, packageId), documents })
  const types = await typesOf(work, lesson.organisationId)
  const { rules } = await knowledgeOf(work, lesson.organisationId)
  const trial: LessonTrial = {
    samples: countsOf(taught),
    packagesAside: aside.length,
    before: tryKnowledge(aside, types, { rules }),
    after: tryKnowledge(aside, types, { rules, learnt }),
  }
  await work.update(lessons).set({ state: 'ready', body: learnt, trial }).where(eq(lessons.id, lessonId))
}

const samplesFrom = (from: string, ...paper: Parameters<typeof samplesOf>) =>
  samplesOf(...paper).map((sample) => ({ ...sample, from }))

/** A lesson that cannot be made says so. */
export async function giveUpLesson({ lessonId }: Jobs['learn']): Promise<void> {
  await database().update(lessons).set({ state: 'failed' }).where(eq(lessons.id, lessonId))
}

/**
 * Takes a package's papers out of all that was learnt. A lesson that does not say where its samples come from is
 * thrown away: another is made from the papers that are left.
 */
export async function forgetSamples(work: Work, organisationId: string, packageId: string): Promise<void> {
  const made = await work.select().from(lessons).where(eq(lessons.organisationId, organisationId))
  for (const { id, body, ...lesson } of made) {
    if (!body) continue
    const known = body.samples.every((sample) => sample.from)
    const samples = body.samples.filter((sample) => sample.from !== packageId)
    if (known && samples.length === body.samples.length) continue
    await work.delete(lessons).where(eq(lessons.id, id))
    // Under another id: what workers keep of it in memory is not found any more.
    if (known) await work.insert(lessons).values({ ...lesson, body: { samples } })
  }
}

/**
 * Uses a lesson from now on, or none.
 * @returns how many packages are cut anew; null where the lesson is not there or not ready
 */
export function useLesson(who: Person, id: string | null): Promise<number | null> {
  return database().transaction(async (work) => {
    const all = and(eq(lessons.organisationId, who.organisationId))
    if (id) {
      const [there] = await work
        .select({ state: lessons.state })
        .from(lessons)
        .where(and(all, eq(lessons.id, id)))
      if (there?.state !== 'ready') return null
    }
    await work
      .update(lessons)
      .set({ on: false })
      .where(and(all, eq(lessons.on, true)))
    if (id)
      await work
        .update(lessons)
        .set({ on: true })
        .where(and(all, eq(lessons.id, id)))
    await note(work, who, who, id ? 'switched a lesson on' : 'switched learning off')
    return recutUntouched(work, who.organisationId)
  })
}

/** Papers of a type, at most as many as are worth keeping, the latest first. */
function latestOf(confirmed: readonly Confirmed[]): Confirmed[] {
  const taken = new Map<string, number>()
  return confirmed.filter(({ type }) => {
    const n = (taken.get(type) ?? 0) + 1
    taken.set(type, n)
    return n <= MOST_SAMPLES
  })
}

function byPackage(confirmed: readonly Confirmed[]): Map<string, Confirmed[]> {
  const grouped = new Map<string, Confirmed[]>()
  for (const c of confirmed) {
    const group = grouped.get(c.packageId)
    if (group) group.push(c)
    else grouped.set(c.packageId, [c])
  }
  return grouped
}

function countsOf(confirmed: readonly Confirmed[]): LessonTrial['samples'] {
  const counts = new Map<string, number>()
  for (const { type } of confirmed) counts.set(type, (counts.get(type) ?? 0) + 1)
  return [...counts].map(([type, papers]) => ({ type, papers })).sort((a, b) => b.papers - a.papers)
}

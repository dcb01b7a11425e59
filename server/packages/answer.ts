import { and, desc, eq, gt, isNotNull, isNull, asc, ne } from 'drizzle-orm'
import { type Answer, answerSchema, subjectOf, touches } from '../../core/answers/index.ts'
import { findText } from '../../core/layout/index.ts'
import { type Box, inside, plain } from '../../core/model/index.ts'
import { squeeze } from '../../core/text/index.ts'
import { type DocumentType, typeById } from '../../core/program/index.ts'
import { article } from '../../wording/en/words.ts'
import type { Person } from '../access/person.ts'
import { may, refusalOf } from '../access/rights.ts'
import { note } from '../audit.ts'
import { database, type Work } from '../database/connection.ts'
import { answers, packages, user } from '../database/schema.ts'
import { teach, type Taught } from '../configuration/teaching.ts'
import { typesOf } from '../configuration/types.ts'
import { fetchBack, fileToCases } from './filing.ts'
import { judge, pagesOf } from './judge.ts'
import { heldFor, inTurn, Refused, type Held } from './states.ts'
import { queueTurns } from './turning.ts'

/** Holds a package for answers. Whoever looks over the work agrees to decisions and changes nothing else. */
const heldForAnswers = (work: Work, packageId: string, given: readonly Answer[] = []): Promise<Held> =>
  heldFor(
    work,
    packageId,
    given.length > 0 && given.every((a) => a.kind === 'sign') ? 'be agreed to' : 'be answered',
  )

/**
 * Stores what a person said and judges the package again. Answers given together are undone one by one.
 * @param seen the last answer that the person's screen knew of: what somebody else said of the same thing
 * since then is not
 *   overwritten unseen
 * @throws Refused
 */
export async function giveAnswers(
  packageId: string,
  given: readonly Answer[],
  who: Person,
  seen?: number,
): Promise<Taught[]> {
  const checked = given.map((one) => answerSchema.parse(one))
  return inTurn(packageId, async (work) => {
    await heldForAnswers(work, packageId, checked)
    await refuseLost(work, packageId, checked)
    await refuseOwn(work, packageId, checked, who)
    const types = await typesOf(work, who.organisationId)
    if (seen !== undefined) {
      const others = await work
        .select({ body: answers.body, name: user.name })
        .from(answers)
        .leftJoin(user, eq(answers.userId, user.id))
        .where(
          and(
            eq(answers.packageId, packageId),
            gt(answers.id, seen),
            ne(answers.userId, who.id),
            isNull(answers.undoneAt),
          ),
        )
      const other = others.find(({ body }) => checked.some((one) => touches(one, body)))
      if (other)
        throw new Refused(
          `${other.name ?? 'Somebody'} changed this meanwhile (${summaryOf(other.body, types)}); look again.`,
        )
    }
    // What was undone cannot be redone once something new is said.
    await work.delete(answers).where(and(eq(answers.packageId, packageId), isNotNull(answers.undoneAt)))
    for (const body of checked) {
      const summary = summaryOf(body, types)
      await work.insert(answers).values({ packageId, userId: who.id, body, summary })
      await note(work, who, packageId, 'answered', summary)
    }
    await queueTurns(work, packageId)
    const taught = await teach(work, packageId, checked, who)
    // Pages that left are in no piece any more.
    const left = checked.some((one) => one.kind === 'file') && (await fileToCases(work, packageId))
    await judge(work, packageId, left ? 'anew' : undefined)
    return taught
  })
}

/** What is said of a document is said by a page of it. @throws Refused for a page that is in none */
async function refuseLost(work: Work, packageId: string, given: readonly Answer[]): Promise<void> {
  const [row] = await work
    .select({ documents: packages.documents })
    .from(packages)
    .where(eq(packages.id, packageId))
  const placed = new Set((row?.documents ?? []).flatMap((d) => d.pages))
  const lost = given.some((a) => 'page' in a && a.kind !== 'turn' && a.kind !== 'file' && !placed.has(a.page))
  if (lost) throw new Refused('That page is in no document.')
}

/**
 * Decisions are agreed to by somebody who may, and who made none of them.
 * @throws Refused
 */
async function refuseOwn(
  work: Work,
  packageId: string,
  given: readonly Answer[],
  who: Person,
): Promise<void> {
  const words = given.filter((a) => a.kind === 'sign')
  if (words.length === 0) return
  // Sent together with a decision of one's own, a word on what stood before would count for what one just decided.
  if (words.length < given.length) throw new Refused('Agreeing to decisions is said by itself.')
  if (!may(who, 'sign')) throw new Refused(refusalOf('sign'))
  const stored = await work
    .select({ body: answers.body, userId: answers.userId })
    .from(answers)
    .where(and(eq(answers.packageId, packageId), isNull(answers.undoneAt)))
    .orderBy(asc(answers.id))
  for (const word of words) {
    const decided = stored.findLast(({ body }) => body.kind === word.what && subjectOf(body) === word.subject)
    if (!decided) throw new Refused('There is no such decision any more; look again.')
    if (decided.userId === who.id) throw new Refused('You decided this yourself; somebody else agrees to it.')
    if (!word.agreed && word.reason.length < 3)
      throw new Refused('Say in three letters or more why it is refused.')
  }
}

/** Letters and digits of a typed value at least: shorter ones stand in many places by chance. */
const SHORTEST_PLACED = 4

/**
 * Where what a person typed stands on a document's pages, if it does so once and as words of their own: a
 * value with a place teaches, and "60" inside "SKR-4260" would teach the wording beside that.
 */
export async function placeOfTyped(
  packageId: string,
  numbers: readonly number[],
  text: string,
): Promise<{ page: number; box: Box } | null> {
  const pages = (await pagesOf(database(), packageId)).filter((p) => numbers.includes(p.number))
  const wanted = squeeze(text)
  if (wanted.length < SHORTEST_PLACED) return null
  const hits = pages.flatMap((page) =>
    findText(page, text).filter(
      (hit) =>
        squeeze(
          inside(page.words, hit.box)
            .map((w) => w.text)
            .join(''),
        ) === wanted,
    ),
  )
  return hits.length === 1 ? { page: hits[0].page, box: hits[0].box } : null
}

/** Takes the last standing answer back. Returns what it was, or null where there is none. */
export function undo(packageId: string, who: Person): Promise<string | null> {
  return inTurn(packageId, async (work) => {
    const row = await heldForAnswers(work, packageId)
    const [last] = await work
      .select()
      .from(answers)
      .where(and(eq(answers.packageId, packageId), isNull(answers.undoneAt)))
      .orderBy(desc(answers.id))
      .limit(1)
    if (!last) return null
    // Whoever was refused must not take the refusal back.
    if (last.body.kind === 'sign' && last.userId !== who.id)
      throw new Refused('A second person said this; only they take it back.')
    await work.update(answers).set({ undoneAt: new Date() }).where(eq(answers.id, last.id))
    await note(work, who, packageId, 'undid', last.summary)
    await queueTurns(work, packageId)
    const filed = last.body.kind === 'file' && last.body.there ? last.body : null
    if (filed) await fetchBack(work, row, filed.page)
    await judge(work, packageId, filed ? 'anew' : undefined)
    return last.summary
  })
}

/** Puts back the answer that was taken back last. */
export function redo(packageId: string, who: Person): Promise<string | null> {
  return inTurn(packageId, async (work) => {
    await heldForAnswers(work, packageId)
    const [standing] = await work
      .select({ id: answers.id })
      .from(answers)
      .where(and(eq(answers.packageId, packageId), isNull(answers.undoneAt)))
      .orderBy(desc(answers.id))
      .limit(1)
    const [next] = await work
      .select()
      .from(answers)
      .where(
        and(eq(answers.packageId, packageId), isNotNull(answers.undoneAt), gt(answers.id, standing?.id ?? 0)),
      )
      .orderBy(asc(answers.id))
      .limit(1)
    if (!next) return null
    await work.update(answers).set({ undoneAt: null }).where(eq(answers.id, next.id))
    await note(work, who, packageId, 'redid', next.summary)
    await queueTurns(work, packageId)
    const left = next.body.kind === 'file' && (await fileToCases(work, packageId))
    await judge(work, packageId, left ? 'anew' : undefined)
    return next.summary
  })
}

/** What can be undone and redone now, in words. */
export async function undoState(
  packageId: string,
): Promise<{ undo: string | null; redo: string | null; seen: number }> {
  const rows = await database()
    .select({ id: answers.id, summary: answers.summary, undoneAt: answers.undoneAt })
    .from(answers)
    .where(eq(answers.packageId, packageId))
    .orderBy(asc(answers.id))
  const last = rows.filter((r) => !r.undoneAt).at(-1)
  const next = rows.find((r) => r.undoneAt && r.id > (last?.id ?? 0))
  return { undo: last?.summary ?? null, redo: next?.summary ?? null, seen: rows.at(-1)?.id ?? 0 }
}

/** An answer in words, as the history shows it. */
export function summaryOf(answer: Answer, types: readonly DocumentType[]): string {
  const title = (type: string) => typeById(types, type).title
  switch (answer.kind) {
    case 'cut':
      return answer.begins
        ? `A document starts on page ${answer.page}`
        : `Page ${answer.page} goes on with the document before`
    case 'type':
      return `Page ${answer.page} is ${article(title(answer.type))}`
    case 'move':
      return answer.behind === null
        ? `Pages ${answer.pages.join(', ')} are a document of their own`
        : `Pages ${answer.pages.join(', ')} moved behind page ${answer.behind}`
    case 'turn':
      return `Page ${answer.page} turned${answer.rotation === 0 ? ' as it lies in its file' : ` by ${answer.rotation}°`}`
    case 'aside':
      return `${answer.pages.length === 1 ? `Page ${answer.pages[0]}` : `Pages ${answer.pages.join(', ')}`} set aside`
    case 'value':
      return `${words(answer.field)} of page ${answer.page}: ${valueInWords(answer)}`
    case 'signed':
      return `The document of page ${answer.page} is ${answer.signed ? 'signed' : 'not signed'}`
    case 'file':
      return answer.there
        ? `What lies behind the cover sheet on page ${answer.page} goes to its case`
        : `What lies behind the cover sheet on page ${answer.page} stays here`
    case 'version':
      return `Of its versions, the document of page ${answer.page} counts`
    case 'fact':
      return `${words(answer.fact)}: ${factInWords(answer)} (${answer.reason})`
    case 'check':
      return `${words(answer.check)}: ${answer.decision === 'accepted' ? 'accepted' : 'to be asked of the applicant'} (${answer.reason})`
    case 'sign':
      return [
        answer.agreed ? 'Agreed to' : 'Refused',
        answer.what === 'waive' ? 'waiving' : 'accepting',
        `${words(answer.subject)}${answer.reason ? `: ${answer.reason}` : ''}`,
      ].join(' ')
    case 'waive':
      return `Waived ${words(answer.requirement)}: ${answer.reason}`
  }
}
const words = (id: string): string => id.replaceAll('_', ' ')

function valueInWords({ state, value }: Answer & { kind: 'value' }): string {
  if (state === 'empty') return 'not on the paper'
  if (state === 'unreadable') return 'unreadable'
  return `${Array.isArray(value) ? `${value.length} rows` : plain(value)} (${state})`
}

const factInWords = (answer: Answer & { kind: 'fact' }): string =>
  answer.decision === 'value'
    ? plain(answer.value)
    : answer.decision === 'accepted'
      ? 'difference accepted'
      : 'to be asked of the applicant'

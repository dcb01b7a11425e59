import type { Answer } from '../answers/answer.ts'
import { standingOf, type Standing } from '../answers/overrides.ts'
import { addDays, addMonths, dayName, daysBetween, monthIndex, monthName } from '../text/calendar.ts'
import { comparers } from '../matching/comparers.ts'
import {
  counting,
  fieldOf,
  splitReference,
  usable,
  usableText,
  valueIn,
  type Paper,
} from '../dossier/paper.ts'
import type { Persons } from '../dossier/persons.ts'
import type { Condition, Need, Program, Requirement } from '../program/schema.ts'
import { cents, groupThousands, isMoney } from '../model/value.ts'

export const statuses = [
  'missing',
  'incomplete',
  'expired',
  'unsigned',
  'insufficient',
  'satisfied',
  'not_applicable',
  'waived',
] as const
export type Status = (typeof statuses)[number]

export interface RequirementResult {
  requirement: string
  title: string
  status: Status
  /** Papers that were looked at for it, the deciding ones. */
  documents: string[]
  reason: string
  /** Somebody waived it: with which reason, and how far that counts. */
  waiver?: { reason: string; state: Standing['state']; refusal: string }
}

type Way = Requirement['ways'][number]

interface Verdict {
  status: Status
  documents: string[]
  reason: string
}

/** What is judged: the papers, who applies, and the day. */
export interface Situation {
  papers: readonly Paper[]
  persons: Persons
  asOf: string
  /** Titles of types by id, for reasons that people read. */
  titles: ReadonlyMap<string, string>
}

/** Goes through the program's requirements; a waiver by a person stands over what the papers say. */
export function judgeChecklist(
  program: Program,
  situation: Situation,
  answers: readonly Answer[],
): RequirementResult[] {
  return program.requirements.map((requirement) => {
    const said = standingOf(answers, 'waive', requirement.id, () => program.signOff.waivers)
    const verdict = judgeRequirement(requirement, situation)
    const waiver = said
      ? { waiver: { reason: said.answer.reason, state: said.state, refusal: said.refusal } }
      : {}
    return {
      requirement: requirement.id,
      title: requirement.title,
      ...(said?.state === 'holds'
        ? { ...verdict, status: 'waived' as const, reason: `Waived: ${said.answer.reason}` }
        : verdict),
      ...waiver,
    }
  })
}

function judgeRequirement(requirement: Requirement, situation: Situation): Verdict {
  const there = (needs: readonly Need[]) =>
    needs.filter((n) => counting(situation.papers, n.type).length > 0).length
  if (requirement.when && !holds(requirement.when, situation)) {
    if (known(requirement.when, situation))
      return { status: 'not_applicable', documents: [], reason: 'Not asked for in this case' }
    // Papers that nobody had to bring are a sign that they were asked for.
    if (requirement.ways.every((w) => there(w.needs) === 0))
      return {
        status: 'not_applicable',
        documents: [],
        reason: `Not known yet whether it is asked for: the ${valueWords(requirement.when.field)} was not read`,
      }
  }
  if (requirement.any)
    return bestOf(
      requirement.ways
        .filter((w) => !w.when || holds(w.when, situation) || !known(w.when, situation))
        .map((w) => judgeWay(w, situation)),
    )
  return judgeWay(chosenWay(requirement, situation, there), situation)
}

/** Every paper of a way must be there and good. */
function judgeWay(way: Way, situation: Situation): Verdict {
  const verdicts = way.needs.map((need) => judgeNeed(need, situation))
  if (verdicts.length === 1) return verdicts[0]
  const lacking = verdicts.filter((v) => v.status === 'missing')
  const documents = verdicts.flatMap((v) => v.documents)
  if (lacking.length > 0 && lacking.length < verdicts.length)
    return { status: 'incomplete', documents, reason: lacking.map((v) => v.reason).join('; ') }
  const worst = worstOf(verdicts)
  return {
    ...worst,
    documents,
    reason: verdicts
      .filter((v) => v.status === worst.status)
      .map((v) => v.reason)
      .join('; '),
  }
}

/** The way whose case it is; where that was not read, the one whose papers are there. */
function chosenWay(
  { ways }: Requirement,
  situation: Situation,
  there: (needs: readonly Need[]) => number,
): Way {
  const sure = ways.find((w) => !w.when || holds(w.when, situation))
  const open = ways.filter((w) => w.when && !known(w.when, situation))
  if (open.length === 0) return sure ?? ways[0]
  return [...(sure ? [sure] : []), ...open].reduce((best, w) =>
    there(w.needs) > there(best.needs) ? w : best,
  )
}

/** Whether what a condition is on is known: its value was read, or there is no paper that could say it. */
const known = (condition: Condition, { papers }: Pick<Situation, 'papers'>): boolean =>
  valueIn(papers, condition.field) !== null ||
  counting(papers, splitReference(condition.field)[0]).length === 0
const valueWords = (reference: string): string => reference.split('.')[1].replaceAll('_', ' ')

/** Whether a condition on a value of a paper holds; one on a value that is not there does not. */
export function holds(condition: Condition, { papers }: Pick<Situation, 'papers'>): boolean {
  const found = valueIn(papers, condition.field)
  if (!found) return false
  if (condition.rowsOver !== undefined)
    return Array.isArray(found.value) && found.value.length > condition.rowsOver
  if (condition.over !== undefined) return isMoney(found.value) && cents(found.value) > condition.over * 100
  return found.value === condition.is
}

const severity = (status: Status): number => statuses.indexOf(status)
const worstOf = (verdicts: readonly Verdict[]): Verdict =>
  verdicts.reduce((a, b) => (severity(b.status) < severity(a.status) ? b : a))
const bestOf = (verdicts: readonly Verdict[]): Verdict =>
  verdicts.reduce((a, b) => (severity(b.status) > severity(a.status) ? b : a))

function judgeNeed(need: Need, situation: Situation): Verdict {
  const papers = counting(situation.papers, need.type)
  const title = (situation.titles.get(need.type) ?? need.type).toLowerCase()
  if (papers.length === 0) return { status: 'missing', documents: [], reason: `No ${title} is there` }
  if (need.listed) return judgeListed(need, papers, situation, title)
  if (need.whose === 'each_person') return judgeEachPerson(need, papers, situation, title)
  const theirs = need.whose === 'applicant' ? papers.filter((p) => p.owner !== 'co_applicant') : papers
  if (theirs.length === 0)
    return { status: 'missing', documents: [], reason: `No ${title} of the applicant is there` }
  if (need.months) return judgeMonths(need, theirs, situation, title)
  if (need.years) return judgeYears(need, theirs, situation, title)
  if (need.covers) return judgeCoverage(need, theirs, situation, title)
  return bestOf(theirs.map((paper) => judgePaper(need, paper, situation)))
}

function judgeEachPerson(need: Need, papers: Paper[], situation: Situation, title: string): Verdict {
  const { coApplicant } = situation.persons
  if (!coApplicant) return bestOf(papers.map((p) => judgePaper(need, p, situation)))
  return judgePersons(
    need,
    [
      {
        name: situation.persons.applicant ?? 'the applicant',
        papers: papers.filter((p) => p.owner !== 'co_applicant'),
      },
      { name: coApplicant, papers: papers.filter((p) => p.owner === 'co_applicant') },
    ],
    situation,
    title,
  )
}

/** Everybody whom another paper lists with enough of a share brings one. */
function judgeListed(need: Need, papers: Paper[], situation: Situation, title: string): Verdict {
  const { table, name, column, atLeast, field } = need.listed!
  const rows = valueIn(situation.papers, table)?.value
  const listed = (Array.isArray(rows) ? rows : [])
    .filter((row) => Number(row[column]) >= atLeast)
    .flatMap((row) => (typeof row[name] === 'string' ? [row[name]] : []))
  if (listed.length === 0) {
    const best = bestOf(papers.map((p) => judgePaper(need, p, situation)))
    return { ...best, reason: `${best.reason}; who must bring one is not read yet` }
  }
  const is = (paper: Paper, person: string) => {
    const own = usableText(paper, field)
    return (
      own !== null &&
      comparers.name(
        { value: own, confidence: fieldOf(paper, field)!.confidence },
        { value: person, confidence: 1 },
      ).relation !== 'different'
    )
  }
  return judgePersons(
    need,
    listed.map((person) => ({ name: person, papers: papers.filter((p) => is(p, person)) })),
    situation,
    title,
  )
}

/** One good paper for each of several persons. */
function judgePersons(
  need: Need,
  persons: readonly { name: string; papers: Paper[] }[],
  situation: Situation,
  title: string,
): Verdict {
  const lacking = persons.filter((p) => p.papers.length === 0)
  if (lacking.length === persons.length)
    return {
      status: 'missing',
      documents: [],
      reason: `No ${title} of ${list(lacking.map((p) => p.name))} is there`,
    }
  if (lacking.length > 0)
    return {
      status: 'incomplete',
      documents: persons.flatMap((p) => p.papers.map((q) => q.id)),
      reason: `No ${title} of ${list(lacking.map((p) => p.name))} is there`,
    }
  const verdicts = persons.map((person) => bestOf(person.papers.map((p) => judgePaper(need, p, situation))))
  const worst = worstOf(verdicts)
  return {
    ...worst,
    documents: verdicts.flatMap((v) => v.documents),
    reason:
      worst.status === 'satisfied' && persons.length > 1
        ? `${persons.length} persons, each with a good one`
        : worst.reason,
  }
}

/** The first fault of one paper, in the order of the statuses. */
function judgePaper(need: Need, paper: Paper, { papers, asOf }: Situation): Verdict {
  const verdict = (status: Status, reason: string): Verdict => ({ status, documents: [paper.id], reason })
  if (paper.lacking.length > 0)
    return verdict('incomplete', `${paper.label} lacks ${pagesText(paper.lacking)}`)
  const old = tooOld(need, [paper], asOf)
  if (old) return verdict('expired', old)
  const until = need.until ? usableText(paper, need.until) : null
  if (until && until < asOf) return verdict('expired', `${paper.label} ran out on ${dayName(until)}`)
  const from = need.from ? usableText(paper, need.from) : null
  if (from && from > asOf) return verdict('expired', `${paper.label} begins only on ${dayName(from)}`)
  if (need.signed && paper.signed === false)
    return verdict(
      'unsigned',
      paper.signedAsked
        ? `No signature was found on ${paper.label}; it is still asked about`
        : `${paper.label} is not signed`,
    )
  const empty = need.filled.find((name) => {
    const field = fieldOf(paper, name)
    return field && field.value === null && !field.needsReview
  })
  if (empty) return verdict('unsigned', `${paper.label} is not dated`)
  const short = tooLow(need, paper, papers)
  if (short) return verdict('insufficient', short)
  // What was not read surely takes no part; that it was not is said, so that nobody takes the verdict for
  // more than it is.
  const open = [need.until, need.from, need.fresh?.field, need.atLeast?.field]
    .flatMap((name) => (name && fieldOf(paper, name)?.needsReview ? [name.replaceAll('_', ' ')] : []))
    .concat(need.signed && paper.signedAsked ? ['signature'] : [])
  return verdict(
    'satisfied',
    [
      paper.label,
      until ? `, good until ${dayName(until)}` : '',
      open.length ? `; its ${list(open)} ${open.length === 1 ? 'is' : 'are'} still asked about` : '',
    ].join(''),
  )
}

function tooOld(need: Need, candidates: readonly Paper[], asOf: string): string | null {
  const { fresh } = need
  if (!fresh) return null
  const dated = candidates
    .flatMap((paper) => {
      const date = usableText(paper, fresh.field)
      return date ? [{ paper, date }] : []
    })
    .sort((a, b) => b.date.localeCompare(a.date))
  const latest = dated[0]
  if (!latest) return null
  const limit = fresh.days !== undefined ? addDays(asOf, -fresh.days) : addMonths(asOf, -(fresh.months ?? 0))
  if (latest.date > asOf)
    return `${latest.paper.label} is dated ${dayName(latest.date)}, after the day of checking`
  if (latest.date < limit)
    return `${latest.paper.label} is of ${dayName(latest.date)}, ${daysBetween(latest.date, asOf)} days old; at most ${ageInWords(fresh)} allowed`
  return null
}

function tooLow(need: Need, paper: Paper, papers: readonly Paper[]): string | null {
  if (!need.atLeast) return null
  const value = usable(paper, need.atLeast.field)
  const than = valueIn(papers, need.atLeast.than)?.value ?? null
  if (!isMoney(value) || !isMoney(than) || cents(value) >= cents(than)) return null
  return `${paper.label}: ${groupThousands(value.amount)} is less than the ${groupThousands(than.amount)} needed`
}

function judgeMonths(need: Need, papers: Paper[], situation: Situation, title: string): Verdict {
  const { field, count } = need.months!
  const byMonth = new Map<number, Paper>()
  for (const paper of papers) {
    const date = usableText(paper, field) ?? (need.fresh ? usableText(paper, need.fresh.field) : null)
    if (date) byMonth.set(monthIndex(date), paper)
  }
  const months = [...byMonth.keys()].sort((a, b) => a - b)
  const documents = papers.map((p) => p.id)
  const faulty = papers.find((p) => p.lacking.length > 0)
  if (faulty)
    return { status: 'incomplete', documents, reason: `${faulty.label} lacks ${pagesText(faulty.lacking)}` }
  const last = months.at(-1)
  const runs = months.filter((m) =>
    Array.from({ length: count }, (_, i) => m - i).every((k) => byMonth.has(k)),
  )
  const end = runs.at(-1)
  if (end === undefined) {
    if (last === undefined)
      return { status: 'incomplete', documents, reason: `The months of the ${title}s were not read` }
    const lacking = Array.from({ length: count }, (_, i) => last - i)
      .filter((m) => !byMonth.has(m))
      .map(monthName)
      .reverse()
    return {
      status: 'incomplete',
      documents,
      reason: `${capital(title)} for ${list(months.map(monthName))}; ${list(lacking)} ${lacking.length === 1 ? 'is' : 'are'} missing`,
    }
  }
  const used = Array.from({ length: count }, (_, i) => byMonth.get(end - i)!)
  const old = tooOld(need, used, situation.asOf)
  if (old) return { status: 'expired', documents: used.map((p) => p.id), reason: old }
  return {
    status: 'satisfied',
    documents: used.map((p) => p.id),
    reason: `${capital(title)}s for ${list(Array.from({ length: count }, (_, i) => monthName(end - count + 1 + i)))}`,
  }
}

function judgeYears(need: Need, papers: Paper[], situation: Situation, title: string): Verdict {
  const { field, count } = need.years!
  const wanted = Array.from({ length: count }, (_, i) => String(+situation.asOf.slice(0, 4) - 1 - i))
  const byYear = new Map(papers.map((p) => [usableText(p, field), p]))
  const lacking = wanted.filter((y) => !byYear.has(y))
  const documents = papers.map((p) => p.id)
  if (lacking.length > 0)
    return {
      status: 'incomplete',
      documents,
      reason: `${capital(title)} for ${list(lacking.reverse())} is missing`,
    }
  return { status: 'satisfied', documents, reason: `${capital(title)} for ${list(wanted.reverse())}` }
}

function judgeCoverage(need: Need, papers: Paper[], situation: Situation, title: string): Verdict {
  const { from, to, months } = need.covers!
  const documents = papers.map((p) => p.id)
  const faulty = papers.find((p) => p.lacking.length > 0)
  if (faulty)
    return { status: 'incomplete', documents, reason: `${faulty.label} lacks ${pagesText(faulty.lacking)}` }
  const spans = papers
    .flatMap((p) => {
      const [start, end] = [usableText(p, from), usableText(p, to)]
      return start && end ? [{ start, end }] : []
    })
    .sort((a, b) => a.start.localeCompare(b.start))
  if (spans.length === 0)
    return { status: 'incomplete', documents, reason: `The periods of the ${title}s were not read` }
  const chains: { start: string; end: string }[] = []
  for (const span of spans) {
    const chain = chains.at(-1)
    if (chain && span.start <= addDays(chain.end, 1)) chain.end = span.end > chain.end ? span.end : chain.end
    else chains.push({ ...span })
  }
  const long = chains.filter((c) => addMonths(c.start, months) <= addDays(c.end, 1)).at(-1)
  if (!long) {
    const gap =
      chains.length > 1
        ? `; nothing from ${dayName(addDays(chains[0].end, 1))} to ${dayName(addDays(chains[1].start, -1))}`
        : ''
    return {
      status: 'incomplete',
      documents,
      reason: `${capital(title)}s cover ${chains.map((c) => `${dayName(c.start)} to ${dayName(c.end)}`).join(' and ')}, ${months} months are needed${gap}`,
    }
  }
  const old = tooOld(
    need,
    papers.filter((p) => usableText(p, to) === long.end),
    situation.asOf,
  )
  if (old) return { status: 'expired', documents, reason: old }
  return {
    status: 'satisfied',
    documents,
    reason: `Covered from ${dayName(long.start)} to ${dayName(long.end)}`,
  }
}

const capital = (text: string): string => text[0].toUpperCase() + text.slice(1)
const list = (items: string[]): string =>
  items.length < 2 ? (items[0] ?? '') : `${items.slice(0, -1).join(', ')} and ${items.at(-1)}`
const pagesText = (pages: number[]): string =>
  pages.length === 1 ? `its page ${pages[0]}` : `its pages ${list(pages.map(String))}`

const ageInWords = ({ days, months }: { days?: number; months?: number }): string =>
  days !== undefined ? `${days} days` : `${months} months`

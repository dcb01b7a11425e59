import { allOf, cents, isMoney, isOver, message, type Message, sameCurrency } from '../model/index.ts'
import { type Answer, type Standing, standingOf } from '../answers/index.ts'
import { addDays, addMonths, daysBetween, monthIndex } from '../text/index.ts'
import { comparers } from '../matching/index.ts'
import {
  counting,
  fieldOf,
  isAnothers,
  type Paper,
  type Persons,
  splitReference,
  usable,
  usableText,
  valueIn,
} from '../dossier/index.ts'
import type { Condition, Need, Program, Requirement } from '../program/index.ts'

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
  reason: Message
  /** Somebody waived it: with which reason, and how far that counts. */
  waiver?: { reason: string; state: Standing['state']; refusal: string }
}

type Way = Requirement['ways'][number]

interface Verdict {
  status: Status
  documents: string[]
  reason: Message
}

/** What is judged: the papers, who applies, and the day. */
export interface Situation {
  papers: readonly Paper[]
  persons: Persons
  asOf: string
  /** The lender's currency, ISO 4217: what amounts of the program are in. */
  currency: string
  /** Titles of types by id, for reasons. */
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
        ? {
            ...verdict,
            status: 'waived' as const,
            reason: message('requirement.waived', { reason: said.answer.reason }),
          }
        : verdict),
      ...waiver,
    }
  })
}

function judgeRequirement(requirement: Requirement, situation: Situation): Verdict {
  if (requirement.when && !holds(requirement.when, situation)) {
    if (known(requirement.when, situation))
      return { status: 'not_applicable', documents: [], reason: message('requirement.not_asked_for') }
    // Papers that nobody had to bring are a sign that they were asked for.
    if (requirement.ways.every((w) => there(w, situation) === 0))
      return {
        status: 'not_applicable',
        documents: [],
        reason: message('requirement.not_known_yet', { field: splitReference(requirement.when.field)[1] }),
      }
  }
  return bestOf(openWays(requirement, situation).map((w) => judgeWay(w, situation)))
}

/** Ways that would do: any that the case allows, or the one that is asked for. */
const openWays = (requirement: Requirement, situation: Situation): Way[] =>
  requirement.any
    ? requirement.ways.filter((w) => !w.when || holds(w.when, situation) || !known(w.when, situation))
    : [chosenWay(requirement, situation)]

/** A paper that a requirement still lacks, and what is wrong with the ones that are there. */
export interface Lack {
  need: Need
  status: Status
  documents: string[]
  reason: Message
}

/** Papers that would count for a requirement, by any way that is open. */
export const needsOf = (requirement: Requirement, situation: Situation): Need[] =>
  openWays(requirement, situation).flatMap((way) => way.needs)

/** What a requirement lacks, by each way that would meet it; a paper that is there and good is not among it. */
export const lackingBy = (requirement: Requirement, situation: Situation): Lack[][] =>
  openWays(requirement, situation).map((way) =>
    way.needs
      .map((need) => ({ need, ...judgeNeed(need, situation) }))
      .filter(({ status }) => status !== 'satisfied' && status !== 'not_applicable'),
  )

/** Every paper of a way must be there and good. */
function judgeWay(way: Way, situation: Situation): Verdict {
  const verdicts = way.needs.map((need) => judgeNeed(need, situation))
  if (verdicts.length === 1) return verdicts[0]
  const lacking = verdicts.filter((v) => v.status === 'missing')
  const documents = verdicts.flatMap((v) => v.documents)
  if (lacking.length > 0 && lacking.length < verdicts.length)
    return { status: 'incomplete', documents, reason: allOf(lacking.map((v) => v.reason)) }
  const worst = worstOf(verdicts)
  return {
    ...worst,
    documents,
    reason: allOf(verdicts.filter((v) => v.status === worst.status).map((v) => v.reason)),
  }
}

/** Of how many papers that a way asks for there is one, good or not. */
const there = ({ needs }: Way, { papers }: Situation): number =>
  needs.filter((n) => counting(papers, n.type).length > 0).length

/** The way whose case it is; where that was not read, the one whose papers are there. */
function chosenWay({ ways }: Requirement, situation: Situation): Way {
  const sure = ways.find((w) => !w.when || holds(w.when, situation))
  const open = ways.filter((w) => w.when && !known(w.when, situation))
  if (open.length === 0) return sure ?? ways[0]
  return [...(sure ? [sure] : []), ...open].reduce((best, w) =>
    there(w, situation) > there(best, situation) ? w : best,
  )
}

/** Whether what a condition is on is known: its value was read, or there is no paper that could say it. */
const known = (condition: Condition, { papers }: Pick<Situation, 'papers'>): boolean =>
  valueIn(papers, condition.field) !== null ||
  counting(papers, splitReference(condition.field)[0]).length === 0

/**
 * Whether a condition on a value of a paper holds; one on a value that is not there does not. An amount in
 * another currency than the program's is taken for over whatever it says: rather a paper too many is asked
 * for, or somebody told for nothing, than a limit passed unseen.
 */
export function holds(
  condition: Condition,
  { papers, currency }: Pick<Situation, 'papers' | 'currency'>,
): boolean {
  const found = valueIn(papers, condition.field)
  if (!found) return false
  if (condition.rowsOver !== undefined)
    return Array.isArray(found.value) && found.value.length > condition.rowsOver
  if (condition.over !== undefined)
    return (
      isMoney(found.value) &&
      (!sameCurrency(found.value.currency, currency) || isOver(found.value, condition.over))
    )
  return found.value === condition.is
}

const severity = (status: Status): number => statuses.indexOf(status)
const worstOf = (verdicts: readonly Verdict[]): Verdict =>
  verdicts.reduce((a, b) => (severity(b.status) < severity(a.status) ? b : a))
const bestOf = (verdicts: readonly Verdict[]): Verdict =>
  verdicts.reduce((a, b) => (severity(b.status) > severity(a.status) ? b : a))

function judgeNeed(need: Need, situation: Situation): Verdict {
  const papers = counting(situation.papers, need.type)
  const title = situation.titles.get(need.type) ?? need.type
  if (need.namedBy && saysNobody(need.namedBy, situation))
    return { status: 'not_applicable', documents: [], reason: message('requirement.nobody_named') }
  if (papers.length === 0)
    return { status: 'missing', documents: [], reason: message('requirement.none_there', { type: title }) }
  if (asksPersons(need)) {
    const persons = byPerson(need, situation)
    if (persons) return judgePersons(need, persons, situation, title)
    const best = bestOf(papers.map((p) => judgePaper(need, p, situation)))
    return { ...best, reason: message('requirement.persons_not_read', { but: best.reason }) }
  }
  const theirs = need.whose === 'applicant' ? papers.filter((p) => !isAnothers(p)) : papers
  if (theirs.length === 0)
    return {
      status: 'missing',
      documents: [],
      reason: message('requirement.none_of_applicant', { type: title }),
    }
  if (need.months) return judgeMonths(need, theirs, situation, title)
  if (need.years) return judgeYears(need, theirs, situation, title)
  if (need.covers) return judgeCoverage(need, theirs, situation, title)
  return bestOf(theirs.map((paper) => judgePaper(need, paper, situation)))
}

/** Whether the paper that would name somebody is there and its place for a name is surely empty. */
function saysNobody(reference: string, { papers }: Pick<Situation, 'papers'>): boolean {
  const [type, name] = splitReference(reference)
  const forms = counting(papers, type)
  return (
    forms.length > 0 &&
    forms.every((form) => {
      const field = fieldOf(form, name)
      return field?.value == null && !field?.needsReview
    })
  )
}

/** Papers of one of the persons that a need asks for; null stands for an applicant whose name was not read. */
interface Theirs {
  name: string | null
  papers: Paper[]
}

/** Whether a need asks for a paper of each of certain persons. */
const asksPersons = ({ listed, whose, namedBy }: Need): boolean =>
  listed !== undefined || whose === 'each_person' || namedBy !== undefined

/** Papers by the persons that a need asks for; null where it is not read who they are. */
function byPerson(need: Need, situation: Situation): Theirs[] | null {
  const papers = counting(situation.papers, need.type)
  const { applicant, coApplicant, named } = situation.persons
  if (need.listed) {
    const { field } = need.listed
    const listed = listedPersons(need.listed, situation)
    return listed.length > 0
      ? listed.map((name) => ({ name, papers: papers.filter((p) => isOf(p, field, name)) }))
      : null
  }
  if (need.whose === 'each_person') {
    const theirs = { name: applicant, papers: papers.filter((p) => !isAnothers(p)) }
    const others = papers.filter((p) => p.owner === 'co_applicant')
    return coApplicant ? [theirs, { name: coApplicant, papers: others }] : [theirs]
  }
  const name = named[need.namedBy!] ?? null
  return name === null ? null : [{ name, papers: papers.filter((p) => p.owner === `named:${need.namedBy}`) }]
}

/** Everybody whom another paper lists with enough of a share. */
function listedPersons(
  { table, name, column, atLeast }: NonNullable<Need['listed']>,
  { papers }: Situation,
): string[] {
  const rows = valueIn(papers, table)?.value
  return (Array.isArray(rows) ? rows : [])
    .filter((row) => Number(row[column]) >= atLeast)
    .flatMap((row) => (typeof row[name] === 'string' ? [row[name]] : []))
}

/** Whether a paper names somebody in a field. */
function isOf(paper: Paper, field: string, person: string): boolean {
  const own = usableText(paper, field)
  return (
    own !== null &&
    comparers.name(
      { value: own, confidence: fieldOf(paper, field)!.confidence },
      { value: person, confidence: 1 },
    ).relation !== 'different'
  )
}

/** The best of somebody's papers; null where they have none. */
const bestPaper = (need: Need, { papers }: Theirs, situation: Situation): Verdict | null =>
  papers.length > 0 ? bestOf(papers.map((p) => judgePaper(need, p, situation))) : null

/** Persons whose papers lack or do not do, of those that a need asks for by name. */
export const personsLacking = (need: Need, situation: Situation): (string | null)[] =>
  (asksPersons(need) ? (byPerson(need, situation) ?? []) : [])
    .filter((person) => bestPaper(need, person, situation)?.status !== 'satisfied')
    .map((person) => person.name)

/** One good paper for each of several persons. */
function judgePersons(need: Need, persons: readonly Theirs[], situation: Situation, title: string): Verdict {
  const lacking = persons.filter((p) => p.papers.length === 0)
  if (lacking.length === persons.length)
    return {
      status: 'missing',
      documents: [],
      reason: message('requirement.none_of_persons', { type: title, persons: lacking.map((p) => p.name) }),
    }
  if (lacking.length > 0)
    return {
      status: 'incomplete',
      documents: persons.flatMap((p) => p.papers.map((q) => q.id)),
      reason: message('requirement.none_of_persons', { type: title, persons: lacking.map((p) => p.name) }),
    }
  const verdicts = persons.map((person) => bestPaper(need, person, situation)!)
  const worst = worstOf(verdicts)
  return {
    ...worst,
    documents: verdicts.flatMap((v) => v.documents),
    reason:
      worst.status === 'satisfied' && persons.length > 1
        ? message('requirement.each_person', { count: persons.length })
        : worst.reason,
  }
}

/** The first fault of one paper, in the order of the statuses. */
function judgePaper(need: Need, paper: Paper, { papers, asOf }: Situation): Verdict {
  const verdict = (status: Status, reason: Message): Verdict => ({ status, documents: [paper.id], reason })
  if (paper.lacking.length > 0) return verdict('incomplete', lacksPages(paper))
  const old = tooOld(need, [paper], asOf)
  if (old) return verdict('expired', old)
  const until = need.until ? usableText(paper, need.until) : null
  if (until && until < asOf)
    return verdict('expired', message('paper.ran_out', { paper: paper.label, day: until }))
  const from = need.from ? usableText(paper, need.from) : null
  if (from && from > asOf)
    return verdict('expired', message('paper.begins_later', { paper: paper.label, day: from }))
  if (need.signed && paper.signed === false)
    return verdict(
      'unsigned',
      message(paper.signedAsked ? 'paper.signature_asked' : 'paper.not_signed', { paper: paper.label }),
    )
  const empty = need.filled.find((name) => {
    const field = fieldOf(paper, name)
    return field && field.value === null && !field.needsReview
  })
  if (empty) return verdict('unsigned', message('paper.not_dated', { paper: paper.label }))
  const short = tooLow(need, paper, papers)
  if (short) return verdict('insufficient', short)
  // What was not read surely takes no part; that it was not is said, so that nobody takes the verdict for
  // more than it is.
  const open = [need.until, need.from, need.fresh?.field, need.atLeast?.field].flatMap((name) =>
    name && fieldOf(paper, name)?.needsReview ? [name] : [],
  )
  const signatureOpen = need.signed && paper.signedAsked
  return verdict('satisfied', message('paper.good', { paper: paper.label, until, open, signatureOpen }))
}

/**
 * Why one paper does not do for a need; null where it does, as far as one paper can tell. Of several that a need asks
 * for together, as one a month, each only has to be whole: which of them lack is another matter.
 */
export function faultOf(need: Need, paper: Paper, situation: Situation): Message | null {
  if (!isTheirs(need, paper, situation)) {
    const persons = asksPersons(need)
      ? (byPerson(need, situation) ?? []).map((p) => p.name)
      : [situation.persons.applicant]
    return message('requirement.none_of_persons', {
      type: situation.titles.get(need.type) ?? need.type,
      persons,
    })
  }
  if (need.months || need.years || need.covers) return paper.lacking.length > 0 ? lacksPages(paper) : null
  const { status, reason } = judgePaper(need, paper, situation)
  return status === 'satisfied' ? null : reason
}

/** Whether a paper is of somebody whom a need asks for. */
function isTheirs(need: Need, paper: Paper, situation: Situation): boolean {
  if (!asksPersons(need)) return need.whose !== 'applicant' || !isAnothers(paper)
  const persons = byPerson(need, situation)
  return persons === null || persons.some(({ papers }) => papers.some((p) => p.id === paper.id))
}

function tooOld(need: Need, candidates: readonly Paper[], asOf: string): Message | null {
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
  if (latest.date > asOf) return message('paper.dated_later', { paper: latest.paper.label, day: latest.date })
  if (latest.date < limit)
    return message('paper.too_old', {
      paper: latest.paper.label,
      day: latest.date,
      age: daysBetween(latest.date, asOf),
      allowed: { days: fresh.days, months: fresh.months },
    })
  return null
}

function tooLow(need: Need, paper: Paper, papers: readonly Paper[]): Message | null {
  if (!need.atLeast) return null
  const value = usable(paper, need.atLeast.field)
  const than = valueIn(papers, need.atLeast.than)?.value ?? null
  if (!isMoney(value) || !isMoney(than)) return null
  if (!sameCurrency(value.currency, than.currency))
    return message('paper.other_currency', { paper: paper.label, amount: value, needed: than })
  if (cents(value) >= cents(than)) return null
  return message('paper.too_low', { paper: paper.label, amount: value, needed: than })
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
  if (faulty) return { status: 'incomplete', documents, reason: lacksPages(faulty) }
  const last = months.at(-1)
  const runs = months.filter((m) =>
    Array.from({ length: count }, (_, i) => m - i).every((k) => byMonth.has(k)),
  )
  const end = runs.at(-1)
  if (end === undefined) {
    if (last === undefined)
      return { status: 'incomplete', documents, reason: message('months.not_read', { type: title }) }
    const lacking = Array.from({ length: count }, (_, i) => last - i)
      .filter((m) => !byMonth.has(m))
      .reverse()
    return {
      status: 'incomplete',
      documents,
      reason: message('months.lacking', { type: title, there: months, lacking }),
    }
  }
  const used = Array.from({ length: count }, (_, i) => byMonth.get(end - i)!)
  const old = tooOld(need, used, situation.asOf)
  if (old) return { status: 'expired', documents: used.map((p) => p.id), reason: old }
  return {
    status: 'satisfied',
    documents: used.map((p) => p.id),
    reason: message('months.there', {
      type: title,
      months: Array.from({ length: count }, (_, i) => end - count + 1 + i),
    }),
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
      reason: message('years.lacking', { type: title, years: lacking.reverse() }),
    }
  return {
    status: 'satisfied',
    documents,
    reason: message('years.there', { type: title, years: wanted.reverse() }),
  }
}

function judgeCoverage(need: Need, papers: Paper[], situation: Situation, title: string): Verdict {
  const { from, to, months } = need.covers!
  const documents = papers.map((p) => p.id)
  const faulty = papers.find((p) => p.lacking.length > 0)
  if (faulty) return { status: 'incomplete', documents, reason: lacksPages(faulty) }
  const spans = papers
    .flatMap((p) => {
      const [start, end] = [usableText(p, from), usableText(p, to)]
      return start && end ? [{ start, end }] : []
    })
    .sort((a, b) => a.start.localeCompare(b.start))
  if (spans.length === 0)
    return { status: 'incomplete', documents, reason: message('coverage.not_read', { type: title }) }
  const chains: { start: string; end: string }[] = []
  for (const span of spans) {
    const chain = chains.at(-1)
    if (chain && span.start <= addDays(chain.end, 1)) chain.end = span.end > chain.end ? span.end : chain.end
    else chains.push({ ...span })
  }
  const long = chains.filter((c) => addMonths(c.start, months) <= addDays(c.end, 1)).at(-1)
  if (!long) {
    const gap =
      chains.length > 1 ? { start: addDays(chains[0].end, 1), end: addDays(chains[1].start, -1) } : null
    return {
      status: 'incomplete',
      documents,
      reason: message('coverage.too_short', { type: title, covered: chains, months, gap }),
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
    reason: message('coverage.whole', long),
  }
}

const lacksPages = (paper: Paper): Message =>
  message('paper.lacks_pages', { paper: paper.label, pages: paper.lacking })

import {
  lackingBy,
  personsLacking,
  type Lack,
  type RequirementResult,
  type Situation,
} from '../check/index.ts'
import { type Paper, valueIn } from '../dossier/index.ts'
import { accepted, type CheckResult, type FactResult } from '../dossier/index.ts'
import type { Document, Finding, PackageFile } from '../findings/index.ts'
import { isMoney, plain, type Value } from '../model/index.ts'
import type { Program, Requirement } from '../program/index.ts'
import { addDays, addMonths } from '../text/index.ts'
import type { RequestItem, WantedPaper } from './item.ts'

/** What a request is drafted from. */
export interface ToAskAbout {
  program: Program
  situation: Situation
  documents: readonly Document[]
  checklist: readonly RequirementResult[]
  facts: readonly FactResult[]
  checks: readonly CheckResult[]
  findings: readonly Finding[]
  files: readonly PackageFile[]
  /** What a value of a type is called. */
  fieldTitle: (type: string, field: string) => string
}

/** All that an applicant can do something about, what matters most first. */
export function draftItems(given: ToAskAbout): RequestItem[] {
  const items = [
    ...given.checklist.flatMap((result) => requirementItem(result, given)),
    ...given.facts.flatMap((fact) => factItem(fact, given)),
    ...given.checks.flatMap((check) => checkItem(check, given)),
  ]
  const told = new Set(items.flatMap((i) => i.pages))
  return [...items, ...paperItems(given, told), ...given.files.flatMap(fileItem)]
}

/** Statuses that an applicant cannot change, or need not. */
const SETTLED: ReadonlySet<RequirementResult['status']> = new Set(['satisfied', 'not_applicable', 'waived'])

function requirementItem(
  result: RequirementResult,
  { program, situation, documents }: ToAskAbout,
): RequestItem[] {
  // A waiver that waits for a second person is no matter for the applicant yet.
  if (SETTLED.has(result.status) || result.waiver?.state === 'waits') return []
  const requirement = program.requirements.find((r) => r.id === result.requirement)
  if (!requirement) return []
  const pages = documents.filter((d) => result.documents.includes(d.id)).flatMap((d) => d.pages)
  return [
    {
      id: `requirement:${result.requirement}`,
      kind: result.status === 'unsigned' ? 'sign' : 'bring',
      title: result.title,
      why: { kind: 'requirement', status: result.status, reason: result.reason },
      ways: waysOf(requirement, situation),
      says: [],
      pages: result.status === 'unsigned' ? pages : [],
    },
  ]
}

/** What would do, way by way; a way that another one repeats is said once. */
function waysOf(requirement: Requirement, situation: Situation): WantedPaper[][] {
  const ways = lackingBy(requirement, situation).map((lacks) => lacks.map((lack) => wanted(lack, situation)))
  return [...new Map(ways.map((way) => [JSON.stringify(way), way])).values()].filter((way) => way.length > 0)
}

function wanted({ need, reason }: Lack, situation: Situation): WantedPaper {
  const { papers, asOf, titles } = situation
  const { fresh, months, covers } = need
  const lacking = reason.code === 'months.lacking' ? reason.lacking : []
  const least = need.atLeast ? (valueIn(papers, need.atLeast.than)?.value ?? null) : null
  return {
    type: titles.get(need.type) ?? need.type,
    whose: personsLacking(need, situation),
    signed: need.signed,
    dated: need.filled.length > 0,
    // That the latest is fresh says nothing of a month before it.
    notBefore:
      fresh && lacking.length === 0
        ? fresh.days !== undefined
          ? addDays(asOf, -fresh.days)
          : addMonths(asOf, -(fresh.months ?? 0))
        : null,
    validOn: need.until ? asOf : null,
    months: months ? { count: months.count, lacking } : null,
    years:
      reason.code === 'years.lacking' ? reason.years : need.years ? yearsBefore(asOf, need.years.count) : [],
    covers: covers?.months ?? null,
    atLeast: isMoney(least) ? least : null,
  }
}

const yearsBefore = (day: string, count: number): string[] =>
  Array.from({ length: count }, (_, i) => String(+day.slice(0, 4) - count + i))

function factItem(fact: FactResult, { documents }: ToAskAbout): RequestItem[] {
  if (fact.status !== 'conflict') return []
  return [
    {
      id: `fact:${fact.fact}`,
      kind: 'say',
      title: fact.title,
      why: { kind: 'differs' },
      ways: [],
      says: whoSays(fact, documents),
      pages: [],
    },
  ]
}

/** What differs, each value once with the papers that say it, in the order of the papers. */
function whoSays(
  { evidence }: FactResult,
  documents: readonly Paper[],
): { value: Value; papers: string[] }[] {
  const said = new Map<string, { value: Value; papers: string[] }>()
  for (const { value, document } of evidence) {
    const label = documents.find((d) => d.id === document)?.label ?? document
    const known = said.get(plain(value))
    if (!known) said.set(plain(value), { value, papers: [label] })
    else if (!known.papers.includes(label)) known.papers.push(label)
  }
  return [...said.values()]
}

/** Amounts of a sum that are told: the others of a long one say no more. */
const MOST_AMOUNTS = 6

function checkItem(check: CheckResult, { documents, fieldTitle }: ToAskAbout): RequestItem[] {
  if (check.status !== 'failed' || accepted(check)) return []
  const amounts = check.terms.flatMap(({ amount, document, field }) => {
    const paper = documents.find((d) => d.id === document)
    return paper ? [{ value: amount, papers: [`${paper.label} (${fieldTitle(paper.type, field)})`] }] : []
  })
  return [
    {
      id: `check:${check.check}`,
      kind: 'say',
      title: check.title,
      why: { kind: 'does not fit' },
      ways: [],
      says: amounts.slice(0, MOST_AMOUNTS),
      pages: [],
    },
  ]
}

/** Papers that lack pages or are hard to read, paper by paper; those of a requirement that says so are told already. */
function paperItems(
  { documents, findings, checklist }: ToAskAbout,
  told: ReadonlySet<number>,
): RequestItem[] {
  const asked = new Set(checklist.filter((c) => c.status === 'incomplete').flatMap((c) => c.documents))
  const poor = new Set(
    findings.flatMap((f) => (f.kind === 'poor_quality' ? [Number(f.id.split(':')[1])] : [])),
  )
  return documents
    .filter((d) => d.copyOf === null && d.supersededBy === null && d.type !== 'unknown')
    .flatMap((d): RequestItem[] => {
      const again = { kind: 'again' as const, title: d.label, ways: [], says: [], pages: d.pages }
      const hard = d.pages.filter((page) => poor.has(page) && !told.has(page))
      return [
        ...(d.lacking.length > 0 && !asked.has(d.id)
          ? [
              {
                ...again,
                id: `lacking:${d.pages[0]}`,
                why: { kind: 'lacks pages' as const, paper: d.label, pages: d.lacking },
              },
            ]
          : []),
        ...(hard.length > 0
          ? [
              {
                ...again,
                id: `page:${hard[0]}`,
                why: {
                  kind: 'hard to read' as const,
                  paper: d.label,
                  pages: hard.map((page) => d.pages.indexOf(page) + 1),
                },
              },
            ]
          : []),
      ]
    })
}

const fileItem = (file: PackageFile): RequestItem[] =>
  file.problem
    ? [
        {
          id: `file:${file.name}`,
          kind: 'again',
          title: file.name,
          why: { kind: 'unusable file', file: file.name, problem: file.problem },
          ways: [],
          says: [],
          pages: [],
        },
      ]
    : []

/** A paper that somebody does not take: the same as a request of one item. @param page any of the paper's */
export function rejectedItem(
  documents: readonly Document[],
  page: number,
  reason: string,
): RequestItem | null {
  const paper = documents.find((d) => d.pages.includes(page))
  return paper
    ? {
        id: `paper:${paper.pages[0]}`,
        kind: 'again',
        title: paper.label,
        why: { kind: 'rejected', paper: paper.label, reason },
        ways: [],
        says: [],
        pages: paper.pages,
      }
    : null
}

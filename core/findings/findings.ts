import { isMoney, message, type Money, type Page, plain, sameCurrency } from '../model/index.ts'
import { holds, type RequirementResult, type Status } from '../check/index.ts'
import {
  accepted,
  type CheckResult,
  counts,
  type FactResult,
  type Paper,
  splitReference,
  valueIn,
} from '../dossier/index.ts'
import type { Condition, Program } from '../program/index.ts'
import type { Finding } from './finding.ts'

const BY_STATUS: Partial<Record<Status, Finding['kind']>> = {
  missing: 'missing_document',
  incomplete: 'incomplete_document',
  expired: 'expired_document',
  unsigned: 'unsigned_document',
  insufficient: 'insufficient_value',
}

/** A file of the package as it came in. */
export interface PackageFile {
  name: string
  sha256: string
  pages: number
  /** Why it could not be used; null where it could. */
  problem: string | null
  /** What is to be known of it besides ("carries a script"), to be read behind its name. */
  notices?: readonly string[]
}

/** What findings are gathered from. */
interface Judged {
  files: readonly PackageFile[]
  pages: readonly Page[]
  papers: readonly Paper[]
  facts: readonly FactResult[]
  checks: readonly CheckResult[]
  checklist: readonly RequirementResult[]
  program: Program
  /** The lender's, ISO 4217. */
  currency: string
}

/** Everything a person must see of a judged package, what blocks it first. */
export function gatherFindings(given: Judged): Finding[] {
  const labels: Labels = new Map(given.papers.map((p) => [p.id, p.label]))
  const requirements = given.checklist.flatMap(requirementFinding)
  const told = new Set(requirements.flatMap((f) => (f.kind === 'incomplete_document' ? f.documents : [])))
  return [
    ...requirements,
    ...given.facts.flatMap((f) => conflictFinding(f, labels)),
    ...given.checks.flatMap(checkFinding),
    ...limitFindings(given),
    ...given.papers.flatMap((p) => paperFindings(p, labels, told)),
    ...given.pages.flatMap((p) => pageFinding(p, given.papers)),
    ...given.files.flatMap(fileFinding),
    ...given.files.flatMap(noticeFindings),
  ].sort((a, b) => RANK[a.severity] - RANK[b.severity])
}

const RANK = { blocking: 0, warning: 1, info: 2 }
/** What people call the papers, by their ids. */
type Labels = ReadonlyMap<string, string>

function requirementFinding(item: RequirementResult): Finding[] {
  const kind = BY_STATUS[item.status]
  return kind
    ? [
        {
          id: `requirement:${item.requirement}`,
          kind,
          severity: 'blocking',
          requirement: item.requirement,
          documents: item.documents,
          message: message('finding.requirement', { title: item.title, reason: item.reason }),
        },
      ]
    : []
}

function conflictFinding(fact: FactResult, labels: Labels): Finding[] {
  if (fact.status !== 'conflict') return []
  const values = [...new Map(fact.evidence.map((e) => [plain(e.value), e])).values()]
  return [
    {
      id: `fact:${fact.fact}`,
      kind: 'conflict',
      severity: 'blocking',
      fact: fact.fact,
      documents: [...new Set(fact.evidence.map((e) => e.document))],
      message: message('finding.conflict', {
        title: fact.title,
        values: values.map((e) => ({ value: e.value, paper: labels.get(e.document)! })),
      }),
    },
  ]
}

const checkFinding = (check: CheckResult): Finding[] =>
  check.status === 'failed' && !accepted(check)
    ? [
        {
          id: `check:${check.check}`,
          kind: 'arithmetic',
          severity: 'blocking',
          check: check.check,
          documents: check.documents,
          message: message('finding.check', { title: check.title, detail: check.detail }),
        },
      ]
    : []

const limitFindings = (given: Judged): Finding[] =>
  given.program.limits
    .filter((limit) => holds(limit.when, given))
    .map((limit) => ({
      id: `limit:${limit.id}`,
      kind: 'notice',
      severity: 'warning',
      documents: given.papers
        .filter((p) => counts(p) && p.type === splitReference(limit.when.field)[0])
        .map((p) => p.id),
      message: message('finding.limit', {
        title: limit.title,
        tells: limit.tells,
        otherCurrency: otherCurrency(limit.when, given),
      }),
    }))

/** The amount that a limit is on, where it is in another currency than the limit. */
function otherCurrency({ field, over }: Condition, { papers, currency }: Judged): Money | null {
  const value = over === undefined ? null : (valueIn(papers, field)?.value ?? null)
  return isMoney(value) && !sameCurrency(value.currency, currency) ? value : null
}

/** @param told papers that a requirement already says pages are lacking of */
function paperFindings(paper: Paper, labels: Labels, told: ReadonlySet<string>): Finding[] {
  const [first, last] = [paper.pages[0], paper.pages.at(-1)!]
  const found: Finding[] = []
  if (paper.copyOf)
    found.push({
      id: `copy:${first}`,
      kind: 'duplicate_document',
      severity: 'info',
      documents: [paper.id, paper.copyOf],
      message: message('finding.copy', {
        paper: paper.label,
        page: first,
        of: labels.get(paper.copyOf)!,
      }),
    })
  if (paper.supersededBy)
    found.push({
      id: `superseded:${first}`,
      kind: 'superseded_document',
      severity: 'info',
      documents: [paper.id, paper.supersededBy],
      message: message('finding.superseded', {
        paper: paper.label,
        page: first,
        by: labels.get(paper.supersededBy)!,
      }),
    })
  if (paper.owner === 'stranger' && counts(paper))
    found.push({
      id: `stranger:${first}`,
      kind: 'notice',
      severity: 'warning',
      documents: [paper.id],
      message: message('finding.strangers_paper', { paper: paper.label, page: first }),
    })
  if (paper.type === 'unknown')
    found.push({
      id: `unknown:${first}`,
      kind: 'unknown_pages',
      severity: 'warning',
      documents: [paper.id],
      message: message('finding.unknown_pages', { first, last }),
    })
  else if (paper.lacking.length > 0 && !told.has(paper.id))
    found.push({
      id: `lacking:${first}`,
      kind: 'incomplete_document',
      severity: 'warning',
      documents: [paper.id],
      message: message('finding.lacks_pages', { paper: paper.label, pages: paper.lacking }),
    })
  return found
}

const pageFinding = (page: Page, papers: readonly Paper[]): Finding[] =>
  page.qualityProblem && !page.blank
    ? [
        {
          id: `poor:${page.number}`,
          kind: 'poor_quality',
          severity: 'warning',
          documents: papers.filter((p) => p.pages.includes(page.number)).map((p) => p.id),
          message: message('finding.hard_to_read', { page: page.number, problem: page.qualityProblem }),
        },
      ]
    : []

const fileFinding = (file: PackageFile): Finding[] =>
  file.problem
    ? [
        {
          id: `file:${file.name}`,
          kind: 'unusable_file',
          severity: 'blocking',
          documents: [],
          message: message('finding.unusable_file', { file: file.name, problem: file.problem }),
        },
      ]
    : []

const noticeFindings = (file: PackageFile): Finding[] =>
  (file.notices ?? []).map((notice) => ({
    id: `notice:${file.name}:${notice}`,
    kind: 'notice',
    severity: 'info',
    documents: [],
    message: message('finding.file_notice', { file: file.name, notice }),
  }))

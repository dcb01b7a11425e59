import { message } from '../model/messages/message.ts'
import { holds, type RequirementResult, type Status } from '../check/checklist.ts'
import type { FactResult } from '../dossier/facts.ts'
import { counts, splitReference, type Paper } from '../dossier/paper.ts'
import { accepted, type CheckResult } from '../dossier/checks.ts'
import type { Program } from '../program/schema.ts'
import type { Page } from '../model/page.ts'
import { plain } from '../model/value.ts'
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

/** Everything a person must see of a judged package, what blocks it first. */
export function gatherFindings(given: {
  files: readonly PackageFile[]
  pages: readonly Page[]
  papers: readonly Paper[]
  facts: readonly FactResult[]
  checks: readonly CheckResult[]
  checklist: readonly RequirementResult[]
  program: Program
}): Finding[] {
  const found: Finding[] = []
  const labels = new Map(given.papers.map((p) => [p.id, p.label]))
  for (const item of given.checklist) {
    const kind = BY_STATUS[item.status]
    if (kind)
      found.push({
        id: `requirement:${item.requirement}`,
        kind,
        severity: 'blocking',
        requirement: item.requirement,
        documents: item.documents,
        message: message('finding.requirement', { title: item.title, reason: item.reason }),
      })
  }
  for (const fact of given.facts) {
    if (fact.status !== 'conflict') continue
    const values = [...new Map(fact.evidence.map((e) => [plain(e.value), e])).values()]
    found.push({
      id: `fact:${fact.fact}`,
      kind: 'conflict',
      severity: 'blocking',
      fact: fact.fact,
      documents: [...new Set(fact.evidence.map((e) => e.document))],
      message: message('finding.conflict', {
        title: fact.title,
        values: values.map((e) => ({ value: e.value, paper: labels.get(e.document)! })),
      }),
    })
  }
  for (const check of given.checks)
    if (check.status === 'failed' && !accepted(check))
      found.push({
        id: `check:${check.check}`,
        kind: 'arithmetic',
        severity: 'blocking',
        check: check.check,
        documents: check.documents,
        message: message('finding.check', { title: check.title, detail: check.detail }),
      })
  for (const limit of given.program.limits)
    if (holds(limit.when, given))
      found.push({
        id: `limit:${limit.id}`,
        kind: 'notice',
        severity: 'warning',
        documents: given.papers
          .filter((p) => counts(p) && p.type === splitReference(limit.when.field)[0])
          .map((p) => p.id),
        message: message('finding.limit', { title: limit.title, tells: limit.tells }),
      })
  for (const paper of given.papers) {
    if (paper.copyOf)
      found.push({
        id: `copy:${paper.pages[0]}`,
        kind: 'duplicate_document',
        severity: 'info',
        documents: [paper.id, paper.copyOf],
        message: message('finding.copy', {
          paper: paper.label,
          page: paper.pages[0],
          of: labels.get(paper.copyOf)!,
        }),
      })
    if (paper.supersededBy)
      found.push({
        id: `superseded:${paper.pages[0]}`,
        kind: 'superseded_document',
        severity: 'info',
        documents: [paper.id, paper.supersededBy],
        message: message('finding.superseded', {
          paper: paper.label,
          page: paper.pages[0],
          by: labels.get(paper.supersededBy)!,
        }),
      })
    if (paper.type === 'unknown')
      found.push({
        id: `unknown:${paper.pages[0]}`,
        kind: 'unknown_pages',
        severity: 'warning',
        documents: [paper.id],
        message: message('finding.unknown_pages', { first: paper.pages[0], last: paper.pages.at(-1)! }),
      })
    else if (
      paper.lacking.length > 0 &&
      !found.some((f) => f.kind === 'incomplete_document' && f.documents.includes(paper.id))
    )
      found.push({
        id: `lacking:${paper.pages[0]}`,
        kind: 'incomplete_document',
        severity: 'warning',
        documents: [paper.id],
        message: message('finding.lacks_pages', { paper: paper.label, pages: paper.lacking }),
      })
  }
  for (const page of given.pages)
    if (page.qualityProblem && !page.blank)
      found.push({
        id: `poor:${page.number}`,
        kind: 'poor_quality',
        severity: 'warning',
        documents: given.papers.filter((p) => p.pages.includes(page.number)).map((p) => p.id),
        message: message('finding.hard_to_read', { page: page.number, problem: page.qualityProblem }),
      })
  for (const file of given.files)
    if (file.problem)
      found.push({
        id: `file:${file.name}`,
        kind: 'unusable_file',
        severity: 'blocking',
        documents: [],
        message: message('finding.unusable_file', { file: file.name, problem: file.problem }),
      })
  for (const file of given.files)
    for (const notice of file.notices ?? [])
      found.push({
        id: `notice:${file.name}:${notice}`,
        kind: 'notice',
        severity: 'info',
        documents: [],
        message: message('finding.file_notice', { file: file.name, notice }),
      })
  const rank = { blocking: 0, warning: 1, info: 2 }
  return found.sort((a, b) => rank[a.severity] - rank[b.severity])
}

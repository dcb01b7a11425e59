import type { Message } from '../model/index.ts'
import type { Assessment, Situation } from '../pipeline/index.ts'

/**
 * The report of a judged package in the open form that receivers validate; see the JSON Schema of the
 * headless run. `say` makes the sentences of it.
 */
export function reportOf(
  situation: Situation,
  assessment: Assessment,
  say: (message: Message) => string,
  timing: Record<string, number> = {},
) {
  const documentOf = new Map(assessment.documents.flatMap((d) => d.pages.map((p) => [p, d.id] as const)))
  return {
    schemaVersion: 1 as const,
    program: situation.program.id,
    asOf: situation.asOf,
    files: situation.files,
    pages: situation.pages.map((p) => ({
      number: p.number,
      file: p.file,
      filePage: p.filePage,
      rotation: p.rotation,
      blank: p.blank,
      separator: p.separator,
      source: p.source,
      document: documentOf.get(p.number) ?? null,
    })),
    documents: assessment.documents.map((d) => ({
      id: d.id,
      type: d.type,
      label: d.label,
      confidence: d.confidence,
      needsReview: d.needsReview,
      alternatives: d.types.filter((t) => t.type !== d.type),
      pages: d.pages,
      copyOf: d.copyOf,
      supersededBy: d.supersededBy,
      signed: d.signed,
      signedNeedsReview: d.signedAsked,
      fields: d.fields.map((f) => ({
        name: f.name,
        value: f.value,
        raw: f.raw,
        confidence: f.confidence,
        needsReview: f.needsReview,
        page: f.page,
        box: f.box,
        state: f.state,
      })),
    })),
    checklist: assessment.checklist.map((c) => ({ ...c, reason: say(c.reason) })),
    facts: assessment.facts.map((f) => ({
      fact: f.fact,
      status: f.status,
      value: f.value,
      settled: f.settled,
      evidence: f.evidence.map((e) => ({
        document: e.document,
        field: e.field,
        relation: e.relation,
        why: say(e.why),
      })),
    })),
    checks: assessment.checks.map((c) => ({
      check: c.check,
      status: c.status,
      detail: say(c.detail),
      settled: c.settled,
    })),
    findings: assessment.findings.map((f) => ({ ...f, message: say(f.message) })),
    timing,
  }
}
export type Report = ReturnType<typeof reportOf>

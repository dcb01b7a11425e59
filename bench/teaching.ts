import { starterTypes } from '../demo/lenders/merrow-sound/index.ts'
import { euroLender } from '../core/testing/lender.ts'
import { type DocumentType, typeById } from '../core/program/index.ts'
import type { Page } from '../core/model/index.ts'
import { extractDocument, labelBeside, withLearntLabels } from '../core/extraction/index.ts'
import type { BenchCase } from './run.ts'
import { equalValues } from './score.ts'
import type { Truth } from './truth.ts'

/** Papers of three types, each with its own kinds of values, whose labels are taken out of the definitions. */
const TAUGHT = ['insurance_cover', 'vessel_registration', 'fishing_licence']
/** So many papers of each type are the example where harm is looked for. */
const EXAMPLES = 6
/** Papers that a correction may wait for. */
const WAITING = 200

export interface TeachingRun {
  papers: number
  /** Share of values right on papers of other layouts, their labels unknown. */
  before: number
  /** The same after one paper was marked, over all papers that were taken as the example. */
  after: number
  /** The same where a paper calls the value by words that the example has too. */
  comparable: number
  /** Share of right values of papers read by the whole definitions that one example spoilt. */
  harmed: number
  /** Milliseconds for reading 200 papers again. */
  rereadingMs: number
}

interface Paper {
  pages: Page[]
  truth: Truth['documents'][number]
}

/**
 * Takes the labels out of the definitions of a type, marks one paper as a person would, and reads all others
 * by what that taught. Every paper is the example once.
 */
export function measureTeaching(cases: readonly BenchCase[]): TeachingRun {
  let [values, before, after, marked, comparable, papers] = [0, 0, 0, 0, 0, 0]
  for (const id of TAUGHT) {
    const full = typeById(starterTypes, id)
    const bare: DocumentType = { ...full, fields: full.fields.map((f) => ({ ...f, labels: [] })) }
    const all = papersOf(cases, id)
    papers += all.length
    const untaught = all.map((paper) => rightOf(paper, bare))
    const wordings = all.map((paper) => wordingsOf(paper, full, bare))
    all.forEach((_, e) => {
      const taught = withLearntLabels(
        bare,
        [...wordings[e]].map(([field, wording]) => ({ field, wording })),
      )
      all.forEach((paper, i) => {
        if (i === e) return
        const right = rightOf(paper, taught)
        for (const [field, ok] of right) {
          values++
          before += Number(untaught[i].get(field))
          after += Number(ok)
          const [shown, own] = [wordings[e].get(field), wordings[i].get(field)]
          if (!shown || !own || !alike(shown, own)) continue
          marked++
          comparable += Number(ok)
        }
      })
    })
  }
  return {
    papers,
    before: before / values,
    after: after / values,
    comparable: comparable / marked,
    harmed: harmedBy(cases),
    rereadingMs: reread(cases),
  }
}

function papersOf(cases: readonly BenchCase[], type: string): Paper[] {
  return cases.flatMap(({ pages, truth }) =>
    truth.documents
      .filter((d) => d.type === type)
      .map((d) => ({ truth: d, pages: d.pages.map((n) => pages[n - 1]) })),
  )
}

/** Which fields of a paper are read right. */
function rightOf({ pages, truth }: Paper, type: DocumentType): Map<string, boolean> {
  const read = new Map(extractDocument(pages, type, euroLender).fields.map((f) => [f.name, f.value]))
  return new Map(
    Object.entries(truth.fields).map(([name, field]) => [
      name,
      equalValues(read.get(name) ?? null, field.value),
    ]),
  )
}

/**
 * The wordings that a person teaches by marking each value of a paper where it stands.
 * @param full finds where the values stand
 * @param type is taught
 */
function wordingsOf({ pages, truth }: Paper, full: DocumentType, type: DocumentType): Map<string, string> {
  const found = new Map<string, string>()
  const { fields } = extractDocument(pages, full, euroLender)
  for (const field of fields) {
    const truly = truth.fields[field.name]
    const page = pages.find((p) => p.number === field.page)
    if (!truly || !page || !field.box || !equalValues(field.value, truly.value)) continue
    const others = fields.flatMap((f) => (f.name !== field.name && f.raw ? [f.raw] : []))
    const wording = labelBeside(page, field.box, { type, field: field.name, others })
    if (wording) found.set(field.name, wording)
  }
  return found
}

const wordsOf = (text: string): string[] =>
  text
    .toLowerCase()
    .split(/\P{L}+/u)
    .filter((w) => w.length > 3)
/** Whether two wordings have a word in common that says something. */
const alike = (a: string, b: string): boolean => wordsOf(a).some((w) => wordsOf(b).includes(w))

/**
 * What one example adds to definitions that are whole must not spoil what they read before. Other types are
 * read by their own.
 */
function harmedBy(cases: readonly BenchCase[]): number {
  let [spoilt, right] = [0, 0]
  for (const id of TAUGHT) {
    const full = typeById(starterTypes, id)
    const papers = papersOf(cases, id)
    const was = papers.map((paper) => rightOf(paper, full))
    for (const example of papers.slice(0, EXAMPLES)) {
      const learnt = [...wordingsOf(example, full, full)].map(([field, wording]) => ({ field, wording }))
      const taught = withLearntLabels(full, learnt)
      papers.forEach((paper, i) => {
        const is = rightOf(paper, taught)
        for (const [field, ok] of was[i])
          if (ok) {
            right++
            spoilt += Number(!is.get(field))
          }
      })
    }
  }
  return spoilt / right
}

function reread(cases: readonly BenchCase[]): number {
  const [id] = TAUGHT
  const type = { ...typeById(starterTypes, id) }
  const papers = papersOf(cases, id)
  const started = performance.now()
  for (let i = 0; i < WAITING; i++)
    extractDocument(
      papers[i % papers.length].pages.map((p) => ({ ...p })),
      type,
      euroLender,
    )
  return performance.now() - started
}

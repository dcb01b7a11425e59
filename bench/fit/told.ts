import { writeFile } from 'node:fs/promises'
import { segmentPages } from '../../core/classification/index.ts'
import type { Lender } from '../../core/locale/index.ts'
import { packageSteps, type Step } from '../../core/pipeline/index.ts'
import type { DocumentType, Program } from '../../core/program/index.ts'
import { isTold, TOLD, type Told } from '../../core/reconciliation/index.ts'
import { casesIn } from '../run.ts'
import { equalValues } from '../score.ts'
import type { Truth } from '../truth.ts'
import type { DesignersPapers } from './corpora.ts'
import { keptCases } from './kept-pages.ts'

/** Values that every kind is given beforehand, right and wrong alike: a few papers prove no certainty. */
const BEFOREHAND = 1

export type Counts = Record<Told, { right: number; wrong: number }>

export const noCounts = (): Counts =>
  Object.fromEntries(TOLD.map((told) => [told, { right: 0, wrong: 0 }])) as Counts

/** Counts the values of which one pass over a package told something, by whether they are right after it. */
export function countTold({ before, after }: Step, truth: Truth, counts: Counts): void {
  for (const paper of after.papers) {
    const truly = truth.documents.find((d) => d.type === paper.type && d.pages.includes(paper.pages[0]))
    const was = before.papers.find((p) => p.id === paper.id)
    if (!truly || !was) continue
    for (const field of paper.fields) {
      const old = was.fields.find((f) => f.name === field.name)
      if (!old || old === field || field.value === null || Array.isArray(field.value)) continue
      const told = field.reason?.code ?? (old.needsReview && !field.needsReview ? 'confirmed' : '')
      if (!isTold(told)) continue
      const right = truly.fields[field.name]
      counts[told][right && equalValues(field.value, right.value) ? 'right' : 'wrong']++
    }
  }
}

/** The share that is right of each kind. */
export const sharesOf = (counts: Counts): Record<Told, number> =>
  Object.fromEntries(
    TOLD.map((told) => {
      const { right, wrong } = counts[told]
      return [told, Math.round(((right + BEFOREHAND) / (right + wrong + 2 * BEFOREHAND)) * 1e3) / 1e3]
    }),
  ) as Record<Told, number>

/** Counts what the papers of a package tell of one another's values on kept pages, and stores the shares. */
export async function fitTold(
  file: string,
  cache: string,
  papers: readonly DesignersPapers[],
  {
    types,
    lender,
    programs,
  }: { types: readonly DocumentType[]; lender: Lender; programs: readonly Program[] },
): Promise<void> {
  const counts = noCounts()
  for (const { name, folder } of papers) {
    const cases = await casesIn(folder)
    let at = 0
    for await (const { pages, truth } of keptCases(cache, name)) {
      const { given } = cases[at++]
      const program = programs.find((p) => p.id === given.program)
      if (!program) continue
      const pieces = segmentPages(pages, types)
      const situation = { files: [], pages, pieces, program, types, lender, answers: [], asOf: given.asOf }
      for (const step of packageSteps(situation)) countTold(step, truth, counts)
    }
  }
  console.log('told by other papers:', JSON.stringify(counts))
  const about =
    'The share of values that are right of which other papers tell so; counted by bench/fit/told.ts on papers of all designers.'
  await writeFile(file, JSON.stringify({ about, right: sharesOf(counts) }))
}

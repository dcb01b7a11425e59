import { starterLender, starterTypes, workingBoatLoan } from '../demo/lenders/merrow-sound/index.ts'
import { readFile } from 'node:fs/promises'
import type { Answer } from '../core/answers/index.ts'
import { assess, keepingReader, pageReader } from '../core/pipeline/index.ts'
import type { Question } from '../core/findings/index.ts'
import type { DocumentReading } from '../core/extraction/index.ts'
import { segmentPages } from '../core/classification/index.ts'
import { readPackage } from '../engine/pipeline/read-package.ts'

/**
 * What judging a large package again takes after each of some answers, with its readings kept as the
 * application keeps them.
 */
export interface Rejudging {
  pages: number
  documents: number
  /** The middle one of the answers, and the slowest behind the first, in milliseconds. */
  middleMs: number
  slowestMs: number
}

const ANSWERS = 15

/** The first answers of the questions about values, as a person would give them one by one. */
export const answersTo = (deck: readonly Question[]): Answer[] =>
  deck
    .filter((q) => q.about === 'value')
    .slice(0, ANSWERS)
    .map((q) => q.choices.find((c) => c.needs === 'nothing')!.answer)

/** Reads a package once and answers its loose pieces one by one. @param path a PDF of several hundred pages */
export async function measureRejudging(path: string): Promise<Rejudging> {
  const read = await readPackage(
    [{ name: 'large.pdf', bytes: new Uint8Array(await readFile(path)) }],
    starterTypes,
  )
  const kept = new Map<string, DocumentReading>()
  const answers: Answer[] = []
  const situation = {
    files: read.files,
    pages: read.pages,
    pieces: segmentPages(read.pages, starterTypes),
    program: workingBoatLoan,
    types: starterTypes,
    lender: starterLender,
    asOf: '2026-04-10',
  }
  const judge = () =>
    assess({ ...situation, answers }, keepingReader(pageReader(read.pages, starterLender), kept))
  let assessment = judge()
  const took: number[] = []
  for (const answer of answersTo(assessment.deck)) {
    answers.push(answer)
    const started = performance.now()
    assessment = judge()
    took.push(performance.now() - started)
  }
  return {
    pages: read.pages.length,
    documents: assessment.documents.length,
    ...middleAndSlowest(took.slice(1)),
  }
}

export function middleAndSlowest(took: readonly number[]): { middleMs: number; slowestMs: number } {
  const sorted = took.toSorted((a, b) => a - b)
  return { middleMs: sorted[Math.floor(sorted.length / 2)] ?? 0, slowestMs: sorted.at(-1) ?? 0 }
}

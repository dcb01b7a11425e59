import { assess, keepingReader, pageReader, type Assessment, type Situation } from '../core/assess.ts'
import { doubtsOf } from '../core/findings/doubts.ts'
import type { DocumentType, Program } from '../core/program/schema.ts'
import { splitPages } from '../core/split/split.ts'
import { lookCloserAt, type ReadPackage } from './package.ts'
import type { Threads } from './parallel/pool.ts'

/**
 * Judges a read package without a server: cut, read, looked at closer where it is in doubt, and judged once more.
 * @param asOf the day it is judged on, ISO
 * @param threads the very ones that read the package, where any did
 */
export async function judgeRead(read: ReadPackage, { program, types, asOf }: { program: Program; types: readonly DocumentType[]; asOf: string }, threads?: Threads): Promise<{ situation: Situation; assessment: Assessment }> {
  const pieces = splitPages(read.pages, types, {}, threads?.started?.evidenceOf)
  const reader = keepingReader((await threads?.started?.readerOf(read.pages, pieces)) ?? pageReader(read.pages))
  const asRead: Situation = { files: read.files, pages: read.pages, pieces, program, types, answers: [], asOf }
  const assessment = assess(asRead, reader)
  const pages = await lookCloserAt(read, doubtsOf(assessment.documents, read.pages), threads)
  if (pages === read.pages) return { situation: asRead, assessment }
  const situation = { ...asRead, pages }
  const again = pageReader(pages)
  const changed = (numbers: readonly number[]): boolean => numbers.some((n) => pages[n - 1] !== read.pages[n - 1])
  return { situation, assessment: assess(situation, (numbers, type) => (changed(numbers) ? again : reader)(numbers, type)) }
}

import { assess, keepingReader, pageReader, type Assessment, type Situation } from '../core/assess.ts'
import { doubtsOf } from '../core/findings/doubts.ts'
import type { Page } from '../core/model/page.ts'
import type { DocumentType, Program } from '../core/program/schema.ts'
import { readerFor, splitPages } from '../core/classification/segment.ts'
import { lookCloserAt, type ReadPackage } from './package.ts'
import type { Threads } from './parallel/pool.ts'
import { englishWords } from './words.ts'

/**
 * Judges a read package without a server: cut, read, looked at closer where it is in doubt, and judged once more.
 * @param asOf the day it is judged on, ISO
 * @param threads the very ones that read the package, where any did
 */
export async function judgeRead(
  read: ReadPackage,
  { program, types, asOf }: { program: Program; types: readonly DocumentType[]; asOf: string },
  threads?: Threads,
): Promise<{ situation: Situation; assessment: Assessment }> {
  const evidenceOf = threads?.started?.evidenceOf ?? readerFor(types)
  const pieces = splitPages(read.pages, types, {}, evidenceOf)
  const reader = keepingReader(
    (await threads?.started?.readerOf(read.pages, pieces)) ?? pageReader(read.pages),
  )
  const asRead: Situation = {
    files: read.files,
    pages: read.pages,
    pieces,
    program,
    types,
    answers: [],
    asOf,
    english: englishWords,
  }
  const assessment = assess(asRead, reader)
  const pages = await lookCloserAt(read, doubtsOf(assessment.documents, read.pages), threads)
  if (pages === read.pages) return { situation: asRead, assessment }
  const changed = (page: Page): boolean => page !== read.pages[page.number - 1]
  // Words that the second reader made out may say where a document begins, as its page numbers do.
  const again = readerFor(types)
  const situation = {
    ...asRead,
    pages,
    pieces: splitPages(pages, types, {}, (page) => (changed(page) ? again : evidenceOf)(page)),
  }
  const anew = pageReader(pages)
  return {
    situation,
    assessment: assess(situation, (numbers, type) =>
      (numbers.some((n) => changed(pages[n - 1])) ? anew : reader)(numbers, type),
    ),
  }
}

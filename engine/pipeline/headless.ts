import type { Assessment, Situation } from '../../core/pipeline/index.ts'
import type { Box, Page, Word } from '../../core/model/index.ts'
import type { Knowledge } from '../../core/classification/index.ts'
import type { Lender } from '../../core/locale/index.ts'
import type { DocumentType, Program } from '../../core/program/index.ts'
import { openSource } from '../input/source.ts'
import { shared, type Threads } from '../parallel/pool.ts'
import type { ReadPackage } from './read-package.ts'
import { runPackage, type RecognisedPages } from './run.ts'

/** So many places are worth starting threads for. */
const WORTH_THREADS_AGAIN = 40

/** What a package is judged by. */
export interface JudgedBy {
  program: Program
  types: readonly DocumentType[]
  /** Whose papers they are. */
  lender: Lender
  /** The day it is judged on, ISO. */
  asOf: string
  /** Rules and samples that are switched on, besides the types. */
  knowledge?: Knowledge
}

/**
 * Judges a read package without a server: its files are in memory, and nothing is kept.
 * @param threads the very ones that read the package, where any did
 */
export const judgeRead = (
  read: ReadPackage,
  by: JudgedBy,
  threads?: Threads,
): Promise<{ situation: Situation; assessment: Assessment }> =>
  runPackage(
    { files: read.files, pages: read.pages, answers: [], ...by },
    {
      evidenceOf: threads?.started?.evidenceOf,
      readAhead: threads?.started?.readAhead,
      recogniseAgain: (doubts) => recogniseAgain(read, doubts, threads),
    },
  )

async function recogniseAgain(
  read: ReadPackage,
  doubts: ReadonlyMap<number, Box[]>,
  threads?: Threads,
): Promise<RecognisedPages> {
  const places = [...doubts.values()].reduce((sum, boxes) => sum + boxes.length, 0)
  const pool = places >= WORTH_THREADS_AGAIN ? threads?.start() : undefined
  const words = new Map<number, Word[]>()
  for (const file of read.originals) {
    const doubted = read.pages.filter((p) => p.file === file.name && doubts.has(p.number))
    if (doubted.length === 0) continue
    const bytes = pool && shared(file.bytes)
    const source = pool ? null : await openSource(file.bytes)
    const again = (page: Page): Promise<Word[]> => {
      const [index, boxes] = [page.filePage - 1, doubts.get(page.number)!]
      return pool && bytes
        ? pool.recogniseRegions({ file: file.name, bytes, index, page, places: boxes })
        : source!.recogniseRegions(index, page, boxes)
    }
    await Promise.all(
      doubted.map(async (page) => {
        const found = await again(page).catch((error: unknown) => {
          // It stays as it was read, and is asked about; that the second reader fails must not go unnoticed.
          process.emitWarning(`page ${page.number} could not be looked at again: ${String(error)}`)
          return page.words
        })
        words.set(page.number, found)
      }),
    )
    source?.close()
  }
  return words
}

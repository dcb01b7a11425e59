import {
  assess,
  type Assessment,
  forgetPages,
  keepingReader,
  pageReader,
  type Readings,
  type Situation,
} from '../../core/pipeline/index.ts'
import { doubtsOf } from '../../core/findings/index.ts'
import type { Box, Page, Word } from '../../core/model/index.ts'
import {
  type Evidence,
  evidenceReaderFor,
  type Knowledge,
  type Piece,
  segmentPages,
} from '../../core/classification/index.ts'
import { englishWords } from './english-words.ts'

/** All that a package is judged on, before it is cut. */
export interface PackageRun extends Omit<Situation, 'pieces' | 'english'> {
  knowledge?: Knowledge
}

/** Words of pages that were recognised again, by page number. */
export type RecognisedPages = ReadonlyMap<number, Word[]>

/** What a run leaves to its surroundings: storage, threads, and where what it found is kept. */
export interface Ports {
  /** What speaks for the type of a page; where threads read the pages, they found it with them. */
  evidenceOf?: (page: Page) => Evidence
  /** What was read of documents before; what is read now is added. */
  readings?: Readings
  /** Reads documents ahead, on threads that have their pages, into `readings`. */
  readAhead?: (pages: readonly Page[], pieces: readonly Piece[], readings: Readings) => Promise<void>
  /** Recognises doubtful regions of pages once more; a page whose retry failed keeps its words. */
  recogniseAgain: (doubts: ReadonlyMap<number, Box[]>) => Promise<RecognisedPages>
}

/**
 * From pages to verdict: cut, read, recognised again where it is in doubt, and then judged once more. Both
 * passes share what was found of pages and documents that the second leaves as they are. The headless run,
 * the server and the bench all judge by this.
 */
export async function runPackage(
  { knowledge = {}, ...given }: PackageRun,
  { evidenceOf = evidenceReaderFor(given.types), readings = new Map(), readAhead, recogniseAgain }: Ports,
): Promise<{ situation: Situation; assessment: Assessment }> {
  const judge = async (pages: readonly Page[], evidence: (page: Page) => Evidence) => {
    const pieces = segmentPages(pages, given.types, knowledge, evidence)
    const situation: Situation = { ...given, pages, pieces, english: englishWords }
    await readAhead?.(pages, pieces, readings)
    return {
      situation,
      assessment: assess(situation, keepingReader(pageReader(pages, given.lender), readings)),
    }
  }
  const first = await judge(given.pages, evidenceOf)
  const doubts = doubtsOf(first.assessment.documents, given.pages)
  if (doubts.size === 0) return first
  const words = await recogniseAgain(doubts)
  const pages = given.pages.map((page): Page => withWords(page, words.get(page.number)))
  forgetPages(readings, new Set(words.keys()))
  // Words that the second reader made out may say where a document begins, as its page numbers do.
  const anew = evidenceReaderFor(given.types)
  return judge(pages, (page) => (words.has(page.number) ? anew : evidenceOf)(page))
}

/** A page with what the second reader made of its words; it is not looked at a third time. */
export const withWords = (page: Page, words: Word[] | undefined): Page =>
  words ? { ...page, words, regionsRetried: true } : page

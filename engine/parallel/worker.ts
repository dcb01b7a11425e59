import { workerData } from 'piscina'
import type { DocumentType } from '../../core/program/index.ts'
import { type DocumentReading, inkNeeded } from '../../core/extraction/index.ts'
import type { Box, Page, Word } from '../../core/model/index.ts'
import { type Evidence, evidenceReaderFor } from '../../core/classification/index.ts'
import { openSource, type ReadPage, type Source } from '../input/source.ts'
import type { Lender } from '../../core/locale/index.ts'
import { pageReader } from '../../core/pipeline/index.ts'

/** One page of a file; the bytes are shared between threads, not copied. */
export interface PageTask {
  file: string
  bytes: SharedArrayBuffer
  index: number
}

/** A page that this thread has read, and its number in the package. */
export interface KeptPage {
  file: string
  index: number
  number: number
}

/** Places of a page that the second reader is to look at. */
export interface RegionsTask extends PageTask {
  page: Page
  places: Box[]
}

/** One document to be read. Pages that another thread read come whole. */
export interface DocumentTask {
  pages: (KeptPage | Page)[]
  type: string
}

export { endReaders } from '../ocr/tesseract.ts'

/** The document types and the lender of the package, given when the thread is started. */
const { types, lender } = workerData as { types: readonly DocumentType[]; lender: Lender }
const wantsInk = inkNeeded(types)
const opened = new Map<string, Promise<Source>>()

const evidenceOf = evidenceReaderFor(types)

/**
 * Pages read here, with all that is remembered of them: their lines and labels need not be found again for
 * their documents.
 */
const kept = new Map<string, Page>()
const keyOf = (file: string, index: number): string => `${file} ${index}`

/** A file is opened once in each thread and stays open as long as the thread. */
function sourceOf({ file, bytes }: PageTask): Promise<Source> {
  let source = opened.get(file)
  if (!source) opened.set(file, (source = openSource(new Uint8Array(bytes))))
  return source
}

/** The words of a page after the second reader looked at some places of it. */
export async function recogniseRegions(task: RegionsTask): Promise<Word[]> {
  return (await sourceOf(task)).recogniseRegions(task.index, task.page, task.places)
}

/** Reads a page and what speaks for its type. */
export async function readPage(task: PageTask): Promise<{ page: ReadPage; evidence: Evidence }> {
  const { file, index } = task
  const read = await (await sourceOf(task)).read(index, { wantsInk })
  const page: Page = { ...read, number: 0, file, filePage: index + 1, separator: false }
  kept.set(keyOf(file, index), page)
  return { page: read, evidence: evidenceOf(page) }
}

/** Reads the values of documents; null for one whose reading fails, so that it costs the others nothing. */
export function readDocuments(tasks: DocumentTask[]): (DocumentReading | null)[] {
  return tasks.map(({ pages, type }) => {
    const whole = pages.map((page) =>
      'words' in page
        ? page
        : Object.assign(kept.get(keyOf(page.file, page.index))!, { number: page.number }),
    )
    try {
      return pageReader(whole, lender)(
        whole.map((p) => p.number),
        types.find((t) => t.id === type)!,
      )
    } catch {
      // It is read once more where it is judged, and said there.
      return null
    }
  })
}

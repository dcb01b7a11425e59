import { builtInTypes } from '../../core/program/types/index.ts'
import { inkWanted } from '../../core/read/marks.ts'
import { pageReader } from '../../core/assess.ts'
import type { Page } from '../../core/page/page.ts'
import type { DocumentReading } from '../../core/read/document.ts'
import type { Evidence } from '../../core/split/evidence.ts'
import { readerFor } from '../../core/split/split.ts'
import { openSource, type ReadPage, type Source } from '../input/source.ts'

/** One page of a file; the bytes are shared between threads, not copied. */
export interface PageTask {
  file: string
  bytes: SharedArrayBuffer
  index: number
}

/** One document to be read, with its pages. */
export interface DocumentTask {
  pages: Page[]
  type: string
}

const wantsInk = inkWanted(builtInTypes)
const opened = new Map<string, Promise<Source>>()

const evidenceOf = readerFor(builtInTypes)

/** Reads a page and what speaks for its type. A file is opened once in each thread and stays open as long as the thread. */
export async function readPage({ file, bytes, index }: PageTask): Promise<{ page: ReadPage; evidence: Evidence }> {
  let source = opened.get(file)
  if (!source) opened.set(file, (source = openSource(new Uint8Array(bytes), wantsInk)))
  const page = await (await source).read(index)
  return { page, evidence: evidenceOf({ ...page, number: 0, file: '', filePage: 0, separator: false }) }
}

/** Reads the values of documents of built-in types. */
export function readDocuments(tasks: DocumentTask[]): DocumentReading[] {
  return tasks.map(({ pages, type }) => pageReader(pages)(pages.map((p) => p.number), builtInTypes.find((t) => t.id === type)!))
}

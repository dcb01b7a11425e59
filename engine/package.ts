import { availableParallelism } from 'node:os'
import pLimit from 'p-limit'
import type { PackageFile } from '../core/findings/findings.ts'
import type { Box } from '../core/model/geometry.ts'
import type { Page } from '../core/model/page.ts'
import type { DocumentType } from '../core/program/schema.ts'
import { separatorOn } from '../core/classification/separator-sheets.ts'
import { inkWanted } from '../core/extraction/marks/ink-needed.ts'
import { shared, WORTH_THREADS, type Threads } from './parallel/pool.ts'
import { activeContent } from './screening/active.ts'
import { builtInScanner } from './screening/scanner.ts'
import { refuseMalware } from './screening/screen.ts'
import { expand, sha256, type IncomingFile } from './input/expand.ts'
import { freeName } from './input/free-name.ts'
import { openSource, UnusableFile, type Source } from './input/source.ts'
import { endReaders } from './ocr/tesseract.ts'

/** A package read from its files, before it is cut. */
export interface ReadPackage {
  files: PackageFile[]
  pages: Page[]
  /** Bytes of the usable files by name, for cutting the documents out. */
  originals: IncomingFile[]
}

export interface Progress {
  (done: number, all: number): void
}

/**
 * Reads all pages of all files, as many at once as there are cores. A file that cannot be used is named with its
 * reason and costs the others nothing.
 * @param threads asked for only where the package is large enough to be worth their start
 */
export async function readPackage(
  incoming: readonly IncomingFile[],
  types: readonly DocumentType[],
  progress: Progress = () => undefined,
  threads?: Threads,
): Promise<ReadPackage> {
  const wantsInk = inkWanted(types)
  const files: PackageFile[] = []
  const originals: IncomingFile[] = []
  const opened: { file: IncomingFile; source: Source }[] = []
  for (const outer of incoming) {
    let inner: IncomingFile[]
    try {
      await refuseMalware(outer.bytes, builtInScanner)
      inner = await expand(outer)
    } catch (error) {
      files.push(unusable(outer, error))
      continue
    }
    for (const given of inner) {
      const file = {
        ...given,
        name: freeName(
          given.name,
          files.map((f) => f.name),
        ),
      }
      try {
        if (file.bytes !== outer.bytes) await refuseMalware(file.bytes, builtInScanner)
        const source = await openSource(file.bytes, wantsInk)
        const notices = await activeContent(file.bytes)
        files.push({
          name: file.name,
          sha256: sha256(file.bytes),
          pages: source.pages,
          problem: null,
          ...(notices.length > 0 ? { notices } : {}),
        })
        opened.push({ file, source })
        originals.push(file)
      } catch (error) {
        files.push(unusable(file, error))
      }
    }
  }
  const all = opened.reduce((sum, o) => sum + o.source.pages, 0)
  const pool = all >= WORTH_THREADS ? threads?.start() : undefined
  // Threads have queues of their own, each for the pages that fall to it.
  const limit = pLimit(pool ? Infinity : availableParallelism() + 1)
  let done = 0
  const work = opened.flatMap(({ file, source }) => {
    const bytes = pool && shared(file.bytes)
    const read = (index: number) =>
      pool && bytes ? pool.readPage({ file: file.name, bytes, index }) : source.read(index)
    return Array.from({ length: source.pages }, (_, index) =>
      limit(async (): Promise<Omit<Page, 'number'>> => {
        const page = await read(index).catch((error: unknown) => unreadable(error))
        progress(++done, all)
        return { ...page, file: file.name, filePage: index + 1, separator: separatorOn(page) !== null }
      }),
    )
  })
  const pages = (await Promise.all(work)).map((page, i) => ({ ...page, number: i + 1 }))
  for (const { source } of opened) source.close()
  await endReaders()
  return { files, pages, originals }
}

/** So many places are worth starting threads for. */
const WORTH_LOOKING_IN_THREADS = 40

/**
 * Lets the second reader look at doubtful places, before anybody is asked about them.
 * @param doubts places by page
 * @returns all pages, those looked at marked so; the very list that was given where there was nothing to look at
 */
export async function lookCloserAt(
  read: ReadPackage,
  doubts: ReadonlyMap<number, Box[]>,
  threads?: Threads,
): Promise<Page[]> {
  if (doubts.size === 0) return read.pages
  const places = [...doubts.values()].reduce((sum, boxes) => sum + boxes.length, 0)
  const pool = places >= WORTH_LOOKING_IN_THREADS ? threads?.start() : undefined
  const pages = [...read.pages]
  for (const file of read.originals) {
    const doubted = read.pages.filter((p) => p.file === file.name && doubts.has(p.number))
    if (doubted.length === 0) continue
    const bytes = pool && shared(file.bytes)
    const source = pool ? null : await openSource(file.bytes, () => false)
    await Promise.all(
      doubted.map(async (page) => {
        const [index, boxes] = [page.filePage - 1, doubts.get(page.number)!]
        const words = await (
          pool && bytes
            ? pool.lookCloser({ file: file.name, bytes, index, page, places: boxes })
            : source!.closer(index, page, boxes)
        ).catch((error: unknown) => {
          // It stays as it was read, and is asked about; that the second reader fails must not go unnoticed.
          process.emitWarning(`page ${page.number} could not be looked at again: ${String(error)}`)
          return page.words
        })
        pages[page.number - 1] = { ...page, words, closer: true }
      }),
    )
    source?.close()
  }
  return pages
}

function unusable(file: IncomingFile, error: unknown): PackageFile {
  if (!(error instanceof UnusableFile)) throw error
  return { name: file.name, sha256: sha256(file.bytes), pages: 0, problem: error.message }
}

/** A page that no reader could open stays in its place, empty, and is said to be poor. */
export function unreadable(error: unknown): Omit<Page, 'number' | 'file' | 'filePage' | 'separator'> {
  return {
    width: 595,
    height: 842,
    rotation: 0,
    source: 'none',
    blank: false,
    words: [],
    lean: 0,
    ink: null,
    poor: `it cannot be read (${error instanceof Error ? error.message : 'unknown fault'})`,
  }
}

import { availableParallelism } from 'node:os'
import { Readable } from 'node:stream'
import pLimit from 'p-limit'
import type { PackageFile } from '../../core/findings/index.ts'
import { inkNeeded } from '../../core/extraction/index.ts'
import type { Page } from '../../core/model/index.ts'
import type { DocumentType } from '../../core/program/index.ts'
import { shared, WORTH_THREADS, type Threads } from '../parallel/pool.ts'
import { builtInScanner } from '../screening/scanner.ts'
import { sha256 } from '../input/expand.ts'
import type { IncomingFile } from '../input/incoming-file.ts'
import { freeName } from '../input/free-name.ts'
import type { Source } from '../input/source.ts'
import { UnusableFile } from '../input/unusable-file.ts'
import { endReaders } from '../ocr/tesseract.ts'
import { openFile } from './open-file.ts'
import { placePage, unreadable } from './place-page.ts'

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
 * Reads all pages of all files, as many at once as there are cores. A file that cannot be used is named with
 * its reason and costs the others nothing.
 * @param threads asked for only where the package is large enough to be worth their start
 */
export async function readPackage(
  incoming: readonly IncomingFile[],
  types: readonly DocumentType[],
  progress: Progress = () => undefined,
  threads?: Threads,
): Promise<ReadPackage> {
  const { files, opened } = await openAll(incoming)
  const all = opened.reduce((sum, o) => sum + o.source.pages, 0)
  const pool = all >= WORTH_THREADS ? threads?.start() : undefined
  // Threads have queues of their own, each for the pages that fall to it.
  const limit = pLimit(pool ? Infinity : availableParallelism() + 1)
  const wantsInk = inkNeeded(types)
  let done = 0
  const places = opened.flatMap(({ file, source }) => {
    const bytes = pool && shared(file.bytes)
    const read = (index: number) =>
      pool && bytes ? pool.readPage({ file: file.name, bytes, index }) : source.read(index, { wantsInk })
    return Array.from({ length: source.pages }, (_, index) => ({ file: file.name, index, read }))
  })
  const pages = await Promise.all(
    places.map(({ file, index, read }, i) =>
      limit(async () => {
        const page = await read(index).catch(unreadable)
        progress(++done, all)
        return placePage(page, { number: i + 1, file, filePage: index + 1 })
      }),
    ),
  )
  for (const { source } of opened) source.close()
  await endReaders()
  return { files, pages, originals: opened.map((o) => o.file) }
}

/** Opens files in the order given, and files in files in their place; names that come twice are told apart. */
async function openAll(
  incoming: readonly IncomingFile[],
): Promise<{ files: PackageFile[]; opened: { file: IncomingFile; source: Source }[] }> {
  const files: PackageFile[] = []
  const opened: { file: IncomingFile; source: Source }[] = []
  const open = async (given: IncomingFile, unpacked: boolean): Promise<void> => {
    const taken = files.map((f) => f.name)
    const file = { ...given, name: freeName(given.name, taken) }
    try {
      const found = await openFile(given, builtInScanner, unpacked)
      if (found.kind === 'files') {
        // An archive that proves too large or damaged half-way is refused as a whole.
        const inside = (await Readable.from(found.files).toArray()) as IncomingFile[]
        for (const inner of inside) await open(inner, true)
      } else {
        const { source, notices } = found
        const more = notices.length > 0 ? { notices } : {}
        files.push({
          name: file.name,
          sha256: sha256(file.bytes),
          pages: source.pages,
          problem: null,
          ...more,
        })
        opened.push({ file, source })
      }
    } catch (error) {
      if (!(error instanceof UnusableFile)) throw error
      files.push({
        name: unpacked ? file.name : given.name,
        sha256: sha256(given.bytes),
        pages: 0,
        problem: error.message,
      })
    }
  }
  for (const outer of incoming) await open(outer, false)
  return { files, opened }
}

import type { Page } from '../../core/model/index.ts'

/** A file that pages are taken from, on disk. */
export interface Original {
  name: string
  path: string
}

/** What of a page is needed to hand it over. */
export type CutPage = Pick<Page, 'file' | 'filePage' | 'width' | 'height' | 'rotation' | 'source' | 'words'>

/** One PDF to be made: its file name and its pages in order. */
export interface DocumentFile<P = CutPage> {
  name: string
  pages: readonly P[]
}

/**
 * Pages that one run of qpdf puts out: enough to outweigh its start, few enough that their text layer stays
 * small.
 */
const RUN_PAGES = 240

/**
 * Documents of the same number of pages, to be written at once. A run of qpdf for each document would read a file of
 * 500 pages 500 times.
 */
export function runsOf<P>(documents: readonly DocumentFile<P>[]): DocumentFile<P>[][] {
  const runs: DocumentFile<P>[][] = []
  const open = new Map<number, DocumentFile<P>[]>()
  for (const document of documents) {
    const length = document.pages.length
    let run = open.get(length)
    if (!run || (run.length + 1) * length > RUN_PAGES) {
      run = []
      runs.push(run)
      open.set(length, run)
    }
    run.push(document)
  }
  return runs
}

/** What became of a document: written, as it came or drawn anew, or why it could not be. */
export type Written = { name: string; drawn: boolean } | { name: string; problem: string }

/**
 * Writes the documents of a run at once; where that fails for the sake of one, each alone, so that it costs no other.
 * @param write writes documents, and gives the names of those drawn anew
 * @param isTheirs whether an error says something of the documents, and not of us
 */
export async function writeApart<P>(
  run: readonly DocumentFile<P>[],
  write: (documents: readonly DocumentFile<P>[]) => Promise<readonly string[]>,
  isTheirs: (error: unknown) => error is Error,
): Promise<Written[]> {
  try {
    const drawn = await write(run)
    return run.map(({ name }) => ({ name, drawn: drawn.includes(name) }))
  } catch (error) {
    if (!isTheirs(error)) throw error
    if (run.length === 1) return [{ name: run[0].name, problem: error.message }]
    const apart: Written[] = []
    for (const document of run) apart.push(...(await writeApart([document], write, isTheirs)))
    return apart
  }
}

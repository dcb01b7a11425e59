import { mkdir, mkdtemp, rm, writeFile } from 'node:fs/promises'
import { availableParallelism, tmpdir } from 'node:os'
import { join } from 'node:path'
import pLimit from 'p-limit'
import type { IncomingFile } from '../input/incoming-file.ts'
import { writeDocuments } from './documents.ts'
import { type DocumentFile, runsOf, writeApart, type Written } from './runs.ts'

/** Writes a PDF per document of a package that is in memory. One that cannot be written costs the others nothing. */
export async function writeAll(
  folder: string,
  files: readonly IncomingFile[],
  documents: readonly DocumentFile[],
): Promise<Written[]> {
  await mkdir(folder, { recursive: true })
  const work = await mkdtemp(join(tmpdir(), 'jigsa-files-'))
  try {
    const originals = files.map(({ name }, i) => ({ name, path: join(work, String(i)) }))
    await Promise.all(files.map(({ bytes }, i) => writeFile(originals[i].path, bytes)))
    const limit = pLimit(availableParallelism())
    const write = (run: readonly DocumentFile[]) => writeDocuments(folder, originals, run)
    // A run without limits has nobody else to suffer from what a document does.
    const isTheirs = (error: unknown): error is Error => error instanceof Error
    const runs = runsOf(documents).map((run) => limit(() => writeApart(run, write, isTheirs)))
    return (await Promise.all(runs)).flat()
  } finally {
    await rm(work, { recursive: true, force: true })
  }
}

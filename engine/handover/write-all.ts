import { mkdir, mkdtemp, rm, writeFile } from 'node:fs/promises'
import { availableParallelism, tmpdir } from 'node:os'
import { join } from 'node:path'
import pLimit from 'p-limit'
import type { IncomingFile } from '../input/expand.ts'
import { writeDocuments } from './documents.ts'
import { type DocumentFile, runsOf } from './runs.ts'

/** What became of the documents of a package, but for those written as they came. */
export interface Written {
  /** Names of those drawn anew. */
  drawn: string[]
  /** Those that could not be written in either way. */
  lacking: { name: string; problem: string }[]
}

/** Writes a PDF per document of a package that is in memory. One that cannot be written costs the others nothing. */
export async function writeAll(
  folder: string,
  files: readonly IncomingFile[],
  documents: readonly DocumentFile[],
): Promise<Written> {
  await mkdir(folder, { recursive: true })
  const work = await mkdtemp(join(tmpdir(), 'jigsa-files-'))
  const written: Written = { drawn: [], lacking: [] }
  try {
    const originals = files.map(({ name }, i) => ({ name, path: join(work, String(i)) }))
    await Promise.all(files.map(({ bytes }, i) => writeFile(originals[i].path, bytes)))
    const write = async (run: readonly DocumentFile[]): Promise<void> => {
      try {
        written.drawn.push(...(await writeDocuments(folder, originals, run)))
      } catch (error) {
        if (run.length > 1) for (const document of run) await write([document])
        else
          written.lacking.push({
            name: run[0].name,
            problem: error instanceof Error ? error.message : String(error),
          })
      }
    }
    const limit = pLimit(availableParallelism())
    await Promise.all(runsOf(documents).map((run) => limit(() => write(run))))
    return written
  } finally {
    await rm(work, { recursive: true, force: true })
  }
}

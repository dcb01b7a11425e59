import { createReadStream, createWriteStream, existsSync } from 'node:fs'
import { mkdir, rename } from 'node:fs/promises'
import { join } from 'node:path'
import { createInterface } from 'node:readline'
import { once } from 'node:events'
import { createGunzip, createGzip } from 'node:zlib'
import type { Page } from '../../core/model/index.ts'
import type { DocumentType } from '../../core/program/index.ts'
import type { Truth } from '../truth.ts'
import { type BenchCase, casesIn, readCase } from '../run.ts'

/** A case as it is kept: fitting looks at the same pages many times, and pictures take seconds to read. */
const fileOf = (cache: string, name: string) => join(cache, `${name}.jsonl.gz`)

/** Reads the pages of a corpus once, and keeps them as lines of JSON. */
export async function keepPages(cache: string, name: string, corpus: string): Promise<void> {
  if (existsSync(fileOf(cache, name))) return
  await mkdir(cache, { recursive: true })
  const packed = createGzip({ level: 4 })
  const part = `${fileOf(cache, name)}.part`
  const file = packed.pipe(createWriteStream(part))
  for (const found of await casesIn(corpus)) packed.write(`${JSON.stringify(await readCase(found))}\n`)
  packed.end()
  await once(file, 'close')
  // Under its name only when whole: a run that was cut off must not leave half a corpus behind.
  await rename(part, fileOf(cache, name))
}

/** The papers of a case whose type is known and of which pages were kept, with these. */
export const papersOf = (
  { pages, truth }: BenchCase,
  types: readonly DocumentType[],
): { type: DocumentType; paper: Truth['documents'][number]; own: Page[] }[] =>
  truth.documents.flatMap((paper) => {
    const type = types.find((t) => t.id === paper.type)
    const own = paper.pages.flatMap((p) => pages[p - 1] ?? [])
    return type && own.length > 0 ? [{ type, paper, own }] : []
  })

/** The cases of a corpus as they were kept, one at a time. */
export async function* keptCases(cache: string, name: string): AsyncGenerator<BenchCase> {
  const lines = createInterface({ input: createReadStream(fileOf(cache, name)).pipe(createGunzip()) })
  for await (const line of lines) yield JSON.parse(line) as BenchCase
}

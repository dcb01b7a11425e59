import { createWriteStream } from 'node:fs'
import { join } from 'node:path'
import { pipeline } from 'node:stream/promises'
import { and, eq, gt, inArray, isNotNull } from 'drizzle-orm'
import { clearScratch, isFilesFault, makeScratch } from '../../engine/box/index.ts'
import {
  type CutPage,
  type DocumentFile,
  type Original,
  runsOf,
  writeApart,
} from '../../engine/handover/runs.ts'
import { database } from '../database/connection.ts'
import { files, pages } from '../database/schema.ts'
import { readers } from '../jobs/readers.ts'
import { log } from '../log.ts'
import { contentsOf } from '../storage/contents.ts'

/** One document of a package as it goes out: on disk; else why not, with the files that its pages are in as they came. */
export type DocumentOut =
  | { name: string; path: string; drawn: boolean }
  | { name: string; problem: string; originals: readonly Original[] }

const filesIn = (document: DocumentFile): string[] => document.pages.map((page) => page.file)

/** Numbers of the pages of a package that make one document. */
type Numbers = DocumentFile<number>

/**
 * Cuts the documents of a package out in a reader, a run of pages at a time: neither files nor words of the whole
 * package are ever in memory. Close it, and its folder is gone.
 */
export class DocumentsOut {
  private readonly folder = makeScratch()
  private readonly originals = new Map<string, Promise<Original>>()

  constructor(private readonly packageId: string) {}

  /** Documents as they are cut; not in the order in which they were asked for. */
  async *cut(documents: readonly Numbers[]): AsyncGenerator<DocumentOut> {
    const rows = await database()
      .select({ id: files.id, name: files.name, sha256: files.sha256 })
      .from(files)
      .where(and(eq(files.packageId, this.packageId), gt(files.pages, 0), isNotNull(files.sha256)))
    const contents = new Map(rows.map((r) => [r.name, r.sha256!]))
    for (const run of runsOf(documents)) yield* this.run(run, contents)
  }

  close(): void {
    clearScratch(this.folder)
  }

  private async *run(
    documents: readonly Numbers[],
    contents: ReadonlyMap<string, string>,
  ): AsyncGenerator<DocumentOut> {
    const cut = await this.withPages(documents)
    const named = [...new Set(cut.flatMap(filesIn))]
    const all = await Promise.all(named.map((name) => this.original(name, contents.get(name)!)))
    const originalsOf = (some: readonly DocumentFile[]): Original[] =>
      all.filter((original) => some.some((d) => filesIn(d).includes(original.name)))
    const written = await writeApart(
      cut,
      (some) => readers().cut(this.folder, originalsOf(some), some),
      isFilesFault,
    )
    for (const made of written)
      if ('problem' in made) {
        log.warn({ packageId: this.packageId, reason: made.problem }, 'a document could not be cut out')
        yield { ...made, originals: originalsOf(cut.filter((d) => d.name === made.name)) }
      } else yield { ...made, path: join(this.folder, made.name) }
  }

  /** Documents with all that is needed of their pages. */
  private async withPages(documents: readonly Numbers[]): Promise<DocumentFile[]> {
    const rows = await database()
      .select({ number: pages.number, body: pages.body })
      .from(pages)
      .where(
        and(
          eq(pages.packageId, this.packageId),
          inArray(
            pages.number,
            documents.flatMap((d) => d.pages),
          ),
        ),
      )
    const byNumber = new Map(
      rows.map(({ number, body }): [number, CutPage] => {
        const { file, filePage, width, height, rotation, source, words } = body!
        return [number, { file, filePage, width, height, rotation, source, words }]
      }),
    )
    return documents.map((d) => ({ name: d.name, pages: d.pages.map((n) => byNumber.get(n)!) }))
  }

  /** A file of the package on disk, fetched when the first run asks for it. */
  private original(name: string, sha256: string): Promise<Original> {
    let found = this.originals.get(name)
    if (!found) {
      const path = join(this.folder, `original-${this.originals.size}`)
      found = pipeline(contentsOf(sha256), createWriteStream(path)).then(() => ({ name, path }))
      this.originals.set(name, found)
    }
    return found
  }
}

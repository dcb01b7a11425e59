import { createHash } from 'node:crypto'
import { writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import type { Page } from '../core/model/index.ts'
import type { DocumentType } from '../core/program/index.ts'
import { clearScratch, isFilesFault, makeScratch, ReaderFault, ReaderPool } from '../engine/box/index.ts'
import type { IncomingFile } from '../engine/input/incoming-file.ts'
import { placePage, unreadable } from '../engine/pipeline/place-page.ts'

/** What comes of a file for the person who brought it. */
export interface Outcome {
  name: string
  /** Why it, or a page of it, cannot be read; null where nothing is wrong. */
  sentence: string | null
  /** The pages that were read of it. */
  pages: Page[]
  seconds: number
}

/** A file that holds others is followed so far: enough to see that what is in it is opened, too. */
const MOST_INSIDE = 2

/**
 * Takes files as a worker does, without a database: each is opened, unfolded where it holds others, its first pages
 * read, drawn and cut out again.
 */
export class FileTaker {
  private readonly store = new Map<string, Uint8Array>()
  private readonly pool: ReaderPool

  /** @param mostPages of a file that are read; @param readers processes at once */
  constructor(
    private readonly types: readonly DocumentType[],
    private readonly mostPages = 1,
    readers = 1,
  ) {
    this.pool = new ReaderPool((sha256) => Promise.resolve(this.store.get(sha256)!), readers)
  }

  close = (): Promise<void> => this.pool.close()

  /** @throws what is no fault of the file */
  async take(file: IncomingFile): Promise<Outcome> {
    const began = Date.now()
    const pages: Page[] = []
    const sentence = await this.follow(file, pages).then(
      () => null,
      (error: unknown) => {
        if (!isFilesFault(error)) throw error
        // A page that cannot be read keeps its place and says so.
        return error instanceof ReaderFault
          ? `A page of it is poor: ${unreadable(error).qualityProblem}.`
          : error.message
      },
    )
    return { name: file.name, sentence, pages, seconds: (Date.now() - began) / 1000 }
  }

  private async follow(file: IncomingFile, pages: Page[]): Promise<void> {
    const sha256 = createHash('sha256').update(file.bytes).digest('hex')
    this.store.set(sha256, file.bytes)
    try {
      const opened = await this.pool.open(sha256)
      if (opened.kind === 'files') return await this.unfold(file, pages)
      const own: Page[] = []
      for (let index = 0; index < Math.min(opened.pages, this.mostPages); index++) {
        const read = await this.pool.read(sha256, index, { key: 'types', types: this.types })
        own.push(
          placePage(read, { number: pages.length + own.length + 1, file: file.name, filePage: index + 1 }),
        )
        await this.pool.picture(sha256, index, read.rotation, 150)
      }
      pages.push(...own)
      await this.cut(file, own)
    } finally {
      this.store.delete(sha256)
    }
  }

  private async unfold(file: IncomingFile, pages: Page[]): Promise<void> {
    let held: IncomingFile[] = []
    await this.pool.unfold(file, () => {
      held = []
      return (one) => Promise.resolve(void held.push(one))
    })
    for (const one of held.slice(0, MOST_INSIDE))
      await this.follow(one, pages).catch((error: unknown) => {
        if (!isFilesFault(error)) throw error
      })
  }

  private async cut({ name, bytes }: IncomingFile, pages: readonly Page[]): Promise<void> {
    const folder = makeScratch()
    try {
      const path = join(folder, 'original')
      await writeFile(path, bytes)
      await this.pool.cut(folder, [{ name, path }], [{ name: 'document.pdf', pages }])
    } finally {
      clearScratch(folder)
    }
  }
}

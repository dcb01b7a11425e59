import { availableParallelism } from 'node:os'
import Piscina from 'piscina'
import type { Page, Word } from '../../core/model/index.ts'
import type { DocumentType } from '../../core/program/index.ts'
import type { Lender } from '../../core/locale/index.ts'
import type { DocumentReading } from '../../core/extraction/index.ts'
import { type Evidence, evidenceReaderFor, type Piece } from '../../core/classification/index.ts'
import type { ReadPage } from '../input/source.ts'
import type * as worker from './worker.ts'
import type { DocumentTask, KeptPage, PageTask, RegionsTask } from './worker.ts'
import { readingKey, type Readings } from '../../core/pipeline/index.ts'

/** A function of the worker's file by its name; a thread is told what to run by nothing else. */
const to = (name: keyof typeof worker) => ({ name })

/** Packages with fewer pages are read before a thread has started. */
export const WORTH_THREADS = 60

/** Threads are started from the bundled program alone: Node.js 20 does not hand its loader for sources on to them. */
export const threadsHere = !import.meta.url.endsWith('.ts')

/** Pages that follow one another and are read by one thread: most documents lie in one such stretch. */
const STRETCH = 16

/** Documents handed to a thread at once: each costs little, and so must the handing over. */
const BATCH = 12

/**
 * Threads for the work of large packages, as many as there are cores. Close it, or the process does not end.
 * Each is told the document types when it starts, and is a pool of its own, so that a document goes to the
 * one that has read its pages and knows their lines already.
 */
export class Pool {
  private readonly threads: Piscina[]
  private readonly evidence = new Map<string, Evidence>()
  private readonly readEvidence: (page: Page) => Evidence
  /** Pages handed out, of whatever file: many files may have one page each. */
  private given = 0
  /** Which thread has read a page. */
  private readonly reader = new Map<string, number>()

  constructor(
    private readonly types: readonly DocumentType[],
    lender: Lender,
  ) {
    this.readEvidence = evidenceReaderFor(types)
    this.threads = Array.from(
      { length: availableParallelism() },
      () =>
        new Piscina({
          filename: new URL('./worker.mjs', import.meta.url).href,
          workerData: { types, lender },
          minThreads: 1,
          maxThreads: 1,
        }),
    )
  }

  async readPage(task: PageTask): Promise<ReadPage> {
    const thread = Math.floor(this.given++ / STRETCH) % this.threads.length
    const { page, evidence } = (await this.threads[thread].run(task, to('readPage'))) as {
      page: ReadPage
      evidence: Evidence
    }
    const key = keyOf(task.file, task.index + 1)
    this.evidence.set(key, evidence)
    this.reader.set(key, thread)
    return page
  }

  /** Any thread may look closer: each has to draw the page anew. */
  recogniseRegions = (task: RegionsTask): Promise<Word[]> =>
    this.threads[task.index % this.threads.length].run(task, to('recogniseRegions')) as Promise<Word[]>

  /** What spoke for the type of a page read here. */
  evidenceOf = (page: Page): Evidence =>
    this.evidence.get(keyOf(page.file, page.filePage)) ?? this.readEvidence(page)

  /**
   * Reads the machine's documents that nothing is known of yet; whatever a person cut otherwise is read where
   * it is judged.
   */
  readAhead = async (pages: readonly Page[], pieces: readonly Piece[], readings: Readings): Promise<void> => {
    const byThread = this.threads.map((): Piece[] => [])
    for (const piece of pieces)
      if (this.types.some((t) => t.id === piece.type) && !readings.has(readingKey(piece.type, piece.pages)))
        byThread[this.threadOf(pages[piece.pages[0] - 1]) ?? 0].push(piece)
    await Promise.all(
      byThread.flatMap((own, thread) =>
        batchesOf(own).map(async (batch) => {
          const tasks = batch.map((piece): DocumentTask => ({
            type: piece.type,
            pages: piece.pages.map((n) => this.handed(pages[n - 1], thread)),
          }))
          const found = (await this.threads[thread].run(
            tasks,
            to('readDocuments'),
          )) as (DocumentReading | null)[]
          batch.forEach((piece, i) => {
            if (found[i]) readings.set(readingKey(piece.type, piece.pages), found[i])
          })
        }),
      ),
    )
  }

  private threadOf = (page: Page): number | undefined => this.reader.get(keyOf(page.file, page.filePage))

  /** A page as it is handed to a thread: only named where the thread has it as it is. */
  private handed = (page: Page, thread: number): KeptPage | Page =>
    this.threadOf(page) === thread && !page.regionsRetried
      ? { file: page.file, index: page.filePage - 1, number: page.number }
      : page

  close = async (): Promise<void> =>
    void (await Promise.all(
      this.threads.map(async (thread) => {
        // A thread that is only stopped would leave the files of its readers behind.
        await thread.run(null, to('endReaders'))
        await thread.destroy()
      }),
    ))
}

/** Threads that are started when a package turns out to be worth them. */
export class Threads {
  private pool: Pool | undefined

  constructor(
    private readonly types: readonly DocumentType[],
    private readonly lender: Lender,
  ) {}

  /** The threads, if they were started. */
  get started(): Pool | undefined {
    return this.pool
  }

  start(): Pool {
    return (this.pool ??= new Pool(this.types, this.lender))
  }

  close = async (): Promise<void> => this.pool?.close()
}

const batchesOf = (pieces: readonly Piece[]): Piece[][] =>
  Array.from({ length: Math.ceil(pieces.length / BATCH) }, (_, i) => pieces.slice(i * BATCH, (i + 1) * BATCH))

const keyOf = (file: string, page: number): string => `${file} ${page}`

/** Bytes in memory that threads share. */
export function shared(bytes: Uint8Array): SharedArrayBuffer {
  const buffer = new SharedArrayBuffer(bytes.length)
  new Uint8Array(buffer).set(bytes)
  return buffer
}

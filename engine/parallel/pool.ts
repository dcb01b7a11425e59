import { availableParallelism } from 'node:os'
import Piscina from 'piscina'
import { pageReader, type Reader } from '../../core/assess.ts'
import type { Page } from '../../core/page/page.ts'
import { builtInTypes } from '../../core/program/types/index.ts'
import type { DocumentReading } from '../../core/read/document.ts'
import type { Evidence } from '../../core/split/evidence.ts'
import { readerFor, type Piece } from '../../core/split/split.ts'
import type { ReadPage } from '../input/source.ts'
import type { DocumentTask, PageTask } from './worker.ts'

/** Packages with fewer pages are read before a thread has started. */
export const WORTH_THREADS = 60

/** Threads are started from the bundled program alone: Node.js 20 does not hand its loader for sources on to them. */
export const threadsHere = !import.meta.url.endsWith('.ts')

/** Documents handed to a thread at once: each costs little, and so must the handing over. */
const BATCH = 12

/**
 * Threads for the work of large packages, as many as there are cores. Close it, or the process does not end.
 * Only built-in types are known to the threads.
 */
export class Pool {
  private readonly threads: Piscina
  private readonly evidence = new Map<string, Evidence>()
  private readonly readEvidence = readerFor(builtInTypes)

  constructor() {
    this.threads = new Piscina({ filename: new URL('./worker.mjs', import.meta.url).href, minThreads: availableParallelism(), maxThreads: availableParallelism() })
  }

  async readPage(task: PageTask): Promise<ReadPage> {
    const { page, evidence } = (await this.threads.run(task, { name: 'readPage' })) as { page: ReadPage; evidence: Evidence }
    this.evidence.set(`${task.file} ${task.index + 1}`, evidence)
    return page
  }

  /** What spoke for the type of a page read here. */
  evidenceOf = (page: Page): Evidence => this.evidence.get(`${page.file} ${page.filePage}`) ?? this.readEvidence(page)

  /** A reader that has the machine's documents ready; whatever a person cut otherwise it reads itself. */
  async readerOf(pages: readonly Page[], pieces: readonly Piece[]): Promise<Reader> {
    const tasks = pieces.filter((p) => builtInTypes.some((t) => t.id === p.type)).map((p): DocumentTask => ({ type: p.type, pages: p.pages.map((n) => pages[n - 1]) }))
    const batches = Array.from({ length: Math.ceil(tasks.length / BATCH) }, (_, i) => tasks.slice(i * BATCH, (i + 1) * BATCH))
    const read = new Map<string, DocumentReading>()
    await Promise.all(batches.map(async (batch) => {
      const readings = (await this.threads.run(batch, { name: 'readDocuments' })) as DocumentReading[]
      batch.forEach((task, i) => read.set(keyOf(task.pages.map((p) => p.number), task.type), readings[i]))
    }))
    const plain = pageReader(pages)
    return (numbers, type) => read.get(keyOf(numbers, type.id)) ?? plain(numbers, type)
  }

  close = (): Promise<void> => this.threads.destroy()
}

const keyOf = (pages: readonly number[], type: string): string => `${type} ${pages.join(',')}`

/** Bytes in memory that threads share. */
export function shared(bytes: Uint8Array): SharedArrayBuffer {
  const buffer = new SharedArrayBuffer(bytes.length)
  new Uint8Array(buffer).set(bytes)
  return buffer
}

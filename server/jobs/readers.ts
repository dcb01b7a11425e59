import { availableParallelism } from 'node:os'
import { BOX_LIMITS, ReaderPool } from '../../engine/box/index.ts'
import type { DocumentType } from '../../core/program/index.ts'
import { settings } from '../settings.ts'
import { fetchContents } from '../storage/contents.ts'

/** A long scan that fills every processor slows down nobody who clicks: the web, the database and letters go first. */
const STAND_BACK = 5

let pool: ReaderPool | null = null
let limits = BOX_LIMITS

/** The readers of this process, a worker or the web: strangers' files are opened in them alone. */
export const readers = (): ReaderPool =>
  (pool ??= new ReaderPool(fetchContents, settings().WORKER_TASKS ?? availableParallelism(), limits))

/** The pages of this process wait where processors are short: nobody looks at a screen until they are done. */
export function standBack(): void {
  limits = { ...BOX_LIMITS, nice: STAND_BACK }
}

let letters: ReaderPool | null = null

/** A reader of letters alone: opening one takes a moment, and would wait for every page that is being read. */
export const letterReader = (): ReaderPool => (letters ??= new ReaderPool(fetchContents, 1))

/** Ends the readers of this process. */
export async function endReaders(): Promise<void> {
  await Promise.all([pool?.close(), letters?.close()])
  pool = letters = null
}

const keys = new WeakMap<readonly DocumentType[], string>()

/** Types with the name under which readers know them: an organisation's stay the same list until one changes. */
export function inkBy(types: readonly DocumentType[]): { key: string; types: readonly DocumentType[] } {
  let key = keys.get(types)
  if (!key) keys.set(types, (key = crypto.randomUUID()))
  return { key, types }
}

import type { Lender } from '../locale/index.ts'
import type { DocumentType } from '../program/index.ts'
import type { Page } from '../model/index.ts'
import { type DocumentReading, extractDocument } from '../extraction/index.ts'

/** Reads a document; given so that a caller can keep readings of documents that did not change. */
export type Reader = (pages: readonly number[], type: DocumentType) => DocumentReading

/** A reader straight from pages. @param lender whose papers they are: how they are written where they do not show it */
export function pageReader(pages: readonly Page[], lender: Lender): Reader {
  const byNumber = new Map(pages.map((p) => [p.number, p]))
  return (numbers, type) =>
    extractDocument(
      numbers.map((n) => byNumber.get(n)!),
      type,
      lender,
    )
}

/** What was read of documents, by type and pages (`readingKey`). */
export type Readings = Map<string, DocumentReading>

export const readingKey = (type: string, pages: readonly number[]): string => `${type}:${pages.join(',')}`

/** The type and the pages of a key. */
const partsOf = (key: string): [type: string, pages: number[]] => {
  const at = key.lastIndexOf(':')
  return [
    key.slice(0, at),
    key
      .slice(at + 1)
      .split(',')
      .map(Number),
  ]
}

/** Drops what was read of documents with a page that changed. */
export function forgetPages(readings: Readings, changed: ReadonlySet<number>): void {
  for (const key of [...readings.keys()])
    if (partsOf(key)[1].some((page) => changed.has(page))) readings.delete(key)
}

/**
 * A reader that keeps what it read, so that judging again reads only documents whose pages changed.
 * @param kept readings from before; those read now are added
 */
export function keepingReader(read: Reader, kept: Readings = new Map()): Reader {
  return (numbers, type) => {
    const key = readingKey(type.id, numbers)
    let reading = kept.get(key)
    if (!reading) kept.set(key, (reading = read(numbers, type)))
    return reading
  }
}

import { pageOf } from '../../page/page-of.ts'
import type { Page } from '../../page/page.ts'
import { builtInTypes, typeById } from '../../program/types/index.ts'
import { readDocument } from '../document.ts'
import type { Row, Value } from '../value.ts'

/** EUR unless said otherwise. */
export const money = (amount: string, currency = 'EUR') => ({ amount, currency })

/**
 * Tests that a paper of this type, written down in lines, is read as these values and as nothing else, and that a fair
 * scan of it says nothing wrong unasked. A page ends with a line of `---`, columns are parted by `|`. A field that is not
 * named must come out empty.
 */
export function reads(what: string, type: string, paper: string, expected: Record<string, Value | Row[]>): void {
  const read = (as: Partial<Page> & { sure?: number }) => readDocument(paper.trim().split(/^ *---$/m).map((lines, i) => pageOf(lines.trim().split('\n').map(columns), { number: i + 1, ...as })), typeById(builtInTypes, type)).fields
  test(what, () => expect(Object.fromEntries(read({}).filter((f) => f.value !== null).map((f) => [f.name, f.value]))).toEqual(expected))
  test(`${what}, scanned`, () => {
    const unasked = read({ source: 'ocr', sure: 0.93 }).filter((f) => f.value !== null && !f.needsReview)
    expect(Object.fromEntries(unasked.map((f) => [f.name, f.value]))).toEqual(Object.fromEntries(unasked.map((f) => [f.name, expected[f.name]])))
    expect(unasked.length).toBeGreaterThan(Object.keys(expected).length / 3)
  })
}

const columns = (line: string): string => line.split('|').map((cell) => cell.trim()).join(' | ')

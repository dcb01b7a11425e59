import { pageOf } from '../../page/page-of.ts'
import { builtInTypes, typeById } from '../../program/types/index.ts'
import { readDocument } from '../document.ts'
import type { Row, Value } from '../value.ts'

/** EUR unless said otherwise. */
export const money = (amount: string, currency = 'EUR') => ({ amount, currency })

/**
 * A test that a paper of this type, written down in lines, is read as these values and as nothing else. A page ends
 * with a line of `---`, columns are parted by ` | `. A field that is not named must come out empty.
 */
export function reads(what: string, type: string, paper: string, expected: Record<string, Value | Row[]>): void {
  test(what, () => {
    const pages = paper.trim().split(/^ *---$/m).map((lines, i) => pageOf(lines.trim().split('\n').map(columns), { number: i + 1 }))
    const { fields } = readDocument(pages, typeById(builtInTypes, type))
    expect(Object.fromEntries(fields.filter((f) => f.value !== null).map((f) => [f.name, f.value]))).toEqual(expected)
  })
}

const columns = (line: string): string => line.split('|').map((cell) => cell.trim()).join(' | ')

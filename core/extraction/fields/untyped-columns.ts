import type { Locale } from '../../locale/index.ts'
import type { Column } from '../../program/index.ts'
import { parseTyped } from '../parsers/typed-input.ts'
import type { UntypedTable } from './untyped.ts'

/** A column of a table that nobody configured: what stands at its head, and what its cells hold. */
export interface UntypedColumn {
  head: string
  kind: Column['kind']
}

/** Cells of a column that must be of a kind, as a share of those that say anything. */
const MOSTLY = 0.7

/**
 * What the columns of a table hold, told from their cells, in the order in which a cell is looked at: a
 * percentage is a number, too, and a number may be an amount without cents. Empty where no head names them, or
 * the rows do not stand under it.
 */
export function columnsOf({ head, rows }: UntypedTable, locale: Locale): UntypedColumn[] {
  if (!head || rows.some((row) => row.length > head.length)) return []
  const whole = rows.filter((row) => row.length === head.length)
  return head.map((title, i) => {
    const cells = whole.map((row) => row[i]).filter((cell) => cell.trim() !== '')
    const mostly = (holds: (cell: string) => boolean) =>
      cells.length > 0 && cells.filter(holds).length >= cells.length * MOSTLY
    const reads = (kind: 'date' | 'money' | 'number') => (cell: string) =>
      'value' in parseTyped(kind, cell, locale)
    const kind: Column['kind'] = mostly(reads('date'))
      ? 'date'
      : mostly((cell) => /\d\s*%$/.test(cell))
        ? 'percent'
        : mostly((cell) => /[.,]\d{2}\D*$|\p{Sc}/u.test(cell) && reads('money')(cell))
          ? 'money'
          : mostly(reads('number'))
            ? 'number'
            : 'text'
    return { head: title, kind }
  })
}

import { type Field, tableColumns, type TableColumns } from '../../program/index.ts'
import { centsIn } from './columns.ts'
import type { Table } from './table.ts'
import type { Row } from '../../model/index.ts'

/**
 * Whether the rows of a statement begin with the newest: their balances then lead upwards. A sign may still
 * be open.
 */
export function newestFirst(rows: readonly Row[], { amount, balance }: TableColumns): boolean {
  let [up, down] = [0, 0]
  for (let i = 1; i < rows.length; i++) {
    const [upper, lower] = [rows[i - 1], rows[i]]
    const [from, to] = [centsIn(upper, balance), centsIn(lower, balance)]
    if (from === null || to === null) continue
    const step = Math.abs(to - from)
    const [above, below] = [centsIn(upper, amount), centsIn(lower, amount)]
    if (below !== null && step === Math.abs(below)) down++
    if (above !== null && step === Math.abs(above)) up++
  }
  return up > down
}

/** The cells of a table's rows, in the order of the paper. */
export const cellsOf = (table: Table): Row[] => table.rows.map((row) => row.cells)

/**
 * Works on a table with its oldest row first, however the paper has them, and leaves it in the order of the
 * paper.
 */
export function oldestFirst<T>(table: Table, field: Field, work: () => T): T {
  const turned = newestFirst(cellsOf(table), tableColumns(field))
  const turn = () => {
    if (turned) table.rows.reverse()
  }
  turn()
  try {
    return work()
  } finally {
    turn()
  }
}

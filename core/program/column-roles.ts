import { columnWords } from '../lexicon/index.ts'
import { fold } from '../text/index.ts'
import type { Column, ColumnRole } from './schema.ts'

/** A column as far as its role is told by what it is called. */
export type CalledColumn = Pick<Column, 'kind'> & { labels: readonly string[] }

/** Whether a column's heads say that it holds something. */
const says = ({ labels }: CalledColumn, what: 'balance' | 'unit_price' | 'quantity' | 'amount'): boolean =>
  labels.some((label) => columnWords.some((words) => words[what].some((word) => fold(word) === fold(label))))

/**
 * What columns mean where nobody said it, by their kinds and heads: the first day, the first words, numbers
 * that count, and of the amounts those that their heads call balances or prices of one piece. An amount that
 * may be either means nothing to arithmetic: that a table keeps a running balance is for its lender to say.
 * @returns a role or null for each column, none of them twice
 */
export function usualRoles(columns: readonly CalledColumn[]): (ColumnRole | null)[] {
  const roles: (ColumnRole | null)[] = columns.map(() => null)
  const give = (role: ColumnRole, fits: (column: CalledColumn) => boolean) => {
    const at = columns.findIndex((column, i) => roles[i] === null && fits(column))
    if (at >= 0) roles[at] = role
  }
  give('date', (c) => c.kind === 'date')
  give('description', (c) => c.kind === 'text')
  const priced = columns.some((c) => c.kind === 'money' && says(c, 'unit_price'))
  give('quantity', (c) => c.kind === 'number' && (priced || says(c, 'quantity')))
  if (roles.includes('date')) give('balance', (c) => c.kind === 'money' && says(c, 'balance'))
  if (roles.includes('quantity')) give('unit_price', (c) => c.kind === 'money' && says(c, 'unit_price'))
  give('amount', (c) => c.kind === 'money' && says(c, 'amount'))
  if (!roles.includes('amount') && columns.filter((c, i) => c.kind === 'money' && !roles[i]).length === 1)
    give('amount', (c) => c.kind === 'money')
  return roles
}

import type { ColumnRole, Field } from './schema.ts'

/** Columns of a table by what they mean, whatever a lender calls them. */
export type TableColumns = Partial<Record<ColumnRole, string>>

const known = new WeakMap<Pick<Field, 'columns'>, TableColumns>()

/**
 * The names of a table's columns by their roles. Dates and words without a role are the first column of their
 * kind; amounts without one take part in no arithmetic: which of two is a balance is for the lender to say.
 */
export function tableColumns(field: Pick<Field, 'columns'>): TableColumns {
  let columns = known.get(field)
  if (!columns) {
    const first = (kind: string) => field.columns.find((c) => c.kind === kind)?.name
    const said = Object.fromEntries(field.columns.flatMap((c) => (c.role ? [[c.role, c.name]] : [])))
    columns = { date: first('date'), description: first('text'), ...said }
    known.set(field, columns)
  }
  return columns
}

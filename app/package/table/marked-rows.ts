import { useMemo, useRef, useState } from 'react'
import { parseTyped } from '../../../core/extraction/index.ts'
import type { Locale } from '../../../core/locale/index.ts'
import { type Box, isMoney, type Row } from '../../../core/model/index.ts'
import type { Column } from '../../../core/program/index.ts'

/** A column as far as its cells are typed. */
export type TypedColumn = Pick<Column, 'name' | 'kind'>
interface Read {
  rows: Row[]
  places: { page: number; box: Box }[]
}

/** A cell as it is shown and typed. */
export const shown = (value: Row[string] | undefined): string =>
  value === null || value === undefined ? '' : isMoney(value) ? value.amount : value

/** A row of the page that is read, whatever its number becomes when the grid is moved. */
const keyOf = ({ page, box }: Read['places'][number]): string => `${page} ${box[1].toFixed(3)}`

const typedCell = (kind: Column['kind'], text: string, read: Row[string], locale: Locale): Row[string] => {
  if (text.trim() === '') return null
  const parsed = parseTyped(kind, text, locale)
  return 'value' in parsed ? (parsed.value as Row[string]) : read
}

/**
 * The rows that a grid gave, with what was typed into their cells, as the paper is written, and which were left
 * out. Those of before
 * are kept until those of a moved line are there.
 */
export function useMarkedRows(read: Read | undefined, columns: readonly TypedColumn[], locale: Locale) {
  const [typed, setTyped] = useState<Record<string, string>>({})
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set())
  const kept = useRef<Read>({ rows: [], places: [] })
  if (read) kept.current = read
  const { rows, places } = kept.current
  const keys = useMemo(() => places.map(keyOf), [places])
  const going = useMemo(() => keys.flatMap((key, i) => (left.has(key) ? [] : [i])), [keys, left])
  const cellKey = (row: number, column: string) => `${keys[row]} ${column}`
  return {
    rows,
    /** The rows that are taken, by their numbers. */
    going,
    isOut: (row: number) => left.has(keys[row]),
    toggle: (row: number) =>
      setLeft((now) => {
        const next = new Set(now)
        if (!next.delete(keys[row])) next.add(keys[row])
        return next
      }),
    keyOf: (row: number) => keys[row],
    typedIn: (row: number, column: string): string | undefined => typed[cellKey(row, column)],
    type: (row: number, column: string, text: string) =>
      setTyped((now) => ({ ...now, [cellKey(row, column)]: text })),
    /** Cells that cannot be read as what their column holds. */
    wrong: Object.entries(typed).filter(([key, text]) => {
      const column = columns.find((c) => key.endsWith(` ${c.name}`))
      return column && text.trim() !== '' && 'problem' in parseTyped(column.kind, text, locale)
    }).length,
    boxesOn: (page: number) => going.filter((i) => places[i].page === page).map((i) => places[i].box),
    /** The value of the table as it stands, with the places of its rows. */
    value: () => ({
      value: going.map((i) =>
        Object.fromEntries(
          columns.map(({ name, kind }) => {
            const text = typed[cellKey(i, name)]
            const read = rows[i][name] ?? null
            return [name, text === undefined ? read : typedCell(kind, text, read, locale)]
          }),
        ),
      ),
      places: going.map((i) => places[i]),
    }),
  }
}
export type MarkedRows = ReturnType<typeof useMarkedRows>

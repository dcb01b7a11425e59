import { clsx } from 'clsx'
import { shown, type MarkedRows, type TypedColumn } from './marked-rows.ts'

const words = (name: string): string => name.replaceAll('_', ' ')

/** The rows of a marked table, each cell to be typed over, each row to be left out. */
export function RowTable({ columns, marked }: { columns: readonly TypedColumn[]; marked: MarkedRows }) {
  return (
    <table className="w-full table-fixed border-separate border-spacing-0 text-[13px]">
      <thead>
        <tr>
          {columns.map((c) => (
            <th
              key={c.name}
              style={{ width: c.kind === 'text' || c.kind === 'name' ? undefined : '6.4rem' }}
              className={clsx(
                'sticky top-0 bg-sheet px-1.5 py-1 font-semibold text-ink-2',
                c.kind === 'money' ? 'text-right' : 'text-left',
              )}
            >
              {words(c.name)}
            </th>
          ))}
          <th className="sticky top-0 w-8 bg-sheet" aria-label="Leave out" />
        </tr>
      </thead>
      <tbody>
        {marked.rows.map((_, i) => (
          <TableRow key={marked.keyOf(i)} at={i} columns={columns} marked={marked} />
        ))}
      </tbody>
    </table>
  )
}

function TableRow({
  at,
  columns,
  marked,
}: {
  at: number
  columns: readonly TypedColumn[]
  marked: MarkedRows
}) {
  const out = marked.isOut(at)
  return (
    <tr className={out ? 'opacity-40' : ''}>
      {columns.map((c) => {
        const typed = marked.typedIn(at, c.name)
        const text = typed ?? shown(marked.rows[at][c.name])
        return (
          <td key={c.name} className="border-t border-line-2 p-0">
            <input
              aria-label={`${words(c.name)} of row ${at + 1}`}
              disabled={out}
              className={clsx(
                'value w-full bg-transparent px-1.5 py-0.5 focus:bg-petrol-soft',
                c.kind === 'money' && 'text-right',
                typed !== undefined && 'text-petrol',
              )}
              title={text}
              value={text}
              onChange={(event) => marked.type(at, c.name, event.target.value)}
            />
          </td>
        )
      })}
      <td className="border-t border-line-2 px-1 text-right">
        <button
          type="button"
          aria-label={out ? `Put row ${at + 1} back` : `Row ${at + 1} is no row`}
          title={out ? 'Put it back' : 'This is no row'}
          className="px-1"
          onClick={() => marked.toggle(at)}
        >
          {out ? '↶' : '×'}
        </button>
      </td>
    </tr>
  )
}

import { clsx } from 'clsx'
import { useRef } from 'react'
import type { Grid } from '../../../core/extraction/index.ts'
import { pictureUrl, shapeOf, type Sheet } from '../sheet.ts'

type Box = readonly [number, number, number, number]

/**
 * A page with the lines of a table over it: between columns, and above the first row. All can be dragged, and
 * moved by arrow keys.
 */
export function GridOver({
  packageId,
  sheet,
  grid,
  columns,
  rows,
  onChange,
}: {
  packageId: string
  sheet: Sheet
  grid: Grid
  columns: readonly { name: string; kind: string }[]
  rows: readonly Box[]
  onChange: (grid: Grid) => void
}) {
  const frame = useRef<HTMLDivElement>(null)
  const shape = shapeOf(sheet)
  const edge = (i: number, to: number) => {
    const [least, most] = [(grid.edges[i - 1] ?? -0.01) + 0.01, (grid.edges[i + 1] ?? 1.01) - 0.01]
    onChange({ ...grid, edges: grid.edges.with(i, Math.max(least, Math.min(most, to))) })
  }
  const column = (i: number, change: Partial<Grid['columns'][number]>) =>
    onChange({ ...grid, columns: grid.columns.with(i, { ...grid.columns[i], ...change }) })
  const part = (i: number) =>
    onChange({
      ...grid,
      edges: grid.edges.toSpliced(i + 1, 0, (grid.edges[i] + grid.edges[i + 1]) / 2),
      columns: grid.columns.toSpliced(i + 1, 0, { name: null, out: false }),
    })
  const joinNext = (i: number) =>
    onChange({ ...grid, edges: grid.edges.toSpliced(i + 1, 1), columns: grid.columns.toSpliced(i + 1, 1) })
  return (
    <div
      ref={frame}
      className="relative touch-none bg-paper shadow-md select-none"
      style={{ aspectRatio: `${shape.width} / ${shape.height}` }}
    >
      <img
        src={pictureUrl(packageId, sheet, 'large')}
        alt={`Page ${sheet.number}`}
        draggable={false}
        className="absolute inset-0 size-full"
      />
      {rows.map((box) => (
        <div
          key={box.join()}
          className="pointer-events-none absolute border-l-4 border-[#0d5c6b] bg-[#0d5c6b14]"
          style={{
            left: `${grid.edges[0] * 100}%`,
            width: `${(grid.edges.at(-1)! - grid.edges[0]) * 100}%`,
            top: `${box[1] * 100}%`,
            height: `${(box[3] - box[1]) * 100}%`,
          }}
        />
      ))}
      <Line
        frame={frame}
        way="down"
        label="Above the first row"
        at={grid.top}
        style={{ top: `${grid.top * 100}%`, left: 0, right: 0, height: 9, marginTop: -4 }}
        onMove={(to) => onChange({ ...grid, top: Math.max(0, Math.min(0.98, to)) })}
      />
      {grid.edges.map((at, i) => (
        <Line
          key={i}
          frame={frame}
          way="across"
          label={
            i === 0
              ? 'Left edge'
              : i === grid.edges.length - 1
                ? 'Right edge'
                : `Between column ${i} and ${i + 1}`
          }
          at={at}
          style={{ left: `${at * 100}%`, top: 0, bottom: 0, width: 9, marginLeft: -4 }}
          onMove={(to) => edge(i, to)}
        />
      ))}
      {grid.columns.map((c, i) => (
        <ColumnHead
          key={i}
          number={i + 1}
          column={c}
          known={columns}
          style={{
            left: `${grid.edges[i] * 100}%`,
            width: `${(grid.edges[i + 1] - grid.edges[i]) * 100}%`,
            top: `max(0px, calc(${grid.top * 100}% - 52px))`,
          }}
          onChange={(change) => column(i, change)}
          onPart={() => part(i)}
          onJoin={i < grid.columns.length - 1 ? () => joinNext(i) : null}
        />
      ))}
    </div>
  )
}

/** What a column holds; it may be parted in two, or joined with the next. */
function ColumnHead({
  number,
  column,
  known,
  style,
  onChange,
  onPart,
  onJoin,
}: {
  number: number
  column: Grid['columns'][number]
  known: readonly { name: string; kind: string }[]
  style: React.CSSProperties
  onChange: (change: Grid['columns'][number]) => void
  onPart: () => void
  onJoin: (() => void) | null
}) {
  return (
    <div className="absolute grid gap-0.5 px-1" style={style}>
      <select
        aria-label={`What column ${number} holds`}
        className="w-full min-w-0 rounded border border-[#0d5c6b] bg-white px-0.5 text-[11px] text-[#15222b]"
        value={column.name === null ? '' : `${column.name}${column.out ? ' out' : ''}`}
        onChange={(event) => {
          const [name, out] = event.target.value.split(' ')
          onChange({ name: name || null, out: out === 'out' })
        }}
      >
        <option value="">nothing of use</option>
        {known.flatMap((k) => [
          <option key={k.name} value={k.name}>
            {k.name.replaceAll('_', ' ')}
          </option>,
          ...(k.kind === 'money'
            ? [
                <option key={`${k.name} out`} value={`${k.name} out`}>
                  {k.name.replaceAll('_', ' ')}, going out
                </option>,
              ]
            : []),
        ])}
      </select>
      <span className="flex gap-1 text-[11px]">
        <button
          type="button"
          className="rounded border border-[#0d5c6b] bg-white px-1 text-[#15222b]"
          title="Part this column in two"
          onClick={onPart}
        >
          part
        </button>
        {onJoin ? (
          <button
            type="button"
            className="rounded border border-[#0d5c6b] bg-white px-1 text-[#15222b]"
            title="Join with the next column"
            onClick={onJoin}
          >
            join
          </button>
        ) : null}
      </span>
    </div>
  )
}

function Line({
  frame,
  way,
  label,
  at,
  style,
  onMove,
}: {
  frame: React.RefObject<HTMLDivElement | null>
  way: 'down' | 'across'
  label: string
  at: number
  style: React.CSSProperties
  onMove: (to: number) => void
}) {
  const drag = (event: React.PointerEvent) => {
    const box = frame.current!.getBoundingClientRect()
    onMove(way === 'down' ? (event.clientY - box.top) / box.height : (event.clientX - box.left) / box.width)
  }
  const [less, more] = way === 'down' ? ['ArrowUp', 'ArrowDown'] : ['ArrowLeft', 'ArrowRight']
  return (
    <div
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuemin={0}
      aria-valuemax={100}
      aria-valuenow={Math.round(at * 100)}
      data-view-keys
      className={clsx(
        'absolute z-1',
        way === 'down' ? 'cursor-row-resize' : 'cursor-col-resize',
        'focus:outline-2 focus:outline-[#0d5c6b]',
      )}
      style={style}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId)
        event.currentTarget.focus()
      }}
      onPointerMove={(event) => {
        if (event.currentTarget.hasPointerCapture(event.pointerId)) drag(event)
      }}
      onKeyDown={(event) => {
        if (event.key !== less && event.key !== more) return
        event.preventDefault()
        event.stopPropagation()
        onMove(at + (event.key === more ? 1 : -1) * (event.shiftKey ? 0.02 : 0.004))
      }}
    >
      <div
        className={clsx(
          'pointer-events-none bg-[#0d5c6b]',
          way === 'down' ? 'mt-1 h-0.5 w-full' : 'ml-1 h-full w-0.5',
        )}
      />
    </div>
  )
}

import { addDays, dayName, daysBetween, monthIndex, monthName } from '../../core/text/index.ts'
import type { Lane, TimeLine as Line } from '../../core/dossier/index.ts'

const HEIGHT = 26
const LEFT = 120
const WIDTH = 900

/** Statements and pay days along the days: what is covered, and which days nobody has. */
export function TimeLine({
  line,
  asOf,
  titles,
  onOpen,
}: {
  line: Line
  asOf: string
  titles: ReadonlyMap<string, string>
  onOpen: (document: string, field: string | null) => void
}) {
  const all = daysBetween(line.from, line.to) + 1
  const x = (day: string) =>
    LEFT + (Math.max(0, Math.min(all, daysBetween(line.from, day))) / all) * (WIDTH - LEFT)
  const months = Array.from(
    { length: monthIndex(line.to) - monthIndex(line.from) + 1 },
    (_, i) => monthIndex(line.from) + i,
  )
  const start = (month: number) => `${Math.floor(month / 12)}-${String((month % 12) + 1).padStart(2, '0')}-01`
  const gaps = line.lanes.flatMap((l) => l.gaps.map((g) => ({ ...g, title: titles.get(l.type) ?? l.type })))
  const bottom = 22 + line.lanes.length * HEIGHT
  return (
    <section aria-label="Along the days" className="card mt-3 p-3.5">
      <h2 className="mb-1 text-sm font-semibold">
        Along the days{' '}
        {gaps.length > 0 ? (
          <span className="ml-2 font-normal text-plum">
            {gaps.map((g) => `${g.title}: nothing from ${dayName(g.start)} to ${dayName(g.end)}`).join('; ')}
          </span>
        ) : null}
      </h2>
      <svg
        viewBox={`0 0 ${WIDTH} ${bottom + 4}`}
        className="w-full max-w-5xl"
        role="group"
        aria-label="Papers along the days"
      >
        <defs>
          <pattern id="gap" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <line x1="0" y1="0" x2="0" y2="6" stroke="var(--plum)" strokeWidth="1.6" />
          </pattern>
        </defs>
        {months.map((m) => (
          <g key={m}>
            <line x1={x(start(m))} x2={x(start(m))} y1={14} y2={bottom} stroke="var(--line-2)" />
            <text x={x(start(m)) + 4} y={10} fontSize="11" fill="var(--ink-2)">
              {months.length > 14 && m % 3 !== 0 ? '' : monthName(m).slice(0, 3)}
              {m % 12 === 0 || m === months[0] ? ` ${Math.floor(m / 12)}` : ''}
            </text>
          </g>
        ))}
        {line.lanes.map((lane, i) => (
          <LaneRow
            key={lane.type}
            lane={lane}
            title={titles.get(lane.type) ?? lane.type}
            y={20 + i * HEIGHT}
            bottom={bottom}
            x={x}
            onOpen={onOpen}
          />
        ))}
        <line x1={x(asOf)} x2={x(asOf)} y1={14} y2={bottom} stroke="var(--ink)" strokeWidth="1.5" />
        <text x={x(asOf) - 4} y={bottom - 2} fontSize="11" textAnchor="end" fill="var(--ink)">
          checked
        </text>
      </svg>
    </section>
  )
}

/** Where a day stands, in the drawing's own measure. */
type Scale = (day: string) => number
type Open = (document: string, field: string | null) => void

function LaneRow({
  lane,
  title,
  y,
  bottom,
  x,
  onOpen,
}: {
  lane: Lane
  title: string
  y: number
  bottom: number
  x: Scale
  onOpen: Open
}) {
  return (
    <g>
      <text x={0} y={y + 14} fontSize="12" fontWeight="600" fill="var(--ink)">
        {title}
      </text>
      {lane.gaps.map((g) => (
        <rect
          key={g.start}
          x={x(g.start)}
          y={y + 3}
          width={Math.max(3, x(addDays(g.end, 1)) - x(g.start))}
          height={14}
          fill="url(#gap)"
          stroke="var(--plum)"
          strokeWidth="1"
        >
          <title>{`Nothing from ${dayName(g.start)} to ${dayName(g.end)}`}</title>
        </rect>
      ))}
      {lane.spans.map((span) => (
        <SpanBar key={span.document} span={span} y={y} x={x} onOpen={onOpen} />
      ))}
      {lane.marks.map((mark) => (
        <MarkDiamond key={mark.document} mark={mark} y={y} bottom={bottom} x={x} onOpen={onOpen} />
      ))}
    </g>
  )
}

function SpanBar({ span, y, x, onOpen }: { span: Lane['spans'][number]; y: number; x: Scale; onOpen: Open }) {
  return (
    <a
      href={`#${span.document}`}
      aria-label={`${span.label}, ${dayName(span.start)} to ${dayName(span.end)}`}
      onClick={(event) => {
        event.preventDefault()
        onOpen(span.document, null)
      }}
    >
      <rect
        x={x(span.start)}
        y={y + 3}
        width={Math.max(3, x(addDays(span.end, 1)) - x(span.start) - 1.5)}
        height={14}
        rx="2"
        fill="var(--petrol-soft)"
        stroke="var(--petrol)"
      >
        <title>{`${span.label}: ${dayName(span.start)} to ${dayName(span.end)}`}</title>
      </rect>
    </a>
  )
}

function MarkDiamond({
  mark,
  y,
  bottom,
  x,
  onOpen,
}: {
  mark: Lane['marks'][number]
  y: number
  bottom: number
  x: Scale
  onOpen: Open
}) {
  return (
    <a
      href={`#${mark.document}`}
      aria-label={`${mark.label}, ${dayName(mark.day)}`}
      onClick={(event) => {
        event.preventDefault()
        onOpen(mark.document, mark.field)
      }}
    >
      <line
        x1={x(mark.day)}
        x2={x(mark.day)}
        y1={20}
        y2={bottom}
        stroke="var(--petrol)"
        strokeDasharray="2 3"
      />
      <rect
        x={x(mark.day) - 4.5}
        y={y + 5}
        width={9}
        height={9}
        transform={`rotate(45 ${x(mark.day)} ${y + 9.5})`}
        fill="var(--petrol)"
      >
        <title>{`${mark.label}: ${dayName(mark.day)}`}</title>
      </rect>
    </a>
  )
}

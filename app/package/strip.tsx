import { clsx } from 'clsx'
import { useVirtualizer } from '@tanstack/react-virtual'
import { Minus, Plus } from 'lucide-react'
import { useEffect, useMemo, useRef, useState } from 'react'
import type { Document } from '../../core/findings/index.ts'
import { useLooking } from './looking.tsx'
import { pictureUrl, type Sheet } from './sheet.ts'
import { apartOf, usePackage, type PackageView } from './view.ts'

/** A page in the order of the documents. */
export interface Spot {
  page: number
  document: Document | null
  first: boolean
  /** What it is that is in no document: a blank back, a sheet between papers. */
  apart: string | null
}

/** Pages in the order of the documents; pages in none (blanks, separators) stay behind the page before them. */
export function spotsOf(
  assessment: NonNullable<PackageView['assessment']> | null,
  sheets: PackageView['sheets'],
): Spot[] {
  const apart = (page: number) => {
    const sheet = sheets[page - 1]
    return sheet ? apartOf(sheet) : null
  }
  if (!assessment)
    return sheets.map((s) => ({ page: s.number, document: null, first: false, apart: apartOf(s) }))
  const placed = new Set(assessment.documents.flatMap((d) => d.pages))
  const spots: Spot[] = []
  const outside = (after: number) => {
    for (let page = after + 1; page <= sheets.length && !placed.has(page); page++) {
      placed.add(page)
      spots.push({ page, document: null, first: false, apart: apart(page) })
    }
  }
  outside(0)
  for (const document of assessment.documents) {
    document.pages.forEach((page, i) => spots.push({ page, document, first: i === 0, apart: null }))
    document.pages.forEach(outside)
  }
  return spots
}

const HEIGHTS = [26, 44, 62, 92]
const GAP = 20
/** Least width of a document in the strip, so that its name can be read. */
const ROOM = 66

/** All pages as one band with cuts between documents: map and navigation of the package, the same on every view. */
export function Strip() {
  const { row, assessment, sheets } = usePackage()
  const { page, look, found } = useLooking()
  const hits = useMemo(() => new Set(found.map((h) => h.page)), [found])
  const [size, setSize] = useState(2)
  const scroller = useRef<HTMLDivElement>(null)
  const spots = useMemo(() => spotsOf(assessment, sheets), [assessment, sheets])
  const { loose, odd, cuts } = useStates(assessment)
  const high = HEIGHTS[size]
  const wide = Math.round(high * 0.72)
  const virtual = useVirtualizer({
    horizontal: true,
    count: spots.length,
    getScrollElement: () => scroller.current,
    estimateSize: (i) => wide + 3 + (spots[i].first && i > 0 ? GAP : 0) + roomBehind(spots, i, wide),
    overscan: 12,
    initialRect: { width: 1240, height: 110 },
  })
  useEffect(() => virtual.measure(), [high, spots, virtual])
  const here = spots.findIndex((s) => s.page === page)
  useEffect(() => {
    if (here >= 0) virtual.scrollToIndex(here, { align: 'auto' })
  }, [here, high, virtual])
  const items = virtual.getVirtualItems()
  const current = assessment?.documents.find((d) => d.pages.includes(page))
  return (
    <section
      aria-label="Pages of the package"
      className="relative flex border-b border-line bg-band"
      style={{ height: high + 60 }}
    >
      <div ref={scroller} className="flex-1 overflow-x-auto overflow-y-hidden px-3 pt-2">
        <div className="relative h-full" style={{ width: virtual.getTotalSize() + 80 }}>
          {items.map((item) => {
            const spot = spots[item.index]
            const { document } = spot
            const left = item.start + (spot.first && item.index > 0 ? GAP : 0)
            const isLoose = document !== null && loose.has(document.id)
            const leads = spot.first || (document !== null && item.index === items[0].index)
            return (
              <div key={spot.page}>
                {spot.first && item.index > 0 ? (
                  <Cut at={left - GAP / 2 - 1} high={high} open={cuts.has(document!.id)} />
                ) : null}
                <Tile
                  spot={spot}
                  sheet={sheets[spot.page - 1]}
                  packageId={row.id}
                  hit={hits.has(spot.page)}
                  outline={
                    spot.page === page
                      ? 'outline-3 outline-petrol'
                      : document && document.id === current?.id
                        ? 'outline-2 outline-petrol/50'
                        : isLoose
                          ? 'outline-1 outline-dashed outline-amber'
                          : 'outline-1 outline-line'
                  }
                  current={spot.page === page}
                  style={{ left, width: wide, height: high }}
                  onClick={() => look(spot.page)}
                />
                {leads && document ? (
                  <Label
                    document={document}
                    left={left}
                    top={high + 8}
                    width={Math.max(ROOM, (wide + 3) * document.pages.length) + GAP - 8}
                    current={document.id === current?.id}
                    odd={odd.has(document.id)}
                    loose={isLoose}
                    onClick={() => look(spot.page)}
                  />
                ) : null}
              </div>
            )
          })}
        </div>
      </div>
      <Sizes onChange={(by) => setSize((s) => Math.max(0, Math.min(HEIGHTS.length - 1, s + by)))} />
    </section>
  )
}

/** Documents that have loose pieces, that are at odds with others, and whose beginning is asked about. */
function useStates(assessment: PackageView['assessment']) {
  const loose = useMemo(
    () => new Set(assessment?.deck.flatMap((q) => (q.document ? [q.document] : []))),
    [assessment],
  )
  const odd = useMemo(
    () =>
      new Set([
        ...(assessment?.facts ?? [])
          .filter((f) => f.status === 'conflict')
          .flatMap((f) => f.evidence.filter((e) => e.relation === 'different').map((e) => e.document)),
        ...(assessment?.checks ?? [])
          .filter((c) => c.status === 'failed' && !c.settled)
          .flatMap((c) => c.documents),
      ]),
    [assessment],
  )
  const cuts = useMemo(
    () => new Set(assessment?.deck.filter((q) => q.about === 'cut').map((q) => q.document)),
    [assessment],
  )
  return { loose, odd, cuts }
}

/** One page in the strip. */
function Tile({
  spot,
  sheet,
  packageId,
  hit,
  outline,
  current,
  style,
  onClick,
}: {
  spot: Spot
  sheet: Sheet | undefined
  packageId: string
  /** It has what was looked for. */
  hit: boolean
  outline: string
  current: boolean
  style: React.CSSProperties
  onClick: () => void
}) {
  return (
    <button
      type="button"
      tabIndex={-1}
      onClick={onClick}
      aria-label={`Page ${spot.page}${spot.apart ? `, ${spot.apart}` : ''}${hit ? ', has what was looked for' : ''}`}
      aria-current={current ? 'page' : undefined}
      className={clsx(
        'absolute top-1 overflow-hidden rounded-xs bg-paper',
        outline,
        spot.apart && 'opacity-40',
      )}
      style={style}
    >
      {sheet?.drawn ? (
        <img
          src={pictureUrl(packageId, sheet, 'small')}
          alt=""
          loading="lazy"
          className="size-full object-contain"
        />
      ) : (
        <span className="text-xs text-[#8596a2]">…</span>
      )}
      {hit ? <span aria-hidden className="absolute inset-x-0 bottom-0 h-1.5 bg-[#b97900]" /> : null}
    </button>
  )
}

function Sizes({ onChange }: { onChange: (by: 1 | -1) => void }) {
  return (
    <div className="flex flex-col gap-1 p-2">
      <button
        type="button"
        className="grid size-6 place-items-center rounded border border-line bg-sheet"
        aria-label="Larger pages in the strip"
        onClick={() => onChange(1)}
      >
        <Plus size={13} />
      </button>
      <button
        type="button"
        className="grid size-6 place-items-center rounded border border-line bg-sheet"
        aria-label="Smaller pages in the strip"
        onClick={() => onChange(-1)}
      >
        <Minus size={13} />
      </button>
    </div>
  )
}

/** Space behind a document's last page that its name needs. */
function roomBehind(spots: readonly Spot[], i: number, wide: number): number {
  const { document } = spots[i]
  if (!document || (spots[i + 1] && spots[i + 1].document === document)) return 0
  return Math.max(0, ROOM - document.pages.length * (wide + 3))
}

function Cut({ at, high, open }: { at: number; high: number; open: boolean }) {
  return (
    <span
      aria-hidden
      className={`absolute top-0 border-l-2 border-dashed ${open ? 'border-amber' : 'border-ink-3'}`}
      style={{ left: at, height: high + 8 }}
    >
      {open ? (
        <span className="absolute -left-2.5 top-1/3 grid size-4.5 place-items-center rounded-full bg-amber text-[11px] font-bold text-sheet">
          ?
        </span>
      ) : null}
    </span>
  )
}

/** A document's name under its pages: a knob where something is loose, a notch where it is at odds with others. */
function Label({
  document,
  left,
  top,
  width,
  current,
  odd,
  loose,
  onClick,
}: {
  document: Document
  left: number
  top: number
  width: number
  current: boolean
  odd: boolean
  loose: boolean
  onClick: () => void
}) {
  const state = odd ? 'at odds with other papers' : loose ? 'has loose pieces' : ''
  return (
    <button
      type="button"
      tabIndex={-1}
      title={[`${document.label}, ${pagesInWords(document.pages)}`, state].filter(Boolean).join(': ')}
      onClick={onClick}
      className={clsx(
        'absolute flex items-baseline gap-1 text-left text-xs leading-[1.15]',
        current ? 'font-bold text-petrol' : 'text-ink-2',
      )}
      style={{ left, top, width }}
    >
      {odd ? (
        <span
          aria-hidden
          className="size-2.5 shrink-0 rounded-full border-2 border-plum [clip-path:polygon(0_0,100%_0,60%_50%,100%_100%,0_100%)]"
        />
      ) : loose ? (
        <span aria-hidden className="size-2 shrink-0 rounded-full bg-amber" />
      ) : null}
      <span className="line-clamp-2">
        {shortened(document.label)}
        {loose && document.needsReview ? '?' : ''}
      </span>
    </button>
  )
}

/** "Payslip February 2026" as "Payslip Feb": the strip has little room, and the whole name stands in its title. */
const shortened = (label: string): string => label.replace(/\b([A-Z][a-z]{2})[a-z]* \d{4}\b/, '$1')

const pagesInWords = (pages: readonly number[]): string =>
  pages.length === 1 ? `page ${pages[0]}` : `pages ${pages[0]} to ${pages.at(-1)}`

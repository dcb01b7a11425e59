import { clsx } from 'clsx'
import { useVirtualizer } from '@tanstack/react-virtual'
import { memo, useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react'
import { useNavigate } from 'react-router'
import { count } from '../../parts/format.ts'
import { useKeys } from '../../parts/keys.ts'
import { useLooking } from '../../package/looking.tsx'
import { pictureUrl } from '../../package/sheet.ts'
import { spotsOf, type Spot } from '../../package/strip.tsx'
import { useJudged } from '../../package/view.ts'

/** Widths of a tile: from a glance over hundreds of pages to pages whose headings can be read. */
const WIDTHS = [58, 88, 128, 190, 280]
const ROOM = 12
const CAPTION = 36

/** All pages of the package as tiles, with the cuts between documents: for glancing over the whole. */
export default function Overview() {
  const { row, assessment, sheets } = useJudged()
  const { page, look, found } = useLooking()
  const navigate = useNavigate()
  const [size, setSize] = useState(2)
  const [across, setAcross] = useState(1)
  const scroller = useRef<HTMLDivElement>(null)
  const spots = useMemo(() => spotsOf(assessment, sheets), [assessment, sheets])
  const hits = useMemo(() => new Set(found.map((h) => h.page)), [found])
  const loose = useMemo(
    () => new Set(assessment.deck.flatMap((q) => (q.document ? [q.document] : []))),
    [assessment],
  )
  const wide = WIDTHS[size]
  const high = Math.round(wide * 1.36)
  useLayoutEffect(() => {
    const element = scroller.current
    if (!element) return
    const fit = () => setAcross(Math.max(1, Math.floor(element.clientWidth / (wide + ROOM))))
    const watch = new ResizeObserver(fit)
    watch.observe(element)
    fit()
    return () => watch.disconnect()
  }, [wide])
  const rows = Math.ceil(spots.length / across)
  const virtual = useVirtualizer({
    count: rows,
    getScrollElement: () => scroller.current,
    estimateSize: () => high + CAPTION,
    overscan: 3,
    initialRect: { width: 1100, height: 640 },
  })
  useEffect(() => virtual.measure(), [high, across, virtual])
  const here = spots.findIndex((s) => s.page === page)
  useEffect(() => {
    if (here >= 0) virtual.scrollToIndex(Math.floor(here / across), { align: 'auto' })
  }, [here, across, virtual])
  const step = (by: number) => {
    const to = spots[Math.max(0, Math.min(spots.length - 1, here + by))]
    if (to) look(to.page)
  }
  const open = useCallback(() => void navigate(`../papers?page=${page}`), [navigate, page])
  useKeys({
    arrowleft: () => step(-1),
    arrowright: () => step(1),
    arrowup: () => step(-across),
    arrowdown: () => step(across),
    enter: open,
    '+': () => setSize((s) => Math.min(WIDTHS.length - 1, s + 1)),
    '-': () => setSize((s) => Math.max(0, s - 1)),
  })
  return (
    <div className="flex h-full flex-col">
      <div className="mb-2 flex flex-wrap items-center gap-3 text-sm">
        <h1 className="mr-auto text-xl font-semibold">
          {count(spots.length, 'page')}, {count(assessment.documents.length, 'document')}
        </h1>
        <label className="flex items-center gap-2 text-ink-2">
          <span className="key">−</span>
          <input
            type="range"
            min={0}
            max={WIDTHS.length - 1}
            value={size}
            aria-label="Size of the pages"
            onChange={(event) => setSize(Number(event.target.value))}
            className="w-28 accent-(--petrol)"
          />
          <span className="key">+</span>
        </label>
        <button type="button" className="button px-2 py-1" onClick={open}>
          <span className="key">Enter</span>to its papers
        </button>
      </div>
      <div ref={scroller} className="min-h-80 flex-1 overflow-y-auto pt-1">
        <div className="relative" style={{ height: virtual.getTotalSize() }}>
          {virtual.getVirtualItems().map((item) => (
            <div
              key={item.key}
              className="absolute inset-x-0 flex"
              style={{ top: item.start, height: item.size }}
            >
              {spots.slice(item.index * across, (item.index + 1) * across).map((spot, i) => (
                <Tile
                  key={spot.page}
                  spot={spot}
                  named={spot.first || i === 0}
                  src={pictureUrl(row.id, sheets[spot.page - 1], wide > 150 ? 'large' : 'small')}
                  wide={wide}
                  high={high}
                  current={spot.page === page}
                  loose={spot.document !== null && loose.has(spot.document.id)}
                  hit={hits.has(spot.page)}
                  onLook={look}
                  onOpen={open}
                />
              ))}
            </div>
          ))}
        </div>
      </div>
    </div>
  )
}

/** One page. Rolling brings new ones and leaves those that are there as they are. */
const Tile = memo(function Tile({
  spot,
  named,
  src,
  wide,
  high,
  current,
  loose,
  hit,
  onLook,
  onOpen,
}: {
  spot: Spot
  named: boolean
  src: string
  wide: number
  high: number
  current: boolean
  loose: boolean
  hit: boolean
  onLook: (page: number) => void
  onOpen: () => void
}) {
  const { document, page } = spot
  return (
    <div
      className={clsx(
        'shrink-0 pl-1.5',
        spot.first ? 'border-l-2 border-dashed border-ink-3' : 'border-l-2 border-transparent',
      )}
      style={{ width: wide + ROOM }}
    >
      <button
        type="button"
        data-view-keys
        onClick={() => onLook(page)}
        onDoubleClick={onOpen}
        aria-label={`Page ${page}${spot.apart ? `, ${spot.apart}` : ''}${loose ? ', has loose pieces' : ''}${hit ? ', has what was looked for' : ''}`}
        aria-current={current ? 'page' : undefined}
        className={clsx(
          'relative block overflow-hidden rounded-xs bg-paper',
          current
            ? 'outline-3 outline-petrol'
            : loose
              ? 'outline-1 outline-dashed outline-amber'
              : 'outline-1 outline-line',
          spot.apart && 'opacity-40',
        )}
        style={{ width: wide, height: high }}
      >
        <img
          src={src}
          alt=""
          loading="lazy"
          decoding="async"
          draggable={false}
          className="size-full object-contain"
        />
        {hit ? <span aria-hidden className="absolute inset-x-0 bottom-0 h-1.5 bg-[#b97900]" /> : null}
      </button>
      <span
        className="flex items-baseline gap-1 pt-0.5 text-xs leading-tight text-ink-2"
        style={{ width: wide }}
      >
        <span className={current ? 'font-bold text-petrol' : 'text-ink-3'}>{page}</span>
        <span className="line-clamp-2 overflow-hidden" title={document?.label}>
          {spot.apart ?? (named && document ? document.label : '')}
        </span>
      </span>
    </div>
  )
})

import { clsx } from 'clsx'
import {
  DndContext,
  DragOverlay,
  PointerSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core'
import { defaultRangeExtractor, useVirtualizer } from '@tanstack/react-virtual'
import { Dialog } from 'radix-ui'
import { memo, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react'
import { Link, useNavigate } from 'react-router'
import type { Answer } from '../../../core/answers/answer.ts'
import type { Document } from '../../../core/findings/document.ts'
import { count } from '../../parts/format.ts'
import { useKeys } from '../../parts/keys.ts'
import { GAP, rowsOf } from '../../package/group-rows.ts'
import { useLooking } from '../../package/looking.tsx'
import { useSay } from '../../package/say.ts'
import { pictureUrl } from '../../package/sheet.ts'
import { TypePicker } from '../../package/type-picker.tsx'
import { apartOf, documentOfPage, isClosed, useJudged } from '../../package/view.ts'

/** The documents as groups of pages on a table: cut, join, move, retype. */
export default function Papers() {
  const { row, assessment, sheets } = useJudged()
  const { documents } = assessment
  const { page, look } = useLooking()
  const say = useSay()
  const navigate = useNavigate()
  const [held, setHeld] = useState<ReadonlySet<number>>(new Set())
  const [retyping, setRetyping] = useState<Document | null>(null)
  const [dragging, setDragging] = useState<number | null>(null)
  const order = useMemo(() => documents.flatMap((d) => d.pages), [documents])
  const placed = useMemo(() => new Set(order), [order])
  const outside = sheets.filter((s) => !placed.has(s.number))
  const [parting, setParting] = useState(false)
  const last = useRef<number | null>(null)
  const here = documentOfPage(documents, page)
  const index = here ? documents.indexOf(here) : -1
  const closed = isClosed(row)

  const answer = (...answers: Answer[]) => {
    if (!closed && !say.busy) {
      say.answer(...answers)
      setHeld(new Set())
    }
  }
  // Pages in no document come last, so that the keys reach them too.
  const walk = [...order, ...outside.map((s) => s.number)]
  const step = (by: number, held: boolean) => {
    const to = walk[walk.indexOf(page) + by]
    if (!to) return
    if (held) {
      last.current = to
      setHeld((now) => new Set([...now, page, to]))
    }
    look(to)
  }
  const jump = (by: number) => {
    const to = documents[index + by]
    if (to) look(to.pages[0])
  }
  const cut = () => {
    if (here) answer({ kind: 'cut', page, begins: true })
  }
  const join = () => {
    if (here && index > 0) answer({ kind: 'cut', page: here.pages[0], begins: false })
  }
  const moveBehind = (behind: number | null, pages: number[]) => {
    if (pages.length > 0 && !(behind !== null && pages.includes(behind)))
      answer({ kind: 'move', pages, behind })
  }
  const lifted = () => (held.size > 0 ? walk.filter((p) => held.has(p)) : [])
  const toggle = (p: number) => {
    last.current = p
    setHeld((now) => {
      const next = new Set(now)
      if (!next.delete(p)) next.add(p)
      return next
    })
  }
  const stretch = (p: number) => {
    const [a, b] = [order.indexOf(last.current ?? page), order.indexOf(p)]
    if (a < 0 || b < 0) return toggle(p)
    setHeld((now) => new Set([...now, ...order.slice(Math.min(a, b), Math.max(a, b) + 1)]))
  }
  const aside = () => {
    const pages = held.size ? lifted() : here ? [page] : []
    if (pages.length) answer({ kind: 'aside', pages })
  }
  const turn = () =>
    answer(
      ...(held.size ? lifted() : [page]).map((p): Answer => ({
        kind: 'turn',
        page: p,
        rotation: (((sheets[p - 1]?.rotation ?? 0) + 90) % 360) as 0 | 90 | 180 | 270,
      })),
    )
  const part = (every: number) => {
    if (here)
      answer(
        ...here.pages.flatMap((p, i): Answer[] =>
          i > 0 && i % every === 0 ? [{ kind: 'cut', page: p, begins: true }] : [],
        ),
      )
  }
  // Two pages picked up, or this one and the one it may be a copy of or go on from.
  const twin = held.size === 2 ? lifted() : here ? [page, pairOf(here, page, documents) ?? 0] : []
  const compare = () => {
    if (twin[1]) void navigate(`../compare?page=${twin[0]}&with=${twin[1]}`)
  }
  const letCount = (document: Document) => answer({ kind: 'version', page: document.pages[0] })
  const nextLoose = () => {
    const loose = documents.filter((d) => d.needsReview && !d.typeSaid)
    const to = loose.find((d) => documents.indexOf(d) > index) ?? loose[0]
    if (to) look(to.pages[0])
  }
  useKeys({
    arrowright: (event) => step(1, event.shiftKey),
    arrowleft: (event) => step(-1, event.shiftKey),
    arrowdown: () => jump(1),
    arrowup: () => jump(-1),
    c: cut,
    j: join,
    t: () => here && setRetyping(here),
    ' ': () => toggle(page),
    m: () => moveBehind(page, lifted()),
    x: aside,
    r: turn,
    y: compare,
    b: () => {
      if (here && here.pages.length > 2 && !closed) setParting(true)
    },
    o: () => moveBehind(null, held.size ? lifted() : [page]),
    n: nextLoose,
    escape: () => setHeld(new Set()),
  })
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }))
  const drop = ({ active, over }: DragEndEvent) => {
    setDragging(null)
    if (!over) return
    const lead = Number(active.id)
    const pages = held.has(lead) ? lifted() : [lead]
    if (over.id === 'alone') moveBehind(null, pages)
    else moveBehind(Number(over.id), pages)
  }
  return (
    <DndContext
      sensors={sensors}
      onDragStart={({ active }) => setDragging(Number(active.id))}
      onDragCancel={() => setDragging(null)}
      onDragEnd={drop}
    >
      <div className="sticky top-0 z-5 -mt-1 mb-2 flex flex-wrap items-center gap-2 bg-table py-1 text-sm">
        <h1 className="mr-auto text-xl font-semibold">
          {count(documents.length, 'document')}
          {held.size ? (
            <span className="ml-3 text-sm font-normal text-petrol">{count(held.size, 'page')} picked up</span>
          ) : null}
        </h1>
        <Act k="C" disabled={closed || !here || here.pages[0] === page} onClick={cut}>
          starts here
        </Act>
        <Act k="J" disabled={closed || index < 1} onClick={join}>
          join
        </Act>
        <Act k="T" disabled={closed || !here} onClick={() => here && setRetyping(here)}>
          type
        </Act>
        <Act k="M" disabled={closed || held.size === 0} onClick={() => moveBehind(page, lifted())}>
          move here
        </Act>
        <Act k="O" disabled={closed || !here} onClick={() => moveBehind(null, held.size ? lifted() : [page])}>
          on its own
        </Act>
        <Act k="X" disabled={closed || (held.size === 0 && !here)} onClick={aside}>
          set aside
        </Act>
        <Act k="R" disabled={closed} onClick={turn}>
          turn
        </Act>
        <Act k="B" disabled={closed || !here || here.pages.length < 3} onClick={() => setParting(true)}>
          part evenly
        </Act>
        <Act k="Y" disabled={!twin[1]} onClick={compare}>
          compare
        </Act>
        <Act k="N" disabled={!documents.some((d) => d.needsReview && !d.typeSaid)} onClick={nextLoose}>
          next loose
        </Act>
      </div>
      <Table documents={documents} pages={dragging === null ? [page] : [page, dragging]}>
        {(d, width) => (
          <Group
            key={d.pages[0]}
            document={d}
            width={width}
            current={d === here}
            held={held}
            dragging={dragging}
            onToggle={toggle}
            onStretch={stretch}
            onRetype={setRetyping}
            onCount={closed ? null : letCount}
          />
        )}
      </Table>
      {outside.length > 0 ? (
        <section aria-label="In no document" className="mb-4 rounded-lg border border-line bg-band p-2">
          <h2 className="mb-1.5 text-[13px] font-semibold text-ink-2">
            In no document <span className="font-normal">· pick one up and move it to bring it back</span>
          </h2>
          <div className="flex flex-wrap gap-1.5">
            {outside.map((s) => (
              <span key={s.number} className="grid justify-items-center gap-0.5 text-xs text-ink-2">
                <PageTile
                  page={s.number}
                  held={held.has(s.number)}
                  lifted={dragging === s.number}
                  onToggle={() => toggle(s.number)}
                  onStretch={() => toggle(s.number)}
                />
                {apartOf(s) ?? 'set aside'}
              </span>
            ))}
          </div>
        </section>
      ) : null}
      {dragging !== null ? <Alone /> : null}
      <DragOverlay>
        {dragging !== null ? (
          <span className="rounded bg-petrol px-2 py-1 text-sheet">
            {count(held.has(dragging) ? held.size : 1, 'page')}
          </span>
        ) : null}
      </DragOverlay>
      {parting && here ? (
        <PartEvenly
          pages={here.pages.length}
          onClose={() => setParting(false)}
          onChoose={(every) => {
            part(every)
            setParting(false)
          }}
        />
      ) : null}
      {retyping ? (
        <TypePicker
          open
          title={`What is ${retyping.pages.length === 1 ? `page ${retyping.pages[0]}` : `pages ${retyping.pages[0]} to ${retyping.pages.at(-1)}`}?`}
          likely={retyping.types.map((t) => t.type)}
          onClose={() => setRetyping(null)}
          onChoose={(type) => {
            answer({ kind: 'type', page: retyping.pages[0], type })
            setRetyping(null)
          }}
        />
      ) : null}
    </DndContext>
  )
}

/**
 * What a page is worth comparing with: the same page of the paper that this one is a copy of, else the page
 * before it.
 */
function pairOf(document: Document, page: number, documents: readonly Document[]): number | undefined {
  const original = documents.find((d) => d.id === document.copyOf || d.id === document.supersededBy)
  if (original) return original.pages[Math.min(document.pages.indexOf(page), original.pages.length - 1)]
  const order = documents.flatMap((d) => d.pages)
  return order[order.indexOf(page) - 1] ?? order[order.indexOf(page) + 1]
}

function Act({
  k,
  children,
  ...rest
}: {
  k: string
  children: React.ReactNode
  disabled?: boolean
  onClick: () => void
}) {
  return (
    <button type="button" className="button px-2 py-1" {...rest}>
      <span className="key">{k}</span>
      {children}
    </button>
  )
}

/** What is said of a document behind its name. */
const noteOf = (document: Document): string => {
  const loose = document.needsReview && !document.typeSaid
  return [
    loose ? `${Math.round(document.confidence * 100)} sure` : document.typeSaid ? 'said' : '',
    document.lacking.length ? `page ${document.lacking.join(', ')} lacking` : '',
    document.copyOf ? 'a copy' : '',
    document.supersededBy ? 'older version' : '',
  ]
    .filter(Boolean)
    .join(', ')
}
const askedOf = (document: Document): number => document.fields.filter((f) => f.needsReview).length
/** Letters that "3 asked" and "let it count" take behind a name. */
const noted = (document: Document): number =>
  noteOf(document).length +
  (document.needsReview ? 3 : 0) +
  (askedOf(document) ? 11 : 0) +
  (document.supersededBy ? 14 : 0)

/**
 * The documents in rows, of which only those on the screen are drawn: a package may have hundreds.
 * @param pages whose rows are always drawn: the page that is looked at is rolled to wherever it is, and one
 * being dragged must not go away under the hand
 */
function Table({
  documents,
  pages,
  children,
}: {
  documents: readonly Document[]
  pages: readonly number[]
  children: (document: Document, width: number) => React.ReactNode
}) {
  const table = useRef<HTMLDivElement>(null)
  const [{ width, above }, setPlace] = useState({ width: 760, above: 0 })
  useLayoutEffect(() => {
    const element = table.current!
    const fit = () => {
      const scroller = scrollerOf(element)
      setPlace({
        width: element.clientWidth,
        above: Math.round(
          element.getBoundingClientRect().top - scroller.getBoundingClientRect().top + scroller.scrollTop,
        ),
      })
    }
    const watch = new ResizeObserver(fit)
    watch.observe(element)
    fit()
    return () => watch.disconnect()
  }, [])
  const rows = useMemo(() => rowsOf(documents, width, noted), [documents, width])
  const rowOf = useMemo(
    () =>
      new Map(
        rows.flatMap((row, i) => row.groups.flatMap((g) => g.document.pages.map((p) => [p, i] as const))),
      ),
    [rows],
  )
  const kept = pages.flatMap((p) => rowOf.get(p) ?? [])
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => table.current && scrollerOf(table.current),
    estimateSize: (i) => rows[i].height,
    getItemKey: (i) => rows[i].groups[0].document.pages[0],
    gap: 12,
    overscan: 3,
    scrollMargin: above,
    initialRect: { width: 1000, height: 700 },
    rangeExtractor: (range) => [...new Set([...kept, ...defaultRangeExtractor(range)])].sort((a, b) => a - b),
  })
  return (
    <div ref={table} className="relative mb-6" style={{ height: virtual.getTotalSize() }}>
      {virtual.getVirtualItems().map((item) => (
        <div
          key={item.key}
          ref={virtual.measureElement}
          data-index={item.index}
          className="absolute inset-x-0 flex items-start"
          style={{ top: item.start - above, gap: GAP }}
        >
          {rows[item.index].groups.map((group) => children(group.document, group.width))}
        </div>
      ))}
    </div>
  )
}

/**
 * What rolls when the wheel is turned over an element: on a narrow screen the whole view, on a wide one its
 * column.
 */
function scrollerOf(element: HTMLElement): HTMLElement {
  let at = element.parentElement
  while (at?.parentElement && !/auto|scroll/.test(getComputedStyle(at).overflowY)) at = at.parentElement
  return at ?? element
}

/** A document. Rolling brings new ones, and leaves those that are there as they are. */
const Group = memo(function Group({
  document,
  width,
  current,
  held,
  dragging,
  onToggle,
  onStretch,
  onRetype,
  onCount,
}: {
  document: Document
  width: number
  current: boolean
  held: ReadonlySet<number>
  dragging: number | null
  onToggle: (page: number) => void
  onStretch: (page: number) => void
  onRetype: (document: Document) => void
  onCount: ((document: Document) => void) | null
}) {
  const { look } = useLooking()
  const loose = document.needsReview && !document.typeSaid
  const asked = askedOf(document)
  return (
    <section
      aria-label={document.label}
      style={{ width }}
      className={clsx(
        'shrink-0 rounded-lg border p-2',
        current
          ? 'border-petrol bg-sheet shadow-[0_0_0_1px_var(--petrol)]'
          : loose
            ? 'border-dashed border-amber bg-sheet'
            : 'border-line bg-sheet',
      )}
    >
      <div className="mb-1.5 flex items-baseline gap-2 text-[13px]">
        <button
          type="button"
          className="min-w-0 truncate font-semibold"
          title={`${document.label} · change the type (T)`}
          onClick={() => {
            look(document.pages[0])
            onRetype(document)
          }}
        >
          {document.label}
          {loose ? '?' : ''}
        </button>
        <span className="shrink-0 text-ink-2">{noteOf(document)}</span>
        {document.supersededBy && onCount ? (
          <button
            type="button"
            className="whitespace-nowrap text-petrol underline"
            title="This one counts instead of the other"
            onClick={() => onCount(document)}
          >
            let it count
          </button>
        ) : null}
        {asked ? (
          <Link
            to={`../values?page=${document.pages[0]}`}
            className="ml-auto rounded-full border border-dashed border-amber bg-amber-soft px-1.5 whitespace-nowrap text-ink"
          >
            {asked} asked
          </Link>
        ) : null}
      </div>
      <div className="flex flex-wrap gap-1.5">
        {document.pages.map((page) => (
          <PageTile
            key={page}
            page={page}
            held={held.has(page)}
            lifted={dragging !== null && (dragging === page || (held.has(dragging) && held.has(page)))}
            onToggle={() => onToggle(page)}
            onStretch={() => onStretch(page)}
          />
        ))}
      </div>
    </section>
  )
})

/** A page that can be looked at, picked up and dropped behind another. */
function PageTile({
  page,
  held,
  lifted,
  onToggle,
  onStretch,
}: {
  page: number
  held: boolean
  lifted: boolean
  onToggle: () => void
  onStretch: () => void
}) {
  const { row, sheets } = useJudged()
  const { page: current, look } = useLooking()
  const drag = useDraggable({ id: page })
  const drop = useDroppable({ id: page })
  const element = useRef<HTMLButtonElement | null>(null)
  useEffect(() => {
    if (current === page) void element.current?.scrollIntoView({ block: 'nearest' })
  }, [current, page])
  return (
    <button
      ref={(node) => {
        drag.setNodeRef(node)
        drop.setNodeRef(node)
        element.current = node
      }}
      type="button"
      data-view-keys
      {...drag.listeners}
      onClick={(event) => {
        look(page)
        if (event.shiftKey) onStretch()
        else if (event.ctrlKey || event.metaKey) onToggle()
      }}
      aria-label={`Page ${page}${held ? ', picked up' : ''}`}
      aria-current={current === page ? 'page' : undefined}
      className={clsx(
        'relative scroll-mt-24 touch-none rounded-xs bg-paper text-left',
        current === page ? 'outline-3 outline-petrol' : 'outline-1 outline-line',
        held && '-translate-y-1 shadow-lg outline-2 outline-petrol',
        lifted && 'opacity-40',
        drop.isOver && 'border-r-4 border-petrol',
      )}
    >
      <img
        src={pictureUrl(row.id, sheets[page - 1], 'small')}
        alt=""
        loading="lazy"
        decoding="async"
        draggable={false}
        className="h-24 w-17 object-contain"
      />
      <span className="block text-center text-xs text-[#44535e]">
        {held ? '↑ ' : ''}
        {page}
        {sheets[page - 1]?.poor ? ' !' : ''}
        {sheets[page - 1]?.again ? ' ↻' : ''}
      </span>
    </button>
  )
}

function Alone() {
  const { setNodeRef, isOver } = useDroppable({ id: 'alone' })
  return (
    <div
      ref={setNodeRef}
      className={clsx(
        'sticky bottom-2 z-5 ml-auto grid h-24 w-44 place-items-center rounded-lg border-2 border-dashed p-2 text-center text-sm shadow-lg',
        isOver ? 'border-petrol bg-petrol-soft' : 'border-ink-3 bg-sheet text-ink-2',
      )}
    >
      Drop here for a document of its own
    </div>
  )
}

/**
 * Asks how many pages each document of a batch has: a dozen payslips scanned in one go are parted with one
 * number.
 */
function PartEvenly({
  pages,
  onClose,
  onChoose,
}: {
  pages: number
  onClose: () => void
  onChoose: (every: number) => void
}) {
  const [every, setEvery] = useState('1')
  const count = Number(every)
  const valid = Number.isInteger(count) && count >= 1 && count < pages
  return (
    <Dialog.Root
      open
      onOpenChange={(open) => {
        if (!open) onClose()
      }}
    >
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-10 bg-[#0b111566]" />
        <Dialog.Content
          aria-describedby={undefined}
          className="card fixed top-[20vh] left-1/2 z-20 w-[min(420px,94vw)] -translate-x-1/2 p-5 shadow-xl"
        >
          <Dialog.Title className="mb-3 text-lg font-semibold">Part these {pages} pages</Dialog.Title>
          <form
            onSubmit={(event) => {
              event.preventDefault()
              if (valid) onChoose(count)
            }}
          >
            <label className="flex items-center gap-2">
              A document every{' '}
              <input
                className="field w-16"
                inputMode="numeric"
                autoFocus
                value={every}
                onFocus={(event) => event.target.select()}
                onChange={(event) => setEvery(event.target.value)}
              />{' '}
              pages
            </label>
            <p role="status" className="mt-2 text-sm text-ink-2">
              {valid
                ? `That makes ${Math.ceil(pages / count)} documents${lastOf(pages % count)}.`
                : `Give a number from 1 to ${pages - 1}.`}
            </p>
            <div className="mt-4 flex gap-2">
              <button type="submit" className="button-main" disabled={!valid}>
                Part them
              </button>
              <Dialog.Close className="button">Leave them</Dialog.Close>
            </div>
          </form>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}

/** How many pages the last of evenly parted documents has, where it has fewer. */
const lastOf = (rest: number): string =>
  rest === 0 ? '' : `, the last of ${rest === 1 ? 'one page' : `${rest} pages`}`

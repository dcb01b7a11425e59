import { clsx } from 'clsx'
import { useEffect, useRef, useState } from 'react'
import { type Box, boxAround, inside } from '../../core/model/index.ts'
import type { Picked } from './looking.tsx'
import { pictureUrl, shapeOf, type Sheet } from './sheet.ts'

interface PageWord {
  text: string
  box: Box
}

/** Words whose middle lies in `area`, in reading order. */
export function wordsIn(words: readonly PageWord[], area: Box): PageWord[] {
  // Words whose heights overlap by half stand in one line.
  return inside(words, area).sort((a, c) => {
    const line = Math.min(a.box[3] - a.box[1], c.box[3] - c.box[1]) / 2
    return Math.abs(a.box[1] - c.box[1]) < line ? a.box[0] - c.box[0] : a.box[1] - c.box[1]
  })
}

/** A smaller area than this, as a share of the page, is a click. */
const CLICK = 0.01
/** How far above or below a line, as a share of the page, a click still means a word of it. */
const NEAR = 0.004

/** The word under a point. */
const wordAt = (words: readonly PageWord[], [x, y]: Box): PageWord[] =>
  words
    .filter(({ box }) => box[0] <= x && box[2] >= x && box[1] - NEAR <= y && box[3] + NEAR >= y)
    .slice(0, 1)

/** An area drawn over a frame with the pointer, as shares of the frame. */
function useArea(
  frame: React.RefObject<HTMLDivElement | null>,
  active: boolean,
  onDrawn: (box: Box) => void,
) {
  const [drag, setDrag] = useState<Box | null>(null)
  const at = (event: React.PointerEvent): [number, number] => {
    const box = frame.current!.getBoundingClientRect()
    return [(event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height]
  }
  const box: Box | null = drag && [
    Math.min(drag[0], drag[2]),
    Math.min(drag[1], drag[3]),
    Math.max(drag[0], drag[2]),
    Math.max(drag[1], drag[3]),
  ]
  return {
    box,
    handlers: {
      onPointerDown: (event: React.PointerEvent) => {
        if (!active) return
        event.currentTarget.setPointerCapture(event.pointerId)
        const [x, y] = at(event)
        setDrag([x, y, x, y])
      },
      onPointerMove: (event: React.PointerEvent) => {
        if (!drag) return
        const [x, y] = at(event)
        setDrag([drag[0], drag[1], x, y])
      },
      onPointerUp: () => {
        if (!box) return
        setDrag(null)
        onDrawn(box)
      },
    },
  }
}

/**
 * Scrolls the place that a mark stands in, and nothing around it: a window that moved while the mouse goes over a list
 * would have it click something else.
 */
function bringToMiddle(mark: HTMLElement): void {
  let place = mark.parentElement
  while (place && !/auto|scroll/.test(getComputedStyle(place).overflowY)) place = place.parentElement
  if (!place) return mark.scrollIntoView({ block: 'center', inline: 'center' })
  const [within, at] = [place.getBoundingClientRect(), mark.getBoundingClientRect()]
  place.scrollBy({
    left: at.left + at.width / 2 - (within.left + within.width / 2),
    top: at.top + at.height / 2 - (within.top + within.height / 2),
  })
}

/** A page at full width of its place, with marks; while picking, words answer to click and drag. */
export function PageView({
  packageId,
  sheet,
  marks,
  found = [],
  picking,
  onPicked,
}: {
  packageId: string
  sheet: Sheet
  marks: readonly Box[]
  found?: readonly Box[]
  picking: boolean
  onPicked: (picked: Picked) => void
}) {
  const { number: page } = sheet
  const shape = shapeOf(sheet)
  const words = useWords(packageId, sheet)
  const frame = useRef<HTMLDivElement>(null)
  const first = useRef<HTMLDivElement>(null)
  useEffect(() => {
    if (first.current) bringToMiddle(first.current)
  }, [marks, page])

  const area = useArea(frame, picking, (box) => {
    const hit = box[2] - box[0] < CLICK && box[3] - box[1] < CLICK ? wordAt(words, box) : wordsIn(words, box)
    if (hit.length > 0)
      onPicked({ text: hit.map((w) => w.text).join(' '), page, box: boxAround(hit.map((w) => w.box)) })
  })
  const place = ([l, t, r, b]: Box, more = 0) => ({
    left: `${(l - more) * 100}%`,
    top: `${(t - more / 2) * 100}%`,
    width: `${(r - l + 2 * more) * 100}%`,
    height: `${(b - t + more) * 100}%`,
  })
  return (
    <div
      ref={frame}
      className={clsx('relative bg-paper shadow-md', picking && 'cursor-crosshair touch-none select-none')}
      style={{ aspectRatio: `${shape.width} / ${shape.height}` }}
      {...area.handlers}
    >
      <Picture packageId={packageId} sheet={sheet} />
      {sheet.again ? (
        <p
          role="status"
          className="absolute inset-x-0 top-0 bg-petrol px-2 py-1 text-center text-[13px] text-sheet"
        >
          Turned; being read again
        </p>
      ) : null}
      {found.map((box) => (
        <div
          key={box.join()}
          className="pointer-events-none absolute rounded-xs border-b-2 border-[#b97900] bg-[#ffd45e40]"
          style={place(box, 0.002)}
        />
      ))}
      {picking ? null : <Selectable words={words} shape={shape} />}
      {marks.map((box, i) => (
        <div
          key={box.join()}
          ref={i === 0 ? first : undefined}
          className="pointer-events-none absolute rounded-xs bg-[#ffd45e66] outline-2 outline-[#b97900]"
          style={place(box, 0.006)}
        />
      ))}
      {picking
        ? words.map((word, i) => (
            <div
              key={i}
              title={word.text}
              className="absolute rounded-xs hover:bg-[#0d5c6b33] hover:outline-1 hover:outline-[#0d5c6b]"
              style={place(word.box, 0.002)}
            />
          ))
        : null}
      {area.box ? (
        <div
          className="pointer-events-none absolute border border-[#0d5c6b] bg-[#0d5c6b22]"
          style={place(area.box)}
        />
      ) : null}
    </div>
  )
}

/** The words of the page, unseen over their picture, so that they can be selected and copied. */
function Selectable({
  words,
  shape,
}: {
  words: readonly PageWord[]
  shape: { width: number; height: number }
}) {
  return (
    <svg
      aria-hidden
      viewBox={`0 0 ${shape.width} ${shape.height}`}
      className="absolute inset-0 size-full select-text"
    >
      {words.map(({ text, box: [l, t, r, b] }, i) => (
        <text
          key={i}
          x={l * shape.width}
          y={(t + (b - t) * 0.8) * shape.height}
          fontSize={(b - t) * shape.height * 0.85}
          textLength={(r - l) * shape.width}
          lengthAdjust="spacingAndGlyphs"
          fill="transparent"
          className="cursor-text"
        >
          {text}{' '}
        </text>
      ))}
    </svg>
  )
}

/**
 * Large pictures are drawn after all pages are read; until then the small one is shown and the large one
 * asked for again.
 */
export function Picture({ packageId, sheet }: { packageId: string; sheet: Sheet }) {
  const { number: page } = sheet
  const url = pictureUrl(packageId, sheet, 'large')
  const [tries, setTries] = useState(0)
  const [missing, setMissing] = useState(false)
  useEffect(() => {
    setTries(0)
    setMissing(false)
  }, [url])
  const again = () => void setTimeout(() => setTries((n) => n + 1), 1500)
  return (
    <>
      <img
        key={url}
        src={tries ? `${url}&try=${tries}` : url}
        alt={`Page ${page}`}
        draggable={false}
        className={`absolute inset-0 size-full ${missing ? 'invisible' : ''}`}
        onLoad={(event) => {
          setMissing(false)
          if (event.currentTarget.naturalWidth < 400 && tries < 40) again()
        }}
        onError={() => {
          setMissing(true)
          if (tries < 40) again()
        }}
      />
      {missing ? (
        <p className="absolute inset-0 grid place-items-center p-4 text-center text-[#5d6d79]">
          The picture of page {page} is still being drawn.
        </p>
      ) : null}
    </>
  )
}

function useWords(packageId: string, { number: page, rotation, read }: Sheet): PageWord[] {
  // What a turned page says stands elsewhere.
  const key = `${page}:${rotation}:${read}`
  const [found, setFound] = useState<{ key: string; words: PageWord[] }>({ key: '', words: [] })
  useEffect(() => {
    if (found.key === key) return
    const stop = new AbortController()
    fetch(`/packages/${packageId}/pages/${page}/words`, { signal: stop.signal })
      .then((answer) => (answer.ok ? (answer.json() as Promise<{ words: PageWord[] }>) : { words: [] }))
      .then(
        ({ words }) => setFound({ key, words }),
        () => undefined,
      )
    return () => stop.abort()
  }, [packageId, page, key, found.key])
  return found.key === key ? found.words : []
}

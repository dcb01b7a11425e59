import { defaultRangeExtractor, useVirtualizer } from '@tanstack/react-virtual'
import { useLayoutEffect, useMemo, useRef, useState } from 'react'
import type { Document } from '../../../core/findings/index.ts'
import { noted } from './group.tsx'
import { GAP, rowsOf } from './group-rows.ts'

/**
 * The documents in rows, of which only those on the screen are drawn: a package may have hundreds.
 * @param pages whose rows are always drawn: the page that is looked at is rolled to wherever it is, and one
 * being dragged must not go away under the hand
 */
export function GroupTable({
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

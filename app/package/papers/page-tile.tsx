import { clsx } from 'clsx'
import { useDraggable, useDroppable } from '@dnd-kit/core'
import { useEffect, useRef } from 'react'
import { useLooking } from '../looking.tsx'
import { pictureUrl } from '../sheet.ts'
import { useJudged } from '../view.ts'

/** A page that can be looked at, picked up and dropped behind another. */
export function PageTile({
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

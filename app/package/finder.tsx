import { ChevronDown, ChevronUp, X } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'
import { useFetcher } from 'react-router'
import { count } from '../parts/format.ts'
import { useKeys } from '../parts/keys.ts'
import type { loader } from '../routes/package/find.ts'
import { useLooking } from './looking.tsx'
import { usePackage } from './view.ts'

/**
 * Looks for words in the whole package: hits are marked in the strip and on the page, Enter goes from one to
 * the next.
 */
export function Finder() {
  const { row } = usePackage()
  const { look, show } = useLooking()
  const [open, setOpen] = useState(false)
  const [at, setAt] = useState(0)
  const [words, setWords] = useState('')
  const { load, data, state } = useFetcher<typeof loader>({ key: `find-${row.id}` })
  const field = useRef<HTMLInputElement>(null)
  useKeys({
    '/': () => {
      setOpen(true)
      setTimeout(() => field.current?.select())
    },
  })
  const wanted = open && words.trim().length > 1
  useEffect(() => {
    if (!wanted) return
    // A pause after typing, so that not every letter asks.
    const timer = setTimeout(
      () => void load(`/packages/${row.id}/find?q=${encodeURIComponent(words.trim())}`),
      150,
    )
    return () => clearTimeout(timer)
  }, [wanted, words, load, row.id])
  const answered = wanted && data?.words === words.trim()
  const hits = wanted ? (data?.hits ?? []) : []
  useEffect(() => {
    setAt(0)
    show(wanted ? (data?.hits ?? []) : [])
    if (wanted && data?.hits[0]) look(data.hits[0].page, data.hits[0].box)
    // Only another answer moves the eye, not the same one asked for again because something changed elsewhere.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [data?.words, data?.hits.length, wanted])
  if (!open) return null
  const go = (by: number) => {
    if (hits.length === 0) return
    const next = (at + by + hits.length) % hits.length
    setAt(next)
    look(hits[next].page, hits[next].box)
  }
  const close = () => {
    setOpen(false)
    show([])
  }
  const pages = new Set(hits.map((h) => h.page)).size
  return (
    <search className="flex flex-wrap items-center gap-2 border-b border-line bg-sheet px-3 py-1.5 text-sm">
      <label className="flex items-center gap-2 font-semibold">
        Find in this package
        <input
          ref={field}
          autoFocus
          className="field w-64 font-normal"
          value={words}
          onChange={(event) => setWords(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === 'Enter') {
              event.preventDefault()
              go(event.shiftKey ? -1 : 1)
            }
            if (event.key === 'Escape') close()
          }}
        />
      </label>
      <span role="status" className="text-ink-2">
        {!wanted
          ? 'two letters or more'
          : !answered || state !== 'idle'
            ? 'looking …'
            : hits.length === 0
              ? 'nowhere'
              : `${at + 1} of ${data?.more ? `more than ${hits.length}` : hits.length}, on ${count(pages, 'page')}`}
      </span>
      <button
        type="button"
        className="button px-1.5 py-1"
        aria-label="Hit before (Shift Enter)"
        disabled={hits.length === 0}
        onClick={() => go(-1)}
      >
        <ChevronUp size={15} />
      </button>
      <button
        type="button"
        className="button px-1.5 py-1"
        aria-label="Next hit (Enter)"
        disabled={hits.length === 0}
        onClick={() => go(1)}
      >
        <ChevronDown size={15} />
      </button>
      {hits[at] ? (
        <span className="hidden min-w-0 flex-1 truncate text-ink-2 md:block">
          page {hits[at].page}: {hits[at].line}
        </span>
      ) : (
        <span className="flex-1" />
      )}
      <button type="button" className="button px-1.5 py-1" aria-label="Close (Esc)" onClick={close}>
        <X size={15} />
      </button>
    </search>
  )
}

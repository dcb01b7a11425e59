import { useMemo, useRef, useState } from 'react'
import { useNavigate } from 'react-router'
import type { Answer } from '../../../core/answers/index.ts'
import type { Document } from '../../../core/findings/index.ts'
import { useLooking } from '../looking.tsx'
import { useSay } from '../say.ts'
import { documentOfPage, isClosed, useJudged } from '../view.ts'
import { pairOf } from './pair.ts'

/** Something that is done to pages, by its key or its button. */
export interface Act {
  key: string
  words: string
  off: boolean
  run: () => void
}

/**
 * Which pages are picked up. Picking one up remembers it, so that a whole stretch may follow.
 * @param walk pages in the order in which keys go through them
 */
function useHeld(walk: readonly number[], page: number) {
  const [held, setHeld] = useState<ReadonlySet<number>>(new Set())
  const last = useRef<number | null>(null)
  const add = (pages: readonly number[]) => setHeld((now) => new Set([...now, ...pages]))
  const toggle = (p: number) => {
    last.current = p
    setHeld((now) => {
      const next = new Set(now)
      if (!next.delete(p)) next.add(p)
      return next
    })
  }
  return {
    held,
    /** The pages picked up, in their order. */
    lifted: () => walk.filter((p) => held.has(p)),
    toggle,
    clear: () => setHeld(new Set()),
    /** Picks up this page and its neighbour on the way. */
    along: (p: number) => {
      last.current = p
      add([page, p])
    },
    /** Picks up all from the one last picked up to this. */
    stretch: (p: number, order: readonly number[]) => {
      const [a, b] = [order.indexOf(last.current ?? page), order.indexOf(p)]
      if (a < 0 || b < 0) return toggle(p)
      add(order.slice(Math.min(a, b), Math.max(a, b) + 1))
    },
  }
}

/** What can be done to the pages of a package, and which of them are picked up. */
export function usePageActs() {
  const { row, assessment, sheets } = useJudged()
  const { documents } = assessment
  const { page, look } = useLooking()
  const say = useSay()
  const navigate = useNavigate()
  const [retyping, setRetyping] = useState<Document | null>(null)
  const [parting, setParting] = useState(false)
  const order = useMemo(() => documents.flatMap((d) => d.pages), [documents])
  const placed = useMemo(() => new Set(order), [order])
  const outside = sheets.filter((s) => !placed.has(s.number))
  const here = documentOfPage(documents, page)
  const index = here ? documents.indexOf(here) : -1
  const closed = isClosed(row)
  // Pages in no document come last, so that the keys reach them too.
  const walk = [...order, ...outside.map((s) => s.number)]
  const { held, lifted, toggle, clear, along, stretch } = useHeld(walk, page)

  const answer = (...answers: Answer[]) => {
    if (closed || say.busy || answers.length === 0) return
    say.answer(...answers)
    clear()
  }
  const meant = () => (held.size > 0 ? lifted() : [page])
  const moveBehind = (behind: number | null, pages: number[]) => {
    if (pages.length > 0 && !(behind !== null && pages.includes(behind)))
      answer({ kind: 'move', pages, behind })
  }
  // Two pages picked up, or this one and the one it may be a copy of or go on from.
  const twin = held.size === 2 ? lifted() : here ? [page, pairOf(here, page, documents) ?? 0] : []
  const loose = documents.filter((d) => d.typeAsked)
  const acts: Act[] = [
    {
      key: 'c',
      words: 'starts here',
      off: closed || !here || here.pages[0] === page,
      run: () => answer({ kind: 'cut', page, begins: true }),
    },
    {
      key: 'j',
      words: 'join',
      off: closed || index < 1,
      run: () => answer({ kind: 'cut', page: here!.pages[0], begins: false }),
    },
    { key: 't', words: 'type', off: closed || !here, run: () => setRetyping(here!) },
    {
      key: 'm',
      words: 'move here',
      off: closed || held.size === 0,
      run: () => moveBehind(page, lifted()),
    },
    { key: 'o', words: 'on its own', off: closed || !here, run: () => moveBehind(null, meant()) },
    {
      key: 'x',
      words: 'set aside',
      off: closed || (held.size === 0 && !here),
      run: () => answer({ kind: 'aside', pages: meant() }),
    },
    {
      key: 'r',
      words: 'turn',
      off: closed,
      run: () =>
        answer(
          ...meant().map((p): Answer => ({
            kind: 'turn',
            page: p,
            rotation: (((sheets[p - 1]?.rotation ?? 0) + 90) % 360) as 0 | 90 | 180 | 270,
          })),
        ),
    },
    {
      key: 'b',
      words: 'part evenly',
      off: closed || !here || here.pages.length < 3,
      run: () => setParting(true),
    },
    {
      key: 'y',
      words: 'compare',
      off: !twin[1],
      run: () => void navigate(`../compare?page=${twin[0]}&with=${twin[1]}`),
    },
    {
      key: 'n',
      words: 'next loose',
      off: loose.length === 0,
      run: () => look((loose.find((d) => documents.indexOf(d) > index) ?? loose[0]).pages[0]),
    },
  ]
  return {
    acts,
    outside,
    here,
    held,
    toggle,
    clear,
    stretch: (p: number) => stretch(p, order),
    /** The next page by so many, picked up on the way or not. */
    step: (by: number, picking: boolean) => {
      const to = walk[walk.indexOf(page) + by]
      if (!to) return
      if (picking) along(to)
      look(to)
    },
    /** The next document by so many. */
    jump: (by: number) => {
      const to = documents[index + by]
      if (to) look(to.pages[0])
    },
    /** What was dragged, and all that is picked up with it, put behind a page or on its own. */
    drop: (lead: number, behind: number | null) => moveBehind(behind, held.has(lead) ? lifted() : [lead]),
    letCount: closed ? null : (document: Document) => answer({ kind: 'version', page: document.pages[0] }),
    retyping,
    setRetyping,
    retype: (document: Document, type: string) => {
      answer({ kind: 'type', page: document.pages[0], type })
      setRetyping(null)
    },
    parting,
    setParting,
    partEvery: (every: number) => {
      if (here)
        answer(
          ...here.pages.flatMap((p, i): Answer[] =>
            i > 0 && i % every === 0 ? [{ kind: 'cut', page: p, begins: true }] : [],
          ),
        )
      setParting(false)
    },
  }
}

import {
  createContext,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useRef,
  useState,
  type ReactNode,
} from 'react'
import type { Hit } from '../../core/layout/index.ts'
import type { Box } from '../../core/model/index.ts'

/** Words picked on a page. */
export interface Picked {
  text: string
  page: number
  box: Box
}

interface Looking {
  page: number
  marks: Box[]
  /** What the picking is for, in words; null while nothing is picked. */
  picking: string | null
  look: (page: number, box?: Box | null) => void
  /** Lets the person pick words on a page until the returned function is called. */
  pick: (what: string, take: (picked: Picked) => void) => () => void
  picked: (picked: Picked) => void
  /** Places that were looked for, marked wherever their pages are shown. */
  found: readonly Hit[]
  show: (found: readonly Hit[]) => void
  /** Opens the loupe in a window of its own, which follows. */
  tearOff: () => void
}

const Context = createContext<Looking | null>(null)

/** What the two windows tell each other. */
export type Message =
  | { kind: 'look'; page: number; marks: Box[]; picking: string | null }
  | { kind: 'picked'; picked: Picked }
  | { kind: 'here' }
export const channelOf = (packageId: string): BroadcastChannel =>
  new BroadcastChannel(`jigsa-loupe-${packageId}`)

/** Where the person looks: the page under the loupe, kept in the address so that it can be sent and reloaded. */
export function LookingProvider({
  packageId,
  first,
  children,
}: {
  packageId: string
  first: number
  children: ReactNode
}) {
  const [{ page, marks }, setAt] = useState<{ page: number; marks: Box[] }>({ page: first, marks: [] })
  const [found, show] = useState<readonly Hit[]>([])
  const [picking, setPicking] = useState<string | null>(null)
  const take = useRef<((picked: Picked) => void) | null>(null)
  const channel = useRef<BroadcastChannel | null>(null)

  const look = useCallback(
    (to: number, box: Box | null = null) => setAt({ page: to, marks: box ? [box] : [] }),
    [],
  )
  const pick = useCallback((what: string, taker: (picked: Picked) => void) => {
    take.current = taker
    setPicking(what)
    return () => {
      if (take.current !== taker) return
      take.current = null
      setPicking(null)
    }
  }, [])
  const picked = useCallback((words: Picked) => {
    take.current?.(words)
    setAt({ page: words.page, marks: [words.box] })
  }, [])
  const tearOff = useCallback(
    () => void window.open(`/packages/${packageId}/loupe`, `loupe-${packageId}`, 'width=900,height=1200'),
    [packageId],
  )

  useEffect(() => {
    const url = new URL(window.location.href)
    url.searchParams.set('page', String(page))
    window.history.replaceState(window.history.state, '', url)
  }, [page])
  useEffect(() => {
    const one = (channel.current = channelOf(packageId))
    return () => {
      one.close()
      channel.current = null
    }
  }, [packageId])
  useEffect(() => {
    const one = channel.current
    if (!one) return
    const tell = () => one.postMessage({ kind: 'look', page, marks, picking } satisfies Message)
    tell()
    one.onmessage = (event: MessageEvent<Message>) => {
      if (event.data.kind === 'here') tell()
      else if (event.data.kind === 'picked') picked(event.data.picked)
    }
  }, [page, marks, picking, picked])

  const value = useMemo(
    () => ({ page, marks, picking, look, pick, picked, found, show, tearOff }),
    [page, marks, picking, look, pick, picked, found, tearOff],
  )
  return <Context value={value}>{children}</Context>
}

export function useLooking(): Looking {
  const looking = useContext(Context)
  if (!looking) throw new Error('useLooking needs a LookingProvider around it')
  return looking
}

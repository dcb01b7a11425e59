import type { Person } from './access/person.ts'
import { hear, type Change } from './events.ts'

/** Milliseconds between signs of life: proxies close silent connections, and sessions are looked at again. */
const BEAT = 15_000
/** Streams of one person: tabs, a loupe in its own window. The oldest makes room, and its screen asks again. */
const MOST_STREAMS = 24
/** Messages that wait for a reader that takes none: it is let go, and asks again when it listens. */
const MOST_WAITING = 200

interface Stream {
  who: string
  end: () => void
}

const open = new Set<Stream>()

/** Ends all streams of this process; browsers connect again, to whoever is there then. */
export const endStreams = (): void => {
  for (const stream of open) stream.end()
}

/** Whose changes a stream tells, and how it is told that nobody listens or may listen any more. */
interface Listening {
  who: Pick<Person, 'id' | 'organisationId'>
  /** One package alone. */
  only: string | null
  gone: AbortSignal
  /** Whether the session that asked still stands. */
  stands: () => Promise<boolean>
}

/**
 * Changes as server-sent events (HTML Living Standard 9.2): of one package, else of all of the organisation; `null`
 * says that any may have been missed.
 */
export function changeStream({ who, only, gone, stands }: Listening): ReadableStream<Uint8Array> {
  const encoder = new TextEncoder()
  const concerns = (change: Change): boolean =>
    change.organisationId === who.organisationId && (!only || change.packageId === only)
  /** What is to be undone at the end. Whoever listens may be gone before it is known how changes are heard. */
  const undo: (() => void)[] = []
  let ended = false
  const end = () => {
    if (ended) return
    ended = true
    for (const step of undo) step()
  }
  return new ReadableStream<Uint8Array>(
    {
      async start(controller) {
        const send = (text: string) => {
          if (ended) return
          if ((controller.desiredSize ?? 0) < 0) return end()
          controller.enqueue(encoder.encode(text))
        }
        undo.push(() => {
          try {
            controller.close()
          } catch {
            // Whoever listened is gone, and the stream with them.
          }
        })
        const silence = await hear((change) => {
          if (!change || concerns(change)) send(`data: ${JSON.stringify(change)}\n\n`)
        })
        if (ended) return silence()
        const beat = setInterval(() => {
          stands().then(
            (well) => (well ? send(': here\n\n') : end()),
            () => end(),
          )
        }, BEAT)
        const stream: Stream = { who: who.id, end }
        makeRoom(who.id)
        open.add(stream)
        undo.push(
          silence,
          () => clearInterval(beat),
          () => open.delete(stream),
        )
        if (gone.aborted) return end()
        gone.addEventListener('abort', end, { once: true })
        // What changed between the loading of the screen and this line was told to nobody: a first message
        // makes it look afresh.
        send('retry: 2000\ndata: null\n\n')
      },
      cancel: end,
    },
    { highWaterMark: MOST_WAITING },
  )
}

function makeRoom(who: string): void {
  const own = [...open].filter((stream) => stream.who === who)
  for (const stream of own.slice(0, Math.max(0, own.length - MOST_STREAMS + 1))) stream.end()
}

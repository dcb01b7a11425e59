import { signedIn } from '../../../server/access/people.ts'
import { hear } from '../../../server/events.ts'
import type { Route } from './+types/events'

/**
 * Changes as server-sent events: of one package with `?package=`, else of all of the organisation; `null`
 * says that any may have been missed.
 */
export async function loader({ request }: Route.LoaderArgs) {
  const who = await signedIn(request)
  const only = new URL(request.url).searchParams.get('package')
  const encoder = new TextEncoder()
  let stop = () => undefined as void
  const body = new ReadableStream<Uint8Array>({
    async start(controller) {
      const send = (text: string) => {
        try {
          controller.enqueue(encoder.encode(text))
        } catch {
          stop()
        }
      }
      const silence = await hear((change) => {
        if (!change || (change.organisationId === who.organisationId && (!only || change.packageId === only)))
          send(`data: ${JSON.stringify(change)}\n\n`)
      })
      // What changed between the loading of the screen and this line was told to nobody: a first message
      // makes it look afresh.
      send('retry: 2000\ndata: null\n\n')
      // Proxies close silent connections.
      const beat = setInterval(() => send(': here\n\n'), 20_000)
      stop = () => {
        silence()
        clearInterval(beat)
      }
      if (request.signal.aborted) stop()
      request.signal.addEventListener('abort', stop)
    },
    cancel: () => stop(),
  })
  // no-transform keeps compression away, which would hold events back until its buffer is full.
  return new Response(body, {
    headers: {
      'Content-Type': 'text/event-stream',
      'Cache-Control': 'no-cache, no-transform',
      'X-Accel-Buffering': 'no',
    },
  })
}

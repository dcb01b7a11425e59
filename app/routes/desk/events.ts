import { personOf, signedIn } from '../../../server/access/people.ts'
import { changeStream } from '../../../server/streams.ts'
import type { Route } from './+types/events'

/** Changes as server-sent events: of one package with `?package=`, else of all of the organisation. */
export async function loader({ request }: Route.LoaderArgs) {
  const who = await signedIn(request)
  const only = new URL(request.url).searchParams.get('package')
  const stands = async () => (await personOf(request, 'listens'))?.organisationId === who.organisationId
  // no-transform keeps compression away, which would hold events back until its buffer is full.
  return new Response(changeStream({ who, only, gone: request.signal, stands }), {
    headers: {
      'Content-Type': 'text/event-stream',
      'Cache-Control': 'no-store, no-transform',
      'X-Accel-Buffering': 'no',
    },
  })
}

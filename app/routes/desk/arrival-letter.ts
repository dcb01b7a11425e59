import { data } from 'react-router'
import { z } from 'zod'
import { signedIn } from '../../../server/access/people.ts'
import { arrivalOf, letterText } from '../../../server/arrivals/queries.ts'
import type { Route } from './+types/arrival-letter'

/** The words of a letter that came. It is opened in a reader, for which no page waits. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const who = await signedIn(request)
  const id = z.uuid().safeParse(params.id)
  const found = id.success ? await arrivalOf(who.organisationId, id.data) : null
  if (!found?.arrival.message) throw data('There is no such letter.', 404)
  return Response.json(await letterText(found.arrival.message))
}

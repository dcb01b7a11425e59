import { data } from 'react-router'
import { z } from 'zod'
import { signedIn } from '../../../server/access/people.ts'
import { trialState } from '../../../server/configuration/trials.ts'
import type { Route } from './+types/trial'

/** How far the trial of a draft is, and what it found. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const who = await signedIn(request)
  const id = z.uuid().safeParse(params.id)
  const found = id.success ? await trialState(who, id.data) : null
  if (!found) throw data('There is no such trial any more.', 404)
  return Response.json(found)
}

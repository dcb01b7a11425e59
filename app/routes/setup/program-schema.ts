import { programJsonSchema } from '../../../core/program/index.ts'
import { signedIn } from '../../../server/access/people.ts'
import type { Route } from './+types/program-schema'

/** What a program's file looks like, for whoever writes one elsewhere. */
export async function loader({ request }: Route.LoaderArgs) {
  await signedIn(request)
  return new Response(JSON.stringify(programJsonSchema(), null, 2), {
    headers: { 'Content-Type': 'application/schema+json' },
  })
}

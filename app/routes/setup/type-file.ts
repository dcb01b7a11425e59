import { data } from 'react-router'
import { signedIn } from '../../../server/access/people.ts'
import { note } from '../../../server/audit.ts'
import { database } from '../../../server/database/connection.ts'
import { typeAsSaved } from '../../../server/configuration/types.ts'
import type { Route } from './+types/type-file'

/** A document type as a file, to be taken in elsewhere. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const who = await signedIn(request)
  const type = await typeAsSaved(database(), who.organisationId, params.id)
  if (!type) throw data('There is no such document type.', 404)
  await note(database(), who, who, 'exported a document type', type.title)
  return new Response(JSON.stringify(type, null, 1), {
    headers: {
      'Content-Type': 'application/json',
      'Content-Disposition': `attachment; filename="${type.id}.type.json"`,
      'Cache-Control': 'no-store',
    },
  })
}

import { data } from 'react-router'
import { signedIn } from '../../../server/access/people.ts'
import { note } from '../../../server/audit.ts'
import { database } from '../../../server/database/connection.ts'
import { newestProgram } from '../../../server/configuration/programs.ts'
import type { Route } from './+types/program-file'

/** A program as a file, to be taken in elsewhere. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const who = await signedIn(request)
  const found = await newestProgram(database(), who.organisationId, params.id)
  if (!found) throw data('There is no such program.', 404)
  await note(database(), who, who, 'exported a program', found.body.title)
  return new Response(JSON.stringify(found.body, null, 2), {
    headers: {
      'Content-Type': 'application/json',
      'Content-Disposition': `attachment; filename="${found.body.id}.program.json"`,
      'Cache-Control': 'no-store',
    },
  })
}

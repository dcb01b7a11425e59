import { knowledgeFile } from '../../../core/classification/index.ts'
import { signedIn } from '../../../server/access/people.ts'
import { knowledgeOf } from '../../../server/configuration/knowledge.ts'
import { demand } from '../../../server/access/rights.ts'
import { note } from '../../../server/audit.ts'
import { database } from '../../../server/database/connection.ts'
import type { Route } from './+types/knowledge-file'

/** Rules and the lesson that are switched on as a file. Samples hold words of applicants' papers: a lead takes them. */
export async function loader({ request }: Route.LoaderArgs) {
  const who = await signedIn(request)
  demand(who, 'set up')
  await note(database(), who, who, 'exported rules and samples')
  const file = knowledgeFile(await knowledgeOf(database(), who.organisationId))
  return new Response(JSON.stringify(file), {
    headers: {
      'Content-Type': 'application/json',
      'Content-Disposition': 'attachment; filename="knowledge.json"',
      'Cache-Control': 'no-store',
    },
  })
}

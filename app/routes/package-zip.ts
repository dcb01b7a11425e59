import { data } from 'react-router'
import { signedIn } from '../../server/access/people.ts'
import { packageZip } from '../../server/packages/finish.ts'
import { packageRow } from '../../server/packages/queries.ts'
import type { Route } from './+types/package-zip'

export async function loader({ request, params }: Route.LoaderArgs) {
  const who = await signedIn(request)
  const row = await packageRow(params.id)
  if (!row?.assessment) throw data('There is no such package, or it is not read yet.', 404)
  return new Response(await packageZip(row.id, who), { headers: { 'Content-Type': 'application/zip', 'Content-Disposition': `attachment; filename="${row.caseNumber}.zip"`, 'Cache-Control': 'no-store' } })
}

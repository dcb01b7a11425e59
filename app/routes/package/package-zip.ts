import { data } from 'react-router'
import { askedPackage } from '../../../server/access/packages.ts'
import { packageZip } from '../../../server/packages/zip.ts'
import type { Route } from './+types/package-zip'

export async function loader({ request, params }: Route.LoaderArgs) {
  const { who, row } = await askedPackage(request, params.id)
  if (!row?.assessment) throw data('There is no such package, or it is not read yet.', 404)
  return new Response(await packageZip(row.id, who), {
    headers: {
      'Content-Type': 'application/zip',
      'Content-Disposition': `attachment; filename="${row.caseNumber}.zip"`,
      'Cache-Control': 'no-store',
    },
  })
}

import { askedPackage } from '../../../server/access/packages.ts'
import { demand } from '../../../server/access/rights.ts'
import { everythingOf } from '../../../server/packages/everything.ts'
import type { Route } from './+types/everything-zip'

/** All that is kept of an applicant in a package, for whoever has a right to it by law. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const { who, row } = await askedPackage(request, params.id)
  demand(who, 'give out')
  return new Response(await everythingOf(row.id, who), {
    headers: {
      'Content-Type': 'application/zip',
      'Content-Disposition': `attachment; filename="${row.caseNumber}-everything.zip"`,
    },
  })
}

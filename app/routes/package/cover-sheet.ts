import { coverSheet } from '../../../engine/print/sheets.ts'
import { askedPackage } from '../../../server/access/packages.ts'
import { database } from '../../../server/database/connection.ts'
import { programAt } from '../../../server/configuration/programs.ts'
import { note } from '../../../server/audit.ts'
import { sheetCode } from '../../../server/packages/sheet-code.ts'
import type { Route } from './+types/cover-sheet'

/** A sheet to lay on a case's papers before they are scanned. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const { who, row } = await askedPackage(request, params.id)
  const program = await programAt(database(), who.organisationId, row.program, row.programVersion)
  const bytes = await coverSheet({
    caseNumber: row.caseNumber,
    authentication: sheetCode(who.organisationId, row.caseNumber),
    lines: [program?.title ?? row.program, ...(row.applicant ? [row.applicant] : [])],
  })
  await note(database(), who, row.id, 'printed a cover sheet')
  return new Response(Buffer.from(bytes), {
    headers: {
      'Content-Type': 'application/pdf',
      'Content-Disposition': `inline; filename="cover-${row.caseNumber}.pdf"`,
      'Cache-Control': 'no-store',
    },
  })
}

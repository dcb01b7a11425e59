import { data } from 'react-router'
import { programById } from '../../core/program/programs.ts'
import { coverSheet } from '../../engine/print/sheets.ts'
import { signedIn } from '../../server/access/people.ts'
import { packageRow } from '../../server/packages/queries.ts'
import type { Route } from './+types/cover-sheet'

/** A sheet to lay on a case's papers before they are scanned. */
export async function loader({ request, params }: Route.LoaderArgs) {
  await signedIn(request)
  const row = await packageRow(params.id)
  if (!row) throw data('There is no such package.', 404)
  const bytes = await coverSheet({ caseNumber: row.caseNumber, lines: [programById(row.program)?.title ?? row.program, ...(row.applicant ? [row.applicant] : [])] })
  return new Response(Buffer.from(bytes), { headers: { 'Content-Type': 'application/pdf', 'Content-Disposition': `inline; filename="cover-${row.caseNumber}.pdf"`, 'Cache-Control': 'no-store' } })
}

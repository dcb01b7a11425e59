import { stringify } from 'csv-stringify/sync'
import { historyOf, note } from '../../../server/audit.ts'
import { database } from '../../../server/database/connection.ts'
import { askedPackage } from '../../../server/access/packages.ts'
import type { Route } from './+types/history-file'

/** The history of a package as a table: one act a line, with its digest in the chain of the trail. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const { who, row } = await askedPackage(request, params.id)
  const acts = await historyOf(row.id)
  await note(database(), who, row.id, 'took the history as a table')
  const text = stringify(
    acts.map((a) => [a.id, a.at.toISOString(), a.userName, a.act, a.detail, a.digest]),
    { header: true, columns: ['number', 'at', 'who', 'act', 'detail', 'digest'], escape_formulas: true },
  )
  return new Response(text, {
    headers: {
      'Content-Type': 'text/csv; charset=utf-8',
      'Content-Disposition': `attachment; filename="${row.caseNumber}-history.csv"`,
      'Cache-Control': 'no-store',
    },
  })
}

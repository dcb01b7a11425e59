import { pipeline, Readable } from 'node:stream'
import { stringify } from 'csv-stringify'
import { signedIn } from '../../../server/access/people.ts'
import { demand } from '../../../server/access/rights.ts'
import { actsOf, note } from '../../../server/audit.ts'
import { database } from '../../../server/database/connection.ts'
import type { Route } from './+types/trail-file'

const FETCHED = 1000
const COLUMNS = ['number', 'at', 'who', 'case', 'act', 'detail', 'digest']

/** All acts of an organisation as a table, the newest first, while they are fetched. */
export async function loader({ request }: Route.LoaderArgs) {
  const who = await signedIn(request)
  demand(who, 'see the trail')
  await note(database(), who, who, 'took the trail as a table')
  async function* rows() {
    for (let before: number | null = null; ;) {
      const acts = await actsOf(who.organisationId, before, FETCHED)
      for (const a of acts)
        yield [a.id, a.at.toISOString(), a.userName, a.caseNumber, a.act, a.detail, a.digest]
      if (acts.length < FETCHED) return
      before = acts.at(-1)!.id
    }
  }
  const table = stringify({ header: true, columns: COLUMNS, escape_formulas: true })
  // Where acts cannot be fetched the download breaks off: a table that ends early must not look whole.
  pipeline(Readable.from(rows()), table, () => undefined)
  return new Response(Readable.toWeb(table) as ReadableStream<Uint8Array>, {
    headers: {
      'Content-Type': 'text/csv; charset=utf-8',
      'Content-Disposition': 'attachment; filename="trail.csv"',
    },
  })
}

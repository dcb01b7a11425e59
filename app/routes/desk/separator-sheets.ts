import { data } from 'react-router'
import { z } from 'zod'
import { separatorSheets } from '../../../engine/print/sheets.ts'
import { signedIn } from '../../../server/access/people.ts'
import type { Route } from './+types/separator-sheets'

const countSchema = z.coerce.number().int().min(1).max(100)

/** Sheets to lay between papers before they are scanned. */
export async function loader({ request }: Route.LoaderArgs) {
  await signedIn(request)
  const count = countSchema.safeParse(new URL(request.url).searchParams.get('count') ?? 10)
  if (!count.success) throw data('Between 1 and 100 sheets can be printed at once.', 400)
  return new Response(Buffer.from(await separatorSheets(count.data)), {
    headers: {
      'Content-Type': 'application/pdf',
      'Content-Disposition': 'inline; filename="separator-sheets.pdf"',
    },
  })
}

import { takePieces } from '../../../server/requests/coming.ts'
import { openLink } from '../../../server/requests/link.ts'
import type { Route } from './+types/uploads'

/** Files of an applicant, which come in pieces by the protocol for that (tus 1.0). */
async function pieces({
  request,
  params,
}: Pick<Route.ActionArgs, 'request'> & { params: { token: string } }) {
  const opened = await openLink(request, params.token)
  if (!('row' in opened)) return new Response(null, { status: opened.shut === 'none' ? 404 : 429 })
  if (opened.row.state !== 'sent') return new Response(null, { status: 410 })
  return takePieces(opened.row, `/r/${params.token}/uploads`, request)
}

export const loader = pieces
export const action = pieces

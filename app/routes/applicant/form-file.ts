import { formToSign } from '../../../server/requests/form.ts'
import { openLink } from '../../../server/requests/link.ts'
import type { Route } from './+types/form-file'

/** A paper that lacks a signature, as a file to be signed. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const opened = await openLink(request, params.token)
  if (!('row' in opened)) return new Response(null, { status: opened.shut === 'none' ? 404 : 429 })
  const file = await formToSign(opened.row, new URL(request.url).searchParams.get('item') ?? '')
  if (!file) return new Response(null, { status: 404 })
  return new Response(new Uint8Array(file.bytes), {
    headers: {
      'Content-Type': 'application/pdf',
      'Content-Disposition': `attachment; filename*=UTF-8''${encodeURIComponent(file.name)}`,
    },
  })
}

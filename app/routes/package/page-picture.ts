import { createHash } from 'node:crypto'
import { data } from 'react-router'
import { z } from 'zod'
import { askedPages } from '../../../server/access/packages.ts'
import { pictureOf } from '../../../server/packages/queries.ts'
import type { Route } from './+types/page-picture'

const paramsSchema = z.object({
  id: z.uuid(),
  number: z.coerce.number().int().positive(),
  size: z.enum(['small', 'large']),
})

export async function loader({ request, params }: Route.LoaderArgs) {
  await askedPages(request, params.id)
  const given = paramsSchema.safeParse(params)
  if (!given.success) throw data('There is no such page.', 404)
  const found = await pictureOf(given.data.id, given.data.number, given.data.size)
  if (!found) throw data('This page is not drawn yet.', 404)
  // Asked for again each time, with the digest that the browser has: nobody sees one once their session is over.
  const headers = {
    'Content-Type': 'image/webp',
    'Cache-Control': found.final ? 'private, no-cache' : 'no-store',
    ETag: `"${createHash('sha256').update(found.bytes).digest('base64url')}"`,
  }
  return request.headers.get('If-None-Match') === headers.ETag
    ? new Response(null, { status: 304, headers })
    : new Response(new Uint8Array(found.bytes), { headers })
}

import { data } from 'react-router'
import { z } from 'zod'
import { signedIn } from '../../../server/access/people.ts'
import { originalOf, previewOf } from '../../../server/arrivals/papers.ts'
import { arrivalOf } from '../../../server/arrivals/queries.ts'
import { note } from '../../../server/audit.ts'
import { database } from '../../../server/database/connection.ts'
import { isFilesFault } from '../../../engine/box/index.ts'
import type { Route } from './+types/arrival-file'

const paramsSchema = z.object({
  id: z.uuid(),
  /** Which of its files; or the message that carried them. */
  at: z.coerce.number().int().min(0).or(z.literal('message')),
  how: z.enum(['original', 'picture']),
})

/** One file of what came, as it came or as a picture of its first page. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const who = await signedIn(request)
  const asked = paramsSchema.safeParse(params)
  const found = asked.success ? await arrivalOf(who.organisationId, asked.data.id) : null
  if (!asked.success || !found) throw data('There is no such arrival.', 404)
  const { at, how } = asked.data
  const { files, message } = found.arrival
  const file = at === 'message' ? message && { name: 'message.eml', sha256: message } : files[at]
  if (!file) throw data('There is no such file in it.', 404)
  if (how === 'picture') {
    const picture = await previewOf(file.sha256)
    if (!picture) throw data('This file shows no page.', 404)
    return new Response(new Uint8Array(picture), {
      headers: { 'Content-Type': 'image/webp', 'Cache-Control': 'no-store' },
    })
  }
  try {
    const { packageId } = found.arrival
    await note(database(), who, packageId ?? who, 'downloaded what came', asked.data.id)
    return new Response(await originalOf(file.sha256), {
      headers: {
        // Whatever it says it is: nothing of a stranger's is opened under this address.
        'Content-Type': 'application/octet-stream',
        'Content-Disposition': `attachment; filename*=UTF-8''${encodeURIComponent(file.name)}`,
        'Cache-Control': 'no-store',
      },
    })
  } catch (error) {
    if (!isFilesFault(error)) throw error
    throw data(error.message, 409)
  }
}

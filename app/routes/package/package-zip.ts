import { data } from 'react-router'
import { z } from 'zod'
import { usualReceiver } from '../../../core/receivers/index.ts'
import { askedPackage } from '../../../server/access/packages.ts'
import { database } from '../../../server/database/connection.ts'
import { exportFormats, exportOf } from '../../../server/handover/export.ts'
import { receiverOf } from '../../../server/handover/receivers.ts'
import { Refused } from '../../../server/packages/states.ts'
import type { Route } from './+types/package-zip'

const querySchema = z.object({
  format: z.enum(exportFormats).default('zip'),
  receiver: z.string().max(60).optional(),
})

/** The package as a receiver wants it; as everything, where none is named. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const { who, row } = await askedPackage(request, params.id)
  if (!row?.assessment) throw data('There is no such package, or it is not read yet.', 404)
  const query = querySchema.safeParse(Object.fromEntries(new URL(request.url).searchParams))
  const named = query.success ? query.data.receiver : undefined
  const receiver = named ? await receiverOf(database(), who.organisationId, named) : usualReceiver
  if (!query.success || !receiver) throw data('There is no such receiver or format.', 404)
  try {
    const { name, type, body } = await exportOf(row.id, receiver, query.data.format, who)
    return new Response(body, {
      headers: {
        'Content-Type': type,
        'Content-Disposition': `attachment; filename="${name}"`,
        'Cache-Control': 'no-store',
      },
    })
  } catch (error) {
    if (error instanceof Refused) throw data(error.message, 409)
    throw error
  }
}

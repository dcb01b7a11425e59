import { data } from 'react-router'
import { z } from 'zod'
import { askedPackage } from '../../../server/access/packages.ts'
import { assign } from '../../../server/packages/owners.ts'
import { Refused } from '../../../server/packages/states.ts'
import { jsonBody } from '../../../server/web/bodies.ts'
import type { Route } from './+types/owner'

const bodySchema = z.object({ owner: z.string().max(100) })

/** Takes a package, puts it back, or gives it to somebody; an empty owner is nobody. */
export async function action({ request, params }: Route.ActionArgs) {
  const { who, row } = await askedPackage(request, params.id)
  const body = bodySchema.safeParse(await jsonBody(request))
  if (!body.success) return data({ problem: 'That could not be understood.' }, 400)
  try {
    await assign(row.id, body.data.owner || null, who)
    return { problem: null }
  } catch (error) {
    if (error instanceof Refused) return data({ problem: error.message }, 409)
    throw error
  }
}

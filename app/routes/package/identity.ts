import { data } from 'react-router'
import { z } from 'zod'
import { askedPackage } from '../../../server/access/packages.ts'
import { askIdentity } from '../../../server/packages/identity.ts'
import { Refused } from '../../../server/packages/states.ts'
import { jsonBody } from '../../../server/web/bodies.ts'
import type { Route } from './+types/identity'

const bodySchema = z.object({ page: z.number().int().positive() })

/** Has an identity paper looked at by the service. */
export async function action({ request, params }: Route.ActionArgs) {
  const { who, row } = await askedPackage(request, params.id)
  const body = bodySchema.safeParse(await jsonBody(request))
  if (!body.success) return data({ problem: 'Say which page the paper begins on.' }, 400)
  try {
    await askIdentity(who, row.id, body.data.page)
    return { problem: null }
  } catch (error) {
    if (!(error instanceof Refused)) throw error
    return data({ problem: error.message }, 409)
  }
}

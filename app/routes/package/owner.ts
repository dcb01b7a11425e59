import { data } from 'react-router'
import { z } from 'zod'
import { askedPackage } from '../../../server/access/packages.ts'
import { refusalOf } from '../../../server/access/rights.ts'
import { assign, mayGive } from '../../../server/packages/owners.ts'
import type { Route } from './+types/owner'

const bodySchema = z.object({ owner: z.string().max(100) })

/** Takes a package, puts it back, or gives it to somebody; an empty owner is nobody. */
export async function action({ request, params }: Route.ActionArgs) {
  const { who, row } = await askedPackage(request, params.id)
  const body = bodySchema.safeParse(await request.json().catch(() => null))
  if (!body.success) return data({ problem: 'That could not be understood.' }, 400)
  const owner = body.data.owner || null
  if (!mayGive(who, row.ownerId, owner)) return data({ problem: refusalOf('give away') }, 403)
  if (!(await assign(row.id, owner, who))) return data({ problem: 'There is no such person.' }, 404)
  return { problem: null }
}

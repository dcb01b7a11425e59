import { data } from 'react-router'
import { z } from 'zod'
import { askedPackage } from '../../../server/access/packages.ts'
import { may, refusalOf } from '../../../server/access/rights.ts'
import { askErasure, setHold } from '../../../server/packages/erase.ts'
import { Refused } from '../../../server/packages/states.ts'
import { jsonBody } from '../../../server/web/bodies.ts'
import type { Route } from './+types/keep'

const reason = z.string().max(500).nullable()
const bodySchema = z.discriminatedUnion('act', [
  z.object({ act: z.literal('hold'), reason }),
  z.object({ act: z.literal('erase'), reason }),
])

/** Puts a hold on a package or takes it off; asks for it to be erased or takes that back. */
export async function action({ request, params }: Route.ActionArgs) {
  const { who, row } = await askedPackage(request, params.id)
  const body = bodySchema.safeParse(await jsonBody(request))
  if (!body.success) return data({ problem: 'That could not be understood; load the page again.' }, 400)
  const { act } = body.data
  if (!may(who, act)) return data({ problem: refusalOf(act) }, 403)
  try {
    await (act === 'hold' ? setHold : askErasure)(row.id, who, body.data.reason)
    return { problem: null }
  } catch (error) {
    if (error instanceof Refused) return data({ problem: error.message }, 409)
    throw error
  }
}

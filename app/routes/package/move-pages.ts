import { data } from 'react-router'
import { z } from 'zod'
import { askedPackage } from '../../../server/access/packages.ts'
import { movePages, type Move } from '../../../server/packages/move-pages.ts'
import { Refused } from '../../../server/packages/states.ts'
import { jsonBody } from '../../../server/web/bodies.ts'
import type { Route } from './+types/move-pages'

const caseNumber = z.string().trim().min(1, 'Say which case they belong to.').max(60)
const bodySchema = z.union([
  z.object({ caseNumber, files: z.array(z.uuid()).min(1, 'Choose at least one file.').max(500) }),
  z.object({ caseNumber, pages: z.array(z.number().int().positive()).min(1).max(5000) }),
])

export interface MoveAnswer {
  problem: string | null
  /** Where they are now, and what moves them back. */
  moved: { caseNumber: string; back: Move } | null
}

/** Moves files or pages to another case. */
export async function action({ request, params }: Route.ActionArgs) {
  const { who, row } = await askedPackage(request, params.id)
  const body = bodySchema.safeParse(await jsonBody(request))
  const answer = (part: Partial<MoveAnswer>): MoveAnswer => ({ problem: null, moved: null, ...part })
  if (!body.success) return data(answer({ problem: body.error.issues[0].message }), 400)
  try {
    return answer({ moved: await movePages(who, row.id, body.data, body.data.caseNumber) })
  } catch (error) {
    if (!(error instanceof Refused)) throw error
    return data(answer({ problem: error.message }), 409)
  }
}

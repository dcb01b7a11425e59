import { data } from 'react-router'
import { z } from 'zod'
import { askedPackage } from '../../../server/access/packages.ts'
import { moveFiles, type Moved } from '../../../server/packages/move-files.ts'
import { Refused } from '../../../server/packages/states.ts'
import { jsonBody } from '../../../server/web/bodies.ts'
import type { Route } from './+types/move-files'

const bodySchema = z.object({
  files: z.array(z.uuid()).min(1, 'Choose at least one file.').max(500),
  caseNumber: z.string().trim().min(1, 'Say which case they belong to.').max(60),
})

export interface MoveAnswer {
  problem: string | null
  moved: Moved | null
}

/** Moves files to another case, or back. */
export async function action({ request, params }: Route.ActionArgs) {
  const { who, row } = await askedPackage(request, params.id)
  const body = bodySchema.safeParse(await jsonBody(request))
  const answer = (part: Partial<MoveAnswer>): MoveAnswer => ({ problem: null, moved: null, ...part })
  if (!body.success) return data(answer({ problem: body.error.issues[0].message }), 400)
  try {
    return answer({ moved: await moveFiles(who, row.id, body.data.files, body.data.caseNumber) })
  } catch (error) {
    if (!(error instanceof Refused)) throw error
    return data(answer({ problem: error.message }), 409)
  }
}

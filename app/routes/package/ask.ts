import { data } from 'react-router'
import { z } from 'zod'
import { askedPackage } from '../../../server/access/packages.ts'
import { askPackage } from '../../../server/packages/ask.ts'
import type { Route } from './+types/ask'

const askedSchema = z.object({
  q: z.string().trim().min(2).max(300),
  page: z.coerce.number().int().positive().optional(),
})

/** Answers a question in plain words over a package, or over the document of one page. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const { who, row } = await askedPackage(request, params.id)
  const asked = askedSchema.safeParse(Object.fromEntries(new URL(request.url).searchParams))
  if (!asked.success) throw data('Ask in two letters or more, and in fewer than three hundred.', 400)
  if (!row.assessment) throw data('The package is not read yet.', 409)
  return {
    question: asked.data.q,
    answers: await askPackage(who, row.id, row.assessment, asked.data.q, asked.data.page ?? null),
  }
}

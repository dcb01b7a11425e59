import { data } from 'react-router'
import { z } from 'zod'
import { askedPages } from '../../../server/access/packages.ts'
import { wordsOf } from '../../../server/packages/queries.ts'
import type { Route } from './+types/page-words'

const paramsSchema = z.object({ id: z.uuid(), number: z.coerce.number().int().positive() })

export async function loader({ request, params }: Route.LoaderArgs) {
  await askedPages(request, params.id)
  const given = paramsSchema.safeParse(params)
  const words = given.success ? await wordsOf(given.data.id, given.data.number) : null
  if (!words) throw data('This page is not read yet.', 404)
  return { words: words.map((w) => ({ text: w.text, box: w.box })) }
}

import { data } from 'react-router'
import { z } from 'zod'
import { signedIn } from '../../server/access/people.ts'
import { findIn } from '../../server/packages/find.ts'
import { packageRow } from '../../server/packages/queries.ts'
import type { Route } from './+types/find'

const wordsSchema = z.string().trim().max(120)

/** Where words stand in a package. */
export async function loader({ request, params }: Route.LoaderArgs) {
  await signedIn(request)
  const row = await packageRow(params.id)
  if (!row) throw data('There is no such package.', 404)
  const words = wordsSchema.safeParse(new URL(request.url).searchParams.get('q') ?? '')
  if (!words.success) throw data('That is too long to look for.', 400)
  return { words: words.data, ...(await findIn(row.id, words.data)) }
}

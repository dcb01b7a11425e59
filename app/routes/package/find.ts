import { data } from 'react-router'
import { z } from 'zod'
import { askedPackage } from '../../../server/access/packages.ts'
import { findIn } from '../../../server/packages/find.ts'
import type { Route } from './+types/find'

const wordsSchema = z.string().trim().max(120)

/** Where words stand in a package. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const { row } = await askedPackage(request, params.id)
  const words = wordsSchema.safeParse(new URL(request.url).searchParams.get('q') ?? '')
  if (!words.success) throw data('That is too long to look for.', 400)
  return { words: words.data, ...(await findIn(row.id, words.data)) }
}

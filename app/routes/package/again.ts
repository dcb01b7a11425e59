import { askedPackage } from '../../../server/access/packages.ts'
import { checkAgain } from '../../../server/packages/again.ts'
import type { Route } from './+types/again'

/** Has a package checked again that could not be. */
export async function action({ request, params }: Route.ActionArgs) {
  const { who, row } = await askedPackage(request, params.id)
  await checkAgain(row.id, who)
  return null
}

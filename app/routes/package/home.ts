import { redirect } from 'react-router'
import { askedPackage } from '../../../server/access/packages.ts'
import type { Route } from './+types/home'

export async function loader({ request, params }: Route.LoaderArgs) {
  const { row } = await askedPackage(request, params.id)
  return redirect(`/packages/${row.id}/deck`)
}

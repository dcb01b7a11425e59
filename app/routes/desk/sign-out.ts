import { redirect } from 'react-router'
import { signOut } from '../../../server/access/people.ts'
import type { Route } from './+types/sign-out'

export const loader = () => redirect('/packages')
export async function action({ request }: Route.ActionArgs) {
  return redirect('/sign-in', { headers: await signOut(request) })
}

import { redirect } from 'react-router'
import type { Route } from './+types/package-home'

export const loader = ({ params }: Route.LoaderArgs) => redirect(`/packages/${params.id}/deck`)

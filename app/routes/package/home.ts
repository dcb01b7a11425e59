import { redirect } from 'react-router'
import type { Route } from './+types/home'

export const loader = ({ params }: Route.LoaderArgs) => redirect(`/packages/${params.id}/deck`)

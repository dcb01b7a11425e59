import { takeFromProvider } from '../../../server/access/providers.ts'
import type { Route } from './+types/by-provider'

/** Where people come back from a provider that vouches for them. */
export const loader = ({ request }: Route.LoaderArgs): Promise<Response> => takeFromProvider(request)

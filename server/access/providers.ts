import { note } from '../audit.ts'
import { database } from '../database/connection.ts'
import { settings } from '../settings.ts'
import { clientOf } from '../web/client.ts'
import { auth } from './auth.ts'
import { cookiesOf, personOf } from './people.ts'

/** Who vouches for people, as the sign-in offers them. */
export const providers = (): { id: string; name: string }[] =>
  Object.entries(settings().OPENID).map(([id, { name }]) => ({ id, name }))

/** Where the sign-in goes on when a provider did not vouch. */
const REFUSED = '/sign-in?refused=provider'

/** Begins to sign in by a provider. @returns where to send the person, with what is to be remembered; null for no provider */
export async function beginByProvider(
  request: Request,
  provider: string,
  to: string,
): Promise<{ address: string; headers: Headers } | null> {
  if (!providers().some((p) => p.id === provider)) return null
  const response = await auth().api.signInSocial({
    body: { provider, callbackURL: to, errorCallbackURL: REFUSED, disableRedirect: true },
    headers: request.headers,
    asResponse: true,
  })
  if (!response.ok) return null
  const { url } = (await response.clone().json()) as { url?: string }
  return url ? { address: url, headers: cookiesOf(response) } : null
}

/** Takes what a provider says of a person who comes back from it. @returns the answer to their browser */
export async function takeFromProvider(request: Request): Promise<Response> {
  const response = await auth().handler(request)
  const headers = cookiesOf(response)
  const cookie = headers
    .getSetCookie()
    .map((one) => one.split(';')[0])
    .join('; ')
  const who = await personOf(new Request(request.url, { headers: { cookie } }))
  if (who) {
    await note(database(), who, who, 'signed in', `by its provider, from ${clientOf(request)}`)
    headers.set('Location', response.headers.get('Location') ?? '/packages')
  } else headers.set('Location', REFUSED)
  return new Response(null, { status: 302, headers })
}

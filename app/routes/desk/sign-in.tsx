import { Form, data, redirect, useNavigation } from 'react-router'
import { z } from 'zod'
import { personOf, signIn } from '../../../server/access/people.ts'
import { beginByProvider, providers } from '../../../server/access/providers.ts'
import { formBody } from '../../../server/web/bodies.ts'
import { Front, Labelled, Problem } from '../../parts/front.tsx'
import { target } from './target.ts'
import type { Route } from './+types/sign-in'

export async function loader({ request }: Route.LoaderArgs) {
  if (await personOf(request)) throw redirect(target(request))
  return {
    providers: providers(),
    refused: new URL(request.url).searchParams.has('refused'),
  }
}

const providerSchema = z.object({ provider: z.string().min(1).max(80) })
const formSchema = z.object({
  email: z.email('Enter your e-mail address.').max(200),
  password: z.string().min(1, 'Enter your password.').max(200),
})

export async function action({ request }: Route.ActionArgs) {
  const form = await formBody(request)
  const by = providerSchema.safeParse(form)
  if (by.success) {
    const begun = await beginByProvider(request, by.data.provider, target(request))
    return begun
      ? redirect(begun.address, { headers: begun.headers })
      : data({ problem: 'That way to sign in is away now. Try again, or use a password.' }, 503)
  }
  const parsed = formSchema.safeParse(form)
  if (!parsed.success) return data({ problem: parsed.error.issues[0].message }, 400)
  const result = await signIn(request, parsed.data.email, parsed.data.password)
  if ('problem' in result) return data({ problem: result.problem }, 401)
  const to = target(request)
  const next = result.second ? `/sign-in/code?to=${encodeURIComponent(to)}` : to
  return redirect(next, { headers: result.headers })
}

const REFUSED =
  'You are not known here by that address, or signing in there was broken off. An administrator of your desk can invite you.'

export const meta = () => [{ title: 'Sign in · Jigsa' }]

export default function SignIn({ loaderData: { providers, refused }, actionData }: Route.ComponentProps) {
  const busy = useNavigation().state !== 'idle'
  return (
    <Front title="Jigsa" under="Packages in, pieces in place.">
      <Form method="post" className="grid gap-4">
        <Labelled label="E-mail" name="email" type="email" autoComplete="username" autoFocus />
        <Labelled label="Password" name="password" type="password" autoComplete="current-password" />
        <Problem>{actionData?.problem ?? (refused ? REFUSED : null)}</Problem>
        <button className="button-main justify-center py-2" disabled={busy}>
          {busy ? 'Signing in …' : 'Sign in'}
        </button>
      </Form>
      {providers.length > 0 ? (
        <Form method="post" className="mt-5 grid gap-2 border-t border-line pt-5">
          {providers.map(({ id, name }) => (
            <button
              key={id}
              className="button justify-center py-2"
              name="provider"
              value={id}
              disabled={busy}
            >
              Sign in with {name}
            </button>
          ))}
        </Form>
      ) : null}
    </Front>
  )
}

import { Form, data, redirect, useNavigation } from 'react-router'
import { z } from 'zod'
import { personOf, signIn } from '../../../server/access/people.ts'
import { Front, Labelled, Problem } from '../../parts/front.tsx'
import { target } from './target.ts'
import type { Route } from './+types/sign-in'

export async function loader({ request }: Route.LoaderArgs) {
  if (await personOf(request)) throw redirect(target(request))
  return null
}

const formSchema = z.object({
  email: z.email('Enter your e-mail address.').max(200),
  password: z.string().min(1, 'Enter your password.').max(200),
})

export async function action({ request }: Route.ActionArgs) {
  const parsed = formSchema.safeParse(Object.fromEntries(await request.formData()))
  if (!parsed.success) return data({ problem: parsed.error.issues[0].message }, 400)
  const result = await signIn(request, parsed.data.email, parsed.data.password)
  if ('problem' in result) return data({ problem: result.problem }, 401)
  const to = target(request)
  const next = result.second ? `/sign-in/code?to=${encodeURIComponent(to)}` : to
  return redirect(next, { headers: result.headers })
}

export const meta = () => [{ title: 'Sign in · Jigsa' }]

export default function SignIn({ actionData }: Route.ComponentProps) {
  const busy = useNavigation().state !== 'idle'
  return (
    <Front title="Jigsa" under="Packages in, pieces in place.">
      <Form method="post" className="grid gap-4">
        <Labelled label="E-mail" name="email" type="email" autoComplete="username" autoFocus />
        <Labelled label="Password" name="password" type="password" autoComplete="current-password" />
        <Problem>{actionData?.problem}</Problem>
        <button className="button-main justify-center py-2" disabled={busy}>
          {busy ? 'Signing in …' : 'Sign in'}
        </button>
      </Form>
    </Front>
  )
}

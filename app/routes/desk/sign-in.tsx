import { Form, data, redirect, useNavigation } from 'react-router'
import { z } from 'zod'
import { personOf, signIn } from '../../../server/access/people.ts'
import type { Route } from './+types/sign-in'

/** Only addresses of our own are gone back to: a link must not send people elsewhere after they signed in. */
const target = (request: Request): string => {
  const to = new URL(request.url).searchParams.get('to') ?? '/packages'
  return /^\/(?![/\\])[\x20-\x7e]*$/.test(to) ? to : '/packages'
}

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
  return redirect(target(request), { headers: result.headers })
}

export const meta = () => [{ title: 'Sign in · Jigsa' }]

export default function SignIn({ actionData }: Route.ComponentProps) {
  const busy = useNavigation().state !== 'idle'
  return (
    <main className="grid min-h-dvh place-items-center p-4">
      <div className="w-full max-w-sm">
        <div className="relative card p-7 knob">
          <h1 className="text-2xl font-bold">Jigsa</h1>
          <p className="mt-1 mb-6 text-ink-2">Packages in, pieces in place.</p>
          <Form method="post" className="grid gap-4">
            <label className="grid gap-1 font-semibold">
              E-mail
              <input
                className="field font-normal"
                name="email"
                type="email"
                autoComplete="username"
                autoFocus
                required
              />
            </label>
            <label className="grid gap-1 font-semibold">
              Password
              <input
                className="field font-normal"
                name="password"
                type="password"
                autoComplete="current-password"
                required
              />
            </label>
            {actionData?.problem ? (
              <p
                role="alert"
                className="rounded-md border-l-4 border-double border-plum bg-plum-soft px-3 py-2 text-plum"
              >
                {actionData.problem}
              </p>
            ) : null}
            <button className="button-main justify-center py-2" disabled={busy}>
              {busy ? 'Signing in …' : 'Sign in'}
            </button>
          </Form>
        </div>
      </div>
    </main>
  )
}

import { data, Form, Link, redirect, useNavigation } from 'react-router'
import { z } from 'zod'
import { personOf, signInByCode } from '../../../server/access/people.ts'
import { formBody } from '../../../server/web/bodies.ts'
import { Front, Labelled, Problem } from '../../parts/front.tsx'
import { target } from './target.ts'
import type { Route } from './+types/sign-in-code'

export async function loader({ request }: Route.LoaderArgs) {
  if (await personOf(request)) throw redirect(target(request))
  return null
}

const formSchema = z.object({ code: z.string().trim().min(6, 'Enter the code.').max(40) })

export async function action({ request }: Route.ActionArgs) {
  const parsed = formSchema.safeParse(await formBody(request))
  if (!parsed.success) return data({ problem: parsed.error.issues[0].message }, 400)
  const result = await signInByCode(request, parsed.data.code)
  if ('problem' in result) return data({ problem: result.problem }, 401)
  return redirect(target(request), { headers: result.headers })
}

export const meta = () => [{ title: 'Sign in · Jigsa' }]

/** The second step of signing in. */
export default function SignInCode({ actionData }: Route.ComponentProps) {
  const busy = useNavigation().state !== 'idle'
  return (
    <Front
      title="One more step"
      under="The code that your second device shows now, or one of your spare codes."
    >
      <Form method="post" className="grid gap-4">
        <Labelled label="Code" name="code" autoComplete="one-time-code" autoFocus maxLength={40} />
        <Problem>{actionData?.problem}</Problem>
        <button className="button-main justify-center py-2" disabled={busy}>
          {busy ? 'Signing in …' : 'Sign in'}
        </button>
        <Link to="/sign-in" className="text-center text-sm text-petrol underline">
          As somebody else
        </Link>
      </Form>
    </Front>
  )
}

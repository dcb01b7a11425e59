import { data, Form, redirect, useNavigation } from 'react-router'
import { z } from 'zod'
import { choosePassword, personOfLink } from '../../../server/access/links.ts'
import { signIn } from '../../../server/access/people.ts'
import { weaknessOf } from '../../../server/access/passwords.ts'
import { formBody } from '../../../server/web/bodies.ts'
import { Front, Labelled, Problem } from '../../parts/front.tsx'
import type { Route } from './+types/welcome'

const GONE = 'This link was used, or is older than a week. Ask an administrator of your desk for another.'

export async function loader({ params }: Route.LoaderArgs) {
  const who = await personOfLink(params.token)
  if (!who) throw data(GONE, 404)
  return { name: who.name, email: who.email }
}

const formSchema = z.object({ password: z.string().max(400), again: z.string().max(400) })

export async function action({ request, params }: Route.ActionArgs) {
  const form = formSchema.safeParse(await formBody(request))
  const who = await personOfLink(params.token)
  if (!who) throw data(GONE, 404)
  if (!form.success) return data({ problem: 'Enter a password, twice.' }, 400)
  const { password, again } = form.data
  if (password !== again) return data({ problem: 'The two are not the same.' }, 400)
  const problem = weaknessOf(password, who)
  if (problem) return data({ problem }, 400)
  if (!(await choosePassword(params.token, password))) throw data(GONE, 404)
  const result = await signIn(request, who.email, password)
  return 'problem' in result ? redirect('/sign-in') : redirect('/packages', { headers: result.headers })
}

export const meta = () => [{ title: 'Welcome · Jigsa' }]

/** Where somebody chooses a password by the link that an administrator gave them. */
export default function Welcome({ loaderData: { name, email }, actionData }: Route.ComponentProps) {
  const busy = useNavigation().state !== 'idle'
  return (
    <Front title={`Welcome, ${name}`} under={`Choose a password. You sign in as ${email}.`}>
      <Form method="post" className="grid gap-4">
        <Labelled label="Password" name="password" type="password" autoComplete="new-password" autoFocus />
        <Labelled label="The same again" name="again" type="password" autoComplete="new-password" />
        <Problem>{actionData?.problem}</Problem>
        <button className="button-main justify-center py-2" disabled={busy}>
          Keep it and sign in
        </button>
      </Form>
    </Front>
  )
}

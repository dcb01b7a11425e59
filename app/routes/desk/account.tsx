import { useState } from 'react'
import { data, Form, useNavigation } from 'react-router'
import { z } from 'zod'
import { modulesOf, type Modules } from '../../../engine/print/barcode.ts'
import { signedIn } from '../../../server/access/people.ts'
import { isPasswordOf, setPassword, weaknessOf } from '../../../server/access/passwords.ts'
import {
  beginSecondFactor,
  confirmSecondFactor,
  endSecondFactor,
  secondFactorOf,
} from '../../../server/access/second-factor.ts'
import { endSession, endSessions, sessionsOf } from '../../../server/access/sessions.ts'
import { note } from '../../../server/audit.ts'
import { database } from '../../../server/database/connection.ts'
import { formBody } from '../../../server/web/bodies.ts'
import { moment } from '../../parts/format.ts'
import { Labelled } from '../../parts/front.tsx'
import { Told } from '../../parts/told.tsx'
import type { Route } from './+types/account'

export const meta = () => [{ title: 'Your account · Jigsa' }]

export async function loader({ request }: Route.LoaderArgs) {
  const who = await signedIn(request)
  return {
    who,
    sessions: await sessionsOf(who.id),
    second: await secondFactorOf(who.id),
  }
}

const password = z.string().min(1, 'Enter your password.').max(400)
const formSchema = z.discriminatedUnion('act', [
  z.object({
    act: z.literal('password'),
    old: password,
    password: z.string().max(400),
    again: z.string().max(400),
  }),
  z.object({ act: z.literal('begin'), password }),
  z.object({
    act: z.literal('confirm'),
    code: z
      .string()
      .trim()
      .regex(/^\d{6}$/, 'A code has six figures.'),
  }),
  z.object({ act: z.literal('take away'), password }),
  z.object({ act: z.literal('end'), id: z.string().max(80) }),
  z.object({ act: z.literal('end others') }),
])

interface Answer {
  problem: string | null
  said: string | null
  /** A second factor that was begun: its square code and its spare codes, shown once. */
  begun: { square: Modules; key: string; spare: string[] } | null
}
const answer = (part: Partial<Answer>): Answer => ({ problem: null, said: null, begun: null, ...part })
const WRONG = answer({ problem: 'That is not your password.' })

export async function action({ request }: Route.ActionArgs) {
  const who = await signedIn(request)
  const form = formSchema.safeParse(await formBody(request))
  if (!form.success) return data(answer({ problem: form.error.issues[0].message }), 400)
  const asked = form.data
  switch (asked.act) {
    case 'password': {
      if (asked.password !== asked.again) return data(answer({ problem: 'The two are not the same.' }), 400)
      const problem = weaknessOf(asked.password, who)
      if (problem) return data(answer({ problem }), 400)
      if (!(await isPasswordOf(database(), who.id, asked.old))) return data(WRONG, 403)
      await database().transaction(async (work) => {
        await setPassword(work, who.id, asked.password)
        await endSessions(work, who.id, who.sessionId)
        await note(work, who, who, 'changed their password')
      })
      return answer({ said: 'The password is changed. All your other sessions have ended.' })
    }
    case 'begin': {
      const begun = await beginSecondFactor(request, asked.password)
      if (!begun) return data(WRONG, 403)
      const key = new URL(begun.uri).searchParams.get('secret') ?? ''
      return answer({ begun: { square: await modulesOf(begun.uri, 'QRCode'), key, spare: begun.spare } })
    }
    case 'confirm': {
      const headers = await confirmSecondFactor(request, who, asked.code)
      return headers
        ? data(answer({ said: 'From now on a code is asked for when you sign in.' }), { headers })
        : data(
            answer({ problem: 'This code is wrong or too old. Begin again if you lost the square code.' }),
            400,
          )
    }
    case 'take away': {
      const headers = await endSecondFactor(request, who, asked.password)
      return headers
        ? data(answer({ said: 'No code is asked for any more.' }), { headers })
        : data(WRONG, 403)
    }
    case 'end':
      await endSession(who.id, asked.id)
      return answer({ said: 'That session has ended.' })
    case 'end others':
      await endSessions(database(), who.id, who.sessionId)
      return answer({ said: 'All your other sessions have ended.' })
  }
}

/** One's own sign-in: password, second factor, and where one is signed in. */
export default function Account({ loaderData: { who, sessions, second }, actionData }: Route.ComponentProps) {
  const busy = useNavigation().state !== 'idle'
  return (
    <main className="mx-auto grid max-w-4xl gap-4 p-4 md:grid-cols-2">
      <div className="md:col-span-2">
        <h1 className="text-xl font-semibold">
          {who.name} <span className="font-normal text-ink-2">{who.email}</span>
        </h1>
        {who.lacksSecondFactor ? (
          <p role="status" className="odd-edge mt-2 pl-2">
            Your desk asks for a second factor of everybody in your role. Set one up, then go on.
          </p>
        ) : null}
        <div className="mt-3">
          <Told {...actionData} />
        </div>
      </div>
      <section className="card p-4">
        <h2 className="mb-3 font-semibold">Password</h2>
        <Form method="post" className="grid gap-3" key={actionData?.said}>
          <input type="hidden" name="act" value="password" />
          <Labelled label="The one you have" name="old" type="password" autoComplete="current-password" />
          <Labelled label="Another one" name="password" type="password" autoComplete="new-password" />
          <Labelled label="The same again" name="again" type="password" autoComplete="new-password" />
          <button className="button justify-self-start" disabled={busy}>
            Change it
          </button>
        </Form>
      </section>
      <section className="card p-4">
        <h2 className="mb-1 font-semibold">Second factor</h2>
        <p className="mb-3 text-sm text-ink-2">
          {second.on
            ? 'A code of your second device is asked for when you sign in.'
            : 'A code that your telephone makes, asked for besides the password: who learns your password alone cannot sign in.'}
        </p>
        {actionData?.begun ? (
          <Begun begun={actionData.begun} />
        ) : (
          <Form method="post" className="grid gap-3" key={actionData?.said}>
            <input type="hidden" name="act" value={second.on ? 'take away' : 'begin'} />
            <Labelled label="Your password" name="password" type="password" autoComplete="current-password" />
            <button className="button justify-self-start" disabled={busy}>
              {second.on ? 'Take it away' : 'Set it up'}
            </button>
          </Form>
        )}
        {second.on || (!second.begun && !actionData?.begun) ? null : <Code />}
      </section>
      <section className="card p-4 md:col-span-2">
        <div className="mb-2 flex items-center gap-3">
          <h2 className="mr-auto font-semibold">
            Where you are signed in <span className="font-normal text-ink-2">{sessions.length}</span>
          </h2>
          {sessions.length > 1 ? (
            <Form method="post">
              <button className="button" name="act" value="end others" disabled={busy}>
                End all but this
              </button>
            </Form>
          ) : null}
        </div>
        <ul className="grid gap-px overflow-hidden rounded-lg border border-line bg-line-2">
          {sessions.map((s) => (
            <li key={s.id} className="flex flex-wrap items-center gap-x-4 gap-y-1 bg-sheet px-3 py-2">
              <span className="min-w-56 flex-1">
                <b>{deviceName(s.device)}</b>
                {s.id === who.sessionId ? <span className="text-ink-2"> (here)</span> : null}
              </span>
              <span className="w-36 text-sm text-ink-2">{s.from || 'unknown address'}</span>
              <span className="w-52 text-sm text-ink-2" suppressHydrationWarning>
                used {moment(s.used)}
              </span>
              {s.id === who.sessionId ? (
                <span className="w-16" />
              ) : (
                <Form method="post">
                  <input type="hidden" name="act" value="end" />
                  <button className="button w-16" name="id" value={s.id} disabled={busy}>
                    End
                  </button>
                </Form>
              )}
            </li>
          ))}
        </ul>
      </section>
    </main>
  )
}

/** The first code of a second factor that was begun. */
function Code() {
  const [code, setCode] = useState('')
  return (
    <Form method="post" className="mt-3 flex items-end gap-3">
      <input type="hidden" name="act" value="confirm" />
      <Labelled
        label="The code it shows"
        name="code"
        inputMode="numeric"
        autoComplete="one-time-code"
        maxLength={6}
        value={code}
        onChange={(event) => setCode(event.target.value)}
      />
      <button className="button-main" disabled={!/^\d{6}$/.test(code)}>
        Use it from now on
      </button>
    </Form>
  )
}

/** What a second device is shown, and the spare codes. */
function Begun({ begun: { square, key, spare } }: { begun: NonNullable<Answer['begun']> }) {
  // A square code is found by the white around it (ISO/IEC 18004).
  const quiet = 4
  return (
    <div className="grid gap-3">
      <p className="text-sm">Have the device look at the square, or type its key into it:</p>
      <div className="flex flex-wrap items-start gap-4">
        <svg
          role="img"
          aria-label="Square code of the second factor"
          viewBox={`${-quiet} ${-quiet} ${square.width + 2 * quiet} ${square.height + 2 * quiet}`}
          className="size-44 rounded border border-line bg-white"
          shapeRendering="crispEdges"
        >
          {square.runs.map((run) => (
            <rect key={`${run.x}-${run.y}`} x={run.x} y={run.y} width={run.width} height={1} />
          ))}
        </svg>
        <div className="min-w-0 flex-1 text-sm">
          <code className="font-mono break-all" data-testid="factor-key">
            {key}
          </code>
        </div>
      </div>
      <div className="text-sm">
        <p className="font-semibold">Spare codes</p>
        <p className="text-ink-2">
          Each signs you in once without the device. They are shown only now: keep them where nobody else
          looks.
        </p>
        <ul
          className="mt-1 grid grid-cols-[auto_auto] justify-start gap-x-8 font-mono"
          data-testid="spare-codes"
        >
          {spare.map((code) => (
            <li key={code}>{code}</li>
          ))}
        </ul>
      </div>
    </div>
  )
}

/** What a browser says that it is, in two words. */
function deviceName(agent: string | null): string {
  const browser = /Firefox|Edg|Chrome|Safari/.exec(agent ?? '')?.[0] ?? 'A program'
  const system = /Windows|Android|iPhone|iPad|Mac OS|Linux/.exec(agent ?? '')?.[0]
  return `${browser === 'Edg' ? 'Edge' : browser}${system ? ` on ${system}` : ''}`
}

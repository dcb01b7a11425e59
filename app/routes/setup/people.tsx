import { useState } from 'react'
import { data, useFetcher } from 'react-router'
import { z } from 'zod'
import { addColleague, peopleOf, setRole } from '../../../server/access/colleagues.ts'
import { signedIn } from '../../../server/access/people.ts'
import { type Role, roles } from '../../../server/database/schema.ts'
import { Told } from '../../parts/told.tsx'
import type { Route } from './+types/people'

export const meta = () => [{ title: 'People · Jigsa' }]

export async function loader({ request }: Route.LoaderArgs) {
  const who = await signedIn(request)
  return {
    people: await peopleOf(who.organisationId),
    roles: [...roles],
    me: who.id,
    may: who.role === 'administrator',
  }
}

const bodySchema = z.discriminatedUnion('act', [
  z.object({
    act: z.literal('add'),
    name: z.string().trim().min(1, 'Say what the person is called.').max(120),
    email: z.email('This is no e-mail address.').max(200),
    role: z.enum(roles),
  }),
  z.object({ act: z.literal('role'), id: z.string().max(80), role: z.enum(roles) }),
])
type Body = z.infer<typeof bodySchema>
interface Answer {
  problem: string | null
  said: string | null
  /** A first password, shown once. */
  first: { name: string; email: string; password: string } | null
}
const answer = (part: Partial<Answer>): Answer => ({ problem: null, said: null, first: null, ...part })

export async function action({ request }: Route.ActionArgs) {
  const who = await signedIn(request)
  if (who.role !== 'administrator')
    return data(answer({ problem: 'An administrator adds people and gives roles.' }), 403)
  const body = bodySchema.safeParse(await request.json().catch(() => null))
  if (!body.success) return data(answer({ problem: body.error.issues[0].message }), 400)
  if (body.data.act === 'role') {
    // Or an organisation could be left without anybody who may change it.
    if (body.data.id === who.id)
      return data(answer({ problem: 'Another administrator changes your own role.' }), 409)
    return (await setRole(who, body.data.id, body.data.role))
      ? answer({ said: 'Stored.' })
      : data(answer({ problem: 'There is no such person here.' }), 404)
  }
  const { name, email, role } = body.data
  const password = await addColleague(who, who.organisationId, { name, email, role })
  return password === null
    ? data(answer({ problem: 'Somebody signs in with this address already.' }), 409)
    : answer({ first: { name, email: email.toLowerCase(), password } })
}

const MAY: Record<Role, string> = {
  processor: 'settles packages',
  reviewer: 'signs packages off, too',
  lead: 'changes programs, types, rules and registers, too',
  administrator: 'adds people and says how papers are written, too',
}

/** The people of an organisation: who may sign in, and what each may do. */
export default function People({ loaderData: { people, me, may, roles } }: Route.ComponentProps) {
  const fetcher = useFetcher<typeof action>()
  const send = (body: Body) => void fetcher.submit(body, { method: 'post', encType: 'application/json' })
  const first = fetcher.data?.first
  return (
    <main className="mx-auto max-w-4xl p-4">
      <h1 className="mb-3 text-xl font-semibold">
        People <span className="font-normal text-ink-2">{people.length}</span>
      </h1>
      <Told {...fetcher.data} />
      {first ? (
        <p role="status" className="mb-3 rounded-md border border-line bg-sheet px-3 py-2">
          {first.name} signs in as {first.email} with the password{' '}
          <b className="font-mono" data-testid="first-password">
            {first.password}
          </b>
          . It is shown only now: hand it over before you go on.
        </p>
      ) : null}
      <ul className="mb-4 grid gap-px overflow-hidden rounded-lg border border-line bg-line-2">
        {people.map((p) => (
          <li key={p.id} className="flex flex-wrap items-center gap-x-4 gap-y-1 bg-sheet px-4 py-2">
            <b className="min-w-40 flex-1">
              {p.name}
              {p.id === me ? <span className="font-normal text-ink-2"> (you)</span> : null}
            </b>
            <span className="min-w-48 flex-1 text-[13px] text-ink-2">{p.email}</span>
            {may && p.id !== me ? (
              <select
                className="field w-40 py-1"
                aria-label={`Role of ${p.name}`}
                value={p.role}
                disabled={fetcher.state !== 'idle'}
                onChange={(event) => send({ act: 'role', id: p.id, role: event.target.value as Role })}
              >
                {roles.map((role) => (
                  <option key={role}>{role}</option>
                ))}
              </select>
            ) : (
              <span className="w-40">{p.role}</span>
            )}
          </li>
        ))}
      </ul>
      {may ? (
        // A person who was added leaves the form empty for the next.
        <Add key={people.length} roles={roles} busy={fetcher.state !== 'idle'} onAdd={send} />
      ) : (
        <p className="text-ink-2">An administrator adds people and gives roles.</p>
      )}
      <dl className="mt-5 grid grid-cols-[auto_1fr] gap-x-4 gap-y-1 text-[13px] text-ink-2">
        {roles.map((role) => (
          <div key={role} className="contents">
            <dt className="font-semibold">{role}</dt>
            <dd>{MAY[role]}</dd>
          </div>
        ))}
      </dl>
    </main>
  )
}

function Add({ roles, busy, onAdd }: { roles: Role[]; busy: boolean; onAdd: (body: Body) => void }) {
  const [name, setName] = useState('')
  const [email, setEmail] = useState('')
  const [role, setRole] = useState<Role>('processor')
  return (
    <form
      className="card flex flex-wrap items-end gap-3 p-4"
      onSubmit={(event) => {
        event.preventDefault()
        onAdd({ act: 'add', name, email, role })
      }}
    >
      <label className="grid flex-1 gap-1">
        <span className="font-semibold">Name</span>
        <input
          className="field"
          required
          maxLength={120}
          value={name}
          onChange={(e) => setName(e.target.value)}
        />
      </label>
      <label className="grid flex-1 gap-1">
        <span className="font-semibold">E-mail</span>
        <input
          className="field"
          type="email"
          required
          maxLength={200}
          value={email}
          onChange={(e) => setEmail(e.target.value)}
        />
      </label>
      <label className="grid gap-1">
        <span className="font-semibold">Role</span>
        <select className="field" value={role} onChange={(e) => setRole(e.target.value as Role)}>
          {roles.map((r) => (
            <option key={r}>{r}</option>
          ))}
        </select>
      </label>
      <button className="button-main" disabled={busy}>
        Add this person
      </button>
    </form>
  )
}

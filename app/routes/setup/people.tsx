import { Ellipsis } from 'lucide-react'
import { DropdownMenu } from 'radix-ui'
import { useState } from 'react'
import { data, useFetcher } from 'react-router'
import { z } from 'zod'
import {
  demandSecondFactor,
  endSessionsOf,
  inviteColleague,
  peopleOf,
  resetColleague,
  secondFactorFor,
  setDisabled,
  setRole,
} from '../../../server/access/colleagues.ts'
import { signedIn } from '../../../server/access/people.ts'
import { may, refusalOf } from '../../../server/access/rights.ts'
import { type Role, roles } from '../../../server/database/schema.ts'
import { jsonBody } from '../../../server/web/bodies.ts'
import { moment } from '../../parts/format.ts'
import { ShownOnce } from '../../parts/shown-once.tsx'
import { Told } from '../../parts/told.tsx'
import type { Route } from './+types/people'

export const meta = () => [{ title: 'People · Jigsa' }]

export async function loader({ request }: Route.LoaderArgs) {
  const who = await signedIn(request)
  return {
    people: await peopleOf(who.organisationId),
    secondFactorFor: await secondFactorFor(who.organisationId),
    roles: [...roles],
    me: who.id,
    may: may(who, 'people'),
  }
}

const id = z.string().max(80)
const bodySchema = z.discriminatedUnion('act', [
  z.object({
    act: z.literal('invite'),
    name: z.string().trim().min(1, 'Say what the person is called.').max(120),
    email: z.email('This is no e-mail address.').max(200),
    role: z.enum(roles),
  }),
  z.object({ act: z.literal('role'), id, role: z.enum(roles) }),
  z.object({ act: z.literal('switch'), id, disabled: z.boolean() }),
  z.object({ act: z.literal('reset'), id }),
  z.object({ act: z.literal('end'), id }),
  z.object({ act: z.literal('second factor'), roles: z.array(z.enum(roles)).max(roles.length) }),
])
type Body = z.infer<typeof bodySchema>
interface Answer {
  problem: string | null
  said: string | null
  /** A link to choose a password by, shown once. */
  link: { name: string; address: string } | null
}
const answer = (part: Partial<Answer>): Answer => ({ problem: null, said: null, link: null, ...part })
const NOBODY = answer({ problem: 'There is no such person here.' })

export async function action({ request }: Route.ActionArgs) {
  const who = await signedIn(request)
  if (!may(who, 'people')) return data(answer({ problem: refusalOf('people') }), 403)
  const body = bodySchema.safeParse(await jsonBody(request))
  if (!body.success) return data(answer({ problem: body.error.issues[0].message }), 400)
  const asked = body.data
  if (asked.act === 'second factor') {
    await demandSecondFactor(who, asked.roles)
    return answer({ said: 'Stored. Whoever has none yet sets one up before they go on.' })
  }
  if (asked.act === 'invite') {
    const address = await inviteColleague(who, who.organisationId, asked)
    return address === null
      ? data(answer({ problem: 'Somebody signs in with this address already.' }), 409)
      : answer({ link: { name: asked.name, address } })
  }
  // Or an organisation could be left without anybody who may change it.
  if (asked.id === who.id)
    return data(answer({ problem: 'Another administrator does this to your own account.' }), 409)
  if (asked.act === 'reset') {
    const address = await resetColleague(who, who.organisationId, asked.id)
    const found = (await peopleOf(who.organisationId)).find((p) => p.id === asked.id)
    return address && found ? answer({ link: { name: found.name, address } }) : data(NOBODY, 404)
  }
  const done =
    asked.act === 'role'
      ? await setRole(who, who.organisationId, asked.id, asked.role)
      : asked.act === 'switch'
        ? await setDisabled(who, who.organisationId, asked.id, asked.disabled)
        : await endSessionsOf(who, who.organisationId, asked.id)
  return done ? answer({ said: 'Stored.' }) : data(NOBODY, 404)
}

const MAY: Record<Role, string> = {
  processor: 'settles packages',
  reviewer: 'signs packages off, too',
  lead: 'changes programs, types, rules and registers, too',
  administrator: 'looks after people and says how papers are written, too',
}

/** The people of an organisation: who may sign in, and what each may do. */
export default function People({
  loaderData: { people, me, may, roles, secondFactorFor },
}: Route.ComponentProps) {
  const fetcher = useFetcher<typeof action>()
  const send = (body: Body) => void fetcher.submit(body, { method: 'post', encType: 'application/json' })
  const busy = fetcher.state !== 'idle'
  return (
    <main className="mx-auto max-w-5xl p-4">
      <h1 className="mb-3 text-xl font-semibold">
        People <span className="font-normal text-ink-2">{people.length}</span>
      </h1>
      <Told {...fetcher.data} />
      {fetcher.data?.link ? (
        <ShownOnce
          text={`With this link ${fetcher.data.link.name} chooses a password. It is good once, for a week, and shown only now: hand it over before you go on.`}
          secret={fetcher.data.link.address}
          testId="password-link"
        />
      ) : null}
      <ul className="mb-4 grid gap-px overflow-hidden rounded-lg border border-line bg-line-2">
        {people.map((p) => (
          <li key={p.id} className="flex flex-wrap items-center gap-x-4 gap-y-1 bg-sheet px-4 py-2">
            <span className="min-w-40 flex-1">
              <b className={p.disabledAt ? 'text-ink-2 line-through' : ''}>{p.name}</b>
              {p.id === me ? <span className="text-ink-2"> (you)</span> : null}
              <span className="block text-[13px] text-ink-2">{p.email}</span>
            </span>
            <span className="w-52 text-[13px] text-ink-2" suppressHydrationWarning>
              {p.disabledAt
                ? `switched off ${moment(p.disabledAt)}`
                : p.seen
                  ? `last here ${moment(p.seen)}`
                  : 'not signed in'}
              {p.secondFactor ? <span className="block">with a second factor</span> : null}
            </span>
            {may && p.id !== me ? (
              <>
                <select
                  className="field w-36 py-1"
                  aria-label={`Role of ${p.name}`}
                  value={p.role}
                  disabled={busy}
                  onChange={(event) => send({ act: 'role', id: p.id, role: event.target.value as Role })}
                >
                  {roles.map((role) => (
                    <option key={role}>{role}</option>
                  ))}
                </select>
                <More
                  name={p.name}
                  disabled={p.disabledAt !== null}
                  busy={busy}
                  act={(body) => send({ ...body, id: p.id })}
                />
              </>
            ) : (
              <>
                <span className="w-36 px-3">{p.role}</span>
                {may ? <span className="w-[42px]" /> : null}
              </>
            )}
          </li>
        ))}
      </ul>
      {may ? (
        <>
          {/* A person who was invited leaves the form empty for the next. */}
          <Add key={people.length} roles={roles} busy={busy} onAdd={send} />
          <fieldset className="card mt-4 p-4" disabled={busy}>
            <legend className="sr-only">Second factor</legend>
            <p className="font-semibold">Who signs in with a second factor</p>
            <div className="mt-2 flex flex-wrap gap-4">
              {roles.map((role) => (
                <label key={role} className="flex items-center gap-2">
                  <input
                    type="checkbox"
                    checked={secondFactorFor.includes(role)}
                    onChange={(event) =>
                      send({
                        act: 'second factor',
                        roles: roles.filter((r) =>
                          r === role ? event.target.checked : secondFactorFor.includes(r),
                        ),
                      })
                    }
                  />
                  {role}
                </label>
              ))}
            </div>
          </fieldset>
        </>
      ) : (
        <p className="text-ink-2">{REFUSAL}</p>
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

const REFUSAL = 'An administrator invites people and gives roles.'

type OnOne = { act: 'reset' | 'end' } | { act: 'switch'; disabled: boolean }

/** What else may be done to a colleague. */
function More({
  name,
  disabled,
  busy,
  act,
}: {
  name: string
  disabled: boolean
  busy: boolean
  act: (body: OnOne) => void
}) {
  const items: [text: string, body: OnOne][] = [
    ['Have another password chosen', { act: 'reset' }],
    ['End all sessions', { act: 'end' }],
    [disabled ? 'Switch on' : 'Switch off', { act: 'switch', disabled: !disabled }],
  ]
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className="button" aria-label={`More for ${name}`} disabled={busy}>
        <Ellipsis size={16} />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="end" sideOffset={4} className="card z-20 min-w-52 p-1 shadow-xl">
          {items.map(([text, body]) => (
            <DropdownMenu.Item
              key={text}
              className="cursor-pointer rounded px-3 py-1.5 data-[highlighted]:bg-petrol-soft"
              onSelect={() => act(body)}
            >
              {text}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
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
        onAdd({ act: 'invite', name, email, role })
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
        Invite this person
      </button>
    </form>
  )
}

import { useState } from 'react'
import { data, useFetcher } from 'react-router'
import { z } from 'zod'
import { addIntegration, integrationsOf, revokeIntegration } from '../../../server/access/integrations.ts'
import { signedIn } from '../../../server/access/people.ts'
import { may, refusalOf } from '../../../server/access/rights.ts'
import { scopes } from '../../../server/database/schema.ts'
import { jsonBody } from '../../../server/web/bodies.ts'
import { moment } from '../../parts/format.ts'
import { ShownOnce } from '../../parts/shown-once.tsx'
import { Told } from '../../parts/told.tsx'
import type { Route } from './+types/integrations'

export const meta = () => [{ title: 'Other systems · Jigsa' }]

export async function loader({ request }: Route.LoaderArgs) {
  const who = await signedIn(request)
  return {
    keys: await integrationsOf(who.organisationId),
    scopes: [...scopes],
    may: may(who, 'keys'),
    now: Date.now(),
  }
}

const bodySchema = z.discriminatedUnion('act', [
  z.object({
    act: z.literal('make'),
    name: z.string().trim().min(1, 'Say which system it is for.').max(120),
    scopes: z.array(z.enum(scopes)).min(1, 'Say what it is good for.'),
    /** Until the end of this day; null for as long as nobody takes it away. */
    until: z.iso.date('Say the last day as a date.').nullable(),
  }),
  z.object({ act: z.literal('revoke'), id: z.uuid() }),
])
type Body = z.input<typeof bodySchema>
interface Answer {
  problem: string | null
  said: string | null
  made: { name: string; key: string } | null
}
const answer = (part: Partial<Answer>): Answer => ({ problem: null, said: null, made: null, ...part })

export async function action({ request }: Route.ActionArgs) {
  const who = await signedIn(request)
  if (!may(who, 'keys')) return data(answer({ problem: refusalOf('keys') }), 403)
  const body = bodySchema.safeParse(await jsonBody(request))
  if (!body.success) return data(answer({ problem: body.error.issues[0].message }), 400)
  if (body.data.act === 'revoke')
    return (await revokeIntegration(who, body.data.id))
      ? answer({ said: 'Taken away; the next call with it is refused.' })
      : data(answer({ problem: 'This key is taken away already.' }), 404)
  const { name, until, scopes: good } = body.data
  const expiresAt = until ? new Date(`${until}T23:59:59Z`) : null
  if (expiresAt && expiresAt.getTime() < Date.now())
    return data(answer({ problem: 'That day is over.' }), 400)
  const key = await addIntegration(who, who.organisationId, { name, scopes: [...new Set(good)], expiresAt })
  return answer({ made: { name, key } })
}

type Scope = (typeof scopes)[number]
const GOOD_FOR: Record<Scope, string> = {
  read: 'look at packages and fetch what is handed over',
  bring: 'bring papers',
  work: 'answer and finish as a processor does',
}

/** Keys by which other systems work here. */
export default function Integrations({
  loaderData: { keys, scopes: all, may: mayMake, now },
}: Route.ComponentProps) {
  const fetcher = useFetcher<typeof action>()
  const send = (body: Body) => void fetcher.submit(body, { method: 'post', encType: 'application/json' })
  const busy = fetcher.state !== 'idle'
  return (
    <main className="mx-auto max-w-5xl p-4">
      <h1 className="text-xl font-semibold">
        Other systems <span className="font-normal text-ink-2">{keys.length}</span>
      </h1>
      <p className="mb-3 text-ink-2">
        By a key another system brings papers and follows packages. What it may call is described at{' '}
        <a className="text-petrol underline" href="/api/v1/openapi.json">
          /api/v1/openapi.json
        </a>
        .
      </p>
      <Told {...fetcher.data} />
      {fetcher.data?.made ? (
        <ShownOnce
          text={`The key of ${fetcher.data.made.name}. It is kept nowhere and shown only now: put it where that system finds it.`}
          secret={fetcher.data.made.key}
          testId="key"
        />
      ) : null}
      {keys.length > 0 ? (
        <ul className="mb-4 grid gap-px overflow-hidden rounded-lg border border-line bg-line-2">
          {keys.map((k) => (
            <li key={k.id} className="flex flex-wrap items-center gap-x-4 gap-y-1 bg-sheet px-4 py-2">
              <span className="min-w-48 flex-1">
                <b className={k.revokedAt ? 'text-ink-2 line-through' : ''}>{k.name}</b>
                <span className="block text-[13px] text-ink-2">
                  <span className="font-mono">…{k.keyEnd}</span>, to {k.scopes.join(', ')}
                </span>
              </span>
              <span className="w-60 text-[13px] text-ink-2" suppressHydrationWarning>
                {stateOf(k, now)}
              </span>
              {mayMake && !k.revokedAt ? (
                <button
                  type="button"
                  className="button"
                  disabled={busy}
                  aria-label={`Take the key of ${k.name} away`}
                  onClick={() => send({ act: 'revoke', id: k.id })}
                >
                  Take away
                </button>
              ) : null}
            </li>
          ))}
        </ul>
      ) : (
        <p className="card mb-4 p-4 text-ink-2">No other system works here yet.</p>
      )}
      {mayMake ? (
        <Make key={keys.length} scopes={all} busy={busy} onMake={send} />
      ) : (
        <p className="text-ink-2">{REFUSAL}</p>
      )}
    </main>
  )
}

const REFUSAL = 'An administrator makes keys and takes them away.'

interface Times {
  revokedAt: Date | null
  expiresAt: Date | null
  lastUsedAt: Date | null
}

function stateOf({ revokedAt, expiresAt, lastUsedAt }: Times, now: number): string {
  if (revokedAt) return `taken away ${moment(revokedAt)}`
  if (expiresAt && expiresAt.getTime() < now) return `expired ${moment(expiresAt)}`
  return [
    lastUsedAt ? `last used ${moment(lastUsedAt)}` : 'not used yet',
    ...(expiresAt ? [`good until ${moment(expiresAt)}`] : []),
  ].join(', ')
}

function Make({
  scopes: all,
  busy,
  onMake,
}: {
  scopes: readonly Scope[]
  busy: boolean
  onMake: (body: Body) => void
}) {
  const [name, setName] = useState('')
  const [until, setUntil] = useState('')
  const [good, setGood] = useState<readonly Scope[]>(['read', 'bring'])
  return (
    <form
      className="card flex flex-wrap items-end gap-4 p-4"
      onSubmit={(event) => {
        event.preventDefault()
        onMake({ act: 'make', name, scopes: [...good], until: until || null })
      }}
    >
      <label className="min-w-56 flex-1">
        <span className="mb-1 block text-sm font-semibold">Another system</span>
        <input
          className="field"
          placeholder="what it is called"
          maxLength={120}
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
      </label>
      <fieldset className="grid gap-1 text-sm">
        <legend className="mb-1 font-semibold">It may</legend>
        {all.map((scope) => (
          <label key={scope} className="flex items-center gap-2">
            <input
              type="checkbox"
              checked={good.includes(scope)}
              onChange={(event) =>
                setGood(all.filter((s) => (s === scope ? event.target.checked : good.includes(s))))
              }
            />
            {GOOD_FOR[scope]}
          </label>
        ))}
      </fieldset>
      <label>
        <span className="mb-1 block text-sm font-semibold">Until (may be left empty)</span>
        <input
          type="date"
          className="field"
          value={until}
          onChange={(event) => setUntil(event.target.value)}
        />
      </label>
      <button className="button-main" disabled={busy || name.trim() === '' || good.length === 0}>
        Make a key
      </button>
    </form>
  )
}

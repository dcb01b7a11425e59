import { useState } from 'react'
import { data, Link, useFetcher } from 'react-router'
import { z } from 'zod'
import { signedIn } from '../../../server/access/people.ts'
import { lenderOf } from '../../../server/access/organisations.ts'
import { may, refusalOf } from '../../../server/access/rights.ts'
import {
  addDevice,
  deviceOf,
  deviceSchema,
  newKey,
  setDevice,
  type DeviceSetUp,
} from '../../../server/arrivals/devices.ts'
import { hasIdentityCheck } from '../../../server/packages/identity.ts'
import { programsOf } from '../../../server/configuration/programs.ts'
import { typesOf } from '../../../server/configuration/types.ts'
import { database } from '../../../server/database/connection.ts'
import { jsonBody } from '../../../server/web/bodies.ts'
import { ShownOnce } from '../../parts/shown-once.tsx'
import { Told } from '../../parts/told.tsx'
import { Options } from '../../parts/options.tsx'
import type { Route } from './+types/device'

export const meta = () => [{ title: 'Device · Jigsa' }]

const NEW = 'new'

export async function loader({ request, params }: Route.LoaderArgs) {
  const who = await signedIn(request)
  const id = z.uuid().safeParse(params.id)
  const device = id.success ? await deviceOf(who, id.data) : null
  if (!device && params.id !== NEW) throw data('There is no such device.', 404)
  const [programs, types, lender] = await Promise.all([
    programsOf(database(), who.organisationId),
    typesOf(database(), who.organisationId),
    lenderOf(database(), who.organisationId),
  ])
  return {
    device: device && { id: device.id, name: device.name, paused: device.paused, buttons: device.buttons },
    programs: programs.map(({ body }) => ({ id: body.id, title: body.title })),
    types: types.map(({ id: type, title, zone, fields }) => ({
      id: type,
      title,
      zone,
      amounts: fields.filter((f) => f.kind === 'money').map((f) => ({ name: f.name, title: f.title })),
    })),
    currency: lender.currency,
    hasCheck: hasIdentityCheck(who.organisationId),
    may: may(who, 'set up'),
  }
}

const bodySchema = z.discriminatedUnion('act', [
  z.object({ act: z.literal('store'), device: deviceSchema }),
  z.object({ act: z.literal('key') }),
])
interface Answer {
  problem: string | null
  said: string | null
  /** Of a device that was made just now. */
  id: string | null
  key: string | null
}
const answer = (part: Partial<Answer>): Answer => ({
  problem: null,
  said: null,
  id: null,
  key: null,
  ...part,
})

export async function action({ request, params }: Route.ActionArgs) {
  const who = await signedIn(request)
  if (!may(who, 'set up')) return data(answer({ problem: refusalOf('set up') }), 403)
  const body = bodySchema.safeParse(await jsonBody(request))
  if (!body.success) return data(answer({ problem: body.error.issues[0].message }), 400)
  const id = z.uuid().safeParse(params.id)
  const device = id.success ? await deviceOf(who, id.data) : null
  if (body.data.act === 'key') {
    if (!device) return data(answer({ problem: 'There is no such device any more.' }), 404)
    return answer({ key: await newKey(who, who.organisationId, device) })
  }
  if (params.id === NEW) {
    const made = await addDevice(who, who.organisationId, body.data.device)
    return 'problem' in made ? data(answer(made), 400) : answer(made)
  }
  const problem = await setDevice(who, params.id, body.data.device)
  return problem ? data(answer({ problem }), 400) : answer({ said: 'Stored.' })
}

type Loaded = Route.ComponentProps['loaderData']
type Button = DeviceSetUp['buttons'][number]

/** A device that hands papers in: what it is called, and what may be chosen on it. */
export default function Device({ loaderData }: Route.ComponentProps) {
  const { device, programs, may: maySet } = loaderData
  const fetcher = useFetcher<typeof action>()
  const newButton = (): Button => ({
    id: crypto.randomUUID(),
    title: '',
    program: programs[0]?.id ?? '',
    type: null,
    limits: [],
    identityCheck: false,
  })
  const [name, setName] = useState(device?.name ?? '')
  const [paused, setPaused] = useState(device?.paused ?? false)
  const [buttons, setButtons] = useState<Button[]>(() => device?.buttons ?? [newButton()])
  const send = (body: z.input<typeof bodySchema>) =>
    void fetcher.submit(body, { method: 'post', encType: 'application/json' })
  const change = (at: number, part: Partial<Button>) =>
    setButtons(buttons.map((b, i) => (i === at ? { ...b, ...part } : b)))
  const busy = fetcher.state !== 'idle'
  const made = fetcher.data?.id
  return (
    <main className="mx-auto max-w-4xl p-4 pb-16">
      <p className="mb-1 text-sm">
        <Link to="/arrivals" className="text-petrol underline">
          Arrivals
        </Link>
      </p>
      <h1 className="mb-3 text-xl font-semibold">{device?.name ?? 'A new device'}</h1>
      <Told problem={fetcher.data?.problem} said={fetcher.data?.said} />
      {fetcher.data?.key ? (
        <ShownOnce
          text="The key of this device. It is kept nowhere and shown only now: put it into the device."
          secret={fetcher.data.key}
          testId="key"
        />
      ) : null}
      {made ? (
        <p className="mb-4">
          It is made.{' '}
          <Link to={`/arrivals/devices/${made}`} className="text-petrol underline" reloadDocument>
            Set it up further
          </Link>
        </p>
      ) : (
        <form
          className="grid gap-4"
          onSubmit={(event) => {
            event.preventDefault()
            send({ act: 'store', device: { name, paused, buttons } })
          }}
        >
          <fieldset disabled={!maySet || busy} className="contents">
            <div className="flex flex-wrap items-end gap-4">
              <label className="min-w-64 flex-1">
                <span className="mb-1 block text-sm font-semibold">What it is called</span>
                <input
                  className="field"
                  maxLength={80}
                  placeholder="Counter scanner, Quay Street"
                  value={name}
                  onChange={(event) => setName(event.target.value)}
                />
              </label>
              <label className="flex items-center gap-2 pb-2">
                <input
                  type="checkbox"
                  checked={paused}
                  onChange={(event) => setPaused(event.target.checked)}
                />
                takes nothing just now
              </label>
            </div>
            <h2 className="text-lg font-semibold">
              Buttons <span className="font-normal text-ink-2">{buttons.length}</span>
            </h2>
            <ol className="grid gap-3">
              {buttons.map((button, at) => (
                <ButtonForm
                  key={button.id}
                  button={button}
                  set={loaderData}
                  onChange={(part) => change(at, part)}
                  onRemove={
                    buttons.length > 1 ? () => setButtons(buttons.filter((_, i) => i !== at)) : undefined
                  }
                />
              ))}
            </ol>
            <div className="flex flex-wrap gap-3">
              <button type="button" className="button" onClick={() => setButtons([...buttons, newButton()])}>
                Another button
              </button>
              <span className="flex-1" />
              {device ? (
                <button type="button" className="button" onClick={() => send({ act: 'key' })}>
                  A new key, in place of the old one
                </button>
              ) : null}
              <button className="button-main" disabled={name.trim() === ''}>
                {device ? 'Store' : 'Make the device'}
              </button>
            </div>
          </fieldset>
          {maySet ? null : <p className="text-ink-2">A lead or an administrator sets devices up.</p>}
        </form>
      )}
    </main>
  )
}

function ButtonForm({
  button,
  set: { programs, types, currency, hasCheck },
  onChange,
  onRemove,
}: {
  button: Button
  set: Loaded
  onChange: (part: Partial<Button>) => void
  onRemove?: () => void
}) {
  const amounts = types.flatMap((t) =>
    t.amounts.map((a) => ({ field: `${t.id}.${a.name}`, title: `${a.title} of ${t.title.toLowerCase()}` })),
  )
  const [limit] = button.limits
  const setLimit = (part: Partial<Button['limits'][number]> | null) =>
    onChange({
      limits:
        part === null
          ? []
          : [{ ...(limit ?? { title: '', field: '', most: { amount: '', currency } }), ...part }],
    })
  return (
    <li className="card flex flex-wrap items-end gap-x-4 gap-y-2 p-3">
      <label className="min-w-52 flex-1">
        <span className="mb-1 block text-sm font-semibold">It says</span>
        <input
          className="field"
          maxLength={60}
          placeholder="Proof of address"
          value={button.title}
          onChange={(event) => onChange({ title: event.target.value })}
        />
      </label>
      <label>
        <span className="mb-1 block text-sm font-semibold">Judged by</span>
        <select
          className="field"
          aria-label="Judged by"
          value={button.program}
          onChange={(event) => onChange({ program: event.target.value })}
        >
          <Options of={programs} />
        </select>
      </label>
      <label>
        <span className="mb-1 block text-sm font-semibold">Expected</span>
        <select
          className="field"
          aria-label="Expected paper"
          value={button.type ?? ''}
          onChange={(event) => onChange({ type: event.target.value || null })}
        >
          <option value="">any paper</option>
          <Options of={types} />
        </select>
      </label>
      <span className="flex basis-full flex-wrap items-center gap-2 text-sm">
        <label className="flex items-center gap-2">
          limit on
          <select
            className="field w-auto py-1"
            aria-label="Limit on"
            value={limit?.field ?? ''}
            onChange={(event) => {
              const chosen = amounts.find((a) => a.field === event.target.value)
              setLimit(chosen ? { field: chosen.field, title: chosen.title } : null)
            }}
          >
            <option value="">nothing</option>
            {amounts.map((a) => (
              <option key={a.field} value={a.field}>
                {a.title}
              </option>
            ))}
          </select>
        </label>
        {limit ? (
          <label className="flex items-center gap-2">
            at most {limit.most.currency}
            <input
              className="field w-28 py-1"
              inputMode="decimal"
              value={limit.most.amount}
              onChange={(event) => setLimit({ most: { ...limit.most, amount: event.target.value } })}
            />
          </label>
        ) : null}
        {hasCheck ? (
          <label className="flex items-center gap-2">
            <input
              type="checkbox"
              checked={button.identityCheck}
              onChange={(event) => onChange({ identityCheck: event.target.checked })}
            />
            identity papers are checked
          </label>
        ) : null}
        {onRemove ? (
          <button type="button" className="ml-auto text-plum underline" onClick={onRemove}>
            Remove
          </button>
        ) : null}
      </span>
    </li>
  )
}

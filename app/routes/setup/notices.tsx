import { useState } from 'react'
import { data, Link, useFetcher } from 'react-router'
import { z } from 'zod'
import { noticeSchema, type Notice } from '../../../core/notices/index.ts'
import { lenderOf } from '../../../server/access/organisations.ts'
import { signedIn } from '../../../server/access/people.ts'
import { may, refusalOf } from '../../../server/access/rights.ts'
import { typesOf } from '../../../server/configuration/types.ts'
import { database } from '../../../server/database/connection.ts'
import {
  faultOf,
  noticesOf,
  removeNotice,
  storeNotice,
  switchNotice,
  tryNotice,
  type WouldTell,
} from '../../../server/notices/notices.ts'
import { jsonBody } from '../../../server/web/bodies.ts'
import { count, moment } from '../../parts/format.ts'
import { Told } from '../../parts/told.tsx'
import { FieldOptions, Options } from '../../parts/options.tsx'
import type { Route } from './+types/notices'

export const meta = () => [{ title: 'Notices · Jigsa' }]

export async function loader({ request }: Route.LoaderArgs) {
  const who = await signedIn(request)
  const [all, types, lender] = await Promise.all([
    noticesOf(who.organisationId),
    typesOf(database(), who.organisationId),
    lenderOf(database(), who.organisationId),
  ])
  return {
    all,
    types: types.map(({ id, title, fields }) => ({
      id,
      title,
      fields: fields.map(({ name, title: called, kind }) => ({ name, title: called, kind: String(kind) })),
    })),
    currency: lender.currency,
    may: may(who, 'set up'),
  }
}

const bodySchema = z.discriminatedUnion('act', [
  z.object({ act: z.literal('store'), id: z.uuid().nullable(), notice: noticeSchema }),
  z.object({ act: z.literal('try'), id: z.uuid() }),
  z.object({ act: z.literal('switch'), id: z.uuid(), on: z.boolean() }),
  z.object({ act: z.literal('remove'), id: z.uuid() }),
])
type Body = z.input<typeof bodySchema>
interface Answer {
  problem: string | null
  said: string | null
  /** What a trial found, and of which. */
  tried: { id: string; packages: number; tells: WouldTell[] } | null
}
const answer = (part: Partial<Answer>): Answer => ({ problem: null, said: null, tried: null, ...part })
const GONE = 'There is no such notice any more.'

export async function action({ request }: Route.ActionArgs) {
  const who = await signedIn(request)
  const body = bodySchema.safeParse(await jsonBody(request))
  if (!may(who, 'set up')) return data(answer({ problem: refusalOf('set up') }), 403)
  if (!body.success) return data(answer({ problem: body.error.issues[0].message }), 400)
  const said = body.data
  switch (said.act) {
    case 'store': {
      const problem = await faultOf(who.organisationId, said.notice)
      if (problem) return data(answer({ problem }), 400)
      const id = await storeNotice(who, said.id, said.notice)
      return id
        ? answer({ said: 'Stored, and switched off until it is tried.' })
        : data(answer({ problem: GONE }), 404)
    }
    case 'try': {
      const found = await tryNotice(who, said.id)
      return found ? answer({ tried: { id: said.id, ...found } }) : data(answer({ problem: GONE }), 404)
    }
    case 'switch': {
      const problem = await switchNotice(who, said.id, said.on)
      return problem ? data(answer({ problem }), 409) : answer({})
    }
    case 'remove':
      return (await removeNotice(who, said.id)) ? answer({}) : data(answer({ problem: GONE }), 404)
  }
}

type Loaded = Route.ComponentProps['loaderData']
type Type = Loaded['types'][number]

/** Rules that tell somebody of a paper. */
export default function Notices({
  loaderData: { all, types, currency, may: mayStore },
}: Route.ComponentProps) {
  const fetcher = useFetcher<typeof action>()
  const [edited, setEdited] = useState<{ id: string | null; notice: Notice } | null>(null)
  const send = (body: Body) => void fetcher.submit(body, { method: 'post', encType: 'application/json' })
  const busy = fetcher.state !== 'idle'
  const tried = fetcher.data?.tried
  return (
    <main className="mx-auto max-w-5xl p-4 pb-16">
      <h1 className="text-xl font-semibold">
        Notices <span className="font-normal text-ink-2">{all.length}</span>
      </h1>
      <p className="mb-3 text-ink-2">
        A notice tells somebody in one sentence that a paper is there: what it is, whom it is from, for how
        much and due when. It tells of each paper once, and only of values that are settled.
      </p>
      <Told problem={fetcher.data?.problem} said={fetcher.data?.said} />
      {all.length > 0 ? (
        <ul className="mb-4 grid gap-px overflow-hidden rounded-lg border border-line bg-line-2">
          {all.map((row) => (
            <li key={row.id} className="bg-sheet px-4 py-3">
              <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
                <span className="min-w-64 flex-1">
                  <b>{row.body.title}</b>
                  <span className="block">{sentenceOf(row.body, types, currency)}</span>
                  <span className="block text-[13px] text-ink-2" suppressHydrationWarning>
                    {row.on ? 'on' : 'off'}
                    {row.told > 0 ? `, told ${count(row.told, 'time')}` : ', told nothing yet'}
                    {row.lastToldAt ? `, last ${moment(row.lastToldAt)}` : ''}
                  </span>
                </span>
                {mayStore ? (
                  <span className="flex flex-wrap gap-2">
                    <button
                      type="button"
                      className="button"
                      disabled={busy}
                      onClick={() => send({ act: 'try', id: row.id })}
                    >
                      Try
                    </button>
                    <button
                      type="button"
                      className="button"
                      disabled={busy || (!row.on && !row.triedAt)}
                      title={row.on || row.triedAt ? undefined : 'Try it on past packages first'}
                      onClick={() => send({ act: 'switch', id: row.id, on: !row.on })}
                    >
                      {row.on ? 'Switch off' : 'Switch on'}
                    </button>
                    <button
                      type="button"
                      className="button"
                      onClick={() => setEdited({ id: row.id, notice: row.body })}
                    >
                      Change
                    </button>
                    <button
                      type="button"
                      className="button text-plum"
                      disabled={busy}
                      onClick={() => {
                        if (window.confirm(`Remove “${row.body.title}”?`)) send({ act: 'remove', id: row.id })
                      }}
                    >
                      Remove
                    </button>
                  </span>
                ) : null}
              </div>
              {tried?.id === row.id ? <Trial {...tried} /> : null}
            </li>
          ))}
        </ul>
      ) : (
        <p className="card mb-4 p-4 text-ink-2">Nobody is told of anything yet.</p>
      )}
      {edited ? (
        <NoticeForm
          key={edited.id ?? 'new'}
          first={edited.notice}
          types={types}
          currency={currency}
          busy={busy}
          onStore={(notice) => {
            send({ act: 'store', id: edited.id, notice })
            setEdited(null)
          }}
          onCancel={() => setEdited(null)}
        />
      ) : mayStore ? (
        <button
          type="button"
          className="button"
          disabled={types.length === 0}
          onClick={() => setEdited({ id: null, notice: blank(types[0]) })}
        >
          A new notice
        </button>
      ) : (
        <p className="text-ink-2">A lead or an administrator writes notices.</p>
      )}
    </main>
  )
}

/** Kinds of values by which a paper says whom it is from. */
const FROM = new Set(['org', 'name'])

/** What a paper of a type says of itself, as far as its fields tell. */
function saysOf(type: Type): Notice['says'] {
  const first = (fits: (kind: string, name: string) => boolean) =>
    type.fields.find((f) => fits(f.kind, f.name))?.name ?? null
  return {
    from: first((kind) => kind === 'org') ?? first((kind) => FROM.has(kind)),
    amount: first((kind) => kind === 'money'),
    due: first((kind, name) => kind === 'date' && name.includes('due')),
  }
}

const blank = (type: Type): Notice => ({
  title: '',
  when: { type: type.id, field: null, over: null, is: null },
  says: saysOf(type),
  mail: [],
  post: null,
  lead: false,
  first: false,
  task: false,
})

function sentenceOf(notice: Notice, types: readonly Type[], currency: string): string {
  const type = types.find((t) => t.id === notice.when.type)
  const { field, over, is } = notice.when
  const called = type?.fields.find((f) => f.name === field)?.title.toLowerCase() ?? field
  const when =
    over !== null
      ? ` whose ${called} is more than ${currency} ${over.toLocaleString('en-GB')}`
      : is !== null
        ? ` whose ${called} is “${is}”`
        : ''
  const whom = [
    ...notice.mail.map((address) => `write to ${address}`),
    ...(notice.post ? [`post to ${new URL(notice.post).host}`] : []),
    ...(notice.lead ? ['tell the lead'] : []),
    ...(notice.first ? ['let the package go first'] : []),
    ...(notice.task ? ['make a task'] : []),
  ]
  return `When a ${type?.title.toLowerCase() ?? notice.when.type}${when} comes, ${whom.join(', ')}.`
}

function Trial({ packages, tells }: NonNullable<Answer['tried']>) {
  return (
    <div role="status" className="mt-2 rounded-md border border-line-2 bg-paper p-3">
      <p>
        On the latest {count(packages, 'package')} it tells{' '}
        {tells.length === 0 ? 'nothing' : count(tells.length, 'time')}
        {tells.length > 0 ? ':' : '.'}
      </p>
      <ul className="mt-1 grid max-h-64 gap-1 overflow-auto text-sm">
        {tells.map((t) => (
          <li key={`${t.packageId} ${t.page}`}>
            {t.text}{' '}
            <Link className="text-petrol underline" to={`/packages/${t.packageId}/values?page=${t.page}`}>
              {t.caseNumber}
            </Link>{' '}
            <span className="text-ink-2">{t.applicant}</span>
          </li>
        ))}
      </ul>
    </div>
  )
}

function NoticeForm({
  first,
  types,
  currency,
  busy,
  onStore,
  onCancel,
}: {
  first: Notice
  types: readonly Type[]
  currency: string
  busy: boolean
  onStore: (notice: Notice) => void
  onCancel: () => void
}) {
  const [notice, setNotice] = useState(first)
  const [mail, setMail] = useState(first.mail.join(', '))
  const [over, setOver] = useState(first.when.over === null ? '' : String(first.when.over))
  const change = (part: Partial<Notice>) => setNotice({ ...notice, ...part })
  const type = types.find((t) => t.id === notice.when.type) ?? types[0]
  const field = type.fields.find((f) => f.name === notice.when.field)
  const fieldsOf = (...kinds: string[]) => type.fields.filter((f) => kinds.includes(f.kind))
  const isAmount = field?.kind === 'money'
  return (
    <form
      className="card grid gap-3 p-4"
      onSubmit={(event) => {
        event.preventDefault()
        onStore({
          ...notice,
          when: {
            ...notice.when,
            over: isAmount && over !== '' ? Number(over) : null,
            is: field && !isAmount ? notice.when.is : null,
          },
          mail: mail.split(/[,;\s]+/).filter(Boolean),
        })
      }}
    >
      <label>
        <span className="mb-1 block text-sm font-semibold">What it is called</span>
        <input
          className="field"
          maxLength={80}
          value={notice.title}
          onChange={(event) => change({ title: event.target.value })}
        />
      </label>
      <div className="flex flex-wrap items-center gap-2">
        When a
        <select
          className="field w-auto"
          aria-label="Which paper"
          value={type.id}
          onChange={(event) => {
            const chosen = types.find((t) => t.id === event.target.value)!
            change({
              when: { type: chosen.id, field: null, over: null, is: null },
              says: saysOf(chosen),
            })
          }}
        >
          <Options of={types} />
        </select>
        comes, whose
        <select
          className="field w-auto"
          aria-label="Which value"
          value={notice.when.field ?? ''}
          onChange={(event) =>
            change({ when: { ...notice.when, field: event.target.value || null, over: null, is: null } })
          }
        >
          <option value="">values are any</option>
          <FieldOptions of={fieldsOf('money', 'org', 'name', 'text', 'id', 'choice')} />
        </select>
        {field ? (
          isAmount ? (
            <>
              is more than {currency}
              <input
                className="field w-32"
                aria-label="More than"
                inputMode="decimal"
                value={over}
                onChange={(event) => setOver(event.target.value)}
              />
            </>
          ) : (
            <>
              is
              <input
                className="field w-56"
                aria-label="Is"
                maxLength={120}
                value={notice.when.is ?? ''}
                onChange={(event) => change({ when: { ...notice.when, is: event.target.value || null } })}
              />
            </>
          )
        ) : null}
      </div>
      <div className="flex flex-wrap items-center gap-2">
        say
        {(
          [
            ['from', 'whom it is from', fieldsOf('org', 'name')],
            ['amount', 'for how much', fieldsOf('money')],
            ['due', 'due when', fieldsOf('date')],
          ] as const
        ).map(([key, what, choices]) => (
          <label key={key} className="flex items-center gap-1 text-sm">
            {what}
            <select
              className="field w-auto py-1"
              value={notice.says[key] ?? ''}
              onChange={(event) => change({ says: { ...notice.says, [key]: event.target.value || null } })}
            >
              <option value="">not said</option>
              <FieldOptions of={choices} />
            </select>
          </label>
        ))}
      </div>
      <label>
        <span className="mb-1 block text-sm font-semibold">Write to (addresses, with commas between)</span>
        <input className="field" value={mail} onChange={(event) => setMail(event.target.value)} />
      </label>
      <label>
        <span className="mb-1 block text-sm font-semibold">Post to (a chat’s hook; may be left empty)</span>
        <input
          className="field"
          placeholder="https://"
          value={notice.post ?? ''}
          onChange={(event) => change({ post: event.target.value.trim() || null })}
        />
      </label>
      <div className="flex flex-wrap gap-4">
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            checked={notice.lead}
            onChange={(event) => change({ lead: event.target.checked })}
          />
          tell the lead
        </label>
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            checked={notice.first}
            onChange={(event) => change({ first: event.target.checked })}
          />
          the package goes before others
        </label>
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            checked={notice.task}
            onChange={(event) => change({ task: event.target.checked })}
          />
          somebody looks at it: a task
        </label>
      </div>
      <div className="flex gap-2">
        <button className="button-main" disabled={busy || notice.title.trim() === ''}>
          Store
        </button>
        <button type="button" className="button" onClick={onCancel}>
          Cancel
        </button>
      </div>
    </form>
  )
}

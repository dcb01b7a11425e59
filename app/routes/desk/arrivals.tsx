import { clsx } from 'clsx'
import { data, Form, Link, useFetcher, useSubmit } from 'react-router'
import { z } from 'zod'
import { signedIn } from '../../../server/access/people.ts'
import { may, refusalOf } from '../../../server/access/rights.ts'
import { arrivalsOf } from '../../../server/arrivals/queries.ts'
import { setSource, sourcesOf } from '../../../server/arrivals/sources.ts'
import { trySource } from '../../../server/arrivals/trial.ts'
import { takeAgain } from '../../../server/arrivals/take.ts'
import { arrivalOutcomes } from '../../../server/database/schema.ts'
import { programsOf } from '../../../server/configuration/programs.ts'
import { database } from '../../../server/database/connection.ts'
import { jsonBody } from '../../../server/web/bodies.ts'
import { useChanges } from '../../parts/changes.ts'
import { count, fileSize, moment } from '../../parts/format.ts'
import { Told } from '../../parts/told.tsx'
import { Options } from '../../parts/options.tsx'
import type { Route } from './+types/arrivals'

export const meta = () => [{ title: 'Arrivals · Jigsa' }]

const askedSchema = z.object({
  words: z.string().trim().max(120).catch(''),
  source: z.uuid().or(z.literal('')).catch(''),
  outcome: z.enum(arrivalOutcomes).or(z.literal('')).catch(''),
  cursor: z.string().max(200).catch(''),
})

export async function loader({ request }: Route.LoaderArgs) {
  const who = await signedIn(request)
  const said = Object.fromEntries(new URL(request.url).searchParams)
  const asked = askedSchema.parse({ words: '', source: '', outcome: '', cursor: '', ...said })
  const [found, sources, programs] = await Promise.all([
    arrivalsOf(who.organisationId, {
      words: asked.words || undefined,
      source: asked.source || undefined,
      outcome: asked.outcome || undefined,
      cursor: asked.cursor || undefined,
    }),
    sourcesOf(who.organisationId),
    programsOf(database(), who.organisationId),
  ])
  return {
    ...found,
    asked,
    sources,
    programs: programs.map(({ body: { id, title } }) => ({ id, title })),
    may: may(who, 'set up'),
  }
}

const bodySchema = z.discriminatedUnion('act', [
  z.object({
    act: z.literal('set'),
    id: z.uuid(),
    name: z.string().trim().min(1, 'Give it a name.').max(80),
    program: z.string().min(1, 'Say by which program its papers are judged.'),
    paused: z.boolean(),
  }),
  z.object({ act: z.literal('again'), id: z.uuid() }),
  z.object({ act: z.literal('try'), id: z.uuid() }),
])
type Body = z.infer<typeof bodySchema>
interface Answer {
  problem: string | null
  said: string | null
}
const answer = (part: Partial<Answer>): Answer => ({ problem: null, said: null, ...part })

export async function action({ request }: Route.ActionArgs) {
  const who = await signedIn(request)
  const body = bodySchema.safeParse(await jsonBody(request))
  if (!body.success) return data(answer({ problem: body.error.issues[0].message }), 400)
  if (body.data.act === 'again')
    return (await takeAgain(who, body.data.id))
      ? answer({})
      : data(answer({ problem: 'It is in a package by now, or not there any more.' }), 404)
  if (!may(who, 'set up')) return data(answer({ problem: refusalOf('set up') }), 403)
  if (body.data.act === 'try') return trySource(who, body.data.id)
  const { id, name, program, paused } = body.data
  return (await setSource(who, id, { name, program, paused }))
    ? answer({ said: 'Stored.' })
    : data(answer({ problem: 'There is no such source or program any more.' }), 404)
}

/** All that came by itself, the newest first, and where from; what cannot come stands above. */
export default function Arrivals({
  loaderData: { rows, next, asked, sources, programs, may: maySet },
}: Route.ComponentProps) {
  const fetcher = useFetcher<typeof action>()
  const submit = useSubmit()
  const send = (body: Body) => void fetcher.submit(body, { method: 'post', encType: 'application/json' })
  useChanges(null)
  const troubled = sources.filter((s) => s.problem && s.isSet && !s.paused)
  return (
    <main className="mx-auto max-w-6xl p-4 pb-16">
      <h1 className="mb-3 text-xl font-semibold">Arrivals</h1>
      {troubled.map((s) => (
        <p key={s.id} role="alert" className="mb-3 rounded-md border border-plum bg-sheet px-3 py-2">
          <b>{s.name}</b>: {s.problem}{' '}
          <span className="text-ink-2" suppressHydrationWarning>
            since {moment(s.problemSince!)}
          </span>
        </p>
      ))}
      <Told {...fetcher.data} />
      <Form
        className="mb-3 flex flex-wrap items-center gap-3"
        role="search"
        onChange={(event) => void submit(event.currentTarget, { replace: true })}
      >
        <input
          type="search"
          name="words"
          aria-label="Find by name, case or applicant"
          placeholder="name, case or applicant"
          className="field w-64 py-1.5"
          defaultValue={asked.words}
        />
        <select name="source" aria-label="From" className="field w-auto py-1.5" defaultValue={asked.source}>
          <option value="">from anywhere</option>
          {sources.map((s) => (
            <option key={s.id} value={s.id}>
              {s.name}
            </option>
          ))}
        </select>
        <select
          name="outcome"
          aria-label="What became of it"
          className="field w-auto py-1.5"
          defaultValue={asked.outcome}
        >
          <option value="">all that came</option>
          <option value="taken">in a package</option>
          <option value="not taken">not taken</option>
          <option value="left alone">left alone</option>
          <option value="set aside">set aside</option>
        </select>
        <span className="text-sm text-ink-2">
          {next || asked.cursor ? `${rows.length} of more` : count(rows.length, 'arrival')}
        </span>
      </Form>
      {rows.length === 0 ? (
        <p className="card mb-4 p-6 text-ink-2">
          {asked.words || asked.source || asked.outcome
            ? 'Nothing that came fits this.'
            : 'Nothing has come by itself yet. What is put into a watched folder or sent by another system stands here.'}
        </p>
      ) : (
        <ul className="mb-4 grid gap-px overflow-hidden rounded-lg border border-line bg-line-2">
          {rows.map((row) => (
            <li key={row.id} className="flex flex-wrap items-baseline gap-x-4 gap-y-1 bg-sheet px-4 py-2">
              <time className="w-36 text-[13px] text-ink-2" suppressHydrationWarning>
                {moment(row.at)}
              </time>
              <span className="min-w-52 flex-1">
                <Link to={`/arrivals/${row.id}`} className="font-semibold break-all hover:underline">
                  {row.name}
                </Link>
                <span className="block text-[13px] break-words text-ink-2">
                  {row.sender ? `${row.sender}, ` : ''}
                  {row.source ?? 'a source that is gone'}
                  {row.files > 0 ? `, ${count(row.files, 'file')}, ${fileSize(row.size)}` : ''}
                </span>
              </span>
              <span className="w-80 max-w-full">
                {row.packageId ? (
                  <>
                    <Link className="font-mono text-petrol underline" to={`/packages/${row.packageId}`}>
                      {row.caseNumber}
                    </Link>{' '}
                    {row.applicant}
                    <span className="block text-[13px] text-ink-2">
                      {row.state === 'reading'
                        ? `being read, ${row.pagesRead ?? 0} of ${count(row.pages ?? 0, 'page')}`
                        : count(row.pages ?? 0, 'page')}
                      {row.toldAt ? ', the sender is told' : ''}
                    </span>
                    {row.problem ? <span className="block text-plum">{row.problem}</span> : null}
                  </>
                ) : (
                  <span className={row.outcome === 'not taken' ? 'text-plum' : 'text-ink-2'}>
                    {row.outcome === 'opening' ? 'being opened' : (row.problem ?? row.outcome)}
                  </span>
                )}
              </span>
              {row.outcome !== 'not taken' ? null : (
                <button
                  type="button"
                  className="button"
                  disabled={fetcher.state !== 'idle'}
                  onClick={() => send({ act: 'again', id: row.id })}
                >
                  Take it now
                </button>
              )}
            </li>
          ))}
        </ul>
      )}
      {next ? (
        <Link
          className="mb-4 inline-block text-petrol underline"
          to={`?${new URLSearchParams({ ...asked, cursor: next }).toString()}`}
        >
          Earlier ones
        </Link>
      ) : null}
      <section aria-label="Where papers come from" className="mt-4">
        <h2 className="mb-2 text-lg font-semibold">
          Where papers come from <span className="font-normal text-ink-2">{sources.length}</span>
        </h2>
        {sources.length === 0 ? (
          <p className="card p-4 text-ink-2">
            Nothing comes to this desk by itself yet. Whoever runs Jigsa names folders and addresses of mail
            in its settings; devices are made here.
          </p>
        ) : (
          <ul className="grid gap-px overflow-hidden rounded-lg border border-line bg-line-2">
            {sources.map((s) => (
              <li
                key={s.id}
                className={clsx(
                  'flex flex-wrap items-center gap-x-4 gap-y-1 bg-sheet px-4 py-2',
                  s.paused && 'text-ink-2',
                )}
              >
                <span className="min-w-52 flex-1">
                  <b>{s.name}</b>
                  <span className="block font-mono text-[13px] break-all text-ink-2">
                    {s.kind === 'device'
                      ? count(s.buttons.length, 'button')
                      : s.kind === 'link'
                        ? 'what requests brought back'
                        : s.address}
                  </span>
                </span>
                {BY_THEMSELVES.has(s.kind) ? null : (
                  <label className="flex items-center gap-2 text-sm">
                    judged by
                    <select
                      className="field w-auto py-1"
                      aria-label={`Program of ${s.name}`}
                      disabled={!maySet || fetcher.state !== 'idle'}
                      value={s.program ?? ''}
                      onChange={(event) =>
                        send({
                          act: 'set',
                          id: s.id,
                          name: s.name,
                          paused: s.paused,
                          program: event.target.value,
                        })
                      }
                    >
                      {s.program === null ? <option value="">not said yet</option> : null}
                      <Options of={programs} />
                    </select>
                  </label>
                )}
                <span className="w-48 text-[13px] text-ink-2" suppressHydrationWarning>
                  {stateOf(s)}
                </span>
                <span className="flex w-72 justify-end gap-2">
                  {s.kind === 'device' ? (
                    <Link to={`/arrivals/devices/${s.id}`} className="button">
                      {maySet ? 'Set up' : 'Look'}
                    </Link>
                  ) : null}
                  {maySet && s.isSet && !BY_THEMSELVES.has(s.kind) ? (
                    <button
                      type="button"
                      className="button"
                      disabled={fetcher.state !== 'idle'}
                      onClick={() => send({ act: 'try', id: s.id })}
                    >
                      {s.kind === 'address' ? 'Send a test mail' : 'Look once'}
                    </button>
                  ) : null}
                  {maySet && s.program && !BY_THEMSELVES.has(s.kind) ? (
                    <button
                      type="button"
                      className="button"
                      disabled={fetcher.state !== 'idle'}
                      onClick={() =>
                        send({ act: 'set', id: s.id, name: s.name, program: s.program!, paused: !s.paused })
                      }
                    >
                      {s.paused ? 'Go on' : 'Pause'}
                    </button>
                  ) : null}
                </span>
              </li>
            ))}
          </ul>
        )}
        {maySet ? (
          <Link to="/arrivals/devices/new" className="button mt-3 inline-block">
            A new device
          </Link>
        ) : null}
      </section>
    </main>
  )
}

/** Sources that say with each paper what it is judged by, and are looked after elsewhere. */
const BY_THEMSELVES: ReadonlySet<string> = new Set(['device', 'link'])

function stateOf({
  isSet,
  paused,
  lookedAt,
  kind,
}: {
  kind: string
  isSet: boolean
  paused: boolean
  lookedAt: Date | null
}): string {
  if (!isSet) return 'not watched any more'
  if (paused) return 'paused'
  if (BY_THEMSELVES.has(kind) || kind === 'address') return 'listens'
  return lookedAt ? `looked at ${moment(lookedAt)}` : 'not looked at yet'
}

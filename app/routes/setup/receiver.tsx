import { ArrowUp } from 'lucide-react'
import { useEffect, useId, useRef, useState } from 'react'
import { data, Link, redirect, useFetcher } from 'react-router'
import { z } from 'zod'
import { idFrom } from '../../../core/program/index.ts'
import { contents, PAPER_VARIABLES, type Receiver, receiverSchema } from '../../../core/receivers/index.ts'
import { signedIn } from '../../../server/access/people.ts'
import { may, refusalOf } from '../../../server/access/rights.ts'
import { typesOf } from '../../../server/configuration/types.ts'
import { database } from '../../../server/database/connection.ts'
import { filesFor, triedOn, type FileOut } from '../../../server/handover/preview.ts'
import {
  dropReceiver,
  receiverOf,
  receiversOf,
  saveReceiver,
  UnusableReceiver,
} from '../../../server/handover/receivers.ts'
import { jsonBody } from '../../../server/web/bodies.ts'
import { CONTENT_WORDS } from '../../parts/handing-over.ts'
import { PickFile } from '../../parts/pick-file.tsx'
import { Told } from '../../parts/told.tsx'
import type { Route } from './+types/receiver'

export const meta = ({ loaderData }: Route.MetaArgs) => [
  { title: `${loaderData?.receiver?.title ?? 'New receiver'} · Jigsa` },
]

export async function loader({ request, params }: Route.LoaderArgs) {
  const who = await signedIn(request)
  const receiver = params.id === 'new' ? null : await receiverOf(database(), who.organisationId, params.id)
  if (params.id !== 'new' && !receiver) throw data('There is no such receiver.', 404)
  return {
    receiver,
    may: may(who, 'set up'),
    packages: await triedOn(who.organisationId),
    types: (await typesOf(database(), who.organisationId)).map(({ id, title, fields }) => ({
      id,
      title,
      fields: fields.map(({ name, title: says, kind }) => ({ name, title: says, kind })),
    })),
  }
}

const bodySchema = z.discriminatedUnion('act', [
  z.object({ act: z.literal('try'), receiver: z.unknown(), packageId: z.uuid().nullable() }),
  z.object({ act: z.literal('save'), receiver: z.unknown() }),
  z.object({ act: z.literal('remove') }),
])

interface Said {
  problem: string | null
  said: string | null
  files: FileOut[]
  faults: string[]
}
const said = (part: Partial<Said>): Said => ({ problem: null, said: null, files: [], faults: [], ...part })

export async function action({ request, params }: Route.ActionArgs) {
  const who = await signedIn(request)
  const body = bodySchema.safeParse(await jsonBody(request))
  if (!body.success) return data(said({ problem: 'That could not be understood; load the page again.' }), 400)
  if (body.data.act !== 'try' && !may(who, 'set up')) return data(said({ problem: refusalOf('set up') }), 403)
  if (body.data.act === 'remove') {
    await dropReceiver(who, params.id)
    return redirect('/receivers')
  }
  const receiver = receiverSchema.safeParse(body.data.receiver)
  if (!receiver.success) {
    const [{ message, path }] = receiver.error.issues
    const told = path[0] === 'title' ? 'Give it a name.' : message
    return data(body.data.act === 'try' ? said({ faults: [told] }) : said({ problem: told }), 400)
  }
  if (body.data.act === 'try')
    return body.data.packageId
      ? said(await filesFor(who.organisationId, body.data.packageId, receiver.data))
      : said({})
  try {
    const isNew = params.id === 'new'
    const known = await receiversOf(database(), who.organisationId)
    if (isNew && known.some((r) => r.id === receiver.data.id))
      return data(said({ problem: 'There is a receiver of this name already.' }), 409)
    await saveReceiver(who, isNew ? receiver.data : { ...receiver.data, id: params.id })
    return isNew
      ? redirect(`/receivers/${receiver.data.id}`)
      : said({ said: 'Stored. What goes out from now on goes so.' })
  } catch (error) {
    if (error instanceof UnusableReceiver) return data(said({ problem: error.message }), 400)
    throw error
  }
}

type Draft = Omit<Receiver, 'xml'> & { xml: string }

const FRESH: Draft = {
  formatVersion: 1,
  id: '',
  title: '',
  order: [],
  leaveOut: [],
  papers: 'all',
  names: { types: {}, fields: {} },
  pattern: '{applicant}/{number} {type}',
  plainLetters: false,
  contents: ['documents', 'report'],
  envelope: 'zip',
  xml: '',
  xsd: null,
}

/** Elements to begin with, which show how they are written. */
const EXAMPLE_XML = JSON.stringify(
  {
    root: 'application',
    elements: [
      { path: '@case', from: 'case' },
      { path: 'applicant/name', from: 'applicant' },
    ],
  },
  null,
  1,
)

const draftOf = ({ xml, ...receiver }: Receiver): Draft => ({
  ...receiver,
  xml: xml ? JSON.stringify(xml, null, 1) : '',
})

/** A draft as it is stored; text of elements that is no JSON stays text, and is refused with a sentence. */
function receiverFrom({ xml, ...draft }: Draft): Omit<Receiver, 'xml'> & { xml: Receiver['xml'] | string } {
  let mapping: Receiver['xml'] | string = null
  if (xml.trim() !== '')
    try {
      // The server looks at it as at all that is sent.
      mapping = JSON.parse(xml) as Receiver['xml']
    } catch {
      mapping = xml
    }
  return { ...draft, id: draft.id || idFrom(draft.title), xml: mapping }
}

/** Milliseconds after the last key until the preview follows. */
const TRY_AFTER = 350

/** How one receiver wants packages, with what would go out of a package beside it. */
export default function ReceiverPage({ loaderData }: Route.ComponentProps) {
  const { may, packages, types } = loaderData
  const store = useFetcher<typeof action>()
  const preview = useFetcher<typeof action>()
  const [draft, setDraft] = useState(loaderData.receiver ? draftOf(loaderData.receiver) : FRESH)
  const [packageId, setPackageId] = useState<string | null>(packages[0]?.id ?? null)
  const put = (part: Partial<Draft>) => setDraft((now) => ({ ...now, ...part }))
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined)
  const { submit } = preview
  useEffect(() => {
    timer.current = setTimeout(
      () =>
        void submit(
          {
            act: 'try',
            // What it is called is no matter yet.
            receiver: { ...receiverFrom(draft), title: draft.title || 'Tried', id: 'tried' },
            packageId,
          },
          { method: 'post', encType: 'application/json' },
        ),
      TRY_AFTER,
    )
    return () => clearTimeout(timer.current)
  }, [draft, packageId, submit])
  const faults = preview.data?.faults ?? []
  return (
    <main className="mx-auto max-w-6xl p-4">
      <p className="mb-1 text-sm">
        <Link to="/receivers" className="text-petrol underline">
          Receivers
        </Link>
      </p>
      <h1 className="mb-3 text-xl font-semibold">{loaderData.receiver?.title ?? 'New receiver'}</h1>
      <Told problem={store.data?.problem} said={store.data?.said} />
      <div className="grid items-start gap-4 lg:grid-cols-[minmax(0,1fr)_minmax(0,26rem)]">
        <fieldset disabled={!may || store.state !== 'idle'} className="grid gap-4">
          <section className="card grid gap-3 p-4">
            <label className="grid gap-1">
              <span className="font-semibold">Name</span>
              <input
                className="field"
                value={draft.title}
                maxLength={120}
                placeholder="Archive, core system, partner bank …"
                onChange={(event) => put({ title: event.target.value })}
              />
            </label>
            <Pattern draft={draft} types={types} onChange={(pattern) => put({ pattern })} />
            <label className="flex items-center gap-2">
              <input
                type="checkbox"
                className="accent-(--petrol)"
                checked={draft.plainLetters}
                onChange={(event) => put({ plainLetters: event.target.checked })}
              />
              Names in plain letters and figures alone
            </label>
          </section>
          <Goes draft={draft} put={put} />
          <Papers draft={draft} types={types} put={put} />
          {draft.contents.includes('xml') ? <Elements draft={draft} put={put} /> : null}
          <div className="flex flex-wrap gap-2">
            {may ? (
              <button
                type="button"
                className="button-main"
                onClick={() =>
                  void store.submit(
                    { act: 'save', receiver: receiverFrom(draft) },
                    {
                      method: 'post',
                      encType: 'application/json',
                    },
                  )
                }
              >
                Store
              </button>
            ) : (
              <p className="text-ink-2">A lead or an administrator changes this.</p>
            )}
            {may && loaderData.receiver ? (
              <button
                type="button"
                className="button"
                onClick={() =>
                  void store.submit({ act: 'remove' }, { method: 'post', encType: 'application/json' })
                }
              >
                Take it away
              </button>
            ) : null}
          </div>
        </fieldset>
        <section aria-label="What would go out" className="card p-4 lg:sticky lg:top-4">
          <label className="grid gap-1">
            <span className="font-semibold">Tried on</span>
            <select
              className="field py-1.5"
              value={packageId ?? ''}
              onChange={(event) => setPackageId(event.target.value || null)}
            >
              {packages.length === 0 ? <option value="">no package is read yet</option> : null}
              {packages.map((p) => (
                <option key={p.id} value={p.id}>
                  {p.caseNumber} {p.applicant ?? ''}
                </option>
              ))}
            </select>
          </label>
          {faults.length > 0 ? (
            <ul role="alert" className="odd-edge mt-3 pl-2 text-plum">
              {faults.map((fault) => (
                <li key={fault}>{fault}</li>
              ))}
            </ul>
          ) : null}
          <FilesOut files={preview.data?.files ?? []} />
        </section>
      </div>
    </main>
  )
}

/** The files that would go out, folders first shown once. */
function FilesOut({ files }: { files: readonly FileOut[] }) {
  return (
    <ol className="mt-3 grid max-h-[32rem] gap-1 overflow-auto text-sm" tabIndex={0} aria-label="Files">
      {files.map((f) => (
        <li key={f.document} className="flex gap-3">
          <span className="min-w-0 flex-1 font-mono break-words">{f.path}</span>
          <span className="whitespace-nowrap text-ink-2">
            {f.pages.length === 1 ? `page ${f.pages[0]}` : `${f.pages.length} pages`}
          </span>
        </li>
      ))}
    </ol>
  )
}

type Types = Route.ComponentProps['loaderData']['types']

/** How files are called, with what may be put in. */
function Pattern({
  draft,
  types,
  onChange,
}: {
  draft: Draft
  types: Types
  onChange: (pattern: string) => void
}) {
  const field = useRef<HTMLInputElement>(null)
  const hint = useId()
  const days = [
    ...new Set(types.flatMap((t) => t.fields.filter((f) => f.kind === 'date').map((f) => f.name))),
  ]
  const others = [
    ...new Set(
      types.flatMap((t) =>
        t.fields.filter((f) => f.kind !== 'date' && f.kind !== 'table').map((f) => f.name),
      ),
    ),
  ]
  const insert = (text: string) => {
    const at = field.current?.selectionStart ?? draft.pattern.length
    onChange(draft.pattern.slice(0, at) + text + draft.pattern.slice(at))
    field.current?.focus()
  }
  return (
    <div className="grid gap-1">
      <label className="grid gap-1">
        <span className="font-semibold">Files are called</span>
        <input
          ref={field}
          className="field font-mono"
          aria-describedby={hint}
          value={draft.pattern}
          maxLength={300}
          onChange={(event) => onChange(event.target.value)}
        />
      </label>
      <p id={hint} className="text-sm text-ink-2">
        A slash opens a folder. What stands in [square brackets] is left out where its value is not there. A
        day takes a form: <span className="font-mono">{'{pay_date:yyyy-MM}'}</span>.
      </p>
      <div className="flex flex-wrap items-center gap-1">
        {PAPER_VARIABLES.map((name) => (
          <button
            key={name}
            type="button"
            className="button px-2 py-0.5 font-mono text-sm"
            onClick={() => insert(`{${name}}`)}
          >
            {name}
          </button>
        ))}
        <select
          className="field w-auto py-0.5 text-sm"
          aria-label="Put in a value"
          value=""
          onChange={(event) => insert(event.target.value)}
        >
          <option value="">a value …</option>
          {days.map((name) => (
            <option key={name} value={`[ {${name}:yyyy-MM-dd}]`}>
              {name} (a day)
            </option>
          ))}
          {others.map((name) => (
            <option key={name} value={`[ {${name}}]`}>
              {name}
            </option>
          ))}
        </select>
      </div>
    </div>
  )
}

interface Part {
  draft: Draft
  put: (part: Partial<Draft>) => void
}

/** What goes out, and in what. */
function Goes({ draft, put }: Part) {
  return (
    <section className="card p-4">
      <h2 className="mb-2 font-semibold">What goes out</h2>
      <div className="grid gap-1.5">
        {contents.map((content) => (
          <label key={content} className="flex items-center gap-2">
            <input
              type="checkbox"
              className="accent-(--petrol)"
              checked={draft.contents.includes(content)}
              onChange={(event) =>
                put({
                  contents: contents.filter((c) =>
                    c === content ? event.target.checked : draft.contents.includes(c),
                  ),
                  ...(content === 'xml' && event.target.checked && draft.xml === ''
                    ? { xml: EXAMPLE_XML }
                    : {}),
                })
              }
            />
            {CONTENT_WORDS[content].long}
          </label>
        ))}
      </div>
      <label className="mt-3 grid max-w-xs gap-1">
        <span className="font-semibold">In one file</span>
        <select
          className="field py-1.5"
          value={draft.envelope}
          onChange={(event) => put({ envelope: event.target.value as Draft['envelope'] })}
        >
          <option value="zip">a ZIP</option>
          <option value="bag">a bag for archives, with checksums (RFC 8493)</option>
        </select>
      </label>
    </section>
  )
}

/** Types in the receiver's order and by its names. */
function Papers({ draft, types, put }: Part & { types: Types }) {
  const place = (id: string) => {
    const at = draft.order.indexOf(id)
    return at < 0 ? draft.order.length : at
  }
  const sorted = [...types].sort((a, b) => place(a.id) - place(b.id))
  const rename = (key: 'types' | 'fields', id: string, name: string) => {
    const { [id]: _gone, ...rest } = draft.names[key]
    put({ names: { ...draft.names, [key]: name === '' ? rest : { ...rest, [id]: name } } })
  }
  return (
    <section className="card p-4">
      <h2 className="mb-1 font-semibold">Papers, in their order and by the receiver’s names</h2>
      <label className="mb-2 flex items-center gap-2">
        <input
          type="checkbox"
          className="accent-(--petrol)"
          checked={draft.papers === 'all'}
          onChange={(event) => put({ papers: event.target.checked ? 'all' : 'counting' })}
        />
        Copies and older versions go, too
      </label>
      <ol className="divide-y divide-line-2">
        {sorted.map((type, i) => (
          <li key={type.id} className="py-1.5">
            <div className="flex flex-wrap items-center gap-2">
              <button
                type="button"
                className="button px-1.5 py-1"
                aria-label={`${type.title} further up`}
                disabled={i === 0}
                onClick={() => {
                  const ids = sorted.map((t) => t.id)
                  ;[ids[i - 1], ids[i]] = [ids[i], ids[i - 1]]
                  put({ order: ids })
                }}
              >
                <ArrowUp size={14} aria-hidden />
              </button>
              <label className="flex min-w-48 flex-1 items-center gap-2">
                <input
                  type="checkbox"
                  className="accent-(--petrol)"
                  checked={!draft.leaveOut.includes(type.id)}
                  onChange={(event) =>
                    put({
                      leaveOut: event.target.checked
                        ? draft.leaveOut.filter((id) => id !== type.id)
                        : [...draft.leaveOut, type.id],
                    })
                  }
                />
                {type.title}
              </label>
              <input
                className="field w-56 py-1"
                aria-label={`What the receiver calls ${type.title}`}
                placeholder={type.title}
                value={draft.names.types[type.id] ?? ''}
                onChange={(event) => rename('types', type.id, event.target.value)}
              />
            </div>
            <details className="ml-9">
              <summary className="cursor-pointer text-sm text-ink-2">its values</summary>
              <div className="grid gap-1 py-1 sm:grid-cols-2">
                {type.fields.map((field) => (
                  <label key={field.name} className="grid gap-0.5 text-sm">
                    {field.title}
                    <input
                      className="field py-0.5"
                      placeholder={field.title}
                      value={draft.names.fields[`${type.id}.${field.name}`] ?? ''}
                      onChange={(event) => rename('fields', `${type.id}.${field.name}`, event.target.value)}
                    />
                  </label>
                ))}
              </div>
            </details>
          </li>
        ))}
      </ol>
    </section>
  )
}

/** The receiver's elements, and the schema that they hold to. */
function Elements({ draft, put }: Part) {
  return (
    <section className="card grid gap-3 p-4">
      <h2 className="font-semibold">Elements of its XML</h2>
      <label className="grid gap-1">
        <span className="text-sm text-ink-2">
          Each says its path and where its value is from:{' '}
          <span className="font-mono">case, applicant, fact:ID, type.value</span>; with{' '}
          <span className="font-mono">each</span> it stands for each paper of a type, or each row of a table (
          <span className="font-mono">type.table</span>). <span className="font-mono">:currency</span> takes
          an amount’s currency.
        </span>
        <textarea
          className="field min-h-52 font-mono text-sm"
          aria-label="Elements"
          spellCheck={false}
          value={draft.xml}
          onChange={(event) => put({ xml: event.target.value })}
        />
      </label>
      <div className="flex flex-wrap items-center gap-3">
        <PickFile
          label="Schema (XSD)"
          accept=".xsd,.xml"
          onPick={(file) => void file.text().then((xsd) => put({ xsd }))}
        >
          {draft.xsd ? 'Another schema (XSD)' : 'Schema (XSD) that it must hold to'}
        </PickFile>
        {draft.xsd ? (
          <button type="button" className="text-petrol underline" onClick={() => put({ xsd: null })}>
            no schema
          </button>
        ) : null}
        <span className="text-sm text-ink-2">
          {draft.xsd ? 'What does not hold to it does not go out.' : ''}
        </span>
      </div>
    </section>
  )
}

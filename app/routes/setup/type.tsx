import { ArrowDown, ArrowUp, Download } from 'lucide-react'
import { useState } from 'react'
import { data, Link, redirect, useFetcher, useNavigation, useSubmit } from 'react-router'
import { z } from 'zod'
import { recordOf, whatIf, type FieldRecord, type WhatIf } from '../../../core/findings/field-record.ts'
import { documentTypeSchema, fieldKind, type DocumentType, type Field } from '../../../core/program/schema.ts'
import { signedIn } from '../../../server/access/people.ts'
import { database } from '../../../server/database/connection.ts'
import { pastReadings } from '../../../server/configuration/field-records.ts'
import { maySwitch } from '../../../server/configuration/rules.ts'
import { learntFor, unlearn } from '../../../server/configuration/teaching.ts'
import {
  removeType,
  saveType,
  typeAsSaved,
  typesOf,
  versionsOf,
} from '../../../server/configuration/types.ts'
import { count, moment } from '../../parts/format.ts'
import { Choices, Columns } from '../../parts/field-parts.tsx'
import { ThresholdChart } from '../../parts/threshold-chart.tsx'
import type { Route } from './+types/type'

export const meta = ({ loaderData }: Route.MetaArgs) => [
  { title: `${loaderData?.type?.title ?? 'New type'} · Jigsa` },
]

const THRESHOLDS = Array.from({ length: 26 }, (_, i) => Math.round((0.5 + i * 0.02) * 100) / 100)

export async function loader({ request, params }: Route.LoaderArgs) {
  const who = await signedIn(request)
  if (params.id === 'new')
    return {
      type: null,
      versions: [],
      learnt: [],
      records: [] as FieldRecord[],
      curves: {} as Record<string, WhatIf[]>,
      may: maySwitch(who),
    }
  const type = await typeAsSaved(database(), who.organisationId, params.id)
  if (!type) throw data('There is no such document type.', 404)
  const [versions, learnt, past] = await Promise.all([
    versionsOf(who, type.id),
    learntFor(who, type.id),
    pastReadings(who, type.id),
  ])
  return {
    type,
    learnt,
    may: maySwitch(who),
    versions: versions.map(({ version, by, createdAt }) => ({ version, by, createdAt })),
    records: type.fields.map((f) => recordOf(f.name, past)),
    curves: Object.fromEntries(
      type.fields.map((f) => [
        f.name,
        whatIf(
          past.filter((p) => p.field === f.name),
          THRESHOLDS,
        ),
      ]),
    ) as Record<string, WhatIf[]>,
  }
}

const bodySchema = z.discriminatedUnion('act', [
  z.object({ act: z.literal('save'), type: documentTypeSchema }),
  z.object({ act: z.literal('remove') }),
  z.object({ act: z.literal('unlearn'), id: z.number().int() }),
  /** An earlier version becomes the newest. */
  z.object({ act: z.literal('back'), version: z.number().int().positive() }),
])

export async function action({ request, params }: Route.ActionArgs) {
  const who = await signedIn(request)
  if (!maySwitch(who))
    return data({ problem: 'A lead or an administrator changes document types.', said: null }, 403)
  const body = bodySchema.safeParse(await request.json().catch(() => null))
  if (!body.success) return data({ problem: sentence(body.error), said: null }, 400)
  if (body.data.act === 'unlearn')
    return (await unlearn(who, body.data.id))
      ? { problem: null, said: 'Taken back. Papers that wait are read again without it.' }
      : data({ problem: 'There is no such wording any more.', said: null }, 404)
  if (body.data.act === 'remove') {
    const problem = await removeType(who, params.id)
    return problem ? data({ problem, said: null }, 409) : redirect('/types')
  }
  let type: DocumentType | undefined
  if (body.data.act === 'back') {
    const { version } = body.data
    type = (await versionsOf(who, params.id)).find((v) => v.version === version)?.body
    if (!type) return data({ problem: 'There is no such version.', said: null }, 404)
  } else type = body.data.type
  const known = await typesOf(database(), who.organisationId)
  if (
    params.id === 'new' ? known.some((t) => t.id === type.id) || type.id === 'unknown' : type.id !== params.id
  )
    return data({ problem: 'There is a type of that name already.', said: null }, 409)
  const saved = await database().transaction((work) => saveType(work, who, type))
  return params.id === 'new'
    ? redirect(`/types/${type.id}`)
    : { problem: null, said: `Stored as version ${saved}. Papers of this type that wait are read again.` }
}

function sentence(error: z.ZodError): string {
  const issue = error.issues[0]
  return issue.code === 'custom'
    ? `${issue.message}.`
    : 'Give the type and each value a name, and at least one word that leads to it.'
}

const idOf = (title: string): string =>
  title
    .toLowerCase()
    .normalize('NFD')
    .replace(/[^a-z0-9]+/g, '_')
    .replace(/^[^a-z]+|_+$/g, '')
    .slice(0, 60)
const linesOf = (text: string): string[] => [
  ...new Set(
    text
      .split('\n')
      .map((l) => l.trim())
      .filter(Boolean),
  ),
]
const EMPTY: DocumentType = documentTypeSchema.parse({
  id: 'new_type',
  title: '',
  short: '',
  pages: { min: 1, max: 4 },
  titles: [],
  fields: [],
})
const KINDS: Record<Field['kind'], string> = {
  name: 'a person’s name',
  org: 'a firm’s name',
  address: 'address',
  date: 'date',
  money: 'amount',
  number: 'number',
  percent: 'percentage',
  id: 'number or code',
  iban: 'account (IBAN)',
  email: 'e-mail',
  phone: 'telephone',
  text: 'words',
  choice: 'choice',
  yesno: 'yes or no',
  table: 'table',
}

/** A document type: what names it, what it holds, how sure a value must be; what was learnt, how each value did. */
export default function TypeEditor({
  loaderData: { type: stored, versions, learnt, records, curves, may },
  actionData,
}: Route.ComponentProps) {
  const [type, setType] = useState<DocumentType>(stored ?? EMPTY)
  const [open, setOpen] = useState<string | null>(null)
  const submit = useSubmit()
  const fetcher = useFetcher<typeof action>()
  const busy = useNavigation().state !== 'idle' || fetcher.state !== 'idle'
  const change = (part: Partial<DocumentType>) => setType((now) => ({ ...now, ...part }))
  const field = (i: number, part: Partial<Field>) =>
    change({ fields: type.fields.map((f, k) => (k === i ? { ...f, ...part } : f)) })
  const move = (i: number, by: number) => {
    const fields = [...type.fields]
    const [one] = fields.splice(i, 1)
    fields.splice(i + by, 0, one)
    change({ fields })
  }
  const add = () => {
    let n = type.fields.length + 1
    while (type.fields.some((f) => f.name === `value_${n}`)) n++
    change({
      fields: [
        ...type.fields,
        {
          name: `value_${n}`,
          title: '',
          kind: 'text',
          labels: [],
          sources: [],
          optional: false,
          choices: [],
          columns: [],
          never: [],
          common: false,
          belowZero: false,
          threshold: 0.8,
        },
      ],
    })
    setOpen(`value_${n}`)
  }
  const save = () => {
    const named = stored
      ? type
      : {
          ...type,
          id: idOf(type.title),
          short: type.short || type.title,
          fields: type.fields.map((f) => ({
            ...f,
            name:
              f.name.startsWith('value_') &&
              idOf(f.title) &&
              !type.fields.some((o) => o !== f && o.name === idOf(f.title))
                ? idOf(f.title)
                : f.name,
          })),
        }
    void submit({ act: 'save', type: named }, { method: 'post', encType: 'application/json' })
  }
  const told = fetcher.data ?? actionData
  const ready =
    type.title.trim().length >= 2 &&
    (type.titles.length > 0 || type.signs.length > 0 || stored !== null) &&
    type.fields.every((f) => f.title.trim())
  return (
    <main className="mx-auto max-w-6xl p-4">
      <div className="mb-3 flex flex-wrap items-center gap-3">
        <div className="mr-auto">
          <Link to="/types" className="text-sm text-petrol underline">
            All types
          </Link>
          <h1 className="text-xl font-semibold">{stored?.title ?? 'New document type'}</h1>
        </div>
        {stored ? (
          <a className="button" href={`/types/${stored.id}/file`} download>
            <Download size={16} />
            Export
          </a>
        ) : null}
        {may ? (
          <button type="button" className="button-main" disabled={!ready || busy} onClick={save}>
            {stored ? 'Store as the next version' : 'Make this type'}
          </button>
        ) : (
          <span className="text-sm text-ink-2">A lead or an administrator changes types.</span>
        )}
      </div>
      {told?.problem ? (
        <p role="alert" className="odd-edge mb-3 rounded-md border border-line bg-sheet px-3 py-2">
          {told.problem}
        </p>
      ) : told?.said ? (
        <p role="status" className="mb-3 rounded-md border border-line bg-sheet px-3 py-2">
          {told.said}
        </p>
      ) : null}
      <div className="grid items-start gap-4 lg:grid-cols-[320px_minmax(0,1fr)]">
        <section className="card space-y-3 p-4">
          <label className="block font-semibold">
            Name
            <input
              className="field mt-1 font-normal"
              value={type.title}
              maxLength={80}
              onChange={(event) => change({ title: event.target.value })}
            />
          </label>
          <label className="block font-semibold">
            Under its pages in the strip
            <input
              className="field mt-1 font-normal"
              value={type.short}
              maxLength={20}
              onChange={(event) => change({ short: event.target.value })}
            />
          </label>
          <label className="block font-semibold">
            Headings that name it <span className="font-normal text-ink-2">one a line</span>
            <textarea
              className="field mt-1 h-28 font-normal"
              defaultValue={type.titles.join('\n')}
              onChange={(event) => change({ titles: linesOf(event.target.value) })}
            />
          </label>
          <label className="block font-semibold">
            Words that speak for it <span className="font-normal text-ink-2">one a line</span>
            <textarea
              className="field mt-1 h-24 font-normal"
              defaultValue={type.signs.map((s) => s.words).join('\n')}
              onChange={(event) =>
                change({
                  signs: linesOf(event.target.value).map(
                    (words) => type.signs.find((s) => s.words === words) ?? { words, weight: 1.2 },
                  ),
                })
              }
            />
          </label>
          <div className="flex gap-3">
            <label className="font-semibold">
              Pages at most
              <input
                type="number"
                min={1}
                max={500}
                className="field mt-1 font-normal"
                value={type.pages.max}
                onChange={(event) =>
                  change({
                    pages: { min: 1, max: Math.max(1, Math.min(500, Number(event.target.value) || 1)) },
                  })
                }
              />
            </label>
            <label className="font-semibold">
              Asked below
              <span className="mt-1 flex items-center gap-1 font-normal">
                <input
                  type="number"
                  min={0}
                  max={100}
                  className="field"
                  value={Math.round(type.threshold * 100)}
                  onChange={(event) =>
                    change({ threshold: Math.max(0, Math.min(100, Number(event.target.value) || 0)) / 100 })
                  }
                />
                sure
              </span>
            </label>
          </div>
          <label className="flex items-center gap-2">
            <input
              type="checkbox"
              className="accent-(--petrol)"
              checked={type.signature !== null}
              onChange={(event) =>
                change({
                  signature: event.target.checked
                    ? (stored?.signature ?? { labels: ['signature', 'signed', 'signed by'] })
                    : null,
                })
              }
            />
            is to be signed
          </label>
          {stored && may ? (
            <button
              type="button"
              className="text-sm underline"
              disabled={busy}
              onClick={() =>
                void fetcher.submit({ act: 'remove' }, { method: 'post', encType: 'application/json' })
              }
            >
              Take this type away
            </button>
          ) : null}
          {versions.length > 0 ? (
            <div className="border-t border-line-2 pt-3 text-sm">
              <h2 className="mb-1 font-semibold">Versions</h2>
              <ul>
                {versions.map((v, i) => (
                  <li key={v.version} className="flex items-baseline gap-2">
                    <b>{v.version}</b>
                    <span className="min-w-0 flex-1 truncate text-ink-2">
                      {v.by ?? (v.version === 1 ? 'starter set' : 'somebody')},{' '}
                      <time suppressHydrationWarning>{moment(v.createdAt)}</time>
                    </span>
                    {i > 0 && may ? (
                      <button
                        type="button"
                        className="underline"
                        disabled={busy}
                        onClick={() =>
                          void fetcher.submit(
                            { act: 'back', version: v.version },
                            { method: 'post', encType: 'application/json' },
                          )
                        }
                      >
                        use again
                      </button>
                    ) : i === 0 ? (
                      <span className="text-ink-2">in use</span>
                    ) : null}
                  </li>
                ))}
              </ul>
            </div>
          ) : null}
        </section>
        <section aria-label="Values" className="grid gap-3">
          <div className="card overflow-hidden">
            <table className="w-full text-sm">
              <thead>
                <tr className="text-left text-[13px] text-ink-2">
                  <th className="px-3 py-2 font-semibold">Value</th>
                  <th className="font-semibold">Kind</th>
                  <th className="font-semibold">Asked</th>
                  <th className="px-2 text-right font-semibold">Papers</th>
                  <th className="px-2 text-right font-semibold">Asked about</th>
                  <th className="px-2 text-right font-semibold">Wrong, unasked</th>
                  <th />
                </tr>
              </thead>
              <tbody>
                {type.fields.map((f, i) => {
                  const record = records.find((r) => r.field === f.name)
                  return (
                    <FieldRows
                      key={i}
                      field={f}
                      record={record}
                      curve={curves[f.name] ?? []}
                      open={open === f.name}
                      fixed={stored?.fields.some((s) => s.name === f.name) ?? false}
                      may={may}
                      first={i === 0}
                      last={i === type.fields.length - 1}
                      onOpen={() => setOpen(open === f.name ? null : f.name)}
                      onChange={(part) => field(i, part)}
                      onMove={(by) => move(i, by)}
                      onRemove={() => change({ fields: type.fields.filter((_, k) => k !== i) })}
                    />
                  )
                })}
              </tbody>
            </table>
            {type.fields.length === 0 ? (
              <p className="px-3 py-4 text-ink-2">This type holds no values yet.</p>
            ) : null}
            {may ? (
              <button type="button" className="m-3 text-petrol underline" onClick={add}>
                One more value
              </button>
            ) : null}
          </div>
          <Learnt
            learnt={learnt}
            titles={new Map(type.fields.map((f) => [f.name, f.title]))}
            may={may}
            busy={busy}
            onUnlearn={(id) =>
              void fetcher.submit({ act: 'unlearn', id }, { method: 'post', encType: 'application/json' })
            }
          />
        </section>
      </div>
    </main>
  )
}

const asking = (threshold: number): string =>
  threshold === 0 ? 'never' : threshold === 1 ? 'always' : `below ${Math.round(threshold * 100)}`

function FieldRows({
  field,
  record,
  curve,
  open,
  fixed,
  may,
  first,
  last,
  onOpen,
  onChange,
  onMove,
  onRemove,
}: {
  field: Field
  record: FieldRecord | undefined
  curve: WhatIf[]
  open: boolean
  fixed: boolean
  may: boolean
  first: boolean
  last: boolean
  onOpen: () => void
  onChange: (part: Partial<Field>) => void
  onMove: (by: number) => void
  onRemove: () => void
}) {
  const cell = 'border-t border-line-2 py-1.5'
  return (
    <>
      <tr className={open ? 'bg-petrol-soft' : 'hover:bg-petrol-soft'}>
        <td className={`${cell} px-3`}>
          <button type="button" aria-expanded={open} className="text-left font-semibold" onClick={onOpen}>
            {field.title || 'a new value'}
          </button>
          {field.optional ? <span className="ml-2 text-[13px] text-ink-2">may lack</span> : null}
        </td>
        <td className={`${cell} text-ink-2`}>{KINDS[field.kind]}</td>
        <td className={cell}>{asking(field.threshold)}</td>
        <td className={`${cell} px-2 text-right`}>{record?.papers ?? 0}</td>
        <td className={`${cell} px-2 text-right`}>{record?.asked ?? 0}</td>
        <td className={`${cell} px-2 text-right ${record?.wrongUnasked ? 'font-bold text-plum' : ''}`}>
          {record?.wrongUnasked ?? 0}
        </td>
        <td className={`${cell} pr-2 text-right whitespace-nowrap`}>
          {may ? (
            <>
              <button
                type="button"
                aria-label={`${field.title} further up`}
                disabled={first}
                className="p-1 disabled:opacity-30"
                onClick={() => onMove(-1)}
              >
                <ArrowUp size={14} />
              </button>
              <button
                type="button"
                aria-label={`${field.title} further down`}
                disabled={last}
                className="p-1 disabled:opacity-30"
                onClick={() => onMove(1)}
              >
                <ArrowDown size={14} />
              </button>
            </>
          ) : null}
        </td>
      </tr>
      {open ? (
        <tr>
          <td colSpan={7} className="border-t border-line-2 bg-table px-3 py-3">
            <div className="grid gap-4 md:grid-cols-2">
              <fieldset disabled={!may} className="space-y-2">
                <label className="block font-semibold">
                  Name
                  <input
                    className="field mt-1 py-1 font-normal"
                    value={field.title}
                    maxLength={80}
                    onChange={(event) => onChange({ title: event.target.value })}
                  />
                </label>
                <div className="flex flex-wrap gap-3">
                  <label className="min-w-40 flex-1 font-semibold">
                    Kind
                    <select
                      className="field mt-1 py-1 font-normal"
                      disabled={fixed && field.kind === 'table'}
                      value={field.kind}
                      onChange={(event) => onChange({ kind: fieldKind.parse(event.target.value) })}
                    >
                      {fieldKind.options.map((k) => (
                        <option key={k} value={k}>
                          {KINDS[k]}
                        </option>
                      ))}
                    </select>
                  </label>
                  <label className="font-semibold">
                    Asked
                    <select
                      aria-label={`When ${field.title || 'it'} is asked about`}
                      className="field mt-1 py-1 font-normal"
                      value={
                        field.threshold === 0 || field.threshold === 1 ? String(field.threshold) : 'below'
                      }
                      onChange={(event) =>
                        onChange({
                          threshold: event.target.value === 'below' ? 0.8 : Number(event.target.value),
                        })
                      }
                    >
                      <option value="below">when less sure than</option>
                      <option value="0">never</option>
                      <option value="1">always</option>
                    </select>
                  </label>
                  {field.threshold > 0 && field.threshold < 1 ? (
                    <label className="w-20 font-semibold">
                      sure
                      <input
                        type="number"
                        min={1}
                        max={99}
                        className="field mt-1 py-1 font-normal"
                        value={Math.round(field.threshold * 100)}
                        onChange={(event) =>
                          onChange({
                            threshold: Math.max(1, Math.min(99, Number(event.target.value) || 1)) / 100,
                          })
                        }
                      />
                    </label>
                  ) : null}
                </div>
                <label className="block font-semibold">
                  Wordings that lead to it <span className="font-normal text-ink-2">one a line</span>
                  <textarea
                    className="field mt-1 h-28 font-normal"
                    defaultValue={field.labels.join('\n')}
                    onChange={(event) => onChange({ labels: linesOf(event.target.value) })}
                  />
                </label>
                {field.kind === 'choice' ? (
                  <Choices choices={field.choices} onChange={(choices) => onChange({ choices })} />
                ) : null}
                {field.kind === 'table' ? (
                  <Columns columns={field.columns} onChange={(columns) => onChange({ columns })} />
                ) : null}
                <div className="flex items-center gap-4">
                  <label className="flex items-center gap-2">
                    <input
                      type="checkbox"
                      className="accent-(--petrol)"
                      checked={field.optional}
                      onChange={(event) => onChange({ optional: event.target.checked })}
                    />
                    may be lacking on a good paper
                  </label>
                  <button type="button" className="ml-auto underline" onClick={onRemove}>
                    Take this value away
                  </button>
                </div>
              </fieldset>
              <div>
                <h3 className="mb-1 font-semibold">If it were asked below …</h3>
                {record && record.papers > 0 ? (
                  <ThresholdChart points={curve} now={field.threshold} />
                ) : (
                  <p className="text-ink-2">
                    No paper of this type has come yet, so there is nothing to count.
                  </p>
                )}
                {record && record.askedInVain > 0 ? (
                  <p className="mt-1 text-[13px] text-ink-2">
                    Of the questions so far, {record.askedInVain} {record.askedInVain === 1 ? 'was' : 'were'}{' '}
                    answered with what had been read.
                  </p>
                ) : null}
              </div>
            </div>
          </td>
        </tr>
      ) : null}
    </>
  )
}

function Learnt({
  learnt,
  titles,
  may,
  busy,
  onUnlearn,
}: {
  learnt: Route.ComponentProps['loaderData']['learnt']
  titles: ReadonlyMap<string, string>
  may: boolean
  busy: boolean
  onUnlearn: (id: number) => void
}) {
  return (
    <div className="card p-4">
      <h2 className="font-semibold">Learnt from answers</h2>
      {learnt.length === 0 ? (
        <p className="text-sm text-ink-2">
          Nothing yet. Where a value is shown or confirmed on a paper, the wording beside it is learnt for all
          papers of this type.
        </p>
      ) : (
        <ul className="mt-2 grid gap-3 text-sm">
          {learnt.map((l) => (
            <li key={l.id} className="border-t border-line-2 pt-2">
              <span className="flex flex-wrap items-baseline gap-2">
                <b>“{l.wording}”</b> {l.skips ? 'begins no row of' : 'leads to'}{' '}
                {titles.get(l.field) ?? l.field}
                <span className="mr-auto text-ink-2">
                  {l.by ?? 'somebody'}, <time suppressHydrationWarning>{moment(l.createdAt)}</time>
                  {l.packageId ? (
                    <>
                      , on{' '}
                      <Link className="underline" to={`/packages/${l.packageId}/values?page=${l.page}`}>
                        {l.caseNumber} page {l.page}
                      </Link>
                    </>
                  ) : null}
                </span>
                {may ? (
                  <button
                    type="button"
                    className="button px-2 py-0.5"
                    disabled={busy}
                    onClick={() => onUnlearn(l.id)}
                  >
                    Take back
                  </button>
                ) : null}
              </span>
              {l.changes.length === 0 ? (
                <span className="text-ink-2">It changed nothing on papers that waited.</span>
              ) : (
                <ul className="mt-1">
                  {l.changes.map((c, i) => (
                    <li key={i} className="pl-3">
                      <Link className="underline" to={`/packages/${c.packageId}/values?page=${c.page}`}>
                        {c.caseNumber} page {c.page}
                      </Link>
                      : {titles.get(c.field) ?? c.field}{' '}
                      {c.before !== c.after ? (
                        <>
                          is <span className="value">{c.after || 'empty'}</span>, was{' '}
                          <span className="value">{c.before || 'not found'}</span>
                        </>
                      ) : (
                        <>
                          stays <span className="value">{c.after}</span>
                        </>
                      )}
                      {c.settled ? '; no longer asked about' : ''}
                    </li>
                  ))}
                </ul>
              )}
              {l.changes.length > 0 ? (
                <span className="text-[13px] text-ink-2">
                  {count(l.changes.filter((c) => c.settled).length, 'question')} fewer.
                </span>
              ) : null}
            </li>
          ))}
        </ul>
      )}
    </div>
  )
}

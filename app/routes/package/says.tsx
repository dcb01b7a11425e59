import { KINDS, kindsWithWords } from '../../parts/field-kinds.ts'
import { documentTypeSchema, fieldKind, type FieldKind, idFrom } from '../../../core/program/index.ts'
import { clsx } from 'clsx'
import { useEffect, useState } from 'react'
import { data, Link, redirect, useNavigate, useNavigation, useSubmit } from 'react-router'
import { z } from 'zod'
import { extractUntyped, type UntypedValue } from '../../../core/extraction/index.ts'
import { askedPackage } from '../../../server/access/packages.ts'
import { database } from '../../../server/database/connection.ts'
import { may, refusalOf } from '../../../server/access/rights.ts'
import { saveType, typesOf } from '../../../server/configuration/types.ts'
import { giveAnswers } from '../../../server/packages/answer.ts'
import { pagesOf } from '../../../server/packages/judge.ts'
import { jsonBody } from '../../../server/web/bodies.ts'
import { count } from '../../parts/format.ts'
import { useLooking } from '../../package/looking.tsx'
import { documentOfPage, useJudged } from '../../package/view.ts'
import type { Route } from './+types/says'

export async function loader({ request, params }: Route.LoaderArgs) {
  const { row, who } = await askedPackage(request, params.id)
  const page = Number(new URL(request.url).searchParams.get('page')) || 1
  const document = row.assessment?.documents.find((d) => d.pages.includes(page))
  const pages = document
    ? (await pagesOf(database(), row.id))
        .filter((p) => document.pages.includes(p.number))
        .sort((a, b) => document.pages.indexOf(a.number) - document.pages.indexOf(b.number))
    : []
  return { first: document?.pages[0] ?? page, said: extractUntyped(pages), may: may(who, 'set up') }
}

const title = z.string().trim().min(2).max(80)
const bodySchema = z.object({
  title,
  heading: z.string().trim().max(120),
  first: z.number().int().positive(),
  values: z.array(z.object({ title, kind: fieldKind, label: z.string().trim().max(120) })).max(60),
})

/** Makes a type of what was picked; the paper it was picked on is its first. */
export async function action({ request, params }: Route.ActionArgs) {
  const { row, who } = await askedPackage(request, params.id)
  if (!may(who, 'set up')) return data({ problem: refusalOf('set up') }, 403)
  const body = bodySchema.safeParse(await jsonBody(request))
  if (!body.success) return data({ problem: 'Give the type and each value that is picked a name.' }, 400)
  const { values, heading, first } = body.data
  const id = idFrom(body.data.title)
  const types = await typesOf(database(), who.organisationId)
  if (!id || id === 'unknown' || types.some((t) => t.id === id))
    return data({ problem: 'There is a type of that name already; say that the paper is one of those.' }, 409)
  const names = new Set<string>()
  const fields = values.map((v, i) => {
    let name = idFrom(v.title) || `value_${i + 1}`
    while (names.has(name)) name = `${name}_${i + 1}`
    names.add(name)
    return { name, title: v.title, kind: v.kind, labels: v.label ? [v.label.toLowerCase()] : [] }
  })
  const type = documentTypeSchema.safeParse({
    id,
    title: body.data.title,
    short: body.data.title.slice(0, 20),
    pages: {
      min: 1,
      max: Math.max(4, row.assessment?.documents.find((d) => d.pages[0] === first)?.pages.length ?? 1),
    },
    titles: heading ? [heading.toLowerCase()] : [body.data.title.toLowerCase()],
    fields,
  })
  if (!type.success)
    return data({ problem: 'A type cannot be made of this; give the values other names.' }, 400)
  await database().transaction((work) => saveType(work, who, type.data))
  await giveAnswers(row.id, [{ kind: 'type', page: first, type: id }], who)
  return redirect(`/packages/${row.id}/values?page=${first}`)
}

/** What a value of a paper of no known type may be made; tables and choices need more than a name. */
const OFFERED = kindsWithWords([
  'name',
  'org',
  'address',
  'date',
  'money',
  'number',
  'percent',
  'id',
  'iban',
  'email',
  'phone',
  'text',
])

interface Pick {
  on: boolean
  title: string
  kind: FieldKind
}

/** What a paper says, whether its type is known or not: nothing need be typed, and a new type is made by picking. */
export default function Says({ loaderData: { first, said, may }, actionData }: Route.ComponentProps) {
  const { assessment } = useJudged()
  const { look, page } = useLooking()
  const navigate = useNavigate()
  const here = documentOfPage(assessment.documents, page)?.pages[0]
  // It follows the strip, as the other views do.
  useEffect(() => {
    if (here && here !== first) void navigate(`?page=${here}`, { replace: true })
  }, [here, first, navigate])
  const submit = useSubmit()
  const busy = useNavigation().state !== 'idle'
  const document = assessment.documents.find((d) => d.pages.includes(first))
  return (
    <div className="pb-6">
      <div className="mb-2 flex flex-wrap items-baseline gap-3">
        <h1 className="mr-auto text-xl font-semibold">
          What{' '}
          {!document || document.type === 'unknown'
            ? (document?.pages.length ?? 1) > 1
              ? `pages ${document!.pages.join(', ')} say`
              : `page ${first} says`
            : `${document.label} says`}
        </h1>
        <Link className="button px-2 py-1" to={`../values?page=${first}`}>
          Values of its type
        </Link>
      </div>
      {said.values.length === 0 && said.tables.length === 0 ? (
        <p className="card p-6 text-ink-2">
          Nothing here stands beside a label, and no day, amount or account stands alone.
        </p>
      ) : null}
      {said.values.length > 0 ? (
        <Maker
          key={first}
          first={first}
          values={said.values}
          heading={said.heading}
          may={may && document?.type === 'unknown'}
          busy={busy}
          problem={actionData?.problem ?? null}
          onLook={(s) => look(s.page, s.box)}
          onMake={(body) => void submit(body, { method: 'post', encType: 'application/json' })}
        />
      ) : null}
      {said.tables.map((table, t) => (
        <section key={t} className="card mt-4 overflow-x-auto p-3">
          <h2 className="mb-1 font-semibold">
            <button type="button" onClick={() => look(table.page, table.box)}>
              Table of {count(table.rows.length, 'row')}, page {table.page}
            </button>
          </h2>
          <table className="w-full text-[13px]">
            {table.head ? (
              <thead>
                <tr>
                  {table.head.map((h, i) => (
                    <th key={i} className="px-1.5 py-0.5 text-left font-semibold text-ink-2">
                      {h}
                    </th>
                  ))}
                </tr>
              </thead>
            ) : null}
            <tbody>
              {table.rows.map((row, i) => (
                <tr key={i}>
                  {row.map((c, k) => (
                    <td key={k} className="value border-t border-line-2 px-1.5 py-0.5">
                      {c}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      ))}
    </div>
  )
}

function Maker({
  first,
  values,
  heading,
  may,
  busy,
  problem,
  onLook,
  onMake,
}: {
  first: number
  values: readonly UntypedValue[]
  heading: string | null
  may: boolean
  busy: boolean
  problem: string | null
  onLook: (saying: UntypedValue) => void
  onMake: (body: z.infer<typeof bodySchema>) => void
}) {
  const [picks, setPicks] = useState<Pick[]>(() =>
    values.map((v) => ({ on: false, title: v.label ?? '', kind: v.kind })),
  )
  const [name, setName] = useState(heading ?? '')
  const set = (i: number, part: Partial<Pick>) =>
    setPicks((now) => now.map((p, k) => (k === i ? { ...p, ...part } : p)))
  const picked = picks.filter((p) => p.on).length
  const ready = name.trim().length >= 2 && picks.every((p) => !p.on || p.title.trim().length >= 2)
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault()
        onMake({
          title: name,
          heading: heading ?? '',
          first,
          values: picks.flatMap((p, i) =>
            p.on ? [{ title: p.title, kind: p.kind, label: values[i].label ?? '' }] : [],
          ),
        })
      }}
    >
      <ul className="grid gap-px overflow-hidden rounded-lg border border-line bg-line-2">
        {values.map((v, i) => (
          <ValueRow
            key={i}
            value={v}
            pick={may ? picks[i] : null}
            onChange={(part) => set(i, part)}
            onLook={() => onLook(v)}
          />
        ))}
      </ul>
      {may ? (
        <div className="mt-3 flex flex-wrap items-center gap-2">
          <label className="flex items-center gap-2 font-semibold">
            Make this a type:{' '}
            <input
              className="field w-64 py-1.5 font-normal"
              value={name}
              maxLength={80}
              placeholder="its name"
              onChange={(event) => setName(event.target.value)}
            />
          </label>
          <button className="button-main" disabled={!ready || busy}>
            with {count(picked, 'value')}
          </button>
          <button
            type="button"
            className="text-sm underline"
            onClick={() => setPicks((now) => now.map((p, i) => ({ ...p, on: values[i].label !== null })))}
          >
            pick all that have a label
          </button>
          {problem ? (
            <span role="alert" className="basis-full text-plum">
              {problem}
            </span>
          ) : null}
        </div>
      ) : null}
    </form>
  )
}

/** One value that the paper says; where somebody makes a type of it, with a name and a kind. */
function ValueRow({
  value,
  pick,
  onChange,
  onLook,
}: {
  value: UntypedValue
  pick: Pick | null
  onChange: (part: Partial<Pick>) => void
  onLook: () => void
}) {
  return (
    <li
      className={clsx(
        'grid grid-cols-[minmax(0,2fr)_minmax(0,3fr)] items-center gap-2 bg-sheet px-3 py-1.5',
        pick && 'md:grid-cols-[auto_minmax(0,2fr)_150px_minmax(0,3fr)]',
      )}
      onMouseEnter={onLook}
      onFocus={onLook}
    >
      {pick ? (
        <>
          <input
            type="checkbox"
            className="accent-(--petrol)"
            aria-label={`Pick ${value.label ?? value.raw}`}
            checked={pick.on}
            onChange={(event) => onChange({ on: event.target.checked })}
          />
          <input
            aria-label={`Name of ${value.label ?? value.raw}`}
            className={`field py-1 text-sm ${pick.on ? '' : 'border-transparent bg-transparent'}`}
            value={pick.title}
            placeholder="no wording leads to it"
            maxLength={80}
            onChange={(event) => onChange({ title: event.target.value, on: true })}
          />
          <select
            aria-label={`Kind of ${value.label ?? value.raw}`}
            className="field py-1 text-sm"
            value={pick.kind}
            onChange={(event) => onChange({ kind: fieldKind.parse(event.target.value), on: true })}
          >
            {OFFERED.map(([k, words]) => (
              <option key={k} value={k}>
                {words}
              </option>
            ))}
          </select>
        </>
      ) : (
        <button type="button" className="text-left text-sm text-ink-2" onClick={onLook}>
          {value.label ?? KINDS[value.kind]}
        </button>
      )}
      <button type="button" className="value truncate text-left" title={value.raw} onClick={onLook}>
        {value.raw}
      </button>
    </li>
  )
}

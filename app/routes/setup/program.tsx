import { Download } from 'lucide-react'
import { useEffect, useState } from 'react'
import { data, Link, redirect, useFetcher } from 'react-router'
import { z } from 'zod'
import { faultsOf, type TypeShape } from '../../../core/program/faults.ts'
import { programSchema, type Program } from '../../../core/program/schema.ts'
import { signedIn } from '../../../server/access/people.ts'
import { database } from '../../../server/database/connection.ts'
import {
  newestProgram,
  programAt,
  programsOf,
  programVersions,
  saveProgram,
} from '../../../server/configuration/programs.ts'
import { maySwitch } from '../../../server/configuration/rules.ts'
import { typesOf } from '../../../server/configuration/types.ts'
import { faultsIn, outcomesOn, packagesOf, tryProgram } from '../../../server/packages/program-change.ts'
import { count, moment } from '../../parts/format.ts'
import {
  AddButton,
  bareNeed,
  blank,
  CheckRow,
  FactRow,
  LimitRow,
  RequirementRow,
  type Outcome,
} from '../../program/rows.tsx'
import type { Route } from './+types/program'

export const meta = ({ loaderData }: Route.MetaArgs) => [
  { title: `${loaderData?.program?.title ?? 'New program'} · Jigsa` },
]

export async function loader({ request, params }: Route.LoaderArgs) {
  const who = await signedIn(request)
  const types = (await typesOf(database(), who.organisationId)).map(
    ({ id, title, person, signature, fields }): TypeShape => ({
      id,
      title,
      person,
      signature: signature && {},
      fields: fields.map(({ name, title, kind, columns, choices }) => ({
        name,
        title,
        kind,
        columns,
        choices,
      })),
    }),
  )
  if (params.id === 'new')
    return {
      program: null,
      version: 0,
      versions: [],
      packages: [],
      types,
      may: maySwitch(who),
      shipped: false,
    }
  const found = await newestProgram(database(), who.organisationId, params.id)
  if (!found) throw data('There is no such program.', 404)
  const [versions, packages] = await Promise.all([
    programVersions(who, params.id),
    packagesOf(who, params.id),
  ])
  return {
    program: found.body,
    version: found.version,
    versions,
    packages,
    types,
    may: maySwitch(who),
    shipped: found.began,
  }
}

const bodySchema = z.discriminatedUnion('act', [
  z.object({ act: z.literal('save'), program: programSchema }),
  /** What the draft would have done to the packages there are. */
  z.object({ act: z.literal('try'), program: programSchema }),
  /** How the draft's rules come out on one package. */
  z.object({ act: z.literal('on'), program: programSchema, packageId: z.uuid() }),
  /** An earlier version becomes the newest. */
  z.object({ act: z.literal('back'), version: z.number().int().positive() }),
])

export async function action({ request, params }: Route.ActionArgs) {
  const who = await signedIn(request)
  const sent: unknown = await request.json().catch(() => null)
  const body = bodySchema.safeParse(sent)
  if (!body.success) return data({ problem: sentence(body.error, sent), said: null }, 400)
  if (body.data.act === 'on') {
    const outcomes = await outcomesOn(who, body.data.program, body.data.packageId)
    return outcomes
      ? { problem: null, said: null, outcomes }
      : data({ problem: 'There is no such package of this program.', said: null }, 404)
  }
  if (!maySwitch(who))
    return data({ problem: 'A lead or an administrator changes programs.', said: null }, 403)
  let program: Program | null
  if (body.data.act === 'back') {
    program = await programAt(database(), who.organisationId, params.id, body.data.version)
    if (!program) return data({ problem: 'There is no such version.', said: null }, 404)
  } else program = body.data.program
  const [fault] = await faultsIn(who, program)
  if (fault) return data({ problem: `In ${fault.where}: ${fault.what}.`, said: null }, 400)
  if (body.data.act === 'try') return { problem: null, said: null, trial: await tryProgram(who, program) }
  if (
    params.id === 'new'
      ? (await programsOf(database(), who.organisationId)).some((p) => p.body.id === program.id) ||
        program.id === 'new'
      : program.id !== params.id
  )
    return data({ problem: 'There is a program of that name already.', said: null }, 409)
  const version = await saveProgram(who, program)
  return params.id === 'new'
    ? redirect(`/programs/${program.id}`)
    : {
        problem: null,
        said: `Stored as version ${version}. Packages keep the version they were judged by; new ones are judged by this one.`,
      }
}

/** What is wrong with a draft as it was sent, with the rule it is in. */
function sentence(error: z.ZodError, sent: unknown): string {
  const { path, message } = error.issues[0]
  const [, list, at, ...rest] = path
  const shape = z.object({ program: z.record(z.string(), z.unknown()) }).safeParse(sent)
  const items = shape.success && typeof list === 'string' ? shape.data.program[list] : undefined
  const item: unknown = Array.isArray(items) && typeof at === 'number' ? items[at] : undefined
  const title =
    item && typeof item === 'object' && 'title' in item && typeof item.title === 'string' ? item.title : null
  return title === null
    ? `This cannot be stored: ${path.slice(1).join('.') || 'it'}: ${message}.`
    : `In “${title || 'a rule without a name'}”: ${
        rest.length
          ? `${rest
              .filter((r) => typeof r === 'string')
              .join(', ')
              .replaceAll('_', ' ')} is not given yet`
          : message
      }.`
}

const EMPTY: Program = programSchema.parse({
  id: 'new',
  title: '',
  persons: { applicant: 'loan_application.applicant_name' },
  requirements: [],
  facts: [],
  checks: [],
})
const slug = (title: string, mark: string): string =>
  title
    .toLowerCase()
    .normalize('NFD')
    .replace(/[^a-z0-9]+/g, mark)
    .replace(/^[^a-z]+|[_-]+$/g, '')
    .slice(0, 60)

type List = 'requirements' | 'facts' | 'checks' | 'limits'
const WHAT: Record<List, string> = {
  requirements: 'requirement',
  facts: 'fact',
  checks: 'check',
  limits: 'limit',
}

/** A program: what it asks for, compares, adds up, and who must agree. */
export default function ProgramEditor({ loaderData }: Route.ComponentProps) {
  // A stored version begins the editor anew; what was said of storing it outlives that.
  const saving = useFetcher<typeof action>()
  return (
    <Editor
      key={`${loaderData.program?.id ?? 'new'} ${loaderData.version}`}
      saving={saving}
      {...loaderData}
    />
  )
}

function Editor({
  program: stored,
  version,
  versions,
  packages,
  types,
  may,
  shipped,
  saving,
}: Route.ComponentProps['loaderData'] & { saving: ReturnType<typeof useFetcher<typeof action>> }) {
  const [draft, setDraft] = useState<Program>(stored ?? EMPTY)
  const [on, setOn] = useState('')
  const trying = useFetcher<typeof action>()
  const proving = useFetcher<typeof action>()
  const changed = JSON.stringify(draft) !== JSON.stringify(stored ?? EMPTY)
  const faults = faultsOf(draft, types)
  const bad = faults.length > 0
  const send = (fetcher: typeof saving, body: object) =>
    void fetcher.submit(body as Parameters<typeof fetcher.submit>[0], {
      method: 'post',
      encType: 'application/json',
    })
  const { submit: prove } = proving
  useEffect(() => {
    if (!on) return
    const timer = setTimeout(
      () =>
        void prove(
          { act: 'on', program: draft, packageId: on },
          { method: 'post', encType: 'application/json' },
        ),
      350,
    )
    return () => clearTimeout(timer)
  }, [on, draft, prove])
  const outcomes = on && proving.data && 'outcomes' in proving.data ? proving.data.outcomes : undefined
  const trial = trying.data && 'trial' in trying.data ? trying.data.trial : undefined
  const problem = saving.data?.problem ?? trying.data?.problem ?? (on ? proving.data?.problem : null)

  /** What every row of a list is given. */
  const rows =
    <L extends List>(list: L) =>
    (item: Program[L][number], i: number) => ({
      key: `${list} ${i}`,
      types,
      may,
      faults: faults.filter((f) => f.where.startsWith(`${WHAT[list]} “${item.title || item.id}”`)),
      outcome: outcomes?.[list].find((o: Outcome) => o.id === item.id),
      onChange: (next: Program[L][number]) =>
        setDraft((d) => ({
          ...d,
          [list]: (d[list] as Program[L][number][]).with(
            i,
            named(next, item, d[list], !stored?.[list].some((s) => s.id === item.id)),
          ),
        })),
      onRemove: () => setDraft((d) => ({ ...d, [list]: (d[list] as unknown[]).toSpliced(i, 1) })),
      onMove: (by: number) =>
        setDraft((d) => {
          const items = [...d[list]] as unknown[]
          const [moved] = items.splice(i, 1)
          items.splice(Math.max(0, i + by), 0, moved)
          return { ...d, [list]: items }
        }),
    })
  const add = (list: List, item: object) =>
    setDraft((d) => ({ ...d, [list]: [...d[list], { id: `new_${d[list].length + 1}`, title: '', ...item }] }))
  const general = faults.filter((f) => !Object.values(WHAT).some((w) => f.where.startsWith(`${w} “`)))
  return (
    <main className="mx-auto max-w-6xl p-4 pb-16">
      <div className="mb-3 flex flex-wrap items-center gap-3">
        <input
          aria-label="Name of the program"
          className="field max-w-80 py-1 text-xl font-semibold"
          placeholder="Name of the program"
          disabled={!may}
          value={draft.title}
          onChange={(event) =>
            setDraft({
              ...draft,
              title: event.target.value,
              id: stored ? draft.id : slug(event.target.value, '-') || 'new',
            })
          }
        />
        <span className="mr-auto text-sm text-ink-2">{stored ? `version ${version}` : 'not stored yet'}</span>
        {stored ? (
          <a className="button" href={`/programs/${stored.id}/file`} download>
            <Download size={16} />
            As a file
          </a>
        ) : null}
        {may && stored ? (
          <button
            type="button"
            className="button"
            disabled={bad || trying.state !== 'idle'}
            onClick={() => send(trying, { act: 'try', program: draft })}
          >
            {trying.state !== 'idle' ? 'Judging …' : 'What would this change?'}
          </button>
        ) : null}
        {may ? (
          <button
            type="button"
            className="button-main"
            disabled={!changed || bad || draft.title.trim() === '' || saving.state !== 'idle'}
            onClick={() => send(saving, { act: 'save', program: draft })}
          >
            Store it
          </button>
        ) : null}
      </div>
      {packages.length > 0 ? (
        <label className="mb-3 flex items-center gap-2 text-sm">
          While you write, show how each rule comes out on
          <select className="field w-auto py-0.5" value={on} onChange={(event) => setOn(event.target.value)}>
            <option value="">no package</option>
            {packages.map((p) => (
              <option key={p.id} value={p.id}>
                {p.caseNumber}
                {p.applicant ? `, ${p.applicant}` : ''}
              </option>
            ))}
          </select>
        </label>
      ) : null}
      {problem ? (
        <p role="alert" className="odd-edge mb-3 rounded-md border border-line bg-sheet px-3 py-2">
          {problem}
        </p>
      ) : null}
      {saving.data?.said ? (
        <p role="status" className="mb-3 rounded-md border border-line bg-sheet px-3 py-2">
          {saving.data.said}
        </p>
      ) : null}
      {bad ? (
        <p className="mb-3 text-sm font-semibold text-plum">
          {count(faults.length, 'fault')} to mend before it can be stored
          {general.length ? `: ${general.map((f) => `${f.where}: ${f.what}`).join('; ')}` : ''}.
        </p>
      ) : null}
      {trial ? <Trial trial={trial} /> : null}

      <Part title="What is asked for">
        {draft.requirements.map((r, i) => {
          const { key, ...row } = rows('requirements')(r, i)
          return <RequirementRow key={key} item={r} {...row} />
        })}
      </Part>
      {may ? (
        <AddButton
          onClick={() => add('requirements', { any: false, ways: [{ needs: [bareNeed(types[0].id)] }] })}
        >
          Requirement
        </AddButton>
      ) : null}
      <Part title="What must be one and the same">
        {draft.facts.map((f, i) => {
          const { key, ...row } = rows('facts')(f, i)
          return <FactRow key={key} item={f} {...row} />
        })}
      </Part>
      {may ? (
        <AddButton onClick={() => add('facts', { question: 'Which is right?', kind: 'name', fields: [] })}>
          Fact
        </AddButton>
      ) : null}
      <Part title="What must add up">
        {draft.checks.map((c, i) => {
          const { key, ...row } = rows('checks')(c, i)
          return <CheckRow key={key} item={c} {...row} />
        })}
      </Part>
      {may ? (
        <AddButton onClick={() => add('checks', { kind: 'at_least', ...blank('at_least') })}>Check</AddButton>
      ) : null}
      <Part title="What somebody is told of">
        {draft.limits.map((l, i) => {
          const { key, ...row } = rows('limits')(l, i)
          return <LimitRow key={key} item={l} {...row} />
        })}
      </Part>
      {may ? (
        <AddButton onClick={() => add('limits', { when: { field: '', over: 0 }, tells: 'lead' })}>
          Limit
        </AddButton>
      ) : null}

      <div className="mt-6 grid gap-4 md:grid-cols-2">
        <fieldset disabled={!may} className="card p-4">
          <legend className="sr-only">A second person agrees to</legend>
          <h2 className="mb-2 font-semibold">A second person agrees to</h2>
          {(
            [
              ['waivers', 'waiving a requirement'],
              ['differences', 'accepting a difference or a failed check'],
              ['finish', 'the whole package, before it is finished'],
            ] as const
          ).map(([key, words]) => (
            <label key={key} className="flex items-center gap-2 py-0.5">
              <input
                type="checkbox"
                className="accent-(--petrol)"
                checked={draft.signOff[key]}
                onChange={(event) =>
                  setDraft({ ...draft, signOff: { ...draft.signOff, [key]: event.target.checked } })
                }
              />
              {words}
            </label>
          ))}
          <h2 className="mt-4 mb-2 font-semibold">Who applies</h2>
          <Person
            label="by"
            value={draft.persons.applicant}
            types={types}
            onChange={(applicant) =>
              setDraft({ ...draft, persons: { ...draft.persons, applicant: applicant ?? '' } })
            }
          />
          <Person
            label="a second person by"
            none="nobody"
            value={draft.persons.coApplicant}
            types={types}
            onChange={(coApplicant) => setDraft({ ...draft, persons: { ...draft.persons, coApplicant } })}
          />
        </fieldset>
        {stored ? (
          <div className="card p-4">
            <h2 className="mb-2 font-semibold">Versions</h2>
            <ol className="grid gap-1 text-sm">
              {versions.map((v) => (
                <li key={v.version} className="flex items-baseline gap-3">
                  <b>{v.version}</b>
                  <span className="mr-auto text-ink-2">
                    {v.by ?? (v.version === 1 ? 'starter set' : 'somebody')},{' '}
                    <time suppressHydrationWarning>{moment(v.createdAt)}</time>
                  </span>
                  {v.version === version ? (
                    <span className="text-petrol">now</span>
                  ) : may ? (
                    <button
                      type="button"
                      className="underline"
                      disabled={saving.state !== 'idle'}
                      onClick={() => send(saving, { act: 'back', version: v.version })}
                    >
                      go back to it
                    </button>
                  ) : null}
                </li>
              ))}
              {shipped ? (
                <li className="flex items-baseline gap-3">
                  <b>1</b>
                  <span className="mr-auto text-ink-2">as it ships with Jigsa</span>
                  {version === 1 ? (
                    <span className="text-petrol">now</span>
                  ) : may ? (
                    <button
                      type="button"
                      className="underline"
                      disabled={saving.state !== 'idle'}
                      onClick={() => send(saving, { act: 'back', version: 1 })}
                    >
                      go back to it
                    </button>
                  ) : null}
                </li>
              ) : null}
            </ol>
          </div>
        ) : null}
      </div>
    </main>
  )
}

/** A rule that is new is known by its name; one that is stored keeps what it is known by, for answers name it so. */
function named<T extends { id: string; title: string }>(
  next: T,
  before: T,
  others: readonly { id: string }[],
  isNew: boolean,
): T {
  if (!isNew || next.title === before.title) return next
  const id = slug(next.title, '_')
  return { ...next, id: id && !others.some((o) => o.id === id) ? id : before.id }
}

function Part({ title, children }: { title: string; children: React.ReactNode[] }) {
  return (
    <section aria-label={title} className="mt-4">
      <h2 className="mb-1.5 text-lg font-semibold">
        {title} <span className="font-normal text-ink-2">{children.length}</span>
      </h2>
      {children.length > 0 ? (
        <ul className="grid gap-px overflow-hidden rounded-lg border border-line bg-line-2">{children}</ul>
      ) : (
        <p className="text-sm text-ink-2">Nothing yet.</p>
      )}
    </section>
  )
}

function Person({
  label,
  none,
  value,
  types,
  onChange,
}: {
  label: string
  none?: string
  value: string | undefined
  types: readonly TypeShape[]
  onChange: (value: string | undefined) => void
}) {
  return (
    <label className="flex items-center gap-2 py-0.5">
      {label}
      <select
        className="field w-auto max-w-72 py-0.5"
        value={value ?? ''}
        onChange={(event) => onChange(event.target.value || undefined)}
      >
        {none || !value ? <option value="">{none ?? 'choose a value'}</option> : null}
        {types.flatMap((t) =>
          t.fields
            .filter((f) => f.kind === 'name')
            .map((f) => (
              <option key={`${t.id}.${f.name}`} value={`${t.id}.${f.name}`}>
                {t.title}: {f.title}
              </option>
            )),
        )}
      </select>
    </label>
  )
}

/** What a draft would have done to the packages there are. */
function Trial({
  trial,
}: {
  trial: {
    tried: number
    differing: {
      packageId: string
      caseNumber: string
      applicant: string | null
      state: string
      changes: { title: string; before: string; after: string }[]
    }[]
  }
}) {
  const words = (state: string) => state.replaceAll('_', ' ')
  return (
    <section aria-label="What this would change" role="status" className="card mb-4 p-4">
      <h2 className="font-semibold">
        {trial.differing.length === 0
          ? `It would change nothing on ${count(trial.tried, 'package')}`
          : `It would change the verdict on ${trial.differing.length} of ${count(trial.tried, 'package')}`}
      </h2>
      {trial.tried === 0 ? (
        <p className="text-sm text-ink-2">No package of this program was judged yet.</p>
      ) : null}
      <ul className="mt-2 grid max-h-80 gap-2 overflow-auto text-sm">
        {trial.differing.map((d) => (
          <li key={d.packageId} className="border-t border-line-2 pt-1.5">
            <Link className="font-mono text-petrol underline" to={`/packages/${d.packageId}/checklist`}>
              {d.caseNumber}
            </Link>{' '}
            {d.applicant}
            {d.state === 'finished' ? <span className="text-ink-2"> · finished</span> : null}
            <ul>
              {d.changes.map((c, i) => (
                <li key={i} className="pl-3">
                  {c.title}: <b>{words(c.after)}</b>
                  <span className="text-ink-2">, was {words(c.before)}</span>
                </li>
              ))}
            </ul>
          </li>
        ))}
      </ul>
    </section>
  )
}

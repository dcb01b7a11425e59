import { Download } from 'lucide-react'
import { useEffect, useState } from 'react'
import { type ShouldRevalidateFunctionArgs, data, Link, redirect, useFetcher } from 'react-router'
import { z } from 'zod'
import { idFrom, type Program, programSchema, type TypeShape } from '../../../core/program/index.ts'
import { signedIn } from '../../../server/access/people.ts'
import { database } from '../../../server/database/connection.ts'
import {
  newestProgram,
  programAt,
  programsOf,
  programVersions,
  saveProgram,
} from '../../../server/configuration/programs.ts'
import { may, refusalOf } from '../../../server/access/rights.ts'
import { typesOf } from '../../../server/configuration/types.ts'
import { beginTrial } from '../../../server/configuration/trials.ts'
import { Overtaken as StoredMeanwhile } from '../../../server/configuration/versions.ts'
import { faultsIn, outcomesOn, packagesOf } from '../../../server/packages/program-change.ts'
import { jsonBody } from '../../../server/web/bodies.ts'
import { count } from '../../parts/format.ts'
import { loadsTheirs, Overtaken, useBasis } from '../../parts/overtaken.tsx'
import { Told } from '../../parts/told.tsx'
import { Versions } from '../../parts/versions.tsx'
import { useDraft, type Draft } from '../../program/draft.ts'
import { AskingCard } from '../../program/asking.tsx'
import { Lists } from '../../program/lists.tsx'
import { People } from '../../program/people.tsx'
import { Trial } from '../../program/trial.tsx'
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
      may: may(who, 'set up'),
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
    may: may(who, 'set up'),
  }
}

const bodySchema = z.discriminatedUnion('act', [
  z.object({ act: z.literal('save'), program: programSchema, basis: z.number().int().min(0) }),
  /** What the draft would have done to the packages there are. */
  z.object({ act: z.literal('try'), program: programSchema }),
  /** How the draft's rules come out on one package. */
  z.object({ act: z.literal('on'), program: programSchema, packageId: z.uuid() }),
  /** An earlier version becomes the newest. */
  z.object({
    act: z.literal('back'),
    version: z.number().int().positive(),
    basis: z.number().int().min(0),
  }),
])

export async function action({ request, params }: Route.ActionArgs) {
  const who = await signedIn(request)
  const sent: unknown = await jsonBody(request)
  const body = bodySchema.safeParse(sent)
  if (!body.success) return data({ problem: sentence(body.error, sent), said: null }, 400)
  if (body.data.act === 'on') {
    const outcomes = await outcomesOn(who, body.data.program, body.data.packageId)
    return outcomes
      ? { problem: null, said: null, outcomes }
      : data({ problem: 'There is no such package of this program.', said: null }, 404)
  }
  if (!may(who, 'set up')) return data({ problem: refusalOf('set up'), said: null }, 403)
  let program: Program | null
  if (body.data.act === 'back') {
    program = await programAt(database(), who.organisationId, params.id, body.data.version)
    if (!program) return data({ problem: 'There is no such version.', said: null }, 404)
  } else program = body.data.program
  const [fault] = await faultsIn(who, program)
  if (fault) return data({ problem: `In ${fault.where}: ${fault.what}.`, said: null }, 400)
  if (body.data.act === 'try') return { problem: null, said: null, trial: await beginTrial(who, program) }
  if (
    params.id === 'new'
      ? (await programsOf(database(), who.organisationId)).some((p) => p.body.id === program.id) ||
        program.id === 'new'
      : program.id !== params.id
  )
    return data({ problem: 'There is a program of that name already.', said: null }, 409)
  let version: number
  try {
    version = await saveProgram(who, program, body.data.basis)
  } catch (error) {
    if (!(error instanceof StoredMeanwhile)) throw error
    return data({ problem: error.message, said: null }, 409)
  }
  return params.id === 'new'
    ? redirect(`/programs/${program.id}`)
    : {
        problem: null,
        version,
        said: `Stored as version ${version}. Packages keep the version they were judged by; new ones are judged by this one.`,
      }
}

export const shouldRevalidate = (now: ShouldRevalidateFunctionArgs) =>
  loadsTheirs(now) || now.defaultShouldRevalidate

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

type Loaded = Route.ComponentProps['loaderData']
type Acting = ReturnType<typeof useFetcher<typeof action>>

/** A program: what it asks for, compares, adds up, and who must agree. */
export default function ProgramEditor({ loaderData }: Route.ComponentProps) {
  // What is stored begins the editor anew; what was said of storing it outlives that.
  const saving = useFetcher<typeof action>()
  const stored = saving.data && 'version' in saving.data ? saving.data.version : undefined
  const basis = useBasis(loaderData.program?.id ?? 'new', loaderData.version, stored)
  return (
    <Editor
      key={`${loaderData.program?.id ?? 'new'} ${basis.begun}`}
      saving={saving}
      basis={basis}
      {...loaderData}
    />
  )
}

const send = (fetcher: Acting, body: object) =>
  void fetcher.submit(body as Parameters<typeof fetcher.submit>[0], {
    method: 'post',
    encType: 'application/json',
  })

/** Time in ms after which what was written is tried on the chosen package. */
const PAUSE = 350

/** How a draft comes out on one package, tried anew while it is written. */
function useProof(draft: Program) {
  const [on, setOn] = useState('')
  const proving = useFetcher<typeof action>()
  const { submit: prove } = proving
  useEffect(() => {
    if (!on) return
    const timer = setTimeout(
      () =>
        void prove(
          { act: 'on', program: draft, packageId: on },
          { method: 'post', encType: 'application/json' },
        ),
      PAUSE,
    )
    return () => clearTimeout(timer)
  }, [on, draft, prove])
  return {
    on,
    setOn,
    outcomes: on && proving.data && 'outcomes' in proving.data ? proving.data.outcomes : undefined,
    problem: on ? proving.data?.problem : null,
  }
}

function Editor({
  program: stored,
  version,
  versions,
  packages,
  types,
  may,
  saving,
  basis,
}: Loaded & { saving: Acting; basis: ReturnType<typeof useBasis> }) {
  const written = useDraft(stored, types)
  const { draft, change, faults, general } = written
  const proof = useProof(draft)
  const trying = useFetcher<typeof action>()
  if (types.length === 0) return <NoTypes />
  const trial = trying.data && 'trial' in trying.data ? trying.data.trial : undefined
  return (
    <main className="mx-auto max-w-6xl p-4 pb-16">
      <Head
        written={written}
        stored={stored}
        version={version}
        begun={basis.begun}
        may={may}
        saving={saving}
        trying={trying}
      />
      <ProofOn packages={packages} on={proof.on} onChoose={proof.setOn} />
      {basis.overtaken ? <Overtaken by={versions[0]} onTake={basis.take} /> : null}
      <Told
        problem={(basis.overtaken ? null : saving.data?.problem) ?? trying.data?.problem ?? proof.problem}
        said={saving.data?.said}
      />
      {faults.length > 0 ? (
        <p className="mb-3 text-sm font-semibold text-plum">
          {count(faults.length, 'fault')} to mend before it can be stored
          {general.length ? `: ${general.map((f) => `${f.where}: ${f.what}`).join('; ')}` : ''}.
        </p>
      ) : null}
      {trial ? <Trial key={trial} id={trial} /> : null}
      <Lists draft={written} types={types} may={may} outcomes={proof.outcomes} />
      <div className="mt-6 grid gap-4 md:grid-cols-2">
        <People draft={draft} types={types} may={may} onChange={change} />
        {stored ? (
          <div className="card p-4">
            <Versions
              versions={versions}
              current={version}
              may={may}
              busy={saving.state !== 'idle'}
              onBack={(earlier) => send(saving, { act: 'back', version: earlier, basis: version })}
            />
          </div>
        ) : null}
        <AskingCard draft={draft} may={may} onChange={change} />
      </div>
    </main>
  )
}

/** A program asks for papers of types: without any there is nothing to say. */
const NoTypes = () => (
  <main className="mx-auto max-w-6xl p-4">
    <h1 className="mb-3 text-xl font-semibold">New program</h1>
    <p className="card p-6 text-ink-2">
      This desk has no document type yet that a program could ask for.{' '}
      <Link className="text-petrol underline" to="/types/new">
        Write the first from a sample
      </Link>
      , or take some from a{' '}
      <Link className="text-petrol underline" to="/starter">
        starter set
      </Link>
      .
    </p>
  </main>
)

/** The program's name, and what may be done with it. */
function Head({
  written: { draft, change, changed, faults },
  stored,
  version,
  begun,
  may,
  saving,
  trying,
}: {
  written: Draft
  stored: Program | null
  version: number
  /** The version that the draft was begun from. */
  begun: number
  may: boolean
  saving: Acting
  trying: Acting
}) {
  const bad = faults.length > 0
  return (
    <div className="mb-3 flex flex-wrap items-center gap-3">
      <input
        aria-label="Name of the program"
        className="field max-w-80 py-1 text-xl font-semibold"
        placeholder="Name of the program"
        disabled={!may}
        value={draft.title}
        onChange={({ target: { value: title } }) =>
          change({ title, id: stored ? draft.id : idFrom(title).replaceAll('_', '-') || 'new' })
        }
      />
      <span className="mr-auto text-sm text-ink-2">
        {stored
          ? begun === version
            ? `version ${version}`
            : `begun from version ${begun}`
          : 'not stored yet'}
      </span>
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
          What would this change?
        </button>
      ) : null}
      {may ? (
        <button
          type="button"
          className="button-main"
          disabled={!changed || bad || draft.title.trim() === '' || saving.state !== 'idle'}
          onClick={() => send(saving, { act: 'save', program: draft, basis: version })}
        >
          Store it
        </button>
      ) : null}
    </div>
  )
}

/** Which package a draft is tried on while it is written. */
function ProofOn({
  packages,
  on,
  onChoose,
}: {
  packages: Loaded['packages']
  on: string
  onChoose: (id: string) => void
}) {
  if (packages.length === 0) return null
  return (
    <label className="mb-3 flex items-center gap-2 text-sm">
      While you write, show how each rule comes out on
      <select className="field w-auto py-0.5" value={on} onChange={(event) => onChoose(event.target.value)}>
        <option value="">no package</option>
        {packages.map((p) => (
          <option key={p.id} value={p.id}>
            {p.caseNumber}
            {p.applicant ? `, ${p.applicant}` : ''}
          </option>
        ))}
      </select>
    </label>
  )
}

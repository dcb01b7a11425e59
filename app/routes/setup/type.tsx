import { Download } from 'lucide-react'
import { useCallback, useEffect, useRef, useState } from 'react'
import {
  data,
  Link,
  redirect,
  type ShouldRevalidateFunctionArgs,
  useFetcher,
  useNavigation,
  useSearchParams,
  useSubmit,
} from 'react-router'
import { z } from 'zod'
import { type FieldRecord, recordOf, whatIf, type WhatIf } from '../../../core/findings/index.ts'
import { type DocumentType, documentTypeSchema } from '../../../core/program/index.ts'
import { signedIn } from '../../../server/access/people.ts'
import { database } from '../../../server/database/connection.ts'
import { pastReadings } from '../../../server/configuration/field-records.ts'
import { patternsFault } from '../../../server/configuration/patterns.ts'
import { may, refusalOf } from '../../../server/access/rights.ts'
import {
  keepSample,
  newSample,
  removeSample,
  samplesOf,
  sampleState,
} from '../../../server/configuration/samples.ts'
import { learntFor, unlearn } from '../../../server/configuration/teaching.ts'
import { Overtaken as StoredMeanwhile } from '../../../server/configuration/versions.ts'
import { jsonBody } from '../../../server/web/bodies.ts'
import {
  removeType,
  saveType,
  typeAsSaved,
  typesOf,
  versionsOf,
} from '../../../server/configuration/types.ts'
import { EMPTY, isReady, withIds, withSaid, withTable } from '../../document-type/edit.ts'
import { Fields } from '../../document-type/fields.tsx'
import { Learnt } from '../../document-type/learnt.tsx'
import { Outline } from '../../document-type/outline.tsx'
import { SamplePanel, type SampleState, useReading } from '../../document-type/sample.tsx'
import { useChanges } from '../../parts/changes.ts'
import { sendFiles } from '../../parts/uploads.ts'
import { loadsTheirs, Overtaken, useBasis } from '../../parts/overtaken.tsx'
import { Told } from '../../parts/told.tsx'
import { Versions } from '../../parts/versions.tsx'
import type { Route } from './+types/type'

export const meta = ({ loaderData }: Route.MetaArgs) => [
  { title: `${loaderData?.type?.title ?? 'New type'} · Jigsa` },
]

const THRESHOLDS = Array.from({ length: 26 }, (_, i) => Math.round((0.5 + i * 0.02) * 100) / 100)

export async function loader({ request, params }: Route.LoaderArgs) {
  const who = await signedIn(request)
  const asked = new URL(request.url).searchParams.get('sample')
  const sample = asked && z.uuid().safeParse(asked).success ? await sampleState(who, asked) : null
  if (params.id === 'new')
    return {
      type: null,
      sample,
      samples: [],
      versions: [],
      learnt: [],
      records: [] as FieldRecord[],
      curves: {} as Record<string, WhatIf[]>,
      may: may(who, 'set up'),
    }
  const type = await typeAsSaved(database(), who.organisationId, params.id)
  if (!type) throw data('There is no such document type.', 404)
  const [versions, learnt, past, samples] = await Promise.all([
    versionsOf(who, type.id),
    learntFor(who, type.id),
    pastReadings(who, type.id),
    samplesOf(who, type.id),
  ])
  return {
    type,
    sample,
    samples,
    learnt,
    may: may(who, 'set up'),
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

/** A sample is read with every pause in typing, and changes nothing that this page shows besides. */
export const shouldRevalidate = (now: ShouldRevalidateFunctionArgs) =>
  now.formAction !== '/types/reading' && (loadsTheirs(now) || now.defaultShouldRevalidate)

const bodySchema = z.discriminatedUnion('act', [
  z.object({
    act: z.literal('save'),
    type: documentTypeSchema,
    sample: z.uuid().nullable().default(null),
    basis: z.number().int().min(0),
  }),
  z.object({ act: z.literal('remove') }),
  z.object({ act: z.literal('unlearn'), id: z.number().int() }),
  /** An earlier version becomes the newest. */
  z.object({
    act: z.literal('back'),
    version: z.number().int().positive(),
    basis: z.number().int().min(0),
  }),
  /** Makes room for a sample that is to be sent; takes one away. */
  z.object({ act: z.literal('sample') }),
  z.object({ act: z.literal('unsample'), id: z.uuid() }),
])
type Body = z.input<typeof bodySchema>

/** What came of an act; `sample` is the room that was made for one. */
interface Answer {
  problem: string | null
  said: string | null
  sample: string | null
  /** The version that was stored. */
  version?: number
}
const answer = (part: Partial<Answer>): Answer => ({ problem: null, said: null, sample: null, ...part })

export async function action({ request, params }: Route.ActionArgs) {
  const who = await signedIn(request)
  if (!may(who, 'set up')) return data(answer({ problem: refusalOf('set up') }), 403)
  const body = bodySchema.safeParse(await jsonBody(request))
  if (!body.success) return data(answer({ problem: sentence(body.error) }), 400)
  if (body.data.act === 'sample')
    return answer({ sample: await newSample(who, params.id === 'new' ? null : params.id) })
  if (body.data.act === 'unsample')
    return (await removeSample(who, body.data.id))
      ? answer({})
      : data(answer({ problem: 'There is no such sample any more.' }), 404)
  if (body.data.act === 'unlearn')
    return (await unlearn(who, body.data.id))
      ? answer({ said: 'Taken back. Papers that wait are read again without it.' })
      : data(answer({ problem: 'There is no such wording any more.' }), 404)
  if (body.data.act === 'remove') {
    const problem = await removeType(who, params.id)
    return problem ? data(answer({ problem }), 409) : redirect('/types')
  }
  let type: DocumentType | undefined
  if (body.data.act === 'back') {
    const { version } = body.data
    type = (await versionsOf(who, params.id)).find((v) => v.version === version)?.body
    if (!type) return data(answer({ problem: 'There is no such version.' }), 404)
  } else type = body.data.type
  const known = await typesOf(database(), who.organisationId)
  if (
    params.id === 'new' ? known.some((t) => t.id === type.id) || type.id === 'unknown' : type.id !== params.id
  )
    return data(answer({ problem: 'There is a type of that name already.' }), 409)
  const problem = patternsFault(type)
  if (problem) return data(answer({ problem }), 400)
  const { basis } = body.data
  let saved: number
  try {
    saved = await database().transaction((work) => saveType(work, who, type, { basis }))
  } catch (error) {
    if (!(error instanceof StoredMeanwhile)) throw error
    return data(answer({ problem: error.message }), 409)
  }
  const sample = body.data.act === 'save' ? body.data.sample : null
  if (sample) await keepSample(who, sample, type.id)
  return params.id === 'new'
    ? redirect(`/types/${type.id}${sample ? `?sample=${sample}` : ''}`)
    : answer({
        said: `Stored as version ${saved}. Papers of this type that wait are read again.`,
        version: saved,
      })
}

function sentence(error: z.ZodError): string {
  const issue = error.issues[0]
  return issue.code === 'custom'
    ? `${issue.message}.`
    : 'Give the type and each value a name, and at least one word that leads to it.'
}

/**
 * A document type: what names it, what it holds, how sure a value must be; what was learnt, how each value
 * did; and, while it is written, what it reads from a sample.
 */
export default function TypePage({ loaderData, actionData }: Route.ComponentProps) {
  const fetcher = useFetcher<typeof action>()
  const { type, versions } = loaderData
  const told = fetcher.data ?? actionData
  const basis = useBasis(type?.id ?? 'new', versions[0]?.version ?? 0, told?.version)
  return (
    // An earlier version that became the newest, or a type just made, is what is written on from then.
    <Editor
      key={`${type?.id} ${basis.begun}`}
      loaderData={loaderData}
      basis={basis}
      told={told}
      busy={fetcher.state !== 'idle'}
      act={(body) => void fetcher.submit(body, { method: 'post', encType: 'application/json' })}
    />
  )
}

function Editor({
  loaderData: { type: stored, versions, learnt, records, curves, may, sample, samples },
  basis,
  told,
  busy: acting,
  act,
}: {
  loaderData: Route.ComponentProps['loaderData']
  basis: ReturnType<typeof useBasis>
  told: Answer | undefined
  busy: boolean
  act: (body: Body) => void
}) {
  const [type, setType] = useState<DocumentType>(stored ?? EMPTY)
  const [looked, setLooked] = useState<string | null>(null)
  const submit = useSubmit()
  const busy = useNavigation().state !== 'idle' || acting
  const chosen = samples.find((s) => s.packageId === sample?.id)
  const pages = chosen?.pages ?? NO_PAGES
  const reading = useReading(sample, pages, type)
  const holding = useSample(sample)
  const save = () =>
    void submit(
      {
        act: 'save',
        type: stored ? type : withIds(type),
        sample: chosen?.own === false ? null : (sample?.id ?? null),
        basis: versions[0]?.version ?? 0,
      },
      { method: 'post', encType: 'application/json' },
    )
  const panel = (
    <SamplePanel
      state={sample}
      samples={samples}
      pages={pages}
      reading={reading}
      type={type}
      looked={looked}
      may={may}
      onChoose={(s) => holding.choose(s?.packageId ?? null)}
      onDrop={holding.drop}
      onRemove={(id) => {
        act({ act: 'unsample', id })
        holding.choose(null)
      }}
      onTake={(said) => setType((now) => withSaid(now, { label: said.label!, kind: said.kind }))}
      onTable={(columns) => setType((now) => withTable(now, columns))}
      onHeading={(heading) =>
        setType((now) => ({ ...now, title: now.title || heading, titles: [...now.titles, heading] }))
      }
    />
  )
  const outline = (
    <section className="card space-y-3 p-4">
      <Outline type={type} stored={stored} onChange={(part) => setType((now) => ({ ...now, ...part }))} />
      {stored && may ? (
        <button
          type="button"
          className="text-sm underline"
          disabled={busy}
          onClick={() => act({ act: 'remove' })}
        >
          Take this type away
        </button>
      ) : null}
      <div className="border-t border-line-2 pt-3 empty:hidden">
        <Versions
          versions={versions}
          current={versions[0]?.version}
          may={may}
          busy={busy}
          onBack={(version) => act({ act: 'back', version, basis: versions[0].version })}
        />
      </div>
    </section>
  )
  const values = (
    <section aria-label="Values" className="grid gap-3">
      <Fields
        type={type}
        stored={stored}
        history={{ records, curves }}
        reading={sample ? (reading?.fields ?? []) : null}
        may={may}
        onLook={setLooked}
        onChange={setType}
      />
      {stored ? (
        <Learnt
          learnt={learnt}
          titles={new Map(type.fields.map((f) => [f.name, f.title]))}
          may={may}
          busy={busy}
          onUnlearn={(id) => act({ act: 'unlearn', id })}
        />
      ) : null}
    </section>
  )
  return (
    <main className={`mx-auto p-4 ${sample ? 'max-w-[1600px]' : 'max-w-6xl'}`}>
      <div className="mb-3 flex flex-wrap items-center gap-3">
        <div className="mr-auto">
          <Link to="/types" className="text-sm text-petrol underline">
            All types
          </Link>
          <h1 className="text-xl font-semibold">{stored?.title ?? (type.title || 'New document type')}</h1>
        </div>
        {stored ? (
          <a className="button" href={`/types/${stored.id}/file`} download>
            <Download size={16} />
            Export
          </a>
        ) : null}
        {may ? (
          <button
            type="button"
            className="button-main"
            disabled={!isReady(type, stored !== null) || busy}
            onClick={save}
          >
            {stored ? 'Store as the next version' : 'Make this type'}
          </button>
        ) : (
          <span className="text-sm text-ink-2">A lead or an administrator changes types.</span>
        )}
      </div>
      {basis.overtaken ? <Overtaken by={versions[0]} onTake={basis.take} /> : null}
      <Told problem={holding.problem ?? (basis.overtaken ? null : told?.problem)} said={told?.said} />
      {sample ? (
        <div className="grid items-start gap-4 lg:grid-cols-[minmax(0,1fr)_minmax(0,0.85fr)]">
          <div className="grid gap-4">
            {values}
            {outline}
          </div>
          <div className="lg:sticky lg:top-4">{panel}</div>
        </div>
      ) : (
        <div className="grid items-start gap-4 lg:grid-cols-[320px_minmax(0,1fr)]">
          {outline}
          <div className="grid gap-4">
            {may && !stored ? panel : null}
            {values}
            {may && stored ? panel : null}
          </div>
        </div>
      )}
    </main>
  )
}

const NO_PAGES: readonly number[] = []

/** The sample that the address names: choosing another, and dropping one, which is sent once there is room for it. */
function useSample(sample: SampleState | null) {
  const [, setParams] = useSearchParams()
  const room = useFetcher<typeof action>()
  const dropped = useRef<File[]>([])
  const choose = useCallback(
    (id: string | null) => setParams(id ? { sample: id } : {}, { replace: true, preventScrollReset: true }),
    [setParams],
  )
  const made = room.data?.sample
  useEffect(() => {
    if (!made || room.state !== 'idle' || dropped.current.length === 0) return
    sendFiles(made, dropped.current)
    dropped.current = []
    choose(made)
  }, [made, room.state, choose])
  useChanges(
    sample?.id ?? null,
    sample !== null &&
      sample.problem === null &&
      (sample.sheets.length === 0 || sample.sheets.some((s) => !s.read)),
  )
  return {
    choose,
    problem: room.data?.problem,
    drop: (files: File[]) => {
      dropped.current = files
      void room.submit({ act: 'sample' } satisfies Body, { method: 'post', encType: 'application/json' })
    },
  }
}

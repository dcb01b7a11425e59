import { Download } from 'lucide-react'
import { useState } from 'react'
import { data, Link, redirect, useFetcher, useNavigation, useSubmit } from 'react-router'
import { z } from 'zod'
import { type FieldRecord, recordOf, whatIf, type WhatIf } from '../../../core/findings/index.ts'
import { type DocumentType, documentTypeSchema } from '../../../core/program/index.ts'
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
import { EMPTY, isReady, withIds } from '../../document-type/edit.ts'
import { Fields } from '../../document-type/fields.tsx'
import { Learnt } from '../../document-type/learnt.tsx'
import { Outline } from '../../document-type/outline.tsx'
import { Told } from '../../parts/told.tsx'
import { Versions } from '../../parts/versions.tsx'
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

/** A document type: what names it, what it holds, how sure a value must be; what was learnt, how each value did. */
export default function TypeEditor({
  loaderData: { type: stored, versions, learnt, records, curves, may },
  actionData,
}: Route.ComponentProps) {
  const [type, setType] = useState<DocumentType>(stored ?? EMPTY)
  const submit = useSubmit()
  const fetcher = useFetcher<typeof action>()
  const busy = useNavigation().state !== 'idle' || fetcher.state !== 'idle'
  const act = (body: z.infer<typeof bodySchema>) =>
    void fetcher.submit(body, { method: 'post', encType: 'application/json' })
  const save = () =>
    void submit(
      { act: 'save', type: stored ? type : withIds(type) },
      { method: 'post', encType: 'application/json' },
    )
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
      <Told {...(fetcher.data ?? actionData)} />
      <div className="grid items-start gap-4 lg:grid-cols-[320px_minmax(0,1fr)]">
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
              onBack={(version) => act({ act: 'back', version })}
            />
          </div>
        </section>
        <section aria-label="Values" className="grid gap-3">
          <Fields type={type} stored={stored} history={{ records, curves }} may={may} onChange={setType} />
          <Learnt
            learnt={learnt}
            titles={new Map(type.fields.map((f) => [f.name, f.title]))}
            may={may}
            busy={busy}
            onUnlearn={(id) => act({ act: 'unlearn', id })}
          />
        </section>
      </div>
    </main>
  )
}

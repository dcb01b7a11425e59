import { clsx } from 'clsx'
import { Plus } from 'lucide-react'
import { useState } from 'react'
import { data, Link, redirect } from 'react-router'
import {
  type DocumentType,
  type Loaded,
  loadType,
  unknownType,
  UnreadableFile,
} from '../../../core/program/index.ts'
import { signedIn } from '../../../server/access/people.ts'
import { database } from '../../../server/database/connection.ts'
import { patternsFault } from '../../../server/configuration/patterns.ts'
import { may, refusalOf } from '../../../server/access/rights.ts'
import { originsOf, saveType, typesOf, type Origin } from '../../../server/configuration/types.ts'
import { jsonBody } from '../../../server/web/bodies.ts'
import { count } from '../../parts/format.ts'
import { useTakeFile } from '../../parts/take-file.tsx'
import type { Route } from './+types/types'

export const meta = () => [{ title: 'Document types · Jigsa' }]

export async function loader({ request }: Route.LoaderArgs) {
  const who = await signedIn(request)
  const [types, origins] = await Promise.all([
    typesOf(database(), who.organisationId),
    originsOf(database(), who.organisationId),
  ])
  return {
    may: may(who, 'set up'),
    types: types.map((t) => ({
      id: t.id,
      title: t.title,
      fields: t.fields.length,
      signed: t.signature !== null,
      origin: origins.get(t.id) ?? 'own',
    })),
  }
}

/** Takes a type in as it was exported. */
export async function action({ request }: Route.ActionArgs) {
  const who = await signedIn(request)
  if (!may(who, 'set up')) return data({ problem: refusalOf('set up') }, 403)
  let loaded: Loaded<DocumentType>
  try {
    loaded = loadType(await jsonBody(request))
  } catch (error) {
    if (error instanceof UnreadableFile) return data({ problem: error.message }, 400)
    throw error
  }
  if (loaded.value.id === unknownType.id)
    return data({ problem: 'Papers of no known type cannot be made a type of that name.' }, 400)
  const problem = patternsFault(loaded.value)
  if (problem) return data({ problem }, 400)
  await database().transaction((work) => saveType(work, who, loaded.value, { assumed: loaded.assumed }))
  return redirect(`/types/${loaded.value.id}`)
}

const ORIGIN: Record<Origin, string> = { own: 'your own', changed: 'changed', starter: 'starter set' }

/** All document types: what each asks for, and whose it is. */
export default function Types({ loaderData: { types, may } }: Route.ComponentProps) {
  const file = useTakeFile('A type’s file', 'document type')
  const [words, setWords] = useState('')
  const shown = types.filter((t) => t.title.toLowerCase().includes(words.trim().toLowerCase()))
  return (
    <main className="mx-auto max-w-4xl p-4">
      <div className="mb-3 flex flex-wrap items-center gap-3">
        <h1 className="mr-auto text-xl font-semibold">
          Document types <span className="font-normal text-ink-2">{types.length}</span>
        </h1>
        <input
          aria-label="Find a type"
          className="field w-56 py-1.5"
          placeholder="Some letters of its name"
          value={words}
          onChange={(event) => setWords(event.target.value)}
        />
        {may ? (
          <>
            {file.button}
            <Link to="/types/new" className="button-main">
              <Plus size={16} />
              New type
            </Link>
          </>
        ) : null}
      </div>
      {file.problem ? (
        <p role="alert" className="odd-edge mb-3 rounded-md border border-line bg-sheet px-3 py-2">
          {file.problem}
        </p>
      ) : null}
      <ul className="grid gap-px overflow-hidden rounded-lg border border-line bg-line-2 sm:grid-cols-2">
        {shown.map((t) => (
          <li key={t.id} className="flex items-baseline gap-3 bg-sheet px-4 py-2">
            <Link
              to={`/types/${t.id}`}
              className="min-w-0 flex-1 truncate font-semibold text-petrol underline-offset-2 hover:underline"
            >
              {t.title}
            </Link>
            <span className="text-[13px] whitespace-nowrap text-ink-2">
              {count(t.fields, 'value')}
              {t.signed ? ', signature' : ''}
            </span>
            <span
              className={clsx(
                'w-16 text-right text-[13px] whitespace-nowrap',
                t.origin === 'starter' ? 'text-ink-3' : 'text-petrol',
              )}
            >
              {ORIGIN[t.origin]}
            </span>
          </li>
        ))}
      </ul>
      {shown.length === 0 ? (
        <p className="card p-6 text-center text-ink-2">No type has these letters.</p>
      ) : null}
    </main>
  )
}

import { Plus } from 'lucide-react'
import { data, Link, redirect } from 'react-router'
import { loadProgram, type Program, UnreadableFile } from '../../../core/program/index.ts'
import { signedIn } from '../../../server/access/people.ts'
import { database } from '../../../server/database/connection.ts'
import { programsOf, saveProgram } from '../../../server/configuration/programs.ts'
import { faultsIn } from '../../../server/packages/program-change.ts'
import { may, refusalOf } from '../../../server/access/rights.ts'
import { jsonBody } from '../../../server/web/bodies.ts'
import { count } from '../../parts/format.ts'
import { useTakeFile } from '../../parts/take-file.tsx'
import type { Route } from './+types/programs'

export const meta = () => [{ title: 'Programs · Jigsa' }]

export async function loader({ request }: Route.LoaderArgs) {
  const who = await signedIn(request)
  const programs = await programsOf(database(), who.organisationId)
  return {
    may: may(who, 'set up'),
    programs: programs.map(({ body, version, began }) => ({
      id: body.id,
      title: body.title,
      version,
      requirements: body.requirements.length,
      facts: body.facts.length,
      checks: body.checks.length,
      own: !began,
    })),
  }
}

/** Takes a program in as it was exported. */
export async function action({ request }: Route.ActionArgs) {
  const who = await signedIn(request)
  if (!may(who, 'set up')) return data({ problem: refusalOf('set up') }, 403)
  let program: Program
  try {
    program = loadProgram(await jsonBody(request)).value
  } catch (error) {
    if (error instanceof UnreadableFile) return data({ problem: error.message }, 400)
    throw error
  }
  const [fault] = await faultsIn(who, program)
  if (fault)
    return data({ problem: `This program cannot be used. In its ${fault.where}: ${fault.what}.` }, 400)
  await saveProgram(who, program)
  return redirect(`/programs/${program.id}`)
}

/** All programs: what each asks for and checks. */
export default function Programs({ loaderData: { programs, may } }: Route.ComponentProps) {
  const file = useTakeFile('A program’s file', 'program')
  return (
    <main className="mx-auto max-w-4xl p-4">
      <div className="mb-3 flex flex-wrap items-center gap-3">
        <h1 className="mr-auto text-xl font-semibold">
          Programs <span className="font-normal text-ink-2">{programs.length}</span>
        </h1>
        {may ? (
          <>
            {file.button}
            <Link to="/programs/new" className="button-main">
              <Plus size={16} />
              New program
            </Link>
          </>
        ) : null}
      </div>
      <p className="mb-3 text-sm text-ink-2">
        A program says what is asked for, what is compared and what is added up. Its file is described by a{' '}
        <a className="text-petrol underline" href="/programs/schema.json">
          JSON Schema
        </a>
        .
      </p>
      {file.problem ? (
        <p role="alert" className="odd-edge mb-3 rounded-md border border-line bg-sheet px-3 py-2">
          {file.problem}
        </p>
      ) : null}
      <ul className="grid gap-px overflow-hidden rounded-lg border border-line bg-line-2">
        {programs.map((p) => (
          <li key={p.id} className="flex flex-wrap items-baseline gap-x-4 bg-sheet px-4 py-2">
            <Link
              to={`/programs/${p.id}`}
              className="min-w-40 flex-1 font-semibold text-petrol underline-offset-2 hover:underline"
            >
              {p.title}
            </Link>
            <span className="text-[13px] text-ink-2">
              {count(p.requirements, 'requirement')}, {count(p.facts, 'fact')}, {count(p.checks, 'check')}
            </span>
            <span className="w-24 text-right text-[13px] text-ink-2">version {p.version}</span>
            <span
              className={`w-16 text-right text-[13px] ${p.own || p.version > 1 ? 'text-petrol' : 'text-ink-3'}`}
            >
              {p.own ? 'your own' : p.version > 1 ? 'changed' : 'built in'}
            </span>
          </li>
        ))}
      </ul>
    </main>
  )
}

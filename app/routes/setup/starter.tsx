import { useState } from 'react'
import { data, Link, useFetcher } from 'react-router'
import { z } from 'zod'
import { signedIn } from '../../../server/access/people.ts'
import { programsOf } from '../../../server/configuration/programs.ts'
import { registersOf } from '../../../server/configuration/registers.ts'
import { may, refusalOf } from '../../../server/access/rights.ts'
import {
  type Chosen,
  starterSets,
  takeStarter,
  typesSpokenOf,
} from '../../../server/configuration/starter.ts'
import { typesOf } from '../../../server/configuration/types.ts'
import { database } from '../../../server/database/connection.ts'
import { jsonBody } from '../../../server/web/bodies.ts'
import { count } from '../../parts/format.ts'
import { Told } from '../../parts/told.tsx'
import type { Route } from './+types/starter'

export const meta = () => [{ title: 'Starter sets · Jigsa' }]

export async function loader({ request }: Route.LoaderArgs) {
  const who = await signedIn(request)
  const [sets, types, programs, registers] = await Promise.all([
    starterSets(),
    typesOf(database(), who.organisationId),
    programsOf(database(), who.organisationId),
    registersOf(who.organisationId),
  ])
  const named = (all: readonly { id: string; title: string }[]) => all.map(({ id, title }) => ({ id, title }))
  return {
    may: may(who, 'set up'),
    administrator: may(who, 'say how papers are written'),
    has: {
      types: types.map((t) => t.id),
      programs: programs.map((p) => p.body.id),
      registers: registers.map((r) => r.id),
    },
    sets: sets.map((set) => ({
      id: set.id,
      lender: set.lender,
      types: named(set.types),
      registers: named(set.registers),
      programs: set.programs.map(({ id, title }) => ({ id, title, needs: typesSpokenOf(set, [id]) })),
    })),
  }
}

const ids = z.array(z.string().max(80)).max(1000)
const bodySchema = z.object({
  set: z.string().max(80),
  chosen: z.object({ types: ids, programs: ids, registers: ids, lender: z.boolean() }),
})

export async function action({ request }: Route.ActionArgs) {
  const who = await signedIn(request)
  if (!may(who, 'set up')) return data({ problem: refusalOf('set up'), said: null }, 403)
  const body = bodySchema.safeParse(await jsonBody(request))
  const set = body.success ? (await starterSets()).find((s) => s.id === body.data.set) : undefined
  if (!body.success || !set) return data({ problem: 'There is no such starter set.', said: null }, 400)
  const { chosen } = body.data
  if (chosen.lender && !may(who, 'say how papers are written'))
    return data({ problem: refusalOf('say how papers are written'), said: null }, 403)
  // A program whose types are not there would ask for papers that nothing is known by.
  const types = [...new Set([...chosen.types, ...typesSpokenOf(set, chosen.programs)])]
  await database().transaction((work) =>
    takeStarter(work, who, who.organisationId, set, { ...chosen, types }),
  )
  return { problem: null, said: 'Taken. They are yours to change from now on.' }
}

type Set = Route.ComponentProps['loaderData']['sets'][number]

/** Sets of types, programs and registers that an organisation may begin with: all, some or none of each. */
export default function Starter({ loaderData: { sets, has, may, administrator } }: Route.ComponentProps) {
  const fetcher = useFetcher<typeof action>()
  const [open, setOpen] = useState(sets[0]?.id)
  const set = sets.find((s) => s.id === open)
  return (
    <main className="mx-auto max-w-4xl p-4">
      <h1 className="mb-1 text-xl font-semibold">Starter sets</h1>
      <p className="mb-4 text-ink-2">
        Types and programs of made-up lenders, to begin with. What you take becomes this desk’s own; papers
        here are read by this desk’s types alone. You can as well take nothing and{' '}
        <Link className="text-petrol underline" to="/types/new">
          write a type from a sample
        </Link>
        .
      </p>
      <Told {...fetcher.data} />
      {sets.length === 0 ? (
        <p className="card p-6 text-center text-ink-2">No starter set is installed.</p>
      ) : null}
      <div className="mb-3 flex flex-wrap gap-2" role="group" aria-label="Starter sets">
        {sets.map((s) => (
          <button
            key={s.id}
            type="button"
            aria-pressed={s.id === open}
            className={s.id === open ? 'button border-petrol bg-petrol-soft font-semibold' : 'button'}
            onClick={() => setOpen(s.id)}
          >
            {s.lender.name}
          </button>
        ))}
      </div>
      {set ? (
        <Choose
          key={set.id}
          set={set}
          has={has}
          may={may}
          administrator={administrator}
          busy={fetcher.state !== 'idle'}
          onTake={(chosen) =>
            void fetcher.submit(
              {
                set: set.id,
                chosen: {
                  ...chosen,
                  types: [...chosen.types],
                  programs: [...chosen.programs],
                  registers: [...chosen.registers],
                },
              },
              { method: 'post', encType: 'application/json' },
            )
          }
        />
      ) : null}
    </main>
  )
}

const KINDS = [
  ['programs', 'Programs'],
  ['types', 'Document types'],
  ['registers', 'Registers'],
] as const

function Choose({
  set,
  has,
  may,
  administrator,
  busy,
  onTake,
}: {
  set: Set
  has: Route.ComponentProps['loaderData']['has']
  may: boolean
  administrator: boolean
  busy: boolean
  onTake: (chosen: Chosen) => void
}) {
  const [chosen, setChosen] = useState<Chosen>({ types: [], programs: [], registers: [], lender: false })
  const needed = new Set(set.programs.flatMap((p) => (chosen.programs.includes(p.id) ? p.needs : [])))
  const is = (kind: (typeof KINDS)[number][0], id: string) =>
    chosen[kind].includes(id) || (kind === 'types' && needed.has(id))
  const flip = (kind: (typeof KINDS)[number][0], id: string) =>
    setChosen({
      ...chosen,
      [kind]: chosen[kind].includes(id) ? chosen[kind].filter((c) => c !== id) : [...chosen[kind], id],
    })
  const fresh = KINDS.reduce(
    (sum, [kind]) => sum + set[kind].filter((one) => is(kind, one.id) && !has[kind].includes(one.id)).length,
    0,
  )
  const { country, currency } = set.lender
  return (
    <fieldset disabled={!may || busy} className="grid gap-4">
      <div className="flex flex-wrap gap-3">
        <button
          type="button"
          className="button"
          onClick={() =>
            setChosen({
              types: set.types.map((t) => t.id),
              programs: set.programs.map((p) => p.id),
              registers: set.registers.map((r) => r.id),
              lender: administrator,
            })
          }
        >
          Choose all
        </button>
        <button
          type="button"
          className="button"
          onClick={() => setChosen({ types: [], programs: [], registers: [], lender: false })}
        >
          Choose none
        </button>
        <button
          type="button"
          className="button-main"
          disabled={fresh === 0 && !chosen.lender}
          onClick={() => onTake(chosen)}
        >
          Take {fresh === 0 ? 'what is chosen' : `${count(fresh, 'chosen thing')}`}
        </button>
      </div>
      {KINDS.map(([kind, title]) => (
        <fieldset key={kind} className="card p-4">
          <legend className="font-semibold">{title}</legend>
          <div className="grid gap-x-4 gap-y-1 sm:grid-cols-2">
            {set[kind].map((one) => {
              const there = has[kind].includes(one.id)
              return (
                <label key={one.id} className="flex items-center gap-2">
                  <input
                    type="checkbox"
                    className="accent-(--petrol)"
                    disabled={there || (kind === 'types' && needed.has(one.id))}
                    checked={there || is(kind, one.id)}
                    onChange={() => flip(kind, one.id)}
                  />
                  {one.title}
                  {there ? <span className="text-[13px] text-ink-3">you have one of this name</span> : null}
                </label>
              )
            })}
          </div>
        </fieldset>
      ))}
      {administrator ? (
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="accent-(--petrol)"
            checked={chosen.lender}
            onChange={(event) => setChosen({ ...chosen, lender: event.target.checked })}
          />
          Papers here are written as there, too: {country ?? 'from anywhere'}, {currency}
        </label>
      ) : null}
      {may ? null : <p className="text-ink-2">A lead or an administrator takes a starter set.</p>}
    </fieldset>
  )
}

import { Plus } from 'lucide-react'
import { data, Link, useFetcher } from 'react-router'
import { z } from 'zod'
import { signedIn } from '../../../server/access/people.ts'
import {
  countedRegisters,
  factsOf,
  loadRegister,
  UnusableRegister,
} from '../../../server/configuration/registers.ts'
import { may, refusalOf } from '../../../server/access/rights.ts'
import { jsonBody } from '../../../server/web/bodies.ts'
import { count } from '../../parts/format.ts'
import { CSV, PickFile } from '../../parts/pick-file.tsx'
import { Told } from '../../parts/told.tsx'
import type { Route } from './+types/registers'
import { MOST_CSV, takenIn } from './register-words.ts'

export const meta = () => [{ title: 'Registers · Jigsa' }]

export async function loader({ request }: Route.LoaderArgs) {
  const who = await signedIn(request)
  const [registers, facts] = await Promise.all([
    countedRegisters(who.organisationId),
    factsOf(who.organisationId),
  ])
  const titles = new Map(facts.map((f) => [f.id, f.title]))
  const told = takenSchema.safeParse(Object.fromEntries(new URL(request.url).searchParams))
  return {
    may: may(who, 'set up'),
    /** What came of storing a new one. */
    taken: told.success ? told.data : null,
    registers: registers.map(({ register, rows, outside }) => ({
      id: register.id,
      title: register.title,
      rows,
      outside,
      says: register.columns.flatMap(({ fact }) => (fact ? [titles.get(fact) ?? fact] : [])),
    })),
  }
}

const takenSchema = z.object({
  entries: z.coerce.number().int().min(0),
  unread: z.coerce.number().int().min(0),
})
const bodySchema = z.object({ id: z.string().max(60), csv: z.string().max(MOST_CSV) })

export async function action({ request }: Route.ActionArgs) {
  const who = await signedIn(request)
  if (!may(who, 'set up')) return data({ problem: refusalOf('set up'), said: null }, 403)
  const body = bodySchema.safeParse(await jsonBody(request))
  if (!body.success) return data({ problem: 'The file is too large, or is no text.', said: null }, 400)
  try {
    return { problem: null, said: takenIn(await loadRegister(who, body.data.id, body.data.csv)) }
  } catch (error) {
    if (error instanceof UnusableRegister) return data({ problem: error.message, said: null }, 400)
    throw error
  }
}

/** Registers outside that papers are compared with: what each says, how many entries, and taking them in. */
export default function Registers({ loaderData: { registers, may, taken } }: Route.ComponentProps) {
  const fetcher = useFetcher<typeof action>()
  return (
    <main className="mx-auto max-w-4xl p-4">
      <div className="mb-1 flex flex-wrap items-center gap-3">
        <h1 className="mr-auto text-xl font-semibold">Registers</h1>
        {may ? (
          <Link to="/registers/new" className="button-main">
            <Plus size={16} />
            New register
          </Link>
        ) : null}
      </div>
      <p className="mb-4 text-ink-2">
        What papers say is looked up here: by number, else by likeness of the name. The facts of a package
        show what a register says beside the papers; it confirms, completes or differs, and changes nothing by
        itself.
      </p>
      <Told {...(fetcher.data ?? { said: taken && takenIn(taken) })} />
      {registers.length === 0 ? (
        <p className="card p-6 text-center text-ink-2">
          No register yet. A list of customers, employers or whatever papers can be held against, as CSV from
          a spreadsheet, makes one.
        </p>
      ) : null}
      <ul className="grid gap-2">
        {registers.map((r) => (
          <li key={r.id} className="card flex flex-wrap items-center gap-x-4 gap-y-2 px-4 py-3">
            <span className="min-w-0 flex-1">
              <Link
                to={`/registers/${r.id}`}
                className="font-semibold text-petrol underline-offset-2 hover:underline"
              >
                {r.title}
              </Link>{' '}
              <span className="text-ink-2">
                {r.outside
                  ? 'asked over the network'
                  : r.rows === 0
                    ? 'no entries yet'
                    : count(r.rows, 'entry', 'entries')}
              </span>
              <span className="block text-[13px] text-ink-2">Says {r.says.join(', ')}</span>
            </span>
            {may && !r.outside ? (
              <PickFile
                label={`Entries of ${r.title}`}
                accept={CSV}
                disabled={fetcher.state !== 'idle'}
                onPick={(file) =>
                  void file
                    .text()
                    .then((csv) =>
                      fetcher.submit({ id: r.id, csv }, { method: 'post', encType: 'application/json' }),
                    )
                }
              >
                Take in from CSV
              </PickFile>
            ) : null}
          </li>
        ))}
      </ul>
    </main>
  )
}

import { Download } from 'lucide-react'
import { Link } from 'react-router'
import { z } from 'zod'
import { signedIn } from '../../../server/access/people.ts'
import { demand } from '../../../server/access/rights.ts'
import { actsOf } from '../../../server/audit.ts'
import { moment } from '../../parts/format.ts'
import type { Route } from './+types/trail'

export const meta = () => [{ title: 'Trail · Jigsa' }]

const SHOWN = 100
const querySchema = z.object({ before: z.coerce.number().int().positive().nullable().catch(null) })

export async function loader({ request }: Route.LoaderArgs) {
  const who = await signedIn(request)
  demand(who, 'see the trail')
  const { before } = querySchema.parse(Object.fromEntries(new URL(request.url).searchParams))
  const acts = await actsOf(who.organisationId, before, SHOWN + 1)
  return { before, acts: acts.slice(0, SHOWN), older: acts.length > SHOWN ? acts[SHOWN - 1].id : null }
}

/** All acts of an organisation, the newest first: sign-ins, looks at packages, answers, changes, what went out. */
export default function Trail({ loaderData: { acts, before, older } }: Route.ComponentProps) {
  return (
    <main className="mx-auto max-w-5xl p-4">
      <div className="mb-1 flex flex-wrap items-center gap-3">
        <h1 className="mr-auto text-xl font-semibold">Trail</h1>
        <a className="button" href="/trail.csv" download>
          <Download size={16} />
          As a table
        </a>
      </div>
      <p className="mb-4 text-ink-2">
        Who did what, in the order in which it was done. Nothing of it can be changed or taken away here.
      </p>
      {acts.length === 0 ? (
        <p className="card p-8 text-center text-ink-2">Nothing further back.</p>
      ) : (
        <ol className="grid gap-px overflow-hidden rounded-lg border border-line bg-line-2">
          {acts.map((act) => (
            <li
              key={act.id}
              className="grid gap-x-4 bg-sheet px-3 py-1.5 sm:grid-cols-[170px_150px_130px_1fr]"
            >
              <time suppressHydrationWarning className="text-sm text-ink-2">
                {moment(act.at)}
              </time>
              <span className="truncate text-sm font-semibold">{act.userName}</span>
              {act.packageId ? (
                <Link
                  to={`/packages/${act.packageId}/history`}
                  className="text-sm text-petrol underline-offset-2 hover:underline"
                >
                  {act.caseNumber ?? 'erased package'}
                </Link>
              ) : (
                <span className="text-sm text-ink-2">the desk</span>
              )}
              <span className="min-w-0">
                {act.act}
                {act.detail ? <span className="break-words text-ink-2">: {act.detail}</span> : null}
              </span>
            </li>
          ))}
        </ol>
      )}
      <nav className="mt-3 flex gap-3">
        {before ? (
          <Link className="button" to="/trail">
            The newest
          </Link>
        ) : null}
        {older ? (
          <Link className="button" to={`/trail?before=${older}`}>
            Further back
          </Link>
        ) : null}
      </nav>
    </main>
  )
}

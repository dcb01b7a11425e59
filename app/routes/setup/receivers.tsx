import { Plus } from 'lucide-react'
import { Link } from 'react-router'
import { signedIn } from '../../../server/access/people.ts'
import { may } from '../../../server/access/rights.ts'
import { database } from '../../../server/database/connection.ts'
import { receiversOf } from '../../../server/handover/receivers.ts'
import { CONTENT_WORDS } from '../../parts/handing-over.ts'
import type { Route } from './+types/receivers'

export const meta = () => [{ title: 'Receivers · Jigsa' }]

export async function loader({ request }: Route.LoaderArgs) {
  const who = await signedIn(request)
  return { may: may(who, 'set up'), receivers: await receiversOf(database(), who.organisationId) }
}

/** Whom finished packages go to, and how each wants them. */
export default function Receivers({ loaderData: { receivers, may } }: Route.ComponentProps) {
  return (
    <main className="mx-auto max-w-4xl p-4">
      <div className="mb-1 flex flex-wrap items-center gap-3">
        <h1 className="mr-auto text-xl font-semibold">Receivers</h1>
        {may ? (
          <Link to="/receivers/new" className="button-main">
            <Plus size={16} />
            New receiver
          </Link>
        ) : null}
      </div>
      <p className="mb-4 text-ink-2">
        Whom packages are handed over to: in which order, under which names and in which forms. Everything as
        it lies in the package can always be had, too.
      </p>
      {receivers.length === 0 ? (
        <p className="card p-4 text-ink-2">
          None is described yet.{' '}
          {may ? 'A name, a pattern for files and what goes out are enough.' : 'A lead describes them.'}
        </p>
      ) : (
        <ul className="card divide-y divide-line-2">
          {receivers.map(({ id, title, pattern, contents, envelope }) => (
            <li key={id}>
              <Link
                to={`/receivers/${id}`}
                className="flex flex-wrap items-baseline gap-x-4 gap-y-1 px-4 py-3 hover:bg-raised"
              >
                <b className="min-w-40">{title}</b>
                <span className="font-mono text-sm">{pattern}</span>
                <span className="ml-auto text-sm text-ink-2">
                  {contents.map((c) => CONTENT_WORDS[c].short).join(', ')} in a{' '}
                  {envelope === 'zip' ? 'ZIP' : 'bag'}
                </span>
              </Link>
            </li>
          ))}
        </ul>
      )}
    </main>
  )
}

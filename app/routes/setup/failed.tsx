import { data, Link, useFetcher } from 'react-router'
import { z } from 'zod'
import { signedIn } from '../../../server/access/people.ts'
import { demand } from '../../../server/access/rights.ts'
import { failuresOf, settleFailure } from '../../../server/jobs/failed.ts'
import { Refused } from '../../../server/packages/states.ts'
import { jsonBody } from '../../../server/web/bodies.ts'
import { moment } from '../../parts/format.ts'
import { Told } from '../../parts/told.tsx'
import type { Route } from './+types/failed'

export const meta = () => [{ title: 'Failed work · Jigsa' }]

export async function loader({ request }: Route.LoaderArgs) {
  const who = await signedIn(request)
  demand(who, 'machine')
  const failures = await failuresOf(who.organisationId)
  return {
    failures: failures.map(({ payload, ...failure }) => ({
      ...failure,
      page: (payload as { number?: number }).number ?? null,
    })),
  }
}

const bodySchema = z.object({ id: z.number().int().positive(), again: z.boolean() })

export async function action({ request }: Route.ActionArgs) {
  const who = await signedIn(request)
  demand(who, 'machine')
  const body = bodySchema.safeParse(await jsonBody(request))
  if (!body.success)
    return data({ problem: 'That could not be understood; load the page again.', said: null }, 400)
  try {
    await settleFailure(who, body.data.id, body.data.again)
    return { problem: null, said: body.data.again ? 'It is being done again.' : 'It is let be.' }
  } catch (error) {
    if (error instanceof Refused) return data({ problem: error.message, said: null }, 409)
    throw error
  }
}

const WORK: Record<string, string> = {
  open_file: 'Opening a file',
  read_page: 'Reading a page',
  read_page_again: 'Reading a page that was turned',
  judge_package: 'Checking a package',
  glance_at_page: 'Drawing a small picture',
  draw_page: 'Drawing a large picture',
  read_type_again: 'Reading papers of a type again',
  learn: 'Making a lesson',
}

/** Work that failed for good: what, on what, why; to be done again or let be. */
export default function Failed({ loaderData: { failures } }: Route.ComponentProps) {
  const fetcher = useFetcher<typeof action>()
  const send = (id: number, again: boolean) =>
    void fetcher.submit({ id, again }, { method: 'post', encType: 'application/json' })
  const busy = fetcher.state !== 'idle'
  return (
    <main className="mx-auto max-w-5xl p-4">
      <h1 className="mb-1 text-xl font-semibold">
        Failed work <span className="font-normal text-ink-2">{failures.length}</span>
      </h1>
      <p className="mb-4 text-ink-2">
        What was tried five times, or ended what ran it, and was given up. Its packages are open all the same;
        they say what lacks.
      </p>
      <Told {...fetcher.data} />
      {failures.length === 0 ? (
        <p className="card p-8 text-center text-ink-2">Nothing has failed.</p>
      ) : (
        <ul className="grid gap-px overflow-hidden rounded-lg border border-line bg-line-2">
          {failures.map((f) => (
            <li key={f.id} className="flex flex-wrap items-center gap-x-4 gap-y-1 bg-sheet px-4 py-2">
              <span className="min-w-52 flex-1">
                <b>{WORK[f.task] ?? f.task}</b>
                {f.page ? ` (page ${f.page})` : ''}
                <span className="block font-mono text-[13px] break-words text-ink-2">{f.error}</span>
              </span>
              {f.packageId ? (
                <Link to={`/packages/${f.packageId}/files`} className="w-32 text-petrol underline">
                  {f.caseNumber}
                </Link>
              ) : (
                <span className="w-32 text-ink-2">the desk</span>
              )}
              <time suppressHydrationWarning className="w-40 text-sm text-ink-2">
                {moment(f.at)}
              </time>
              <button type="button" className="button" disabled={busy} onClick={() => send(f.id, true)}>
                Again
              </button>
              <button type="button" className="button" disabled={busy} onClick={() => send(f.id, false)}>
                Let it be
              </button>
            </li>
          ))}
        </ul>
      )}
    </main>
  )
}

import { useEffect } from 'react'
import { Link, useFetcher } from 'react-router'
import type { loader } from '../routes/setup/trial.ts'
import { count } from '../parts/format.ts'

/** Milliseconds between two looks at how far it is. */
const LOOK_MS = 700

/** What a draft would have done to the packages there are; it fills while they are judged. */
export function Trial({ id }: { id: string }) {
  const { data: trial, load, state } = useFetcher<typeof loader>({ key: `trial ${id}` })
  const going = !trial || trial.state === 'trying'
  useEffect(() => {
    if (!going || state !== 'idle') return
    const timer = setTimeout(() => void load(`/trials/${id}`), trial ? LOOK_MS : 0)
    return () => clearTimeout(timer)
  }, [going, state, load, id, trial])
  return (
    <section aria-label="What this would change" role="status" className="card mb-4 p-4">
      <h2 className="font-semibold">{trial ? headOf(trial) : 'Judging the packages by this …'}</h2>
      {trial?.state === 'trying' && trial.packages !== null ? (
        <progress
          className="mt-2 block h-1.5 w-full appearance-none overflow-hidden rounded [&::-moz-progress-bar]:bg-petrol [&::-webkit-progress-bar]:bg-line-2 [&::-webkit-progress-value]:bg-petrol"
          value={trial.tried}
          max={trial.packages}
        />
      ) : null}
      {trial?.state === 'done' && trial.tried === 0 ? (
        <p className="text-sm text-ink-2">No package of this program was judged yet.</p>
      ) : null}
      <ul className="mt-2 grid max-h-80 gap-2 overflow-auto text-sm">
        {trial?.differing.map((d) => (
          <li key={d.packageId} className="border-t border-line-2 pt-1.5">
            <Link className="font-mono text-petrol underline" to={`/packages/${d.packageId}/checklist`}>
              {d.caseNumber}
            </Link>{' '}
            {d.applicant}
            {d.state === 'finished' ? <span className="text-ink-2"> · finished</span> : null}
            <ul>
              {d.changes.map((c, i) => (
                <li key={i} className="pl-3">
                  {c.title}: <b>{inWords(c.after)}</b>
                  <span className="text-ink-2">, was {inWords(c.before)}</span>
                </li>
              ))}
            </ul>
          </li>
        ))}
      </ul>
    </section>
  )
}

const inWords = (state: string): string => state.replaceAll('_', ' ')

function headOf({
  state,
  packages,
  tried,
  differing,
}: {
  state: string
  packages: number | null
  tried: number
  differing: readonly unknown[]
}): string {
  if (state === 'failed') return 'It could not be tried; please try it again'
  if (state === 'trying')
    return packages === null
      ? 'Waiting for a worker to judge the packages by this …'
      : `${tried} of ${count(packages, 'package')} judged by this, ${differing.length} with another verdict`
  return differing.length === 0
    ? `It would change nothing on ${count(tried, 'package')}`
    : `It would change the verdict on ${differing.length} of ${count(tried, 'package')}`
}

import { useEffect, useState } from 'react'
import { Link } from 'react-router'
import type { trialState } from '../../server/configuration/trials.ts'
import { count } from '../parts/format.ts'

/** Milliseconds between two looks at how far it is. */
const LOOK_MS = 700

type TrialState = NonNullable<Awaited<ReturnType<typeof trialState>>>

/**
 * How far a trial is. Asked for beside the page's own loading: an answer that does not come must not take away the page
 * with what is written on it.
 */
function useTrial(id: string): TrialState | null {
  const [trial, setTrial] = useState<TrialState | null>(null)
  useEffect(() => {
    const stop = new AbortController()
    let timer: ReturnType<typeof setTimeout>
    const look = async () => {
      const answer = await fetch(`/trials/${id}`, { signal: stop.signal }).catch(() => null)
      if (stop.signal.aborted) return
      // Another took its place, or it was tried too long ago.
      if (answer?.status === 404) return setTrial((last) => last && { ...last, state: 'failed' })
      const found = answer?.ok ? ((await answer.json()) as TrialState) : null
      if (found) setTrial(found)
      if (found?.state !== 'done' && found?.state !== 'failed') timer = setTimeout(() => void look(), LOOK_MS)
    }
    void look()
    return () => {
      stop.abort()
      clearTimeout(timer)
    }
  }, [id])
  return trial
}

/** What a draft would have done to the packages there are; it fills while they are judged. */
export function Trial({ id }: { id: string }) {
  const trial = useTrial(id)
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

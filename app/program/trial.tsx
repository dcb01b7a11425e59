import { Link } from 'react-router'
import { count } from '../parts/format.ts'

/** What a draft would have done to the packages there are. */
export function Trial({
  trial,
}: {
  trial: {
    tried: number
    differing: {
      packageId: string
      caseNumber: string
      applicant: string | null
      state: string
      changes: { title: string; before: string; after: string }[]
    }[]
  }
}) {
  const words = (state: string) => state.replaceAll('_', ' ')
  return (
    <section aria-label="What this would change" role="status" className="card mb-4 p-4">
      <h2 className="font-semibold">
        {trial.differing.length === 0
          ? `It would change nothing on ${count(trial.tried, 'package')}`
          : `It would change the verdict on ${trial.differing.length} of ${count(trial.tried, 'package')}`}
      </h2>
      {trial.tried === 0 ? (
        <p className="text-sm text-ink-2">No package of this program was judged yet.</p>
      ) : null}
      <ul className="mt-2 grid max-h-80 gap-2 overflow-auto text-sm">
        {trial.differing.map((d) => (
          <li key={d.packageId} className="border-t border-line-2 pt-1.5">
            <Link className="font-mono text-petrol underline" to={`/packages/${d.packageId}/checklist`}>
              {d.caseNumber}
            </Link>{' '}
            {d.applicant}
            {d.state === 'finished' ? <span className="text-ink-2"> · finished</span> : null}
            <ul>
              {d.changes.map((c, i) => (
                <li key={i} className="pl-3">
                  {c.title}: <b>{words(c.after)}</b>
                  <span className="text-ink-2">, was {words(c.before)}</span>
                </li>
              ))}
            </ul>
          </li>
        ))}
      </ul>
    </section>
  )
}

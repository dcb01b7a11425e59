import { Link } from 'react-router'
import type { learntFor } from '../../server/configuration/teaching.ts'
import { count, moment } from '../parts/format.ts'

type LearntLabel = Awaited<ReturnType<typeof learntFor>>[number]
type Titles = ReadonlyMap<string, string>

/** The wordings learnt for a type: from whom, on which paper, and what each changed. */
export function Learnt({
  learnt,
  titles,
  may,
  busy,
  onUnlearn,
}: {
  learnt: readonly LearntLabel[]
  titles: Titles
  may: boolean
  busy: boolean
  onUnlearn: (id: number) => void
}) {
  return (
    <div className="card p-4">
      <h2 className="font-semibold">Learnt from answers</h2>
      {learnt.length === 0 ? (
        <p className="text-sm text-ink-2">
          Nothing yet. Where a value is shown or confirmed on a paper, the wording beside it is learnt for all
          papers of this type.
        </p>
      ) : (
        <ul className="mt-2 grid gap-3 text-sm">
          {learnt.map((label) => (
            <li key={label.id} className="border-t border-line-2 pt-2">
              <span className="flex flex-wrap items-baseline gap-2">
                <b>“{label.wording}”</b> {label.skips ? 'begins no row of' : 'leads to'}{' '}
                {titles.get(label.field) ?? label.field}
                <Origin label={label} />
                {may ? (
                  <button
                    type="button"
                    className="button px-2 py-0.5"
                    disabled={busy}
                    onClick={() => onUnlearn(label.id)}
                  >
                    Take back
                  </button>
                ) : null}
              </span>
              <Changes changes={label.changes} titles={titles} />
            </li>
          ))}
        </ul>
      )}
    </div>
  )
}

function Origin({ label }: { label: LearntLabel }) {
  return (
    <span className="mr-auto text-ink-2">
      {label.by ?? 'somebody'}, <time suppressHydrationWarning>{moment(label.createdAt)}</time>
      {label.packageId ? (
        <>
          , on{' '}
          <Link className="underline" to={`/packages/${label.packageId}/values?page=${label.page}`}>
            {label.caseNumber} page {label.page}
          </Link>
        </>
      ) : null}
    </span>
  )
}

function Changes({ changes, titles }: { changes: LearntLabel['changes']; titles: Titles }) {
  if (changes.length === 0)
    return <span className="text-ink-2">It changed nothing on papers that waited.</span>
  return (
    <>
      <ul className="mt-1">
        {changes.map((c, i) => (
          <li key={i} className="pl-3">
            <Link className="underline" to={`/packages/${c.packageId}/values?page=${c.page}`}>
              {c.caseNumber} page {c.page}
            </Link>
            : {titles.get(c.field) ?? c.field}{' '}
            {c.before !== c.after ? (
              <>
                is <span className="value">{c.after || 'empty'}</span>, was{' '}
                <span className="value">{c.before || 'not found'}</span>
              </>
            ) : (
              <>
                stays <span className="value">{c.after}</span>
              </>
            )}
            {c.settled ? '; no longer asked about' : ''}
          </li>
        ))}
      </ul>
      <span className="text-[13px] text-ink-2">
        {count(changes.filter((c) => c.settled).length, 'question')} fewer.
      </span>
    </>
  )
}

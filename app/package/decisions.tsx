import { inWords } from '../../wording/index.ts'
import { clsx } from 'clsx'
import { useState } from 'react'
import { type Overridden, overriddenIn } from '../../core/findings/index.ts'
import { useSay, useTaken } from './say.ts'
import { useJudged } from './view.ts'

const STATES: Record<Overridden['state'], string> = {
  holds: 'counts',
  waits: 'waits for a second person',
  refused: 'refused',
}

/** What people decided against the papers: each with its reason, and for a second person to agree to or refuse. */
export function Decisions({ may }: { may: boolean }) {
  const { assessment } = useJudged()
  const decisions = overriddenIn(assessment)
  return (
    <section className="card p-4" aria-label="Decisions against the papers">
      <h2 className="font-semibold">Decisions against the papers</h2>
      {decisions.length === 0 ? (
        <p className="mt-1 text-sm text-ink-2">None: nothing was waived, and no difference accepted.</p>
      ) : (
        <ul className="mt-2 grid gap-3">
          {decisions.map((d) => (
            <Decision key={`${d.what} ${d.subject}`} decision={d} may={may} />
          ))}
        </ul>
      )}
    </section>
  )
}

function Decision({ decision, may }: { decision: Overridden; may: boolean }) {
  const { assessment, row } = useJudged()
  const say = useSay()
  const [refusing, setRefusing] = useState(false)
  const [reason, setReason] = useState('')
  useTaken(say, () => setRefusing(false))
  const word = (agreed: boolean) =>
    say.answer({
      kind: 'sign',
      what: decision.what,
      subject: decision.subject,
      agreed,
      reason: agreed ? '' : reason.trim(),
    })
  const papers = decision.documents.flatMap((id) => assessment.documents.find((d) => d.id === id) ?? [])
  const waits = decision.state === 'waits'
  return (
    <li
      className={clsx(
        'border-l-4 pl-3',
        waits
          ? 'border-dashed border-amber'
          : decision.state === 'refused'
            ? 'border-double border-plum'
            : 'border-line',
      )}
    >
      <p className="flex flex-wrap items-baseline gap-x-3">
        <b>{decision.title}</b>
        <span>{inWords(decision.decision)}</span>
        <span
          className={clsx(
            'ml-auto text-sm',
            waits ? 'text-amber' : decision.state === 'refused' ? 'text-plum' : 'text-ink-2',
          )}
        >
          {STATES[decision.state]}
        </span>
      </p>
      <p className="text-sm text-ink-2">
        “{decision.reason}”{decision.refusal ? <>; refused: “{decision.refusal}”</> : null}
      </p>
      {papers.length > 0 ? (
        <p className="text-[13px] text-ink-2">
          {papers.map((d) => `${d.label}, page ${d.pages[0]}`).join('; ')}
        </p>
      ) : null}
      {waits && may && row.state !== 'finished' ? (
        <div className="mt-1 flex flex-wrap gap-2">
          <button type="button" className="button px-2 py-0.5" disabled={say.busy} onClick={() => word(true)}>
            Agree
          </button>
          <button
            type="button"
            className="button px-2 py-0.5"
            aria-expanded={refusing}
            onClick={() => setRefusing(!refusing)}
          >
            Refuse
          </button>
          {refusing ? (
            <form
              className="flex flex-1 gap-2"
              onSubmit={(event) => {
                event.preventDefault()
                word(false)
              }}
            >
              <input
                autoFocus
                className="field py-0.5"
                aria-label="Why it is refused"
                placeholder="Why?"
                value={reason}
                onChange={(event) => setReason(event.target.value)}
              />
              <button
                className="button-main py-0.5 whitespace-nowrap"
                disabled={say.busy || reason.trim().length < 3}
              >
                Refuse it
              </button>
            </form>
          ) : null}
        </div>
      ) : null}
    </li>
  )
}

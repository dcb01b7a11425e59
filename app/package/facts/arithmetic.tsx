import { ApplicantSays } from '../applicant-says.tsx'
import { inWords } from '../../../wording/index.ts'
import { clsx } from 'clsx'
import { useNavigate } from 'react-router'
import { accepted, type CheckResult, type Term } from '../../../core/dossier/index.ts'
import { groupThousands } from '../../../core/model/index.ts'
import { useJudged } from '../view.ts'
import type { Place } from './fact-table.tsx'

/** Summands that are shown of one sum. */
const MOST_TERMS = 8

/** Sums as sums: what failed first, each summand a link to its place. */
export function Arithmetic({ only, onOpen }: { only: boolean; onOpen: (place: Place) => void }) {
  const { assessment } = useJudged()
  const checks = assessment.checks
    .filter((c) => (only ? c.status === 'failed' : c.status !== 'not_applicable'))
    .sort((a, b) => Number(b.status === 'failed') - Number(a.status === 'failed'))
  const placeOf = (term: Term): Place | null => {
    const document = assessment.documents.find((d) => d.id === term.document)
    const field = document?.fields.find((f) => f.name === term.field)
    const row = term.row !== undefined ? field?.rowPlaces?.[term.row] : undefined
    return document
      ? { page: row?.page ?? field?.page ?? document.pages[0], box: row?.box ?? field?.box ?? null }
      : null
  }
  return (
    <ul className="mt-3 grid gap-2">
      {checks.map((check) => (
        <Sum
          key={check.check}
          check={check}
          onOpen={(term) => {
            const place = placeOf(term)
            if (place) onOpen(place)
          }}
        />
      ))}
    </ul>
  )
}

/** How far a decision on a failed check counts. */
function standing(check: CheckResult & { settled: NonNullable<CheckResult['settled']> }): string {
  const { decision, state } = check.settled
  if (decision === 'ask') return 'to be asked'
  if (accepted(check)) return 'accepted'
  if (state === 'waits') return 'accepted, waits for a second person'
  return state === 'refused' ? 'accepting it was refused' : 'accepted before other figures came'
}

function Sum({ check, onOpen }: { check: CheckResult; onOpen: (term: Term) => void }) {
  const navigate = useNavigate()
  const bad = check.status === 'failed'
  const { settled } = check
  const resting = settled && (settled.decision === 'ask' || accepted(check) || settled.state === 'waits')
  return (
    <li className={`card flex flex-wrap items-center gap-x-3 gap-y-1 px-3.5 py-2 ${bad ? 'odd-edge' : ''}`}>
      <b className="w-44 text-sm">
        {check.title}
        <ApplicantSays item={`check:${check.check}`} />
      </b>
      {check.terms.slice(0, MOST_TERMS).map((term, i) => (
        <span key={i} className="flex items-center gap-2">
          {term.sign ? <span className="text-lg text-ink-3">{term.sign}</span> : null}
          <button type="button" className="text-left" onClick={() => onOpen(term)}>
            <span className="block text-xs text-ink-2">{inWords(term.label)}</span>
            <span
              className={clsx(
                'value',
                bad &&
                  term.sign === '≠' &&
                  'border-b-[3px] border-double border-plum font-semibold text-plum',
              )}
            >
              {groupThousands(term.amount.amount)}
            </span>
          </button>
        </span>
      ))}
      <span className={`ml-auto text-right text-sm ${bad ? 'text-plum' : 'text-ink-2'}`}>
        {inWords(check.detail)}
        {settled && bad ? (
          <span className="block text-petrol">
            {standing({ ...check, settled })}: {settled.reason}
          </span>
        ) : null}
        {bad && !resting ? (
          <button type="button" className="ml-2 underline" onClick={() => void navigate('../deck')}>
            settle it
          </button>
        ) : null}
      </span>
    </li>
  )
}

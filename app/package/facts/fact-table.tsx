import { inWords } from '../../../wording/index.ts'
import { clsx } from 'clsx'
import type { Document } from '../../../core/findings/index.ts'
import type { Evidence, FactResult, RegisterSide } from '../../../core/dossier/index.ts'
import { type Box, plain } from '../../../core/model/index.ts'
import { show } from '../../parts/format.ts'
import { ApplicantSays } from '../applicant-says.tsx'
import { CutOut } from '../cut-out.tsx'

/** Where a value stands. */
export interface Place {
  page: number
  box: Box | null
}
/** A cell of the table, by its row and column. */
export type CellAt = readonly [row: number, column: number]

const COLUMN_HEAD = 'border-b border-l border-line-2 bg-sheet px-2.5 py-2 font-semibold whitespace-nowrap'

/** Rows are facts, columns are documents, cells are cut-outs with what the value is to the others. */
export function FactTable({
  facts,
  documents,
  register,
  at,
  placeOf,
  onChoose,
}: {
  facts: readonly FactResult[]
  documents: readonly Document[]
  register: Record<string, RegisterSide>
  at: CellAt
  placeOf: (evidence: Evidence) => Place | null
  onChoose: (at: CellAt) => void
}) {
  const registered = Object.keys(register).length > 0
  return (
    <div className="overflow-x-auto rounded-lg border border-line">
      <table className="w-full border-separate border-spacing-0 bg-sheet text-sm">
        <thead>
          <tr className="text-left text-[13px] text-ink-2">
            <th className="sticky left-0 z-1 min-w-40 border-b border-line bg-sheet px-3 py-2 font-semibold">
              Fact
            </th>
            {registered ? <th className={COLUMN_HEAD}>Register</th> : null}
            {documents.map((d) => (
              <th key={d.id} className={COLUMN_HEAD}>
                {d.label}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {facts.map((fact, r) => (
            <tr key={fact.fact}>
              <FactHead fact={fact} />
              {registered ? <RegisterCell side={register[fact.fact]} /> : null}
              {documents.map((d, c) => {
                const evidence = fact.evidence.find((e) => e.document === d.id)
                return (
                  <Cell
                    key={d.id}
                    evidence={evidence}
                    place={evidence && placeOf(evidence)}
                    here={at[0] === r && at[1] === c}
                    onClick={() => onChoose([r, c])}
                  />
                )
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}

/** How a fact stands: its value, or how far a conflict is settled. */
function standing({ status, settled, value }: FactResult): string {
  if (status !== 'conflict') return show(value)
  if (settled?.decision === 'ask') return 'to be asked'
  if (settled?.state === 'waits') return 'waits for a second person'
  return settled && settled.against.length > 0 ? 'asked again' : 'not settled'
}

function FactHead({ fact }: { fact: FactResult }) {
  const { settled } = fact
  return (
    <th
      scope="row"
      className={clsx(
        'sticky left-0 z-1 border-b border-line-2 bg-sheet px-3 py-2 text-left align-top font-semibold',
        fact.status === 'conflict' && 'border-l-4 border-l-plum [border-left-style:double]',
      )}
    >
      {fact.title}
      <span className="block max-w-40 truncate text-[13px] font-normal text-ink-2" title={show(fact.value)}>
        {standing(fact)}
      </span>
      {settled && settled.decision !== 'ask' ? (
        <span className="block max-w-40 text-[13px] font-normal text-petrol">
          {settled.decision === 'accepted' ? 'accepted' : 'decided'}: {settled.reason}
        </span>
      ) : null}
      <ApplicantSays item={`fact:${fact.fact}`} />
    </th>
  )
}

function Cell({
  evidence,
  place,
  here,
  onClick,
}: {
  evidence: Evidence | undefined
  place: Place | null | undefined
  here: boolean
  onClick: () => void
}) {
  const frame = `border-b border-l border-line-2 align-top ${here ? 'outline-2 -outline-offset-2 outline-petrol' : ''}`
  if (!evidence || !place) return <td className={`${frame} px-2.5 py-2 text-center text-ink-3`}>–</td>
  const odd = evidence.relation === 'different'
  return (
    <td
      className={clsx(
        frame,
        'p-0',
        odd && 'border-l-4 border-l-plum bg-plum-soft [border-left-style:double]',
      )}
    >
      <button
        type="button"
        tabIndex={-1}
        onClick={onClick}
        className={`block w-full px-2.5 py-2 text-left ${evidence.relation === 'same' ? 'opacity-85' : ''}`}
      >
        <CutOut page={place.page} box={place.box} most={190} line={17} margin={0.004} mark={false} />
        <span className="value mt-1 block max-w-48 truncate text-[12.5px]" title={plain(evidence.value)}>
          {show(evidence.value)}
        </span>
        {evidence.relation === 'same' ? null : (
          <span className={`block max-w-48 text-[12.5px] ${odd ? 'font-semibold text-plum' : 'text-petrol'}`}>
            {odd ? '≠ ' : '≈ '}
            {inWords(evidence.why)}
          </span>
        )}
      </button>
    </td>
  )
}

/** What a register says: it confirms in quiet, completes, or differs for all to see. */
function RegisterCell({ side }: { side: RegisterSide | undefined }) {
  const frame = 'border-b border-l border-line-2 px-2.5 py-2 align-top'
  if (!side) return <td className={`${frame} text-center text-ink-3`}>–</td>
  const odd = side.relation === 'different'
  const found = `${side.register}, ${side.by === 'number' ? 'by number' : `name ${Math.round(side.score * 100)} % alike`}`
  return (
    <td
      className={clsx(frame, odd && 'border-l-4 border-l-plum bg-plum-soft [border-left-style:double]')}
      title={found}
    >
      <span className="value block max-w-48 truncate text-[12.5px]" title={plain(side.value)}>
        {show(side.value)}
      </span>
      <span className={`block max-w-48 text-[12.5px] ${odd ? 'font-semibold text-plum' : 'text-petrol'}`}>
        {odd
          ? `≠ ${inWords(side.why)}`
          : side.completes
            ? '+ no paper says it'
            : side.relation === 'variant'
              ? `≈ ${inWords(side.why)}`
              : '= confirmed'}
      </span>
      <span className="block max-w-48 truncate text-[12px] text-ink-3">{found}</span>
    </td>
  )
}

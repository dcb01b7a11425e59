import { inWords } from '../../../wording/index.ts'
import { clsx } from 'clsx'
import { useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import type { Evidence, FactResult } from '../../../core/dossier/facts.ts'
import { timeLineOf } from '../../../core/dossier/time-line.ts'
import { accepted, type CheckResult } from '../../../core/dossier/checks.ts'
import { plain } from '../../../core/model/value.ts'
import type { RegisterSide } from '../../../core/dossier/register.ts'
import { askedPackage } from '../../../server/access/packages.ts'
import { database } from '../../../server/database/connection.ts'
import { programAt } from '../../../server/configuration/programs.ts'
import { isAway, registerSidesOf } from '../../../server/registers.ts'
import type { Route } from './+types/facts'
import { show } from '../../parts/format.ts'
import { useKeys } from '../../parts/keys.ts'
import { CutOut } from '../../package/cut-out.tsx'
import { Loupe } from '../../package/loupe.tsx'
import { TimeLine } from '../../package/time-line.tsx'
import { useLooking } from '../../package/looking.tsx'
import { useJudged } from '../../package/view.ts'

export async function loader({ request, params }: Route.LoaderArgs) {
  const { who, row } = await askedPackage(request, params.id)
  const program = await programAt(database(), who.organisationId, row.program, row.programVersion)
  return {
    register:
      row.assessment && program
        ? Object.fromEntries(await registerSidesOf(who, row.assessment, program))
        : {},
    away: isAway() ? 'The register of vessels does not answer just now; it is left out.' : null,
    line: row.assessment && program ? timeLineOf(program, row.assessment.documents, row.asOf) : null,
  }
}

/** Rows are facts, columns are documents, cells are cut-outs with what the value is to the others. */
export default function Facts({ loaderData: { register, line, away } }: Route.ComponentProps) {
  const { assessment, row, types } = useJudged()
  const { look } = useLooking()
  const [only, setOnly] = useState(false)
  const [at, setAt] = useState<[row: number, column: number]>([0, 0])
  const [loupe, setLoupe] = useState(false)
  const facts = assessment.facts.filter((f) =>
    only
      ? f.status === 'conflict' || register[f.fact]?.relation === 'different'
      : f.status !== 'absent' || register[f.fact],
  )
  // Papers of a kind stand together, in the order in which the facts name them: the application first.
  const documents = useMemo(() => {
    const order = new Map<string, number>()
    for (const f of facts)
      for (const e of f.evidence) {
        const type = assessment.documents.find((d) => d.id === e.document)?.type
        if (type && !order.has(type)) order.set(type, order.size)
      }
    return assessment.documents
      .filter((d) => facts.some((f) => f.evidence.some((e) => e.document === d.id)))
      .sort((a, b) => order.get(a.type)! - order.get(b.type)!)
  }, [assessment, facts])
  const registered = Object.keys(register).length > 0
  const agreeing = assessment.facts.filter((f) => f.status === 'agreed' || f.status === 'single').length
  const present = assessment.facts.filter((f) => f.status !== 'absent').length
  const step = (down: number, right: number) =>
    setAt(([r, c]) => [clamp(r + down, facts.length), clamp(c + right, documents.length)])
  const open = (fact: FactResult | undefined, column: number) => {
    const evidence = fact?.evidence.find((e) => e.document === documents[column]?.id)
    const place = evidence && placeOf(evidence)
    if (place) {
      look(place.page, place.box)
      setLoupe(true)
    }
  }
  const placeOf = (evidence: Evidence) => {
    const document = assessment.documents.find((d) => d.id === evidence.document)
    const field = document?.fields.find((f) => f.name === evidence.field)
    return document ? { page: field?.page ?? document.pages[0], box: field?.box ?? null } : null
  }
  useKeys({
    d: () => setOnly(!only),
    arrowdown: () => step(1, 0),
    arrowup: () => step(-1, 0),
    arrowright: () => step(0, 1),
    arrowleft: () => step(0, -1),
    enter: () => open(facts[at[0]], at[1]),
    escape: () => setLoupe(false),
  })
  const titles = useMemo(() => new Map(types.map((t) => [t.id, t.title])), [types])
  const openPaper = (id: string, name: string | null) => {
    const document = assessment.documents.find((d) => d.id === id)
    const field = document?.fields.find((f) => f.name === name)
    if (document) {
      look(field?.page ?? document.pages[0], field?.box ?? null)
      setLoupe(true)
    }
  }
  return (
    <div className={`grid h-full gap-4 ${loupe ? 'lg:grid-cols-[minmax(0,1fr)_minmax(360px,38%)]' : ''}`}>
      <div className="min-w-0 overflow-auto pb-6">
        <div className="mb-2 flex flex-wrap items-baseline gap-4">
          <h1 className="text-xl font-semibold">Do the papers tell one story?</h1>
          <span className="text-ink-2">
            {agreeing} of {present} facts agree
          </span>
          <span className="ml-auto flex gap-4 text-sm text-ink-2">
            <button
              type="button"
              aria-pressed={only}
              className={only ? 'font-bold text-petrol' : ''}
              onClick={() => setOnly(!only)}
            >
              <span className="key">D</span> only what differs
            </button>
            <span>
              <span className="key">Enter</span> show on the page
            </span>
            {loupe ? (
              <button type="button" onClick={() => setLoupe(false)}>
                <span className="key">Esc</span> close the loupe
              </button>
            ) : null}
          </span>
        </div>
        {away ? (
          <p role="status" className="mb-2 text-sm text-amber">
            {away}
          </p>
        ) : null}
        {facts.length === 0 ? (
          <p className="card p-5 text-ink-2">
            {only ? 'Nothing differs.' : 'No paper here carries a fact that can be compared.'}
          </p>
        ) : (
          <div className="overflow-x-auto rounded-lg border border-line">
            <table className="w-full border-separate border-spacing-0 bg-sheet text-sm">
              <thead>
                <tr className="text-left text-[13px] text-ink-2">
                  <th className="sticky left-0 z-1 min-w-40 border-b border-line bg-sheet px-3 py-2 font-semibold">
                    Fact
                  </th>
                  {registered ? (
                    <th className="border-b border-l border-line-2 bg-sheet px-2.5 py-2 font-semibold whitespace-nowrap">
                      Register
                    </th>
                  ) : null}
                  {documents.map((d) => (
                    <th
                      key={d.id}
                      className="border-b border-l border-line-2 bg-sheet px-2.5 py-2 font-semibold whitespace-nowrap"
                    >
                      {d.label}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {facts.map((fact, r) => (
                  <tr key={fact.fact}>
                    <th
                      scope="row"
                      className={clsx(
                        'sticky left-0 z-1 border-b border-line-2 bg-sheet px-3 py-2 text-left align-top font-semibold',
                        fact.status === 'conflict' && 'border-l-4 border-l-plum [border-left-style:double]',
                      )}
                    >
                      {fact.title}
                      <span
                        className="block max-w-40 truncate text-[13px] font-normal text-ink-2"
                        title={show(fact.value)}
                      >
                        {fact.status === 'conflict'
                          ? fact.settled?.decision === 'ask'
                            ? 'to be asked'
                            : fact.settled?.state === 'waits'
                              ? 'waits for a second person'
                              : fact.settled && fact.settled.against.length > 0
                                ? 'asked again'
                                : 'not settled'
                          : show(fact.value)}
                      </span>
                      {fact.settled && fact.settled.decision !== 'ask' ? (
                        <span className="block max-w-40 text-[13px] font-normal text-petrol">
                          {fact.settled.decision === 'accepted' ? 'accepted' : 'decided'}:{' '}
                          {fact.settled.reason}
                        </span>
                      ) : null}
                    </th>
                    {registered ? <RegisterCell side={register[fact.fact]} /> : null}
                    {documents.map((d, c) => {
                      const evidence = fact.evidence.find((e) => e.document === d.id)
                      const place = evidence && placeOf(evidence)
                      const here = at[0] === r && at[1] === c
                      return (
                        <Cell
                          key={d.id}
                          evidence={evidence}
                          place={place}
                          here={here}
                          onClick={() => {
                            setAt([r, c])
                            open(fact, c)
                          }}
                        />
                      )
                    })}
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        )}
        {line && !only ? <TimeLine line={line} asOf={row.asOf} titles={titles} onOpen={openPaper} /> : null}
        <Arithmetic
          onOpen={(page, box) => {
            look(page, box)
            setLoupe(true)
          }}
          only={only}
        />
      </div>
      {loupe ? <Loupe /> : null}
    </div>
  )
}

const clamp = (n: number, count: number): number => Math.max(0, Math.min(count - 1, n))

function Cell({
  evidence,
  place,
  here,
  onClick,
}: {
  evidence: Evidence | undefined
  place: { page: number; box: [number, number, number, number] | null } | null | undefined
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
  const found = `${side.kind}, ${side.by === 'number' ? 'by number' : `name ${Math.round(side.score * 100)} % alike`}`
  return (
    <td
      className={clsx(frame, odd && 'border-l-4 border-l-plum bg-plum-soft [border-left-style:double]')}
      title={found}
    >
      <span className="value block max-w-48 truncate text-[12.5px]" title={side.value}>
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

/** Sums as sums: what failed first, each summand a link to its place. */
function Arithmetic({
  only,
  onOpen,
}: {
  only: boolean
  onOpen: (page: number, box: [number, number, number, number] | null) => void
}) {
  const { assessment } = useJudged()
  const navigate = useNavigate()
  const checks = assessment.checks
    .filter((c) => (only ? c.status === 'failed' : c.status !== 'not_applicable'))
    .sort((a, b) => Number(b.status === 'failed') - Number(a.status === 'failed'))
  const place = (check: CheckResult, i: number) => {
    const term = check.terms[i]
    const document = assessment.documents.find((d) => d.id === term.document)
    const field = document?.fields.find((f) => f.name === term.field)
    const row = term.row !== undefined ? field?.rowPlaces?.[term.row] : undefined
    return document
      ? { page: row?.page ?? field?.page ?? document.pages[0], box: row?.box ?? field?.box ?? null }
      : null
  }
  return (
    <ul className="mt-3 grid gap-2">
      {checks.map((check) => {
        const bad = check.status === 'failed'
        return (
          <li
            key={check.check}
            className={`card flex flex-wrap items-center gap-x-3 gap-y-1 px-3.5 py-2 ${bad ? 'odd-edge' : ''}`}
          >
            <b className="w-44 text-sm">{check.title}</b>
            {check.terms.slice(0, 8).map((term, i) => (
              <span key={i} className="flex items-center gap-2">
                {term.sign ? <span className="text-lg text-ink-3">{term.sign}</span> : null}
                <button
                  type="button"
                  className="text-left"
                  onClick={() => {
                    const at = place(check, i)
                    if (at) onOpen(at.page, at.box)
                  }}
                >
                  <span className="block text-xs text-ink-2">{inWords(term.label)}</span>
                  <span
                    className={clsx(
                      'value',
                      bad &&
                        term.sign === '≠' &&
                        'border-b-[3px] border-double border-plum font-semibold text-plum',
                    )}
                  >
                    {plain(term.amount).replace(/^EUR /, '')}
                  </span>
                </button>
              </span>
            ))}
            <span className={`ml-auto text-right text-sm ${bad ? 'text-plum' : 'text-ink-2'}`}>
              {inWords(check.detail)}
              {check.settled && bad ? (
                <span className="block text-petrol">
                  {check.settled.decision === 'ask'
                    ? 'to be asked'
                    : accepted(check)
                      ? 'accepted'
                      : check.settled.state === 'waits'
                        ? 'accepted, waits for a second person'
                        : check.settled.state === 'refused'
                          ? 'accepting it was refused'
                          : 'accepted before other figures came'}
                  : {check.settled.reason}
                </span>
              ) : null}
              {bad &&
              !(
                check.settled &&
                (check.settled.decision === 'ask' || accepted(check) || check.settled.state === 'waits')
              ) ? (
                <button type="button" className="ml-2 underline" onClick={() => void navigate('../deck')}>
                  settle it
                </button>
              ) : null}
            </span>
          </li>
        )
      })}
    </ul>
  )
}

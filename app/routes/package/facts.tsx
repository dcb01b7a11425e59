import { useMemo, useState } from 'react'
import type { Document } from '../../../core/findings/index.ts'
import { type Evidence, type FactResult, timeLineOf } from '../../../core/dossier/index.ts'
import { askedPackage } from '../../../server/access/packages.ts'
import { database } from '../../../server/database/connection.ts'
import { programAt } from '../../../server/configuration/programs.ts'
import { registersSay, type RegistersSay } from '../../../server/packages/registered.ts'
import type { Route } from './+types/facts'
import { useKeys } from '../../parts/keys.ts'
import { Arithmetic } from '../../package/facts/arithmetic.tsx'
import { FactTable, type CellAt, type Place } from '../../package/facts/fact-table.tsx'
import { Loupe } from '../../package/loupe.tsx'
import { TimeLine } from '../../package/time-line.tsx'
import { useLooking } from '../../package/looking.tsx'
import { useJudged } from '../../package/view.ts'

export async function loader({ request, params }: Route.LoaderArgs) {
  const { who, row } = await askedPackage(request, params.id)
  const program = await programAt(database(), who.organisationId, row.program, row.programVersion)
  const said: RegistersSay =
    row.assessment && program ? await registersSay(who, row.assessment, program) : { sides: {}, away: [] }
  return {
    register: said.sides,
    away: said.away
      .map((title) => `The register “${title}” does not answer just now; it is left out.`)
      .join(' '),
    line: row.assessment && program ? timeLineOf(program, row.assessment.documents, row.asOf) : null,
  }
}

/** Whether the papers tell one story: each fact over the papers, the days they cover, what must add up. */
export default function Facts({ loaderData: { register, line, away } }: Route.ComponentProps) {
  const { assessment, row, types } = useJudged()
  const { look } = useLooking()
  const [only, setOnly] = useState(false)
  const [at, setAt] = useState<CellAt>([0, 0])
  const [loupe, setLoupe] = useState(false)
  const facts = assessment.facts.filter((f) =>
    only
      ? f.status === 'conflict' || register[f.fact]?.relation === 'different'
      : f.status !== 'absent' || register[f.fact],
  )
  const documents = useMemo(() => papersOf(facts, assessment.documents), [assessment, facts])
  const titles = useMemo(() => new Map(types.map((t) => [t.id, t.title])), [types])
  const open = ({ page, box }: Place) => {
    look(page, box)
    setLoupe(true)
  }
  const placeIn = (id: string, name: string | null): Place | null => {
    const document = assessment.documents.find((d) => d.id === id)
    const field = document?.fields.find((f) => f.name === name)
    return document ? { page: field?.page ?? document.pages[0], box: field?.box ?? null } : null
  }
  const placeOf = (evidence: Evidence) => placeIn(evidence.document, evidence.field)
  const openCell = ([r, c]: CellAt) => {
    const evidence = facts[r]?.evidence.find((e) => e.document === documents[c]?.id)
    const place = evidence && placeOf(evidence)
    if (place) open(place)
  }
  const step = (down: number, right: number) =>
    setAt(([r, c]) => [clamp(r + down, facts.length), clamp(c + right, documents.length)])
  useKeys({
    d: () => setOnly(!only),
    arrowdown: () => step(1, 0),
    arrowup: () => step(-1, 0),
    arrowright: () => step(0, 1),
    arrowleft: () => step(0, -1),
    enter: () => openCell(at),
    escape: () => setLoupe(false),
  })
  return (
    <div className={`grid h-full gap-4 ${loupe ? 'lg:grid-cols-[minmax(0,1fr)_minmax(360px,38%)]' : ''}`}>
      <div className="min-w-0 overflow-auto pb-6">
        <Bar
          facts={assessment.facts}
          only={only}
          onOnly={() => setOnly(!only)}
          onClose={loupe ? () => setLoupe(false) : null}
        />
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
          <FactTable
            facts={facts}
            documents={documents}
            register={register}
            at={at}
            placeOf={placeOf}
            onChoose={(cell) => {
              setAt(cell)
              openCell(cell)
            }}
          />
        )}
        {line && !only ? (
          <TimeLine
            line={line}
            asOf={row.asOf}
            titles={titles}
            onOpen={(id, name) => {
              const place = placeIn(id, name)
              if (place) open(place)
            }}
          />
        ) : null}
        <Arithmetic onOpen={open} only={only} />
      </div>
      {loupe ? <Loupe /> : null}
    </div>
  )
}

const clamp = (n: number, count: number): number => Math.max(0, Math.min(count - 1, n))

/** Papers of a kind together, in the order in which the facts name them: the application first. */
function papersOf(facts: readonly FactResult[], documents: readonly Document[]): Document[] {
  const order = new Map<string, number>()
  for (const f of facts)
    for (const e of f.evidence) {
      const type = documents.find((d) => d.id === e.document)?.type
      if (type && !order.has(type)) order.set(type, order.size)
    }
  return documents
    .filter((d) => facts.some((f) => f.evidence.some((e) => e.document === d.id)))
    .sort((a, b) => order.get(a.type)! - order.get(b.type)!)
}

/** How many facts agree, and the keys of the view. */
function Bar({
  facts,
  only,
  onOnly,
  onClose,
}: {
  facts: readonly FactResult[]
  only: boolean
  onOnly: () => void
  /** Null where the loupe is closed. */
  onClose: (() => void) | null
}) {
  const agreeing = facts.filter((f) => f.status === 'agreed' || f.status === 'single').length
  const present = facts.filter((f) => f.status !== 'absent').length
  return (
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
          onClick={onOnly}
        >
          <span className="key">D</span> only what differs
        </button>
        <span>
          <span className="key">Enter</span> show on the page
        </span>
        {onClose ? (
          <button type="button" onClick={onClose}>
            <span className="key">Esc</span> close the loupe
          </button>
        ) : null}
      </span>
    </div>
  )
}

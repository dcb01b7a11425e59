import { useState } from 'react'
import { data, Link, useNavigate } from 'react-router'
import { z } from 'zod'
import { pageDiff } from '../../../core/layout/index.ts'
import type { Box } from '../../../core/model/index.ts'
import { askedPackage } from '../../../server/access/packages.ts'
import { database } from '../../../server/database/connection.ts'
import { pagesOf } from '../../../server/packages/judge.ts'
import { useKeys } from '../../parts/keys.ts'
import { PageView } from '../../package/page-view.tsx'
import { apartOf, documentOfPage, useJudged } from '../../package/view.ts'
import type { Route } from './+types/compare'

const number = z.coerce.number().int().positive()
const askedSchema = z.object({ page: number, with: number })

export async function loader({ request, params }: Route.LoaderArgs) {
  const { row } = await askedPackage(request, params.id)
  const given = askedSchema.safeParse(Object.fromEntries(new URL(request.url).searchParams))
  const pages = row && given.success ? await pagesOf(database(), row.id) : []
  const [left, right] = given.success
    ? [given.data.page, given.data.with].map((n) => pages.find((p) => p.number === n))
    : []
  if (!left || !right)
    throw data('Two pages of one package can be compared; one of these is not there, or not read yet.', 404)
  return { left: left.number, right: right.number, differences: pageDiff(left, right) }
}

/** Two pages side by side, with what only one of them says marked. */
export default function Compare({ loaderData: { left, right, differences } }: Route.ComponentProps) {
  const { sheets } = useJudged()
  const navigate = useNavigate()
  const [marked, setMarked] = useState(true)
  const to = (a: number, b: number) => {
    if (sheets[a - 1] && sheets[b - 1]) void navigate(`?page=${a}&with=${b}`, { replace: true })
  }
  useKeys({
    arrowleft: () => to(left, right - 1),
    arrowright: () => to(left, right + 1),
    arrowup: () => to(left - 1, right),
    arrowdown: () => to(left + 1, right),
    s: () => to(right, left),
    d: () => setMarked((now) => !now),
  })
  const apart = differences.first.length + differences.second.length
  return (
    <div className="flex h-full min-h-0 flex-col">
      <div className="mb-2 flex flex-wrap items-center gap-2 text-sm">
        <h1 className="mr-auto text-xl font-semibold">
          Page {left} beside page {right}{' '}
          <span className="ml-2 text-sm font-normal text-ink-2">
            {apart === 0
              ? 'word for word the same'
              : `${Math.floor(differences.common * 100)} of 100 words are the same`}
          </span>
        </h1>
        <button
          type="button"
          className="button px-2 py-1"
          aria-pressed={marked}
          onClick={() => setMarked(!marked)}
        >
          <span className="key">D</span>
          {marked ? 'hide' : 'show'} what differs
        </button>
        <button type="button" className="button px-2 py-1" onClick={() => to(right, left)}>
          <span className="key">S</span>swap
        </button>
        <Link to={`../papers?page=${left}`} className="button px-2 py-1">
          Back to papers
        </Link>
      </div>
      <div className="grid min-h-0 flex-1 grid-cols-2 gap-3">
        <Side
          page={left}
          keys="↑ ↓"
          marks={marked ? differences.first : []}
          onStep={(by) => to(left + by, right)}
        />
        <Side
          page={right}
          keys="← →"
          marks={marked ? differences.second : []}
          onStep={(by) => to(left, right + by)}
        />
      </div>
    </div>
  )
}

const NONE: readonly Box[] = []

function Side({
  page,
  keys,
  marks,
  onStep,
}: {
  page: number
  keys: string
  marks: readonly Box[]
  onStep: (by: number) => void
}) {
  const { row, assessment, sheets } = useJudged()
  const sheet = sheets[page - 1]
  const document = documentOfPage(assessment.documents, page)
  return (
    <section aria-label={`Page ${page}`} className="flex min-h-0 flex-col rounded-lg bg-band p-3">
      <p className="mb-2 flex items-center gap-2 text-[13px] text-ink-2">
        <b className="truncate text-ink">
          {document?.label ?? `In no document${apartOf(sheet) ? `: ${apartOf(sheet)}` : ''}`}
        </b>
        <span className="mr-auto whitespace-nowrap">page {page}</span>
        <span className="key">{keys}</span>
        <button type="button" className="button px-2 py-0.5" disabled={page <= 1} onClick={() => onStep(-1)}>
          before
        </button>
        <button
          type="button"
          className="button px-2 py-0.5"
          disabled={page >= sheets.length}
          onClick={() => onStep(1)}
        >
          next
        </button>
      </p>
      <div className="min-h-0 flex-1 overflow-auto">
        <PageView
          packageId={row.id}
          sheet={sheet}
          marks={NONE}
          found={marks}
          picking={false}
          onPicked={() => undefined}
        />
      </div>
    </section>
  )
}

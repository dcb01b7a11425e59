import { useEffect, useRef, useState } from 'react'
import { data, Link, useFetcher, useNavigate, useSearchParams } from 'react-router'
import { z } from 'zod'
import { firstGrid, type Grid, readByGrid } from '../../../core/extraction/index.ts'
import type { Document } from '../../../core/findings/index.ts'
import { askedPackage } from '../../../server/access/packages.ts'
import { database } from '../../../server/database/connection.ts'
import { typesOf } from '../../../server/configuration/types.ts'
import { pagesOf } from '../../../server/packages/judge.ts'
import { jsonBody } from '../../../server/web/bodies.ts'
import { count } from '../../parts/format.ts'
import { useSay, useTaken } from '../../package/say.ts'
import { GridOver } from '../../package/table/grid-over.tsx'
import { useMarkedRows } from '../../package/table/marked-rows.ts'
import { RowTable } from '../../package/table/row-table.tsx'
import { isClosed, useJudged } from '../../package/view.ts'
import type { Route } from './+types/table'
import { typeById } from '../../../core/program/index.ts'

const share = z.number().min(-0.1).max(1.1)
const gridSchema = z.object({
  page: z.number().int().positive(),
  top: share,
  edges: z.array(share).min(2).max(20),
  columns: z
    .array(z.object({ name: z.string().max(80).nullable(), out: z.boolean() }))
    .min(1)
    .max(19),
  skip: z.array(z.string().max(80)).max(20),
})
const bodySchema = z.object({ grid: gridSchema })

/** The table that is asked for, with the pages it stands on. @throws a 404 response */
async function tableOf(request: Request, id: string) {
  const { who, row } = await askedPackage(request, id)
  const { searchParams } = new URL(request.url)
  const page = z.coerce.number().int().positive().catch(0).parse(searchParams.get('page'))
  const document = row.assessment?.documents.find((d) => d.pages.includes(page))
  const type = document && typeById(await typesOf(database(), who.organisationId), document.type)
  const field = type?.fields.find(
    (f) =>
      f.name === (searchParams.get('field') ?? type.fields.find((g) => g.kind === 'table')?.name) &&
      f.kind === 'table',
  )
  if (!document || !type || !field) throw data('There is no table on that paper.', 404)
  const pages = (await pagesOf(database(), row.id))
    .filter((p) => document.pages.includes(p.number))
    .map((page) => ({ ...page, locale: document.locale }))
    .sort((a, b) => document.pages.indexOf(a.number) - document.pages.indexOf(b.number))
  const read = document.fields.find((f) => f.name === field.name)
  const days = document.fields
    .flatMap((f) =>
      typeof f.value === 'string' && type.fields.some((g) => g.name === f.name && g.kind === 'date')
        ? [f.value]
        : [],
    )
    .sort()
  return { document, field, pages, read, period: { start: days[0] ?? null, end: days.at(-1) ?? null } }
}

export async function loader({ request, params }: Route.LoaderArgs) {
  const { document, field, pages, read } = await tableOf(request, params.id)
  return {
    documentId: document.id,
    locale: document.locale,
    field: {
      name: field.name,
      title: field.title,
      columns: field.columns.map(({ name, kind }) => ({ name, kind })),
    },
    grid: firstGrid(pages, field, read?.rowPlaces?.[0] ?? null),
  }
}

/** Reads the table by a grid; nothing is stored. */
export async function action({ request, params }: Route.ActionArgs) {
  const { field, pages, period } = await tableOf(request, params.id)
  const body = bodySchema.safeParse(await jsonBody(request))
  if (!body.success || body.data.grid.edges.length !== body.data.grid.columns.length + 1)
    return data({ rows: [], places: [] }, 400)
  const rows = readByGrid(pages, field, body.data.grid, period)
  return { rows: rows.map((row) => row.cells), places: rows.map((row) => row.place) }
}

/** A table marked by hand: the first row and the columns on the page; the rest of all pages follows. */
export default function TableByHand({ loaderData }: Route.ComponentProps) {
  const { documentId, field } = loaderData
  // Another paper begins anew; what the machine finds meanwhile does not.
  return <Marking key={`${documentId} ${field.name}`} {...loaderData} />
}

/** Time in ms after which the rows of a moved line are read. */
const PAUSE = 120
/** Shorter words would leave out rows that merely hold them. */
const SHORTEST_SKIP = 3

const skipsIn = (text: string): string[] =>
  text
    .split(',')
    .map((s) => s.trim())
    .filter((s) => s.length >= SHORTEST_SKIP)

/** Rows as a grid gives them, read anew when it moves. */
function useReading(grid: Grid) {
  const [params] = useSearchParams()
  const reading = useFetcher<typeof action>()
  const { submit } = reading
  const url = `?${params}`
  useEffect(() => {
    const timer = setTimeout(
      () =>
        void submit({ grid } as unknown as Parameters<typeof submit>[0], {
          method: 'post',
          action: url,
          encType: 'application/json',
        }),
      PAUSE,
    )
    return () => clearTimeout(timer)
  }, [grid, submit, url])
  return { read: reading.data, idle: reading.state === 'idle' }
}

function Marking({ documentId, locale, field, grid: first }: Route.ComponentProps['loaderData']) {
  const { assessment, sheets, row } = useJudged()
  const navigate = useNavigate()
  const say = useSay()
  const [grid, setGrid] = useState<Grid>(first)
  const { read, idle } = useReading(grid)
  const marked = useMarkedRows(read, field.columns, locale)
  const document = assessment.documents.find((d) => d.id === documentId)
  const back = `../values?page=${document?.pages[0] ?? 1}`
  const taking = useRef(false)
  useTaken(say, () => {
    if (taking.current) void navigate(back)
  })
  if (!document) return <Changed />
  const take = () => {
    taking.current = true
    say.answer({
      kind: 'value',
      page: document.pages[0],
      field: field.name,
      state: 'corrected',
      at: null,
      ...marked.value(),
      ...(grid.skip.length > 0 ? { skips: skipsIn(grid.skip.join(',')) } : {}),
    })
  }
  return (
    <div className="grid h-full gap-4 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
      <section aria-label="The page" className="flex min-h-0 flex-col rounded-lg bg-band p-3">
        <PageChoice document={document} grid={grid} onChange={setGrid} />
        <div className="min-h-0 flex-1 overflow-auto">
          <GridOver
            packageId={row.id}
            sheet={sheets[grid.page - 1]}
            grid={grid}
            columns={field.columns}
            rows={marked.boxesOn(grid.page)}
            onChange={setGrid}
          />
        </div>
      </section>
      <section aria-label="Rows" className="flex min-h-0 flex-col">
        <div className="mb-2 flex flex-wrap items-center gap-2">
          <h1 className="mr-auto text-xl font-semibold">
            {field.title}{' '}
            <span className="font-normal text-ink-2">
              {count(marked.going.length, 'row')} on {count(document.pages.length, 'page')}
            </span>
          </h1>
          <Link className="button" to={back}>
            Leave it
          </Link>
          <button
            type="button"
            className="button-main"
            disabled={isClosed(row) || say.busy || marked.going.length === 0 || marked.wrong > 0}
            onClick={take}
          >
            Take these rows
          </button>
        </div>
        <label className="mb-2 flex items-center gap-2 text-sm">
          Lines that are no rows have the words
          <input
            className="field flex-1 py-0.5"
            placeholder="carried over, page total"
            defaultValue={grid.skip.join(', ')}
            onChange={(event) => setGrid({ ...grid, skip: skipsIn(event.target.value) })}
          />
        </label>
        {say.problem ? (
          <p role="alert" className="odd-edge mb-2 rounded border border-line bg-sheet px-3 py-1.5 text-sm">
            {say.problem}
          </p>
        ) : null}
        {marked.wrong > 0 ? (
          <p role="alert" className="mb-2 text-sm text-plum">
            {count(marked.wrong, 'cell')} cannot be read as what its column holds.
          </p>
        ) : null}
        <div className="min-h-0 flex-1 overflow-auto rounded-lg border border-line bg-sheet">
          {marked.rows.length === 0 ? (
            <p className="p-4 text-ink-2">
              {idle
                ? 'No row is found so: a row has an amount, and a day where the table has days.'
                : 'Reading …'}
            </p>
          ) : (
            <RowTable columns={field.columns} marked={marked} />
          )}
        </div>
      </section>
    </div>
  )
}

/** The page on which the first row stands. */
function PageChoice({
  document,
  grid,
  onChange,
}: {
  document: Document
  grid: Grid
  onChange: (grid: Grid) => void
}) {
  return (
    <div className="mb-2 flex flex-wrap items-center gap-2 text-[13px] text-ink-2">
      <b className="text-ink">
        {document.label}, page{' '}
        <select
          aria-label="Page of the first row"
          className="field w-auto px-1 py-0"
          value={grid.page}
          onChange={(event) => onChange({ ...grid, page: Number(event.target.value) })}
        >
          {document.pages.map((p) => (
            <option key={p} value={p}>
              {p}
            </option>
          ))}
        </select>
      </b>
      <span className="ml-auto">Drag the lines between the columns, and the one over the first row.</span>
    </div>
  )
}

function Changed() {
  return (
    <p className="card p-6 text-ink-2">
      The paper has changed meanwhile.{' '}
      <Link className="text-petrol underline" to="../values">
        Back to the values
      </Link>
    </p>
  )
}

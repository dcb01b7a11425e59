import { ArrowDown, ArrowUp, Plus } from 'lucide-react'
import { useEffect, useRef } from 'react'
import { Form, Link, redirect, useNavigation, useSearchParams, useSubmit } from 'react-router'
import { signedIn } from '../../../server/access/people.ts'
import { may } from '../../../server/access/rights.ts'
import { programsOf } from '../../../server/configuration/programs.ts'
import { database } from '../../../server/database/connection.ts'
import { QUEUE_PAGE, queue, queueQuery, takeNext } from '../../../server/packages/queries.ts'
import { ago, count } from '../../parts/format.ts'
import { useChanges } from '../../parts/changes.ts'
import { useKeys } from '../../parts/keys.ts'
import type { Route } from './+types/queue'

export const meta = () => [{ title: 'Packages · Jigsa' }]

export async function loader({ request }: Route.LoaderArgs) {
  const who = await signedIn(request)
  const query = queueQuery.parse(Object.fromEntries(new URL(request.url).searchParams))
  return {
    query,
    ...(await queue(query, who)),
    pageSize: QUEUE_PAGE,
    who: who.id,
    begun: (await programsOf(database(), who.organisationId)).length > 0,
    may: may(who, 'set up'),
  }
}

export async function action({ request }: Route.ActionArgs) {
  const who = await signedIn(request)
  const next = await takeNext(who)
  return next ? redirect(`/packages/${next}/deck`) : { nothing: true }
}

type Row = Route.ComponentProps['loaderData']['rows'][number]

const STATES: Record<Row['state'], string> = {
  empty: 'no files yet',
  reading: 'being read',
  open: 'to be settled',
  review: 'with a second person',
  finished: 'finished',
  sample: 'a sample',
}

export default function Queue({
  loaderData: { query, rows, total, pageSize, who, begun, may },
  actionData,
}: Route.ComponentProps) {
  useChanges(null)
  const submit = useSubmit()
  const search = useRef<HTMLInputElement>(null)
  const busy = useNavigation().state !== 'idle'
  useKeys({ n: () => void submit(null, { method: 'post' }), '/': () => search.current?.focus() })
  const filtered = query.words !== '' || query.state !== 'working' || query.owner !== 'all'
  return (
    <main className="mx-auto max-w-6xl p-4">
      <div className="mb-3 flex flex-wrap items-center gap-3">
        <h1 className="mr-auto text-xl font-semibold">
          Packages <span className="font-normal text-ink-2">{total}</span>
        </h1>
        <Link to="/packages/new" className="button">
          <Plus size={16} />
          New package
        </Link>
        <Form method="post">
          <button className="button-main" disabled={busy}>
            Take the next one <span className="key">N</span>
          </button>
        </Form>
      </div>
      {actionData?.nothing ? (
        <p role="status" className="mb-3 rounded-md border border-line bg-sheet px-3 py-2">
          Nobody waits: every open package has an owner.
        </p>
      ) : null}
      <Filters query={query} search={search} />
      {rows.length === 0 && !begun ? (
        <NotBegun may={may} />
      ) : rows.length === 0 ? (
        <div className="card p-8 text-center text-ink-2">
          {filtered ? (
            <>
              No package fits.{' '}
              <Link className="text-petrol underline" to="/packages">
                Show all that are open
              </Link>
            </>
          ) : (
            <>
              There is no package yet.{' '}
              <Link className="text-petrol underline" to="/packages/new">
                Bring the first one
              </Link>
            </>
          )}
        </div>
      ) : (
        <>
          <table className="hidden w-full border-separate border-spacing-0 overflow-hidden rounded-lg border border-line bg-sheet text-sm sm:table">
            <thead>
              <tr className="text-left text-[13px] text-ink-2">
                <Head by="case" query={query}>
                  Case
                </Head>
                <Head by="applicant" query={query}>
                  Applicant
                </Head>
                <th className="px-3 py-2 font-semibold">Program</th>
                <Head by="state" query={query}>
                  State
                </Head>
                <Head by="pages" query={query} right>
                  Pages
                </Head>
                <Head by="loose" query={query} right>
                  Loose
                </Head>
                <th className="px-3 py-2 text-right font-semibold">To do on checklist</th>
                <Head by="age" query={query} right>
                  Age
                </Head>
                <th className="px-3 py-2 font-semibold">Owner</th>
              </tr>
            </thead>
            <tbody>
              {rows.map((row) => (
                <TableRow key={row.id} row={row} mine={row.ownerId === who} />
              ))}
            </tbody>
          </table>
          <ul className="grid gap-2 sm:hidden">
            {rows.map((row) => (
              <Card key={row.id} row={row} mine={row.ownerId === who} />
            ))}
          </ul>
          <Paging page={query.page} pages={Math.ceil(total / pageSize)} />
        </>
      )}
    </main>
  )
}

/** A desk that nothing is set up at yet: the way to its first package. */
function NotBegun({ may }: { may: boolean }) {
  if (!may)
    return (
      <p className="card p-8 text-center text-ink-2">
        Nothing is set up at this desk yet. A lead or an administrator does that.
      </p>
    )
  const steps: readonly [to: string, name: string, why: string][] = [
    ['/lender', 'Say how its papers are written', 'country, currency, order of day and month'],
    ['/types/new', 'Write a document type from a sample', 'or take some from a starter set'],
    ['/programs/new', 'Write a program', 'what is asked for, and what must agree'],
    ['/registers/new', 'Take a register in', 'whom the lender knows, as CSV'],
    ['/people', 'Add people', 'who settles the packages'],
  ]
  return (
    <section className="card p-6">
      <h2 className="mb-1 text-lg font-semibold">Nothing is set up at this desk yet</h2>
      <p className="mb-3 text-ink-2">
        A package needs a program to be judged by. Begin from a{' '}
        <Link className="text-petrol underline" to="/starter">
          starter set
        </Link>
        , or step by step:
      </p>
      <ol className="grid list-decimal gap-1 pl-6">
        {steps.map(([to, name, why]) => (
          <li key={to}>
            <Link className="text-petrol underline" to={to}>
              {name}
            </Link>{' '}
            <span className="text-ink-2">{why}</span>
          </li>
        ))}
      </ol>
    </section>
  )
}

function Filters({
  query,
  search,
}: {
  query: Route.ComponentProps['loaderData']['query']
  search: React.RefObject<HTMLInputElement | null>
}) {
  const submit = useSubmit()
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null)
  useEffect(
    () => () => {
      if (timer.current) clearTimeout(timer.current)
    },
    [],
  )
  const send = (form: HTMLFormElement, wait: number) => {
    if (timer.current) clearTimeout(timer.current)
    timer.current = setTimeout(() => void submit(form, { replace: true }), wait)
  }
  return (
    <Form
      role="search"
      className="mb-3 flex flex-wrap gap-2"
      onChange={(event) =>
        send(event.currentTarget, (event.target as HTMLElement).tagName === 'INPUT' ? 250 : 0)
      }
    >
      <input
        ref={search}
        name="words"
        defaultValue={query.words}
        placeholder="Case number or applicant  ( / )"
        aria-label="Search"
        className="field flex-1 basis-full py-1.5 sm:max-w-xs sm:basis-auto"
      />
      <select name="state" defaultValue={query.state} aria-label="State" className="field w-auto py-1.5">
        <option value="working">not finished</option>
        <option value="open">to be settled</option>
        <option value="reading">being read</option>
        <option value="to_sign">for a second person</option>
        <option value="asked">waits for the applicant</option>
        <option value="overdue">applicant past the day</option>
        <option value="answered">applicant answered</option>
        <option value="flagged">for the lead’s eye</option>
        <option value="finished">finished</option>
        <option value="all">all</option>
      </select>
      <select name="owner" defaultValue={query.owner} aria-label="Owner" className="field w-auto py-1.5">
        <option value="all">anybody’s</option>
        <option value="mine">mine</option>
        <option value="nobody">nobody’s</option>
      </select>
      <input type="hidden" name="sort" value={query.sort} />
      <input type="hidden" name="turn" value={query.turn} />
    </Form>
  )
}

function Head({
  by,
  query,
  right,
  children,
}: {
  by: Route.ComponentProps['loaderData']['query']['sort']
  query: Route.ComponentProps['loaderData']['query']
  right?: boolean
  children: React.ReactNode
}) {
  const [params] = useSearchParams()
  const next = new URLSearchParams(params)
  next.set('sort', by)
  next.set('turn', query.sort === by && query.turn === 'up' ? 'down' : 'up')
  next.delete('page')
  const active = query.sort === by
  return (
    <th
      className={`px-3 py-2 font-semibold ${right ? 'text-right' : ''}`}
      aria-sort={active ? (query.turn === 'up' ? 'ascending' : 'descending') : undefined}
    >
      <Link to={`?${next}`} className={`inline-flex items-center gap-1 ${active ? 'text-petrol' : ''}`}>
        {children}
        {active ? query.turn === 'up' ? <ArrowUp size={13} /> : <ArrowDown size={13} /> : null}
      </Link>
    </th>
  )
}

const judged = (row: Row): boolean => row.state !== 'empty' && row.state !== 'reading'
const target = (row: Row): string =>
  `/packages/${row.id}/${row.state === 'review' ? 'hand-over' : judged(row) ? 'deck' : 'files'}`

const ASKED = {
  asked: 'waits for the applicant',
  overdue: 'applicant past the day',
  answered: 'applicant answered',
} as const

const State = ({ row }: { row: Row }) =>
  row.state === 'reading' && row.pageCount > 0 ? (
    <span className="whitespace-nowrap">
      {row.pagesRead} of {row.pageCount} pages read
    </span>
  ) : (
    <span className={row.state === 'finished' ? 'text-ink-2' : ''}>
      {STATES[row.state]}
      {row.toSign > 0 && row.state !== 'finished' ? (
        <span className="block text-[13px] text-amber">{count(row.toSign, 'decision')} to agree to</span>
      ) : null}
      {row.asked && row.state !== 'finished' ? (
        <span className={`block text-[13px] ${row.asked === 'asked' ? 'text-ink-2' : 'text-amber'}`}>
          {ASKED[row.asked]}
        </span>
      ) : null}
      {row.first && row.state !== 'finished' ? (
        <span className="ml-2 rounded border border-line px-1 text-[13px]">goes first</span>
      ) : null}
      {row.flagged && row.state !== 'finished' ? (
        <span className="block text-[13px] text-plum">for the lead’s eye</span>
      ) : null}
    </span>
  )

const Loose = ({ n }: { n: number }) =>
  n === 0 ? (
    <span className="text-ink-3">none</span>
  ) : (
    <span className="rounded-full border border-dashed border-amber bg-amber-soft px-2 font-semibold">
      {n}
    </span>
  )

/** The oldest package in the queue comes first where nobody sorts: ages grow downwards in the other turn. */
function TableRow({ row, mine }: { row: Row; mine: boolean }) {
  const cell = 'border-t border-line-2 px-3 py-2'
  return (
    <tr className="hover:bg-petrol-soft">
      <td className={`${cell} font-mono whitespace-nowrap`}>
        <Link to={target(row)} className="font-semibold text-petrol">
          {row.caseNumber}
        </Link>
      </td>
      <td className={cell}>{row.applicant ?? <span className="text-ink-3">not known yet</span>}</td>
      <td className={`${cell} text-ink-2`}>{row.program}</td>
      <td className={cell}>
        <State row={row} />
      </td>
      <td className={`${cell} text-right`}>{row.pageCount}</td>
      <td className={`${cell} text-right`}>{judged(row) ? <Loose n={row.looseCount} /> : ''}</td>
      <td className={`${cell} text-right`}>
        {judged(row) ? row.openRequirements || <span className="text-ink-3">none</span> : ''}
      </td>
      <td className={`${cell} text-right whitespace-nowrap`}>
        <time suppressHydrationWarning>{ago(row.createdAt)}</time>
      </td>
      <td className={`${cell} whitespace-nowrap ${mine ? 'font-semibold' : 'text-ink-2'}`}>
        {mine ? 'you' : (row.owner ?? 'nobody')}
      </td>
    </tr>
  )
}

function Card({ row, mine }: { row: Row; mine: boolean }) {
  return (
    <li>
      <Link to={target(row)} className="card block p-3">
        <span className="flex justify-between">
          <b className="font-mono text-petrol">{row.caseNumber}</b>
          <time suppressHydrationWarning className="text-sm text-ink-2">
            {ago(row.createdAt)}
          </time>
        </span>
        <span className="mt-0.5 block">{row.applicant ?? 'applicant not known yet'}</span>
        <span className="mt-1 flex flex-wrap items-center gap-x-3 text-sm text-ink-2">
          <State row={row} />
          <span>{count(row.pageCount, 'page')}</span>
          <span className="flex gap-1">
            loose <Loose n={row.looseCount} />
          </span>
          <span>{mine ? 'yours' : (row.owner ?? 'nobody’s')}</span>
        </span>
      </Link>
    </li>
  )
}

function Paging({ page, pages }: { page: number; pages: number }) {
  const [params] = useSearchParams()
  if (pages < 2) return null
  const to = (n: number) => {
    const next = new URLSearchParams(params)
    next.set('page', String(n))
    return `?${next}`
  }
  return (
    <nav aria-label="Pages of the queue" className="mt-3 flex items-center justify-center gap-3">
      {page > 1 ? (
        <Link className="button" to={to(page - 1)}>
          Before
        </Link>
      ) : null}
      <span>
        {page} of {pages}
      </span>
      {page < pages ? (
        <Link className="button" to={to(page + 1)}>
          Next
        </Link>
      ) : null}
    </nav>
  )
}

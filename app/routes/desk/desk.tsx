import { ChevronDown } from 'lucide-react'
import { DropdownMenu } from 'radix-ui'
import { Form, Link, Outlet, useMatches } from 'react-router'
import { signedIn } from '../../../server/access/people.ts'
import { organisationName } from '../../../server/access/organisations.ts'
import { countTasks } from '../../../server/tasks/tasks.ts'
import { KeyHelp } from '../../parts/key-help.tsx'
import { useUploads } from '../../parts/uploads.ts'
import type { PackageView } from '../../package/view.ts'
import type { Route } from './+types/desk'

export async function loader({ request }: Route.LoaderArgs) {
  const who = await signedIn(request)
  return { who, organisation: await organisationName(who.organisationId), tasks: await countTasks(who) }
}

/** What the desk itself is set up with, besides packages. */
const SETUP: readonly [to: string, name: string, what: string][] = [
  ['/programs', 'Programs', 'what is asked for, compared and added up'],
  ['/types', 'Document types', 'values, wordings, how sure is sure enough'],
  ['/rules', 'Rules', 'where documents start, in words'],
  ['/registers', 'Registers', 'whom and what the lender knows'],
  ['/receivers', 'Receivers', 'whom packages go to, in which order, names and forms'],
  ['/lender', 'Papers', 'country, currency, how days are written; the colour that applicants see'],
  ['/learning', 'Learning', 'what confirmed papers teach'],
  ['/people', 'People', 'who signs in, and what each may do'],
  ['/notices', 'Notices', 'who is told of which papers'],
  ['/integrations', 'Other systems', 'what they may bring and fetch, by keys'],
  ['/trail', 'Trail', 'who signed in, looked, changed, handed out'],
  ['/keeping', 'Keeping', 'how long, what is held, what is erased'],
  ['/failed', 'Failed work', 'what was given up, to be done again'],
  ['/starter', 'Starter sets', 'types and programs to begin with'],
]

/** The frame of everything behind the sign-in: a bar with where one is, what is being sent, and who one is. */
export default function Desk({ loaderData: { who, organisation, tasks } }: Route.ComponentProps) {
  const view = useMatches().find((m) => m.id === 'routes/package/package')?.loaderData as
    PackageView | undefined
  return (
    <div className="flex h-dvh flex-col">
      <header className="flex h-11 shrink-0 items-center gap-4 bg-bar px-3.5 text-white">
        <Link to="/packages" className="text-lg font-bold text-white" aria-label="Jigsa, to the queue">
          Jigsa
        </Link>
        {view ? (
          <CaseLine view={view} />
        ) : (
          <span className="hidden text-[#c0ccd4] sm:block">{organisation}</span>
        )}
        <span className="ml-auto" />
        <Sending />
        <Link
          to="/tasks"
          className="rounded px-2 py-1 text-sm text-[#c0ccd4] hover:text-white"
          aria-label={`Tasks, ${tasks} open`}
        >
          Tasks{' '}
          {tasks > 0 ? (
            <span className="rounded-full bg-[#34495a] px-1.5 text-xs text-white">{tasks}</span>
          ) : null}
        </Link>
        <Link
          to="/arrivals"
          className="hidden rounded px-2 py-1 text-sm text-[#c0ccd4] hover:text-white sm:block"
        >
          Arrivals
        </Link>
        <DropdownMenu.Root>
          <DropdownMenu.Trigger className="hidden items-center gap-1 rounded px-2 py-1 text-sm text-[#c0ccd4] hover:text-white sm:flex">
            Set-up
            <ChevronDown size={14} />
          </DropdownMenu.Trigger>
          <DropdownMenu.Portal>
            <DropdownMenu.Content align="end" sideOffset={6} className="card z-20 min-w-56 p-1 shadow-xl">
              {SETUP.map(([to, name, what]) => (
                <DropdownMenu.Item key={to} asChild>
                  <Link to={to} className="block rounded px-3 py-1.5 data-[highlighted]:bg-petrol-soft">
                    <b>{name}</b>
                    <span className="block text-[13px] text-ink-2">{what}</span>
                  </Link>
                </DropdownMenu.Item>
              ))}
            </DropdownMenu.Content>
          </DropdownMenu.Portal>
        </DropdownMenu.Root>
        <KeyHelp />
        <DropdownMenu.Root>
          <DropdownMenu.Trigger className="grid size-7 place-items-center rounded-full bg-[#34495a] text-xs font-semibold text-white">
            <span className="sr-only">Signed in as {who.name}</span>
            <span aria-hidden>
              {who.name
                .split(' ')
                .map((p) => p[0])
                .join('')
                .slice(0, 2)}
            </span>
          </DropdownMenu.Trigger>
          <DropdownMenu.Portal>
            <DropdownMenu.Content align="end" sideOffset={6} className="card z-20 min-w-52 p-1 shadow-xl">
              <div className="px-3 py-2 text-sm">
                <b>{who.name}</b>
                <br />
                <span className="text-ink-2">
                  {who.role} · {who.email}
                </span>
              </div>
              <DropdownMenu.Separator className="my-1 h-px bg-line-2" />
              <DropdownMenu.Item asChild>
                <Link to="/account" className="block rounded px-3 py-1.5 data-[highlighted]:bg-petrol-soft">
                  Your account
                </Link>
              </DropdownMenu.Item>
              <Form method="post" action="/sign-out">
                <DropdownMenu.Item asChild onSelect={(event) => event.preventDefault()}>
                  <button className="w-full rounded px-3 py-1.5 text-left data-[highlighted]:bg-petrol-soft">
                    Sign out
                  </button>
                </DropdownMenu.Item>
              </Form>
            </DropdownMenu.Content>
          </DropdownMenu.Portal>
        </DropdownMenu.Root>
      </header>
      {/* What is out of sight inside it is placed by it, or the whole page could be rolled away under the bar. */}
      <div className="relative min-h-0 flex-1 overflow-auto">
        <Outlet />
      </div>
    </div>
  )
}

function CaseLine({ view: { row, programTitle, meter } }: { view: PackageView }) {
  return (
    <>
      <span className="truncate text-[#c0ccd4]">
        <span className="font-mono">{row.caseNumber}</span>
        <span className="hidden sm:inline">
          {' '}
          · {row.applicant ?? 'applicant not known yet'} · {programTitle}
        </span>
      </span>
      {meter ? (
        <span className="ml-auto hidden items-center gap-3 text-sm md:flex">
          <span aria-hidden className="h-2 w-36 overflow-hidden rounded bg-[#34495a]">
            <span
              className="block h-full bg-[#7cc9d6]"
              style={{ width: `${(100 * meter.placed) / Math.max(1, meter.all)}%` }}
            />
          </span>
          {meter.placed} of {meter.all} placed
        </span>
      ) : null}
    </>
  )
}

/** Files still on their way from this browser, wherever one is. */
function Sending() {
  const going = useUploads().filter((u) => u.state === 'waiting' || u.state === 'sending')
  if (going.length === 0) return null
  const [sent, all] = [going.reduce((s, u) => s + u.sent, 0), going.reduce((s, u) => s + u.size, 0)]
  return (
    <Link to={`/packages/${going[0].packageId}/files`} className="text-sm whitespace-nowrap text-[#f0bc5a]">
      Sending {going.length === 1 ? going[0].name : `${going.length} files`},{' '}
      {Math.floor((100 * sent) / Math.max(1, all))} %
    </Link>
  )
}

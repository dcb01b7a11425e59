import { clsx } from 'clsx'
import {
  NavLink,
  Outlet,
  redirect,
  useFetcher,
  useLocation,
  useNavigate,
  useSearchParams,
} from 'react-router'
import { accepted } from '../../../core/dossier/index.ts'
import { askedPackage } from '../../../server/access/packages.ts'
import { noteLook } from '../../../server/audit.ts'
import { packageView } from '../../../server/packages/view.ts'
import { useChanges } from '../../parts/changes.ts'
import { count } from '../../parts/format.ts'
import { useKeys } from '../../parts/keys.ts'
import { Asker } from '../../package/asker.tsx'
import { Finder } from '../../package/finder.tsx'
import { LookingProvider, useLooking } from '../../package/looking.tsx'
import { Loupe } from '../../package/loupe.tsx'
import { OwnerMenu } from '../../package/owner-menu.tsx'
import { useSay } from '../../package/say.ts'
import { Strip } from '../../package/strip.tsx'
import { Toast } from '../../package/toast.tsx'
import { usePackage } from '../../package/view.ts'
import type { Route } from './+types/package'

export const meta = ({ loaderData }: Route.MetaArgs) => [
  { title: `${loaderData?.row.caseNumber ?? 'Package'} · Jigsa` },
]

export async function loader({ request, params }: Route.LoaderArgs) {
  const { who, row } = await askedPackage(request, params.id)
  // A sample that a type is written from is in no queue and is judged by nothing.
  if (row.state === 'sample') throw redirect(`/types/new?sample=${row.id}`)
  await noteLook(who, row.id)
  return packageView(who, row)
}

export default function Package({ loaderData: { row } }: Route.ComponentProps) {
  const [params] = useSearchParams()
  const first = Number(params.get('page'))
  useChanges(row.id)
  return (
    <LookingProvider
      key={row.id}
      packageId={row.id}
      first={Number.isInteger(first) && first > 0 && first <= Math.max(1, row.pageCount) ? first : 1}
    >
      <Frame />
    </LookingProvider>
  )
}

/** How far what the applicant is asked for is, beside the view of that name. */
const REQUEST_NOTES = {
  none: '',
  draft: 'draft',
  'to sign': 'to sign',
  sent: 'sent',
  'called back': '',
  done: 'answered',
} as const

function Frame() {
  const { row, assessment, undo, files } = usePackage()
  const { page, look } = useLooking()
  const say = useSay()
  const navigate = useNavigate()
  const { pathname } = useLocation()
  const open = (assessment?.checklist ?? []).filter(
    (c) => c.status === 'satisfied' || c.status === 'not_applicable' || c.status === 'waived',
  ).length
  const differing =
    (assessment?.facts.filter((f) => f.status === 'conflict').length ?? 0) +
    (assessment?.checks.filter((c) => c.status === 'failed' && !accepted(c)).length ?? 0)
  const views: [path: string, name: string, note: string][] = [
    ['deck', 'Deck', assessment ? String(assessment.deck.length) : ''],
    ['papers', 'Papers', assessment ? String(assessment.documents.length) : ''],
    ['overview', 'All pages', ''],
    ['values', 'Values', ''],
    ['checklist', 'Checklist', assessment ? `${open}/${assessment.checklist.length}` : ''],
    ['facts', 'Facts', differing ? `${differing} differ` : ''],
    ['request', 'Request', REQUEST_NOTES[row.request ?? 'none']],
    ['hand-over', 'Hand over', row.state === 'finished' ? 'done' : row.toSign > 0 ? String(row.toSign) : ''],
    ['files', 'Files', files.unusable ? `${files.unusable} set aside` : ''],
    ['history', 'History', ''],
  ]
  const here = views.findIndex(
    ([path]) =>
      pathname.endsWith(`/${path}`) ||
      (path === 'papers' && pathname.endsWith('/compare')) ||
      (path === 'values' && (pathname.endsWith('/says') || pathname.endsWith('/table'))),
  )
  const go = (by: number) =>
    void navigate(`${views[(here + by + views.length) % views.length][0]}?page=${page}`)
  useKeys({
    '[': () => go(-1),
    ']': () => go(1),
    u: () => undo.undo && say.undo(),
    'shift+u': () => undo.redo && say.redo(),
  })
  const view = views[here]?.[0]
  const judged = assessment !== null
  const waits = !judged && view !== 'files' && view !== 'history'
  const withLoupe =
    judged &&
    !pathname.endsWith('/compare') &&
    !pathname.endsWith('/table') &&
    ['deck', 'papers', 'values', 'checklist'].includes(view)
  return (
    <div className="flex h-full flex-col">
      {row.pageCount > 0 ? <Strip /> : null}
      {judged ? (
        <>
          <Finder />
          <Asker
            onShow={(to, box) => {
              look(to, box)
              if (!withLoupe) void navigate(`values?page=${to}`)
            }}
          />
        </>
      ) : null}
      <div className="flex min-h-0 flex-1 flex-col sm:flex-row">
        <nav
          aria-label="Views of the package"
          className="flex shrink-0 overflow-x-auto border-line bg-table sm:w-33 sm:flex-col sm:border-r sm:py-3"
        >
          {views.map(([path, name, note], i) => (
            <span key={path} className="contents">
              {i === 6 ? <hr className="mx-4 my-2 hidden border-line sm:block" /> : null}
              <NavLink
                to={`${path}?page=${page}`}
                className={({ isActive }) =>
                  clsx(
                    'flex items-baseline justify-between gap-2 border-l-4 px-4 py-2 whitespace-nowrap',
                    isActive
                      ? 'border-petrol bg-sheet font-bold'
                      : 'border-transparent text-ink-2 hover:text-ink',
                  )
                }
              >
                {name}
                <span
                  className={clsx(
                    'text-[13px]',
                    path === 'facts' && differing ? 'font-semibold text-plum' : 'text-ink-2',
                  )}
                >
                  {note}
                </span>
              </NavLink>
            </span>
          ))}
          <span className="mt-auto hidden sm:block">
            <OwnerMenu />
          </span>
        </nav>
        <main
          className={clsx(
            'min-h-0 min-w-0 flex-1 space-y-4 overflow-auto p-4 lg:grid lg:gap-4 lg:space-y-0',
            withLoupe && 'lg:grid-cols-[minmax(0,1fr)_minmax(360px,34%)] lg:overflow-hidden',
          )}
        >
          <div className="min-w-0 lg:min-h-0 lg:overflow-auto">
            {row.problem ? <Unchecked problem={row.problem} /> : null}
            {!waits ? <Outlet /> : row.problem ? null : <Waiting />}
          </div>
          {withLoupe ? <Loupe /> : null}
        </main>
      </div>
      <Toast />
    </div>
  )
}

/** Says that a package could not be checked, and lets somebody have it checked again. */
function Unchecked({ problem }: { problem: string }) {
  const again = useFetcher()
  const { row, assessment } = usePackage()
  return (
    <div role="alert" className="card mb-4 flex max-w-3xl flex-wrap items-center gap-3 p-4">
      <p className="min-w-60 flex-1 text-plum">
        {problem} {assessment ? 'What is shown is as it was before.' : ''}
      </p>
      <again.Form method="post" action={`/packages/${row.id}/again`}>
        <button type="submit" className="button" disabled={again.state !== 'idle'}>
          Check them again
        </button>
      </again.Form>
    </div>
  )
}

/** What is shown until a package is read and judged. */
function Waiting() {
  const { row, files } = usePackage()
  if (row.pageCount === 0)
    return (
      <p className="card max-w-xl p-6 text-ink-2" role="status">
        {files.coming > 0
          ? `${count(files.coming, 'file')} waiting to be opened. This screen fills by itself; you may go elsewhere meanwhile.`
          : 'No pages are here yet. Bring files under “Files”.'}
      </p>
    )
  const read = row.pagesRead >= row.pageCount
  return (
    <div className="card max-w-xl p-6" role="status">
      <h1 className="text-lg font-semibold">{read ? 'Being cut and checked' : 'Being read'}</h1>
      <p className="mt-1 text-ink-2">
        {read
          ? `${count(row.pageCount, 'page')} read.`
          : `${row.pagesRead} of ${count(row.pageCount, 'page')} read.`}{' '}
        This screen fills by itself; you may go elsewhere meanwhile.
      </p>
      <div className="mt-4 h-2 overflow-hidden rounded bg-line-2">
        <div className="h-full bg-petrol" style={{ width: `${(100 * row.pagesRead) / row.pageCount}%` }} />
      </div>
    </div>
  )
}

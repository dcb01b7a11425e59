import { historyOf } from '../../../server/audit.ts'
import { askedPackage } from '../../../server/access/packages.ts'
import { moment } from '../../parts/format.ts'
import { useSay } from '../../package/say.ts'
import { usePackage } from '../../package/view.ts'
import type { Route } from './+types/history'

export async function loader({ request, params }: Route.LoaderArgs) {
  const { row } = await askedPackage(request, params.id)
  return { acts: await historyOf(row.id) }
}

/** Who did what, when; the newest first. */
export default function History({ loaderData: { acts } }: Route.ComponentProps) {
  const { row, undo } = usePackage()
  const say = useSay()
  return (
    <div className="max-w-4xl pb-6">
      <div className="mb-3 flex flex-wrap items-center gap-2">
        <h1 className="mr-auto text-xl font-semibold">History</h1>
        <a className="button" href={`/packages/${row.id}/history.csv`} download>
          As a table
        </a>
        <button
          type="button"
          className="button"
          disabled={!undo.undo || say.busy}
          title={undo.undo ?? undefined}
          onClick={say.undo}
        >
          Undo <span className="key">U</span>
        </button>
        <button
          type="button"
          className="button"
          disabled={!undo.redo || say.busy}
          title={undo.redo ?? undefined}
          onClick={say.redo}
        >
          Redo <span className="key">Shift U</span>
        </button>
      </div>
      <ol className="grid gap-px overflow-hidden rounded-lg border border-line bg-line-2">
        {acts.toReversed().map((act) => (
          <li key={act.id} className="grid gap-x-4 bg-sheet px-3 py-1.5 sm:grid-cols-[170px_130px_1fr]">
            <time suppressHydrationWarning className="text-sm text-ink-2">
              {moment(act.at)}
            </time>
            <span className="text-sm font-semibold">{act.userName}</span>
            <span>
              {act.act}
              {act.detail ? <span className="text-ink-2">: {act.detail}</span> : null}
            </span>
          </li>
        ))}
      </ol>
    </div>
  )
}

import { clsx } from 'clsx'
import { Check } from 'lucide-react'
import { data, Form, Link, useNavigation } from 'react-router'
import { z } from 'zod'
import { signedIn } from '../../../server/access/people.ts'
import { countTasks, endTask, tasksOf } from '../../../server/tasks/tasks.ts'
import { formBody } from '../../../server/web/bodies.ts'
import { useChanges } from '../../parts/changes.ts'
import { ago, count, moment } from '../../parts/format.ts'
import { Told } from '../../parts/told.tsx'
import type { Route } from './+types/tasks'

export const meta = () => [{ title: 'Tasks · Jigsa' }]

export async function loader({ request }: Route.LoaderArgs) {
  const who = await signedIn(request)
  return { tasks: await tasksOf(who), all: await countTasks(who) }
}

const formSchema = z.object({ id: z.uuid() })

export async function action({ request }: Route.ActionArgs) {
  const who = await signedIn(request)
  const form = formSchema.safeParse(await formBody(request))
  if (!form.success || !(await endTask(who, form.data.id)))
    return data({ problem: 'This task has ended meanwhile.' }, 409)
  return { problem: null }
}

const KINDS = {
  'sign a decision': 'Decision to sign',
  'sign off': 'Package to sign off',
  'sign a request': 'Request to sign',
  'mail came back': 'Mail came back',
  'poor copy': 'Poor copy',
  'high amount': 'Over a limit',
  notice: 'Notice',
  'request overdue': 'Past its day',
  'request answered': 'Applicant answered',
} as const
/** Tasks that end with what is done in the package, and no other way. */
const BY_ITSELF: ReadonlySet<string> = new Set(['sign a decision', 'sign off', 'sign a request'])

/** What calls for somebody, over all packages, for those who may do it. */
export default function Tasks({ loaderData: { tasks, all }, actionData }: Route.ComponentProps) {
  useChanges(null)
  const busy = useNavigation().state !== 'idle'
  return (
    <main className="mx-auto max-w-5xl p-4">
      <h1 className="mb-1 text-xl font-semibold">
        Tasks <span className="font-normal text-ink-2">{all}</span>
      </h1>
      <p className="mb-3 text-ink-2">
        What somebody has to look at. A task ends by itself when its cause does; the others you end here.
      </p>
      <Told problem={actionData?.problem} />
      {tasks.length === 0 ? (
        <p className="card p-6 text-ink-2">Nothing waits for you.</p>
      ) : (
        <ul className="grid gap-2">
          {tasks.map((task) => {
            const late = task.due !== null && new Date(task.due) < new Date()
            return (
              <li key={task.id} className="card flex flex-wrap items-center gap-x-4 gap-y-1 px-4 py-2.5">
                <span className="w-40 shrink-0 font-semibold">{KINDS[task.kind]}</span>
                <span className="min-w-60 flex-1">
                  <Link
                    className="font-semibold text-petrol underline"
                    to={`/packages/${task.packageId}/${task.place}`}
                  >
                    {task.reason}
                  </Link>
                  <span className="block text-sm text-ink-2">
                    <span className="font-mono">{task.caseNumber}</span>
                    {task.applicant ? ` · ${task.applicant}` : ''} · {ago(task.createdAt)} ago
                    {task.owner ? ` · ${task.mine ? 'yours' : `with ${task.owner}`}` : ''}
                    {task.due ? (
                      <span className={clsx(late && 'font-semibold text-plum')}>
                        {' '}
                        · due {moment(task.due)}
                      </span>
                    ) : null}
                  </span>
                </span>
                {BY_ITSELF.has(task.kind) ? null : (
                  <Form method="post">
                    <input type="hidden" name="id" value={task.id} />
                    <button
                      className="button px-2 py-1 text-sm"
                      disabled={busy}
                      aria-label={`Done: ${task.reason}`}
                    >
                      <Check size={14} aria-hidden />
                      Done
                    </button>
                  </Form>
                )}
              </li>
            )
          })}
        </ul>
      )}
      {tasks.length < all ? (
        <p className="mt-3 text-sm text-ink-2">The first {count(tasks.length, 'task')} are shown.</p>
      ) : null}
    </main>
  )
}

import { inWords } from '../../../wording/index.ts'
import { Check, Download, Lock, LockOpen } from 'lucide-react'
import { useState } from 'react'
import { data, Form, Link, useNavigation, useSearchParams } from 'react-router'
import { z } from 'zod'
import { usualReceiver } from '../../../core/receivers/index.ts'
import { askedPackage } from '../../../server/access/packages.ts'
import { finish, openAgain, sendBack, signOff } from '../../../server/packages/finish.ts'
import { database } from '../../../server/database/connection.ts'
import { filesFor } from '../../../server/handover/preview.ts'
import { receiversOf } from '../../../server/handover/receivers.ts'
import { Refused } from '../../../server/packages/states.ts'
import { formBody } from '../../../server/web/bodies.ts'
import { Decisions } from '../../package/decisions.tsx'
import { CONTENT_WORDS } from '../../parts/handing-over.ts'
import { count } from '../../parts/format.ts'
import { useJudged } from '../../package/view.ts'
import type { Route } from './+types/hand-over'

/** Files for each receiver, the usual way first. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const { who, row } = await askedPackage(request, params.id)
  const all = [usualReceiver, ...(await receiversOf(database(), who.organisationId))]
  return {
    receivers: await Promise.all(
      all.map(async (receiver) => ({
        id: receiver.id,
        title: receiver.title,
        contents: receiver.contents,
        envelope: receiver.envelope,
        ...(await filesFor(who.organisationId, row.id, receiver)),
      })),
    ),
  }
}

const formSchema = z.discriminatedUnion('act', [
  z.object({ act: z.literal('finish') }),
  z.object({ act: z.literal('sign') }),
  z.object({
    act: z.literal('back'),
    reason: z.string().trim().min(3, 'Say in three letters or more what is to be done.').max(500),
  }),
  z.object({ act: z.literal('open') }),
])

export async function action({ request, params }: Route.ActionArgs) {
  const { who, row } = await askedPackage(request, params.id)
  const form = formSchema.safeParse(await formBody(request))
  if (!row.assessment) return data({ problem: 'This package is not read yet.' }, 409)
  if (!form.success) return data({ problem: form.error.issues[0].message }, 400)
  try {
    if (form.data.act === 'finish') await finish(row.id, who)
    else if (form.data.act === 'sign') await signOff(row.id, who)
    else if (form.data.act === 'back') await sendBack(row.id, who, form.data.reason)
    else await openAgain(row.id, who)
    return { problem: null }
  } catch (error) {
    if (error instanceof Refused) return data({ problem: error.message }, 409)
    throw error
  }
}

/** What goes out, what is still open, what a second person must look at, and the end of the work on the package. */
export default function HandOver({ loaderData: { receivers }, actionData }: Route.ComponentProps) {
  const { row, assessment, who, signOff, rights } = useJudged()
  const [params, setParams] = useSearchParams()
  const receiver = receivers.find((r) => r.id === params.get('receiver')) ?? receivers[0]
  const address = (format: string) =>
    `/packages/${row.id}/package.zip?${new URLSearchParams({
      format,
      ...(receiver.id === usualReceiver.id ? {} : { receiver: receiver.id }),
    }).toString()}`
  const blocking = assessment.findings.filter((f) => f.severity === 'blocking')
  const loose = assessment.deck.length
  const done = row.state === 'finished'
  const maySign = rights.includes('sign')
  return (
    <div className="grid max-w-5xl gap-4 pb-6 lg:grid-cols-2">
      <section className="card self-start p-4">
        <h1 className="text-xl font-semibold">Hand over</h1>
        {receivers.length > 1 ? (
          <label className="mt-2 grid gap-1">
            <span className="text-sm text-ink-2">To</span>
            <select
              className="field py-1.5"
              value={receiver.id}
              onChange={(event) => setParams({ receiver: event.target.value }, { replace: true })}
            >
              {receivers.map((r) => (
                <option key={r.id} value={r.id}>
                  {r.title}
                </option>
              ))}
            </select>
          </label>
        ) : null}
        <p className="mt-2 text-ink-2">{receiver.contents.map((c) => CONTENT_WORDS[c].long).join('; ')}.</p>
        <div className="mt-4 flex flex-wrap items-center gap-2">
          <a
            className={done ? 'button-main' : 'button'}
            href={address(receiver.envelope)}
            download
            aria-disabled={receiver.faults.length > 0}
          >
            <Download size={16} />
            Download {row.caseNumber}.{receiver.envelope === 'bag' ? 'bag.zip' : 'zip'}
          </a>
          {done ? (
            <Act act="open" plain>
              <LockOpen size={16} />
              Open it again
            </Act>
          ) : row.state === 'review' ? null : (
            <Act act="finish">
              <Lock size={16} />
              {signOff.finish || row.toSign > 0 ? 'Give it to a second person' : 'Finish the package'}
            </Act>
          )}
        </div>
        {row.state === 'review' ? <Review may={maySign} own={row.finishAskedById === who.id} /> : null}
        {actionData?.problem ? (
          <p role="alert" className="odd-edge mt-3 rounded-md border border-line bg-sheet px-3 py-2 text-sm">
            {actionData.problem}
          </p>
        ) : null}
        <p className="mt-2 flex flex-wrap gap-x-3 gap-y-1 text-sm">
          <span className="text-ink-2">Or alone:</span>
          {ALONE.map(([format, name]) => (
            <a key={format} className="text-petrol underline" href={address(format)} download>
              {name}
            </a>
          ))}
        </p>
        <p className="mt-3 text-sm text-ink-2">
          {done
            ? 'Finished: it takes no more answers.'
            : row.state === 'review'
              ? 'While somebody else looks at it, it takes no answers but theirs.'
              : signOff.finish
                ? 'By this program somebody who did none of the work signs it off. Nothing can be changed meanwhile.'
                : row.toSign > 0
                  ? 'Decisions against the papers wait for a second person; finishing gives the package to one.'
                  : 'Finishing closes it to answers. It can be opened again.'}
        </p>
        <h2 className="mt-5 mb-1 font-semibold">Still open</h2>
        {loose === 0 && blocking.length === 0 ? (
          <p className="text-ink-2">Nothing.</p>
        ) : (
          <ul className="grid gap-1 text-sm">
            {loose > 0 ? (
              <li className="border-l-4 border-dashed border-amber pl-2">
                <Link className="underline" to="../deck">
                  {count(loose, 'loose piece')}
                </Link>{' '}
                nobody has answered
              </li>
            ) : null}
            {blocking.map((f) => (
              <li key={f.id} className="odd-edge pl-2">
                {inWords(f.message)}
              </li>
            ))}
          </ul>
        )}
      </section>
      <div className="grid content-start gap-4">
        <Decisions may={maySign} />
        <section className="card p-4">
          <h2 className="mb-2 font-semibold">
            {receiver.contents.includes('documents')
              ? 'Files that go out'
              : receiver.contents.includes('whole')
                ? 'Papers in the PDF, in this order'
                : 'Papers whose values go out'}
          </h2>
          {receiver.faults.length > 0 ? (
            <p role="alert" className="odd-edge mb-2 pl-2">
              {receiver.faults.join(' ')}
            </p>
          ) : null}
          <ol className="grid gap-1 text-sm">
            {receiver.files.map((file) => (
              <li key={file.document} className="flex gap-3">
                <span className="min-w-0 flex-1 font-mono break-words">{file.path}</span>
                <span className="whitespace-nowrap text-ink-2">
                  {file.pages.length === 1 ? `page ${file.pages[0]}` : `pages ${runsOfPages(file.pages)}`}
                </span>
              </li>
            ))}
          </ol>
        </section>
      </div>
    </div>
  )
}

/** What can be had by itself. */
const ALONE = [
  ['pdf', 'one PDF'],
  ['xlsx', 'spreadsheet'],
  ['csv', 'CSV'],
  ['json', 'JSON'],
  ['xml', 'XML'],
] as const

/** Pages in a row as their first and last. */
function runsOfPages(pages: readonly number[]): string {
  const runs: [first: number, last: number][] = []
  for (const page of pages) {
    const last = runs.at(-1)
    if (last && last[1] === page - 1) last[1] = page
    else runs.push([page, page])
  }
  return runs.map(([first, last]) => (first === last ? String(first) : `${first}–${last}`)).join(', ')
}

function Act({
  act,
  plain = false,
  children,
}: {
  act: 'finish' | 'sign' | 'open'
  plain?: boolean
  children: React.ReactNode
}) {
  const { row } = useJudged()
  const busy = useNavigation().state !== 'idle'
  return (
    <Form method="post">
      <input type="hidden" name="act" value={act} />
      <button className={plain ? 'button' : 'button-main'} disabled={busy || row.state === 'reading'}>
        {children}
      </button>
    </Form>
  )
}

/** The work is done: whoever did none of it signs it off, or sends it back. */
function Review({ may, own }: { may: boolean; own: boolean }) {
  const [reason, setReason] = useState('')
  return (
    <div className="mt-4 rounded-md border border-dashed border-amber p-3">
      <p className="font-semibold">The work is done; a second person looks at it.</p>
      {own ? <p className="text-sm text-ink-2">You gave it to them. You can take it back to go on.</p> : null}
      <div className="mt-2 flex flex-wrap gap-2">
        {may && !own ? (
          <Act act="sign">
            <Check size={16} />
            Sign it off
          </Act>
        ) : null}
        {may || own ? (
          <Form method="post" className="flex flex-1 gap-2">
            <input type="hidden" name="act" value="back" />
            <input
              className="field py-1"
              name="reason"
              aria-label="What is to be done"
              placeholder={own ? 'Why take it back?' : 'What is to be done?'}
              value={reason}
              onChange={(event) => setReason(event.target.value)}
            />
            <button className="button whitespace-nowrap" disabled={reason.trim().length < 3}>
              {own ? 'Take it back' : 'Send it back'}
            </button>
          </Form>
        ) : null}
      </div>
    </div>
  )
}

import { inWords } from '../../../wording/index.ts'
import { useState } from 'react'
import { data, Form, Link, useNavigation } from 'react-router'
import { z } from 'zod'
import type { RequirementResult } from '../../../core/check/index.ts'
import { askedPackage } from '../../../server/access/packages.ts'
import { newerFor, takeVersion } from '../../../server/packages/program-change.ts'
import { Refused } from '../../../server/packages/states.ts'
import { formBody } from '../../../server/web/bodies.ts'
import { show } from '../../parts/format.ts'
import type { Route } from './+types/checklist'
import { ApplicantSays } from '../../package/applicant-says.tsx'
import { useLooking } from '../../package/looking.tsx'
import { useSay, useTaken } from '../../package/say.ts'
import { isClosed, useJudged } from '../../package/view.ts'

const WORDS: Record<RequirementResult['status'], string> = {
  satisfied: 'there',
  missing: 'missing',
  incomplete: 'incomplete',
  expired: 'out of date',
  unsigned: 'unsigned',
  insufficient: 'not enough',
  not_applicable: 'not needed',
  waived: 'waived',
}
const settled = (status: RequirementResult['status']): boolean =>
  ['satisfied', 'not_applicable', 'waived'].includes(status)

export async function loader({ request, params }: Route.LoaderArgs) {
  const { who, row } = await askedPackage(request, params.id)
  return { newer: row.assessment && row.state === 'open' ? await newerFor(row.id, who.organisationId) : null }
}

const formSchema = z.object({
  version: z.coerce.number().int().positive(),
  reason: z.string().trim().max(500).optional(),
})

/** Moves the package to another version of its program. */
export async function action({ request, params }: Route.ActionArgs) {
  const { who, row } = await askedPackage(request, params.id)
  const form = formSchema.safeParse(await formBody(request))
  if (!form.success) return data({ problem: 'There is no such version.' }, 400)
  try {
    await takeVersion(row.id, form.data.version, who, form.data.reason)
    return { problem: null }
  } catch (error) {
    if (error instanceof Refused) return data({ problem: error.message }, 409)
    throw error
  }
}

/** What the program asks for, and what fulfils it. */
export default function Checklist({ loaderData: { newer }, actionData }: Route.ComponentProps) {
  const { assessment, programTitle, row, rights } = useJudged()
  const open = assessment.checklist.filter((c) => !settled(c.status))
  return (
    <div className="pb-6">
      <h1 className="mb-3 text-xl font-semibold">
        {open.length === 0
          ? 'All that is asked for is there'
          : `${open.length} of ${assessment.checklist.length} still to come`}{' '}
        <span className="text-base font-normal text-ink-2">
          {programTitle}, version {row.programVersion}, judged on {show(row.asOf)}
        </span>
      </h1>
      {newer ? <Newer {...newer} /> : null}
      {row.programVersion > 1 && row.state === 'open' && rights.includes('go back') ? (
        <Older version={row.programVersion - 1} />
      ) : null}
      {actionData?.problem ? (
        <p role="alert" className="odd-edge mb-3 rounded-md border border-line bg-sheet px-3 py-2">
          {actionData.problem}
        </p>
      ) : null}
      <ul className="grid gap-2">
        {[...open, ...assessment.checklist.filter((c) => settled(c.status))].map((item) => (
          <Item key={item.requirement} item={item} />
        ))}
      </ul>
    </div>
  )
}

/** A newer version of the program, with what it would change here: taken knowingly or not at all. */
function Newer({
  version,
  changes,
}: {
  version: number
  changes: { title: string; before: string; after: string }[]
}) {
  const busy = useNavigation().state !== 'idle'
  const words = (state: string) => WORDS[state as keyof typeof WORDS] ?? state.replaceAll('_', ' ')
  return (
    <section
      aria-label="A newer version of the program"
      className="mb-3 rounded-lg border border-petrol bg-sheet px-4 py-2.5"
    >
      <div className="flex flex-wrap items-center gap-3">
        <p className="mr-auto">
          <b>The program has a version {version}.</b> This package stays with its own unless you move it.{' '}
          {changes.length === 0 ? 'It would change nothing here.' : ''}
        </p>
        <Form method="post">
          <input type="hidden" name="version" value={version} />
          <button className="button px-2 py-1 text-sm" disabled={busy}>
            Move to version {version}
          </button>
        </Form>
      </div>
      {changes.length > 0 ? (
        <ul className="mt-1 text-sm">
          {changes.map((c, i) => (
            <li key={i}>
              {c.title}: <b>{words(c.after)}</b>
              <span className="text-ink-2">, is {words(c.before)}</span>
            </li>
          ))}
        </ul>
      ) : null}
    </section>
  )
}

/** A lead's way back to an older version of the program, with a reason. */
function Older({ version }: { version: number }) {
  const [reason, setReason] = useState('')
  const busy = useNavigation().state !== 'idle'
  return (
    <details className="mb-3 text-sm">
      <summary className="cursor-pointer text-ink-2">Judge it by an older version of the program</summary>
      <Form method="post" className="mt-2 flex max-w-2xl items-center gap-2">
        <input
          className="field w-20 py-1"
          type="number"
          name="version"
          aria-label="Version"
          min={1}
          max={version}
          defaultValue={version}
        />
        <input
          className="field py-1"
          name="reason"
          aria-label="Why it goes back"
          placeholder="Why?"
          value={reason}
          onChange={(event) => setReason(event.target.value)}
        />
        <button className="button whitespace-nowrap" disabled={busy || reason.trim().length < 3}>
          Go back
        </button>
      </Form>
    </details>
  )
}

function Item({ item }: { item: RequirementResult }) {
  const { assessment, row } = useJudged()
  const { look } = useLooking()
  const [waiving, setWaiving] = useState(false)
  const good = settled(item.status)
  return (
    <li className={`card px-4 py-2.5 ${good ? '' : 'odd-edge'}`}>
      <div className="flex items-baseline gap-3">
        <span className={`w-24 shrink-0 text-sm font-semibold ${good ? 'text-ink-2' : 'text-plum'}`}>
          {good ? <span aria-hidden>✓ </span> : <span aria-hidden>◖ </span>}
          {WORDS[item.status]}
        </span>
        <span className="min-w-0 flex-1">
          <b>{item.title}</b>
          <span className="block text-sm text-ink-2">{inWords(item.reason)}</span>
          {item.waiver && item.waiver.state !== 'holds' ? (
            <span className="block text-sm text-amber">
              {item.waiver.state === 'waits'
                ? `Waived (“${item.waiver.reason}”); it counts once a second person agrees`
                : `Waiving it was refused${item.waiver.refusal ? `: “${item.waiver.refusal}”` : ''}`}
            </span>
          ) : null}
          <ApplicantSays item={`requirement:${item.requirement}`} />
          <span className="mt-1 flex flex-wrap gap-1.5">
            {item.documents
              .flatMap((id) => assessment.documents.find((d) => d.id === id) ?? [])
              .map((d) => (
                <button
                  key={d.id}
                  type="button"
                  className="rounded border border-line bg-raised px-2 py-0.5 text-[13px] hover:border-petrol"
                  onClick={() => look(d.pages[0])}
                >
                  {d.label}, page {d.pages[0]}
                </button>
              ))}
          </span>
        </span>
        {!good && !isClosed(row) ? (
          <Link className="button px-2 py-1 text-sm" to={`/packages/${row.id}/request`}>
            Ask for it
          </Link>
        ) : null}
        {!good && !isClosed(row) && item.waiver?.state !== 'waits' ? (
          <button
            type="button"
            className="button px-2 py-1 text-sm"
            aria-expanded={waiving}
            onClick={() => setWaiving(!waiving)}
          >
            Waive
          </button>
        ) : null}
      </div>
      {waiving ? <WaiveForm requirement={item.requirement} onClose={() => setWaiving(false)} /> : null}
    </li>
  )
}

function WaiveForm({ requirement, onClose }: { requirement: string; onClose: () => void }) {
  const say = useSay()
  const [reason, setReason] = useState('')
  useTaken(say, onClose)
  return (
    <form
      className="mt-2 flex gap-2"
      onSubmit={(event) => {
        event.preventDefault()
        say.answer({ kind: 'waive', requirement, reason })
      }}
    >
      <input
        autoFocus
        className="field py-1"
        aria-label="Reason for waiving"
        placeholder="Why is it not needed?"
        value={reason}
        onChange={(event) => setReason(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === 'Escape') onClose()
        }}
      />
      <button className="button-main py-1" disabled={say.busy || reason.trim().length < 3}>
        Waive
      </button>
    </form>
  )
}

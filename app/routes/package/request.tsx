import { clsx } from 'clsx'
import { Copy, Plus, Send, Undo2 } from 'lucide-react'
import { useEffect, useId, useRef, useState } from 'react'
import { data, Form, Link, useFetcher, useNavigation } from 'react-router'
import { z } from 'zod'
import { askedPackage } from '../../../server/access/packages.ts'
import { jsonOf } from '../../../server/json.ts'
import { Refused } from '../../../server/packages/states.ts'
import {
  addOwnItem,
  changeDraft,
  draftSchema,
  dropItem,
  rejectPaper,
  type DraftChange,
} from '../../../server/requests/drafts.ts'
import { callBack, sendAgain, sendRequest, signRequest } from '../../../server/requests/send.ts'
import { requestsView, type SentView } from '../../../server/requests/view.ts'
import { formBody } from '../../../server/web/bodies.ts'
import { RequestPage } from '../../applicant/request-page.tsx'
import { count, moment, show } from '../../parts/format.ts'
import { Told } from '../../parts/told.tsx'
import { isClosed, usePackage } from '../../package/view.ts'
import type { Route } from './+types/request'
import { LanguageOptions } from '../../parts/options.tsx'

export async function loader({ request, params }: Route.LoaderArgs) {
  const { who, row } = await askedPackage(request, params.id)
  return row.assessment ? requestsView(who, row.id) : { draft: null, sent: [] }
}

const reason = z.string().trim().min(3, 'Say in three letters or more why.').max(500)
const formSchema = z.discriminatedUnion('act', [
  z.object({ act: z.enum(['change', 'send']), change: z.string().max(200_000), edition: z.coerce.number() }),
  z.object({ act: z.literal('sign') }),
  z.object({ act: z.literal('give back'), reason }),
  z.object({
    act: z.literal('add'),
    title: z.string().trim().min(2, 'Say what it is called.').max(120),
    text: z.string().trim().min(3, 'Say what you ask for.').max(2000),
  }),
  z.object({ act: z.literal('reject'), page: z.coerce.number().int().positive(), reason }),
  z.object({ act: z.literal('drop'), item: z.string().max(300) }),
  z.object({ act: z.literal('call back'), id: z.uuid() }),
  z.object({ act: z.literal('send again'), id: z.uuid(), recipient: z.string().trim().max(320) }),
])

export async function action({ request, params }: Route.ActionArgs) {
  const { who, row } = await askedPackage(request, params.id)
  const form = formSchema.safeParse(await formBody(request))
  if (!form.success) return data({ problem: form.error.issues[0].message, said: null }, 400)
  const told = (said: string | null) => ({ problem: null, said })
  try {
    switch (form.data.act) {
      case 'change':
      case 'send': {
        // Whoever sends right after the last key sends what they see.
        const change = draftSchema.safeParse(jsonOf(form.data.change))
        if (!change.success) return data({ problem: change.error.issues[0].message, said: null }, 400)
        await changeDraft(who, row.id, change.data, form.data.edition)
        if (form.data.act === 'change') return told(null)
        const { state } = await sendRequest(who, row.id)
        return told(state === 'sent' ? 'The request is on its way.' : 'A second person looks at it now.')
      }
      case 'sign':
        await signRequest(who, row.id, true, '')
        return told('The request is on its way.')
      case 'give back':
        await signRequest(who, row.id, false, form.data.reason)
        return told('It is a draft again.')
      case 'add':
        await addOwnItem(who, row.id, form.data.title, form.data.text)
        return told(null)
      case 'reject':
        await rejectPaper(who, row.id, form.data.page, form.data.reason)
        return told('It is asked for again in the request.')
      case 'drop':
        await dropItem(who, row.id, form.data.item)
        return told(null)
      case 'call back':
        await callBack(who, row.id, form.data.id)
        return told('The request is called back; its link is good for nothing any more.')
      case 'send again':
        await sendAgain(who, row.id, form.data.id, form.data.recipient)
        return told('It is on its way once more, with a new link.')
    }
  } catch (error) {
    if (error instanceof Refused) return data({ problem: error.message, said: null }, 409)
    throw error
  }
}

type Draft = NonNullable<Route.ComponentProps['loaderData']['draft']>

/** What the applicant is asked for: the draft with its preview, and what was sent with how far it is. */
export default function Request({ loaderData: { draft, sent }, actionData }: Route.ComponentProps) {
  const { row } = usePackage()
  const waiting = sent.filter((s) => s.state === 'sent')
  return (
    <div className="pb-6">
      <Told problem={actionData?.problem} said={actionData?.said} />
      {waiting.map((s) => (
        <Sent key={s.id} sent={s} />
      ))}
      {draft && !isClosed(row) ? <Editor key={`${draft.state} ${waiting.length}`} draft={draft} /> : null}
      {isClosed(row) ? (
        <p className="card mb-4 max-w-2xl p-4 text-ink-2">
          Nothing is asked of the applicant while a package is with a second person or finished.
        </p>
      ) : null}
      {sent.length > waiting.length ? (
        <details className="mt-6">
          <summary className="cursor-pointer font-semibold">
            {count(sent.length - waiting.length, 'earlier request')}
          </summary>
          {sent
            .filter((s) => s.state !== 'sent')
            .map((s) => (
              <Sent key={s.id} sent={s} />
            ))}
        </details>
      ) : null}
    </div>
  )
}

/** Milliseconds after the last key until what was written is stored. */
const STORE_AFTER = 600

/** What may be changed of a draft. */
const changeOf = ({ language, recipient, opening, closing, due, choices }: Draft): DraftChange => ({
  language,
  recipient,
  opening,
  closing,
  due,
  choices,
})

function Editor({ draft }: { draft: Draft }) {
  const store = useFetcher<typeof action>()
  const busy = useNavigation().state !== 'idle'
  const [change, setChange] = useState(changeOf(draft))
  const [edition, setEdition] = useState(draft.edition)
  const [written, setWritten] = useState(false)
  const later = useRef<ReturnType<typeof setTimeout>>(undefined)
  useEffect(() => () => clearTimeout(later.current), [])
  const submit = (next: DraftChange, of: number) => {
    setWritten(false)
    void store.submit({ act: 'change', change: JSON.stringify(next), edition: of }, { method: 'post' })
  }
  const to = (part: Partial<DraftChange>) => {
    const next = { ...change, ...part }
    setChange(next)
    setWritten(true)
    clearTimeout(later.current)
    later.current = setTimeout(() => submit(next, edition), STORE_AFTER)
  }
  const theirs = () => {
    setEdition(draft.edition)
    setChange(changeOf(draft))
  }
  const behind = draft.edition !== edition && !written && store.state === 'idle'
  const refused = store.data?.problem ?? null
  // What a colleague writes meanwhile is shown, unless something of one's own would be lost by that.
  if (behind && refused === null) theirs()
  const on = (id: string) => change.choices[id]?.on ?? draft.items.find((i) => i.id === id)?.on ?? true
  const asked = draft.items.filter((i) => on(i.id)).length
  const locked = draft.state === 'to sign'
  const addresses = useId()
  if (draft.items.length === 0)
    return (
      <div className="card max-w-2xl p-5">
        <h1 className="text-xl font-semibold">Nothing to ask for</h1>
        <p className="mt-1 text-ink-2">
          All that the program asks for is there and agrees. You can still ask for something in your own
          words.
        </p>
        <AddItem />
      </div>
    )
  return (
    <div className="grid items-start gap-4 xl:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
      <section aria-label="What is asked for">
        <h1 className="mb-2 text-xl font-semibold">
          Request{' '}
          <span className="text-base font-normal text-ink-2">
            {locked
              ? 'waits for a second person'
              : `${asked} of ${count(draft.items.length, 'thing')} asked for`}
          </span>
        </h1>
        {refused ? <Told problem={refused} /> : null}
        {refused && behind ? (
          <p className="mb-3 flex flex-wrap gap-2">
            <button
              type="button"
              className="button"
              onClick={() => {
                theirs()
                submit(changeOf(draft), draft.edition)
              }}
            >
              Take what they wrote
            </button>
            <button
              type="button"
              className="button"
              onClick={() => {
                setEdition(draft.edition)
                submit(change, draft.edition)
              }}
            >
              Keep what I wrote
            </button>
          </p>
        ) : null}
        <fieldset disabled={locked} className="card mb-3 grid gap-2 p-3 sm:grid-cols-[1fr_auto_auto]">
          <label className="grid gap-0.5 text-sm font-semibold">
            To
            <input
              className="field py-1 font-normal"
              type="email"
              list={addresses}
              placeholder="name@example.org"
              value={change.recipient}
              onChange={(event) => to({ recipient: event.target.value.trim() })}
            />
            <datalist id={addresses}>
              {draft.addresses.map((a) => (
                <option key={a} value={a} />
              ))}
            </datalist>
          </label>
          <label className="grid gap-0.5 text-sm font-semibold">
            In
            <select
              className="field py-1 font-normal"
              value={change.language}
              onChange={(event) => to({ language: event.target.value as DraftChange['language'] })}
            >
              <LanguageOptions />
            </select>
          </label>
          <label className="grid gap-0.5 text-sm font-semibold">
            Answer by
            <input
              className="field py-1 font-normal"
              type="date"
              value={change.due ?? ''}
              onChange={(event) => to({ due: event.target.value || null })}
            />
          </label>
        </fieldset>
        <ul className="grid gap-2">
          {draft.items.map((item) => (
            <Item
              key={item.id}
              item={item}
              on={on(item.id)}
              own={change.choices[item.id]?.own ?? null}
              locked={locked}
              added={draft.added.includes(item.id)}
              onChange={(choice) => to({ choices: { ...change.choices, [item.id]: choice } })}
            />
          ))}
        </ul>
        {locked ? null : <AddItem />}
        <details className="mt-3">
          <summary className="cursor-pointer text-sm text-ink-2">Words before and behind</summary>
          {(['opening', 'closing'] as const).map((part) => (
            <textarea
              key={part}
              aria-label={part === 'opening' ? 'Words before what is asked for' : 'Words behind it'}
              className="field mt-2 min-h-20"
              disabled={locked}
              placeholder={draft.usual[part]}
              value={change[part]}
              onChange={(event) => to({ [part]: event.target.value })}
            />
          ))}
        </details>
      </section>
      <section aria-label="How it looks" className="xl:sticky xl:top-0">
        <div className="mb-3 flex flex-wrap items-center gap-2">
          {locked ? (
            <SecondPerson mine={draft.mine} />
          ) : (
            <Form method="post" onSubmit={() => clearTimeout(later.current)}>
              <input type="hidden" name="act" value="send" />
              <input type="hidden" name="change" value={JSON.stringify(change)} />
              <input type="hidden" name="edition" value={edition} />
              <button className="button-main" disabled={busy || asked === 0 || change.recipient === ''}>
                <Send size={16} aria-hidden />
                {draft.needsSecond ? 'Give it to a second person' : `Send it to ${change.recipient || '…'}`}
              </button>
            </Form>
          )}
          <span role="status" className="text-sm text-ink-2">
            {store.state !== 'idle' ? 'being stored' : ''}
          </span>
        </div>
        <Preview draft={draft} stale={store.state !== 'idle'} />
      </section>
    </div>
  )
}

function Item({
  item,
  on,
  own,
  locked,
  added,
  onChange,
}: {
  item: Draft['items'][number]
  on: boolean
  own: string | null
  locked: boolean
  added: boolean
  onChange: (choice: { on: boolean; own: string | null }) => void
}) {
  const [writing, setWriting] = useState(own !== null)
  return (
    <li className={clsx('card px-3 py-2', !on && 'border-dashed bg-transparent')}>
      <div className="flex items-start gap-3">
        <input
          type="checkbox"
          className="mt-1 accent-(--petrol)"
          aria-label={`Ask for ${item.title}`}
          checked={on}
          disabled={locked}
          onChange={(event) => onChange({ on: event.target.checked, own })}
        />
        <div className="min-w-0 flex-1">
          <b>{item.title}</b>
          {item.askedOn ? (
            <span className="text-sm text-amber"> · asked before on {show(item.askedOn)}</span>
          ) : null}
          {writing && on ? (
            <textarea
              className="field mt-1 min-h-16 text-sm"
              aria-label={`Words for ${item.title}`}
              disabled={locked}
              value={own ?? item.lines.join('\n')}
              onChange={(event) => onChange({ on, own: event.target.value })}
            />
          ) : (
            <ul className="text-sm text-ink-2">
              {(item.own === null ? item.lines : [item.own]).map((line, i) => (
                <li key={i} className="whitespace-pre-line">
                  {line}
                </li>
              ))}
            </ul>
          )}
        </div>
        <span className="flex shrink-0 gap-2 text-sm">
          {item.page ? (
            <Link className="text-petrol underline" to={`../values?page=${item.page}`} relative="path">
              page {item.page}
            </Link>
          ) : null}
          {locked ? null : added ? (
            <Form method="post">
              <input type="hidden" name="act" value="drop" />
              <input type="hidden" name="item" value={item.id} />
              <button className="text-petrol underline">take out</button>
            </Form>
          ) : writing ? (
            <button
              type="button"
              className="inline-flex items-center gap-1 text-petrol underline"
              onClick={() => {
                setWriting(false)
                onChange({ on, own: null })
              }}
            >
              <Undo2 size={13} aria-hidden /> usual words
            </button>
          ) : on ? (
            <button type="button" className="text-petrol underline" onClick={() => setWriting(true)}>
              reword
            </button>
          ) : null}
        </span>
      </div>
    </li>
  )
}

/** Asks for something that no check asks for. */
function AddItem() {
  const add = useFetcher<typeof action>()
  const [open, setOpen] = useState(false)
  const busy = add.state !== 'idle'
  useEffect(() => {
    if (add.data && !add.data.problem) setOpen(false)
  }, [add.data])
  if (!open)
    return (
      <button type="button" className="button mt-3 px-2 py-1 text-sm" onClick={() => setOpen(true)}>
        <Plus size={14} aria-hidden /> Ask for something else
      </button>
    )
  return (
    <add.Form method="post" className="card mt-3 grid gap-2 p-3">
      <input type="hidden" name="act" value="add" />
      <Told problem={add.data?.problem} />
      <input
        autoFocus
        className="field py-1"
        name="title"
        aria-label="What it is"
        placeholder="What is it called?"
      />
      <textarea
        className="field min-h-16"
        name="text"
        aria-label="What you ask for"
        placeholder="What would do, and why?"
      />
      <span className="flex gap-2">
        <button className="button-main py-1" disabled={busy}>
          Add it
        </button>
        <button type="button" className="button py-1" onClick={() => setOpen(false)}>
          Cancel
        </button>
      </span>
    </add.Form>
  )
}

/** The letter and the applicant's page as they would be now. */
function Preview({ draft, stale }: { draft: Draft; stale: boolean }) {
  const [page, setPage] = useState(false)
  return (
    <div className={clsx('card overflow-hidden', stale && 'opacity-70')}>
      <div role="tablist" aria-label="Preview" className="flex border-b border-line text-sm">
        {['The mail', 'Their page'].map((name, i) => (
          <button
            key={name}
            type="button"
            role="tab"
            aria-selected={page === (i === 1)}
            className={clsx(
              'border-b-4 px-4 py-2',
              page === (i === 1) ? 'border-petrol font-bold' : 'border-transparent text-ink-2',
            )}
            onClick={() => setPage(i === 1)}
          >
            {name}
          </button>
        ))}
      </div>
      {page ? (
        // A picture of the page: nothing on it can be done.
        <div inert className="max-h-[34rem] overflow-auto bg-table">
          <div className="mx-auto max-w-[390px]">
            <RequestPage
              view={{
                lender: draft.lender,
                colours: draft.colours,
                language: draft.language,
                due: draft.due,
                state: 'open',
                items: draft.items
                  .filter((i) => i.on)
                  .map((i) => ({
                    id: i.id,
                    asked: i.asked,
                    own: i.own,
                    state: 'open',
                    said: null,
                    form: i.kind === 'sign',
                    canSay: i.kind === 'say',
                  })),
                papers: [],
              }}
              token={null}
            />
          </div>
        </div>
      ) : (
        <div role="region" aria-label="The letter" tabIndex={0} className="max-h-[34rem] overflow-auto p-4">
          <p className="mb-3 border-b border-line-2 pb-2 text-sm">
            <span className="text-ink-2">Subject </span>
            <b>{draft.letter.subject}</b>
          </p>
          <p className="whitespace-pre-line">
            {draft.letter.text.replace('{link}', 'https://… (their own link)')}
          </p>
        </div>
      )}
    </div>
  )
}

function SecondPerson({ mine }: { mine: boolean }) {
  const { rights } = usePackage()
  const busy = useNavigation().state !== 'idle'
  const may = rights.includes('sign') && !mine
  return (
    <>
      {may ? (
        <Form method="post">
          <input type="hidden" name="act" value="sign" />
          <button className="button-main" disabled={busy}>
            Agree and send it
          </button>
        </Form>
      ) : null}
      <Form method="post" className="flex gap-2">
        <input type="hidden" name="act" value="give back" />
        <input
          className="field py-1"
          name="reason"
          aria-label="Why it goes back"
          placeholder="What is to be changed?"
        />
        <button className="button whitespace-nowrap" disabled={busy}>
          {mine ? 'Take it back' : 'Give it back'}
        </button>
      </Form>
    </>
  )
}

const STATES = {
  draft: 'Draft',
  'to sign': 'Waits for a second person',
  sent: 'Waits for the applicant',
  'called back': 'Called back',
  done: 'Answered',
} as const
const ITEM_STATES = {
  open: 'open',
  reading: 'being read',
  'not yet': 'came, and does not do yet',
  said: 'they say',
  done: 'done',
} as const

/** A request that was sent: how far each item is, what the applicant said, and what can be done about it. */
function Sent({ sent }: { sent: SentView }) {
  const busy = useNavigation().state !== 'idle'
  const [again, setAgain] = useState(false)
  const [copied, setCopied] = useState(false)
  const done = sent.items.filter((i) => i.state === 'done' || i.state === 'said').length
  const late = sent.state === 'sent' && sent.due !== null && new Date(`${sent.due}T23:59:59`) < new Date()
  return (
    <section className="card mb-4 p-4">
      <div className="flex flex-wrap items-baseline gap-x-3 gap-y-1">
        <h2 className="font-semibold">
          {STATES[sent.state]}, {done} of {sent.items.length} done
        </h2>
        {late ? (
          <span className="rounded bg-plum-soft px-1.5 text-sm font-semibold text-plum">past its day</span>
        ) : null}
        <span className="text-sm text-ink-2">
          sent {sent.sentAt ? moment(sent.sentAt) : ''} to {sent.recipient}
          {sent.sentBy ? ` by ${sent.sentBy}` : ''}
          {sent.due ? `, answer by ${show(sent.due)}` : ''};{' '}
          {sent.openedAt ? `opened ${moment(sent.openedAt)}` : 'not opened yet'}
          {sent.reminders > 0 ? `; reminded ${count(sent.reminders, 'time')}` : ''}
          {sent.state === 'sent' && sent.remindAt ? `; reminded next ${moment(sent.remindAt)}` : ''}
        </span>
      </div>
      <ul className="mt-2 grid gap-1">
        {sent.items.map((item) => (
          <li key={item.id} className="flex gap-3 border-t border-line-2 pt-1 text-sm">
            <span
              className={clsx(
                'w-40 shrink-0 font-semibold',
                item.state === 'done' ? 'text-ink-2' : item.state === 'said' ? 'text-amber' : 'text-plum',
              )}
            >
              {item.state === 'done' ? '✓ ' : '◖ '}
              {ITEM_STATES[item.state]}
            </span>
            <span className="min-w-0">
              <b>{item.title}</b>
              {item.said ? (
                <span className="block rounded border border-dashed border-amber bg-amber-soft px-2 py-0.5">
                  {item.said.kind === 'cannot' ? 'Does not have it: ' : 'Says: '}“{item.said.text}”{' '}
                  <span className="text-ink-2">{moment(item.said.at)}</span>
                </span>
              ) : (
                <span className="block text-ink-2">{item.lines[0]}</span>
              )}
            </span>
          </li>
        ))}
      </ul>
      {sent.state === 'sent' ? (
        <div className="mt-3 flex flex-wrap items-center gap-2">
          <button
            type="button"
            className="button px-2 py-1 text-sm"
            onClick={() => {
              void navigator.clipboard.writeText(sent.link ?? '').then(() => setCopied(true))
            }}
          >
            <Copy size={14} aria-hidden /> {copied ? 'Copied' : 'Copy their link'}
          </button>
          <button
            type="button"
            className="button px-2 py-1 text-sm"
            aria-expanded={again}
            onClick={() => setAgain(!again)}
          >
            Send it again
          </button>
          <Form method="post">
            <input type="hidden" name="act" value="call back" />
            <input type="hidden" name="id" value={sent.id} />
            <button className="button px-2 py-1 text-sm" disabled={busy}>
              Call it back
            </button>
          </Form>
          {again ? (
            <Form method="post" className="flex w-full gap-2" onSubmit={() => setAgain(false)}>
              <input type="hidden" name="act" value="send again" />
              <input type="hidden" name="id" value={sent.id} />
              <input
                className="field max-w-80 py-1"
                type="email"
                name="recipient"
                aria-label="To which address"
                defaultValue={sent.recipient}
              />
              <button className="button-main py-1" disabled={busy}>
                Send with a new link
              </button>
            </Form>
          ) : null}
        </div>
      ) : null}
    </section>
  )
}

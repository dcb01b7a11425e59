import { useEffect, useState } from 'react'
import { data, Link, redirect, useFetcher } from 'react-router'
import { z } from 'zod'
import { signedIn } from '../../../server/access/people.ts'
import { may, refusalOf } from '../../../server/access/rights.ts'
import { arrivalOf } from '../../../server/arrivals/queries.ts'
import { deleteArrival, setAside, takeAgain } from '../../../server/arrivals/take.ts'
import { noteLook, noteLookAtArrival } from '../../../server/audit.ts'
import { jsonBody } from '../../../server/web/bodies.ts'
import { useChanges } from '../../parts/changes.ts'
import { count, fileSize, moment } from '../../parts/format.ts'
import { Letter } from '../../parts/letter.tsx'
import { Told } from '../../parts/told.tsx'
import type { Route } from './+types/arrival'

export const meta = () => [{ title: 'Arrival · Jigsa' }]

export async function loader({ request, params }: Route.LoaderArgs) {
  const who = await signedIn(request)
  const id = z.uuid().safeParse(params.id)
  const found = id.success ? await arrivalOf(who.organisationId, id.data) : null
  if (!found) throw data('There is no such arrival.', 404)
  const { arrival, source, integration, letters, inPackage, ...rest } = found
  await (arrival.packageId ? noteLook(who, arrival.packageId) : noteLookAtArrival(who, arrival.id))
  return {
    ...rest,
    arrival,
    from: source?.name ?? integration ?? 'a source that is gone',
    files: arrival.files.map((file) => ({
      ...file,
      read: inPackage.find((one) => one.sha256 === file.sha256) ?? null,
    })),
    came: letters.find((l) => l.state === 'came') ?? null,
    sent: letters.filter((l) => l.state !== 'came'),
    mayDelete: may(who, 'set up'),
  }
}

const bodySchema = z.discriminatedUnion('act', [
  z.object({ act: z.literal('again') }),
  z.object({ act: z.literal('aside'), reason: z.string().trim().min(3, 'Say why.').max(300) }),
  z.object({ act: z.literal('delete') }),
])
type Body = z.infer<typeof bodySchema>

export async function action({ request, params }: Route.ActionArgs) {
  const who = await signedIn(request)
  const body = bodySchema.safeParse(await jsonBody(request))
  const id = z.uuid().safeParse(params.id)
  if (!body.success || !id.success)
    return data({ problem: body.error?.issues[0].message ?? 'There is no such arrival.' }, 400)
  const gone = data({ problem: 'It is in a package by now, or not there any more.' }, 404)
  if (body.data.act === 'again') return (await takeAgain(who, id.data)) ? { problem: null } : gone
  if (body.data.act === 'aside')
    return (await setAside(who, id.data, body.data.reason)) ? { problem: null } : gone
  if (!may(who, 'set up')) return data({ problem: refusalOf('set up') }, 403)
  return (await deleteArrival(who, id.data)) ? redirect('/arrivals') : gone
}

/** One thing that came: its letter, its papers, what became of it and who was told. */
export default function Arrival({ loaderData }: Route.ComponentProps) {
  const { arrival, from, files, came, sent, caseNumber, applicant, acts } = loaderData
  useChanges(null)
  const body = useLetter(arrival.message === null ? null : arrival.id)
  return (
    <main className="mx-auto max-w-6xl p-4 pb-16">
      <p className="mb-1 text-sm">
        <Link to="/arrivals" className="text-petrol underline">
          Arrivals
        </Link>
      </p>
      <h1 className="mb-1 text-xl font-semibold break-words">{arrival.name}</h1>
      <p className="mb-3 text-ink-2" suppressHydrationWarning>
        {from}, {moment(arrival.createdAt)}, {count(files.length, 'file')}, {fileSize(arrival.size)}
      </p>
      <Outcome {...loaderData} />
      <div className="grid gap-6 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
        {came ? (
          <section aria-label="The letter">
            <Letter
              from={came.senderName ? `${came.senderName} <${came.sender}>` : came.sender}
              to={came.recipients.join(', ')}
              subject={came.subject}
              at={came.createdAt}
              text={body.text}
              html={body.html}
            />
            <p className="mb-3 text-sm">
              <a
                className="text-petrol underline"
                href={`/arrivals/${arrival.id}/files/message/original`}
                download
              >
                The message as it came
              </a>
            </p>
            {sent.map((letter) => (
              <Letter
                key={letter.id}
                from="Jigsa"
                to={letter.recipients.join(', ')}
                subject={letter.subject}
                at={letter.sentAt ?? letter.createdAt}
                text={letter.text ?? ''}
                html={null}
                note={letter.state === 'sent' ? 'sent' : (letter.problem ?? 'waits to be sent')}
              />
            ))}
          </section>
        ) : null}
        <section aria-label="Papers">
          <h2 className="mb-2 text-lg font-semibold">
            Papers <span className="font-normal text-ink-2">{files.length}</span>
          </h2>
          <ul className="grid gap-3">
            {files.map((file, at) => (
              <Paper key={file.name} file={file} address={`/arrivals/${arrival.id}/files/${at}`} />
            ))}
          </ul>
          <h2 className="mt-6 mb-2 text-lg font-semibold">What happened</h2>
          <ol className="grid gap-1 text-sm">
            <Step at={arrival.createdAt}>came by {from}</Step>
            {arrival.packageId ? (
              <Step at={null}>
                filed in {caseNumber} {applicant}
              </Step>
            ) : null}
            {acts.map((one) => (
              <Step key={`${one.act} ${one.at.toISOString()}`} at={one.at}>
                {one.who} {one.act}
              </Step>
            ))}
            {sent.map((letter) => (
              <Step key={letter.id} at={letter.sentAt}>
                {letter.state === 'sent' ? 'told' : 'to be told:'} {letter.recipients.join(', ')}:{' '}
                {letter.kind}
              </Step>
            ))}
          </ol>
        </section>
      </div>
    </main>
  )
}

const letterSchema = z.object({ text: z.string(), html: z.string().nullable() }).nullable()

/** The words of the letter of an arrival, once they are there. */
function useLetter(id: string | null): { text: string; html: string | null } {
  const [body, setBody] = useState({ text: 'Opening the letter …', html: null as string | null })
  useEffect(() => {
    if (id === null) return
    const gone = new AbortController()
    fetch(`/arrivals/${id}/letter`, { signal: gone.signal })
      .then(async (answer) => letterSchema.parse(answer.ok ? await answer.json() : null))
      .then((found) => setBody(found ?? { text: 'This letter cannot be opened.', html: null }))
      .catch(() => {
        if (!gone.signal.aborted)
          setBody({ text: 'The letter could not be fetched; load the page again.', html: null })
      })
    return () => gone.abort()
  }, [id])
  return body
}

function Step({ at, children }: { at: Date | null; children: React.ReactNode }) {
  return (
    <li className="grid grid-cols-[150px_1fr] gap-3">
      <time className="text-ink-2" suppressHydrationWarning>
        {at ? moment(at) : ''}
      </time>
      <span className="break-words">{children}</span>
    </li>
  )
}

type Loaded = Route.ComponentProps['loaderData']

function Outcome({ arrival, caseNumber, applicant, mayDelete }: Loaded) {
  const fetcher = useFetcher<typeof action>()
  const [reason, setReason] = useState('')
  const send = (body: Body) => void fetcher.submit(body, { method: 'post', encType: 'application/json' })
  const busy = fetcher.state !== 'idle'
  const answered = fetcher.data && 'problem' in fetcher.data ? fetcher.data.problem : null
  return (
    <div className="card mb-4 p-4">
      <Told problem={answered} />
      {arrival.packageId ? (
        <p>
          In package{' '}
          <Link className="font-mono text-petrol underline" to={`/packages/${arrival.packageId}`}>
            {caseNumber}
          </Link>{' '}
          {applicant}
        </p>
      ) : (
        <p className={arrival.outcome === 'not taken' ? 'text-plum' : ''}>
          <b>{OUTCOME[arrival.outcome]}</b> {arrival.problem}
        </p>
      )}
      {arrival.packageId && arrival.problem ? <p className="mt-1 text-plum">{arrival.problem}</p> : null}
      {arrival.packageId || arrival.outcome === 'opening' ? null : (
        <div className="mt-3 flex flex-wrap gap-2">
          <button
            type="button"
            className="button"
            disabled={busy || arrival.files.length === 0}
            onClick={() => send({ act: 'again' })}
          >
            Take it now
          </button>
          {arrival.outcome === 'set aside' ? null : (
            <>
              <input
                className="field min-w-56 flex-1 py-1"
                aria-label="Why it is set aside"
                placeholder="Why is it nothing for us?"
                value={reason}
                maxLength={300}
                onChange={(event) => setReason(event.target.value)}
              />
              <button
                type="button"
                className="button"
                disabled={busy || reason.trim().length < 3}
                onClick={() => send({ act: 'aside', reason })}
              >
                Set aside
              </button>
            </>
          )}
          {mayDelete ? (
            <button
              type="button"
              className="button text-plum"
              disabled={busy}
              onClick={() => {
                if (window.confirm('Delete this arrival and its papers for good?')) send({ act: 'delete' })
              }}
            >
              Delete for good
            </button>
          ) : null}
        </div>
      )}
    </div>
  )
}

const OUTCOME: Record<Loaded['arrival']['outcome'], string> = {
  opening: 'It is being opened.',
  taken: 'Taken.',
  'not taken': 'Not taken.',
  'left alone': 'Left alone.',
  'set aside': 'Set aside.',
}

function Paper({ file, address }: { file: Loaded['files'][number]; address: string }) {
  const [hasPicture, setHasPicture] = useState(true)
  return (
    <li className="card flex gap-3 p-3">
      {hasPicture ? (
        <img
          src={`${address}/picture`}
          alt=""
          loading="lazy"
          className="h-24 w-20 shrink-0 border border-line-2 bg-paper object-cover object-top"
          onError={() => setHasPicture(false)}
        />
      ) : (
        <span className="grid h-24 w-20 shrink-0 place-items-center border border-line-2 text-center text-xs text-ink-2">
          no picture
        </span>
      )}
      <span className="min-w-0">
        <b className="break-all">{file.name}</b>
        <span className="block text-sm text-ink-2">
          {fileSize(file.size)}
          {file.read ? `, ${count(file.read.pages, 'page')}` : ''}
        </span>
        {file.read?.problem ? <span className="block text-sm text-plum">{file.read.problem}</span> : null}
        <a className="text-sm text-petrol underline" href={`${address}/original`} download>
          As it came
        </a>
      </span>
    </li>
  )
}

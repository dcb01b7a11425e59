import { clsx } from 'clsx'
import { useState } from 'react'
import { Link, useFetcher } from 'react-router'
import { askedPackage } from '../../../server/access/packages.ts'
import { filesIn } from '../../../server/packages/queries.ts'
import { settings } from '../../../server/settings.ts'
import { lettersOf } from '../../../server/packages/letters.ts'
import { MoveFiles } from '../../package/move-pages.tsx'
import { DropZone } from '../../parts/drop-zone.tsx'
import { count, fileSize, moment } from '../../parts/format.ts'
import { forget, sendAgain, sendFiles, useUploads, type Upload } from '../../parts/uploads.ts'
import { Told } from '../../parts/told.tsx'
import { isClosed, usePackage } from '../../package/view.ts'
import type { Route } from './+types/files'

export async function loader({ request, params }: Route.LoaderArgs) {
  const { row } = await askedPackage(request, params.id)
  return {
    files: await filesIn(row.id),
    letters: await lettersOf(row.id),
    mostBytes: settings().MOST_FILE_BYTES,
    mostPages: settings().MOST_FILE_PAGES,
  }
}

const WORDS = {
  arriving: 'arriving',
  waiting: 'waits to be opened',
  reading: 'being read',
  read: 'read',
  unusable: 'set aside',
} as const

/** What came in, and how far each file is from upload to read. */
export default function Files({
  loaderData: { files, letters, mostBytes, mostPages },
}: Route.ComponentProps) {
  const { row } = usePackage()
  const [chosen, setChosen] = useState<string[]>([])
  const uploads = useUploads().filter((u) => u.packageId === row.id)
  return (
    <div className="max-w-4xl pb-6">
      <div className="mb-3 flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <h1 className="text-xl font-semibold">
          Files <span className="font-normal text-ink-2">{files.length}</span>
        </h1>
        <span className="ml-auto text-sm text-ink-2">
          To print before scanning:{' '}
          <a
            className="text-petrol underline"
            href={`/packages/${row.id}/cover-sheet.pdf`}
            target="_blank"
            rel="noreferrer"
          >
            cover sheet of this case
          </a>
          ,{' '}
          <a
            className="text-petrol underline"
            href="/separator-sheets.pdf?count=10"
            target="_blank"
            rel="noreferrer"
          >
            10 separator sheets
          </a>
        </span>
      </div>
      {isClosed(row) ? (
        <p className="card mb-4 p-4 text-ink-2">
          {row.state === 'review'
            ? 'A second person looks at this package; have it sent back to add files.'
            : 'This package is finished. Open it again to add files.'}
        </p>
      ) : (
        <div className="mb-4">
          <DropZone
            text={files.length ? 'Drop more files here' : 'Drop the files of the package here'}
            limit={`At most ${fileSize(mostBytes)} and ${mostPages} pages a file.`}
            onFiles={(chosen) => sendFiles(row.id, chosen)}
          />
        </div>
      )}
      {uploads.length > 0 ? (
        <ul className="mb-4 grid gap-2" aria-label="Being sent">
          {uploads.map((u) => (
            <UploadRow key={u.id} upload={u} />
          ))}
        </ul>
      ) : null}
      {isClosed(row) ? null : <MoveFiles packageId={row.id} chosen={chosen} onMoved={() => setChosen([])} />}
      {files.length > 0 ? (
        <ul className="grid gap-px overflow-hidden rounded-lg border border-line bg-line-2">
          {files.map((f) => (
            <FileRow
              key={f.id}
              file={f}
              chosen={
                isClosed(row) || f.state !== 'read' || f.pages === 0 || f.movedTo !== null
                  ? null
                  : chosen.includes(f.id)
              }
              onChoose={(on) => setChosen(on ? [...chosen, f.id] : chosen.filter((id) => id !== f.id))}
            />
          ))}
        </ul>
      ) : uploads.length === 0 ? (
        <p className="text-ink-2">No file has come yet.</p>
      ) : null}
      {letters.length > 0 ? (
        <section aria-label="Letters" className="mt-6">
          <h2 className="mb-2 text-lg font-semibold">
            Letters <span className="font-normal text-ink-2">{letters.length}</span>
          </h2>
          <ul className="grid gap-px overflow-hidden rounded-lg border border-line bg-line-2">
            {letters.map((letter) => (
              <LetterRow key={letter.id} letter={letter} />
            ))}
          </ul>
        </section>
      ) : null}
      <KeepOrErase />
    </div>
  )
}

/** What must not be erased, what is to be, and what an applicant may ask for. */
function KeepOrErase() {
  const { row, rights } = usePackage()
  const fetcher = useFetcher<{ problem: string | null }>()
  const [reason, setReason] = useState('')
  if (!rights.includes('hold') && !rights.includes('erase')) return null
  const send = (act: 'hold' | 'erase', why: string | null) => {
    void fetcher.submit(
      { act, reason: why },
      { method: 'post', action: `/packages/${row.id}/keep`, encType: 'application/json' },
    )
    setReason('')
  }
  const busy = fetcher.state !== 'idle'
  const ready = reason.trim().length >= 3
  return (
    <details className="mt-6" open={row.heldBecause !== null || row.eraseReason !== null}>
      <summary className="cursor-pointer text-sm text-ink-2">Keep, erase, give out</summary>
      <div className="card mt-2 grid gap-3 p-4">
        <Told problem={fetcher.data?.problem} />
        {row.heldBecause !== null ? (
          <p className="flex flex-wrap items-center gap-3">
            <span className="min-w-0 flex-1">
              <b>On hold:</b> {row.heldBecause}
            </span>
            <button type="button" className="button" disabled={busy} onClick={() => send('hold', null)}>
              Take the hold off
            </button>
          </p>
        ) : null}
        {row.eraseReason !== null ? (
          <p className="flex flex-wrap items-center gap-3">
            <span className="min-w-0 flex-1">
              <b>To be erased:</b> {row.eraseReason}{' '}
              <Link to="/keeping" className="text-petrol underline">
                once a second person agrees
              </Link>
            </span>
            {rights.includes('erase') ? (
              <button type="button" className="button" disabled={busy} onClick={() => send('erase', null)}>
                Keep it
              </button>
            ) : null}
          </p>
        ) : null}
        {row.heldBecause === null ? (
          <div className="flex flex-wrap gap-2">
            <input
              className="field min-w-56 flex-1 py-1"
              aria-label="Why"
              placeholder="Why?"
              value={reason}
              maxLength={500}
              onChange={(event) => setReason(event.target.value)}
            />
            {rights.includes('hold') ? (
              <button
                type="button"
                className="button"
                disabled={busy || !ready}
                onClick={() => send('hold', reason)}
              >
                Put a hold on it
              </button>
            ) : null}
            {rights.includes('erase') && row.eraseReason === null ? (
              <button
                type="button"
                className="button"
                disabled={busy || !ready}
                onClick={() => send('erase', reason)}
              >
                Ask for it to be erased
              </button>
            ) : null}
          </div>
        ) : null}
        {rights.includes('give out') ? (
          <a className="button justify-self-start" href={`/packages/${row.id}/everything.zip`} download>
            All that is kept of this applicant, as a ZIP
          </a>
        ) : null}
      </div>
    </details>
  )
}

/** A file on its way to the server. */
function UploadRow({ upload }: { upload: Upload }) {
  return (
    <li className={`card px-3 py-2 ${upload.state === 'failed' ? 'odd-edge' : ''}`}>
      <span className="flex items-baseline gap-3">
        <b className="min-w-0 flex-1 truncate">{upload.name}</b>
        <span className="text-sm text-ink-2">{fileSize(upload.size)}</span>
        <span className="text-sm">
          {
            {
              waiting: 'waits',
              sending: `${Math.floor((100 * upload.sent) / Math.max(1, upload.size))} % sent`,
              sent: 'sent',
              failed: 'not sent',
            }[upload.state]
          }
        </span>
        {upload.state === 'failed' ? (
          <button type="button" className="button px-2 py-0.5" onClick={() => sendAgain(upload.id)}>
            Send again
          </button>
        ) : null}
        {upload.state === 'sent' || upload.state === 'failed' ? (
          <button type="button" className="text-sm underline" onClick={() => forget(upload.id)}>
            clear
          </button>
        ) : null}
      </span>
      {upload.state === 'sending' ? (
        <span className="mt-1 block h-1.5 overflow-hidden rounded bg-line-2">
          <span
            className="block h-full bg-petrol"
            style={{ width: `${(100 * upload.sent) / Math.max(1, upload.size)}%` }}
          />
        </span>
      ) : null}
      {upload.note ? <span className="mt-1 block text-sm text-plum">{upload.note}</span> : null}
    </li>
  )
}

/** A letter that came or went; all of it stands where it arrived, or unfolds. */
function LetterRow({ letter }: { letter: Route.ComponentProps['loaderData']['letters'][number] }) {
  const came = letter.state === 'came'
  return (
    <li className="bg-sheet px-3 py-2">
      <span className="flex flex-wrap items-baseline gap-x-3">
        <span className="min-w-0 flex-1 break-words">
          <b>
            {came
              ? letter.senderName || letter.sender
              : `to ${letter.recipients.join(', ')}, ${letter.kind ?? 'a letter'}`}
          </b>{' '}
          {came && letter.arrivalId ? (
            <Link to={`/arrivals/${letter.arrivalId}`} className="text-petrol underline">
              {letter.subject || 'without a subject'}
            </Link>
          ) : (
            letter.subject
          )}
        </span>
        <span className={`text-sm ${letter.problem ? 'text-plum' : 'text-ink-2'}`}>
          {came ? 'came' : (letter.problem ?? (letter.state === 'sent' ? 'sent' : 'waits to be sent'))}{' '}
          <time suppressHydrationWarning>{moment(letter.sentAt ?? letter.createdAt)}</time>
        </span>
      </span>
      {letter.text === null ? null : (
        <details>
          <summary className="cursor-pointer text-sm text-ink-2">what it says</summary>
          <p className="mt-1 text-sm break-words whitespace-pre-wrap">{letter.text}</p>
        </details>
      )}
    </li>
  )
}

/** A file that is there: how far it is read, and what is to be known of it. `chosen` is null where it cannot be. */
function FileRow({
  file,
  chosen,
  onChoose,
}: {
  file: Route.ComponentProps['loaderData']['files'][number]
  chosen: boolean | null
  onChoose: (on: boolean) => void
}) {
  return (
    <li
      className={clsx('bg-sheet px-3 py-2', file.state === 'unusable' && 'odd-edge', file.parentId && 'pl-8')}
    >
      <span className="flex flex-wrap items-baseline gap-x-3">
        {chosen === null ? null : (
          <input
            type="checkbox"
            aria-label={`Choose ${file.name}`}
            className="self-center"
            checked={chosen}
            onChange={(event) => onChoose(event.target.checked)}
          />
        )}
        <b className="min-w-0 flex-1 truncate">{file.name}</b>
        {file.arrivalId ? (
          <Link to={`/arrivals/${file.arrivalId}`} className="text-sm text-petrol underline">
            how it came
          </Link>
        ) : null}
        <span className="text-sm text-ink-2">
          {fileSize(file.size)}
          {file.pages ? ` · ${count(file.pages, 'page')}` : ''} ·{' '}
          <time suppressHydrationWarning>{moment(file.createdAt)}</time>
        </span>
        <span className={`text-sm ${file.state === 'unusable' ? 'font-semibold text-plum' : ''}`}>
          {file.movedTo
            ? `filed to ${file.movedTo}`
            : file.state === 'reading'
              ? `${file.pagesRead} of ${file.pages} pages read`
              : WORDS[file.state]}
        </span>
      </span>
      {file.state === 'reading' ? (
        <span className="mt-1 block h-1.5 overflow-hidden rounded bg-line-2">
          <span
            className="block h-full bg-petrol"
            style={{ width: `${(100 * file.pagesRead) / Math.max(1, file.pages)}%` }}
          />
        </span>
      ) : null}
      {file.notices.map((notice) => (
        <span key={notice} className="mt-0.5 block text-sm text-ink-2">
          It {notice}; nothing of it is ever run.
        </span>
      ))}
      {file.problem ? <span className="mt-0.5 block text-sm">{file.problem}</span> : null}
    </li>
  )
}

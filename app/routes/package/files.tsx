import { clsx } from 'clsx'
import { askedPackage } from '../../../server/access/packages.ts'
import { filesIn } from '../../../server/packages/queries.ts'
import { settings } from '../../../server/settings.ts'
import { DropZone } from '../../parts/drop-zone.tsx'
import { count, fileSize, moment } from '../../parts/format.ts'
import { forget, sendAgain, sendFiles, useUploads } from '../../parts/uploads.ts'
import { isClosed, usePackage } from '../../package/view.ts'
import type { Route } from './+types/files'

export async function loader({ request, params }: Route.LoaderArgs) {
  const { row } = await askedPackage(request, params.id)
  return {
    files: await filesIn(row.id),
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
export default function Files({ loaderData: { files, mostBytes, mostPages } }: Route.ComponentProps) {
  const { row } = usePackage()
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
            <li key={u.id} className={`card px-3 py-2 ${u.state === 'failed' ? 'odd-edge' : ''}`}>
              <span className="flex items-baseline gap-3">
                <b className="min-w-0 flex-1 truncate">{u.name}</b>
                <span className="text-sm text-ink-2">{fileSize(u.size)}</span>
                <span className="text-sm">
                  {
                    {
                      waiting: 'waits',
                      sending: `${Math.floor((100 * u.sent) / Math.max(1, u.size))} % sent`,
                      sent: 'sent',
                      failed: 'not sent',
                    }[u.state]
                  }
                </span>
                {u.state === 'failed' ? (
                  <button type="button" className="button px-2 py-0.5" onClick={() => sendAgain(u.id)}>
                    Send again
                  </button>
                ) : null}
                {u.state === 'sent' || u.state === 'failed' ? (
                  <button type="button" className="text-sm underline" onClick={() => forget(u.id)}>
                    clear
                  </button>
                ) : null}
              </span>
              {u.state === 'sending' ? (
                <span className="mt-1 block h-1.5 overflow-hidden rounded bg-line-2">
                  <span
                    className="block h-full bg-petrol"
                    style={{ width: `${(100 * u.sent) / Math.max(1, u.size)}%` }}
                  />
                </span>
              ) : null}
              {u.note ? <span className="mt-1 block text-sm text-plum">{u.note}</span> : null}
            </li>
          ))}
        </ul>
      ) : null}
      {files.length > 0 ? (
        <ul className="grid gap-px overflow-hidden rounded-lg border border-line bg-line-2">
          {files.map((f) => (
            <li
              key={f.id}
              className={clsx(
                'bg-sheet px-3 py-2',
                f.state === 'unusable' && 'odd-edge',
                f.parentId && 'pl-8',
              )}
            >
              <span className="flex flex-wrap items-baseline gap-x-3">
                <b className="min-w-0 flex-1 truncate">{f.name}</b>
                <span className="text-sm text-ink-2">
                  {fileSize(f.size)}
                  {f.pages ? ` · ${count(f.pages, 'page')}` : ''} ·{' '}
                  <time suppressHydrationWarning>{moment(f.createdAt)}</time>
                </span>
                <span className={`text-sm ${f.state === 'unusable' ? 'font-semibold text-plum' : ''}`}>
                  {f.state === 'reading' ? `${f.pagesRead} of ${f.pages} pages read` : WORDS[f.state]}
                </span>
              </span>
              {f.state === 'reading' ? (
                <span className="mt-1 block h-1.5 overflow-hidden rounded bg-line-2">
                  <span
                    className="block h-full bg-petrol"
                    style={{ width: `${(100 * f.pagesRead) / Math.max(1, f.pages)}%` }}
                  />
                </span>
              ) : null}
              {f.notices.map((notice) => (
                <span key={notice} className="mt-0.5 block text-sm text-ink-2">
                  It {notice}; nothing of it is ever run.
                </span>
              ))}
              {f.problem ? <span className="mt-0.5 block text-sm">{f.problem}</span> : null}
            </li>
          ))}
        </ul>
      ) : uploads.length === 0 ? (
        <p className="text-ink-2">No file has come yet.</p>
      ) : null}
    </div>
  )
}

import { moment } from './format.ts'

/** A letter that came or went. HTML of a stranger's is shown in a frame that runs nothing and reaches nothing. */
export function Letter({
  from,
  to,
  subject,
  at,
  text,
  html,
  note,
}: {
  from: string
  to: string
  subject: string
  at: Date
  text: string
  html: string | null
  /** How far one of ours is. */
  note?: string
}) {
  return (
    <article className="card mb-3 overflow-hidden">
      <header className="border-b border-line-2 bg-paper px-4 py-2 text-sm">
        <b className="break-words">{from}</b> <span className="text-ink-2">to {to}</span>
        <span className="block break-words" suppressHydrationWarning>
          {subject}
          <span className="text-ink-2">
            , {moment(at)}
            {note ? `, ${note}` : ''}
          </span>
        </span>
      </header>
      {html ? (
        <iframe
          title={`Letter: ${subject}`}
          sandbox=""
          srcDoc={html}
          className="block h-72 w-full bg-white"
        />
      ) : (
        <div className="max-h-96 overflow-auto px-4 py-3 break-words whitespace-pre-wrap">{text}</div>
      )}
    </article>
  )
}

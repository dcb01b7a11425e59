import { moment } from './format.ts'

/** Versions of a type or a program, the newest first; an earlier one may be used again. */
export function Versions({
  versions,
  current,
  may,
  busy,
  onBack,
}: {
  versions: readonly { version: number; by: string | null; createdAt: Date | string }[]
  /** The version in use. */
  current: number | undefined
  may: boolean
  busy: boolean
  onBack: (version: number) => void
}) {
  if (versions.length === 0) return null
  return (
    <>
      <h2 className="mb-1 font-semibold">Versions</h2>
      <ol className="grid gap-1 text-sm">
        {versions.map((v) => (
          <li key={v.version} className="flex items-baseline gap-3">
            <b>{v.version}</b>
            <span className="min-w-0 flex-1 truncate text-ink-2">
              {v.by ?? (v.version === 1 ? 'starter set' : 'somebody')},{' '}
              <time suppressHydrationWarning>{moment(v.createdAt)}</time>
            </span>
            {v.version === current ? (
              <span className="text-petrol">in use</span>
            ) : may ? (
              <button type="button" className="underline" disabled={busy} onClick={() => onBack(v.version)}>
                use again
              </button>
            ) : null}
          </li>
        ))}
      </ol>
    </>
  )
}

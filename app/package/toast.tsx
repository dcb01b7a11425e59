import { clsx } from 'clsx'
import { useEffect, useState } from 'react'
import { useSay } from './say.ts'
import { usePackage } from './view.ts'

/** What the last thing said came to: what is settled, what fell into place with it, or why it was not taken. */
export function Toast() {
  const say = useSay()
  const { undo, assessment, row } = usePackage()
  const [shown, setShown] = useState<{ text: string; bad: boolean } | null>(null)
  const [before, setBefore] = useState({
    version: row.version,
    loose: assessment?.deck.length ?? 0,
    undo: undo.undo,
  })
  useEffect(() => {
    if (say.problem) setShown({ text: say.problem, bad: true })
  }, [say.problem, say.outcome])
  const { outcome } = say
  const taught = outcome?.taught?.[0]
  useEffect(() => {
    if (row.version === before.version) return
    const loose = assessment?.deck.length ?? 0
    const settled = before.loose - loose
    if (undo.undo && undo.undo !== before.undo)
      setShown({
        text: [
          `${undo.undo}.`,
          settled > 1 && `${settled - 1} more fell into place.`,
          taught &&
            `Learnt: “${taught.wording}” leads to ${taught.fieldTitle}; papers that wait are read again.`,
        ]
          .filter(Boolean)
          .join(' '),
        bad: false,
      })
    setBefore({ version: row.version, loose, undo: undo.undo })
  }, [row.version, undo.undo, assessment, before, taught])
  useEffect(() => {
    if (!shown) return
    const timer = setTimeout(() => setShown(null), shown.bad ? 9000 : 5000)
    return () => clearTimeout(timer)
  }, [shown])
  return (
    <div
      role="status"
      aria-live="polite"
      className="pointer-events-none fixed bottom-4 left-1/2 z-10 w-[min(620px,92vw)] -translate-x-1/2"
    >
      {shown ? (
        <p
          className={clsx(
            'pointer-events-auto flex items-center gap-3 rounded-md px-4 py-2 shadow-lg',
            shown.bad ? 'odd-edge bg-plum-soft text-plum' : 'bg-bar text-white',
          )}
        >
          <span className="line-clamp-2 flex-1">{shown.text}</span>
          {shown.bad ? null : (
            <button
              type="button"
              className="font-semibold whitespace-nowrap text-[#7cc9d6]"
              onClick={() => {
                setShown(null)
                say.undo()
              }}
            >
              Undo <span className="key">U</span>
            </button>
          )}
        </p>
      ) : null}
    </div>
  )
}

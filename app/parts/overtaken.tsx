import { useEffect, useState } from 'react'
import type { ShouldRevalidateFunctionArgs } from 'react-router'

/**
 * The version that is written on. A colleague who stores another meanwhile takes nothing of what is written away: what
 * is there is said, and taken over only when asked for.
 * @param of which type or program is written; another begins with its own newest
 * @param newest the newest version, 0 where there is none
 * @param stored the version that was just stored from here
 */
export function useBasis(of: string, newest: number, stored: number | undefined) {
  const [now, setNow] = useState({ of, begun: newest })
  if (now.of !== of) setNow({ of, begun: newest })
  useEffect(() => {
    if (stored !== undefined && stored === newest) setNow({ of, begun: stored })
  }, [of, stored, newest])
  return {
    begun: now.begun,
    overtaken: now.of === of && newest !== now.begun && stored !== newest,
    take: () => setNow({ of, begun: newest }),
  }
}

/** Whoever is told that a colleague stored a version has that version loaded, to be shown it. */
export const loadsTheirs = ({ actionStatus }: Pick<ShouldRevalidateFunctionArgs, 'actionStatus'>): boolean =>
  actionStatus === 409

/** Says that a colleague stored a version meanwhile, and lets it be taken. */
export function Overtaken({
  by: { version, by },
  onTake,
}: {
  by: { version: number; by: string | null }
  onTake: () => void
}) {
  return (
    <section
      role="alert"
      aria-label="Stored meanwhile"
      className="odd-edge mb-3 flex flex-wrap items-center gap-3 rounded-md border border-line bg-sheet px-3 py-2"
    >
      <p className="min-w-60 flex-1">
        <b>
          {by ?? 'Somebody'} stored version {version} while you write.
        </b>{' '}
        What you wrote is still here and not stored. Stored now, it becomes version {version + 1}, without
        what is new in {version}.
      </p>
      <button type="button" className="button" onClick={onTake}>
        Drop mine, show version {version}
      </button>
    </section>
  )
}

import { hear, type Change } from '../events.ts'

/**
 * Looks at something until it waits for nothing any more, or so many seconds have passed.
 * @param concerns whether a change may be one of it; those that may have been missed always are
 * @param gone whoever asks is not there any more
 */
export async function waitFor<T>(
  {
    look,
    waits,
    concerns,
  }: { look: () => Promise<T>; waits: (now: T) => boolean; concerns: (change: Change) => boolean },
  seconds: number,
  gone: AbortSignal,
): Promise<T> {
  const end = Date.now() + seconds * 1000
  let now = await look()
  if (!waits(now) || seconds === 0) return now
  let stirred = false
  let stir: () => void = () => (stirred = true)
  const silence = await hear((change) => {
    if (!change || concerns(change)) stir()
  })
  try {
    // What changed before anybody heard is looked at now.
    now = await look()
    while (waits(now) && Date.now() < end && !gone.aborted) {
      if (!stirred)
        await new Promise<void>((done) => {
          const over = () => {
            clearTimeout(timer)
            gone.removeEventListener('abort', over)
            done()
          }
          const timer = setTimeout(over, end - Date.now())
          stir = over
          gone.addEventListener('abort', over)
        })
      stirred = false
      stir = () => (stirred = true)
      now = await look()
    }
  } finally {
    silence()
  }
  return now
}

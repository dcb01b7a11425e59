import { useEffect } from 'react'
import { useRevalidator } from 'react-router'

/**
 * Loads the screen's data again whenever the server says that something changed or may have been missed; of
 * one package, or of all. @param on whether anything is waited for
 */
export function useChanges(packageId: string | null, on = true): void {
  const { revalidate } = useRevalidator()
  useEffect(() => {
    if (!on) return
    let pending: ReturnType<typeof setTimeout> | null = null
    const source = new EventSource(packageId ? `/events?package=${packageId}` : '/events')
    source.onmessage = () => {
      // Pages come in bursts; one fresh look for several changes is enough.
      pending ??= setTimeout(() => {
        pending = null
        void revalidate()
      }, 250)
    }
    return () => {
      if (pending) clearTimeout(pending)
      source.close()
    }
  }, [packageId, revalidate, on])
}

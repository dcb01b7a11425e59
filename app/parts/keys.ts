import { useEffect, useRef } from 'react'

/** Shortcuts by key as `event.key` gives it, lower case; `shift+` in front where Shift is held with a letter. */
export type KeyMap = Record<string, (event: KeyboardEvent) => void>

const takesText = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable || /^(?:INPUT|TEXTAREA|SELECT)$/.test(target.tagName))

/**
 * Listens for shortcuts while the component is shown. Keys typed into fields, keys with Ctrl, Alt or Meta,
 * and keys pressed while a dialog is open are left alone, so that a letter in a reason never answers a
 * question.
 */
export function useKeys(keys: KeyMap): void {
  const current = useRef(keys)
  useEffect(() => {
    current.current = keys
  })
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      if (
        event.defaultPrevented ||
        event.ctrlKey ||
        event.metaKey ||
        event.altKey ||
        takesText(event.target) ||
        document.querySelector('[role="dialog"],[role="menu"]')
      )
        return
      const name = `${event.shiftKey && /^[a-z]$/i.test(event.key) ? 'shift+' : ''}${event.key.toLowerCase()}`
      // Enter and Space on a focused button press that button, unless it leaves its keys to the view.
      if (
        (name === 'enter' || name === ' ') &&
        event.target instanceof HTMLElement &&
        event.target.closest('button:not([data-view-keys]),a')
      )
        return
      const act = current.current[name]
      if (!act) return
      event.preventDefault()
      act(event)
    }
    window.addEventListener('keydown', listen)
    return () => window.removeEventListener('keydown', listen)
  }, [])
}

import { setNonce } from 'get-nonce'
import { startTransition, StrictMode } from 'react'
import { hydrateRoot } from 'react-dom/client'
import { HydratedRouter } from 'react-router/dom'

// Styles that parts put in while they run (a dialog holds the page still) need the mark of the page's own scripts.
setNonce(document.querySelector<HTMLScriptElement>('script[nonce]')?.nonce ?? '')

// Attributes of style would not be obeyed in the page as it was sent (`held-styles.ts`); set by a script they are.
for (const element of document.querySelectorAll<HTMLElement>('[data-style]')) {
  element.style.cssText = element.dataset.style ?? ''
  delete element.dataset.style
}

startTransition(() => {
  hydrateRoot(
    document,
    <StrictMode>
      <HydratedRouter />
    </StrictMode>,
  )
})

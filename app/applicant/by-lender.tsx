import type { ReactNode } from 'react'
import type { Colours } from '../../server/requests/colours.ts'

interface Props {
  name: string
  /** Null for ours. */
  colours: Colours | null
  /** Of the answer, so that the browser takes the style; null where a script sets it, as in a preview. */
  nonce: string | null
  children: ReactNode
}

/** Both names of the colour: utilities go by the second, which was worked out for the whole page. */
const set = (colour: string) => `--petrol:${colour};--color-petrol:${colour}`

/** A page that stands under its lender's name and in its colour. */
export function ByLender({ name, colours, nonce, children }: Props) {
  const both = colours ? `light-dark(${colours.light}, ${colours.dark})` : null
  const style = both && !nonce ? { '--petrol': both, '--color-petrol': both } : {}
  return (
    <div className="by-lender" style={style as React.CSSProperties}>
      {colours && nonce ? (
        <style nonce={nonce} suppressHydrationWarning>
          {`.by-lender{${set(colours.light)}}@media(prefers-color-scheme:dark){.by-lender{${set(colours.dark)}}}`}
        </style>
      ) : null}
      <header className="bg-petrol text-sheet">
        <p className="mx-auto max-w-xl px-4 py-3 text-lg font-bold">{name}</p>
      </header>
      {children}
    </div>
  )
}

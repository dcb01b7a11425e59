import { Dialog } from 'radix-ui'
import { useState } from 'react'

/**
 * Asks how many pages each document of a batch has: a dozen payslips scanned in one go are parted with one
 * number.
 */
export function PartEvenly({
  pages,
  onClose,
  onChoose,
}: {
  pages: number
  onClose: () => void
  onChoose: (every: number) => void
}) {
  const [every, setEvery] = useState('1')
  const count = Number(every)
  const valid = Number.isInteger(count) && count >= 1 && count < pages
  return (
    <Dialog.Root
      open
      onOpenChange={(open) => {
        if (!open) onClose()
      }}
    >
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-10 bg-[#0b111566]" />
        <Dialog.Content
          aria-describedby={undefined}
          className="card fixed top-[20vh] left-1/2 z-20 w-[min(420px,94vw)] -translate-x-1/2 p-5 shadow-xl"
        >
          <Dialog.Title className="mb-3 text-lg font-semibold">Part these {pages} pages</Dialog.Title>
          <form
            onSubmit={(event) => {
              event.preventDefault()
              if (valid) onChoose(count)
            }}
          >
            <label className="flex items-center gap-2">
              A document every{' '}
              <input
                className="field w-16"
                inputMode="numeric"
                autoFocus
                value={every}
                onFocus={(event) => event.target.select()}
                onChange={(event) => setEvery(event.target.value)}
              />{' '}
              pages
            </label>
            <p role="status" className="mt-2 text-sm text-ink-2">
              {valid
                ? `That makes ${Math.ceil(pages / count)} documents${lastOf(pages % count)}.`
                : `Give a number from 1 to ${pages - 1}.`}
            </p>
            <div className="mt-4 flex gap-2">
              <button type="submit" className="button-main" disabled={!valid}>
                Part them
              </button>
              <Dialog.Close className="button">Leave them</Dialog.Close>
            </div>
          </form>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}

/** How many pages the last of evenly parted documents has, where it has fewer. */
const lastOf = (rest: number): string =>
  rest === 0 ? '' : `, the last of ${rest === 1 ? 'one page' : `${rest} pages`}`

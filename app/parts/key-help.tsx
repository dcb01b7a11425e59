import { Dialog } from 'radix-ui'
import { useState } from 'react'
import { useKeys } from './keys.ts'

const HELP: readonly [where: string, keys: readonly [key: string, does: string][]][] = [
  [
    'Everywhere in a package',
    [
      ['[  ]', 'view before, next view'],
      [',  .', 'page before, next page'],
      ['+  −', 'loupe larger, smaller'],
      ['W', 'loupe in a second window'],
      ['/', 'find words in the package'],
      ['Q', 'ask in plain words'],
      ['U', 'undo what was said last'],
      ['Shift U', 'say it again'],
      ['?', 'this list'],
    ],
  ],
  [
    'Deck',
    [
      ['1 … 9', 'give that answer'],
      ['Enter', 'give the first answer'],
      ['E', 'type the value; a click on the page gives it at once'],
      ['R', 'take what the register says'],
      ['→', 'later'],
      ['←', 'the piece before'],
    ],
  ],
  [
    'Papers',
    [
      ['← →', 'from page to page'],
      ['↑ ↓', 'from document to document'],
      ['C', 'a document starts here'],
      ['J', 'goes on with the document before'],
      ['T', 'change the type'],
      ['Space', 'pick a page up, or put it back'],
      ['M', 'move what is picked up behind this page'],
      ['R', 'turn the page a quarter to the right'],
      ['X', 'set aside: in no document'],
      ['Shift ← →', 'pick up a stretch of pages (or Shift click)'],
      ['B', 'part into documents of so many pages each'],
      ['O', 'what is picked up becomes a document of its own'],
      ['Y', 'compare with the page before, its original, or the two picked up'],
      ['N', 'next loose document'],
    ],
  ],
  [
    'All pages',
    [
      ['← → ↑ ↓', 'from page to page'],
      ['+  −', 'larger, smaller'],
      ['Enter', 'to the papers, at this page'],
    ],
  ],
  [
    'Compare',
    [
      ['↑ ↓', 'another page on the left'],
      ['← →', 'another page on the right'],
      ['S', 'swap them'],
      ['D', 'mark what differs, or not'],
    ],
  ],
  [
    'Values',
    [
      ['Tab', 'next value that is asked about'],
      ['Enter', 'store'],
      ['Esc', 'leave it as it was'],
    ],
  ],
  [
    'Table marked by hand',
    [
      ['Tab', 'to the next line'],
      ['← → ↑ ↓', 'move that line; with Shift further'],
    ],
  ],
  [
    'Facts',
    [
      ['D', 'only what differs'],
      ['← → ↑ ↓', 'from cell to cell'],
      ['Enter', 'show it on its page'],
    ],
  ],
  [
    'Queue',
    [
      ['N', 'take the next package'],
      ['/', 'search'],
    ],
  ],
]

/** The list of all shortcuts, on `?`. */
export function KeyHelp() {
  const [open, setOpen] = useState(false)
  useKeys({ '?': () => setOpen(true) })
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger
        className="hidden rounded px-2 py-1 sm:block text-sm text-[#c0ccd4] hover:text-white"
        aria-label="All keys"
      >
        Keys <span className="key">?</span>
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-10 bg-[#0b111566]" />
        <Dialog.Content
          aria-describedby={undefined}
          className="card fixed top-[8vh] left-1/2 z-20 max-h-[84vh] w-[min(760px,94vw)] -translate-x-1/2 overflow-auto p-5 shadow-xl"
        >
          <Dialog.Title className="mb-3 text-xl font-semibold">Keys</Dialog.Title>
          <div className="grid gap-5 sm:grid-cols-2">
            {HELP.map(([where, keys]) => (
              <section key={where}>
                <h3 className="mb-1 font-semibold text-ink-2">{where}</h3>
                <dl className="grid grid-cols-[84px_1fr] gap-y-1 text-sm">
                  {keys.map(([key, does]) => [
                    <dt key={key}>
                      <span className="key">{key}</span>
                    </dt>,
                    <dd key={does}>{does}</dd>,
                  ])}
                </dl>
              </section>
            ))}
          </div>
          <Dialog.Close className="button mt-4">Close</Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}

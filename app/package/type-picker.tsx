import { Command } from 'cmdk'
import { Dialog } from 'radix-ui'
import { useMemo, useState } from 'react'
import { z } from 'zod'
import { usePackage } from './view.ts'

/** Choosing a document type by typing letters of its name; likely ones first. */
export function TypePicker({
  open,
  onClose,
  title,
  likely,
  onChoose,
}: {
  open: boolean
  onClose: () => void
  title: string
  likely: readonly string[]
  onChoose: (type: string) => void
}) {
  const { types } = usePackage()
  const [text, setText] = useState('')
  const recent = useMemo(() => (open ? recentTypes() : []), [open])
  const first = [...likely, ...recent.filter((id) => !likely.includes(id))]
  const order = [...types].sort((a, b) => rank(first, a.id) - rank(first, b.id))
  const choose = (type: string) => {
    setText('')
    remember(type)
    onChoose(type)
  }
  return (
    <Dialog.Root
      open={open}
      onOpenChange={(now) => {
        if (!now) {
          setText('')
          onClose()
        }
      }}
    >
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 bg-[#0b111566]" />
        <Dialog.Content
          aria-describedby={undefined}
          className="card fixed top-[14vh] left-1/2 z-10 w-[min(440px,94vw)] -translate-x-1/2 p-4 shadow-xl"
        >
          <Dialog.Title className="mb-2 text-lg font-semibold">{title}</Dialog.Title>
          <Command loop label={title}>
            <Command.Input
              autoFocus
              value={text}
              onValueChange={setText}
              placeholder="Some letters of its name"
              className="field"
            />
            <Command.List className="mt-2 max-h-80 overflow-auto">
              <Command.Empty className="px-2 py-3 text-ink-2">No type has these letters.</Command.Empty>
              {order.map((type) => (
                <Command.Item
                  key={type.id}
                  value={type.id}
                  keywords={[type.title, ...type.titles]}
                  onSelect={() => choose(type.id)}
                  className="flex cursor-pointer items-center justify-between rounded px-2 py-1.5 data-[selected=true]:bg-petrol-soft"
                >
                  {type.title}
                  <span className="text-[13px] text-ink-3">
                    {likely.includes(type.id) ? 'likely' : recent.includes(type.id) ? 'lately' : ''}
                  </span>
                </Command.Item>
              ))}
            </Command.List>
          </Command>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}

const KEPT = 'jigsa-recent-types'
const MOST_RECENT = 4

/** Types that were chosen last in this browser, the latest first. */
function recentTypes(): string[] {
  try {
    return z.array(z.string()).parse(JSON.parse(localStorage.getItem(KEPT) ?? '[]'))
  } catch {
    return []
  }
}

/** Where a browser keeps nothing, nothing was chosen lately. */
function remember(type: string): void {
  try {
    localStorage.setItem(
      KEPT,
      JSON.stringify([type, ...recentTypes().filter((t) => t !== type)].slice(0, MOST_RECENT)),
    )
  } catch {
    return
  }
}

const rank = (likely: readonly string[], id: string): number =>
  likely.includes(id) ? likely.indexOf(id) : likely.length + (id === 'unknown' ? 1 : 0)

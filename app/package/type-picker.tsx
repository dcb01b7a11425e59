import { Command } from 'cmdk'
import { Dialog } from 'radix-ui'
import { useState } from 'react'
import { usePackage } from './view.ts'

/** Choosing a document type by typing letters of its name; likely ones first. */
export function TypePicker({ open, onClose, title, likely, onChoose }: { open: boolean; onClose: () => void; title: string; likely: readonly string[]; onChoose: (type: string) => void }) {
  const { types } = usePackage()
  const [text, setText] = useState('')
  const order = [...types].sort((a, b) => rank(likely, a.id) - rank(likely, b.id))
  return (
    <Dialog.Root open={open} onOpenChange={(now) => { if (!now) { setText(''); onClose() } }}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 bg-[#0b111566]" />
        <Dialog.Content aria-describedby={undefined} className="card fixed top-[14vh] left-1/2 z-10 w-[min(440px,94vw)] -translate-x-1/2 p-4 shadow-xl">
          <Dialog.Title className="mb-2 text-lg font-semibold">{title}</Dialog.Title>
          <Command loop label={title}>
            <Command.Input autoFocus value={text} onValueChange={setText} placeholder="Some letters of its name" className="field" />
            <Command.List className="mt-2 max-h-80 overflow-auto">
              <Command.Empty className="px-2 py-3 text-ink-2">No type has these letters.</Command.Empty>
              {order.map((type) => (
                <Command.Item key={type.id} value={type.id} keywords={[type.title, ...type.titles]} onSelect={() => { setText(''); onChoose(type.id) }} className="flex cursor-pointer items-center justify-between rounded px-2 py-1.5 data-[selected=true]:bg-petrol-soft">
                  {type.title}
                  {likely.includes(type.id) ? <span className="text-[13px] text-ink-3">likely</span> : null}
                </Command.Item>
              ))}
            </Command.List>
          </Command>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}

const rank = (likely: readonly string[], id: string): number => (likely.includes(id) ? likely.indexOf(id) : likely.length + (id === 'unknown' ? 1 : 0))

import { clsx } from 'clsx'
import { DropdownMenu } from 'radix-ui'
import { useFetcher } from 'react-router'
import { usePackage } from './view.ts'

/** Whose package it is; taking it, putting it back, and for leads giving it to somebody. */
export function OwnerMenu() {
  const { row, who, owners } = usePackage()
  const fetcher = useFetcher<{ problem: string | null }>()
  const give = (owner: string) =>
    void fetcher.submit(
      { owner },
      { method: 'post', action: `/packages/${row.id}/owner`, encType: 'application/json' },
    )
  const owner = owners.find((o) => o.id === row.ownerId)
  const others = owners.filter((o) => o.id !== row.ownerId)
  const item = 'cursor-pointer rounded px-3 py-1.5 data-[highlighted]:bg-petrol-soft'
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger
        className={clsx(
          'mx-3 mb-2 w-[calc(100%-24px)] rounded border border-line px-2 py-1.5',
          'text-left text-[13px] text-ink-2 hover:border-petrol',
        )}
      >
        Owner
        <br />
        <b className="text-ink">{row.ownerId === who.id ? 'you' : (owner?.name ?? 'nobody')}</b>
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content side="right" align="end" className="card z-20 min-w-44 p-1 shadow-xl">
          {others.map((o) => (
            <DropdownMenu.Item key={o.id} className={item} onSelect={() => give(o.id)}>
              {o.id === who.id ? 'Take it' : `Give to ${o.name}`}
            </DropdownMenu.Item>
          ))}
          {row.ownerId ? (
            <DropdownMenu.Item className={item} onSelect={() => give('')}>
              Put it back
            </DropdownMenu.Item>
          ) : null}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}

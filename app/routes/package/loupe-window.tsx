import { useEffect, useRef, useState } from 'react'
import { askedPackage } from '../../../server/access/packages.ts'
import { pageSheets } from '../../../server/packages/queries.ts'
import { channelOf, type Message } from '../../package/looking.tsx'
import { PageView } from '../../package/page-view.tsx'
import type { Route } from './+types/loupe-window'

export const meta = ({ loaderData }: Route.MetaArgs) => [
  { title: `${loaderData?.caseNumber ?? ''} loupe · Jigsa` },
]

export async function loader({ request, params }: Route.LoaderArgs) {
  const { row } = await askedPackage(request, params.id)
  return { id: row.id, caseNumber: row.caseNumber, sheets: await pageSheets(row.id) }
}

/** The loupe in a window of its own, for a second monitor: it follows what is looked at in the first. */
export default function LoupeWindow({ loaderData: { id, sheets, caseNumber } }: Route.ComponentProps) {
  const [shown, setShown] = useState<Extract<Message, { kind: 'look' }>>({
    kind: 'look',
    page: 1,
    marks: [],
    picking: null,
  })
  const channel = useRef<BroadcastChannel | null>(null)
  useEffect(() => {
    const one = (channel.current = channelOf(id))
    one.onmessage = (event: MessageEvent<Message>) => {
      if (event.data.kind === 'look') setShown(event.data)
    }
    one.postMessage({ kind: 'here' } satisfies Message)
    return () => one.close()
  }, [id])
  const sheet = sheets[shown.page - 1]
  return (
    <main className="min-h-dvh bg-band p-3">
      <p className="mb-2 text-sm text-ink-2">
        <b className="font-mono text-ink">{caseNumber}</b> page {shown.page} of {sheets.length}
        {shown.picking ? (
          <span className="ml-3 rounded bg-petrol px-2 py-0.5 text-sheet">
            Click a word, or drag over several: {shown.picking}
          </span>
        ) : (
          ' · follows the first window'
        )}
      </p>
      {sheet ? (
        <PageView
          packageId={id}
          sheet={sheet}
          marks={shown.marks}
          picking={shown.picking !== null}
          onPicked={(picked) => channel.current?.postMessage({ kind: 'picked', picked } satisfies Message)}
        />
      ) : null}
    </main>
  )
}

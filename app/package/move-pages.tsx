import { useState } from 'react'
import { useFetcher } from 'react-router'
import { Told } from '../parts/told.tsx'
import type { MoveAnswer } from '../routes/package/move-pages.ts'

/** Moves chosen files to another case, and back. */
export function MoveFiles({
  packageId,
  chosen,
  onMoved,
}: {
  packageId: string
  chosen: readonly string[]
  onMoved: () => void
}) {
  const fetcher = useFetcher<MoveAnswer>()
  const [caseNumber, setCaseNumber] = useState('')
  const busy = fetcher.state !== 'idle'
  const send = (id: string, body: ({ files: string[] } | { pages: number[] }) & { caseNumber: string }) =>
    void fetcher.submit(body, {
      method: 'post',
      action: `/packages/${id}/move-pages`,
      encType: 'application/json',
    })
  const moved = fetcher.data?.moved
  if (chosen.length === 0 && !fetcher.data) return null
  return (
    <div className="mb-3">
      <Told problem={fetcher.data?.problem} />
      {moved ? (
        <p role="status" className="mb-2 flex items-center gap-3">
          Now in <b className="font-mono">{moved.caseNumber}</b>.
          <button
            type="button"
            className="button"
            disabled={busy}
            onClick={() =>
              send(moved.back.packageId, { pages: moved.back.pages, caseNumber: moved.back.caseNumber })
            }
          >
            Move back
          </button>
        </p>
      ) : null}
      {chosen.length > 0 ? (
        <form
          className="card flex flex-wrap items-center gap-2 p-3"
          onSubmit={(event) => {
            event.preventDefault()
            send(packageId, { files: [...chosen], caseNumber })
            onMoved()
          }}
        >
          <label className="flex items-center gap-2">
            {chosen.length === 1 ? 'This file belongs' : `These ${chosen.length} files belong`} to case
            <input
              className="field w-48 py-1 font-mono"
              value={caseNumber}
              maxLength={60}
              onChange={(event) => setCaseNumber(event.target.value)}
            />
          </label>
          <button className="button" disabled={busy || caseNumber.trim() === ''}>
            Move there
          </button>
        </form>
      ) : null}
    </div>
  )
}

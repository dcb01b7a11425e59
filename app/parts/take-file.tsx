import { useState } from 'react'
import { useFetcher } from 'react-router'
import { z } from 'zod'
import { PickFile } from './pick-file.tsx'

const textSchema = z.string().max(400_000)

/** A button that takes one thing in from its file, as it was exported, and gives it to the route's action. */
export function useTakeFile(
  label: string,
  what: string,
): { button: React.ReactNode; problem: string | undefined } {
  const fetcher = useFetcher<{ problem?: string }>()
  const [unread, setUnread] = useState('')
  const take = async (chosen: File) => {
    setUnread('')
    try {
      void fetcher.submit(
        JSON.parse(textSchema.parse(await chosen.text())) as Parameters<typeof fetcher.submit>[0],
        { method: 'post', encType: 'application/json' },
      )
    } catch {
      setUnread(`This file is no ${what}; export one to see what it looks like.`)
    }
  }
  const button = (
    <PickFile label={label} accept=".json,application/json" onPick={(chosen) => void take(chosen)}>
      Take one from a file
    </PickFile>
  )
  return { button, problem: unread || fetcher.data?.problem }
}

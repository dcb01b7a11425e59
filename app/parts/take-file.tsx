import { Upload } from 'lucide-react'
import { useRef, useState } from 'react'
import { useFetcher } from 'react-router'
import { z } from 'zod'

const textSchema = z.string().max(400_000)

/** A button that takes one thing in from its file, as it was exported, and gives it to the route's action. */
export function useTakeFile(
  label: string,
  what: string,
): { button: React.ReactNode; problem: string | undefined } {
  const fetcher = useFetcher<{ problem?: string }>()
  const file = useRef<HTMLInputElement>(null)
  const [unread, setUnread] = useState('')
  const take = async (chosen: File | undefined) => {
    if (!chosen) return
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
    <>
      <input
        ref={file}
        type="file"
        accept=".json,application/json"
        className="hidden"
        aria-label={label}
        onChange={(event) => {
          void take(event.target.files?.[0])
          event.target.value = ''
        }}
      />
      <button type="button" className="button" onClick={() => file.current?.click()}>
        <Upload size={16} />
        Take one from a file
      </button>
    </>
  )
  return { button, problem: unread || fetcher.data?.problem }
}

import { clsx } from 'clsx'
import { CornerDownLeft, X } from 'lucide-react'
import { useRef, useState } from 'react'
import { useFetcher } from 'react-router'
import type { Box } from '../../core/model/index.ts'
import { show } from '../parts/format.ts'
import { useKeys } from '../parts/keys.ts'
import type { loader } from '../routes/package/ask.ts'
import { useLooking } from './looking.tsx'
import { useJudged } from './view.ts'

/** Questions in plain words: answered from what was read, with the place of each answer, or not at all. */
export function Asker({ onShow }: { onShow: (page: number, box: Box | null) => void }) {
  const { row, assessment } = useJudged()
  const { page } = useLooking()
  const [open, setOpen] = useState(false)
  const [words, setWords] = useState('')
  const [only, setOnly] = useState(false)
  const { load, data, state } = useFetcher<typeof loader>({ key: `ask-${row.id}` })
  const field = useRef<HTMLInputElement>(null)
  useKeys({
    q: () => {
      setOpen(true)
      setTimeout(() => field.current?.select())
    },
  })
  if (!open) return null
  const close = () => setOpen(false)
  const labels = new Map(assessment.documents.map((d) => [d.id, d.label]))
  return (
    <section aria-label="Ask" className="border-b border-line bg-sheet px-3 py-2 text-sm">
      <form
        className="flex flex-wrap items-center gap-2"
        onSubmit={(event) => {
          event.preventDefault()
          if (words.trim().length > 1)
            void load(
              `/packages/${row.id}/ask?q=${encodeURIComponent(words.trim())}${only ? `&page=${page}` : ''}`,
            )
        }}
      >
        <label className="flex min-w-0 flex-1 items-center gap-2 font-semibold">
          Ask
          <input
            ref={field}
            autoFocus
            className="field max-w-xl font-normal"
            value={words}
            maxLength={300}
            placeholder="What does the boat cost? Who surveyed it?"
            onChange={(event) => setWords(event.target.value)}
            onKeyDown={(event) => {
              if (event.key === 'Escape') close()
            }}
          />
        </label>
        <label className="flex items-center gap-1.5">
          <input
            type="checkbox"
            className="accent-(--petrol)"
            checked={only}
            onChange={(event) => setOnly(event.target.checked)}
          />
          this paper only
        </label>
        <button className="button px-2 py-1" disabled={words.trim().length < 2 || state !== 'idle'}>
          <CornerDownLeft size={15} />
          Answer
        </button>
        <button type="button" className="button px-1.5 py-1" aria-label="Close (Esc)" onClick={close}>
          <X size={15} />
        </button>
      </form>
      {data && state === 'idle' ? (
        <div role="status" className="mt-2 max-h-44 overflow-auto">
          {data.answers.length === 0 ? (
            <p className="text-ink-2">Not in these papers, as far as they were read: “{data.question}”</p>
          ) : (
            <ul className="grid gap-1">
              {data.answers.map((answer) => (
                <li
                  key={answer.text}
                  className={clsx(
                    'flex flex-wrap items-baseline gap-x-3',
                    answer.asked && 'border-l-4 border-dashed border-amber pl-2',
                  )}
                >
                  <b className={answer.from === 'value' ? 'value' : ''}>
                    {answer.from === 'value' ? show(answer.text) : `“${answer.text}”`}
                  </b>
                  {answer.asked ? (
                    <span className="text-[13px] text-amber">still asked about</span>
                  ) : answer.from === 'line' ? (
                    <span className="text-[13px] text-ink-2">a line that may say it</span>
                  ) : null}
                  {answer.places.map((place) => (
                    <button
                      key={`${place.page} ${place.field}`}
                      type="button"
                      className="text-petrol underline"
                      onClick={() => onShow(place.page, place.box)}
                    >
                      {place.field ? `${place.field}, ` : ''}
                      {labels.get(place.document) ?? 'no document'} page {place.page}
                    </button>
                  ))}
                </li>
              ))}
            </ul>
          )}
        </div>
      ) : null}
    </section>
  )
}

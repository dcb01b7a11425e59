import { useState } from 'react'
import { type Program, requestWordsSchema, VARIABLES } from '../../core/program/index.ts'
import type { Language } from '../../core/lexicon/index.ts'
import { LanguageOptions } from '../parts/options.tsx'

type Asking = Program['requests']

/** How applicants are asked for what lacks: days, reminders, and the lender's own words in place of the usual ones. */
export function AskingCard({
  draft,
  may,
  onChange,
}: {
  draft: Program
  may: boolean
  onChange: (part: Partial<Program>) => void
}) {
  const [language, setLanguage] = useState<Language>('en')
  const [requirement, setRequirement] = useState(draft.requirements[0]?.id ?? '')
  const asking = draft.requests
  const fault = requestWordsSchema.safeParse(asking).error?.issues[0].message
  const set = (part: Partial<Asking>) => onChange({ requests: { ...asking, ...part } })
  const words = (part: 'opening' | 'closing', text: string) =>
    set({ [part]: without(asking[part], language, text) })
  return (
    <fieldset disabled={!may} className="card p-4 md:col-span-2">
      <legend className="sr-only">How applicants are asked</legend>
      <h2 className="mb-2 font-semibold">How applicants are asked</h2>
      <div className="flex flex-wrap items-end gap-4">
        <label className="grid gap-0.5 text-sm">
          days to answer
          <input
            className="field w-24 py-1"
            type="number"
            min={1}
            max={365}
            value={asking.dueDays}
            onChange={(event) => set({ dueDays: Number(event.target.value) })}
          />
        </label>
        <label className="grid gap-0.5 text-sm">
          reminded after days
          <Days
            key={asking.remindDays.join()}
            days={asking.remindDays}
            onChange={(remindDays) => set({ remindDays })}
          />
        </label>
        <label className="flex items-center gap-2 py-1.5">
          <input
            type="checkbox"
            className="accent-(--petrol)"
            checked={asking.whenAnswered === 'first'}
            onChange={(event) => set({ whenAnswered: event.target.checked ? 'first' : 'stay' })}
          />
          a package whose applicant answered goes before others
        </label>
      </div>
      <div className="mt-4 flex flex-wrap items-center gap-3">
        <label className="text-sm">
          own words in{' '}
          <select
            className="field w-auto py-0.5"
            value={language}
            onChange={(event) => setLanguage(event.target.value as Language)}
          >
            <LanguageOptions />
          </select>
        </label>
        <span className="text-[13px] text-ink-2">
          {VARIABLES.map((v) => `{${v}}`).join(' ')} stand for what they name; empty means the usual words.
        </span>
      </div>
      {fault ? (
        <p role="alert" className="mt-1 text-sm font-semibold text-plum">
          {fault}
        </p>
      ) : null}
      <div className="mt-2 grid gap-2 md:grid-cols-3">
        {(['opening', 'closing'] as const).map((part) => (
          <label key={part} className="grid gap-0.5 text-sm">
            {part === 'opening' ? 'before what is asked for' : 'behind it'}
            <textarea
              className="field min-h-24 py-1"
              maxLength={2000}
              value={asking[part][language] ?? ''}
              onChange={(event) => words(part, event.target.value)}
            />
          </label>
        ))}
        <div className="grid content-start gap-0.5 text-sm">
          <label>
            for{' '}
            <select
              className="field w-auto max-w-56 py-0.5"
              value={requirement}
              onChange={(event) => setRequirement(event.target.value)}
            >
              {draft.requirements.map((r) => (
                <option key={r.id} value={r.id}>
                  {r.title}
                </option>
              ))}
            </select>
          </label>
          <textarea
            className="field min-h-24 py-1"
            aria-label="Words for this requirement"
            maxLength={2000}
            value={asking.items[requirement]?.[language] ?? ''}
            onChange={(event) =>
              set({
                items: {
                  ...asking.items,
                  [requirement]: without(asking.items[requirement] ?? {}, language, event.target.value),
                },
              })
            }
          />
        </div>
      </div>
    </fieldset>
  )
}

/** Words in one language; none of them are left out. */
function without(all: Asking['opening'], language: Language, text: string): Asking['opening'] {
  const { [language]: _before, ...others } = all
  return text.trim() === '' ? others : { ...others, [language]: text }
}

/** Days as people list them. They are taken when one leaves the field: half a number is none. */
function Days({ days, onChange }: { days: number[]; onChange: (days: number[]) => void }) {
  const [text, setText] = useState(days.join(', '))
  return (
    <input
      className="field w-36 py-1"
      value={text}
      onChange={(event) => setText(event.target.value)}
      onBlur={() =>
        onChange([...new Set(text.split(/\D+/).map(Number))].filter((d) => d >= 1 && d <= 365).slice(0, 6))
      }
    />
  )
}

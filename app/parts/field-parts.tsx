import { X } from 'lucide-react'
import type { Column, Field } from '../../core/program/schema.ts'

const list = (text: string): string[] => [
  ...new Set(
    text
      .split(',')
      .map((w) => w.trim())
      .filter(Boolean),
  ),
]
const idOf = (text: string): string =>
  text
    .toLowerCase()
    .normalize('NFD')
    .replace(/[^a-z0-9]+/g, '_')
    .replace(/^[^a-z]+|_+$/g, '')
    .slice(0, 40)
const KINDS: Record<Column['kind'], string> = {
  text: 'words',
  date: 'date',
  money: 'amount',
  number: 'number',
  name: 'a person’s name',
  percent: 'percentage',
}

/** What a choice may be: each with the words that say it on papers. */
export function Choices({
  choices,
  onChange,
}: {
  choices: Field['choices']
  onChange: (choices: Field['choices']) => void
}) {
  return (
    <div>
      <span className="font-semibold">It is one of</span>
      <ul className="mt-1 grid gap-1">
        {choices.map((c, i) => (
          <li key={i} className="flex items-center gap-2">
            <input
              aria-label={`Choice ${i + 1}`}
              className="field w-32 py-0.5"
              defaultValue={c.value.replaceAll('_', ' ')}
              onBlur={(event) =>
                onChange(choices.with(i, { ...c, value: idOf(event.target.value) || c.value }))
              }
            />
            <input
              aria-label={`Words of choice ${i + 1}`}
              className="field flex-1 py-0.5"
              placeholder="words that say so, with commas"
              defaultValue={c.words.join(', ')}
              onBlur={(event) =>
                onChange(
                  choices.with(i, {
                    ...c,
                    words: list(event.target.value).length > 0 ? list(event.target.value) : c.words,
                  }),
                )
              }
            />
            <button
              type="button"
              aria-label={`Take choice ${i + 1} away`}
              onClick={() => onChange(choices.toSpliced(i, 1))}
            >
              <X size={14} />
            </button>
          </li>
        ))}
      </ul>
      <button
        type="button"
        className="mt-1 text-petrol underline"
        onClick={() =>
          onChange([
            ...choices,
            { value: `choice_${choices.length + 1}`, words: [`choice ${choices.length + 1}`] },
          ])
        }
      >
        One more choice
      </button>
    </div>
  )
}

/** The columns of a table: what each holds, and the words that head it. */
export function Columns({
  columns,
  onChange,
}: {
  columns: Field['columns']
  onChange: (columns: Field['columns']) => void
}) {
  return (
    <div>
      <span className="font-semibold">Its columns</span>
      <ul className="mt-1 grid gap-1">
        {columns.map((c, i) => (
          <li key={i} className="flex items-center gap-2">
            <input
              aria-label={`Column ${i + 1}`}
              className="field w-28 py-0.5"
              defaultValue={c.name.replaceAll('_', ' ')}
              onBlur={(event) =>
                onChange(columns.with(i, { ...c, name: idOf(event.target.value) || c.name }))
              }
            />
            <select
              aria-label={`Kind of column ${i + 1}`}
              className="field w-auto py-0.5"
              value={c.kind}
              onChange={(event) =>
                onChange(columns.with(i, { ...c, kind: event.target.value as Column['kind'] }))
              }
            >
              {Object.entries(KINDS).map(([kind, words]) => (
                <option key={kind} value={kind}>
                  {words}
                </option>
              ))}
            </select>
            <input
              aria-label={`Heads of column ${i + 1}`}
              className="field flex-1 py-0.5"
              placeholder="words at its head, with commas"
              defaultValue={c.labels.join(', ')}
              onBlur={(event) =>
                onChange(
                  columns.with(i, {
                    ...c,
                    labels: list(event.target.value).length > 0 ? list(event.target.value) : c.labels,
                  }),
                )
              }
            />
            <button
              type="button"
              aria-label={`Take column ${i + 1} away`}
              onClick={() => onChange(columns.toSpliced(i, 1))}
            >
              <X size={14} />
            </button>
          </li>
        ))}
      </ul>
      <button
        type="button"
        className="mt-1 text-petrol underline"
        onClick={() =>
          onChange([
            ...columns,
            {
              name: `column_${columns.length + 1}`,
              kind: 'text',
              labels: [`column ${columns.length + 1}`],
              optional: false,
            },
          ])
        }
      >
        One more column
      </button>
    </div>
  )
}

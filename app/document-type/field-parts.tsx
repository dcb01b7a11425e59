import { kindsWithWords } from '../parts/field-kinds.ts'
import { X } from 'lucide-react'
import { ROLES, withUsualRoles } from './edit.ts'
import { type Column, type ColumnRole, type Field, idFrom } from '../../core/program/index.ts'

const list = (text: string): string[] => [
  ...new Set(
    text
      .split(',')
      .map((w) => w.trim())
      .filter(Boolean),
  ),
]
const COLUMN_KINDS = kindsWithWords<Column['kind']>(['text', 'date', 'money', 'number', 'name', 'percent'])

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
                onChange(choices.with(i, { ...c, value: idFrom(event.target.value, 40) || c.value }))
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

const ROLE_WORDS: Record<ColumnRole, string> = {
  date: 'the day of the row',
  description: 'what the row is for',
  amount: 'the row’s amount',
  balance: 'the running balance',
  quantity: 'how many',
  unit_price: 'the price of one',
}

/** The columns of a table: what each holds, what it means, and the words that head it. */
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
        {columns.map((column, i) => (
          <ColumnRow
            key={i}
            column={column}
            number={i + 1}
            onChange={(change) => {
              const changed = withOneOfEachRole(columns, i, { ...column, ...change })
              // What somebody chose stays; else the meaning follows the name.
              onChange('role' in change ? changed : withUsualRoles(columns, changed))
            }}
            onRemove={() => onChange(columns.toSpliced(i, 1))}
          />
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

/** A table has one column of a role: whoever is given it takes it from the other. */
const withOneOfEachRole = (columns: readonly Column[], at: number, changed: Column): Column[] =>
  columns.map((column, i) =>
    i === at
      ? changed
      : changed.role && column.role === changed.role
        ? { ...column, role: undefined }
        : column,
  )

function ColumnRow({
  column,
  number,
  onChange,
  onRemove,
}: {
  column: Column
  number: number
  onChange: (change: Partial<Column>) => void
  onRemove: () => void
}) {
  const roles = ROLES[column.kind]
  return (
    <li className="flex flex-wrap items-center gap-2 rounded-md border border-line p-2">
      <input
        aria-label={`Column ${number}`}
        className="field w-28 py-0.5"
        defaultValue={column.name.replaceAll('_', ' ')}
        onBlur={(event) => onChange({ name: idFrom(event.target.value, 40) || column.name })}
      />
      <select
        aria-label={`Kind of column ${number}`}
        className="field w-auto py-0.5"
        value={column.kind}
        onChange={(event) => onChange({ kind: event.target.value as Column['kind'] })}
      >
        {COLUMN_KINDS.map(([kind, words]) => (
          <option key={kind} value={kind}>
            {words}
          </option>
        ))}
      </select>
      <select
        aria-label={`Meaning of column ${number}`}
        className="field w-44 py-0.5"
        value={column.role ?? ''}
        disabled={roles.length === 0}
        onChange={(event) => onChange({ role: (event.target.value || undefined) as ColumnRole | undefined })}
      >
        <option value="">no part in sums</option>
        {roles.map((role) => (
          <option key={role} value={role}>
            {ROLE_WORDS[role]}
          </option>
        ))}
      </select>
      <input
        aria-label={`Heads of column ${number}`}
        className="field min-w-32 flex-1 py-0.5"
        placeholder="words at its head, with commas"
        defaultValue={column.labels.join(', ')}
        onBlur={(event) => {
          const labels = list(event.target.value)
          if (labels.length > 0) onChange({ labels })
        }}
      />
      <button type="button" aria-label={`Take column ${number} away`} onClick={onRemove}>
        <X size={14} />
      </button>
    </li>
  )
}

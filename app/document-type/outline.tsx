import type { DocumentType, Field } from '../../core/program/index.ts'
import { shareOf } from './edit.ts'
import { LinesField } from './lines-field.tsx'
import { FieldOptions } from '../parts/options.tsx'

/** Pages that one paper may have, at most. */
const MOST_PAGES = 500
/** What words that speak for a type weigh, where nothing was fitted. */
const SIGN_WEIGHT = 1.2

/** What names a type, what speaks for it, how long it is, how sure it must be, whether it is to be signed. */
export function Outline({
  type,
  stored,
  onChange,
}: {
  type: DocumentType
  stored: DocumentType | null
  onChange: (part: Partial<DocumentType>) => void
}) {
  return (
    <>
      <label className="block font-semibold">
        Name
        <input
          className="field mt-1 font-normal"
          value={type.title}
          maxLength={80}
          onChange={(event) => onChange({ title: event.target.value })}
        />
      </label>
      <label className="block font-semibold">
        Under its pages in the strip
        <input
          className="field mt-1 font-normal"
          value={type.short}
          maxLength={20}
          onChange={(event) => onChange({ short: event.target.value })}
        />
      </label>
      <LinesField
        title="Headings that name it"
        lines={type.titles}
        onChange={(titles) => onChange({ titles })}
      />
      <LinesField
        title="Words that speak for it"
        lines={type.signs.map((s) => s.words)}
        onChange={(lines) =>
          onChange({
            signs: lines.map(
              (words) => type.signs.find((s) => s.words === words) ?? { words, weight: SIGN_WEIGHT },
            ),
          })
        }
      />
      <Limits type={type} onChange={onChange} />
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          className="accent-(--petrol)"
          checked={type.signature !== null}
          onChange={(event) =>
            onChange({
              signature: event.target.checked
                ? (stored?.signature ?? { labels: ['signature', 'signed', 'signed by'] })
                : null,
            })
          }
        />
        is to be signed
      </label>
      {type.signature ? (
        <LinesField
          title="What stands where it is signed"
          lines={type.signature.labels}
          onChange={(labels) => {
            if (labels.length > 0) onChange({ signature: { labels } })
          }}
        />
      ) : null}
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          className="accent-(--petrol)"
          checked={type.letter}
          onChange={(event) => onChange({ letter: event.target.checked })}
        />
        is a letter, with a greeting and a close
      </label>
      <Leading type={type} onChange={onChange} />
      <LinesField
        title="Labels on it that lead to none of its values"
        lines={type.others}
        onChange={(others) => onChange({ others })}
      />
      <LinesField
        title="Words that mean one thing on it, a line each, with commas"
        lines={type.synonyms.map((words) => words.join(', '))}
        onChange={(lines) =>
          onChange({
            synonyms: lines
              .map((line) => [
                ...new Set(
                  line
                    .split(',')
                    .map((w) => w.trim().toLowerCase())
                    .filter(Boolean),
                ),
              ])
              .filter((words) => words.length > 1),
          })
        }
      />
    </>
  )
}

/** Which of its values says whose paper it is, and which tells several of its kind apart. */
function Leading({
  type,
  onChange,
}: {
  type: DocumentType
  onChange: (part: Partial<DocumentType>) => void
}) {
  const named = type.fields.filter((f) => f.title.trim())
  const choices: [title: string, value: string | null, of: Field[], set: (name: string | null) => void][] = [
    [
      'Whose paper it is',
      type.person,
      named.filter((f) => f.kind === 'name' || f.kind === 'org'),
      (person) => onChange({ person }),
    ],
    [
      'What tells several apart',
      type.tellsApart,
      named.filter((f) => f.kind !== 'table'),
      (tellsApart) => onChange({ tellsApart }),
    ],
  ]
  return choices.map(([title, value, of, set]) => (
    <label key={title} className="block font-semibold">
      {title}
      <select
        className="field mt-1 font-normal"
        value={value ?? ''}
        onChange={(event) => set(event.target.value || null)}
      >
        <option value="">nothing says it</option>
        <FieldOptions of={of} />
      </select>
    </label>
  ))
}

function Limits({ type, onChange }: { type: DocumentType; onChange: (part: Partial<DocumentType>) => void }) {
  return (
    <div className="flex gap-3">
      <label className="font-semibold">
        Pages at most
        <input
          type="number"
          min={1}
          max={MOST_PAGES}
          className="field mt-1 font-normal"
          value={type.pages.max}
          onChange={(event) =>
            onChange({
              pages: { min: 1, max: Math.max(1, Math.min(MOST_PAGES, Number(event.target.value) || 1)) },
            })
          }
        />
      </label>
      <label className="font-semibold">
        Asked below
        <span className="mt-1 flex items-center gap-1 font-normal">
          <input
            type="number"
            min={0}
            max={100}
            className="field"
            value={Math.round(type.threshold * 100)}
            onChange={(event) => onChange({ threshold: shareOf(event.target.value, 0, 100) })}
          />
          sure
        </span>
      </label>
    </div>
  )
}

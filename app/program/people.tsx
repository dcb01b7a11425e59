import type { Program, TypeShape } from '../../core/program/index.ts'

const SIGN_OFF = [
  ['waivers', 'waiving a requirement'],
  ['differences', 'accepting a difference or a failed check'],
  ['finish', 'the whole package, before it is finished'],
  ['requests', 'a request to the applicant, before it is sent'],
] as const

/** What a second person agrees to, and which values say who applies. */
export function People({
  draft,
  types,
  may,
  onChange,
}: {
  draft: Program
  types: readonly TypeShape[]
  may: boolean
  onChange: (part: Partial<Program>) => void
}) {
  return (
    <fieldset disabled={!may} className="card p-4">
      <legend className="sr-only">A second person agrees to</legend>
      <h2 className="mb-2 font-semibold">A second person agrees to</h2>
      {SIGN_OFF.map(([key, words]) => (
        <label key={key} className="flex items-center gap-2 py-0.5">
          <input
            type="checkbox"
            className="accent-(--petrol)"
            checked={draft.signOff[key]}
            onChange={(event) => onChange({ signOff: { ...draft.signOff, [key]: event.target.checked } })}
          />
          {words}
        </label>
      ))}
      <h2 className="mt-4 mb-2 font-semibold">Who applies</h2>
      <Person
        label="by"
        value={draft.persons.applicant}
        types={types}
        onChange={(applicant) => onChange({ persons: { ...draft.persons, applicant: applicant ?? '' } })}
      />
      <Person
        label="a second person by"
        none="nobody"
        value={draft.persons.coApplicant}
        types={types}
        onChange={(coApplicant) => onChange({ persons: { ...draft.persons, coApplicant } })}
      />
    </fieldset>
  )
}

function Person({
  label,
  none,
  value,
  types,
  onChange,
}: {
  label: string
  none?: string
  value: string | undefined
  types: readonly TypeShape[]
  onChange: (value: string | undefined) => void
}) {
  return (
    <label className="flex items-center gap-2 py-0.5">
      {label}
      <select
        className="field w-auto max-w-72 py-0.5"
        value={value ?? ''}
        onChange={(event) => onChange(event.target.value || undefined)}
      >
        {none || !value ? <option value="">{none ?? 'choose a value'}</option> : null}
        {types.flatMap((t) =>
          t.fields
            .filter((f) => f.kind === 'name')
            .map((f) => (
              <option key={`${t.id}.${f.name}`} value={`${t.id}.${f.name}`}>
                {t.title}: {f.title}
              </option>
            )),
        )}
      </select>
    </label>
  )
}

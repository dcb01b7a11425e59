import { Fragment } from 'react'
import type { TypeShape } from '../../core/program/index.ts'
import { partsOf, type Filling, type Fillings, type Sentence, type Slot } from './sentences.ts'

const low = (text: string): string =>
  /^[A-Z]{2}/.test(text) ? text : text.charAt(0).toLowerCase() + text.slice(1)

/** A value of a paper as people call it. */
function nameOf(reference: string, types: readonly TypeShape[], here: string | undefined): string {
  const [type, name] = here === undefined ? reference.split('.') : [here, reference]
  const found = types.find((t) => t.id === type)
  const field = found?.fields.find((f) => f.name === name)
  return field
    ? here === undefined
      ? `“${low(field.title)}” of the ${low(found!.title)}`
      : `“${low(field.title)}”`
    : reference || '…'
}

const columnsOf = (reference: Filling, types: readonly TypeShape[]) => {
  const [type, name] = String(reference ?? '').split('.')
  return types.find((t) => t.id === type)?.fields.find((f) => f.name === name)?.columns ?? []
}

/** The sentence in plain words, as it is read where nobody changes it. */
export function inWords(
  sentence: Sentence,
  fillings: Fillings,
  types: readonly TypeShape[],
  here?: string,
): string {
  return partsOf(sentence)
    .map((part) => {
      if ('words' in part) return part.words
      const slot = sentence.slots[part.slot]
      const filling = fillings[part.slot]
      if (slot.is === 'value')
        return filling ? nameOf(String(filling), types, slot.here ? here : undefined) : (slot.optional ?? '…')
      if (slot.is === 'choice') return slot.options.find(([value]) => value === filling)?.[1] ?? '…'
      if (slot.is === 'column') return String(filling ?? '…').replaceAll('_', ' ')
      if (slot.is === 'answer')
        return typeof filling === 'boolean'
          ? filling
            ? 'yes'
            : 'no'
          : String(filling ?? '…').replaceAll('_', ' ')
      return typeof filling === 'number' ? filling.toLocaleString('en-GB') : String(filling ?? '…')
    })
    .join('')
}

/** A sentence whose slots are chosen and typed in place. `here` is the paper that its own values are of. */
export function SentenceEditor({
  sentence,
  fillings,
  types,
  here,
  onChange,
}: {
  sentence: Sentence
  fillings: Fillings
  types: readonly TypeShape[]
  here?: string
  onChange: (fillings: Fillings) => void
}) {
  return (
    <span className="flex flex-wrap items-center gap-x-1.5 gap-y-1">
      {partsOf(sentence).map((part, i) =>
        'words' in part ? (
          <span key={i}>{part.words.trim()}</span>
        ) : (
          <Fragment key={i}>
            <SlotInput
              name={part.slot}
              slot={sentence.slots[part.slot]}
              fillings={fillings}
              types={types}
              here={here}
              onChange={(filling) => onChange({ ...fillings, [part.slot]: filling })}
            />
          </Fragment>
        ),
      )}
    </span>
  )
}

const box = 'field w-auto max-w-72 px-1.5 py-0.5 text-sm'

function SlotInput({
  name,
  slot,
  fillings,
  types,
  here,
  onChange,
}: {
  name: string
  slot: Slot
  fillings: Fillings
  types: readonly TypeShape[]
  here?: string
  onChange: (filling: Filling) => void
}) {
  const filling = fillings[name]
  const label = name.replaceAll('_', ' ')
  if (slot.is === 'number')
    return (
      <input
        type="number"
        aria-label={label}
        className="field w-24 px-1.5 py-0.5 text-sm"
        min={slot.least}
        step="any"
        value={typeof filling === 'number' ? filling : ''}
        onChange={(event) => onChange(event.target.value === '' ? undefined : Number(event.target.value))}
      />
    )
  if (slot.is === 'answer') {
    const [type, field] = String(fillings[slot.of] ?? '').split('.')
    const found = types.find((t) => t.id === type)?.fields.find((f) => f.name === field)
    const options: [string, Filling][] =
      found?.kind === 'yesno'
        ? [
            ['yes', true],
            ['no', false],
          ]
        : (found?.choices ?? []).map((c) => [c.value.replaceAll('_', ' '), c.value])
    return (
      <Choice
        label={label}
        value={String(filling ?? '')}
        options={options.map(([words, value]) => [String(value), words])}
        onChange={(value) => onChange(options.find(([, v]) => String(v) === value)?.[1])}
      />
    )
  }
  if (slot.is === 'choice')
    return <Choice label={label} value={String(filling ?? '')} options={slot.options} onChange={onChange} />
  if (slot.is === 'column')
    return (
      <Choice
        label={label}
        value={String(filling ?? '')}
        options={columnsOf(fillings[slot.of], types)
          .filter((c) => slot.kinds.includes(c.kind))
          .map((c) => [c.name, c.name.replaceAll('_', ' ')])}
        onChange={onChange}
      />
    )
  const fits = (t: TypeShape) => t.fields.filter((f) => !slot.kinds || slot.kinds.includes(f.kind))
  if (slot.here)
    return (
      <Choice
        label={label}
        value={String(filling ?? '')}
        options={types
          .filter((t) => t.id === here)
          .flatMap((t) => fits(t).map((f) => [f.name, low(f.title)] as const))}
        onChange={onChange}
      />
    )
  return (
    <select
      aria-label={label}
      className={box}
      value={String(filling ?? '')}
      onChange={(event) => onChange(event.target.value || undefined)}
    >
      <option value="">{slot.optional ?? 'choose a value'}</option>
      {types.map((t) => {
        const fields = fits(t)
        return fields.length > 0 ? (
          <optgroup key={t.id} label={t.title}>
            {fields.map((f) => (
              <option key={f.name} value={`${t.id}.${f.name}`}>
                {t.title}: {low(f.title)}
              </option>
            ))}
          </optgroup>
        ) : null
      })}
    </select>
  )
}

function Choice({
  label,
  value,
  options,
  onChange,
}: {
  label: string
  value: string
  options: readonly (readonly [value: string, words: string])[]
  onChange: (value: string) => void
}) {
  return (
    <select
      aria-label={label}
      className={box}
      value={value}
      onChange={(event) => onChange(event.target.value)}
    >
      {options.some(([v]) => v === value) ? null : <option value={value}>{value || 'choose'}</option>}
      {options.map(([v, words]) => (
        <option key={v} value={v}>
          {words}
        </option>
      ))}
    </select>
  )
}

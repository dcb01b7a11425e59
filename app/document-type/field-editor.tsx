import type { FieldRecord, WhatIf } from '../../core/findings/index.ts'
import { askedBelow, type Costs, type Field, fieldKind } from '../../core/program/index.ts'
import { ThresholdChart } from '../parts/threshold-chart.tsx'
import { KINDS } from '../parts/field-kinds.ts'
import { Choices, Columns } from './field-parts.tsx'
import { Sources } from './sources.tsx'
import { LinesField } from './lines-field.tsx'

type Change = (part: Partial<Field>) => void

/** All that is said of one value, beside how it did on past papers. */
export function FieldEditor({
  field,
  record,
  curve,
  fixed,
  narrow,
  may,
  onChange,
  onRemove,
}: {
  field: Field
  record: FieldRecord | undefined
  curve: WhatIf[]
  /** It is stored already: a table stays one. */
  fixed: boolean
  /** A sample takes the place of the past. */
  narrow: boolean
  may: boolean
  onChange: Change
  onRemove: () => void
}) {
  return (
    <div className={narrow ? '' : 'grid gap-4 md:grid-cols-2'}>
      <fieldset disabled={!may} className="space-y-2">
        <label className="block font-semibold">
          Name
          <input
            className="field mt-1 py-1 font-normal"
            value={field.title}
            maxLength={80}
            onChange={(event) => onChange({ title: event.target.value })}
          />
        </label>
        <Kind field={field} fixed={fixed} onChange={onChange} />
        <div className="flex flex-wrap gap-3">
          <AskedWhen field={field} onChange={onChange} />
        </div>
        <LinesField
          title="Wordings that lead to it"
          lines={field.labels}
          onChange={(labels) => onChange({ labels })}
        />
        <Sources field={field} onChange={onChange} />
        {field.kind === 'choice' ? (
          <Choices choices={field.choices} onChange={(choices) => onChange({ choices })} />
        ) : null}
        {field.kind === 'table' ? (
          <Columns columns={field.columns} onChange={(columns) => onChange({ columns })} />
        ) : null}
        <div className="flex items-center gap-4">
          <label className="flex items-center gap-2">
            <input
              type="checkbox"
              className="accent-(--petrol)"
              checked={field.optional}
              onChange={(event) => onChange({ optional: event.target.checked })}
            />
            may be lacking on a good paper
          </label>
          <button type="button" className="ml-auto underline" onClick={onRemove}>
            Take this value away
          </button>
        </div>
      </fieldset>
      {narrow ? null : <PastPapers field={field} record={record} curve={curve} />}
    </div>
  )
}

function Kind({ field, fixed, onChange }: { field: Field; fixed: boolean; onChange: Change }) {
  return (
    <label className="block font-semibold">
      Kind
      <select
        className="field mt-1 py-1 font-normal"
        disabled={fixed && field.kind === 'table'}
        value={field.kind}
        onChange={(event) => onChange({ kind: fieldKind.parse(event.target.value) })}
      >
        {fieldKind.options.map((k) => (
          <option key={k} value={k}>
            {KINDS[k]}
          </option>
        ))}
      </select>
    </label>
  )
}

/** An amount that was typed. */
const costOf = (typed: string): number => Math.max(0, Math.min(1e6, Number(typed) || 0))

/** What a slip and a question cost; how sure is sure enough follows from the two. */
function AskedWhen({ field, onChange }: { field: Field; onChange: Change }) {
  const below = askedBelow(field)
  const cost = (which: keyof Costs, label: string) => (
    <label className="w-28 font-semibold">
      {label}
      <input
        type="number"
        min={0}
        step="any"
        aria-label={`What ${which === 'slip' ? 'a wrong' : 'asking for'} ${field.title || 'value'} costs`}
        className="field mt-1 py-1 font-normal"
        value={field.costs[which]}
        onChange={(event) => onChange({ costs: { ...field.costs, [which]: costOf(event.target.value) } })}
      />
    </label>
  )
  return (
    <>
      {cost('slip', 'If wrong, costs')}
      {cost('question', 'Asking costs')}
      <p className="self-end pb-1.5 text-ink-2" role="status">
        {below === 0
          ? 'never asked'
          : below === 1
            ? 'always asked'
            : `asked when less sure than ${Math.round(below * 100)}`}
      </p>
    </>
  )
}

function PastPapers({
  field,
  record,
  curve,
}: {
  field: Field
  record: FieldRecord | undefined
  curve: WhatIf[]
}) {
  return (
    <div>
      <h3 className="mb-1 font-semibold">If it were asked below …</h3>
      {record && record.papers > 0 ? (
        <ThresholdChart points={curve} now={askedBelow(field)} />
      ) : (
        <p className="text-ink-2">No paper of this type has come yet, so there is nothing to count.</p>
      )}
      {record && record.askedInVain > 0 ? (
        <p className="mt-1 text-[13px] text-ink-2">
          Of the questions so far, {record.askedInVain} {record.askedInVain === 1 ? 'was' : 'were'} answered
          with what had been read.
        </p>
      ) : null}
    </div>
  )
}

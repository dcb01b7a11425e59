import type { Rule, RulePlace } from '../../core/classification/index.ts'
import { Options } from '../parts/options.tsx'

/** Conditions of one kind that a rule may have. */
const MOST = 6

type Change = (part: Partial<Rule>) => void

/** What a rule is called, which words it looks for and where, and what follows. */
export function RuleForm({
  rule,
  types,
  picking,
  onPick,
  onChange,
}: {
  rule: Rule
  types: readonly { id: string; title: string }[]
  /** Which words are being picked on the page; null where a page is not to be had. */
  picking: { at: number | null } | null
  onPick: (at: number | null) => void
  onChange: Change
}) {
  return (
    <>
      <label className="block font-semibold">
        Its name
        <input
          className="field mt-1 font-normal"
          value={rule.name}
          maxLength={80}
          autoFocus
          onChange={(event) => onChange({ name: event.target.value })}
          placeholder="Landing slips of the fish auction"
        />
      </label>
      <fieldset className="space-y-2">
        <legend className="mb-1 font-semibold">Where these words stand</legend>
        {rule.words.map((_, i) => (
          <Words key={i} rule={rule} at={i} picking={picking} onPick={onPick} onChange={onChange} />
        ))}
        {rule.words.length < MOST ? (
          <button
            type="button"
            className="text-sm text-petrol underline"
            onClick={() => onChange({ words: [...rule.words, { text: '', place: 'anywhere' }] })}
          >
            and these words too
          </button>
        ) : null}
      </fieldset>
      <Without without={rule.without} onChange={onChange} />
      <Says says={rule.says} types={types} onChange={onChange} />
    </>
  )
}

function Words({
  rule: { words },
  at,
  picking,
  onPick,
  onChange,
}: {
  rule: Rule
  at: number
  picking: { at: number | null } | null
  onPick: (at: number | null) => void
  onChange: Change
}) {
  const { text, place } = words[at]
  const number = at + 1
  const picked = picking?.at === at
  const change = (part: Partial<Rule['words'][number]>) =>
    onChange({ words: words.with(at, { ...words[at], ...part }) })
  return (
    <div className="flex flex-wrap items-center gap-2">
      <input
        aria-label={`Words ${number}`}
        className="field min-w-40 flex-1"
        value={text}
        maxLength={120}
        onChange={(event) => change({ text: event.target.value })}
        placeholder="as they are printed"
      />
      <select
        aria-label={`Place of words ${number}`}
        className="field w-auto py-2"
        value={typeof place === 'string' ? place : 'here'}
        onChange={(event) =>
          change({ place: event.target.value === 'here' ? place : (event.target.value as RulePlace) })
        }
      >
        <option value="anywhere">anywhere</option>
        <option value="top">at the top</option>
        <option value="bottom">at the bottom</option>
        {typeof place === 'string' ? null : <option value="here">where picked</option>}
      </select>
      <button
        type="button"
        className={`button px-2 py-1.5 ${picked ? 'border-petrol bg-petrol-soft' : ''}`}
        disabled={!picking}
        onClick={() => onPick(picked ? null : at)}
      >
        {picked ? 'click or drag on the page' : 'pick on the page'}
      </button>
      {words.length > 1 ? (
        <button
          type="button"
          className="text-sm underline"
          onClick={() => onChange({ words: words.toSpliced(at, 1) })}
        >
          leave out
        </button>
      ) : null}
    </div>
  )
}

function Without({ without, onChange }: { without: Rule['without']; onChange: Change }) {
  return (
    <fieldset className="space-y-2">
      <legend className="mb-1 font-semibold">and none of these</legend>
      {without.map((text, i) => (
        <div key={i} className="flex items-center gap-2">
          <input
            aria-label={`Words that must not stand ${i + 1}`}
            className="field flex-1"
            value={text}
            maxLength={120}
            onChange={(event) => onChange({ without: without.with(i, event.target.value) })}
          />
          <button
            type="button"
            className="text-sm underline"
            onClick={() => onChange({ without: without.toSpliced(i, 1) })}
          >
            leave out
          </button>
        </div>
      ))}
      {without.length < MOST ? (
        <button
          type="button"
          className="text-sm text-petrol underline"
          onClick={() => onChange({ without: [...without, ''] })}
        >
          words that must not stand there
        </button>
      ) : null}
    </fieldset>
  )
}

function Says({
  says,
  types,
  onChange,
}: {
  says: Rule['says']
  types: readonly { id: string; title: string }[]
  onChange: Change
}) {
  return (
    <fieldset className="space-y-2">
      <legend className="mb-1 font-semibold">it follows that</legend>
      <label className="flex items-center gap-2">
        <input
          type="radio"
          name="says"
          className="accent-(--petrol)"
          checked={says.kind === 'begins'}
          onChange={() => onChange({ says: { kind: 'begins' } })}
        />
        a new document starts on that page
      </label>
      <label className="flex flex-wrap items-center gap-2">
        <input
          type="radio"
          name="says"
          className="accent-(--petrol)"
          checked={says.kind === 'type'}
          onChange={() => onChange({ says: { kind: 'type', type: types[0].id } })}
        />
        that page is a
        <select
          aria-label="Type"
          className="field w-auto py-1.5"
          value={says.kind === 'type' ? says.type : ''}
          onChange={(event) => onChange({ says: { kind: 'type', type: event.target.value } })}
        >
          {says.kind === 'type' ? null : <option value="">…</option>}
          <Options of={types} />
        </select>
      </label>
    </fieldset>
  )
}

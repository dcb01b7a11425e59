import { ArrowDown, ArrowUp, Plus, X } from 'lucide-react'
import { useState, type ReactNode } from 'react'
import type {
  Check,
  Condition,
  Fact,
  Fault,
  Limit,
  Need,
  Requirement,
  TypeShape,
} from '../../core/program/index.ts'
import { count } from '../parts/format.ts'
import {
  CHECKS,
  CLAUSES,
  CONDITIONS,
  NAMED_BY,
  conditionKind,
  type ConditionKind,
  type Fillings,
} from './sentences.ts'
import { inWords, SentenceEditor } from './slots.tsx'
import { Options } from '../parts/options.tsx'

/** How a rule comes out on the package it is tried on. */
export interface Outcome {
  id: string
  state: string
  detail: string
}

interface RowProps<T> {
  item: T
  types: readonly TypeShape[]
  faults: readonly Fault[]
  outcome: Outcome | undefined
  may: boolean
  onChange: (item: T) => void
  onRemove: () => void
  onMove: ((by: number) => void) | null
}

/** A rule: its name and what it says, opened to be changed; below, how it comes out and what is wrong with it. */
function Row({
  title,
  words,
  faults,
  outcome,
  may,
  onTitle,
  onRemove,
  onMove,
  children,
}: Omit<RowProps<never>, 'item' | 'types' | 'onChange'> & {
  title: string
  words: string
  onTitle: (title: string) => void
  children: ReactNode
}) {
  const [open, setOpen] = useState(title === '')
  return (
    <li className={`bg-sheet px-3 py-2 ${faults.length > 0 ? 'odd-edge' : ''}`}>
      <div className="flex items-baseline gap-3">
        {open ? (
          <input
            aria-label="Name"
            className="field w-56 shrink-0 py-0.5 font-semibold"
            placeholder="Its name"
            autoFocus={title === ''}
            value={title}
            maxLength={80}
            disabled={!may}
            onChange={(event) => onTitle(event.target.value)}
          />
        ) : (
          <button
            type="button"
            className="w-56 shrink-0 text-left font-semibold text-petrol hover:underline"
            aria-expanded={open}
            onClick={() => setOpen(true)}
          >
            {title}
          </button>
        )}
        <span className="min-w-0 flex-1 text-sm text-ink-2">{words}</span>
        {open ? (
          <span className="flex items-center gap-1">
            {may && onMove ? (
              <>
                <button
                  type="button"
                  aria-label={`${title} further up`}
                  className="p-1"
                  onClick={() => onMove(-1)}
                >
                  <ArrowUp size={14} />
                </button>
                <button
                  type="button"
                  aria-label={`${title} further down`}
                  className="p-1"
                  onClick={() => onMove(1)}
                >
                  <ArrowDown size={14} />
                </button>
              </>
            ) : null}
            {may ? (
              <button type="button" className="text-sm underline" onClick={onRemove}>
                Take away
              </button>
            ) : null}
            <button type="button" className="button px-2 py-0.5 text-sm" onClick={() => setOpen(false)}>
              Close
            </button>
          </span>
        ) : null}
      </div>
      {outcome ? (
        <p className="mt-0.5 ml-[14.75rem] text-[13px]">
          <b
            className={
              ['satisfied', 'passed', 'agreed', 'single'].includes(outcome.state)
                ? 'text-petrol'
                : ['not_applicable', 'absent', 'not over'].includes(outcome.state)
                  ? 'text-ink-3'
                  : 'text-plum'
            }
          >
            {outcome.state.replaceAll('_', ' ')}
          </b>{' '}
          <span className="text-ink-2">{outcome.detail}</span>
        </p>
      ) : null}
      {faults.map((f, i) => (
        <p key={i} role="alert" className="mt-0.5 ml-[14.75rem] text-[13px] font-semibold text-plum">
          {f.where.replace(/^\w+ “[^”]*”,? ?/, '')} {f.what}
        </p>
      ))}
      {open ? (
        <fieldset disabled={!may} className="mt-2 grid gap-2 border-t border-line-2 pt-2 text-sm">
          {children}
        </fieldset>
      ) : null}
    </li>
  )
}

export function RequirementRow({ item, types, ...row }: RowProps<Requirement>) {
  const { onChange } = row
  const several = item.ways.length > 1
  const way = (i: number, change: Partial<Requirement['ways'][number]>) =>
    onChange({ ...item, ways: item.ways.with(i, { ...item.ways[i], ...change }) })
  return (
    <Row
      {...row}
      title={item.title}
      words={requirementWords(item, types)}
      onTitle={(title) => onChange({ ...item, title })}
    >
      <ConditionEditor
        label="Asked for"
        none="always"
        condition={item.when}
        types={types}
        onChange={(when) => onChange({ ...item, when })}
      />
      {item.ways.map((w, i) => (
        <div key={i} className={several ? 'rounded border border-line-2 p-2' : ''}>
          {several ? (
            <ConditionEditor
              label={`Way ${i + 1}, asked for`}
              none={item.any ? 'in every case' : 'in every other case'}
              condition={w.when}
              types={types}
              onChange={(when) => way(i, { when })}
            />
          ) : null}
          {w.needs.map((need, n) => (
            <NeedEditor
              key={n}
              need={need}
              types={types}
              onChange={(changed) => way(i, { needs: w.needs.with(n, changed) })}
              onRemove={w.needs.length > 1 ? () => way(i, { needs: w.needs.toSpliced(n, 1) }) : null}
            />
          ))}
          <span className="mt-1 flex gap-3">
            <button
              type="button"
              className="text-petrol underline"
              onClick={() => way(i, { needs: [...w.needs, bareNeed(types[0].id)] })}
            >
              and another paper
            </button>
            {several ? (
              <button
                type="button"
                className="underline"
                onClick={() =>
                  onChange({
                    ...item,
                    any: item.any && item.ways.length > 2,
                    ways: item.ways.toSpliced(i, 1),
                  })
                }
              >
                take this way away
              </button>
            ) : null}
          </span>
        </div>
      ))}
      {several ? (
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="accent-(--petrol)"
            checked={item.any}
            onChange={(event) => onChange({ ...item, any: event.target.checked })}
          />
          any one of these ways will do
        </label>
      ) : null}
      <span className="flex gap-4">
        <button
          type="button"
          className="text-petrol underline"
          onClick={() =>
            onChange({ ...item, any: true, ways: [...item.ways, { needs: [bareNeed(types[0].id)] }] })
          }
        >
          or another way, as good as this
        </button>
        <button
          type="button"
          className="text-petrol underline"
          onClick={() =>
            onChange({
              ...item,
              ways: [{ when: { field: '', is: '' }, needs: [bareNeed(types[0].id)] }, ...item.ways],
            })
          }
        >
          or another way, in some case
        </button>
      </span>
    </Row>
  )
}

export const bareNeed = (type: string): Need => ({ type, whose: 'anyone', signed: false, filled: [] })

const WHOSE: Record<Need['whose'], string> = {
  anyone: 'anybody’s',
  applicant: 'the applicant’s',
  each_person: 'one of each person',
  named: 'somebody’s whom another paper names',
}

function NeedEditor({
  need,
  types,
  onChange,
  onRemove,
}: {
  need: Need
  types: readonly TypeShape[]
  onChange: (need: Need) => void
  onRemove: (() => void) | null
}) {
  const clauses = Object.entries(CLAUSES).flatMap(([key, clause]) => {
    const fillings = clause.read(need)
    return fillings ? [{ key, clause, fillings }] : []
  })
  const unused = Object.entries(CLAUSES).filter(([key]) => !clauses.some((c) => c.key === key))
  // What may be asked several times is offered once more at a time.
  const others = unused.filter(
    ([, clause], i) => unused.findIndex(([, other]) => other.name === clause.name) === i,
  )
  const add = (key: string) => {
    const clause = CLAUSES[key]
    const type = types.find((t) => t.id === need.type)
    // Slots with one answer that is near are filled already.
    const fillings = Object.fromEntries(
      Object.entries(clause.slots).map(([name, slot]) => [
        name,
        slot.is === 'number'
          ? (slot.least ?? 0)
          : slot.is === 'choice'
            ? slot.options[0][0]
            : slot.is === 'value' && slot.here
              ? type?.fields.find((f) => !slot.kinds || slot.kinds.includes(f.kind))?.name
              : undefined,
      ]),
    )
    onChange(clause.write(need, fillings))
  }
  return (
    <div className="mt-1 grid gap-1">
      <span className="flex flex-wrap items-center gap-2">
        <select
          aria-label="Paper"
          className="field w-auto py-0.5 font-semibold"
          value={need.type}
          onChange={(event) =>
            onChange({ ...bareNeed(event.target.value), whose: need.whose, signed: need.signed })
          }
        >
          <Options of={types} />
        </select>
        <select
          aria-label="Whose"
          className="field w-auto py-0.5"
          value={need.whose}
          onChange={(event) =>
            onChange({ ...need, whose: event.target.value as Need['whose'], namedBy: undefined })
          }
        >
          {Object.entries(WHOSE).map(([value, words]) => (
            <option key={value} value={value}>
              {words}
            </option>
          ))}
        </select>
        {need.whose === 'named' ? (
          <SentenceEditor
            sentence={NAMED_BY}
            fillings={{ namedBy: need.namedBy }}
            types={types}
            onChange={({ namedBy }) => onChange({ ...need, namedBy: String(namedBy ?? '') || undefined })}
          />
        ) : null}
        {onRemove ? (
          <button type="button" className="underline" onClick={onRemove}>
            take away
          </button>
        ) : null}
      </span>
      {clauses.map(({ key, clause, fillings }) => (
        <span key={key} className="ml-4 flex items-center gap-2">
          <SentenceEditor
            sentence={clause}
            fillings={fillings}
            types={types}
            here={need.type}
            onChange={(changed) => onChange(clause.write(need, changed))}
          />
          <button
            type="button"
            aria-label={`No longer: ${clause.name}`}
            className="p-0.5 text-ink-2 hover:text-ink"
            onClick={() => onChange(clause.without(need))}
          >
            <X size={14} />
          </button>
        </span>
      ))}
      <select
        aria-label="Ask more of it"
        className="field ml-4 w-auto justify-self-start py-0.5 text-ink-2"
        value=""
        onChange={(event) => add(event.target.value)}
      >
        <option value="">ask more of it …</option>
        {others.map(([key, clause]) => (
          <option key={key} value={key}>
            {clause.name}
          </option>
        ))}
      </select>
    </div>
  )
}

export function ConditionEditor({
  label,
  none,
  condition,
  types,
  onChange,
}: {
  label: string
  none: string
  condition: Condition | undefined
  types: readonly TypeShape[]
  onChange: (condition: Condition | undefined) => void
}) {
  const kind = condition ? conditionKind(condition) : 'none'
  const start = (to: string): Condition | undefined =>
    to === 'none'
      ? undefined
      : to === 'over'
        ? { field: '', over: 0 }
        : to === 'rowsOver'
          ? { field: '', rowsOver: 1 }
          : { field: '', is: '' }
  return (
    <span className="flex flex-wrap items-center gap-2">
      <span className="font-semibold">{label}</span>
      <select
        aria-label={label}
        className="field w-auto py-0.5"
        value={kind}
        onChange={(event) => onChange(start(event.target.value))}
      >
        <option value="none">{none}</option>
        {Object.entries(CONDITIONS).map(([key, c]) => (
          <option key={key} value={key}>
            when a value {c.name}
          </option>
        ))}
      </select>
      {condition ? (
        <SentenceEditor
          sentence={CONDITIONS[kind as ConditionKind]}
          fillings={condition}
          types={types}
          onChange={(f) => onChange(conditionOf(kind as ConditionKind, f))}
        />
      ) : null}
    </span>
  )
}

function conditionOf(kind: ConditionKind, f: Fillings): Condition {
  const field = String(f.field ?? '')
  return kind === 'over'
    ? { field, over: Number(f.over ?? 0) }
    : kind === 'rowsOver'
      ? { field, rowsOver: Number(f.rowsOver ?? 0) }
      : { field, is: typeof f.is === 'boolean' ? f.is : String(f.is ?? '') }
}

const conditionWords = (condition: Condition, types: readonly TypeShape[]): string =>
  inWords(CONDITIONS[conditionKind(condition)], condition, types)

function requirementWords(requirement: Requirement, types: readonly TypeShape[]): string {
  const needs = (list: readonly Need[]) =>
    list
      .map((need) => {
        const title = types.find((t) => t.id === need.type)?.title ?? need.type
        const asked = Object.values(CLAUSES).flatMap((clause) => {
          const fillings = clause.read(need)
          return fillings ? [inWords(clause, fillings, types, need.type)] : []
        })
        const whose =
          need.whose === 'named'
            ? ` of whoever is ${inWords(NAMED_BY, { namedBy: need.namedBy }, types)}`
            : need.whose === 'anyone'
              ? ''
              : `, ${WHOSE[need.whose]}`
        return `${title}${whose}${asked.length ? `: ${asked.join(', ')}` : ''}`
      })
      .join('; and ')
  const ways = requirement.ways
    .map(
      (w) =>
        `${w.when ? `when ${conditionWords(w.when, types)}, ` : !requirement.any && requirement.ways.length > 1 ? 'else ' : ''}${needs(w.needs)}`,
    )
    .join(requirement.any ? '; or ' : '; ')
  return requirement.when
    ? `When ${conditionWords(requirement.when, types)}: ${ways}`
    : ways.charAt(0).toUpperCase() + ways.slice(1)
}

export function CheckRow({ item, types, ...row }: RowProps<Check>) {
  const { onChange } = row
  const sentence = CHECKS[item.kind]
  return (
    <Row
      {...row}
      title={item.title}
      words={inWords(sentence, item, types)}
      onTitle={(title) => onChange({ ...item, title })}
    >
      <label className="flex items-center gap-2">
        It says that
        <select
          className="field w-auto py-0.5"
          value={item.kind}
          onChange={(event) =>
            onChange({
              kind: event.target.value,
              id: item.id,
              title: item.title,
              ...blank(event.target.value as Check['kind']),
            } as unknown as Check)
          }
        >
          {Object.entries(CHECKS).map(([kind, s]) => (
            <option key={kind} value={kind}>
              {s.name}
            </option>
          ))}
        </select>
      </label>
      <SentenceEditor
        sentence={sentence}
        fillings={item}
        types={types}
        onChange={(fillings) => onChange({ ...item, ...fillings })}
      />
    </Row>
  )
}

/** The slots of a new check, with what is likeliest in those that have no papers' values. */
export const blank = (kind: Check['kind']): Fillings =>
  Object.fromEntries(
    Object.entries(CHECKS[kind].slots).map(([name, slot]) => [
      name,
      slot.is === 'number'
        ? (slot.least ?? 0)
        : slot.is === 'choice'
          ? slot.options[0][0]
          : slot.is === 'value' && slot.optional
            ? undefined
            : '',
    ]),
  )

const FACT_KINDS: Record<Fact['kind'], string> = {
  name: 'persons’ names',
  org: 'firms’ names',
  address: 'addresses',
  date: 'days',
  money: 'amounts',
  id: 'numbers and codes',
  text: 'words',
}

export function FactRow({ item, types, ...row }: RowProps<Fact>) {
  const { onChange } = row
  const kinds = {
    name: ['name'],
    org: ['org', 'name'],
    address: ['address'],
    date: ['date'],
    money: ['money'],
    id: ['id', 'iban'],
    text: ['text', 'name', 'org'],
  } as const
  const options = types.flatMap((t) =>
    t.fields
      .filter((f) => (kinds[item.kind] as readonly string[]).includes(f.kind))
      .map((f) => ({ value: `${t.id}.${f.name}`, words: `${t.title}: ${f.title}` })),
  )
  const words = (reference: string) => options.find((o) => o.value === reference)?.words ?? reference
  return (
    <Row
      {...row}
      title={item.title}
      words={`${FACT_KINDS[item.kind]} on ${count(item.fields.length, 'kind of paper', 'kinds of paper')}${item.person ? ', the applicant’s' : ''}${item.fields.length === 1 ? '; several of it, or a register, may differ from it' : ''}`}
      onTitle={(title) => onChange({ ...item, title })}
    >
      <label className="flex items-center gap-2">
        Asked as
        <input
          className="field max-w-80 py-0.5"
          maxLength={120}
          value={item.question}
          onChange={(event) => onChange({ ...item, question: event.target.value })}
        />
      </label>
      <span className="flex flex-wrap items-center gap-3">
        <label className="flex items-center gap-2">
          Compared as
          <select
            className="field w-auto py-0.5"
            value={item.kind}
            onChange={(event) => onChange({ ...item, kind: event.target.value as Fact['kind'] })}
          >
            {Object.entries(FACT_KINDS).map(([kind, w]) => (
              <option key={kind} value={kind}>
                {w}
              </option>
            ))}
          </select>
        </label>
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="accent-(--petrol)"
            checked={item.person === 'applicant'}
            onChange={(event) =>
              onChange({ ...item, person: event.target.checked ? 'applicant' : undefined })
            }
          />
          papers of a second person are left out
        </label>
      </span>
      <ul className="flex flex-wrap gap-1.5">
        {item.fields.map((f) => (
          <li key={f} className="flex items-center gap-1 rounded border border-line bg-raised px-2 py-0.5">
            {words(f)}
            <button
              type="button"
              aria-label={`Leave out ${words(f)}`}
              onClick={() => onChange({ ...item, fields: item.fields.filter((x) => x !== f) })}
            >
              <X size={13} />
            </button>
          </li>
        ))}
      </ul>
      <select
        aria-label="Compare with another value"
        className="field w-auto justify-self-start py-0.5 text-ink-2"
        value=""
        onChange={(event) => onChange({ ...item, fields: [...item.fields, event.target.value] })}
      >
        <option value="">and with …</option>
        {options
          .filter((o) => !item.fields.includes(o.value))
          .map((o) => (
            <option key={o.value} value={o.value}>
              {o.words}
            </option>
          ))}
      </select>
    </Row>
  )
}

export function LimitRow({ item, types, ...row }: RowProps<Limit>) {
  const { onChange } = row
  return (
    <Row
      {...row}
      title={item.title}
      words={`when ${conditionWords(item.when, types)}, the ${item.tells === 'lead' ? 'team lead' : item.tells} is told`}
      onTitle={(title) => onChange({ ...item, title })}
    >
      <ConditionEditor
        label="It is over"
        none="never"
        condition={item.when}
        types={types}
        onChange={(when) => {
          if (when) onChange({ ...item, when })
        }}
      />
      <label className="flex items-center gap-2">
        Told to
        <select
          className="field w-auto py-0.5"
          value={item.tells}
          onChange={(event) => onChange({ ...item, tells: event.target.value as Limit['tells'] })}
        >
          <option value="lead">the team lead</option>
          <option value="administrator">the administrator</option>
        </select>
      </label>
    </Row>
  )
}

export function AddButton({ children, onClick }: { children: ReactNode; onClick: () => void }) {
  return (
    <button type="button" className="button mt-2 px-2 py-1 text-sm" onClick={onClick}>
      <Plus size={14} />
      {children}
    </button>
  )
}

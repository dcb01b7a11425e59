import { inWords } from '../../../wording/index.ts'
import { clsx } from 'clsx'
import { useEffect, useMemo, useRef, useState } from 'react'
import { Link, useFetcher, useSearchParams } from 'react-router'
import type { FieldState, FilledField } from '../../../core/answers/index.ts'
import type { Document } from '../../../core/findings/index.ts'
import { plain, type Row, groupThousands, isMoney } from '../../../core/model/index.ts'
import { show } from '../../parts/format.ts'
import { useLooking } from '../../package/looking.tsx'
import { useSay, useTaken } from '../../package/say.ts'
import { documentOfPage, isClosed, useJudged, usePackage } from '../../package/view.ts'

const STATE_WORDS: Record<FieldState, string> = {
  certain: '',
  asked: 'asked',
  confirmed: 'confirmed',
  corrected: 'corrected',
  repaired: 'repaired',
  empty: 'not on the paper',
  unreadable: 'unreadable',
  absent: 'not found',
}

/** Which values of a document are shown. */
const FILTERS = {
  all: { words: 'all values', fits: () => true },
  asked: { words: 'asked about', fits: (f: FilledField) => f.needsReview },
  repaired: { words: 'repaired', fits: (f: FilledField) => f.repaired || f.state === 'repaired' },
  said: {
    words: 'said by a person',
    fits: (f: FilledField) => ['confirmed', 'corrected', 'empty', 'unreadable'].includes(f.state),
  },
  none: { words: 'not found', fits: (f: FilledField) => f.value === null },
} as const

/** All values of one document beside the page: correct, confirm or empty each. */
export default function Values() {
  const { assessment } = useJudged()
  const { page, look } = useLooking()
  const asked = useSearchParams()[0].get('field')
  const [only, setOnly] = useState<keyof typeof FILTERS>('all')
  const document = documentOfPage(assessment.documents, page) ?? assessment.documents[0]
  // A link from elsewhere names a value: its place is marked once, and then people go where they like.
  const place = document?.fields.find((f) => f.name === asked)
  const marked = useRef<string | null>(null)
  useEffect(() => {
    if (!place || marked.current === asked || place.page === null) return
    marked.current = asked
    look(place.page, place.box)
  }, [place, asked, look])
  if (!document) return <p className="card p-6 text-ink-2">There is no document on these pages.</p>
  const fields = document.fields.filter(FILTERS[only].fits)
  return (
    <div className="pb-6">
      <div className="mb-3 flex flex-wrap items-center gap-3">
        <select
          aria-label="Document"
          className="field w-auto py-1.5 text-lg font-semibold"
          value={document.id}
          onChange={(event) => look(assessment.documents.find((d) => d.id === event.target.value)!.pages[0])}
        >
          {assessment.documents.map((d) => (
            <option key={d.id} value={d.id}>
              {d.label} ·{' '}
              {d.pages.length === 1 ? `page ${d.pages[0]}` : `pages ${d.pages[0]}–${d.pages.at(-1)}`}
              {d.fields.some((f) => f.needsReview) ? ' · asked' : ''}
            </option>
          ))}
        </select>
        <Link className="text-sm text-petrol underline" to={`../says?page=${document.pages[0]}`}>
          all that it says
        </Link>
        <fieldset className="flex gap-3 text-sm">
          {(Object.keys(FILTERS) as (keyof typeof FILTERS)[]).map((o) => (
            <label key={o} className="flex items-center gap-1">
              <input type="radio" name="only" checked={only === o} onChange={() => setOnly(o)} />
              {FILTERS[o].words}{' '}
              <span className="text-ink-3">{document.fields.filter(FILTERS[o].fits).length}</span>
            </label>
          ))}
        </fieldset>
      </div>
      {document.signature ? <SignedRow document={document} /> : null}
      <IdentityRow document={document} />
      {fields.length === 0 ? (
        <p className="card p-4 text-ink-2">
          {document.fields.length === 0 ? (
            <>
              {document.type === 'unknown'
                ? 'Papers of no known type have no values of their own.'
                : 'This type has no values.'}{' '}
              <Link className="text-petrol underline" to={`../says?page=${document.pages[0]}`}>
                See what it says
              </Link>
              {document.type === 'unknown' ? ', and make it a type' : ''}.
            </>
          ) : (
            'No value here is of that state.'
          )}
        </p>
      ) : null}
      <ul className="grid gap-px overflow-hidden rounded-lg border border-line bg-line-2">
        {fields.map((field) => (
          <FieldRow key={`${document.id}-${field.name}`} document={document} field={field} />
        ))}
      </ul>
    </div>
  )
}

function SignedRow({ document }: { document: Document }) {
  const say = useSay()
  const { look } = useLooking()
  const signature = document.signature!
  return (
    <div className="card mb-3 flex flex-wrap items-center gap-3 px-3 py-2">
      <button type="button" className="font-semibold" onClick={() => look(signature.page, signature.box)}>
        Signature
      </button>
      <span>{document.signed ? 'signed' : 'not signed'}</span>
      <span className="text-[13px] text-ink-2">
        {signature.said ? 'said' : `${Math.round(signature.confidence * 100)} sure`}
      </span>
      <button
        type="button"
        className="button ml-auto px-2 py-1"
        onClick={() => say.answer({ kind: 'signed', page: document.pages[0], signed: !document.signed })}
      >
        {document.signed ? 'It is not signed' : 'It is signed'}
      </button>
    </div>
  )
}

const VERDICT = { valid: 'valid', 'not valid': 'not valid', 'cannot tell': 'cannot be told' } as const

/** What a service says of an identity paper, beside what is read of it here. */
function IdentityRow({ document }: { document: Document }) {
  const { row, identity, hasIdentityCheck, types } = usePackage()
  const fetcher = useFetcher<{ problem: string | null }>()
  const [page] = document.pages
  const found = identity.find((one) => one.page === page)
  const may = hasIdentityCheck && !isClosed(row) && types.find((t) => t.id === document.type)?.zone
  if (!found && !may) return null
  return (
    <div
      className={`card mb-3 flex flex-wrap items-center gap-3 px-3 py-2 ${found?.verdict === 'not valid' ? 'odd-edge' : ''}`}
    >
      <span className="font-semibold">Identity check</span>
      <span>{found ? (found.verdict ? VERDICT[found.verdict] : 'being asked') : 'not asked'}</span>
      <span className="min-w-0 flex-1 text-[13px] text-ink-2">
        {fetcher.data?.problem ?? found?.reasons.join('; ')}
      </span>
      {may ? (
        <button
          type="button"
          className="button px-2 py-1"
          disabled={fetcher.state !== 'idle' || found?.verdict === null}
          onClick={() =>
            void fetcher.submit(
              { page },
              { method: 'post', action: `/packages/${row.id}/identity`, encType: 'application/json' },
            )
          }
        >
          {found ? 'Ask again' : 'Ask the service'}
        </button>
      ) : null}
    </div>
  )
}

/** What a person says of a value with one click. */
type Said = 'confirmed' | 'empty' | 'unreadable'

function Typing({
  title,
  text,
  busy,
  onType,
  onStore,
}: {
  title: string | undefined
  text: string
  busy: boolean
  /** Null gives typing up. */
  onType: (text: string | null) => void
  onStore: () => void
}) {
  return (
    <form
      className="flex gap-2"
      onSubmit={(event) => {
        event.preventDefault()
        onStore()
      }}
    >
      <input
        autoFocus
        aria-label={title}
        className="field value py-1"
        value={text}
        onChange={(event) => onType(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === 'Escape') onType(null)
        }}
      />
      <button className="button-main py-1" disabled={busy}>
        Store
      </button>
    </form>
  )
}

function Answers({
  field,
  isTable,
  onSay,
}: {
  field: FilledField
  isTable: boolean
  onSay: (state: Said) => void
}) {
  if (field.needsReview)
    return (
      <>
        {field.value !== null ? (
          <button type="button" className="button px-2 py-0.5" onClick={() => onSay('confirmed')}>
            right
          </button>
        ) : null}
        <button
          type="button"
          className="button px-2 py-0.5"
          title="The paper does not say"
          onClick={() => onSay('empty')}
        >
          empty
        </button>
        <button type="button" className="button px-2 py-0.5" onClick={() => onSay('unreadable')}>
          unreadable
        </button>
      </>
    )
  return field.value !== null && !isTable ? (
    <button
      type="button"
      tabIndex={-1}
      className="px-1 underline opacity-60 hover:opacity-100"
      onClick={() => onSay('empty')}
    >
      empty it
    </button>
  ) : null
}

function FieldRow({ document, field }: { document: Document; field: FilledField }) {
  const { types, row } = useJudged()
  const { look, pick } = useLooking()
  const say = useSay()
  const info = types.find((t) => t.id === document.type)?.fields.find((f) => f.name === field.name)
  const [text, setText] = useState<string | null>(null)
  const at = useRef<{ page: number; box: [number, number, number, number]; text: string } | null>(null)
  const editing = text !== null
  const page = document.pages[0]
  useEffect(() => {
    if (!editing) return
    return pick(info?.title ?? field.name, (picked) => {
      at.current = picked
      setText(picked.text)
    })
  }, [editing, pick, info?.title, field.name])
  useTaken(say, () => setText(null))
  const closed = isClosed(row)
  const see = () => {
    if (field.page) look(field.page, field.box)
  }
  const said = (state: Said) =>
    say.answer({
      kind: 'value',
      page,
      field: field.name,
      value: state === 'confirmed' ? field.value : null,
      state,
      at: state === 'confirmed' && field.page && field.box ? { page: field.page, box: field.box } : null,
    })
  const edge = field.needsReview ? 'border-l-4 border-dashed border-amber' : 'border-l-4 border-transparent'
  return (
    <li className={`bg-sheet px-3 py-1.5 ${edge}`} onMouseEnter={see} onFocus={see}>
      <div className="grid grid-cols-[130px_1fr_auto] items-center gap-3">
        <button type="button" tabIndex={-1} className="text-left text-sm text-ink-2" onClick={see}>
          {info?.title ?? field.name}
        </button>
        {editing ? (
          <Typing
            title={info?.title}
            text={text}
            busy={say.busy}
            onType={setText}
            onStore={() =>
              say.typed(
                page,
                field.name,
                text,
                at.current?.text === text ? { page: at.current.page, box: at.current.box } : null,
              )
            }
          />
        ) : info?.kind === 'table' ? (
          <span className="flex items-baseline gap-3">
            {field.value === null ? 'not found' : show(field.value)}
            {closed ? null : (
              <Link
                className="text-sm text-petrol underline"
                to={`../table?page=${page}&field=${field.name}`}
              >
                mark it on the page
              </Link>
            )}
          </span>
        ) : (
          <button
            type="button"
            data-asked={field.needsReview || undefined}
            disabled={closed}
            title="Correct it"
            className={`value truncate text-left ${field.value === null ? 'text-ink-3' : ''}`}
            onClick={() => {
              at.current = null
              setText(field.value === null ? '' : plain(field.value).replace(/^[A-Z]{3} (?=[\d-])/, ''))
            }}
          >
            {field.value === null ? STATE_WORDS[field.state] || 'not found' : show(field.value)}
          </button>
        )}
        <span className="flex items-center gap-1 text-[13px] whitespace-nowrap text-ink-2">
          {field.value === null
            ? null
            : STATE_WORDS[field.state] || `${Math.round(field.confidence * 100)} sure`}
          {editing || closed ? null : <Answers field={field} isTable={info?.kind === 'table'} onSay={said} />}
        </span>
      </div>
      {field.needsReview && field.reason ? (
        <p className="mt-0.5 ml-[142px] text-[13px] text-amber">{inWords(field.reason)}</p>
      ) : null}
      {Array.isArray(field.value) && info ? (
        <Rows field={field} rows={field.value} columns={info.columns} />
      ) : null}
    </li>
  )
}

/** A table's rows; a row shows its place on the page. */
function Rows({
  field,
  rows,
  columns,
}: {
  field: FilledField
  rows: readonly Row[]
  columns: readonly { name: string; kind: string }[]
}) {
  const { look } = useLooking()
  const [open, setOpen] = useState(false)
  const currency = useMemo(() => onlyCurrency(rows), [rows])
  const shown = useMemo(() => (open ? rows : rows.slice(0, 4)), [open, rows])
  return (
    <div className="mt-1 overflow-x-auto">
      <table className="w-full text-[13px]">
        <thead>
          <tr>
            {columns.map((c) => (
              <th
                key={c.name}
                className={clsx(
                  'px-1.5 py-0.5 font-semibold text-ink-2',
                  c.kind === 'money' ? 'text-right' : 'text-left',
                )}
              >
                {c.name.replaceAll('_', ' ')}
                {c.kind === 'money' && currency ? ` (${currency})` : ''}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {shown.map((row, i) => (
            <tr
              key={i}
              className="cursor-pointer hover:bg-petrol-soft"
              onClick={() => {
                const place = field.rowPlaces?.[i]
                if (place) look(place.page, place.box)
              }}
            >
              {isLost(row) ? (
                <td
                  colSpan={columns.length}
                  className="border-t border-line-2 px-1.5 py-0.5 text-ink-2 italic"
                >
                  a row that could not be read: look at its place
                </td>
              ) : (
                columns.map((c) => (
                  <td
                    key={c.name}
                    className={clsx(
                      'value border-t border-line-2 px-1.5 py-0.5',
                      c.kind === 'money' && 'text-right whitespace-nowrap',
                    )}
                  >
                    {cell(row[c.name], currency)}
                  </td>
                ))
              )}
            </tr>
          ))}
        </tbody>
      </table>
      {rows.length > 4 ? (
        <button
          type="button"
          className="mt-1 text-[13px] text-petrol underline"
          onClick={() => setOpen(!open)}
        >
          {open ? 'Fewer rows' : `All ${rows.length} rows`}
        </button>
      ) : null}
    </div>
  )
}

/** Nothing of it was read; the balances around it say that it is there. */
const isLost = (row: Row): boolean => Object.values(row).every((value) => value === null)

/** The one currency of all amounts, which their heads say then; null where there are several. */
function onlyCurrency(rows: readonly Row[]): string | null {
  const all = new Set(rows.flatMap((row) => Object.values(row).filter(isMoney)).map((m) => m.currency))
  return all.size === 1 ? [...all][0] : null
}

const cell = (value: Row[string], currency: string | null): string =>
  value === null || value === undefined
    ? '—'
    : typeof value === 'string'
      ? show(value)
      : value.currency === currency
        ? groupThousands(value.amount)
        : plain(value)

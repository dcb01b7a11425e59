import { Check, ChevronLeft, ChevronRight, Plus } from 'lucide-react'
import { useEffect, useState } from 'react'
import { useFetcher } from 'react-router'
import type { Box, FieldValue } from '../../core/model/index.ts'
import type { DocumentType } from '../../core/program/index.ts'
import type { UntypedColumn, UntypedValue } from '../../core/extraction/index.ts'
import type { Sample, SampleReading, sampleState } from '../../server/configuration/samples.ts'
import { PageView } from '../package/page-view.tsx'
import { DropZone } from '../parts/drop-zone.tsx'
import { count } from '../parts/format.ts'
import type { ReadingOf } from '../routes/setup/type-reading.ts'
import { readingKey } from './reading-key.ts'
import { useUploads } from '../parts/uploads.ts'

export type SampleState = NonNullable<Awaited<ReturnType<typeof sampleState>>>

/** How long somebody must rest from typing before the sample is read again. */
const REST_MS = 350

/** What a type as it is being written reads from a sample; the last reading stays while the next is on its way. */
export function useReading(
  state: SampleState | null,
  pages: readonly number[],
  type: DocumentType,
): SampleReading | null {
  const fetcher = useFetcher<ReadingOf>()
  const [last, setLast] = useState<ReadingOf | null>(null)
  const ready = state !== null && state.sheets.length > 0 && state.sheets.every((s) => s.read)
  const id = ready ? state.id : null
  const key = id && readingKey(id, pages)
  const { submit, data } = fetcher
  useEffect(() => {
    if (!id) return
    const timer = setTimeout(
      () =>
        void submit(
          { packageId: id, pages: [...pages], type },
          { method: 'post', action: '/types/reading', encType: 'application/json' },
        ),
      REST_MS,
    )
    return () => clearTimeout(timer)
  }, [id, pages, type, submit])
  // Half a type reads as nothing: what it read before stays until it is whole again.
  if (data?.reading && data !== last) setLast(data)
  return last?.of === key ? last.reading : null
}

/** A paper that the type is held against while it is written, with what would be read of it. */
export function SamplePanel({
  state,
  samples,
  pages,
  reading,
  type,
  looked,
  may,
  onChoose,
  onDrop,
  onRemove,
  onTake,
  onTable,
  onHeading,
}: {
  state: SampleState | null
  samples: readonly Sample[]
  /** Pages of the sample that are of the type; all where empty. */
  pages: readonly number[]
  reading: SampleReading | null
  type: DocumentType
  /** The value that is pointed at. */
  looked: string | null
  may: boolean
  onChoose: (sample: Sample | null) => void
  onDrop: (files: File[]) => void
  onRemove: (id: string) => void
  /** What the sample says besides becomes a value of the type. */
  onTake: (said: UntypedValue) => void
  onTable: (columns: UntypedColumn[]) => void
  onHeading: (heading: string) => void
}) {
  const sending = useUploads().find((u) => u.packageId === state?.id && u.state !== 'sent')
  const chosen = samples.find((s) => s.packageId === state?.id)
  return (
    <section aria-label="Sample" className="card grid gap-3 p-4">
      <div className="flex flex-wrap items-center gap-2">
        <h2 className="mr-auto font-semibold">A sample beside it</h2>
        {samples.length > 0 ? (
          <select
            className="field w-auto max-w-60 py-1"
            aria-label="Which sample"
            value={state?.id ?? ''}
            onChange={(event) => onChoose(samples.find((s) => s.packageId === event.target.value) ?? null)}
          >
            <option value="">none</option>
            {samples.map((s) => (
              <option key={s.packageId} value={s.packageId}>
                {s.title}
              </option>
            ))}
            {state && !chosen ? <option value={state.id}>the one just dropped</option> : null}
          </select>
        ) : null}
        {state && may && (chosen?.own ?? true) ? (
          <button type="button" className="text-sm underline" onClick={() => onRemove(state.id)}>
            Take it away
          </button>
        ) : null}
      </div>
      {state === null ? (
        <DropZone
          text="Drop a paper of this type here"
          limit="What would be read of it is shown as you write. It goes into no package."
          label="A sample of this type"
          onFiles={onDrop}
        />
      ) : sending?.state === 'failed' ? (
        <p role="alert" className="text-plum">
          {sending.note}
        </p>
      ) : state.problem ? (
        <p role="alert" className="text-plum">
          {state.problem}
        </p>
      ) : state.sheets.length === 0 || !state.sheets.every((s) => s.read) ? (
        <p role="status" className="text-ink-2">
          {sending ? `Sending ${sending.name} …` : 'Being read …'}
        </p>
      ) : (
        <>
          <TakenFor reading={reading} type={type} may={may} onHeading={onHeading} />
          <Paper state={state} pages={pages} fields={reading?.fields ?? []} looked={looked} />
          {may && reading ? (
            <Besides
              key={readingKey(state.id, pages)}
              said={reading.besides}
              tables={reading.tables}
              onTake={onTake}
              onTable={onTable}
            />
          ) : null}
        </>
      )}
    </section>
  )
}

/** What the sample would be taken for; and the heading that would name it, where the type has not that. */
function TakenFor({
  reading,
  type,
  may,
  onHeading,
}: {
  reading: SampleReading | null
  type: DocumentType
  may: boolean
  onHeading: (heading: string) => void
}) {
  if (!reading) return <p className="text-ink-2">Reading …</p>
  const { takenFor, heading, signed } = reading
  const right = takenFor?.id === type.id
  const named = heading !== null && type.titles.some((t) => t.toLowerCase() === heading.toLowerCase())
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-1 text-sm">
      <p role="status" className={right ? '' : 'text-plum'}>
        {right
          ? `It is known as this type, ${Math.round(takenFor.confidence * 100)} sure.`
          : takenFor
            ? `It would be taken for: ${takenFor.title}.`
            : 'It would be taken for no type: give headings and words that name this one.'}
        {type.signature && signed !== null ? (signed ? ' It is signed.' : ' It is not signed.') : ''}
      </p>
      {may && heading && !named ? (
        <button type="button" className="text-petrol underline" onClick={() => onHeading(heading)}>
          “{heading.slice(0, 60)}” is a heading of it
        </button>
      ) : null}
    </div>
  )
}

function Paper({
  state,
  pages,
  fields,
  looked,
}: {
  state: SampleState
  pages: readonly number[]
  fields: readonly FieldValue[]
  looked: string | null
}) {
  const sheets = state.sheets.filter((s) => pages.length === 0 || pages.includes(s.number))
  const [turnedTo, setTurnedTo] = useState(0)
  const placesOf = (field: FieldValue | undefined): { page: number; box: Box }[] =>
    !field
      ? []
      : (field.rowPlaces ??
        (field.page !== null && field.box !== null ? [{ page: field.page, box: field.box }] : []))
  const pointed = placesOf(fields.find((f) => f.name === looked))
  const at = pointed.length > 0 ? sheets.findIndex((s) => s.number === pointed[0].page) : -1
  const shown = sheets[at >= 0 ? at : Math.min(turnedTo, sheets.length - 1)]
  if (!shown) return null
  const here = (places: readonly { page: number; box: Box }[]) =>
    places.flatMap((p) => (p.page === shown.number ? [p.box] : []))
  return (
    <>
      {sheets.length > 1 ? (
        <div className="flex items-center gap-2 text-sm">
          <button
            type="button"
            className="button px-2 py-1"
            aria-label="Page before"
            disabled={turnedTo === 0}
            onClick={() => setTurnedTo(turnedTo - 1)}
          >
            <ChevronLeft size={14} />
          </button>
          Page {sheets.indexOf(shown) + 1} of {sheets.length}
          <button
            type="button"
            className="button px-2 py-1"
            aria-label="Next page"
            disabled={turnedTo >= sheets.length - 1}
            onClick={() => setTurnedTo(turnedTo + 1)}
          >
            <ChevronRight size={14} />
          </button>
        </div>
      ) : null}
      <div className="max-h-[62vh] overflow-auto rounded border border-line">
        <PageView
          packageId={state.id}
          sheet={shown}
          marks={here(pointed)}
          found={here(fields.flatMap(placesOf))}
          picking={false}
          onPicked={() => undefined}
        />
      </div>
    </>
  )
}

/** One thing that the sample says besides, which may become a value of the type. */
interface Offer {
  key: string
  action: string
  label: string
  shown: string
  take: () => void
}

/** What the sample says besides. What is taken stays where it is, so that no other line comes under the pointer. */
function Besides({
  said,
  tables,
  onTake,
  onTable,
}: {
  said: readonly UntypedValue[]
  tables: SampleReading['tables']
  onTake: (said: UntypedValue) => void
  onTable: (columns: UntypedColumn[]) => void
}) {
  const offers: Offer[] = [
    ...said.map((s) => ({
      key: `${s.page} ${s.box.join(' ')} ${s.label}`,
      action: `Make ${s.label} a value`,
      label: s.label ?? '',
      shown: s.raw,
      take: () => onTake(s),
    })),
    ...tables.map(({ columns, rows }) => {
      const heads = columns.map((c) => c.head).join(', ')
      return {
        key: `table ${heads}`,
        action: `Make the table with ${columns[0].head} a value`,
        label: `a table of ${count(rows, 'row')}`,
        shown: heads,
        take: () => onTable(columns),
      }
    }),
  ]
  const open = new Set(offers.map((o) => o.key))
  const [listed, setListed] = useState(offers)
  const news = offers.filter((o) => !listed.some((l) => l.key === o.key))
  if (news.length > 0) setListed([...listed, ...news])
  // Taken twice before the sample is read again, it would be two values of the type.
  const [taken, setTaken] = useState<{ from: unknown; keys: string[] }>({ from: said, keys: [] })
  const justTaken = taken.from === said ? taken.keys : []
  if (listed.length === 0) return null
  return (
    <div>
      <h3 className="mb-1 text-sm font-semibold">It says besides</h3>
      <ul className="grid gap-px overflow-hidden rounded-lg border border-line bg-line-2">
        {listed.map((offer) => {
          const free = open.has(offer.key) && !justTaken.includes(offer.key)
          return (
            <li key={offer.key} className="flex items-center gap-2 bg-sheet px-2 py-1 text-sm">
              <button
                type="button"
                className="button px-1.5 py-0.5"
                aria-label={free ? offer.action : `${offer.label} is a value now`}
                disabled={!free}
                onClick={() => {
                  setTaken({ from: said, keys: [...justTaken, offer.key] })
                  offers.find((o) => o.key === offer.key)?.take()
                }}
              >
                {free ? <Plus size={14} /> : <Check size={14} />}
              </button>
              <span className="w-2/5 truncate text-ink-2" title={offer.label}>
                {offer.label}
              </span>
              <span
                className={`value min-w-0 flex-1 truncate ${free ? '' : 'text-ink-2'}`}
                title={offer.shown}
              >
                {offer.shown}
              </span>
            </li>
          )
        })}
      </ul>
    </div>
  )
}

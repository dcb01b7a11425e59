import { clsx } from 'clsx'
import { memo } from 'react'
import { Link } from 'react-router'
import type { Document } from '../../../core/findings/index.ts'
import { useLooking } from '../looking.tsx'
import { PageTile } from './page-tile.tsx'

/** What is said of a document behind its name. */
const noteOf = (document: Document): string => {
  const loose = document.typeAsked
  return [
    loose ? `${Math.round(document.confidence * 100)} sure` : document.typeSaid ? 'said' : '',
    document.lacking.length ? `page ${document.lacking.join(', ')} lacking` : '',
    document.copyOf ? 'a copy' : '',
    document.supersededBy ? 'older version' : '',
  ]
    .filter(Boolean)
    .join(', ')
}
const askedOf = (document: Document): number => document.fields.filter((f) => f.needsReview).length
/** Letters that "3 asked" and "let it count" take behind a name. */
export const noted = (document: Document): number =>
  noteOf(document).length +
  (document.needsReview ? 3 : 0) +
  (askedOf(document) ? 11 : 0) +
  (document.supersededBy ? 14 : 0)

/** A document. Rolling brings new ones, and leaves those that are there as they are. */
export const Group = memo(function Group({
  document,
  width,
  current,
  held,
  dragging,
  onToggle,
  onStretch,
  onRetype,
  onCount,
}: {
  document: Document
  width: number
  current: boolean
  held: ReadonlySet<number>
  dragging: number | null
  onToggle: (page: number) => void
  onStretch: (page: number) => void
  onRetype: (document: Document) => void
  onCount: ((document: Document) => void) | null
}) {
  const { look } = useLooking()
  const loose = document.typeAsked
  const asked = askedOf(document)
  return (
    <section
      aria-label={document.label}
      style={{ width }}
      className={clsx(
        'shrink-0 rounded-lg border p-2',
        current
          ? 'border-petrol bg-sheet shadow-[0_0_0_1px_var(--petrol)]'
          : loose
            ? 'border-dashed border-amber bg-sheet'
            : 'border-line bg-sheet',
      )}
    >
      <div className="mb-1.5 flex items-baseline gap-2 text-[13px]">
        <button
          type="button"
          className="min-w-0 truncate font-semibold"
          title={`${document.label} · change the type (T)`}
          onClick={() => {
            look(document.pages[0])
            onRetype(document)
          }}
        >
          {document.label}
          {loose ? '?' : ''}
        </button>
        <span className="shrink-0 text-ink-2">{noteOf(document)}</span>
        {document.supersededBy && onCount ? (
          <button
            type="button"
            className="whitespace-nowrap text-petrol underline"
            title="This one counts instead of the other"
            onClick={() => onCount(document)}
          >
            let it count
          </button>
        ) : null}
        {asked ? (
          <Link
            to={`../values?page=${document.pages[0]}`}
            className="ml-auto rounded-full border border-dashed border-amber bg-amber-soft px-1.5 whitespace-nowrap text-ink"
          >
            {asked} asked
          </Link>
        ) : null}
      </div>
      <div className="flex flex-wrap gap-1.5">
        {document.pages.map((page) => (
          <PageTile
            key={page}
            page={page}
            held={held.has(page)}
            lifted={dragging !== null && (dragging === page || (held.has(dragging) && held.has(page)))}
            onToggle={() => onToggle(page)}
            onStretch={() => onStretch(page)}
          />
        ))}
      </div>
    </section>
  )
})

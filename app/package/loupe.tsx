import { ChevronLeft, ChevronRight, ExternalLink, ZoomIn, ZoomOut } from 'lucide-react'
import { useState } from 'react'
import { useKeys } from '../parts/keys.ts'
import { useLooking } from './looking.tsx'
import { PageView } from './page-view.tsx'
import { apartOf, documentOfPage, usePackage } from './view.ts'

const LANGUAGES = { fr: 'in French', es: 'in Spanish' } as const
const ZOOMS = [100, 160, 220, 300]

/** The page under the eye, enlarged at the evidence. */
export function Loupe() {
  const { row, assessment, sheets } = usePackage()
  const looking = useLooking()
  // Until a person chooses, evidence is shown enlarged and a page without marks whole.
  const [chosen, setChosen] = useState<number | null>(null)
  const zoom = chosen ?? (looking.marks.length > 0 ? 1 : 0)
  const larger = () => setChosen(Math.min(ZOOMS.length - 1, zoom + 1))
  const smaller = () => setChosen(Math.max(0, zoom - 1))
  const sheet = sheets[looking.page - 1]
  const document = assessment ? documentOfPage(assessment.documents, looking.page) : undefined
  const step = (by: number) => {
    const to = looking.page + by
    if (to >= 1 && to <= sheets.length) looking.look(to)
  }
  useKeys({
    '.': () => step(1),
    ',': () => step(-1),
    w: looking.tearOff,
    '+': larger,
    '-': smaller,
  })
  if (!sheet) return <aside aria-label="Loupe" className="hidden rounded-lg bg-band lg:block" />
  return (
    <aside aria-label="Loupe" className="flex min-h-[60vh] flex-col rounded-lg bg-band p-3 lg:min-h-0">
      <div className="mb-2 flex items-center gap-1.5 text-[13px] text-ink-2">
        <b className="truncate text-ink" title={document?.label}>
          {document?.label ?? `In no document${apartOf(sheet) ? `: ${apartOf(sheet)}` : ''}`}
        </b>
        <span className="whitespace-nowrap">
          page {looking.page} of {sheets.length}
          {sheet.language && sheet.language !== 'en' ? `, ${LANGUAGES[sheet.language]}` : ''}
        </span>
        <span className="ml-auto" />
        <IconButton label="Page before (,)" onClick={() => step(-1)}>
          <ChevronLeft size={16} />
        </IconButton>
        <IconButton label="Next page (.)" onClick={() => step(1)}>
          <ChevronRight size={16} />
        </IconButton>
        <IconButton label="Smaller (-)" onClick={smaller}>
          <ZoomOut size={16} />
        </IconButton>
        <IconButton label="Larger (+)" onClick={larger}>
          <ZoomIn size={16} />
        </IconButton>
        <IconButton label="In a second window (W)" onClick={looking.tearOff}>
          <ExternalLink size={16} />
        </IconButton>
      </div>
      {sheet.poor ? (
        <p className="mb-2 rounded border border-dashed border-amber bg-amber-soft px-2 py-1 text-[13px]">
          Hard to read: {sheet.poor}.
        </p>
      ) : null}
      {looking.picking ? (
        <p className="mb-2 rounded bg-petrol px-2 py-1 text-[13px] text-sheet">
          Click a word, or drag over several: {looking.picking}
        </p>
      ) : null}
      <div className="min-h-0 flex-1 overflow-auto">
        <div style={{ width: `${ZOOMS[zoom]}%` }}>
          <PageView
            packageId={row.id}
            sheet={sheet}
            marks={looking.marks}
            found={looking.found.filter((h) => h.page === looking.page).map((h) => h.box)}
            picking={looking.picking !== null}
            onPicked={looking.picked}
          />
        </div>
      </div>
    </aside>
  )
}

function IconButton({
  label,
  onClick,
  children,
}: {
  label: string
  onClick: () => void
  children: React.ReactNode
}) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      onClick={onClick}
      className="grid size-7 place-items-center rounded border border-line bg-sheet text-ink hover:border-petrol"
    >
      {children}
    </button>
  )
}

import { clsx } from 'clsx'
import {
  DndContext,
  DragOverlay,
  PointerSensor,
  useDroppable,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core'
import { useState } from 'react'
import { count } from '../../parts/format.ts'
import { useKeys } from '../../parts/keys.ts'
import { useLooking } from '../../package/looking.tsx'
import { Group } from '../../package/papers/group.tsx'
import { GroupTable } from '../../package/papers/group-table.tsx'
import { usePageActs, type Act } from '../../package/papers/page-acts.ts'
import { PageTile } from '../../package/papers/page-tile.tsx'
import { PartEvenly } from '../../package/papers/part-evenly.tsx'
import type { Sheet } from '../../package/sheet.ts'
import { TypePicker } from '../../package/type-picker.tsx'
import { apartOf, useJudged } from '../../package/view.ts'

/** The documents as groups of pages on a table: cut, join, move, retype. */
export default function Papers() {
  const { documents } = useJudged().assessment
  const { page } = useLooking()
  const acting = usePageActs()
  const { acts, here, held, outside, retyping } = acting
  const [dragging, setDragging] = useState<number | null>(null)
  useKeys({
    ...Object.fromEntries(
      acts.map(({ key, off, run }) => [
        key,
        () => {
          if (!off) run()
        },
      ]),
    ),
    arrowright: (event) => acting.step(1, event.shiftKey),
    arrowleft: (event) => acting.step(-1, event.shiftKey),
    arrowdown: () => acting.jump(1),
    arrowup: () => acting.jump(-1),
    ' ': () => acting.toggle(page),
    escape: acting.clear,
  })
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }))
  const drop = ({ active, over }: DragEndEvent) => {
    setDragging(null)
    if (over) acting.drop(Number(active.id), over.id === ALONE ? null : Number(over.id))
  }
  return (
    <DndContext
      sensors={sensors}
      onDragStart={({ active }) => setDragging(Number(active.id))}
      onDragCancel={() => setDragging(null)}
      onDragEnd={drop}
    >
      <Bar acts={acts} documents={documents.length} held={held.size} />
      <GroupTable documents={documents} pages={dragging === null ? [page] : [page, dragging]}>
        {(d, width) => (
          <Group
            key={d.pages[0]}
            document={d}
            width={width}
            current={d === here}
            held={held}
            dragging={dragging}
            onToggle={acting.toggle}
            onStretch={acting.stretch}
            onRetype={acting.setRetyping}
            onCount={acting.letCount}
          />
        )}
      </GroupTable>
      <Outside sheets={outside} held={held} dragging={dragging} onToggle={acting.toggle} />
      {dragging !== null ? <Alone /> : null}
      <DragOverlay>
        {dragging !== null ? (
          <span className="rounded bg-petrol px-2 py-1 text-sheet">
            {count(held.has(dragging) ? held.size : 1, 'page')}
          </span>
        ) : null}
      </DragOverlay>
      {acting.parting && here ? (
        <PartEvenly
          pages={here.pages.length}
          onClose={() => acting.setParting(false)}
          onChoose={acting.partEvery}
        />
      ) : null}
      {retyping ? (
        <TypePicker
          open
          title={`What is ${retyping.pages.length === 1 ? `page ${retyping.pages[0]}` : `pages ${retyping.pages[0]} to ${retyping.pages.at(-1)}`}?`}
          likely={retyping.types.map((t) => t.type)}
          onClose={() => acting.setRetyping(null)}
          onChoose={(type) => acting.retype(retyping, type)}
        />
      ) : null}
    </DndContext>
  )
}

/** How many documents there are, and what can be done to the pages by which key. */
function Bar({ acts, documents, held }: { acts: readonly Act[]; documents: number; held: number }) {
  return (
    <div className="sticky top-0 z-5 -mt-1 mb-2 flex flex-wrap items-center gap-2 bg-table py-1 text-sm">
      <h1 className="mr-auto text-xl font-semibold">
        {count(documents, 'document')}
        {held ? (
          <span className="ml-3 text-sm font-normal text-petrol">{count(held, 'page')} picked up</span>
        ) : null}
      </h1>
      {acts.map(({ key, words, off, run }) => (
        <button key={key} type="button" className="button px-2 py-1" disabled={off} onClick={run}>
          <span className="key">{key.toUpperCase()}</span>
          {words}
        </button>
      ))}
    </div>
  )
}

/** Pages that are in no document, with the reason. */
function Outside({
  sheets,
  held,
  dragging,
  onToggle,
}: {
  sheets: readonly Sheet[]
  held: ReadonlySet<number>
  dragging: number | null
  onToggle: (page: number) => void
}) {
  if (sheets.length === 0) return null
  return (
    <section aria-label="In no document" className="mb-4 rounded-lg border border-line bg-band p-2">
      <h2 className="mb-1.5 text-[13px] font-semibold text-ink-2">
        In no document <span className="font-normal">· pick one up and move it to bring it back</span>
      </h2>
      <div className="flex flex-wrap gap-1.5">
        {sheets.map((s) => (
          <span key={s.number} className="grid justify-items-center gap-0.5 text-xs text-ink-2">
            <PageTile
              page={s.number}
              held={held.has(s.number)}
              lifted={dragging === s.number}
              onToggle={() => onToggle(s.number)}
              onStretch={() => onToggle(s.number)}
            />
            {apartOf(s) ?? 'set aside'}
          </span>
        ))}
      </div>
    </section>
  )
}

/** Where pages are dropped to become a document of their own. */
const ALONE = 'alone'

function Alone() {
  const { setNodeRef, isOver } = useDroppable({ id: ALONE })
  return (
    <div
      ref={setNodeRef}
      className={clsx(
        'sticky bottom-2 z-5 ml-auto grid h-24 w-44 place-items-center rounded-lg border-2 border-dashed p-2 text-center text-sm shadow-lg',
        isOver ? 'border-petrol bg-petrol-soft' : 'border-ink-3 bg-sheet text-ink-2',
      )}
    >
      Drop here for a document of its own
    </div>
  )
}

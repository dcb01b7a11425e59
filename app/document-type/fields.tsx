import { ArrowDown, ArrowUp } from 'lucide-react'
import { useState } from 'react'
import type { FieldValue } from '../../core/model/index.ts'
import { count, show } from '../parts/format.ts'
import type { FieldRecord, WhatIf } from '../../core/findings/index.ts'
import { askedBelow, type DocumentType, type Field } from '../../core/program/index.ts'
import { withField, withMoved, withNewField, withoutField } from './edit.ts'
import { KINDS } from '../parts/field-kinds.ts'
import { FieldEditor } from './field-editor.tsx'

/** How the values of a type did so far, and how they would at other thresholds. */
export interface FieldHistory {
  records: readonly FieldRecord[]
  curves: Record<string, WhatIf[]>
}

/** The values that a type holds, a row each; the open one is edited below its row. */
export function Fields({
  type,
  stored,
  history,
  reading,
  may,
  onLook,
  onChange,
}: {
  type: DocumentType
  stored: DocumentType | null
  history: FieldHistory
  /** What is read of a sample, in place of the past, while one is held against the type. */
  reading: readonly FieldValue[] | null
  may: boolean
  /** A value is pointed at, or none is. */
  onLook: (field: string | null) => void
  onChange: (type: DocumentType) => void
}) {
  const [open, setOpen] = useState<string | null>(null)
  const add = () => {
    const more = withNewField(type)
    onChange(more)
    setOpen(more.fields.at(-1)!.name)
  }
  return (
    <div className="card overflow-hidden">
      <table className="w-full text-sm">
        <thead>
          <tr className="text-left text-[13px] text-ink-2">
            <th className="px-3 py-2 font-semibold">Value</th>
            <th className="font-semibold">Kind</th>
            <th className="font-semibold">Asked</th>
            {reading ? (
              <th className="px-2 font-semibold">On the sample</th>
            ) : (
              <>
                <th className="px-2 text-right font-semibold">Papers</th>
                <th className="px-2 text-right font-semibold">Asked about</th>
                <th className="px-2 text-right font-semibold">Wrong, unasked</th>
              </>
            )}
            <th />
          </tr>
        </thead>
        {type.fields.map((field, i) => {
          const record = history.records.find((r) => r.field === field.name)
          return (
            <tbody key={i}>
              <FieldRow
                field={field}
                record={record}
                read={reading ? (reading.find((r) => r.name === field.name) ?? null) : undefined}
                onLook={onLook}
                open={open === field.name}
                onOpen={() => setOpen(open === field.name ? null : field.name)}
              >
                {may ? (
                  <Movers
                    title={field.title}
                    first={i === 0}
                    last={i === type.fields.length - 1}
                    onMove={(by) => onChange(withMoved(type, i, by))}
                  />
                ) : null}
              </FieldRow>
              {open === field.name ? (
                <tr>
                  <td colSpan={reading ? 5 : 7} className="border-t border-line-2 bg-table px-3 py-3">
                    <FieldEditor
                      field={field}
                      record={record}
                      narrow={reading !== null}
                      curve={history.curves[field.name] ?? []}
                      fixed={stored?.fields.some((s) => s.name === field.name) ?? false}
                      may={may}
                      onChange={(part) => onChange(withField(type, i, part))}
                      onRemove={() => onChange(withoutField(type, i))}
                    />
                  </td>
                </tr>
              ) : null}
            </tbody>
          )
        })}
      </table>
      {type.fields.length === 0 ? (
        <p className="px-3 py-4 text-ink-2">This type holds no values yet.</p>
      ) : null}
      {may ? (
        <button type="button" className="m-3 text-petrol underline" onClick={add}>
          One more value
        </button>
      ) : null}
    </div>
  )
}

const askedWhen = (threshold: number): string =>
  threshold === 0 ? 'never' : threshold === 1 ? 'always' : `below ${Math.round(threshold * 100)}`

function FieldRow({
  field,
  record,
  read,
  open,
  onOpen,
  onLook,
  children,
}: {
  field: Field
  record: FieldRecord | undefined
  /** What a sample says; null where it is not read yet, undefined where there is none. */
  read: FieldValue | null | undefined
  onLook: (field: string | null) => void
  open: boolean
  onOpen: () => void
  children: React.ReactNode
}) {
  const cell = 'border-t border-line-2 py-1.5'
  return (
    <tr
      className={open ? 'bg-petrol-soft' : 'hover:bg-petrol-soft'}
      onMouseEnter={() => onLook(field.name)}
      onFocus={() => onLook(field.name)}
      onMouseLeave={() => onLook(null)}
    >
      <td className={`${cell} px-3`}>
        <button type="button" aria-expanded={open} className="text-left font-semibold" onClick={onOpen}>
          {field.title || 'a new value'}
        </button>
        {field.optional ? <span className="ml-2 text-[13px] text-ink-2">may lack</span> : null}
      </td>
      <td className={`${cell} text-ink-2`}>{KINDS[field.kind]}</td>
      <td className={cell}>{askedWhen(askedBelow(field))}</td>
      {read === undefined ? (
        <>
          <td className={`${cell} px-2 text-right`}>{record?.papers ?? 0}</td>
          <td className={`${cell} px-2 text-right`}>{record?.asked ?? 0}</td>
          <td className={`${cell} px-2 text-right ${record?.wrongUnasked ? 'font-bold text-plum' : ''}`}>
            {record?.wrongUnasked ?? 0}
          </td>
        </>
      ) : (
        <td className={`${cell} max-w-52 px-2`}>{read ? <Read read={read} /> : null}</td>
      )}
      <td className={`${cell} pr-2 text-right whitespace-nowrap`}>{children}</td>
    </tr>
  )
}

/** What a sample says of a value, and whether somebody would be asked. */
function Read({ read }: { read: FieldValue }) {
  if (read.value === null)
    return (
      <span className="text-[13px] text-ink-3">{read.needsReview ? 'nothing found; asked' : 'not said'}</span>
    )
  return (
    <>
      <span className="value block truncate" title={read.raw ?? undefined}>
        {Array.isArray(read.value) ? count(read.value.length, 'row') : show(read.value)}
      </span>
      {read.needsReview ? <span className="block text-[12.5px] text-amber">asked about</span> : null}
    </>
  )
}

function Movers({
  title,
  first,
  last,
  onMove,
}: {
  title: string
  first: boolean
  last: boolean
  onMove: (by: number) => void
}) {
  return (
    <>
      <button
        type="button"
        aria-label={`${title} further up`}
        disabled={first}
        className="p-1 disabled:opacity-30"
        onClick={() => onMove(-1)}
      >
        <ArrowUp size={14} />
      </button>
      <button
        type="button"
        aria-label={`${title} further down`}
        disabled={last}
        className="p-1 disabled:opacity-30"
        onClick={() => onMove(1)}
      >
        <ArrowDown size={14} />
      </button>
    </>
  )
}

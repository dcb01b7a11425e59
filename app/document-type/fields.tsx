import { ArrowDown, ArrowUp } from 'lucide-react'
import { useState } from 'react'
import type { FieldRecord, WhatIf } from '../../core/findings/index.ts'
import type { DocumentType, Field } from '../../core/program/index.ts'
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
  may,
  onChange,
}: {
  type: DocumentType
  stored: DocumentType | null
  history: FieldHistory
  may: boolean
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
            <th className="px-2 text-right font-semibold">Papers</th>
            <th className="px-2 text-right font-semibold">Asked about</th>
            <th className="px-2 text-right font-semibold">Wrong, unasked</th>
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
                  <td colSpan={7} className="border-t border-line-2 bg-table px-3 py-3">
                    <FieldEditor
                      field={field}
                      record={record}
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
  open,
  onOpen,
  children,
}: {
  field: Field
  record: FieldRecord | undefined
  open: boolean
  onOpen: () => void
  children: React.ReactNode
}) {
  const cell = 'border-t border-line-2 py-1.5'
  return (
    <tr className={open ? 'bg-petrol-soft' : 'hover:bg-petrol-soft'}>
      <td className={`${cell} px-3`}>
        <button type="button" aria-expanded={open} className="text-left font-semibold" onClick={onOpen}>
          {field.title || 'a new value'}
        </button>
        {field.optional ? <span className="ml-2 text-[13px] text-ink-2">may lack</span> : null}
      </td>
      <td className={`${cell} text-ink-2`}>{KINDS[field.kind]}</td>
      <td className={cell}>{askedWhen(field.threshold)}</td>
      <td className={`${cell} px-2 text-right`}>{record?.papers ?? 0}</td>
      <td className={`${cell} px-2 text-right`}>{record?.asked ?? 0}</td>
      <td className={`${cell} px-2 text-right ${record?.wrongUnasked ? 'font-bold text-plum' : ''}`}>
        {record?.wrongUnasked ?? 0}
      </td>
      <td className={`${cell} pr-2 text-right whitespace-nowrap`}>{children}</td>
    </tr>
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

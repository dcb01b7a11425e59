import type { Document } from '../findings/index.ts'
import { type Box, isMoney, type Value } from '../model/index.ts'
import type { DocumentType } from '../program/index.ts'
import { fieldName, typeName } from './file-names.ts'
import type { Receiver } from './receiver.ts'

/** A value that leaves, with where it stands and how sure it is. */
export interface ValueOut {
  document: string
  /** The file that its paper goes out in; empty where none does. */
  file: string
  type: string
  typeName: string
  label: string
  field: string
  fieldName: string
  /** Of a table: its row from 1 and its column. */
  row: number | null
  column: string | null
  /** Amounts and numbers as decimals, days ISO; never a table. */
  value: string | boolean | null
  currency: string
  /** As the paper writes it. */
  raw: string
  /** 0 to 1. */
  confidence: number
  state: string
  confirmedBy: string
  page: number | null
  /** Left, top, right, bottom as fractions of the page. */
  box: Box | null
  /** Opens the value at its place, for those who may. */
  link: string
}

/** What is known of values besides the papers. */
export interface Besides {
  files: ReadonlyMap<string, string>
  /** Who said a value last; empty where no person did. */
  confirmedBy: (document: Document, field: string) => string
  linkTo: (page: number, field: string) => string
}

const flat = (value: Value | undefined): Pick<ValueOut, 'value' | 'currency'> =>
  isMoney(value)
    ? { value: value.amount, currency: value.currency }
    : { value: value === undefined || Array.isArray(value) ? null : value, currency: '' }

/** All values of papers that go out, tables cell by cell, in the order of the papers. */
export function valuesOut(
  documents: readonly Document[],
  receiver: Receiver,
  types: readonly DocumentType[],
  { files, confirmedBy, linkTo }: Besides,
): ValueOut[] {
  return documents.flatMap((document) => {
    const of = {
      document: document.id,
      file: files.get(document.id) ?? '',
      type: document.type,
      typeName: typeName(receiver, types, document.type),
      label: document.label,
    }
    const type = types.find((t) => t.id === document.type)
    return document.fields.flatMap((field): ValueOut[] => {
      const place = { page: field.page, box: field.box }
      const about = {
        ...of,
        field: field.name,
        fieldName: fieldName(receiver, types, document.type, field.name),
        confidence: field.confidence,
        state: field.state,
        confirmedBy: confirmedBy(document, field.name),
        link: linkTo(field.page ?? document.pages[0], field.name),
      }
      if (!Array.isArray(field.value))
        return [{ ...about, ...place, row: null, column: null, ...flat(field.value), raw: field.raw ?? '' }]
      const columns = type?.fields.find((f) => f.name === field.name)?.columns.map((c) => c.name) ?? []
      return field.value.flatMap((row, i) =>
        [...new Set([...columns, ...Object.keys(row)])].map((column) => ({
          ...about,
          ...(field.rowPlaces?.[i] ?? place),
          row: i + 1,
          column,
          ...flat(row[column] ?? null),
          raw: '',
        })),
      )
    })
  })
}

import type { Value } from '../core/model/index.ts'

/** What is true of a drawn paper; pages are counted within it, from 1. */
export interface TrueField {
  value: Value
  page: number
  handwritten: boolean
}

/** A drawn paper with its truth. */
export interface Drawn {
  type: string
  bytes: Uint8Array
  pages: number
  signed: boolean | null
  fields: Record<string, TrueField>
  /** A page of its own numbering was left out. */
  dropped?: boolean
}

export const money = (cents: number): { amount: string; currency: string } => ({
  amount: (cents / 100).toFixed(2),
  currency: 'EUR',
})

/** Notes the truth of a paper while it is drawn. */
export class Ledger {
  readonly fields: Record<string, TrueField> = {}

  put(name: string, value: Value, page = 1): void {
    this.fields[name] = { value, page, handwritten: false }
  }
}

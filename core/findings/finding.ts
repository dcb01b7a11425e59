import type { Message } from '../model/index.ts'

/** Something a person must see, and how much it matters. */
export interface Finding {
  id: string
  kind:
    | 'missing_document'
    | 'incomplete_document'
    | 'expired_document'
    | 'unsigned_document'
    | 'insufficient_value'
    | 'conflict'
    | 'arithmetic'
    | 'duplicate_document'
    | 'superseded_document'
    | 'unknown_pages'
    | 'poor_quality'
    | 'unusable_file'
    | 'notice'
  severity: 'blocking' | 'warning' | 'info'
  requirement?: string
  fact?: string
  check?: string
  documents: string[]
  message: Message
}

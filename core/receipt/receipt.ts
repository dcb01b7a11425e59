import type { RequirementResult, Status } from '../check/index.ts'
import type { Document } from '../findings/index.ts'
import { cents, isMoney, type Message, type Money, sameCurrency } from '../model/index.ts'

/** A file that somebody sent, as far as it is. */
export interface SentFile {
  name: string
  pages: number
  /** Why it cannot be used, in a sentence. */
  problem: string | null
}

/** The most that a field of the papers that come one way may say. */
export interface SentLimit {
  /** What is limited, as people say it. */
  title: string
  /** A field of a type, `receipt.total`. */
  field: string
  most: Money
}

/** What whoever sent papers is told of them. */
export interface Receipt {
  /** `reading`: it is still being worked on. */
  state: 'reading' | 'done'
  caseNumber: string | null
  files: SentFile[]
  /** `sure`: nobody is asked what it is. */
  documents: { type: string; title: string; pages: number; sure: boolean }[]
  /** What is asked for, and how it stands; none where that is not theirs to know. */
  required: { requirement: string; title: string; status: Status; reason: Message }[]
  /** Limits that are exceeded; `sure`: nobody is asked whether the amount is read right. */
  exceeded: { title: string; said: Money; most: Money; sure: boolean }[]
  /**
   * Limits that nobody can hold their paper against yet: its amount is not read or in another currency, or lies below
   * but is doubtful.
   */
  unchecked: { title: string }[]
  /** Papers that were taken for another type than the one that was expected. */
  unexpected: { title: string; expected: string }[]
  /** What a service says of identity papers among them. */
  identity: IdentityResult[]
  /** Why none of it was taken, in a sentence; null where it was. */
  refusal: string | null
}

/** What a service says of an identity paper, with its reasons. */
export interface IdentityResult {
  page: number
  /** Null while it is asked. */
  verdict: 'valid' | 'not valid' | 'cannot tell' | null
  reasons: string[]
}

/** Statuses of requirements that nobody needs to be told of. */
const QUIET: ReadonlySet<Status> = new Set(['not_applicable', 'waived'])

/**
 * Tells what arrived and what lacks still.
 * @param sent.pages numbers of the pages that came with it
 * @param verdict of the package; null while it is being read
 */
export function receiptOf(
  sent: {
    files: readonly SentFile[]
    pages: ReadonlySet<number>
    limits: readonly SentLimit[]
    /** The type that was expected; null where any was. */
    expected: string | null
    identity: readonly IdentityResult[]
    /** Whether the package's list of papers is theirs to know. */
    known: boolean
    caseNumber: string | null
    refusal: string | null
  },
  verdict: { documents: readonly Document[]; checklist: readonly RequirementResult[] } | null,
  titles: ReadonlyMap<string, string>,
): Receipt {
  const titleOf = (type: string) => titles.get(type) ?? type
  const own = (verdict?.documents ?? []).filter((d) => d.pages.some((page) => sent.pages.has(page)))
  const held = sent.limits.flatMap((limit) => heldAgainst(limit, own))
  return {
    state: verdict || sent.refusal ? 'done' : 'reading',
    caseNumber: sent.caseNumber,
    files: [...sent.files],
    documents: own.map((d) => ({
      type: d.type,
      title: titleOf(d.type),
      pages: d.pages.filter((page) => sent.pages.has(page)).length,
      sure: !d.typeAsked,
    })),
    required: (sent.known ? (verdict?.checklist ?? []) : [])
      .filter(({ status }) => !QUIET.has(status))
      .map(({ requirement, title, status, reason }) => ({ requirement, title, status, reason })),
    unexpected: sent.expected
      ? own
          .filter((d) => d.type !== sent.expected)
          .map((d) => ({ title: titleOf(d.type), expected: titleOf(sent.expected!) }))
      : [],
    identity: sent.identity.filter(({ page }) => sent.pages.has(page)),
    exceeded: held.flatMap(({ limit: { title, most }, said, sure }) =>
      said && cents(said) > cents(most) ? [{ title, said, most, sure }] : [],
    ),
    unchecked: held
      .filter(({ limit: { most }, said, sure }) => !said || (!sure && cents(said) <= cents(most)))
      .map(({ limit: { title } }) => ({ title })),
    refusal: sent.refusal,
  }
}

/** What papers say that a limit is on: an amount that can be held against it, or null. */
function heldAgainst(
  limit: SentLimit,
  documents: readonly Document[],
): { limit: SentLimit; said: Money | null; sure: boolean }[] {
  const [type, name] = limit.field.split('.')
  return documents
    .filter((d) => d.type === type)
    .map((d) => {
      const field = d.fields.find((f) => f.name === name)
      const value = field?.value ?? null
      const fits = isMoney(value) && sameCurrency(value.currency, limit.most.currency)
      return { limit, said: fits ? value : null, sure: field?.needsReview === false }
    })
}

import { z } from 'zod'
import type { Value } from '../model/index.ts'

/**
 * What a person said about a package. Answers are kept as they were given and applied, in their order, to
 * whatever the machine finds: a later run can change the findings under them, never the answer itself. Pages
 * are named by their number in the package, which no answer changes.
 */
const page = z.number().int().positive()
const money = z.object({ amount: z.string().regex(/^-?\d+(\.\d{1,2})?$/), currency: z.string().length(3) })
const cell = z.union([z.string(), money, z.null()])

export const valueSchema: z.ZodType<Value> = z.union([
  z.string().max(500),
  z.boolean(),
  money,
  z.array(z.record(z.string(), cell)).max(5000),
  z.null(),
])

const reason = z.string().trim().min(3).max(500)
const box = z.tuple([z.number(), z.number(), z.number(), z.number()])

export const answerSchema = z.discriminatedUnion('kind', [
  /** A document begins at this page, or goes on from the page before. */
  z.object({ kind: z.literal('cut'), page, begins: z.boolean() }),
  /** The document that holds this page is of this type. */
  z.object({ kind: z.literal('type'), page, type: z.string().max(80) }),
  /** These pages go behind that page, into its document; null makes them a document of their own. */
  z.object({ kind: z.literal('move'), pages: z.array(page).min(1).max(500), behind: page.nullable() }),
  /** These pages are in no document: a leaflet, a fax cover. Moving one brings it back. */
  z.object({ kind: z.literal('aside'), pages: z.array(page).min(1).max(500) }),
  /**
   * Which way up a page lies: degrees clockwise that bring it upright from how it lies in its file. It is
   * read again so.
   */
  z.object({
    kind: z.literal('turn'),
    page,
    rotation: z.union([z.literal(0), z.literal(90), z.literal(180), z.literal(270)]),
  }),
  /**
   * A field of the document that holds this page; `empty` where the paper does not say, `unreadable` where
   * nobody can tell.
   */
  z.object({
    kind: z.literal('value'),
    page,
    field: z.string().max(80),
    value: valueSchema,
    state: z.enum(['confirmed', 'corrected', 'empty', 'unreadable']),
    at: z.object({ page, box }).nullable().default(null),
    /** Where a table's rows stand, in their order. */
    places: z.array(z.object({ page, box })).max(5000).optional(),
    /** Words of lines of a table that are no rows, to be learnt. */
    skips: z.array(z.string().trim().min(3).max(80)).max(20).optional(),
  }),
  /** What lies behind this sheet with the number of another case: that case's, or papers of this one all the same. */
  z.object({ kind: z.literal('file'), page, there: z.boolean() }),
  /** Signed or not, where ink was doubtful. */
  z.object({ kind: z.literal('signed'), page, signed: z.boolean() }),
  /** Of several versions of one paper, the document that holds this page counts. */
  z.object({ kind: z.literal('version'), page }),
  /** `over` is what the papers said when it was decided: whatever says something else later is asked about again. */
  z.object({
    kind: z.literal('fact'),
    fact: z.string().max(80),
    decision: z.enum(['value', 'accepted', 'ask']),
    value: valueSchema.default(null),
    reason,
    over: z.array(z.string().max(500)).max(200).optional(),
  }),
  z.object({
    kind: z.literal('check'),
    check: z.string().max(80),
    decision: z.enum(['accepted', 'ask']),
    reason,
    over: z.array(z.string().max(500)).max(200).optional(),
  }),
  z.object({ kind: z.literal('waive'), requirement: z.string().max(80), reason }),
  /** A second person's word on a decision of those three kinds; refused with a reason. */
  z.object({
    kind: z.literal('sign'),
    what: z.enum(['waive', 'fact', 'check']),
    subject: z.string().max(80),
    agreed: z.boolean(),
    reason: z.string().trim().max(500).default(''),
  }),
])
export type Answer = z.infer<typeof answerSchema>

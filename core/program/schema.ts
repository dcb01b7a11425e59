import { z } from 'zod'
import { requestWordsSchema } from './request-words.ts'

/** Document types, programs, facts and checks are data of these shapes; nothing of a particular lender is code. */

/**
 * The form of files of types and programs. It grows when an older file would be read otherwise; `files.ts`
 * brings those up to date.
 */
export const FORMAT_VERSION = 4
const formatVersion = z.literal(FORMAT_VERSION).default(FORMAT_VERSION)

const id = z.string().regex(/^[a-z][a-z0-9_]*$/)

export const fieldKind = z.enum([
  'name',
  'org',
  'address',
  'date',
  'money',
  'number',
  'percent',
  'id',
  'iban',
  'email',
  'phone',
  'text',
  'choice',
  'yesno',
  'table',
])
export type FieldKind = z.infer<typeof fieldKind>

/** Whether values of a kind are read by ticks: what is ticked is not weighed by what stands around it. */
export const isTicked = ({ kind }: { kind: FieldKind }): boolean => kind === 'choice' || kind === 'yesno'

/**
 * Places besides a label where a value of this field may stand: the letterhead, whom the paper is addressed
 * to, a sentence, the year in its heading, the first or last day of a stretch of days, a part of the
 * machine-readable zone (ICAO 9303), and a part of the line at the foot of a cheque.
 */
export const fieldSource = z.enum([
  'letterhead',
  'addressee',
  'sentence',
  'title_year',
  'period_start',
  'period_end',
  'zone_name',
  'zone_number',
  'zone_birth',
  'zone_expiry',
  'zone_nationality',
  'check_bank',
  'check_account',
  'check_number',
])
export type FieldSource = z.infer<typeof fieldSource>

/**
 * What a column means to arithmetic, whatever it is called: a table of bookings has dates, amounts and
 * running balances, one of goods quantities, unit prices and amounts.
 */
export const columnRoles = ['date', 'description', 'amount', 'balance', 'quantity', 'unit_price'] as const
export type ColumnRole = (typeof columnRoles)[number]

export const columnSchema = z.object({
  name: id,
  kind: z.enum(['date', 'money', 'text', 'number', 'name', 'percent']),
  /** Left out for a column that no arithmetic rests on. */
  role: z.enum(columnRoles).optional(),
  labels: z.array(z.string()).min(1),
  optional: z.boolean().default(false),
})
export type Column = z.infer<typeof columnSchema>

/**
 * What a wrong value that nobody is asked about costs, and what a question costs, in any unit that both share:
 * minutes of work, money. A question that costs nothing is always asked, a slip that costs no more than one
 * never.
 */
const costsSchema = z.object({ slip: z.number().min(0).max(1e6), question: z.number().min(0).max(1e6) })
export type Costs = z.infer<typeof costsSchema>
/** What a slip counts where nobody says otherwise; ADR 29 says what that was weighed by. */
export const USUAL_COSTS: Costs = { slip: 16, question: 1 }

export const fieldSchema = z.object({
  name: id,
  title: z.string(),
  kind: fieldKind,
  /** Wordings that stand beside the value, in any language; the likeliest first. */
  labels: z.array(z.string()).default([]),
  sources: z.array(fieldSource).default([]),
  /** Left out on many good papers: not found is an answer, not a question. */
  optional: z.boolean().default(false),
  choices: z.array(z.object({ value: z.string(), words: z.array(z.string()).min(1) })).default([]),
  columns: z.array(columnSchema).default([]),
  /** Words that never are this field's value (printed hints, neighbouring headings). */
  never: z.array(z.string()).default([]),
  /** What an id of this field looks like, where the lender knows it. */
  pattern: z.string().optional(),
  /** At least so many years before the other days of the paper, as a birth is. */
  yearsBefore: z.number().positive().optional(),
  /**
   * An amount that may be less than nothing, as a balance is; before others a dash is a rule or a leader that
   * a picture's reader took for a sign.
   */
  belowZero: z.boolean().default(false),
  /** Called by common words, which need no capitals (a job). */
  common: z.boolean().default(false),
  /** Where the field stands when several share a label: beside the signature rather than at the head. */
  near: z.enum(['signature']).optional(),
  costs: costsSchema.default(USUAL_COSTS),
})
export type Field = z.infer<typeof fieldSchema>

/**
 * How sure a value of a field must be to go unasked, 0 to 1: a question is asked where the slip that is to be
 * expected costs more than the question.
 */
export const askedBelow = ({ costs: { slip, question } }: Pick<Field, 'costs'>): number =>
  slip > 0 ? Math.max(0, 1 - question / slip) : 0

/**
 * Plausibility between the values of one paper: what holds makes them surer, what fails makes them all
 * questionable.
 */
export const relationSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('not_after'), first: id, second: id }),
  z.object({ kind: z.literal('at_most'), less: id, more: id }),
  z.object({ kind: z.literal('sum'), parts: z.array(id).min(1), total: id }),
  /** Less the amounts printed as taken off, the first is the second. */
  z.object({ kind: z.literal('deductions'), from: id, leaves: id }),
  z.object({ kind: z.literal('running'), table: id, opening: id, closing: id }),
  z.object({ kind: z.literal('lines_sum'), table: id, total: id }),
  /** A column whose numbers make up a whole, as shares do. */
  z.object({ kind: z.literal('column_sum'), table: id, column: z.string(), is: z.number() }),
])
export type Relation = z.infer<typeof relationSchema>

export const documentTypeSchema = z
  .object({
    formatVersion,
    id,
    title: z.string(),
    /** What the strip prints under its pages. */
    short: z.string(),
    pages: z.object({ min: z.number().int().min(1), max: z.number().int().min(1) }),
    /** Headings that name the paper. */
    titles: z.array(z.string()),
    /** Words that speak for the type wherever they stand, with how much. */
    signs: z.array(z.object({ words: z.string(), weight: z.number() })).default([]),
    /** Words that the last page alone carries. */
    lastSigns: z.array(z.string()).default([]),
    /** Carries a machine-readable zone (ICAO 9303). */
    zone: z.boolean().default(false),
    /** Labels that its papers carry besides those of its fields: no value of any field stands behind them. */
    others: z.array(z.string()).default([]),
    /** Words that mean one thing on its papers, so that a label with one of them is known by another. */
    synonyms: z.array(z.array(z.string()).min(2)).default([]),
    /** Running text to somebody, with a greeting and a close. */
    letter: z.boolean().default(false),
    fields: z.array(fieldSchema),
    signature: z
      .object({ labels: z.array(z.string()).min(1) })
      .nullable()
      .default(null),
    relations: z.array(relationSchema).default([]),
    /** Papers of this type that agree in `of` and differ in `date` are versions of one paper: the newest counts. */
    versions: z
      .object({ date: id, of: z.array(id).min(1) })
      .nullable()
      .default(null),
    /** The field that says whose paper it is. */
    person: id.nullable().default(null),
    /** The field whose value tells several of a kind apart in lists ("Payslip February 2026"). */
    tellsApart: id.nullable().default(null),
    threshold: z.number().min(0).max(1).default(0.85),
    /**
     * What its pages say, fitted on papers of many designers: a word, or a pair of words side by side, a line,
     * with its weight in thousandths. Left out for types that no such papers are at hand of.
     */
    pageWords: z.string().optional(),
  })
  .superRefine((type, context) => {
    const names = new Set(type.fields.map((f) => f.name))
    const used = [
      type.person,
      type.tellsApart,
      ...(type.versions ? [type.versions.date, ...type.versions.of] : []),
      ...type.relations.flatMap((r) =>
        Object.entries(r)
          .filter(([k]) => k !== 'kind' && k !== 'column')
          .flatMap(([, v]): unknown[] => (Array.isArray(v) ? v : [v])),
      ),
    ]
    for (const name of used)
      if (typeof name === 'string' && !names.has(name))
        context.addIssue({
          code: 'custom',
          message: `${type.id} names the field "${name}", which it does not have`,
        })
  })
export type DocumentType = z.infer<typeof documentTypeSchema>

/** `type.field` of a paper of the package. */
const reference = z.string().regex(/^[a-z][a-z0-9_]*\.[a-z][a-z0-9_]*$/)

export const conditionSchema = z.object({
  field: reference,
  is: z.union([z.string(), z.boolean()]).optional(),
  over: z.number().optional(),
  /** A table of more rows than this. */
  rowsOver: z.number().int().optional(),
})
export type Condition = z.infer<typeof conditionSchema>

/** One kind of paper that a requirement asks for, and what makes such a paper good. */
export const needSchema = z.object({
  type: id,
  /**
   * Whose papers count: the applicant's, one for each person, those of whom another paper names (a guarantor,
   * a firm), or anybody's of the household.
   */
  whose: z.enum(['applicant', 'each_person', 'named', 'anyone']).default('anyone'),
  /** The value that names them, where another paper does; where that says nobody, nothing is asked for. */
  namedBy: reference.optional(),
  /**
   * One for everybody listed in a table of another paper whose number in a column is at least so much;
   * `field` names the person here.
   */
  listed: z.object({ table: reference, name: id, column: id, atLeast: z.number(), field: id }).optional(),
  signed: z.boolean().default(false),
  /** A field that must be filled in (a form's date). */
  filled: z.array(id).default([]),
  /** The date may be at most so old. */
  fresh: z
    .object({
      field: id,
      days: z.number().int().positive().optional(),
      months: z.number().int().positive().optional(),
    })
    .optional(),
  /** In force on the as-of date. */
  from: id.optional(),
  until: id.optional(),
  /** One paper for each of so many months in a row; the month is that of this date. */
  months: z.object({ field: id, count: z.number().int().positive() }).optional(),
  /** One paper for each of the last so many calendar years before the as-of date. */
  years: z.object({ field: id, count: z.number().int().positive() }).optional(),
  /** Periods that together cover so many months without a gap. */
  covers: z.object({ from: id, to: id, months: z.number().int().positive() }).optional(),
  /** A value rule: this field is at least that value. */
  atLeast: z.object({ field: id, than: reference }).optional(),
})
export type Need = z.infer<typeof needSchema>

export const requirementSchema = z.object({
  id,
  title: z.string(),
  when: conditionSchema.optional(),
  /** Any one of the ways that the case allows is enough; else the first of them is the one asked for. */
  any: z.boolean().default(false),
  /** Ways to meet it, each for its own case. */
  ways: z.array(z.object({ when: conditionSchema.optional(), needs: z.array(needSchema).min(1) })).min(1),
})
export type Requirement = z.infer<typeof requirementSchema>

export const factSchema = z.object({
  id,
  title: z.string(),
  question: z.string(),
  kind: z.enum(['name', 'org', 'address', 'date', 'money', 'id', 'text']),
  fields: z.array(reference).min(1),
  /** Papers of these other persons are left out. */
  person: z.enum(['applicant']).optional(),
  /** Words before a name of a thing that do not count when two are compared, as "MV" before a ship's. */
  leaves: z.array(z.string().trim().min(1)).default([]),
})
export type Fact = z.infer<typeof factSchema>

export const checkSchema = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('difference'),
    id,
    title: z.string(),
    total: reference,
    minus: reference,
    equals: reference,
  }),
  z.object({
    kind: z.literal('near_mean'),
    id,
    title: z.string(),
    value: reference,
    mean: reference,
    percent: z.number(),
    divide: z.number().default(1),
  }),
  z.object({
    kind: z.literal('reaches_account'),
    id,
    title: z.string(),
    amount: reference,
    date: reference,
    days: z.number(),
    table: reference,
    from: reference,
    to: reference,
  }),
  z.object({
    kind: z.literal('running_balance'),
    id,
    title: z.string(),
    table: reference,
    opening: reference,
    closing: reference,
  }),
  /** Statements of one account, where `account` names the field that tells accounts apart. */
  z.object({
    kind: z.literal('joins_up'),
    id,
    title: z.string(),
    opening: reference,
    closing: reference,
    from: reference,
    to: reference,
    account: reference.optional(),
  }),
  z.object({
    kind: z.literal('lines_and_tax'),
    id,
    title: z.string(),
    table: reference,
    net: reference,
    tax: reference,
    total: reference,
  }),
  z.object({
    kind: z.literal('column_total'),
    id,
    title: z.string(),
    table: reference,
    column: id,
    is: z.number(),
  }),
  z.object({ kind: z.literal('at_least'), id, title: z.string(), value: reference, than: reference }),
  z.object({
    kind: z.literal('signed_within'),
    id,
    title: z.string(),
    field: id,
    opened: reference,
    daysBefore: z.number(),
  }),
])
export type Check = z.infer<typeof checkSchema>

/** What tells somebody more than a processor that a package needs their eye. */
export const limitSchema = z.object({
  id,
  title: z.string(),
  when: conditionSchema,
  tells: z.enum(['lead', 'administrator']).default('lead'),
})
export type Limit = z.infer<typeof limitSchema>

/** What counts only once a second person agreed. */
export const signOffSchema = z.object({
  waivers: z.boolean().default(false),
  differences: z.boolean().default(false),
  finish: z.boolean().default(false),
  /** Requests to applicants, before they are sent. */
  requests: z.boolean().default(false),
})

export const programSchema = z.object({
  formatVersion,
  id: z.string().regex(/^[a-z][a-z0-9-]*$/),
  title: z.string(),
  persons: z.object({ applicant: reference, coApplicant: reference.optional() }),
  requirements: z.array(requirementSchema),
  facts: z.array(factSchema),
  checks: z.array(checkSchema),
  limits: z.array(limitSchema).default([]),
  signOff: signOffSchema.prefault({}),
  /** How applicants are asked for what lacks. */
  requests: requestWordsSchema.prefault({}),
})
export type Program = z.infer<typeof programSchema>

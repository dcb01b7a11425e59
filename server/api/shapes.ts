import { z } from '@hono/zod-openapi'
import { statuses } from '../../core/check/index.ts'
import { exportFormats } from '../handover/export.ts'
import { identityVerdicts, requestStates, type packageStates } from '../database/schema.ts'

/*
 * What goes in and comes out of the API, as the description of it is made from.
 */

export const linksSchema = z.object({
  self: z.string(),
  /** Opens the package in the application. */
  open: z.string(),
  files: z.string(),
  report: z.string(),
  export: z.string(),
})

/** States that callers see: one that waits for its files is being read. */
export const shownStates = [
  'reading',
  'open',
  'review',
  'finished',
] as const satisfies readonly (typeof packageStates)[number][]

const stateSchema = z.enum(shownStates)

export const packageSchema = z
  .object({
    id: z.uuid(),
    caseNumber: z.string(),
    /** The caller's own number for it. */
    reference: z.string().nullable(),
    program: z.string(),
    state: stateSchema,
    pages: z.number().int(),
    pagesRead: z.number().int(),
    /** Pieces that a person is asked about. */
    looseCount: z.number().int(),
    openRequirements: z.number().int(),
    applicant: z.string().nullable(),
    createdAt: z.iso.datetime(),
    updatedAt: z.iso.datetime(),
    links: linksSchema,
  })
  .openapi('Package')

export const fileTakenSchema = z.object({
  name: z.string(),
  /** Why it was not taken; null where it was. */
  problem: z.string().nullable(),
})

export const takenSchema = z
  .object({
    id: z.uuid(),
    caseNumber: z.string(),
    reference: z.string().nullable(),
    state: stateSchema,
    files: z.array(fileTakenSchema),
    links: linksSchema,
  })
  .openapi('PackageTaken')

export const pageOfPackagesSchema = z
  .object({
    items: z.array(packageSchema),
    /** Where the next page begins; null on the last. */
    next: z.string().nullable(),
  })
  .openapi('Packages')

export const newPackageSchema = z.object({
  program: z.string({ error: 'is needed: the program that the package is judged by' }).min(1),
  asOf: z.iso.date({ error: 'is a day, YYYY-MM-DD' }).optional(),
  reference: z.string().trim().min(1).max(200).optional(),
})

/** Most packages of one page. */
export const MOST_LISTED = 200

export const listQuerySchema = z.object({
  state: stateSchema.optional(),
  updatedSince: z.iso.datetime({ offset: true }).optional(),
  cursor: z.string().max(200).optional(),
  limit: z.coerce.number().int().min(1).max(MOST_LISTED).default(50),
})

/** Most seconds that an answer is held back for. */
export const MOST_WAIT = 60

export const waitQuerySchema = z.object({
  wait: z.coerce.number().min(0).max(MOST_WAIT).optional(),
})

/** What a device, and whoever stands before it, is told of what was put in. */
export const arrivalSchema = z
  .object({
    id: z.uuid(),
    state: z.enum(['received', 'reading', 'done', 'failed']),
    /** The same in sentences, for a panel. */
    lines: z.array(z.string()),
    documents: z.array(
      z.object({
        type: z.string(),
        title: z.string(),
        pages: z.number().int(),
        /** False while a person is asked what it is. */
        sure: z.boolean(),
      }),
    ),
    required: z.array(z.object({ requirement: z.string(), title: z.string(), status: z.enum(statuses) })),
    /** What could not be used, was not expected, or exceeds a limit. */
    problems: z.array(z.string()),
    identity: z.array(
      z.object({
        page: z.number().int(),
        verdict: z.enum(identityVerdicts).nullable(),
        reasons: z.array(z.string()),
      }),
    ),
    package: z.uuid().nullable(),
    caseNumber: z.string().nullable(),
  })
  .openapi('Arrival')
export type ArrivalShape = z.infer<typeof arrivalSchema>

export const buttonsSchema = z
  .object({
    name: z.string(),
    buttons: z.array(z.object({ id: z.string(), title: z.string() })),
  })
  .openapi('Device')

export const exportQuerySchema = z.object({
  format: z.enum(exportFormats).default('zip'),
  /** Of a receiver; without it, everything goes as it lies in the package. */
  receiver: z.string().max(60).optional(),
})

/** What is asked of an applicant. */
export const askingSchema = z
  .object({
    /** False only drafts it. */
    send: z.boolean(),
    /** The address that it goes to; that of whoever sent the papers where it is left out. */
    to: z.email().optional(),
    /** Words before what is asked for. */
    text: z.string().trim().max(5000).optional(),
    /** Ids of what is asked for; all of it where they are left out. */
    items: z.array(z.string().max(300)).max(500).optional(),
  })
  .openapi('Asking')

export const requestSchema = z
  .object({
    id: z.uuid(),
    state: z.enum(requestStates),
    to: z.string(),
    items: z.array(z.object({ id: z.string(), title: z.string(), lines: z.array(z.string()) })),
    /** Where the applicant answers; null until it is sent. */
    link: z.url().nullable(),
    text: z.string(),
  })
  .openapi('Request')

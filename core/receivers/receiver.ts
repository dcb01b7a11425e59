import { z } from 'zod'
import { parsePattern, PatternProblem } from './pattern.ts'
import { xmlMappingSchema } from './xml-mapping.ts'

/** The form of a receiver's file. */
export const RECEIVER_FORM = 1

/** What a hand-over is made of. */
export const contents = ['documents', 'whole', 'report', 'csv', 'xlsx', 'xml', 'history'] as const
export type Content = (typeof contents)[number]

const id = z.string().regex(/^[a-z][a-z0-9_-]{0,59}$/, 'an id is small letters, digits, - and _')
const title = z.string().trim().min(1).max(120)

const patternSchema = z
  .string()
  .trim()
  .min(1, 'A name needs at least one variable.')
  .max(300)
  .superRefine((pattern, context) => {
    try {
      parsePattern(pattern)
    } catch (error) {
      if (!(error instanceof PatternProblem)) throw error
      context.addIssue({ code: 'custom', message: error.message })
    }
  })

/** Whom finished packages go to, and how they want them. */
export const receiverSchema = z.object({
  formatVersion: z.literal(RECEIVER_FORM).default(RECEIVER_FORM),
  id,
  title,
  /** Types in the order in which their papers go; those that are not named follow, as they lie in the package. */
  order: z.array(z.string().max(80)).max(500).default([]),
  /** Types whose papers do not go. */
  leaveOut: z.array(z.string().max(80)).max(500).default([]),
  /** Whether copies and older versions go, too. */
  papers: z.enum(['all', 'counting']).default('all'),
  /** What the receiver calls types, by id, and values, by `type.field`; the lender's words where nothing is said. */
  names: z
    .object({
      types: z.record(z.string().max(80), title).default({}),
      fields: z.record(z.string().max(170), title).default({}),
    })
    .prefault({}),
  /** How files and folders are called, without an ending. */
  pattern: patternSchema,
  /** Names in letters of ASCII alone. */
  plainLetters: z.boolean().default(false),
  contents: z.array(z.enum(contents)).min(1, 'Choose at least one thing that goes out.'),
  /** How it goes out as one file: a ZIP, or a bag for archives (RFC 8493). */
  envelope: z.enum(['zip', 'bag']).default('zip'),
  /** Which values go into which elements; null where no XML goes. */
  xml: xmlMappingSchema.nullable().default(null),
  /** The schema (XSD) that the XML must hold to. */
  xsd: z.string().max(500_000).nullable().default(null),
})
export type Receiver = z.infer<typeof receiverSchema>

/** Whoever asked for nothing else: every paper as it lies in the package, numbered, with report and history. */
export const usualReceiver: Receiver = receiverSchema.parse({
  id: 'usual',
  title: 'Everything, as it lies in the package',
  pattern: 'documents/{number}-{label}',
  plainLetters: true,
  contents: ['documents', 'report', 'history'],
})

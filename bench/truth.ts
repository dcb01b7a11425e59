import { z } from 'zod'
import { valueSchema } from '../core/answers/index.ts'

/** A corpus case as it lies on disk. */
export const caseSchema = z.object({
  program: z.string(),
  asOf: z.iso.date(),
  files: z.array(z.string()).min(1),
})

export const truthSchema = z.object({
  pages: z.array(
    z.object({
      document: z.number().int().nullable(),
      blank: z.boolean(),
      separator: z.boolean(),
      rotation: z.number(),
    }),
  ),
  documents: z.array(
    z.object({
      type: z.string(),
      pages: z.array(z.number().int()),
      signed: z.boolean().nullable(),
      fields: z.record(
        z.string(),
        z.object({
          value: valueSchema,
          page: z.number().int().nullish(),
          handwritten: z.boolean().optional(),
        }),
      ),
    }),
  ),
  checklist: z.record(z.string(), z.string()),
  conflicts: z.array(z.string()),
  failedChecks: z.array(z.string()),
  duplicates: z.array(z.tuple([z.number().int(), z.number().int()])).default([]),
})
export type Truth = z.infer<typeof truthSchema>

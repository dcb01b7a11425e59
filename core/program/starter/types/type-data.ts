import type { z } from 'zod'
import type { documentTypeSchema } from '../../schema.ts'

/** A document type as it is written down, before defaults are filled in. */
export type TypeData = z.input<typeof documentTypeSchema>

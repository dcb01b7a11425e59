import { z } from 'zod'
import { programSchema } from './schema.ts'

/** The JSON Schema (draft 2020-12) of a program's file, as it is written: what has a default may be left out. */
export const programJsonSchema = (): Record<string, unknown> => ({
  ...z.toJSONSchema(programSchema, { io: 'input' }),
  title: 'Jigsa program',
})

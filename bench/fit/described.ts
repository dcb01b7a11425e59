import { type DocumentType, documentTypeSchema } from '../../core/program/index.ts'
import type { Dice } from '../../demo/dice.ts'

/** Labels of each field where a type is described on a first day. */
const LABELS = 2

/** Types as somebody describes them on a first day: so many labels of each field, whichever, the likeliest first. */
export const described = (types: readonly DocumentType[], dice: Dice): DocumentType[] =>
  types.map((type) =>
    documentTypeSchema.parse({
      ...type,
      fields: type.fields.map((field) => {
        const chosen = new Set(dice.shuffle(field.labels).slice(0, LABELS))
        return { ...field, labels: field.labels.filter((label) => chosen.has(label)) }
      }),
    }),
  )

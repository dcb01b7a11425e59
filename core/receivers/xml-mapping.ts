import { z } from 'zod'
import type { Paper } from '../dossier/index.ts'
import type { DocumentType } from '../program/index.ts'

const NAME = /^[\p{L}_][\p{L}\d_.-]*$/u
const pathSchema = z
  .string()
  .trim()
  .max(300)
  .refine(
    (path) =>
      path
        .split('/')
        .every((name, i, all) => NAME.test(i === all.length - 1 ? name.replace(/^@/, '') : name)),
    'Elements are written like applicant/name, an attribute like loan/@currency.',
  )
const leafSchema = z.object({ path: pathSchema, from: z.string().trim().min(1).max(200) })
const repeatSchema = z.object({
  path: pathSchema,
  /** A type, for an element for each of its papers, or `type.table` for one for each row. */
  each: z.string().trim().min(1).max(200),
  elements: z.array(leafSchema).min(1).max(200),
})

/** Which values go into which elements, in the order of the elements. */
export const xmlMappingSchema = z.object({
  root: z.string().regex(NAME, 'The outermost element has a name.'),
  namespace: z.string().max(300).nullable().default(null),
  elements: z.array(z.union([repeatSchema, leafSchema])).max(500),
})
export type XmlMapping = z.infer<typeof xmlMappingSchema>

/** Elements for whoever gave no mapping: one for each paper, called by its type, with its values by their ids. */
export function usualXml(documents: readonly Paper[], types: readonly DocumentType[]): XmlMapping {
  const own = (['case', 'reference', 'applicant', 'program', 'as_of'] as const).map((from) => ({
    path: `@${from}`,
    from,
  }))
  const present = new Set(documents.map((d) => d.type))
  return {
    root: 'package',
    namespace: null,
    elements: [
      ...own,
      ...types
        .filter((type) => present.has(type.id))
        .flatMap((type) => [
          {
            path: type.id,
            each: type.id,
            elements: type.fields
              .filter((f) => f.kind !== 'table')
              .flatMap(({ name, kind }) => [
                { path: name, from: name },
                ...(kind === 'money' ? [{ path: `${name}/@currency`, from: `${name}:currency` }] : []),
              ]),
          },
          ...type.fields
            .filter((f) => f.kind === 'table')
            .map((table) => ({
              path: `${type.id}_${table.name}`,
              each: `${type.id}.${table.name}`,
              elements: table.columns.map(({ name }) => ({ path: name, from: name })),
            })),
        ])
        .filter(({ elements }) => elements.length > 0),
    ],
  }
}

import {
  type Column,
  type ColumnRole,
  type DocumentType,
  documentTypeSchema,
  type Field,
  idFrom,
  usualRoles,
  USUAL_COSTS,
} from '../../core/program/index.ts'

/** A type as it is before anything is said of it. */
export const EMPTY: DocumentType = documentTypeSchema.parse({
  id: 'new_type',
  title: '',
  short: '',
  pages: { min: 1, max: 4 },
  titles: [],
  fields: [],
})

/** What is written one a line, each once. */
export const linesOf = (text: string): string[] => [
  ...new Set(
    text
      .split('\n')
      .map((l) => l.trim())
      .filter(Boolean),
  ),
]

/** A percentage that was typed, as a share within bounds. */
export const shareOf = (typed: string, least: number, most: number): number =>
  Math.max(least, Math.min(most, Number(typed) || least)) / 100

/** The type with part of one field changed. */
export const withField = (type: DocumentType, at: number, part: Partial<Field>): DocumentType => ({
  ...type,
  fields: type.fields.map((f, i) => (i === at ? { ...f, ...part } : f)),
})

/** The type with one field moved by so many places. */
export function withMoved(type: DocumentType, at: number, by: number): DocumentType {
  const fields = [...type.fields]
  const [one] = fields.splice(at, 1)
  fields.splice(at + by, 0, one)
  return { ...type, fields }
}

const PLACEHOLDER = 'value_'

/** The type with one more field, last: empty, or as a sample says it. */
export function withNewField(
  type: DocumentType,
  said: Partial<Pick<Field, 'title' | 'kind' | 'labels'>> = {},
): DocumentType {
  let n = type.fields.length + 1
  while (type.fields.some((f) => f.name === `${PLACEHOLDER}${n}`)) n++
  const field: Field = {
    name: `${PLACEHOLDER}${n}`,
    title: '',
    kind: 'text',
    labels: [],
    sources: [],
    optional: false,
    choices: [],
    columns: [],
    never: [],
    common: false,
    belowZero: false,
    costs: USUAL_COSTS,
    ...said,
  }
  return { ...type, fields: [...type.fields, field] }
}

/**
 * The type with a value that a sample says: its wording leads to it, and the first name is taken for whose
 * paper it is until somebody says another.
 */
export function withSaid(
  type: DocumentType,
  { label, kind }: { label: string; kind: Field['kind'] },
): DocumentType {
  const more = withNewField(type, { title: label, kind, labels: [label.toLowerCase()] })
  return kind === 'name' && type.person === null ? { ...more, person: more.fields.at(-1)!.name } : more
}

/** The type with a table that a sample shows: a column for each of its heads, with what such columns usually mean. */
export function withTable(
  type: DocumentType,
  columns: readonly { head: string; kind: Column['kind'] }[],
): DocumentType {
  const more = withNewField(type, { title: 'Rows', kind: 'table' })
  const made = columns.map(({ head, kind }, i): Column => {
    const id = idFrom(head, 40)
    const twice = columns.findIndex((c) => idFrom(c.head, 40) === id) < i
    return { name: id && !twice ? id : `column_${i + 1}`, kind, labels: [head], optional: false }
  })
  return withField(more, more.fields.length - 1, { columns: withUsualRoles([], made) })
}

/** What a column may mean to arithmetic, by its kind. */
export const ROLES: Record<Column['kind'], readonly ColumnRole[]> = {
  date: ['date'],
  text: ['description'],
  money: ['amount', 'balance', 'unit_price'],
  number: ['quantity'],
  name: [],
  percent: [],
}

/**
 * Columns after somebody changed them: those whose meaning nobody chose, so that it is what such columns
 * usually mean, follow what they are called now. A meaning that somebody chose stays that column's alone, as
 * long as its kind can have it.
 */
export function withUsualRoles(before: readonly Column[], after: readonly Column[]): Column[] {
  const [were, are] = [usualRoles(before), usualRoles(after)]
  const isChosen = ({ kind, role }: Column, i: number): boolean =>
    i < before.length &&
    role !== (were[i] ?? undefined) &&
    (role === undefined ? kind === before[i].kind : ROLES[kind].includes(role))
  const taken = new Set(after.flatMap((c, i) => (isChosen(c, i) && c.role ? [c.role] : [])))
  return after.map((column, i) => {
    if (isChosen(column, i)) return column
    const usual = are[i]
    return { ...column, role: usual === null || taken.has(usual) ? undefined : usual }
  })
}

/** A new type and its fields with ids of their titles; a title that another field has keeps its placeholder. */
export function withIds(type: DocumentType): DocumentType {
  const names = new Map(
    type.fields.map((field) => {
      const id = idFrom(field.title)
      const taken = type.fields.some((other) => other !== field && other.name === id)
      return [field.name, field.name.startsWith(PLACEHOLDER) && id && !taken ? id : field.name]
    }),
  )
  const named = (name: string | null): string | null => (name === null ? null : (names.get(name) ?? name))
  return {
    ...type,
    id: idFrom(type.title),
    short: type.short || type.title,
    person: named(type.person),
    tellsApart: named(type.tellsApart),
    fields: type.fields.map((field) => ({ ...field, name: names.get(field.name)! })),
  }
}

/** The type without one field, and without what named it: sums it was part of hold of nothing any more. */
export function withoutField(type: DocumentType, at: number): DocumentType {
  const { name } = type.fields[at]
  const names = (part: object): boolean => Object.values(part).flat().includes(name)
  const kept = (said: string | null): string | null => (said === name ? null : said)
  return {
    ...type,
    person: kept(type.person),
    tellsApart: kept(type.tellsApart),
    relations: type.relations.filter((relation) => !names(relation)),
    versions: type.versions && !names(type.versions) ? type.versions : null,
    fields: type.fields.toSpliced(at, 1),
  }
}

/** Whether all that a type needs was said; one that is stored already had headings or words. */
export const isReady = (type: DocumentType, stored: boolean): boolean =>
  type.title.trim().length >= 2 &&
  (stored || type.titles.length > 0 || type.signs.length > 0) &&
  type.fields.every((f) => f.title.trim())

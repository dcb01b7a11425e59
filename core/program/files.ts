import { z } from 'zod'
import { LENDER_FORM, lenderSchema, type Lender } from '../locale/index.ts'
import { usualRoles } from './column-roles.ts'
import { REGISTER_FORM, registerSchema, type Register } from './register.ts'
import {
  columnRoles,
  documentTypeSchema,
  FORMAT_VERSION,
  programSchema,
  type Costs,
  type DocumentType,
  type Program,
} from './schema.ts'

/**
 * Files of document types and programs, as they are written to disk, exported and stored. A file says its
 * form in `formatVersion`; one that says none is of the first form, and is brought up to date when it is
 * loaded.
 */

/** What a file holds, and a line for each thing that its older form left to be assumed. */
export interface Loaded<T> {
  value: T
  assumed: string[]
}

/** A file that cannot be loaded, in one sentence. */
export class UnreadableFile extends Error {}

const versioned = z.looseObject({ formatVersion: z.number().int().positive().default(1) })

/** A document type from its file. @throws UnreadableFile */
export function loadType(file: unknown): Loaded<DocumentType> {
  const { raw, version } = formOf(file, 'document type')
  const assumed: string[] = []
  if (version < 2) assumeRoles(raw, assumed)
  if (version < 3) assumeSources(raw, assumed)
  if (version < 4) tellCosts(raw)
  const value = parsed(documentTypeSchema, { ...raw, formatVersion: FORMAT_VERSION }, 'document type')
  return { value, assumed }
}

/** All document types of a file with an array of them. @throws UnreadableFile */
export function loadTypes(file: unknown): Loaded<DocumentType[]> {
  if (!Array.isArray(file)) throw new UnreadableFile('a file of document types is an array of them')
  const loaded = file.map(loadType)
  const ids = loaded.map((l) => l.value.id)
  const twice = ids.find((id, i) => ids.indexOf(id) !== i)
  if (twice) throw new UnreadableFile(`the document type ${twice} is there twice`)
  return { value: loaded.map((l) => l.value), assumed: loaded.flatMap((l) => l.assumed) }
}

/** A lender from its file. @throws UnreadableFile */
export function loadLender(file: unknown): Loaded<Lender> {
  const { raw } = formOf(file, 'lender', LENDER_FORM)
  return { value: parsed(lenderSchema, { ...raw, formatVersion: LENDER_FORM }, 'lender'), assumed: [] }
}

/** The registers of a file with an array of them. @throws UnreadableFile */
export function loadRegisters(file: unknown): Loaded<Register[]> {
  if (!Array.isArray(file)) throw new UnreadableFile('a file of registers is an array of them')
  const value = file.map((one) => {
    const { raw } = formOf(one, 'register', REGISTER_FORM)
    return parsed(registerSchema, { ...raw, formatVersion: REGISTER_FORM }, 'register')
  })
  return { value, assumed: [] }
}

/** All that a lender sets up, as files that can be handed from one organisation to another. */
export interface LenderSet {
  lender: Lender
  types: readonly DocumentType[]
  programs: readonly Program[]
  registers: readonly Register[]
}

/** A lender's whole set-up from its files. @throws UnreadableFile */
export function loadLenderSet(files: Readonly<Record<keyof LenderSet, unknown>>): LenderSet {
  if (!Array.isArray(files.programs)) throw new UnreadableFile('a file of programs is an array of them')
  return {
    lender: loadLender(files.lender).value,
    types: loadTypes(files.types).value,
    programs: files.programs.map((file) => loadProgram(file).value),
    registers: loadRegisters(files.registers).value,
  }
}

/** A program from its file; its form is the same since the first. @throws UnreadableFile */
export function loadProgram(file: unknown): Loaded<Program> {
  const { raw } = formOf(file, 'program')
  return { value: parsed(programSchema, { ...raw, formatVersion: FORMAT_VERSION }, 'program'), assumed: [] }
}

/**
 * What a file holds besides its form, and its form. @param newest the newest form that is known
 * @throws UnreadableFile where it is of a newer one
 */
export function formOf(
  file: unknown,
  what: string,
  newest = FORMAT_VERSION,
): { raw: Record<string, unknown>; version: number } {
  const form = versioned.safeParse(file)
  if (!form.success) throw new UnreadableFile(`This is no ${what}.`)
  const { formatVersion, ...raw } = form.data
  if (formatVersion > newest)
    throw new UnreadableFile(
      `This ${what} is of form ${formatVersion}; this version of Jigsa knows forms up to ${newest}.`,
    )
  return { raw, version: formatVersion }
}

/** What was read, in the shape of a schema. @throws UnreadableFile with the place of the first fault */
export function parsed<T>(schema: z.ZodType<T>, raw: unknown, what: string): T {
  const result = schema.safeParse(raw)
  if (result.success) return result.data
  const [issue] = result.error.issues
  const at = issue.path.length > 0 ? `${issue.path.join('.')}: ` : ''
  throw new UnreadableFile(`This is no ${what}: ${at}${issue.message}`)
}

const oldColumn = z.looseObject({
  name: z.string(),
  kind: z.enum(['date', 'money', 'text', 'number', 'name', 'percent']),
  labels: z.array(z.string()).default([]),
  role: z.enum(columnRoles).optional(),
})
const oldTable = z.looseObject({
  name: z.string(),
  kind: z.literal('table'),
  columns: z.array(oldColumn).min(1),
})

const relationsOf = (type: Record<string, unknown>): Record<string, unknown>[] =>
  z
    .array(z.looseObject({ kind: z.string() }))
    .catch([])
    .parse(type.relations)

/**
 * In the first form columns had no roles. They get what their kinds and heads say; where the type says that a
 * table leads from one balance to another, its second amount is the balance.
 */
function assumeRoles(type: Record<string, unknown>, assumed: string[]): void {
  if (!Array.isArray(type.fields)) return
  type.fields = type.fields.map((field: unknown) => {
    const table = oldTable.safeParse(field)
    if (!table.success || table.data.columns.some((c) => c.role)) return field
    const { columns, ...rest } = table.data
    const roles = usualRoles(columns)
    const running = relationsOf(type).some((r) => r.kind === 'running' && r.table === rest.name)
    const money = columns.flatMap((c, i) => (c.kind === 'money' ? [i] : []))
    if (running && money.length > 1 && !roles.includes('balance'))
      for (const [role, at] of [
        ['amount', money[0]],
        ['balance', money[1]],
      ] as const)
        roles[at] = role
    const told = columns.flatMap(({ name }, i) =>
      roles[i] ? [`${name} as its ${roles[i].replace('_', ' ')}`] : [],
    )
    if (told.length > 0) assumed.push(`${String(type.id)}.${rest.name}: took ${told.join(', ')}`)
    return { ...rest, columns: columns.map((c, i) => ({ ...c, role: roles[i] ?? undefined })) }
  })
}

const oldField = z.looseObject({ name: z.string(), sources: z.array(z.string()).default([]) })

/** Names that the machine-readable zone gave its parts by, in the first two forms. */
const ZONE_FIELDS: Readonly<Record<string, string>> = {
  full_name: 'zone_name',
  document_number: 'zone_number',
  date_of_birth: 'zone_birth',
  expiry_date: 'zone_expiry',
  nationality: 'zone_nationality',
}
const BEGINS = /(?:_start|_from|_begins?|_beginning|_since|effective|_effective)$|^(?:from|start)(?:_|$)/

/**
 * In the first two forms a field took an end of a stretch of days, or a part of the machine-readable zone, by
 * its name. Now its source says which.
 */
function assumeSources(type: Record<string, unknown>, assumed: string[]): void {
  if (!Array.isArray(type.fields)) return
  const firsts = new Set(relationsOf(type).flatMap((r) => (r.kind === 'not_after' ? [r.first] : [])))
  type.fields = type.fields.map((field: unknown) => {
    const old = oldField.safeParse(field)
    if (!old.success) return field
    const { name, sources } = old.data
    const renamed = sources.flatMap((source) => {
      if (source === 'period') return BEGINS.test(name) || firsts.has(name) ? 'period_start' : 'period_end'
      return source === 'zone' ? (ZONE_FIELDS[name] ?? []) : source
    })
    const told = renamed.filter((source) => !sources.includes(source))
    if (told.length > 0)
      assumed.push(`${String(type.id)}.${name}: took its source as ${told.join(', ').replaceAll('_', ' ')}`)
    return { ...old.data, sources: renamed }
  })
}

const fieldWithThreshold = z.looseObject({ threshold: z.number().min(0).max(1) })

/** Costs by which what is less sure than a threshold is asked about. */
const costsFor = (threshold: number): Costs =>
  threshold >= 1 ? { slip: 1, question: 0 } : { slip: Math.round(1000 / (1 - threshold)) / 1000, question: 1 }

/** In the first three forms a field said below which certainty it is asked about. Now what that follows from does. */
function tellCosts(type: Record<string, unknown>): void {
  if (!Array.isArray(type.fields)) return
  type.fields = type.fields.map((field: unknown) => {
    const old = fieldWithThreshold.safeParse(field)
    return old.success ? { ...old.data, costs: costsFor(old.data.threshold) } : field
  })
}

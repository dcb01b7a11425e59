import { z } from 'zod'
import { LENDER_FORM, lenderSchema, type Lender } from '../locale/index.ts'
import {
  documentTypeSchema,
  FORMAT_VERSION,
  programSchema,
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

const oldColumn = z.looseObject({ name: z.string(), kind: z.string(), role: z.string().optional() })
const oldTable = z.looseObject({
  name: z.string(),
  kind: z.literal('table'),
  columns: z.array(oldColumn).min(1),
})

/** Kinds of columns in the first form, and the roles that the reader took them for, in their order. */
const ROLES_OF_GOODS = ['unit_price', 'amount']
const ROLES_OF_BOOKINGS = ['amount', 'balance']

/**
 * In the first form columns had no roles: dated rows with two columns of money were bookings with a running
 * balance, rows with a number and two columns of money were goods with a unit price.
 */
function assumeRoles(type: Record<string, unknown>, assumed: string[]): void {
  if (!Array.isArray(type.fields)) return
  type.fields = type.fields.map((field: unknown) => {
    const table = oldTable.safeParse(field)
    if (!table.success || table.data.columns.some((c) => c.role)) return field
    const { columns, ...rest } = table.data
    const has = (kind: string) => columns.some((c) => c.kind === kind)
    const money = columns.filter((c) => c.kind === 'money')
    const roles = new Map<string, string>()
    const first = (kind: string, role: string) => {
      const column = columns.find((c) => c.kind === kind)
      if (column) roles.set(column.name, role)
    }
    first('date', 'date')
    first('text', 'description')
    if (money.length === 1) roles.set(money[0].name, 'amount')
    else if (money.length > 1 && (has('date') || has('number'))) {
      if (!has('date')) first('number', 'quantity')
      const [one, other] = has('date') ? ROLES_OF_BOOKINGS : ROLES_OF_GOODS
      roles.set(money[0].name, one).set(money[1].name, other)
    }
    const told = [...roles].map(([name, role]) => `${name} as its ${role.replace('_', ' ')}`).join(', ')
    if (told) assumed.push(`${String(type.id)}.${rest.name}: took ${told}`)
    return { ...rest, columns: columns.map((c) => ({ ...c, role: roles.get(c.name) })) }
  })
}

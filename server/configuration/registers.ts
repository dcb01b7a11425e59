import { Readable } from 'node:stream'
import { setImmediate } from 'node:timers/promises'
import { parse } from 'csv-parse'
import { and, asc, eq, sql } from 'drizzle-orm'
import { registered } from '../../core/dossier/index.ts'
import { localeOfLender } from '../../core/locale/index.ts'
import { type Fact, idFrom, type Register, registerSchema } from '../../core/program/index.ts'
import { fold, squeeze } from '../../core/text/index.ts'
import { lenderOf } from '../access/organisations.ts'
import type { Person } from '../access/person.ts'
import { note } from '../audit.ts'
import { database, type Work } from '../database/connection.ts'
import { registerRows, registers } from '../database/schema.ts'
import { settings } from '../settings.ts'
import { programsOf } from './programs.ts'

const MOST_ROWS = 200_000
/** Entries are written so many at a time: a statement has at most 65,535 parameters. */
const AT_ONCE = 1000

/** A register or its file cannot be taken; the message is for the person who brought it. */
export class UnusableRegister extends Error {}

/** Where a register is asked over the network; undefined where its entries were taken in. */
export const addressOf = (organisationId: string, register: string): string | undefined =>
  settings().REGISTERS_OUTSIDE[`${organisationId}/${register}`]

/** The registers of an organisation, in the order in which it described them. */
export async function registersOf(organisationId: string): Promise<Register[]> {
  const rows = await database()
    .select({ body: registers.body })
    .from(registers)
    .where(eq(registers.organisationId, organisationId))
    .orderBy(asc(registers.createdAt), asc(registers.id))
  return rows.map((row) => registerSchema.parse(row.body))
}

/** As `registersOf`, with how many entries each has and whether it is asked over the network. */
export async function countedRegisters(
  organisationId: string,
): Promise<{ register: Register; rows: number; outside: boolean }[]> {
  const counts = await database()
    .select({ register: registerRows.register, rows: sql<number>`count(*)::int` })
    .from(registerRows)
    .where(eq(registerRows.organisationId, organisationId))
    .groupBy(registerRows.register)
  return (await registersOf(organisationId)).map((register) => ({
    register,
    rows: counts.find((c) => c.register === register.id)?.rows ?? 0,
    outside: addressOf(organisationId, register.id) !== undefined,
  }))
}

/** What facts an organisation's programs speak of, each once: what a column of a register can say. */
export async function factsOf(organisationId: string): Promise<Pick<Fact, 'id' | 'title' | 'kind'>[]> {
  const all = (await programsOf(database(), organisationId)).flatMap(({ body }) => body.facts)
  return [...new Map(all.map(({ id, title, kind }) => [id, { id, title, kind }])).values()]
}

/** The first entries of a register, to show what its columns look like. */
export async function firstEntries(
  organisationId: string,
  register: string,
  most = 3,
): Promise<Record<string, string>[]> {
  const rows = await database()
    .select({ body: registerRows.body })
    .from(registerRows)
    .where(and(eq(registerRows.organisationId, organisationId), eq(registerRows.register, register)))
    .orderBy(asc(registerRows.id))
    .limit(most)
  return rows.map((row) => row.body)
}

/** A file of 60 MB is read in pieces: read at once, nobody else is answered for seconds. */
const PIECE = 64 * 1024
async function* piecesOf(text: string): AsyncGenerator<string> {
  for (let from = 0; from < text.length; from += PIECE) {
    yield text.slice(from, from + PIECE)
    await setImmediate()
  }
}

/**
 * Columns and entries of a CSV file with a head; columns are named as `registerSchema` has them.
 * @throws UnusableRegister
 */
export async function readCsv(csv: string): Promise<{ head: string[]; rows: Record<string, string>[] }> {
  const lines: string[][] = []
  const parser = Readable.from(piecesOf(csv)).pipe(
    parse({
      skip_empty_lines: true,
      trim: true,
      bom: true,
      delimiter: [',', ';', '\t'],
      relax_column_count: false,
    }),
  )
  try {
    for await (const line of parser) {
      if (lines.length > MOST_ROWS)
        throw new UnusableRegister(
          `The file has more than ${MOST_ROWS} entries, which is all that are taken.`,
        )
      lines.push(line as string[])
    }
  } catch (error) {
    if (error instanceof UnusableRegister) throw error
    throw new UnusableRegister(
      `This is no table of columns that can be read: ${error instanceof Error ? error.message : 'unknown fault'}.`,
    )
  }
  const [first, ...entries] = lines
  if (entries.length === 0) throw new UnusableRegister('The file has no entries.')
  const head = first.reduce<string[]>((names, cell, i) => {
    const name = idFrom(cell) || `column_${i + 1}`
    return [...names, names.includes(name) ? `${name}_${i + 1}` : name]
  }, [])
  return { head, rows: entries.map((cells) => Object.fromEntries(head.map((name, i) => [name, cells[i]]))) }
}

/**
 * The entries of a file for a register.
 * @throws UnusableRegister where a column that entries are found by is not there: none would ever be found
 */
async function entriesFor(register: Register, csv: string): Promise<Record<string, string>[]> {
  const { head, rows } = await readCsv(csv)
  for (const by of [register.number, register.name])
    if (by !== null && !head.includes(by))
      throw new UnusableRegister(`A column “${by}” is needed; the columns are ${head.join(', ')}.`)
  return rows
}

/**
 * Takes entries in, in place of what was there.
 * @returns how many were taken, and of how many a day or amount cannot be read: those cells say nothing
 * @throws UnusableRegister
 */
export async function loadRegister(
  who: Person,
  id: string,
  csv: string,
): Promise<{ entries: number; unread: number }> {
  const register = (await registersOf(who.organisationId)).find((r) => r.id === id)
  if (!register) throw new UnusableRegister('There is no such register any more.')
  const rows = await entriesFor(register, csv)
  await database().transaction(async (work) => {
    await putEntries(work, who.organisationId, register, rows)
    await note(work, who, who, 'took a register in', `${register.title}, ${rows.length} entries`)
  })
  return { entries: rows.length, unread: await unreadIn(who.organisationId, register, rows) }
}

/** In how many entries a column that says a day or an amount says something else. */
async function unreadIn(
  organisationId: string,
  register: Register,
  rows: readonly Record<string, string>[],
): Promise<number> {
  const facts = await factsOf(organisationId)
  const locale = localeOfLender(await lenderOf(database(), organisationId))
  const said = register.columns.flatMap(({ name, fact }) => {
    const found = facts.find((f) => f.id === fact)
    return found ? [{ name, found }] : []
  })
  return rows.filter((row) =>
    said.some(({ name, found }) => row[name] && registered(found, row[name], locale) === null),
  ).length
}

async function putEntries(
  work: Work,
  organisationId: string,
  register: Register,
  rows: readonly Record<string, string>[],
): Promise<void> {
  await work
    .delete(registerRows)
    .where(and(eq(registerRows.organisationId, organisationId), eq(registerRows.register, register.id)))
  for (let i = 0; i < rows.length; i += AT_ONCE)
    await work.insert(registerRows).values(
      rows.slice(i, i + AT_ONCE).map((body) => ({
        organisationId,
        register: register.id,
        key: (register.number && squeeze(body[register.number] ?? '')) || null,
        name: register.name ? fold(body[register.name] ?? '') : '',
        body,
      })),
    )
}

/**
 * Describes a register, new or anew. Its entries stay, and are found by what is said now.
 * @param csv entries in place of those that are there
 * @throws UnusableRegister
 */
export async function saveRegister(
  who: Person,
  register: Register,
  csv: string | null,
): Promise<{ entries: number; unread: number } | null> {
  const rows = csv === null ? null : await entriesFor(register, csv)
  await database().transaction(async (work) => {
    const own = and(
      eq(registerRows.organisationId, who.organisationId),
      eq(registerRows.register, register.id),
    )
    await work
      .insert(registers)
      .values({ organisationId: who.organisationId, id: register.id, body: register })
      .onConflictDoUpdate({ target: [registers.organisationId, registers.id], set: { body: register } })
    const kept =
      rows ??
      (
        await work
          .select({ body: registerRows.body })
          .from(registerRows)
          .where(own)
          .orderBy(asc(registerRows.id))
      ).map((row) => row.body)
    await putEntries(work, who.organisationId, register, kept)
    await note(work, who, who, 'described a register', `${register.title}, ${kept.length} entries`)
  })
  return rows ? { entries: rows.length, unread: await unreadIn(who.organisationId, register, rows) } : null
}

/** Takes a register away with its entries. @returns false where there is none */
export function removeRegister(who: Person, id: string): Promise<boolean> {
  return database().transaction(async (work) => {
    const own = and(eq(registers.organisationId, who.organisationId), eq(registers.id, id))
    const [gone] = await work.delete(registers).where(own).returning({ body: registers.body })
    if (!gone) return false
    await work
      .delete(registerRows)
      .where(and(eq(registerRows.organisationId, who.organisationId), eq(registerRows.register, id)))
    await note(work, who, who, 'took a register away', gone.body.title)
    return true
  })
}

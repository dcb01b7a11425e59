import { parse } from 'csv-parse/sync'
import { and, eq, sql } from 'drizzle-orm'
import { z } from 'zod'
import {
  type RegisterEntry,
  type RegisterKind,
  registerKinds,
  REGISTERS,
  type RegisterSide,
  registerSides,
  soughtIn,
} from '../core/dossier/index.ts'
import type { Assessment } from '../core/pipeline/index.ts'
import { fold, squeeze } from '../core/text/index.ts'
import type { Program } from '../core/program/index.ts'
import type { Person } from './access/people.ts'
import { note } from './audit.ts'
import { database } from './database/connection.ts'
import { registerRows } from './database/schema.ts'
import { log } from './log.ts'
import { settings } from './settings.ts'

/** Names less alike than this are other names. */
const ALIKE = 0.45
const MOST_ROWS = 200_000
/** A register outside that does not answer in this time is left out, and the log says so. */
const PATIENCE_MS = 3000

/** A register's file cannot be taken; the message is for the person who brought it. */
export class UnusableRegister extends Error {}

/** How many entries each register of an organisation has. */
export async function registersOf(
  who: Person,
): Promise<{ kind: RegisterKind; title: string; columns: string[]; rows: number; outside: boolean }[]> {
  const counts = await database()
    .select({ kind: registerRows.kind, rows: sql<number>`count(*)::int` })
    .from(registerRows)
    .where(eq(registerRows.organisationId, who.organisationId))
    .groupBy(registerRows.kind)
  return registerKinds.map((kind) => ({
    kind,
    title: REGISTERS[kind].title,
    columns: Object.keys(REGISTERS[kind].columns),
    rows: counts.find((c) => c.kind === kind)?.rows ?? 0,
    outside: kind === 'vessels' && settings().VESSEL_REGISTER !== undefined,
  }))
}

/**
 * Takes a register in from CSV with a head, in place of what was there.
 * @throws UnusableRegister
 */
export async function loadRegister(who: Person, kind: RegisterKind, csv: string): Promise<number> {
  let rows: Record<string, string>[]
  try {
    rows = parse(csv, {
      columns: (head: string[]) => head.map((h) => h.trim().toLowerCase().replaceAll(' ', '_')),
      skip_empty_lines: true,
      trim: true,
      bom: true,
      delimiter: [',', ';', '\t'],
    })
  } catch (error) {
    throw new UnusableRegister(
      `This is no table of columns that can be read: ${error instanceof Error ? error.message : 'unknown fault'}.`,
    )
  }
  if (rows.length === 0) throw new UnusableRegister('The file has no entries.')
  if (rows.length > MOST_ROWS)
    throw new UnusableRegister(`The file has ${rows.length} entries; at most ${MOST_ROWS} are taken.`)
  if (!('name' in rows[0]))
    throw new UnusableRegister(
      `A column “name” is needed; the columns are ${Object.keys(rows[0]).join(', ')}.`,
    )
  const column = Object.entries(REGISTERS[kind].columns).find(([, fact]) => fact === REGISTERS[kind].key)?.[0]
  const values = rows.map((body) => ({
    organisationId: who.organisationId,
    kind,
    key: column && body[column] ? squeeze(body[column]) : null,
    name: fold(body.name ?? ''),
    body,
  }))
  await database().transaction(async (work) => {
    await work
      .delete(registerRows)
      .where(and(eq(registerRows.organisationId, who.organisationId), eq(registerRows.kind, kind)))
    for (let i = 0; i < values.length; i += 1000)
      await work.insert(registerRows).values(values.slice(i, i + 1000))
    await note(work, who, null, 'took a register in', `${REGISTERS[kind].title}, ${values.length} entries`)
  })
  return values.length
}

/** The best entry of a register for a number or a name; by likeness of trigrams where the number finds none. */
export async function lookUp(
  organisationId: string,
  kind: RegisterKind,
  sought: { key: string | null; name: string | null },
): Promise<RegisterEntry | null> {
  const outside = kind === 'vessels' ? settings().VESSEL_REGISTER : undefined
  if (outside) return askOutside(outside, kind, sought)
  const own = and(eq(registerRows.organisationId, organisationId), eq(registerRows.kind, kind))
  if (sought.key) {
    const [row] = await database()
      .select({ body: registerRows.body })
      .from(registerRows)
      .where(and(own, eq(registerRows.key, squeeze(sought.key))))
      .limit(1)
    if (row) return { kind, row: row.body, by: 'number', score: 1 }
  }
  if (!sought.name) return null
  const name = fold(sought.name)
  const likeness = sql<number>`similarity(${registerRows.name}, ${name})`
  const [row] = await database()
    .select({ body: registerRows.body, score: likeness })
    .from(registerRows)
    .where(and(own, sql`${registerRows.name} % ${name}`))
    .orderBy(sql`${likeness} desc`)
    .limit(1)
  return row && row.score >= ALIKE ? { kind, row: row.body, by: 'name', score: row.score } : null
}

/** A register outside that did not answer is left alone for so long: whoever asks next must not wait for it again. */
const REST_MS = 30_000
let awayUntil = 0

/** Whether a register outside is away just now, so that a screen can say so. */
export const isAway = (): boolean => Date.now() < awayUntil

const outsideSchema = z.object({
  entries: z.array(
    z.object({
      row: z.record(z.string(), z.string()),
      by: z.enum(['number', 'name']),
      score: z.number().min(0).max(1),
    }),
  ),
})

/** Asks a register over HTTP. One that is away costs nobody their screen. */
async function askOutside(
  address: string,
  kind: RegisterKind,
  sought: { key: string | null; name: string | null },
): Promise<RegisterEntry | null> {
  if (isAway()) return null
  try {
    const url = new URL(address)
    if (sought.key) url.searchParams.set('number', sought.key)
    if (sought.name) url.searchParams.set('name', sought.name)
    const answer = await fetch(url, { signal: AbortSignal.timeout(PATIENCE_MS) })
    if (!answer.ok) throw new Error(`it answered with ${answer.status}`)
    const [entry] = outsideSchema.parse(await answer.json()).entries
    return entry ? { kind, ...entry } : null
  } catch (error) {
    awayUntil = Date.now() + REST_MS
    log.warn({ register: kind, error: String(error) }, 'a register could not be asked')
    return null
  }
}

/** What the registers say of the facts of a package. */
export async function registerSidesOf(
  who: Person,
  assessment: Assessment,
  program: Program,
): Promise<Map<string, RegisterSide>> {
  const entries = await Promise.all(
    registerKinds.map(async (kind) => {
      const sought = soughtIn(kind, assessment.facts)
      return sought ? lookUp(who.organisationId, kind, sought) : null
    }),
  )
  return registerSides(
    entries.filter((e) => e !== null),
    assessment.facts,
    program,
  )
}

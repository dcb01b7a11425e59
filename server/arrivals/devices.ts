import { randomUUID } from 'node:crypto'
import { and, eq } from 'drizzle-orm'
import { z } from 'zod'
import { isCurrency } from '../../core/locale/index.ts'
import { addIntegration } from '../access/integrations.ts'
import type { Person } from '../access/person.ts'
import { note } from '../audit.ts'
import { programsOf } from '../configuration/programs.ts'
import { typesOf } from '../configuration/types.ts'
import { database } from '../database/connection.ts'
import { arrivals, packages, sources, type DeviceButton } from '../database/schema.ts'
import type { Kept } from '../packages/intake.ts'
import { allows } from '../packages/states.ts'
import type { Source } from './sources.ts'
import { noteArrival, place, type Row } from './take.ts'

/** An amount as people write it, with a point. */
const amount = z
  .string()
  .trim()
  .regex(/^\d{1,12}(?:\.\d{1,3})?$/, 'A limit is an amount, such as 700.00.')

export const buttonSchema = z.object({
  id: z.string().min(1).max(60),
  title: z.string().trim().min(1, 'Say what each button is called.').max(60),
  program: z.string().min(1, 'Say by which program each button’s papers are judged.'),
  type: z.string().nullable(),
  limits: z
    .array(
      z.object({
        title: z.string().trim().min(1, 'Say what each limit is called.').max(80),
        field: z.string().regex(/^[^.]+\.[^.]+$/, 'Say which value each limit is on.'),
        most: z.object({ amount, currency: z.string().refine(isCurrency, 'A limit is in a currency.') }),
      }),
    )
    .max(10),
  identityCheck: z.boolean(),
}) satisfies z.ZodType<DeviceButton>

export const deviceSchema = z.object({
  name: z.string().trim().min(1, 'Give the device a name.').max(80),
  paused: z.boolean(),
  buttons: z.array(buttonSchema).min(1, 'A device has at least one button.').max(12),
})
export type DeviceSetUp = z.infer<typeof deviceSchema>

/** Why buttons cannot be as they are set up, in a sentence; null where they can. */
async function faultIn(organisationId: string, buttons: readonly DeviceButton[]): Promise<string | null> {
  const programs = (await programsOf(database(), organisationId)).map((p) => p.body.id)
  const types = await typesOf(database(), organisationId)
  for (const { title, program, type, limits } of buttons) {
    if (!programs.includes(program)) return `There is no such program as “${title}” says.`
    if (type !== null && !types.some((t) => t.id === type)) return `There is no such type as “${title}” says.`
    for (const limit of limits) {
      const [of, field] = limit.field.split('.')
      const kind = types.find((t) => t.id === of)?.fields.find((f) => f.name === field)?.kind
      if (kind !== 'money') return `The limit “${limit.title}” is on no amount.`
    }
  }
  return null
}

/** A device that hands papers in by itself, of somebody's organisation; null where there is none. */
export async function deviceOf(who: Pick<Person, 'organisationId'>, id: string): Promise<Source | null> {
  const [found] = await database()
    .select()
    .from(sources)
    .where(
      and(eq(sources.id, id), eq(sources.organisationId, who.organisationId), eq(sources.kind, 'device')),
    )
  return found ?? null
}

/** Makes a device. @returns its id and its key, which is shown once; or why it cannot be */
export async function addDevice(
  who: Person | null,
  organisationId: string,
  { name, paused, buttons }: DeviceSetUp,
): Promise<{ id: string; key: string } | { problem: string }> {
  const problem = await faultIn(organisationId, buttons)
  if (problem) return { problem }
  const [made] = await database()
    .insert(sources)
    .values({
      organisationId,
      kind: 'device',
      address: randomUUID(),
      name,
      paused,
      buttons,
      program: buttons[0].program,
    })
    .returning({ id: sources.id })
  return { id: made.id, key: await newKey(who, organisationId, { id: made.id, name }) }
}

/** Gives a device a new key; the one before is good for nothing from now on. */
export const newKey = (
  who: Person | null,
  organisationId: string,
  { id, name }: Pick<Source, 'id' | 'name'>,
): Promise<string> =>
  addIntegration(who, organisationId, { name, scopes: ['arrive'], expiresAt: null, sourceId: id })

/** Stores how a device is set up. @returns why it cannot be; null where it is */
export async function setDevice(
  who: Person,
  id: string,
  { name, paused, buttons }: DeviceSetUp,
): Promise<string | null> {
  const problem = await faultIn(who.organisationId, buttons)
  if (problem) return problem
  return database().transaction(async (work) => {
    const [changed] = await work
      .update(sources)
      .set({ name, paused, buttons, program: buttons[0].program })
      .where(
        and(eq(sources.id, id), eq(sources.organisationId, who.organisationId), eq(sources.kind, 'device')),
      )
      .returning({ id: sources.id })
    if (!changed) return 'There is no such device any more.'
    await note(work, who, who, 'changed a source', `${name}: ${buttons.map((b) => b.title).join(', ')}`)
    return null
  })
}

/** Whether there is a case of a number that takes papers. */
async function takesPapers(organisationId: string, caseNumber: string): Promise<boolean> {
  const [found] = await database()
    .select({ state: packages.state })
    .from(packages)
    .where(and(eq(packages.organisationId, organisationId), eq(packages.caseNumber, caseNumber)))
  return found !== undefined && allows(found.state, 'bring files')
}

/** Takes what was put into a device. @returns the arrival's id, or what is wrong with what was chosen */
export async function takeFromDevice(
  device: Source,
  { button, caseNumber, kept }: { button: DeviceButton; caseNumber: string | null; kept: readonly Kept[] },
): Promise<{ id: string } | { problem: string }> {
  if (caseNumber !== null && !(await takesPapers(device.organisationId, caseNumber)))
    return { problem: `There is no case ${caseNumber} that takes papers.` }
  return database().transaction(async (work) => {
    const made = await noteArrival(work, device, {
      // Each time somebody presses it is another time; the same papers are noticed by what they are.
      identity: randomUUID(),
      button: button.id,
      name: caseNumber === null ? button.title : `${button.title}, ${caseNumber}`,
      files: kept,
    })
    await place(work, { ...device, program: button.program }, made!, { who: null, letter: null })
    return { id: made!.id }
  })
}

/** What was put into a device, where that device asks. */
export async function arrivalAt(deviceId: string, id: string): Promise<Row | null> {
  const [row] = await database()
    .select()
    .from(arrivals)
    .where(and(eq(arrivals.id, id), eq(arrivals.sourceId, deviceId)))
  return row ?? null
}

import { and, eq, getTableColumns, inArray } from 'drizzle-orm'
import pLimit, { type LimitFunction } from 'p-limit'
import { database, type Work } from '../database/connection.ts'
import { packages, type PackageState } from '../database/schema.ts'

/** What somebody may not do to a package, in a sentence for them. */
export class Refused extends Error {}

interface Act {
  /** States in which it is done. */
  from: readonly PackageState[]
  /** States that it leads to; none where the state stays. */
  to: readonly PackageState[]
}

const WORKED_ON: readonly PackageState[] = ['empty', 'reading', 'open']

/**
 * All that is done to packages, the states in which it is done, and those that it leads to. A package that a second
 * person looks at takes their word alone, and a finished one nothing: what was signed is what goes out.
 */
const ACTS = {
  'bring files': { from: [...WORKED_ON, 'sample'], to: ['reading', 'sample'] },
  'take pages of another case': { from: WORKED_ON, to: ['reading'] },
  'be cut': { from: WORKED_ON, to: [] },
  'be judged': { from: [...WORKED_ON, 'review'], to: ['open'] },
  'be answered': { from: WORKED_ON, to: [] },
  'be agreed to': { from: [...WORKED_ON, 'review'], to: [] },
  'ask the applicant': { from: WORKED_ON, to: [] },
  'take another version of its program': { from: ['open'], to: [] },
  'be done': { from: ['open'], to: ['review', 'finished'] },
  'be signed off': { from: ['review'], to: ['finished'] },
  'be sent back': { from: ['review'], to: ['open'] },
  'be opened again': { from: ['finished'], to: ['open'] },
} as const satisfies Record<string, Act>

export type ActOn = keyof typeof ACTS

/** Whether something is done to a package in its state. */
export const allows = (state: PackageState, act: ActOn): boolean =>
  (ACTS[act].from as readonly PackageState[]).includes(state)

/** States in which something is done to packages. */
export const statesFor = (act: ActOn): PackageState[] => [...ACTS[act].from]

const CLOSED: Partial<Record<PackageState, string>> = {
  review: 'A second person looks at this package. Have it sent back to change it.',
  finished: 'This package is finished. Open it again to change it.',
}

/** Why something is not done to a package in its state. */
const refusal = (state: PackageState): string =>
  CLOSED[state] ?? 'This package has changed meanwhile; look again.'

/** The row of a package that nobody else changes until the work ends. */
export type Held = Omit<typeof packages.$inferSelect, 'assessment' | 'documents' | 'pieces'>

const { assessment: _verdict, documents: _short, pieces: _cut, ...HELD } = getTableColumns(packages)

/** Holds a package until the work ends. @returns null where there is none */
export async function hold(work: Work, packageId: string): Promise<Held | null> {
  const [row] = await work.select(HELD).from(packages).where(eq(packages.id, packageId)).for('update')
  return row ?? null
}

/** Holds a package for an act. @throws Refused where its state does not allow it */
export async function heldFor(work: Work, packageId: string, act: ActOn): Promise<Held> {
  const row = await hold(work, packageId)
  if (!row) throw new Refused('There is no such package.')
  if (!allows(row.state, act)) throw new Refused(refusal(row.state))
  return row
}

/** Brings a package that is held for an act to one of the states that the act leads to. */
export async function move<A extends ActOn>(
  work: Work,
  packageId: string,
  act: A,
  to: (typeof ACTS)[A]['to'][number],
  besides: Partial<typeof packages.$inferInsert> = {},
): Promise<void> {
  const moved = await work
    .update(packages)
    .set({ ...besides, state: to, updatedAt: new Date() })
    .where(and(eq(packages.id, packageId), inArray(packages.state, ACTS[act].from)))
    .returning({ id: packages.id })
  if (moved.length === 0) throw new Error(`package ${packageId} was not held for what is done to it: ${act}`)
}

const turns = new Map<string, LimitFunction>()

/**
 * Does something to a package in a transaction, one after the other within this process: many who wait for one package
 * hold one connection between them, and others have theirs.
 */
export async function inTurn<T>(packageId: string, act: (work: Work) => Promise<T>): Promise<T> {
  const turn = turns.get(packageId) ?? pLimit(1)
  turns.set(packageId, turn)
  try {
    return await turn(() => database().transaction(act))
  } finally {
    if (turn.activeCount + turn.pendingCount === 0) turns.delete(packageId)
  }
}

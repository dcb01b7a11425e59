import { createHash } from 'node:crypto'
import { and, asc, eq, gte, inArray } from 'drizzle-orm'
import type { Caller } from '../access/integrations.ts'
import { database, type Work } from '../database/connection.ts'
import { behind, cursorOf, inMilliseconds, placeOf, type Place } from '../database/cursor.ts'
import { answeredRequests, arrivals, packages, type PackageState } from '../database/schema.ts'
import { contentsOfArrival } from '../arrivals/take.ts'
import { fileContents, openPackage, type Brought, type Kept } from '../packages/intake.ts'
import { inTurn } from '../packages/states.ts'
import { settings } from '../settings.ts'
import { Problem } from './problems.ts'
import { type shownStates } from './shapes.ts'
import { waitFor } from './waiting.ts'

type Shown = (typeof shownStates)[number]

/** A package that waits for its files is being read; samples of types are no packages. */
const SHOWN: Record<PackageState, Shown | null> = {
  empty: 'reading',
  reading: 'reading',
  open: 'open',
  review: 'review',
  finished: 'finished',
  sample: null,
}
const statesShownAs = (shown: Shown | undefined): PackageState[] =>
  (Object.keys(SHOWN) as PackageState[]).filter((state) =>
    shown ? SHOWN[state] === shown : SHOWN[state] !== null,
  )

export function linksOf(id: string) {
  const { BASE_URL } = settings()
  const self = `${BASE_URL}/api/v1/packages/${id}`
  return {
    self,
    open: `${BASE_URL}/packages/${id}`,
    files: `${self}/files`,
    report: `${self}/report`,
    export: `${self}/export`,
  }
}

const COLUMNS = {
  id: packages.id,
  caseNumber: packages.caseNumber,
  reference: packages.reference,
  program: packages.program,
  state: packages.state,
  pages: packages.pageCount,
  pagesRead: packages.pagesRead,
  looseCount: packages.looseCount,
  openRequirements: packages.openRequirements,
  applicant: packages.applicant,
  createdAt: packages.createdAt,
  updatedAt: packages.updatedAt,
}
interface Row {
  id: string
  state: PackageState
  createdAt: Date
  updatedAt: Date
}
const shown = <R extends Row>({ state, createdAt, updatedAt, ...row }: R) => ({
  ...row,
  state: SHOWN[state] ?? 'reading',
  createdAt: createdAt.toISOString(),
  updatedAt: updatedAt.toISOString(),
  links: linksOf(row.id),
})

/** A package of the caller's organisation. @throws Problem 404, also for what another organisation owns */
export async function packageOf(caller: Caller, id: string) {
  const [row] = await database()
    .select(COLUMNS)
    .from(packages)
    .where(
      and(
        eq(packages.id, id),
        eq(packages.organisationId, caller.organisationId),
        inArray(packages.state, statesShownAs(undefined)),
      ),
    )
  if (!row) throw new Problem(404, 'There is no such package.')
  return shown(row)
}

/** As `packageOf`, once the package is no longer being read, or so many seconds later. */
export const packageRead = (caller: Caller, id: string, seconds: number, gone: AbortSignal) =>
  waitFor(
    {
      look: () => packageOf(caller, id),
      waits: ({ state }) => state === 'reading',
      concerns: ({ packageId }) => packageId === id,
    },
    seconds,
    gone,
  )

const CHANGED = { at: packages.updatedAt, id: packages.id }

function placeIn(cursor: string): Place {
  const place = placeOf(cursor)
  if (!place) throw new Problem(400, 'cursor: it is none of this list', 'cursor')
  return place
}

/** Packages by when they changed, the earliest first, so that whoever follows them misses none. */
export async function packagesOf(
  caller: Caller,
  asked: { state?: Shown; updatedSince?: string; cursor?: string; limit: number },
) {
  const rows = await database()
    .select(COLUMNS)
    .from(packages)
    .where(
      and(
        eq(packages.organisationId, caller.organisationId),
        inArray(packages.state, statesShownAs(asked.state)),
        asked.updatedSince ? gte(packages.updatedAt, new Date(asked.updatedSince)) : undefined,
        asked.cursor === undefined ? undefined : behind(placeIn(asked.cursor), CHANGED, 'earliest first'),
      ),
    )
    .orderBy(asc(inMilliseconds(CHANGED.at)), asc(CHANGED.id))
    .limit(asked.limit + 1)
  const items = rows.slice(0, asked.limit)
  return {
    items: items.map(shown),
    next:
      rows.length > asked.limit
        ? cursorOf({ at: items[items.length - 1].updatedAt, id: items[items.length - 1].id })
        : null,
  }
}

/** What a new package is asked for with. */
export interface Asked {
  program: string
  asOf?: string
  reference?: string
}

/**
 * Makes a package of files that were kept. Asked for again under the same name, it is the same package.
 * @param key the name that the caller gave the request
 * @throws Problem where the name was given to another request
 */
export function takePackage(
  caller: Caller,
  { program, asOf, reference }: Asked,
  kept: readonly Kept[],
  key: string | undefined,
): Promise<{ id: string; files: { name: string; problem: string | null }[] }> {
  const said = JSON.stringify([program, asOf ?? null, reference ?? null, kept.map((k) => [k.name, k.sha256])])
  const asked = createHash('sha256').update(said).digest('hex')
  return database().transaction(async (work) => {
    const known = key === undefined ? null : await answeredBefore(work, caller, key, asked)
    if (known) return { id: known, files: kept.map(({ name }) => ({ name, problem: null })) }
    const id = await openPackage(work, program, caller, { asOf, reference })
    if (key !== undefined)
      await work
        .update(answeredRequests)
        .set({ packageId: id })
        .where(and(eq(answeredRequests.integrationId, caller.integrationId), eq(answeredRequests.key, key)))
    await work.insert(arrivals).values({
      organisationId: caller.organisationId,
      integrationId: caller.integrationId,
      identity: id,
      packageId: id,
      outcome: 'taken',
      name: reference ?? kept[0].name,
      ...contentsOfArrival(kept),
    })
    return { id, files: await fileAll(work, id, kept, caller) }
  })
}

/** The package that was made for a request of this name. Two at once wait for one another here. */
async function answeredBefore(
  work: Work,
  caller: Caller,
  key: string,
  asked: string,
): Promise<string | null> {
  const made = await work
    .insert(answeredRequests)
    .values({ integrationId: caller.integrationId, key, asked })
    .onConflictDoNothing()
    .returning({ key: answeredRequests.key })
  if (made.length > 0) return null
  const [known] = await work
    .select()
    .from(answeredRequests)
    .where(and(eq(answeredRequests.integrationId, caller.integrationId), eq(answeredRequests.key, key)))
  if (known.asked !== asked || !known.packageId)
    throw new Problem(422, 'Another request came under this Idempotency-Key before.')
  return known.packageId
}

async function fileAll(
  work: Work,
  packageId: string,
  kept: readonly Kept[],
  caller: Caller,
): Promise<{ name: string; problem: string | null }[]> {
  const taken: { name: string; problem: string | null }[] = []
  for (const one of kept) {
    const { problem }: Brought = await fileContents(work, packageId, one, caller)
    taken.push({ name: one.name, problem })
  }
  return taken
}

/** Brings more files to a package. @throws Refused where it takes none now */
export const takeFiles = (caller: Caller, id: string, kept: readonly Kept[]) =>
  inTurn(id, (work) => fileAll(work, id, kept, caller))

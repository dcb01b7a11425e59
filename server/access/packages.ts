import { and, eq } from 'drizzle-orm'
import { data } from 'react-router'
import { z } from 'zod'
import { ASSESSMENT_FORM } from '../../core/pipeline/index.ts'
import { database } from '../database/connection.ts'
import { packages } from '../database/schema.ts'
import { judge } from '../packages/judge.ts'
import { verdictToday } from '../handover/finished.ts'
import { packageRow } from '../packages/queries.ts'
import { allows, inTurn } from '../packages/states.ts'
import { signedIn } from './people.ts'
import type { Person } from './person.ts'

/**
 * Who asks, and the package asked for. Others are sent to sign in; a package of another organisation is as
 * good as none.
 * @throws a 404 response
 */
export async function askedPackage(
  request: Request,
  id: string,
): Promise<{ who: Person; row: NonNullable<Awaited<ReturnType<typeof packageRow>>> }> {
  const who = await signedIn(request)
  const row = await packageRow(id, who)
  if (!row) throw data('There is no such package.', 404)
  if (!row.assessment || row.assessment.form === ASSESSMENT_FORM) return { who, row }
  // Judged before Jigsa last changed: screens know only the shape of today.
  if (!allows(row.state, 'be judged'))
    return { who, row: { ...row, assessment: await verdictToday(id, row.assessment) } }
  await inTurn(id, (work) => judge(work, id))
  return { who, row: (await packageRow(id, who)) ?? row }
}

/** As `askedPackage`, for requests by the hundred that need nothing of the package itself. */
export async function askedPages(request: Request, id: string): Promise<void> {
  const who = await signedIn(request)
  const [row] = z.uuid().safeParse(id).success
    ? await database()
        .select({ id: packages.id })
        .from(packages)
        .where(and(eq(packages.id, id), eq(packages.organisationId, who.organisationId)))
    : []
  if (!row) throw data('There is no such package.', 404)
}

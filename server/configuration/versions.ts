import { sql } from 'drizzle-orm'
import type { Work } from '../database/connection.ts'

/** The class of the advisory locks under which a type or a program gets its next version. */
const VERSION_LOCK = 7305

/** Somebody stored another version while this one was written from an older. */
export class Overtaken extends Error {
  constructor(readonly newest: number) {
    super(
      `Version ${newest} was stored while you wrote. Nothing of yours is stored yet: look at what changed, then store it again, over that.`,
    )
  }
}

/**
 * Lets one at a time store a version of a type or a program.
 * @param newest the version that is the newest, asked once nobody else stores one
 * @param basis the version that the next was written from; without it whatever is there is what it follows
 * @returns the number of the next version
 * @throws Overtaken
 */
export async function nextVersion(
  work: Work,
  of: string,
  newest: () => Promise<number>,
  basis?: number,
): Promise<number> {
  await work.execute(sql`select pg_advisory_xact_lock(${VERSION_LOCK}, hashtext(${of}))`)
  const now = await newest()
  if (basis !== undefined && basis !== now) throw new Overtaken(now)
  return now + 1
}

import { createHash } from 'node:crypto'
import { sql } from 'drizzle-orm'
import { database } from './database/connection.ts'

/** An act of the trail as its digest covers it. */
export interface TrailAct {
  id: number
  /** UTC, to the microsecond. */
  at: string
  userId: string | null
  userName: string
  packageId: string | null
  act: string
  /** As it is stored: words of a package are under its key. */
  detail: string
  organisationId: string | null
  /** 1 for acts from before organisations were written down. */
  form: number
}

/** What became of a look at the whole chain: how many acts it has and its last digest, or where it is broken. */
export type TrailState =
  { acts: number; head: string; broken: null } | { acts: number; head: string; broken: string }

const BATCH = 2000

type Row = Record<string, unknown> & {
  position: string
  digest: string
  audit_id: string
  id: string | null
  at: string
  user_id: string | null
  user_name: string
  package_id: string | null
  act: string
  detail: string
  organisation_id: string | null
  form: number
}

/**
 * The digest of an act over the one before: SHA-256 of that digest and the act as a JSON list, as the
 * database writes it.
 */
export function digestOf(before: string, act: TrailAct): string {
  const { id, at, userId, userName, packageId, organisationId, form, detail } = act
  const parts =
    form === 1
      ? [id, at, userId, userName, packageId, act.act, detail]
      : [form, id, at, userId, userName, organisationId, packageId, act.act, detail]
  return createHash('sha256')
    .update(`${before}[${parts.map((part) => JSON.stringify(part)).join(', ')}]`, 'utf8')
    .digest('hex')
}

/**
 * Walks the trail in the order in which its acts became final, with each act's digest. Digests are worked out
 * here and not by the database, whose functions somebody may have changed along with the acts.
 */
export async function* trail(): AsyncGenerator<{ position: number; digest: string; act: TrailAct | null }> {
  for (let from = 0; ;) {
    const { rows } = await database().execute<Row>(sql`
      select l.position, l.digest, l.audit_id, a.id,
        to_char(a.at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US') as at,
        a.user_id, a.user_name, a.package_id, a.act, a.detail, a.organisation_id, a.form
      from audit_link l left join audit a on a.id = l.audit_id where l.position > ${from} order by l.position limit ${BATCH}`)
    for (const r of rows)
      yield {
        position: Number(r.position),
        digest: r.digest,
        act:
          r.id === null
            ? null
            : {
                id: Number(r.id),
                at: r.at,
                userId: r.user_id,
                userName: r.user_name,
                packageId: r.package_id,
                act: r.act,
                detail: r.detail,
                organisationId: r.organisation_id,
                form: r.form,
              },
      }
    if (rows.length < BATCH) return
    from = Number(rows.at(-1)!.position)
  }
}

/**
 * Looks whether the trail is whole: every act that the chain names is there and as it was, none is between,
 * and none stands outside. Acts cut off at the end leave a shorter chain that is whole in itself: give a
 * digest noted earlier to find that.
 * @param noted a digest that the chain once ended with, and must still have
 * @param heads digests that were noted outside, each with how many acts the chain had then
 */
export async function verifyTrail(
  noted?: string,
  heads: readonly { acts: number; digest: string }[] = [],
): Promise<TrailState> {
  let before = ''
  let acts = 0
  let met = noted === undefined || noted === ''
  const outside = new Map(heads.map((head) => [head.acts, head.digest]))
  const broken = (what: string): TrailState => ({ acts, head: before, broken: what })
  for await (const { position, digest, act } of trail()) {
    if (position !== acts + 1) return broken(`Act ${acts + 1} of the chain is not there.`)
    if (!act) return broken(`The act at place ${position} was taken away.`)
    if (digestOf(before, act) !== digest)
      return broken(
        `The act at place ${position} is not as it was written: “${act.act}” by ${act.userName} at ${act.at}.`,
      )
    const head = outside.get(position)
    if (head !== undefined && head !== digest)
      return broken(`The chain was written anew: at act ${position} another digest was noted outside.`)
    before = digest
    acts = position
    met ||= digest === noted
  }
  const {
    rows: [apart],
  } = await database().execute<{ id: string; act: string }>(
    sql`select a.id, a.act from audit a where not exists (select 1 from audit_link l where l.audit_id = a.id) order by a.id limit 1`,
  )
  if (apart)
    return broken(
      `Act number ${apart.id} (“${apart.act}”) stands outside the chain: it was put in behind its back.`,
    )
  if (!met)
    return broken(
      'The chain does not have the digest that was noted: acts were cut off, or the chain was written anew.',
    )
  const furthest = Math.max(0, ...outside.keys())
  if (furthest > acts)
    return broken(`Acts were cut off: the chain had ${furthest} when it was noted outside.`)
  return { acts, head: before, broken: null }
}

/** The chain's last digest, to be noted outside the database. */
export async function trailHead(): Promise<{ acts: number; digest: string }> {
  const {
    rows: [last],
  } = await database().execute<{ position: string; digest: string }>(
    sql`select position, digest from audit_link order by position desc limit 1`,
  )
  return { acts: Number(last?.position ?? 0), digest: last?.digest ?? '' }
}

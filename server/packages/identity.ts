import { and, asc, eq, isNull } from 'drizzle-orm'
import { z } from 'zod'
import type { Document } from '../../core/findings/index.ts'
import { plain } from '../../core/model/index.ts'
import type { DocumentType } from '../../core/program/index.ts'
import type { IdentityResult } from '../../core/receipt/index.ts'
import type { Person } from '../access/person.ts'
import { note } from '../audit.ts'
import { typesOf } from '../configuration/types.ts'
import { database, type Work } from '../database/connection.ts'
import {
  arrivals,
  files,
  identityChecks,
  identityVerdicts,
  packages,
  pages,
  sources,
} from '../database/schema.ts'
import { tell } from '../events.ts'
import { queueJob, type Jobs } from '../jobs/queue.ts'
import { readers } from '../jobs/readers.ts'
import { settings } from '../settings.ts'
import { heldFor, Refused } from './states.ts'
import { postJson } from '../web/ask-outside.ts'

/** Milliseconds within which the service says something of a paper. */
const PATIENCE_MS = 20_000
/** Dots across of the picture that it is shown. */
const WIDTH = 1300

const answerSchema = z.object({
  verdict: z.enum(identityVerdicts),
  reasons: z.array(z.string().trim().min(1).max(300)).max(20).default([]),
})

/** What the service says of the identity papers of a package, by their first pages. */
export const identityOf = (work: Work, packageId: string): Promise<IdentityResult[]> =>
  work
    .select({
      page: identityChecks.page,
      verdict: identityChecks.verdict,
      reasons: identityChecks.reasons,
    })
    .from(identityChecks)
    .where(eq(identityChecks.packageId, packageId))
    .orderBy(asc(identityChecks.page))

/** Whether there is a service that looks at an organisation's identity papers. */
export const hasIdentityCheck = (organisationId: string): boolean =>
  settings().IDENTITY_CHECK[organisationId] !== undefined

const isIdentityPaper = (types: readonly DocumentType[], { type }: Pick<Document, 'type'>): boolean =>
  types.some((t) => t.id === type && t.zone)

/** Has the identity papers looked at that came by a button which asks for it, each once. */
export async function queueIdentityChecks(
  work: Work,
  { id: packageId, organisationId }: { id: string; organisationId: string },
  documents: readonly Document[],
): Promise<void> {
  if (!hasIdentityCheck(organisationId)) return
  const came = await work
    .select({ page: pages.number, button: arrivals.button, buttons: sources.buttons })
    .from(pages)
    .innerJoin(files, eq(files.id, pages.fileId))
    .innerJoin(arrivals, eq(arrivals.id, files.arrivalId))
    .innerJoin(sources, eq(sources.id, arrivals.sourceId))
    .where(eq(pages.packageId, packageId))
  const wanted = new Set(
    came
      .filter(({ button, buttons }) => buttons.some((b) => b.id === button && b.identityCheck))
      .map(({ page }) => page),
  )
  if (wanted.size === 0) return
  const types = await typesOf(work, organisationId)
  for (const { pages: of } of documents.filter((d) => isIdentityPaper(types, d) && wanted.has(d.pages[0])))
    await queueIdentityCheck(work, packageId, of[0])
}

/** Has an identity paper looked at because a person wants it, again where it was before. @throws Refused */
export async function askIdentity(who: Person, packageId: string, page: number): Promise<void> {
  if (!hasIdentityCheck(who.organisationId)) throw new Refused('No service looks at identity papers here.')
  await database().transaction(async (work) => {
    const row = await heldFor(work, packageId, 'be answered')
    const [{ documents }] = await work
      .select({ documents: packages.documents })
      .from(packages)
      .where(eq(packages.id, packageId))
    const types = await typesOf(work, row.organisationId)
    const document = documents?.find((d) => d.pages[0] === page)
    if (!document || !isIdentityPaper(types, document))
      throw new Refused('No identity paper begins on that page.')
    await work
      .delete(identityChecks)
      .where(and(eq(identityChecks.packageId, packageId), eq(identityChecks.page, page)))
    await queueIdentityCheck(work, packageId, page)
    await note(work, who, packageId, 'asked for an identity paper to be looked at', `page ${page}`)
    await tell(work, { packageId, what: 'judged' })
  })
}

async function queueIdentityCheck(work: Work, packageId: string, page: number): Promise<void> {
  const made = await work
    .insert(identityChecks)
    .values({ packageId, page })
    .onConflictDoNothing()
    .returning({ page: identityChecks.page })
  if (made.length > 0) await queueJob(work, 'check_identity', { packageId, page })
}

const own = ({ packageId, page }: Jobs['check_identity']) =>
  and(eq(identityChecks.packageId, packageId), eq(identityChecks.page, page), isNull(identityChecks.verdict))

/**
 * Shows an identity paper to the service: a POST of `{type, values, picture}`, the picture as WebP in base64;
 * `{verdict, reasons}` comes back.
 */
export async function checkIdentity(job: Jobs['check_identity']): Promise<void> {
  const { page } = job
  const [row] = await database()
    .select({
      organisationId: packages.organisationId,
      assessment: packages.assessment,
      sha256: files.sha256,
      filePage: pages.filePage,
      body: pages.body,
    })
    .from(identityChecks)
    .innerJoin(packages, eq(packages.id, identityChecks.packageId))
    .innerJoin(pages, and(eq(pages.packageId, packages.id), eq(pages.number, identityChecks.page)))
    .innerJoin(files, eq(files.id, pages.fileId))
    .where(own(job))
  if (!row?.sha256 || !row.body) return
  const address = settings().IDENTITY_CHECK[row.organisationId]
  if (!address)
    return settle(job, { verdict: 'cannot tell', reasons: ['No service looks at identity papers any more.'] })
  const document = row.assessment?.documents.find((d) => d.pages.includes(page))
  const picture = await readers().picture(row.sha256, row.filePage - 1, row.body.rotation, WIDTH)
  const said = answerSchema.parse(
    await postJson(
      address,
      {
        type: document?.type ?? null,
        values: Object.fromEntries((document?.fields ?? []).map((f) => [f.name, plain(f.value)])),
        picture: Buffer.from(picture).toString('base64'),
      },
      PATIENCE_MS,
    ),
  )
  await settle(job, said)
}

/** A service that does not answer cannot tell. */
export const giveUpIdentity = (job: Jobs['check_identity']): Promise<void> =>
  settle(job, { verdict: 'cannot tell', reasons: ['The service does not answer.'] })

async function settle(
  job: Jobs['check_identity'],
  { verdict, reasons }: z.infer<typeof answerSchema>,
): Promise<void> {
  await database().transaction(async (work) => {
    const set = await work
      .update(identityChecks)
      .set({ verdict, reasons, at: new Date() })
      .where(own(job))
      .returning({ page: identityChecks.page })
    if (set.length === 0) return
    await note(work, null, job.packageId, 'had an identity paper looked at', `page ${job.page}: ${verdict}`)
    await tell(work, { packageId: job.packageId, what: 'judged' })
  })
}

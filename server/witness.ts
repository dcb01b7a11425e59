import { appendFile, readFile } from 'node:fs/promises'
import { z } from 'zod'
import { jsonOf } from './json.ts'
import { codeOf, sameCode } from './keys.ts'
import { log } from './log.ts'
import { settings } from './settings.ts'
import { trailHead } from './trail.ts'

/**
 * What stands outside of the database, for the day on which it is not to be believed: heads of the trail with a code
 * that the database does not know, and which packages were erased, so that a backup that is put back does not bring
 * them back.
 */
const lineSchema = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('head'),
    at: z.string(),
    acts: z.number().int(),
    digest: z.string(),
    code: z.string(),
  }),
  z.object({ kind: z.literal('erased'), at: z.string(), packageId: z.uuid(), code: z.string() }),
])
export type WitnessLine = z.infer<typeof lineSchema>

const sealedHead = (acts: number, digest: string): Buffer =>
  codeOf('trail head', 'head', String(acts), digest)
const sealedErasure = (packageId: string): Buffer => codeOf('trail head', 'erased', packageId)

/** Notes a line in the file, and tells the address, that are set for it. What is not set is not told. */
async function tellOutside(line: WitnessLine): Promise<void> {
  const { TRAIL_WITNESS } = settings()
  const text = `${JSON.stringify(line)}\n`
  for (const place of TRAIL_WITNESS)
    if (/^https?:/.test(place)) {
      const answer = await fetch(place, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: text,
        redirect: 'error',
        signal: AbortSignal.timeout(10_000),
      })
      if (!answer.ok) throw new Error(`the witness at ${new URL(place).host} answered ${answer.status}`)
    } else await appendFile(place, text, { mode: 0o600 })
}

/** Notes the head of the trail outside. @throws Error where a place does not take it; the job is tried again then */
export async function noteHead(): Promise<void> {
  const { acts, digest } = await trailHead()
  if (acts === 0) return
  const code = sealedHead(acts, digest).toString('hex')
  await tellOutside({ kind: 'head', at: new Date().toISOString(), acts, digest, code })
}

/** Notes outside that a package was erased. Erasing does not wait for it: what is due by law is done. */
export async function noteErased(packageId: string): Promise<void> {
  const code = sealedErasure(packageId).toString('hex')
  await tellOutside({ kind: 'erased', at: new Date().toISOString(), packageId, code }).catch(
    (error: unknown) =>
      log.error({ packageId, error: String(error) }, 'an erasure could not be noted outside'),
  )
}

/** The lines of a witness file. @throws Error naming the line that is none, or was not written by this installation */
export async function readWitness(file: string): Promise<WitnessLine[]> {
  const lines = (await readFile(file, 'utf8')).split('\n').filter(Boolean)
  return lines.map((text, i) => {
    const line = lineSchema.safeParse(jsonOf(text))
    if (!line.success) throw new Error(`line ${i + 1} of ${file} is no line of a witness`)
    const { data } = line
    const code = data.kind === 'head' ? sealedHead(data.acts, data.digest) : sealedErasure(data.packageId)
    if (!sameCode(code, Buffer.from(data.code, 'hex')))
      throw new Error(`line ${i + 1} of ${file} was not written by this installation`)
    return data
  })
}

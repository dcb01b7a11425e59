import { z } from 'zod'
import { documentTypeSchema } from '../../../core/program/index.ts'
import { signedIn } from '../../../server/access/people.ts'
import { readSample, type SampleReading } from '../../../server/configuration/samples.ts'
import type { Route } from './+types/type-reading'

const bodySchema = z.object({
  packageId: z.uuid(),
  pages: z.array(z.number().int().positive()).max(500),
  type: documentTypeSchema,
})

/** What a type as it is being written reads from a sample; null while it cannot be read by it. */
export async function action({ request }: Route.ActionArgs): Promise<{ reading: SampleReading | null }> {
  const who = await signedIn(request)
  const body = bodySchema.safeParse(await request.json().catch(() => null))
  // Half a type is what somebody types just now, no fault: the last reading stays.
  if (!body.success) return { reading: null }
  const { packageId, pages, type } = body.data
  return { reading: await readSample(who, packageId, pages, type) }
}

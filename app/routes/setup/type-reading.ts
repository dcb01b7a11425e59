import { z } from 'zod'
import { documentTypeSchema } from '../../../core/program/index.ts'
import { signedIn } from '../../../server/access/people.ts'
import { patternsFault } from '../../../server/configuration/patterns.ts'
import { readSample, type SampleReading } from '../../../server/configuration/samples.ts'
import { jsonBody } from '../../../server/web/bodies.ts'
import { readingKey } from '../../document-type/reading-key.ts'
import type { Route } from './+types/type-reading'

const bodySchema = z.object({
  packageId: z.uuid(),
  pages: z.array(z.number().int().positive()).max(500),
  type: documentTypeSchema,
})

/** A reading with the sample and the pages it is of: it may arrive when another is looked at. */
export interface ReadingOf {
  of: string
  reading: SampleReading | null
}

/** What a type as it is being written reads from a sample; null while it cannot be read by it. */
export async function action({ request }: Route.ActionArgs): Promise<ReadingOf> {
  const who = await signedIn(request)
  const body = bodySchema.safeParse(await jsonBody(request))
  // Half a type is what somebody types just now, no fault: the last reading stays.
  if (!body.success || patternsFault(body.data.type)) return { of: '', reading: null }
  const { packageId, pages, type } = body.data
  return { of: readingKey(packageId, pages), reading: await readSample(who, packageId, pages, type) }
}

import { wellFormed } from '../../core/text/index.ts'
import { jsonOf } from '../json.ts'

/*
 * Bodies of requests, before their schemas look at them. Words come such as any store takes: a NUL or half a pair of
 * surrogates would be a database's error far from whoever typed it.
 */

/** The body of a request as JSON; null where it is none. */
export const jsonBody = async (request: Request): Promise<unknown> =>
  jsonOf(await request.text().catch(() => ''))

/** The fields of a form; files are none. */
export async function formBody(request: Request): Promise<Record<string, string>> {
  const form = await request.formData()
  return Object.fromEntries(
    [...form].flatMap(([name, value]) => (typeof value === 'string' ? [[name, wellFormed(value)]] : [])),
  )
}

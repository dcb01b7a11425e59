import type { Context } from 'hono'
import { HTTPException } from 'hono/http-exception'
import type { ContentfulStatusCode } from 'hono/utils/http-status'
import { z } from '@hono/zod-openapi'
import { log } from '../log.ts'
import { inShort } from '../jobs/tried.ts'
import { Refused } from '../packages/states.ts'
import { STATUS_CODES } from 'node:http'

/** What is wrong with a request (RFC 9457). */
export const problemSchema = z
  .object({
    title: z.string(),
    status: z.number().int(),
    detail: z.string(),
    /** The part of the request that is wrong, where it is one part. */
    field: z.string().optional(),
  })
  .openapi('Problem')

/** A request that is not done, and why; told as a problem. */
export class Problem extends HTTPException {
  constructor(
    status: ContentfulStatusCode,
    readonly detail: string,
    readonly field?: string,
    readonly headers: Readonly<Record<string, string>> = {},
  ) {
    super(status, { message: detail })
  }
}

const answered = (c: Context, { status, detail, field, headers }: Problem): Response =>
  c.json({ title: STATUS_CODES[status] ?? 'Problem', status, detail, ...(field ? { field } : {}) }, status, {
    ...headers,
    'Content-Type': 'application/problem+json',
  })

/** Tells what went wrong, and never how it looks inside. */
export function told(error: unknown, c: Context): Response {
  if (error instanceof Problem) return answered(c, error)
  if (error instanceof Refused) return answered(c, new Problem(409, error.message))
  log.error({ path: c.req.path, error: inShort(error) }, 'a call of the API failed')
  return answered(c, new Problem(500, 'This is a fault of ours; try it again later.'))
}

/** The first thing that is wrong with what was sent. */
export function malformed(error: z.ZodError): Problem {
  const [issue] = error.issues
  const field = issue.path.join('.')
  return new Problem(400, field ? `${field}: ${issue.message}` : issue.message, field || undefined)
}

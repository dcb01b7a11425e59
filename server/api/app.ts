import { createReadStream } from 'node:fs'
import { Readable } from 'node:stream'
import type { Context, MiddlewareHandler } from 'hono'
import { bodyLimit } from 'hono/body-limit'
import { createRoute, OpenAPIHono, z } from '@hono/zod-openapi'
import { usualReceiver } from '../../core/receivers/index.ts'
import { answerSchema } from '../../core/answers/index.ts'
import { callerBy, type Caller } from '../access/integrations.ts'
import { note, noteLook } from '../audit.ts'
import { database } from '../database/connection.ts'
import type { Scope } from '../database/schema.ts'
import { giveAnswers } from '../packages/answer.ts'
import { type DocumentOut, DocumentsOut } from '../handover/documents-out.ts'
import { finish } from '../packages/finish.ts'
import { handedOver } from '../handover/finished.ts'
import { exportFormats, exportOf } from '../handover/export.ts'
import { receiverOf } from '../handover/receivers.ts'
import { settings } from '../settings.ts'
import { CALLS, count } from '../web/rate-limits.ts'
import { API } from './address.ts'
import { arrivalRead, deviceBy, takeArrival } from './arrivals.ts'
import { packageOf, packageRead, packagesOf, linksOf, takeFiles, takePackage } from './packages.ts'
import { malformed, Problem, problemSchema, told } from './problems.ts'
import type { fileTakenSchema } from './shapes.ts'
import {
  arrivalSchema,
  askingSchema,
  buttonsSchema,
  exportQuerySchema,
  listQuerySchema,
  newPackageSchema,
  packageSchema,
  pageOfPackagesSchema,
  requestSchema,
  takenSchema,
  waitQuerySchema,
} from './shapes.ts'
import { askApplicant } from './requests.ts'
import { takeUpload } from './uploads.ts'

interface ApiEnv {
  Variables: { caller: Caller }
}

const NAME_OF_REQUEST = 'Idempotency-Key'
const MOST_NAME = 200

/** Lets in who comes by a key that is good for this. */
const allowed =
  (scope: Scope): MiddlewareHandler<ApiEnv> =>
  async (c, next) => {
    const [, key] = /^Bearer +(\S+)$/i.exec(c.req.header('authorization') ?? '') ?? []
    const caller = key ? await callerBy(key) : null
    if (!caller)
      throw new Problem(401, 'A key is needed: Authorization: Bearer KEY.', undefined, {
        'WWW-Authenticate': 'Bearer',
      })
    if (!caller.scopes.includes(scope)) throw new Problem(403, `This key is not good for “${scope}”.`)
    const { allowed: inTime, seconds } = await count(CALLS, caller.integrationId)
    if (!inTime)
      throw new Problem(429, `Too many calls; the next may come in ${seconds} seconds.`, undefined, {
        'Retry-After': String(seconds),
      })
    c.set('caller', caller)
    return next()
  }

const json = <S extends z.ZodType>(schema: S, description: string) => ({
  description,
  content: { 'application/json': { schema } },
})
const bytes = (type: string, description: string) => ({
  description,
  content: { [type]: { schema: z.string().openapi({ format: 'binary' }) } },
})
const refusals = (...statuses: number[]) =>
  Object.fromEntries(
    [401, 403, 429, ...statuses].map((status) => [
      status,
      { description: MEANING[status], content: { 'application/problem+json': { schema: problemSchema } } },
    ]),
  )
const MEANING: Record<number, string> = {
  400: 'Something of the request is malformed; `field` names it where it is one part.',
  401: 'No key, or none that is good.',
  403: 'The key is not good for this.',
  404: 'There is no such thing, or it is another organisation’s.',
  409: 'It cannot be done to the package in its state.',
  413: 'It is larger than what is taken.',
  415: 'It is not sent as multipart/form-data.',
  422: 'The Idempotency-Key was given to another request.',
  429: 'Too many calls; `Retry-After` says when the next may come.',
}
const reportSchema = z.record(z.string(), z.unknown()).openapi('Report')
const of = z.object({ id: z.uuid({ error: 'is the id of a package' }) })
const filesPart = z.array(z.string().openapi({ format: 'binary' }))
const multipart = <S extends z.ZodType>(schema: S) => ({
  body: { content: { 'multipart/form-data': { schema } }, required: true },
})

const list = createRoute({
  method: 'get',
  path: '/packages',
  summary: 'Packages by when they changed, the earliest first',
  middleware: [allowed('read')] as const,
  request: { query: listQuerySchema },
  responses: { 200: json(pageOfPackagesSchema, 'A page of them'), ...refusals(400) },
})
const one = createRoute({
  method: 'get',
  path: '/packages/{id}',
  summary: 'A package; with `wait`, once it is no longer being read, or so many seconds later',
  middleware: [allowed('read')] as const,
  request: { params: of, query: waitQuerySchema },
  responses: { 200: json(packageSchema, 'The package'), ...refusals(400, 404) },
})
const report = createRoute({
  method: 'get',
  path: '/packages/{id}/report',
  summary: 'All that was read and found, each value with a link that opens it at its place',
  middleware: [allowed('read')] as const,
  request: { params: of },
  responses: {
    200: json(reportSchema, 'The report'),
    ...refusals(400, 404, 409),
  },
})
const documentOf = createRoute({
  method: 'get',
  path: '/packages/{id}/documents/{file}',
  summary: 'One document as a searchable PDF',
  middleware: [allowed('read')] as const,
  request: {
    params: of.extend({
      file: z
        .string()
        .regex(/^[^/]+\.pdf$/, { error: 'is the id of a document, and .pdf' })
        .openapi({ example: 'd1.pdf' }),
    }),
  },
  responses: { 200: bytes('application/pdf', 'The document'), ...refusals(400, 404, 409) },
})
/** One of two kinds of body, by what is asked for. */
const PACKAGE: { description: string; content: Record<string, { schema: z.ZodType }> } = {
  description: 'The package',
  content: {
    ...bytes('application/zip', '').content,
    ...bytes('application/pdf', '').content,
    ...bytes('text/csv', '').content,
    ...bytes('application/vnd.openxmlformats-officedocument.spreadsheetml.sheet', '').content,
    ...bytes('application/xml', '').content,
    'application/json': { schema: reportSchema },
  },
}
const exported = createRoute({
  method: 'get',
  path: '/packages/{id}/export',
  summary: `What is handed over, as one of ${exportFormats.join(', ')}`,
  middleware: [allowed('read')] as const,
  request: { params: of, query: exportQuerySchema },
  responses: {
    200: PACKAGE,
    ...refusals(400, 404, 409),
  },
})

/** The body of these two is taken in as it comes, and looked at by the route: a large one is never in memory. */
const create = {
  method: 'post',
  path: '/packages',
  summary: 'Makes a package of files; the same Idempotency-Key again gives the same answer',
  request: {
    headers: z.object({ [NAME_OF_REQUEST]: z.string().max(MOST_NAME).optional() }),
    ...multipart(newPackageSchema.extend({ files: filesPart })),
  },
  responses: { 202: json(takenSchema, 'Taken, and being read'), ...refusals(400, 413, 415, 422) },
} as const
const bring = {
  method: 'post',
  path: '/packages/{id}/files',
  summary: 'Brings more files to a package',
  request: { params: of, ...multipart(z.object({ files: filesPart })) },
  responses: { 202: json(takenSchema, 'Taken, and being read'), ...refusals(400, 404, 409, 413, 415) },
} as const

const arrive = {
  method: 'post',
  path: '/arrivals',
  summary: 'Hands in what somebody put into a device, after choosing a button; with the key of the device',
  request: multipart(z.object({ button: z.string(), caseNumber: z.string().optional(), files: filesPart })),
  responses: {
    202: json(z.object({ id: z.uuid() }), 'Taken, and being read'),
    ...refusals(400, 409, 413, 415),
  },
} as const
const arrived = createRoute({
  method: 'get',
  path: '/arrivals/{id}',
  summary: 'How far that is, and what it turned out to be; with `wait`, once that is known',
  middleware: [allowed('arrive')] as const,
  request: { params: z.object({ id: z.uuid({ error: 'is the id of an arrival' }) }), query: waitQuerySchema },
  responses: { 200: json(arrivalSchema, 'The arrival'), ...refusals(400, 404) },
})
const device = createRoute({
  method: 'get',
  path: '/device',
  summary: 'What a device is called, and its buttons',
  middleware: [allowed('arrive')] as const,
  responses: { 200: json(buttonsSchema, 'The device'), ...refusals() },
})

const answer = createRoute({
  method: 'post',
  path: '/packages/{id}/answers',
  summary: 'Says what a person would say; the same refusals as on screen',
  middleware: [allowed('work')] as const,
  request: {
    params: of,
    body: {
      required: true,
      content: {
        'application/json': { schema: z.object({ answers: z.array(z.unknown()).min(1).max(600) }) },
      },
    },
  },
  responses: { 200: json(packageSchema, 'The package as it stands now'), ...refusals(400, 404, 409) },
})
const finished = createRoute({
  method: 'post',
  path: '/packages/{id}/finish',
  summary: 'Says that the work is done; a second person may have to look at it then',
  middleware: [allowed('work')] as const,
  request: { params: of },
  responses: { 200: json(packageSchema, 'The package as it stands now'), ...refusals(400, 404, 409) },
})

const asked = createRoute({
  method: 'post',
  path: '/packages/{id}/requests',
  summary: 'Drafts what the applicant is asked for, all that lacks or differs, or sends it',
  middleware: [allowed('work')] as const,
  request: {
    params: of,
    body: { required: true, content: { 'application/json': { schema: askingSchema } } },
  },
  responses: {
    201: json(requestSchema, 'The request as it stands now'),
    ...refusals(400, 404, 409, 413),
  },
})

const answersSchema = z.array(answerSchema)

/** The API of other systems: by keys, with problems (RFC 9457), described by `/openapi.json` (OpenAPI 3.1). */
export function api(): OpenAPIHono<ApiEnv> {
  const app = new OpenAPIHono<ApiEnv>({
    defaultHook: (result) => {
      if (!result.success) throw malformed(result.error)
    },
  })
  app.onError(told)
  for (const path of ['/packages/:id/answers', '/packages/:id/requests'])
    app.use(path, bodyLimit({ maxSize: MOST_JSON, onError: tooLarge }))
  app.use('*', async (c, next) => {
    await next()
    c.header('Cache-Control', 'no-store')
  })

  app.openapi(list, async (c) => c.json(await packagesOf(c.get('caller'), c.req.valid('query')), 200))
  app.openapi(one, async (c) =>
    c.json(
      await packageRead(
        c.get('caller'),
        c.req.valid('param').id,
        c.req.valid('query').wait ?? 0,
        c.req.raw.signal,
      ),
      200,
    ),
  )
  app.openapi(report, async (c) => {
    const { id } = await judgedPackage(c.get('caller'), c.req.valid('param').id)
    return c.json(await reportFor(c.get('caller'), id), 200)
  })
  app.openapi(documentOf, async (c) => {
    const { id, file } = c.req.valid('param')
    await judgedPackage(c.get('caller'), id)
    return oneDocument(c, id, file.replace(/\.pdf$/, ''))
  })
  app.openapi(exported, async (c) => {
    const caller = c.get('caller')
    const { id } = await judgedPackage(caller, c.req.valid('param').id)
    const { format, receiver: named } = c.req.valid('query')
    const receiver = named ? await receiverOf(database(), caller.organisationId, named) : usualReceiver
    if (!receiver) throw new Problem(404, 'There is no such receiver.', 'receiver')
    if (format === 'json') return c.json(await reportFor(caller, id), 200)
    const { name, type, body } = await exportOf(id, receiver, format, caller)
    return c.body(body, 200, {
      'Content-Type': type,
      'Content-Disposition': `attachment; filename="${name}"`,
    })
  })
  app.openapi(answer, async (c) => {
    const caller = c.get('caller')
    const { id } = await judgedPackage(caller, c.req.valid('param').id)
    const answers = answersSchema.safeParse(c.req.valid('json').answers)
    if (!answers.success) throw malformed(answers.error)
    await giveAnswers(id, answers.data, caller)
    return c.json(await packageOf(caller, id), 200)
  })
  app.openapi(finished, async (c) => {
    const caller = c.get('caller')
    const { id } = await judgedPackage(caller, c.req.valid('param').id)
    await finish(id, caller)
    return c.json(await packageOf(caller, id), 200)
  })

  app.openapi(asked, async (c) => {
    const caller = c.get('caller')
    const { id } = await judgedPackage(caller, c.req.valid('param').id)
    return c.json(await askApplicant(caller, id, c.req.valid('json')), 201)
  })

  app.openAPIRegistry.registerPath(withKey(create))
  app.post(create.path, allowed('bring'), async (c) => {
    const caller = c.get('caller')
    const key = c.req.header(NAME_OF_REQUEST)
    if (key !== undefined && (key.length > MOST_NAME || key.trim() === ''))
      throw new Problem(400, `${NAME_OF_REQUEST} has 1 to ${MOST_NAME} letters.`, NAME_OF_REQUEST)
    const { fields, files } = await takeUpload(c.req.raw)
    const asked = newPackageSchema.safeParse(fields)
    if (!asked.success) throw malformed(asked.error)
    if (files.length === 0) throw new Problem(400, 'files: at least one is needed', 'files')
    const taken = await takePackage(caller, asked.data, files, key)
    return c.json(await answerOf(caller, taken), 202)
  })
  app.openAPIRegistry.registerPath(withKey(bring))
  app.post('/packages/:id/files', allowed('bring'), async (c) => {
    const caller = c.get('caller')
    const id = of.safeParse(c.req.param())
    if (!id.success) throw malformed(id.error)
    await packageOf(caller, id.data.id)
    const { files } = await takeUpload(c.req.raw)
    if (files.length === 0) throw new Problem(400, 'files: at least one is needed', 'files')
    return c.json(
      await answerOf(caller, { id: id.data.id, files: await takeFiles(caller, id.data.id, files) }),
      202,
    )
  })

  app.openAPIRegistry.registerPath(withKey(arrive))
  app.post(arrive.path, allowed('arrive'), async (c) => {
    await deviceBy(c.get('caller'))
    const { fields, files } = await takeUpload(c.req.raw)
    return c.json(await takeArrival(c.get('caller'), fields, files), 202)
  })
  app.openapi(arrived, async (c) =>
    c.json(
      await arrivalRead(
        c.get('caller'),
        c.req.valid('param').id,
        c.req.valid('query').wait ?? 0,
        c.req.raw.signal,
      ),
      200,
    ),
  )
  app.openapi(device, async (c) => {
    const { name, buttons } = await deviceBy(c.get('caller'))
    return c.json({ name, buttons: buttons.map(({ id, title }) => ({ id, title })) }, 200)
  })

  app.openAPIRegistry.registerComponent('securitySchemes', 'key', { type: 'http', scheme: 'bearer' })
  app.get('/openapi.json', (c) =>
    c.json(
      app.getOpenAPI31Document({
        openapi: '3.1.0',
        info: {
          title: 'Jigsa',
          version: '1',
          description: 'Packages of applicants’ papers, read and checked.',
        },
        servers: [{ url: `${settings().BASE_URL}${API}` }],
        security: [{ key: [] }],
      }),
    ),
  )
  app.all('*', () => {
    throw new Problem(404, 'There is no such address in this API.')
  })
  return app
}

/** Bytes of a body of answers. */
const MOST_JSON = 1024 * 1024
function tooLarge(): never {
  throw new Problem(413, 'Answers are larger than 1 MB, the most that is taken here.')
}

const withKey = <R extends object>(route: R) => ({ ...route, security: [{ key: [] }] })

/** A package that has a verdict. @throws Problem */
async function judgedPackage(caller: Caller, id: string) {
  const found = await packageOf(caller, id)
  if (found.state === 'reading') throw new Problem(409, 'The package is still being read.')
  return found
}

async function answerOf(
  caller: Caller,
  { id, files }: { id: string; files: z.infer<typeof fileTakenSchema>[] },
): Promise<z.infer<typeof takenSchema>> {
  const { caseNumber, reference, state } = await packageOf(caller, id)
  return { id, caseNumber, reference, state, files, links: linksOf(id) }
}

const storedReport = z.looseObject({
  documents: z.array(
    z.looseObject({
      pages: z.array(z.number()),
      fields: z.array(z.looseObject({ name: z.string(), page: z.number().nullable() })),
    }),
  ),
})

/** The report of a package; that it was looked at is noted, as of whoever opens it on screen. */
async function reportFor(caller: Caller, id: string): Promise<Record<string, unknown>> {
  await noteLook(caller, id)
  return withLinks(id, (await handedOver(id)).report)
}

/** A report whose values say where in the application they are seen at their place. */
function withLinks(id: string, text: string): Record<string, unknown> {
  const { documents, ...rest } = storedReport.parse(JSON.parse(text))
  const at = `${settings().BASE_URL}/packages/${id}/values`
  return {
    ...rest,
    documents: documents.map((d) => ({
      ...d,
      fields: d.fields.map((f) => ({
        ...f,
        link: `${at}?page=${f.page ?? d.pages[0]}&field=${encodeURIComponent(f.name)}`,
      })),
    })),
  }
}

async function oneDocument(c: Context<ApiEnv>, packageId: string, documentId: string): Promise<Response> {
  const document = (await handedOver(packageId)).documents.find((d) => d.id === documentId)
  if (!document) throw new Problem(404, 'There is no such document in this package.')
  const out = new DocumentsOut(packageId)
  try {
    const made = (await out.cut([{ name: 'document.pdf', pages: document.pages }]).next()).value as
      DocumentOut | undefined
    if (!made || 'problem' in made)
      throw new Problem(409, `This document cannot be cut out: ${made?.problem ?? 'it has no pages.'}`)
    await note(database(), c.get('caller'), packageId, 'downloaded a document', documentId)
    const stream = createReadStream(made.path)
    stream.once('close', () => out.close())
    return c.body(Readable.toWeb(stream) as ReadableStream<Uint8Array>, 200, {
      'Content-Type': 'application/pdf',
    })
  } catch (error) {
    out.close()
    throw error
  }
}

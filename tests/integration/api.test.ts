import Ajv2020 from 'ajv/dist/2020.js'
import addFormats from 'ajv-formats'
import { eq, like } from 'drizzle-orm'
import { addIntegration, integrationsOf, revokeIntegration } from '../../server/access/integrations.ts'
import { historyOf } from '../../server/audit.ts'
import { database } from '../../server/database/connection.ts'
import { chunks, files, integrations, type Scope } from '../../server/database/schema.ts'
import { payslip, pdfOf, stray } from '../support/papers.ts'
import { desk, elsewhere, person, readPackage } from '../support/server.ts'
import { startWebAt, type Web } from '../support/web.ts'

const at = desk()
let web: Web
let key: string
const ALL: Scope[] = ['read', 'bring', 'work']
const make = (organisationId: string, scopes: Scope[] = ALL, expiresAt: Date | null = null) =>
  addIntegration(null, organisationId, { name: 'Loan desk', scopes, expiresAt })
beforeAll(async () => {
  web = await startWebAt()
  key = await make(at.who.organisationId)
}, 60_000)
afterAll(() => web.end())

interface Told {
  status: number
  headers: Headers
  body: Record<string, unknown>
}
interface Sent {
  method?: string
  as?: string
  form?: FormData
  json?: unknown
  headers?: Record<string, string>
}
async function call(path: string, { method, as = key, form, json, headers = {} }: Sent = {}): Promise<Told> {
  const response = await fetch(`${web.url}/api/v1${path}`, {
    method: method ?? (form || json ? 'POST' : 'GET'),
    headers: {
      ...(as ? { Authorization: `Bearer ${as}` } : {}),
      ...(json ? { 'Content-Type': 'application/json' } : {}),
      ...headers,
    },
    body: form ?? (json ? JSON.stringify(json) : undefined),
  })
  return { status: response.status, headers: response.headers, body: (await response.json()) as Told['body'] }
}
const formOf = (bytes: Uint8Array, fields: Record<string, string> = {}, name = 'papers.pdf') => {
  const form = new FormData()
  // Files may come before the fields that say what they are for.
  form.append('files', new Blob([Buffer.from(bytes)]), name)
  for (const [field, value] of Object.entries({ program: 'working-boat-loan', ...fields }))
    form.append(field, value)
  return form
}
let pay = 0
const slip = () => pdfOf(payslip('January', '30', `1,${String(++pay + 200).padStart(3, '0')}.40`))

describe('a package by the API', () => {
  test('is brought, waited for, read and handed over', async () => {
    const made = await call('/packages', {
      form: formOf(await slip(), { asOf: '2026-04-10', reference: 'L-4711' }),
    })
    expect(made).toMatchObject({
      status: 202,
      body: { state: 'reading', reference: 'L-4711', files: [{ name: 'papers.pdf', problem: null }] },
    })
    const id = made.body.id as string
    const read = await call(`/packages/${id}?wait=60`)
    expect(read).toMatchObject({ status: 200, body: { id, state: 'open', pages: 1, pagesRead: 1 } })
    const report = await call(`/packages/${id}/report`)
    const [document] = report.body.documents as { id: string; fields: { name: string; link: string }[] }[]
    const net = document.fields.find((f) => f.name === 'net_pay')!
    expect(net.link).toBe(`${web.url}/packages/${id}/values?page=1&field=net_pay`)
    const pdf = await fetch(`${web.url}/api/v1/packages/${id}/documents/${document.id}.pdf`, {
      headers: { Authorization: `Bearer ${key}` },
    })
    expect([pdf.status, pdf.headers.get('content-type')]).toEqual([200, 'application/pdf'])
    expect(
      Buffer.from(await pdf.arrayBuffer())
        .subarray(0, 5)
        .toString(),
    ).toBe('%PDF-')
    const zip = await fetch(`${web.url}/api/v1/packages/${id}/export?format=zip`, {
      headers: { Authorization: `Bearer ${key}` },
    })
    expect(Buffer.from(await zip.arrayBuffer()).includes('report.json')).toBe(true)
    const had = (query: string) => call(`/packages/${id}/export?${query}`, {})
    expect((await had('format=xml&receiver=nobody')).status).toBe(404)
    expect((await had('format=docx')).status).toBe(400)
    expect((await historyOf(id)).filter((a) => a.userName === 'Loan desk').map((a) => a.act)).toEqual([
      'opened the package',
      'brought a file',
      'looked at the package',
      'downloaded a document',
      'downloaded the package',
    ])
  }, 90_000)

  test('asked for twice under one name is made once, at once too; another under that name is refused', async () => {
    const bytes = await slip()
    const headers = { 'Idempotency-Key': 'night-run-1' }
    const both = await Promise.all([1, 2].map(() => call('/packages', { form: formOf(bytes), headers })))
    expect(both.map((b) => b.status)).toEqual([202, 202])
    expect(new Set(both.map((b) => b.body.id)).size).toBe(1)
    const id = both[0].body.id as string
    expect(await database().$count(files, eq(files.packageId, id))).toBe(1)
    expect(await call('/packages', { form: formOf(await slip()), headers })).toMatchObject({
      status: 422,
      body: { title: 'Unprocessable Entity' },
    })
  })

  test('gets more files, is answered and finished by the rules of the screens', async () => {
    const id = await readPackage(at.who, await slip())
    expect(
      (await call(`/packages/${id}/files`, { form: formOf(await pdfOf(stray), {}, '../../x.pdf') })).body,
    ).toMatchObject({ state: 'reading', files: [{ name: 'x.pdf', problem: null }] })
    expect((await call(`/packages/${id}?wait=60`)).body).toMatchObject({ state: 'open', pages: 2 })
    const answers = [{ kind: 'type', page: 2, type: 'cover_letter' }]
    expect((await call(`/packages/${id}/answers`, { json: { answers } })).status).toBe(200)
    expect((await call(`/packages/${id}/finish`, { method: 'POST' })).body).toMatchObject({
      state: 'finished',
    })
    expect(await call(`/packages/${id}/answers`, { json: { answers } })).toMatchObject({ status: 409 })
    expect(await call(`/packages/${id}/files`, { form: formOf(await slip()) })).toMatchObject({ status: 409 })
  }, 90_000)

  test('is listed in pages by when it changed, and none is missed or told twice', async () => {
    const stranger = await elsewhere('administrator')
    const own = await make(stranger.organisationId)
    for (let i = 0; i < 5; i++) {
      const made = await call('/packages', { as: own, form: formOf(await slip(), { reference: String(i) }) })
      // A package that changes between two pages comes again behind the cursor, as it should.
      await call(`/packages/${made.body.id as string}?wait=60`, { as: own })
    }
    const seen: unknown[] = []
    for (let cursor: string | null = ''; cursor !== null;) {
      const { body }: Told = await call(`/packages?limit=2${cursor ? `&cursor=${cursor}` : ''}`, { as: own })
      seen.push(...(body.items as { id: string }[]).map((item) => item.id))
      cursor = body.next as string | null
    }
    expect([seen.length, new Set(seen).size]).toEqual([5, 5])
    expect(await call('/packages?cursor=nonsense', { as: own })).toMatchObject({
      status: 400,
      body: { field: 'cursor' },
    })
    const future = new Date(Date.now() + 3_600_000).toISOString()
    expect((await call(`/packages?updatedSince=${future}`, { as: own })).body.items).toEqual([])
  }, 120_000)
})

describe('a key', () => {
  test('that is none, is taken away or expired opens nothing, and one that lacks a scope not that', async () => {
    const lacking = await make(at.who.organisationId, ['read'])
    const expired = await make(at.who.organisationId, ALL, new Date(Date.now() - 1000))
    expect(await call('/packages', { as: '' })).toMatchObject({ status: 401, body: { status: 401 } })
    expect(await call('/packages', { as: 'jigsa_none' })).toMatchObject({ status: 401 })
    expect(await call('/packages', { as: expired })).toMatchObject({ status: 401 })
    expect(await call('/packages', { as: lacking, form: formOf(await slip()) })).toMatchObject({
      status: 403,
    })
    const administrator = await person('administrator')
    const [newest] = await integrationsOf(at.who.organisationId)
    expect(newest.expiresAt).not.toBeNull()
    const used = (await integrationsOf(at.who.organisationId)).find((k) => k.keyEnd === lacking.slice(-4))!
    expect(used.lastUsedAt).not.toBeNull()
    expect(await revokeIntegration(await elsewhere('administrator'), used.id)).toBe(false)
    expect(await revokeIntegration(administrator, used.id)).toBe(true)
    expect(await call('/packages', { as: lacking })).toMatchObject({ status: 401 })
    const kept = await database().select().from(integrations)
    expect(JSON.stringify(kept)).not.toContain(lacking)
  })

  test('of another organisation reaches nothing of this one', async () => {
    const id = await readPackage(at.who, await slip())
    const stranger = await make((await elsewhere()).organisationId)
    const paths = ['', '/report', '/documents/d1.pdf', '/export', '?wait=1']
    for (const path of paths)
      expect((await call(`/packages/${id}${path}`, { as: stranger })).status).toBe(404)
    expect((await call(`/packages/${id}/files`, { as: stranger, form: formOf(await slip()) })).status).toBe(
      404,
    )
    expect((await call(`/packages/${id}/finish`, { as: stranger, method: 'POST' })).status).toBe(404)
    expect((await call(`/packages/${id}/answers`, { as: stranger, json: { answers: [{}] } })).status).toBe(
      404,
    )
    expect((await call('/packages?limit=200', { as: stranger })).body.items).toEqual([])
  }, 60_000)
})

describe('what is malformed', () => {
  test('is told with the part that is wrong, and nothing of how it looks inside', async () => {
    const problem = async (path: string, sent: Sent = {}) => {
      const { status, headers, body } = await call(path, sent)
      expect(headers.get('content-type')).toMatch(/^application\/problem\+json/)
      expect(JSON.stringify(body)).not.toMatch(/node_modules|select |at \w+ \(/)
      return [status, body.field]
    }
    expect(await problem('/packages/none')).toEqual([400, 'id'])
    expect(await problem('/packages?limit=9000')).toEqual([400, 'limit'])
    expect(await problem('/nowhere')).toEqual([404, undefined])
    expect(await problem('/packages', { json: { program: 'x' } })).toEqual([415, undefined])
    expect(await problem('/packages', { form: formOf(await slip(), { asOf: 'soon' }) })).toEqual([
      400,
      'asOf',
    ])
    expect(await problem('/packages', { form: formOf(await slip(), { program: 'none' }) })).toEqual([
      409,
      undefined,
    ])
    const empty = new FormData()
    empty.append('program', 'working-boat-loan')
    expect(await problem('/packages', { form: empty })).toEqual([400, 'files'])
    // A body that ends in the middle of a file leaves nothing behind, and nobody waiting.
    const part = '--x\r\nContent-Disposition: form-data; name="files"; filename="a.pdf"\r\n\r\n'
    const torn = await fetch(`${web.url}/api/v1/packages`, {
      method: 'POST',
      headers: { Authorization: `Bearer ${key}`, 'Content-Type': 'multipart/form-data; boundary=x' },
      body: part + 'words '.repeat(400_000),
    })
    expect(torn.status).toBe(400)
    expect(await database().$count(chunks, like(chunks.sha256, 'arriving-%'))).toBe(0)
    const broken = { 'Content-Type': 'multipart/form-data; boundary=x' }
    expect(await problem('/packages', { method: 'POST', json: 'no parts', headers: broken })).toEqual([
      400,
      undefined,
    ])
    const id = await readPackage(at.who, await slip())
    const [status, field] = await problem(`/packages/${id}/answers`, {
      json: { answers: [{ kind: 'none' }] },
    })
    expect([status, field]).toEqual([400, '0.kind'])
    const nowhere = { answers: [{ kind: 'type', page: 77, type: 'payslip' }] }
    expect(await problem(`/packages/${id}/answers`, { json: nowhere })).toEqual([409, undefined])
  }, 60_000)
})

test('the description is OpenAPI 3.1, says every call, and answers are as it says', async () => {
  const { body, status } = await call('/openapi.json', { as: '' })
  expect(status).toBe(200)
  const { openapi, paths, components } = body as {
    openapi: string
    paths: Record<string, Record<string, { responses: object; security?: object }>>
    components: { schemas: Record<string, object> }
  }
  expect(openapi).toBe('3.1.0')
  const calls = Object.entries(paths).flatMap(([path, methods]) =>
    Object.keys(methods).map((method) => `${method} ${path}`),
  )
  expect(calls.sort()).toEqual([
    'get /arrivals/{id}',
    'get /device',
    'get /packages',
    'get /packages/{id}',
    'get /packages/{id}/documents/{file}',
    'get /packages/{id}/export',
    'get /packages/{id}/report',
    'post /arrivals',
    'post /packages',
    'post /packages/{id}/answers',
    'post /packages/{id}/files',
    'post /packages/{id}/finish',
    'post /packages/{id}/requests',
  ])
  // What is described is there: without a key each is refused as such, and not as an unknown address.
  for (const one of calls) {
    const [method, path] = one.split(' ')
    const filled = path.replace('{id}', '00000000-0000-4000-8000-000000000000').replace('{file}', 'd1.pdf')
    const { status: refused } = await call(filled, { as: '', method: method.toUpperCase() })
    expect([one, refused]).toEqual([one, 401])
  }
  const ajv = new Ajv2020({ strict: false })
  addFormats(ajv)
  ajv.addSchema({ $id: 'api', components })
  const conforms = (name: string, value: unknown) => {
    const check = ajv.compile({ $ref: `api#/components/schemas/${name}` })
    expect([check(value), check.errors]).toEqual([true, null])
  }
  conforms('Packages', (await call('/packages')).body)
  conforms('Problem', (await call('/packages', { as: '' })).body)
  conforms('PackageTaken', (await call('/packages', { form: formOf(await slip()) })).body)
}, 60_000)

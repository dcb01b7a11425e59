import { eq } from 'drizzle-orm'
import { rightsOf, RIGHTS, type Right } from '../../server/access/rights.ts'
import type { Person } from '../../server/access/person.ts'
import { typesOf } from '../../server/configuration/types.ts'
import { database } from '../../server/database/connection.ts'
import { arrivals, files, roles, sources, tasks, type Role } from '../../server/database/schema.ts'
import { payslip, pdfOf } from '../support/papers.ts'
import { desk, elsewhere, person, readPackage } from '../support/server.ts'
import { ask, cookiesOf, startWebAt, type Web } from '../support/web.ts'

/**
 * Who gets what, asked of the running application: every route that is served, by everybody who might ask. The table
 * of rights is the only place that says who may do what; this one says which of them a route needs.
 */

const at = desk()
let web: Web
let id: string
const people = {} as Record<Role | 'stranger', { who: Person; cookie: string }>
beforeAll(async () => {
  web = await startWebAt()
  id = await readPackage(at.who, await pdfOf(payslip('January', '30', '4,141.40')))
  for (const role of roles) {
    const who = await person(role)
    people[role] = { who, cookie: await cookiesOf(web.url, who) }
  }
  const who = await elsewhere('administrator')
  people.stranger = { who, cookie: await cookiesOf(web.url, who) }
}, 120_000)
afterAll(() => web.end())

const get = (path: string, cookie?: string) =>
  ask(`${web.url}${path.replaceAll(':id', id)}`, { headers: cookie ? { cookie } : {} })
const post = (path: string, body: unknown, cookie?: string) =>
  ask(`${web.url}${path.replaceAll(':id', id)}`, {
    method: 'POST',
    headers: { Origin: web.url, 'Content-Type': 'application/json', ...(cookie ? { cookie } : {}) },
    body: JSON.stringify(body),
  })

/** Pages and data of one package. */
const OF_A_PACKAGE = [
  ...['', '/deck', '/papers', '/overview', '/compare?a=1&b=1', '/values', '/says', '/table', '/checklist'],
  ...['/facts', '/request', '/hand-over', '/files', '/history', '/loupe', '/find?q=pay', '/ask?q=pay'],
  ...['/history.csv', '/pages/1/words', '/pages/1/small', '/cover-sheet.pdf', '/package.zip'],
].map((path) => `/packages/:id${path}`)

/** Pages of a desk, and the right that one needs. */
const OF_A_DESK: [path: string, right: Right | 'be here'][] = [
  ['/packages', 'be here'],
  ['/packages/new', 'be here'],
  ['/programs', 'be here'],
  ['/programs/new', 'be here'],
  ['/programs/working-boat-loan', 'be here'],
  ['/programs/working-boat-loan/file', 'be here'],
  ['/programs/schema.json', 'be here'],
  ['/tasks', 'be here'],
  ['/arrivals', 'be here'],
  ['/arrivals/devices/new', 'be here'],
  ['/notices', 'be here'],
  ['/integrations', 'be here'],
  ['/rules', 'be here'],
  ['/rules/new', 'be here'],
  ['/types', 'be here'],
  ['/types/payslip', 'be here'],
  ['/types/payslip/file', 'be here'],
  ['/knowledge/file', 'set up'],
  ['/registers', 'be here'],
  ['/registers/new', 'be here'],
  ['/receivers', 'be here'],
  ['/receivers/new', 'be here'],
  ['/lender', 'be here'],
  ['/learning', 'be here'],
  ['/people', 'be here'],
  ['/account', 'be here'],
  ['/starter', 'be here'],
  ['/separator-sheets.pdf?count=1', 'be here'],
  ['/keeping', 'be here'],
  ['/failed', 'machine'],
  ['/trail', 'see the trail'],
  ['/trail.csv', 'see the trail'],
]

/** What changes a desk, with a body that is understood and names nothing that is there; and the right it needs. */
const CHANGES: [path: string, right: Right, body: unknown][] = [
  ['/programs.data', 'set up', {}],
  ['/programs/nowhere.data', 'set up', { act: 'back', version: 99, basis: 1 }],
  ['/rules.data', 'set up', { act: 'remove', id: '00000000-0000-4000-8000-000000000000' }],
  ['/types.data', 'set up', {}],
  ['/types/nothing.data', 'set up', { act: 'unlearn', id: 0 }],
  ['/registers.data', 'set up', { id: 'nothing', csv: 'a,b' }],
  ['/receivers/nothing.data', 'set up', { act: 'remove' }],
  ['/registers/nothing.data', 'set up', { act: 'look', title: 'x', csv: 'a,b\n1,2' }],
  ['/learning.data', 'set up', { act: 'use', id: '00000000-0000-4000-8000-000000000000' }],
  [
    '/starter.data',
    'set up',
    { set: 'none', chosen: { types: [], programs: [], registers: [], lender: false } },
  ],
  ['/lender.data', 'say how papers are written', {}],
  ['/integrations.data', 'keys', { act: 'revoke', id: '00000000-0000-4000-8000-000000000000' }],
  [
    '/arrivals.data',
    'set up',
    { act: 'set', id: '00000000-0000-4000-8000-000000000000', name: 'x', program: 'none', paused: true },
  ],
  ['/notices.data', 'set up', { act: 'remove', id: '00000000-0000-4000-8000-000000000000' }],
  ['/arrivals/devices/new.data', 'set up', { act: 'key' }],
  ['/keeping.data', 'set up', { act: 'days', program: 'nothing', days: 30 }],
  ['/keeping.data', 'agree to erase', { act: 'agree', id: '00000000-0000-4000-8000-000000000000' }],
  ['/keeping.data', 'erase', { act: 'keep', id: '00000000-0000-4000-8000-000000000000' }],
  ['/failed.data', 'machine', { id: 1, again: false }],
  ['/packages/:id/keep', 'hold', { act: 'hold', reason: 'x' }],
  ['/packages/:id/keep', 'erase', { act: 'erase', reason: 'x' }],
  ['/people.data', 'people', { act: 'role', id: 'nobody', role: 'lead' }],
]

test('every route that is served stands in these tables, or is for whoever signs in', async () => {
  const { default: routes } = (await import('../../app/routes.ts')) as { default: RouteLike[] }
  const served = flat(routes)
  const told = [
    ...OF_A_PACKAGE.map((path) =>
      path.replace(/\?.*/, '').replace('/pages/1/', '/pages/:number/').replace('/small', '/:size'),
    ),
    ...OF_A_DESK.map(([path]) => path.replace(/\?.*/, '').replace(/\/(?:working-boat-loan|payslip)/, '/:id')),
    ...['answers', 'rule-trial', 'owner', 'again', 'bring', 'keep', 'identity', 'move-pages'].map(
      (path) => `/packages/:id/${path}`,
    ),
    ...[
      '/sign-in',
      '/sign-in/code',
      '/sign-out',
      '/welcome/:token',
      '/api/auth/callback/:provider',
      '/events',
      '/',
    ],
    // For whoever has the link of a request.
    ...['/r/:token', '/r/:token/uploads', '/r/:token/uploads/:upload', '/r/:token/form'],
    ...['/arrivals/:id', '/arrivals/:id/letter', '/arrivals/:id/files/:at/:how', '/arrivals/devices/:id'],
    ...['/rules/:id', '/registers/:id', '/receivers/:id', '/types/reading', '/trials/:id'],
    ...['/packages/:id/everything.zip'],
  ]
  expect(served.filter((path) => !told.includes(path))).toEqual([])
})

interface RouteLike {
  path?: string
  children?: RouteLike[]
}
const flat = (routes: RouteLike[], under = ''): string[] =>
  routes.flatMap(({ path, children }) => {
    const here = path ? `${under}/${path}` : under
    return [...(path || !children ? [here || '/'] : []), ...flat(children ?? [], here)]
  })

test.each(OF_A_PACKAGE)('%s is for its organisation alone', async (path) => {
  const [own, stranger, nobody] = await Promise.all([
    get(path, people.processor.cookie),
    get(path, people.stranger.cookie),
    get(path),
  ])
  // Some need words of an address that this package has nothing for.
  expect([own.status === 404 || own.status < 400, own.status === 404 && !/compare|table/.test(path)]).toEqual(
    [true, false],
  )
  expect(stranger.status).toBe(404)
  expect([nobody.status, nobody.headers.location?.split('?')[0]]).toEqual([302, '/sign-in'])
  expect(stranger.body).not.toMatch(/4,141\.40|Varnham/)
})

test.each(OF_A_DESK)('%s is for whoever is signed in and may %s', async (path, right) => {
  const nobody = await get(path)
  expect([nobody.status, nobody.headers.location?.split('?')[0]]).toEqual([302, '/sign-in'])
  for (const role of roles) {
    const { status } = await get(path, people[role].cookie)
    const may = right === 'be here' || rightsOf({ role }).includes(right)
    expect([role, status]).toEqual([role, may ? expect.any(Number) : 403])
    if (may) expect([role, status === 403 || status >= 500]).toEqual([role, false])
  }
})

test.each(CHANGES)('%s is changed by who has the right to: %s', async (path, right, body) => {
  expect((await post(path, body)).headers.location ?? (await post(path, body)).body).toMatch('/sign-in')
  for (const role of roles) {
    const { status } = await post(path, body, people[role].cookie)
    if (rightsOf({ role }).includes(right))
      expect([role, status === 403 || status >= 500]).toEqual([role, false])
    else expect([role, status]).toEqual([role, 403])
  }
})

test.each([
  'answers',
  'owner',
  'again',
  'keep',
  'bring?name=a.pdf',
  'rule-trial',
  'hand-over.data',
  'checklist.data',
  'identity',
  'move-pages',
  'request.data',
])('what is sent to %s of another organisation’s package finds none', async (path) => {
  const { status } = await post(`/packages/:id/${path}`, { act: 'undo', owner: '' }, people.stranger.cookie)
  expect(status).toBe(404)
})

test('a task of another organisation’s is nobody’s to end', async () => {
  const [task] = await database()
    .insert(tasks)
    .values({
      organisationId: at.who.organisationId,
      packageId: id,
      kind: 'poor copy',
      cause: 'routes',
      reason: 'Hard to read.',
      place: 'values',
    })
    .returning()
  const end = (cookie?: string) => post('/tasks.data', { id: task.id }, cookie)
  const endedAt = async () => (await database().select().from(tasks).where(eq(tasks.id, task.id)))[0].endedAt
  await end(people.stranger.cookie)
  expect(await endedAt()).toBeNull()
})

test('what came to another organisation, and its devices, are nobody’s', async () => {
  const [source] = await database()
    .insert(sources)
    .values({ organisationId: at.who.organisationId, kind: 'device', address: 'routes', name: 'Counter' })
    .returning()
  const [file] = await database().select().from(files).where(eq(files.packageId, id))
  const [arrival] = await database()
    .insert(arrivals)
    .values({
      organisationId: at.who.organisationId,
      sourceId: source.id,
      identity: 'routes',
      digest: '',
      name: 'Varnham',
      files: [{ name: 'papers.pdf', sha256: file.sha256!, size: file.size }],
      size: file.size,
      outcome: 'not taken',
      problem: 'nobody took it',
    })
    .returning()
  for (const path of [
    `/arrivals/${arrival.id}`,
    `/arrivals/${arrival.id}/files/0/original`,
    `/arrivals/${arrival.id}/files/0/picture`,
    `/arrivals/devices/${source.id}`,
  ]) {
    expect([path, (await get(path, people.lead.cookie)).status]).toEqual([path, 200])
    expect([path, (await get(path, people.stranger.cookie)).status]).toEqual([path, 404])
    expect([path, (await get(path)).status]).toEqual([path, 302])
  }
  expect((await get(`/arrivals/${arrival.id}/letter`, people.stranger.cookie)).status).toBe(404)
  for (const body of [{ act: 'again' }, { act: 'aside', reason: 'mine' }, { act: 'delete' }])
    expect((await post(`/arrivals/${arrival.id}.data`, body, people.stranger.cookie)).status).toBe(404)
  expect(
    (await post(`/arrivals/${arrival.id}.data`, { act: 'delete' }, people.processor.cookie)).status,
  ).toBe(403)
  await database().delete(sources).where(eq(sources.id, source.id))
  await database().delete(arrivals).where(eq(arrivals.id, arrival.id))
}, 60_000)

test('everything of an applicant is given out by a lead alone, of their own organisation', async () => {
  const of = async (role: Role | 'stranger') =>
    (await get('/packages/:id/everything.zip', people[role].cookie)).status
  expect([await of('processor'), await of('lead'), await of('stranger')]).toEqual([403, 200, 404])
})

test('a type that is being written reads no sample of another organisation', async () => {
  const body = { packageId: id, pages: [1], type: (await typesOf(database(), at.who.organisationId))[0] }
  const { body: said } = await post('/types/reading.data', body, people.stranger.cookie)
  expect(said).not.toMatch(/4,141|Varnham/)
})

test('every right has somebody, and somebody who has not got it', () => {
  for (const [right, [has]] of Object.entries(RIGHTS))
    expect([right, has.length > 0, has.length < roles.length]).toEqual([right, true, true])
})

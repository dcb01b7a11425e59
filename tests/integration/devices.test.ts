import { eq } from 'drizzle-orm'
import { revokeIntegration } from '../../server/access/integrations.ts'
import { addDevice, newKey, setDevice } from '../../server/arrivals/devices.ts'
import { sourcesOf } from '../../server/arrivals/sources.ts'
import { database } from '../../server/database/connection.ts'
import { FIRST_ORGANISATION, integrations } from '../../server/database/schema.ts'
import { historyOf } from '../../server/audit.ts'
import { askIdentity, identityOf } from '../../server/packages/identity.ts'
import { newPackage } from '../../server/packages/intake.ts'
import { packageRow } from '../../server/packages/queries.ts'
import { startCounterDevice } from '../../standins/counter-device.ts'
import { startIdentityService } from '../../standins/identity-service.ts'
import { identityCard, payslip, pdfOf } from '../support/papers.ts'
import { desk, elsewhere, person, until } from '../support/server.ts'
import { startWebAt, type Web } from '../support/web.ts'

const service = await startIdentityService()
// The worker is started with it.
process.env.IDENTITY_CHECK = JSON.stringify({ [FIRST_ORGANISATION]: service.url })
const at = desk()
let web: Web
let device: { id: string; key: string }

const buttons = [
  {
    id: 'any',
    title: 'Papers for a loan',
    program: 'working-boat-loan',
    type: null,
    limits: [],
    identityCheck: true,
  },
  {
    id: 'pay',
    title: 'Payslip',
    program: 'working-boat-loan',
    type: 'payslip',
    limits: [{ title: 'Net pay', field: 'payslip.net_pay', most: { amount: '2000.00', currency: 'EUR' } }],
    identityCheck: false,
  },
]
const setUp = { name: 'Counter', paused: false, buttons }

beforeAll(async () => {
  web = await startWebAt()
  const made = await addDevice(null, FIRST_ORGANISATION, setUp)
  if ('problem' in made) throw new Error(made.problem)
  device = made
}, 60_000)
afterAll(async () => {
  await web.end()
  await service.stop()
})

const call = async (path: string, { key = device.key, form }: { key?: string; form?: FormData } = {}) => {
  const answer = await fetch(`${web.url}/api/v1${path}`, {
    method: form ? 'POST' : 'GET',
    headers: { Authorization: `Bearer ${key}` },
    body: form,
  })
  return { status: answer.status, body: (await answer.json()) as Record<string, unknown> }
}
const formOf = (bytes: Uint8Array, fields: Record<string, string>) => {
  const form = new FormData()
  for (const [name, value] of Object.entries(fields)) form.set(name, value)
  form.append('files', new Blob([Buffer.from(bytes)]), 'scan.pdf')
  return form
}
let pay = 0
const slip = () => pdfOf(payslip('February', '28', `5,${String(100 + ++pay)}.50`))
const card = (number: string) => pdfOf(identityCard(number))
const press = async (bytes: Uint8Array, fields: Record<string, string>) => {
  const { status, body } = await call('/arrivals', { form: formOf(bytes, fields) })
  expect(status).toBe(202)
  return (await call(`/arrivals/${body.id as string}?wait=45`)).body
}

test('what is put in is read while somebody waits, and the panel says what it is and what lacks', async () => {
  expect((await call('/device')).body).toEqual({
    name: 'Counter',
    buttons: [
      { id: 'any', title: 'Papers for a loan' },
      { id: 'pay', title: 'Payslip' },
    ],
  })
  const now = await press(await slip(), { button: 'any' })
  expect(now).toMatchObject({
    state: 'done',
    documents: [{ type: 'payslip', title: 'Payslip', pages: 1 }],
    problems: [],
  })
  expect(now.required).toContainEqual({
    requirement: 'photo_id',
    title: expect.any(String) as string,
    status: 'missing',
  })
  expect(now.lines).toContain('What arrived:')
  const { caseNumber } = (await packageRow(now.package as string, at.who))!
  expect(now.caseNumber).toBe(caseNumber)
  // More of the same customer, by the number on the slip of the panel.
  const more = await press(await slip(), { button: 'any', caseNumber })
  expect(more.package).toBe(now.package)
}, 90_000)

test('a limit that is exceeded and a paper that was not expected are said', async () => {
  const now = await press(await slip(), { button: 'pay' })
  expect(now.problems).toEqual([
    expect.stringMatching(/^Net pay: .*5,\d+\.50 is more than the EUR 2,000\.00/),
  ])
  const other = await press(await card('MR1234567'), { button: 'pay' })
  expect(other.problems).toEqual(['This looks like: Identity card. Expected was: Payslip'])
}, 90_000)

test('what was put in before, and what nobody can read, is told at once', async () => {
  const bytes = await slip()
  await press(bytes, { button: 'any' })
  expect(await press(bytes, { button: 'any' })).toMatchObject({
    state: 'failed',
    package: null,
    problems: [expect.stringContaining('it was not taken twice')],
  })
  expect(await press(Buffer.from('no paper'), { button: 'any' })).toMatchObject({
    state: 'done',
    documents: [],
    problems: [expect.stringContaining('scan.pdf: This is not a kind of file')],
  })
}, 90_000)

test('identity papers are shown to the service, which stands beside our own reading', async () => {
  const good = await press(await card('MR1234567'), { button: 'any' })
  expect(good.identity).toEqual([{ page: 1, verdict: 'valid', reasons: [] }])
  const lost = await press(await card('MR1234560'), { button: 'any' })
  expect(lost.identity).toEqual([
    { page: 1, verdict: 'not valid', reasons: ['the number is on the list of lost papers'] },
  ])
  expect(lost.problems).toContain(
    'The identity paper was checked: not valid; the number is on the list of lost papers',
  )
  const id = lost.package as string
  // The checklist goes by what the paper says.
  expect(lost.required).toContainEqual(
    expect.objectContaining({ requirement: 'photo_id', status: 'satisfied' }),
  )
  await askIdentity(at.who, id, 1)
  await until(async () => (await identityOf(database(), id))[0]?.verdict === 'not valid')
  expect((await historyOf(id)).map((a) => a.act)).toContain('had an identity paper looked at')
  await expect(askIdentity(at.who, id, 2)).rejects.toThrow('No identity paper begins on that page.')
  await expect(askIdentity(await elsewhere(), id, 1)).rejects.toThrow('No service')
}, 120_000)

test('a device sees its own arrivals alone, and other keys none', async () => {
  const { id } = (await call('/arrivals', { form: formOf(await slip(), { button: 'any' }) })).body
  const second = await addDevice(null, FIRST_ORGANISATION, { ...setUp, name: 'Second' })
  if ('problem' in second) throw new Error(second.problem)
  expect((await call(`/arrivals/${id as string}`, { key: second.key })).status).toBe(404)
  expect((await call('/packages', { key: device.key })).status).toBe(403)
  expect((await call('/arrivals', { form: formOf(await slip(), { button: 'none' }) })).body).toMatchObject({
    status: 400,
    field: 'button',
  })
  const problem = async () => (await sourcesOf(FIRST_ORGANISATION)).find((s) => s.id === device.id)!.problem
  expect(await problem()).toContain('a button that it does not have any more')
  await press(await slip(), { button: 'any' })
  expect(await problem()).toBeNull()
  const theirs = await newPackage('working-boat-loan', await elsewhere())
  const { caseNumber } = (await packageRow(theirs, await elsewhere())) ?? { caseNumber: 'THS-26-004001' }
  expect(
    (await call('/arrivals', { form: formOf(await slip(), { button: 'any', caseNumber }) })).body,
  ).toMatchObject({ status: 400, field: 'caseNumber' })
  await call(`/arrivals/${id as string}?wait=30`)
}, 90_000)

test('a new key ends the old one; a paused device takes nothing; nobody else sets it up', async () => {
  const lead = await person('lead')
  const key = await newKey(lead, FIRST_ORGANISATION, { id: device.id, name: 'Counter' })
  expect((await call('/device')).status).toBe(401)
  device = { ...device, key }
  expect(await setDevice(await elsewhere(), device.id, setUp)).toBe('There is no such device any more.')
  expect(await setDevice(lead, device.id, { ...setUp, buttons: [{ ...buttons[0], program: 'none' }] })).toBe(
    'There is no such program as “Papers for a loan” says.',
  )
  expect(await setDevice(lead, device.id, { ...setUp, paused: true })).toBeNull()
  expect((await call('/arrivals', { form: formOf(await slip(), { button: 'any' }) })).status).toBe(409)
  expect(await setDevice(lead, device.id, setUp)).toBeNull()
  expect((await sourcesOf(FIRST_ORGANISATION)).find((s) => s.id === device.id)?.kind).toBe('device')
  const [row] = await database()
    .select()
    .from(integrations)
    .where(eq(integrations.sourceId, device.id))
    .limit(1)
  expect(await revokeIntegration(await elsewhere('administrator'), row.id)).toBe(false)
}, 60_000)

test('the panel of the stand-in speaks to the application as a device does', async () => {
  const panel = await startCounterDevice(`${web.url}/api/v1`, device.key, async () => [
    { name: 'payslip', bytes: await slip() },
  ])
  try {
    expect(await (await fetch(panel.url)).text()).toContain('What do you bring?')
    expect(await (await fetch(`${panel.url}/papers`)).json()).toEqual(['payslip'])
    const form = new FormData()
    form.set('button', 'any')
    form.append('paper', 'payslip')
    const { id } = (await (await fetch(`${panel.url}/arrivals`, { method: 'POST', body: form })).json()) as {
      id: string
    }
    expect(await (await fetch(`${panel.url}/arrivals/${id}?wait=45`)).json()).toMatchObject({ state: 'done' })
  } finally {
    await panel.stop()
  }
}, 60_000)

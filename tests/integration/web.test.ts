import { jest } from '@jest/globals'
import { eq } from 'drizzle-orm'
import { request } from 'node:http'
import { freePort } from '../../cli/postgres.ts'
import { setDisabled } from '../../server/access/colleagues.ts'
import { signOut } from '../../server/access/people.ts'
import { actsOf } from '../../server/audit.ts'
import { database } from '../../server/database/connection.ts'
import { files, session } from '../../server/database/schema.ts'
import { tell } from '../../server/events.ts'
import { newPackage } from '../../server/packages/intake.ts'
import { changeStream } from '../../server/streams.ts'
import { startProvider, Visitor } from '../support/provider.ts'
import { payslip, pdfOf } from '../support/papers.ts'
import { desk, elsewhere, person, readPackage, until } from '../support/server.ts'
import { ask, cookiesOf, startNginx, startWebAt, type Web } from '../support/web.ts'

const at = desk()
let web: Web
beforeAll(async () => {
  web = await startWebAt({ METRICS_KEY: 'a-key-for-figures' })
}, 60_000)
afterAll(() => web.end())

describe('at the server entry', () => {
  test('what browsers are told of an answer: nothing of others runs in it, frames it, or keeps it', async () => {
    const { headers, body } = await ask(`${web.url}/sign-in`)
    const policy = String(headers['content-security-policy'])
    expect(policy).toMatch("frame-ancestors 'none'")
    expect(policy).not.toMatch('unsafe-inline')
    const nonce = /script-src 'self' 'nonce-([^']+)'/.exec(policy)?.[1]
    expect(nonce).toBeTruthy()
    const scripts = body.match(/<script\b[^>]*>/g) ?? []
    expect(scripts.length).toBeGreaterThan(0)
    for (const script of scripts) expect(script).toMatch(`nonce="${nonce}"`)
    expect(headers).toMatchObject({
      'x-content-type-options': 'nosniff',
      'cache-control': 'no-store',
      'referrer-policy': 'same-origin',
      'x-frame-options': 'DENY',
    })
  })

  test('a request from another place changes nothing, whatever its kind, and a screen of ours does', async () => {
    const id = await newPackage('working-boat-loan', at.who)
    const cookie = await cookiesOf(web.url, at.who)
    const bring = (headers: Record<string, string>) =>
      ask(`${web.url}/packages/${id}/bring?name=a.txt`, {
        method: 'POST',
        headers: { cookie, 'Content-Type': 'text/plain', ...headers },
        body: 'words',
      })
    expect((await bring({ Origin: 'http://evil.example' })).status).toBe(403)
    expect((await bring({ 'Sec-Fetch-Site': 'same-site' })).status).toBe(403)
    expect(await database().select().from(files).where(eq(files.packageId, id))).toEqual([])
    expect((await bring({ Origin: web.url })).status).toBe(200)
  })

  test('a stranger’s body is broken off at the size of a form, said beforehand or not', async () => {
    const megabyte = Buffer.alloc(1 << 20)
    const said = await ask(`${web.url}/sign-in`, {
      method: 'POST',
      headers: { Origin: web.url, 'Content-Length': String(megabyte.length) },
      body: megabyte,
    }).catch((error: NodeJS.ErrnoException) => error.code)
    // The line may be closed before all that is sent was taken.
    expect(typeof said === 'object' ? said.status : said).toEqual(
      typeof said === 'object' ? 413 : expect.stringMatching(/EPIPE|ECONNRESET/),
    )
    async function* unsaid() {
      for (let i = 0; i < 3; i++) yield await Promise.resolve(megabyte.subarray(0, 50_000))
    }
    const counted = await ask(`${web.url}/sign-in`, {
      method: 'POST',
      headers: { Origin: web.url, 'Content-Type': 'application/x-www-form-urlencoded' },
      body: unsaid(),
    })
    expect([counted.status, counted.body]).toEqual([
      413,
      'This is larger than 64 kB, the most that is taken here.',
    ])
  })

  test('words that no store takes are mended where they come in, and a picture is shown to its session alone', async () => {
    const cookie = await cookiesOf(web.url, at.who)
    const id = await readPackage(at.who, await pdfOf(payslip('September', '30', '6,006.06')))
    const send = (path: string, body: string) =>
      ask(`${web.url}/packages/${id}/${path}`, {
        method: 'POST',
        headers: { cookie, Origin: web.url, 'Content-Type': 'application/json' },
        body,
      })
    const reason = JSON.stringify({
      act: 'answer',
      answers: [{ kind: 'waive', requirement: 'berth', reason: 'own\0 berth \ud800' }],
    })
    expect((await send('answers', reason)).status).toBe(200)
    expect((await send(`bring?name=${encodeURIComponent('a\0b.txt')}`, 'words')).status).toBe(200)
    const names = await database().select({ name: files.name }).from(files).where(eq(files.packageId, id))
    expect(names.map((f) => f.name)).toContain('ab.txt')

    const picture = `${web.url}/packages/${id}/pages/1/small`
    await until(async () => (await ask(picture, { headers: { cookie } })).status === 200)
    const { headers } = await ask(picture, { headers: { cookie } })
    expect(String(headers['cache-control'])).toMatch(/no-cache|no-store/)
    const known = { 'If-None-Match': String(headers.etag) }
    expect((await ask(picture, { headers: { cookie, ...known } })).status).toBe(304)
    expect((await ask(picture, { headers: known })).status).toBe(302)
  }, 60_000)

  test('a device is known wherever the sign-in is sent to', async () => {
    const { headers } = await ask(`${web.url}/sign-in.data`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/x-www-form-urlencoded', Origin: web.url },
      body: new URLSearchParams({ email: at.who.email, password: 'a-long-password' }).toString(),
    })
    const device = headers['set-cookie']?.find((one) => one.startsWith('jigsa.device='))
    expect(device).toMatch(/; Path=\/(?:;|$)/)
  })

  test('health is told to everybody, figures to whoever names the key', async () => {
    expect((await ask(`${web.url}/health`)).status).toBe(200)
    await until(async () => (await ask(`${web.url}/health?worker=1`)).status === 200)
    expect((await ask(`${web.url}/metrics`)).status).toBe(404)
    const { status, body } = await ask(`${web.url}/metrics`, {
      headers: { Authorization: 'Bearer a-key-for-figures' },
    })
    expect(status).toBe(200)
    expect(body).toMatch(/^jigsa_workers [1-9]/m)
    expect(body).toMatch(/^jigsa_request_seconds_count\{method="GET",status="2xx"\} \d/m)
  })
})

/** Listens to events until the stream ends. @returns what was heard so far, and whether it has ended */
function listen(cookie: string): Promise<{ heard: () => string; ended: () => boolean }> {
  return new Promise((done, fail) => {
    let heard = ''
    let ended = false
    request(`${web.url}/events`, { headers: { cookie } }, (answer) => {
      answer.on('data', (part: Buffer) => (heard += part.toString()))
      answer.on('close', () => (ended = true))
      done({ heard: () => heard, ended: () => ended })
    })
      .on('error', fail)
      .end()
  })
}

describe('event streams', () => {
  test('end soon after their session, which no stream keeps awake', async () => {
    const who = await person()
    const cookie = await cookiesOf(web.url, who)
    const stream = await listen(cookie)
    await until(() => Promise.resolve(stream.heard().includes('data: null')))
    await signOut(new Request(web.url, { headers: { cookie } }))
    await until(() => Promise.resolve(stream.ended()), 30)
  })
  test('a session that nobody used for an hour is none', async () => {
    const who = await person()
    const cookie = await cookiesOf(web.url, who)
    await database()
      .update(session)
      .set({ updatedAt: new Date(Date.now() - 61 * 60_000) })
      .where(eq(session.userId, who.id))
    expect((await ask(`${web.url}/packages`, { headers: { cookie } })).headers.location).toMatch('/sign-in')
    expect(await database().select().from(session).where(eq(session.userId, who.id))).toEqual([])
  })
})

describe('behind a proxy that ends TLS', () => {
  test('people sign in, bring a file and hear of it; cookies are for TLS alone', async () => {
    const port = await freePort()
    const url = `https://localhost:${port}`
    const behind = await startWebAt({ BASE_URL: url, TRUSTED_PROXIES: 'loopback' })
    const nginx = startNginx(port, behind.url)
    const { certificate } = nginx
    try {
      await until(() =>
        ask(`${url}/health`, { certificate }).then(
          ({ status }) => status === 200,
          () => false,
        ),
      )
      const page = await ask(`${url}/sign-in`, { certificate })
      expect(page.headers['strict-transport-security']).toMatch('max-age')
      const sent = await ask(`${url}/sign-in`, {
        method: 'POST',
        certificate,
        headers: { Origin: url, 'Content-Type': 'application/x-www-form-urlencoded' },
        body: new URLSearchParams({ email: at.who.email, password: 'a-long-password' }).toString(),
      })
      expect(sent.status).toBe(302)
      const cookies = sent.headers['set-cookie'] ?? []
      for (const cookie of cookies) expect(cookie).toMatch(/; Secure/i)
      const cookie = cookies.map((one) => one.split(';')[0]).join('; ')
      const [{ ipAddress }] = await database()
        .select({ ipAddress: session.ipAddress })
        .from(session)
        .where(eq(session.userId, at.who.id))
        .orderBy(session.createdAt)
      expect(ipAddress).toBe('127.0.0.1')
      const id = await newPackage('working-boat-loan', at.who)
      const brought = await ask(`${url}/packages/${id}/bring?name=note.txt`, {
        method: 'POST',
        certificate,
        headers: { cookie, Origin: url },
        body: Buffer.alloc(3 << 20, 'x'),
      })
      expect(brought.status).toBe(200)
      expect(
        await database().select({ size: files.size }).from(files).where(eq(files.packageId, id)),
      ).toEqual([{ size: 3 << 20 }])
    } finally {
      await nginx.end()
      await behind.end()
    }
  })
})

describe('by a provider that vouches for people', () => {
  beforeAll(() => {
    // It says at length that it is one for tests.
    for (const way of ['warn', 'info'] as const) jest.spyOn(console, way).mockImplementation(() => undefined)
  })
  afterAll(() => jest.restoreAllMocks())

  /** Signs in at the provider as an address. @returns where the browser ends up */
  async function through(
    url: string,
    email: string,
    provider: string,
  ): Promise<{ at: string; visitor: Visitor }> {
    const visitor = new Visitor()
    const begun = await visitor.go(`${url}/sign-in`, { provider })
    const login = await visitor.follow(begun.headers.location!)
    const consent = await visitor.go(login.at, { prompt: 'login', login: email, password: 'any' })
    const agreed = await visitor.follow(new URL(consent.headers.location!, login.at).href)
    const back = await visitor.go(agreed.at, { prompt: 'consent' })
    const { at } = await visitor.follow(new URL(back.headers.location!, agreed.at).href)
    return { at, visitor }
  }

  test('its own people come in; strangers, people of another house and those switched off do not', async () => {
    const port = await freePort()
    const url = `http://127.0.0.1:${port}`
    const [administrator, other] = [await elsewhere('administrator'), await elsewhere('lead')]
    const { organisationId } = administrator
    const who = await person('processor', organisationId)
    const off = await person('processor', organisationId)
    await setDisabled(administrator, organisationId, off.id, true)
    const house = await startProvider(`${url}/api/auth/callback/${organisationId}`)
    const OPENID = JSON.stringify({ [organisationId]: house.settings })
    const open = await startWebAt({ PORT: String(port), BASE_URL: url, OPENID })
    try {
      const { at, visitor } = await through(url, who.email, organisationId)
      expect(at).toBe(`${url}/packages`)
      expect((await visitor.go(`${url}/packages`)).body).toContain(who.name)
      for (const email of ['stranger@nowhere.example', other.email, off.email])
        expect((await through(url, email, organisationId)).at).toBe(`${url}/sign-in?refused=provider`)
      const acts = (await actsOf(organisationId, null, 20)).map((a) => a.detail)
      expect(acts.some((detail) => detail.startsWith('by its provider'))).toBe(true)
    } finally {
      await open.end()
      await house.end()
    }
  }, 60_000)
})

test('a screen that is gone before its stream hears of changes costs nobody theirs', async () => {
  const listen = () =>
    changeStream({
      who: at.who,
      only: null,
      gone: new AbortController().signal,
      stands: () => Promise.resolve(true),
    })
  // The first to listen waits for a connection; it leaves while it does.
  await listen().cancel()
  const stays = listen().getReader()
  const next = async () => Buffer.from((await stays.read()).value ?? []).toString()
  expect(await next()).toContain('data: null')
  const id = await newPackage('working-boat-loan', at.who)
  await tell(database(), { packageId: id, what: 'queue' })
  let heard = ''
  while (!heard.includes(id)) heard = await next()
  await stays.cancel()
})

test('a web process that is to end answers what it was asked, closes its streams and takes nothing more', async () => {
  const ending = await startWebAt()
  const cookie = await cookiesOf(ending.url, at.who)
  const id = await newPackage('working-boat-loan', at.who)
  let go = () => undefined as void
  const held = new Promise<void>((done) => (go = done))
  async function* slowly() {
    yield Buffer.from('first half, ')
    await held
    yield Buffer.from('second half')
  }
  const brought = ask(`${ending.url}/packages/${id}/bring?name=slow.txt`, {
    method: 'POST',
    headers: { cookie, Origin: ending.url },
    body: slowly(),
  })
  await until(async () => (await database().select().from(files).where(eq(files.packageId, id))).length === 1)
  ending.child.kill('SIGTERM')
  await until(() =>
    ask(`${ending.url}/health`).then(
      () => false,
      () => true,
    ),
  )
  go()
  expect((await brought).status).toBe(200)
  await until(() => Promise.resolve(ending.child.exitCode !== null), 10)
  expect(ending.child.exitCode).toBe(0)
}, 60_000)

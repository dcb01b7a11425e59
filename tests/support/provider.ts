import type { Server } from 'node:http'
import Provider from 'oidc-provider'
import { freePort } from '../../cli/postgres.ts'
import { ask, type Answer } from './web.ts'

/** A provider that vouches for whatever address is typed into it, on loopback. */
export async function startProvider(redirectUri: string) {
  const port = await freePort()
  const issuer = `http://127.0.0.1:${port}`
  const client = { client_id: 'jigsa', client_secret: 'only-for-tests', redirect_uris: [redirectUri] }
  const provider = new Provider(issuer, {
    clients: [client],
    cookies: { keys: ['only-for-tests'] },
    claims: { openid: ['sub'], email: ['email', 'email_verified'], profile: ['name'] },
    conformIdTokenClaims: false,
    findAccount: (_, id) => ({
      accountId: id,
      claims: () => ({ sub: id, email: id, email_verified: true, name: id }),
    }),
    features: { devInteractions: { enabled: true } },
  })
  const server: Server = await new Promise((done) => {
    const listening = provider.listen(port, '127.0.0.1', () => done(listening))
  })
  return {
    settings: { name: 'the house', issuer, clientId: client.client_id, clientSecret: client.client_secret },
    end: () =>
      new Promise<void>((done) => {
        server.close(() => done())
        server.closeAllConnections()
      }),
  }
}

/** What a browser keeps of cookies, by the place that gave them, and its way from one address to the next. */
export class Visitor {
  private readonly jars = new Map<string, Map<string, string>>()

  async go(address: string, form?: Record<string, string>): Promise<Answer> {
    const { origin } = new URL(address)
    const jar = this.jars.get(origin) ?? new Map<string, string>()
    this.jars.set(origin, jar)
    const answer = await ask(address, {
      method: form ? 'POST' : 'GET',
      headers: {
        cookie: [...jar].map(([name, value]) => `${name}=${value}`).join('; '),
        ...(form ? { 'Content-Type': 'application/x-www-form-urlencoded', Origin: origin } : {}),
      },
      body: form ? new URLSearchParams(form).toString() : undefined,
    })
    for (const one of answer.headers['set-cookie'] ?? []) {
      const [, name, value] = /^([^=]+)=([^;]*)/.exec(one)!
      jar.set(name, value)
    }
    return answer
  }

  /** Follows where it is sent, until a page is shown; `until` ends it earlier. */
  async follow(address: string, until = /^never$/): Promise<{ at: string; page: Answer }> {
    for (let at = address; ;) {
      const page = await this.go(at)
      const { location } = page.headers
      if (!location || until.test(new URL(location, at).href))
        return { at: location ? new URL(location, at).href : at, page }
      at = new URL(location, at).href
    }
  }
}

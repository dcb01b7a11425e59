import { execFileSync, spawn, type ChildProcess } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { request as requestPlainly, type IncomingHttpHeaders } from 'node:http'
import { request as requestByTls } from 'node:https'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { freePort } from '../../cli/postgres.ts'
import { answers, endProcess, startWeb } from '../../cli/processes.ts'

/** The built web process of a test. */
export interface Web {
  url: string
  child: ChildProcess
  end: () => Promise<void>
}

/** Starts the built web process on the database of this run. @param settings besides those of the run */
export async function startWebAt(settings: NodeJS.ProcessEnv = {}): Promise<Web> {
  const port = Number(settings.PORT ?? (await freePort()))
  const url = `http://127.0.0.1:${port}`
  const child = startWeb({
    ...process.env,
    BASE_URL: url,
    PORT: String(port),
    HOST: '127.0.0.1',
    ...settings,
  })
  try {
    await answers(`${url}/health`, child)
    return { url, child, end: () => endProcess(child) }
  } catch (error) {
    await endProcess(child, 0)
    throw error
  }
}

/** An nginx that ends TLS in front of a web process, by the configuration that the documentation gives. */
export function startNginx(port: number, to: string): { certificate: string; end: () => Promise<void> } {
  const folder = mkdtempSync(join(tmpdir(), 'jigsa-nginx-'))
  const [certificate, key] = [join(folder, 'certificate.pem'), join(folder, 'key.pem')]
  execFileSync(
    'openssl',
    ['req', '-x509', '-newkey', 'rsa:2048', '-nodes', '-days', '2', '-subj', '/CN=localhost'].concat([
      '-addext',
      'subjectAltName=DNS:localhost',
      '-keyout',
      key,
      '-out',
      certificate,
    ]),
    { stdio: 'pipe' },
  )
  const server = readFileSync('docs/nginx.conf', 'utf8')
    .replace('PORT ssl', `127.0.0.1:${port} ssl`)
    .replace('CERTIFICATE;', `${certificate};`)
    .replace('KEY;', `${key};`)
    .replace('http://JIGSA', to)
  const paths = ['client_body', 'proxy', 'fastcgi', 'uwsgi', 'scgi'].map(
    (kind) => `${kind}_temp_path ${folder}/${kind};`,
  )
  writeFileSync(
    join(folder, 'nginx.conf'),
    `daemon off; ${process.getuid?.() === 0 ? 'user root;' : ''} pid ${folder}/pid; error_log ${folder}/error.log;
     events {} http { access_log off; ${paths.join(' ')} ${server} }`,
  )
  const child = spawn('nginx', ['-c', join(folder, 'nginx.conf'), '-e', join(folder, 'error.log')], {
    stdio: 'ignore',
  })
  return {
    certificate: readFileSync(certificate, 'utf8'),
    async end() {
      await endProcess(child)
      rmSync(folder, { recursive: true, force: true })
    },
  }
}

export interface Answer {
  status: number
  headers: IncomingHttpHeaders
  body: string
}

/** A request of a browser or of somebody who is none. */
export interface Asked {
  method?: string
  headers?: Record<string, string>
  body?: string | Buffer | AsyncIterable<Buffer>
  certificate?: string
}

/** Asks for an address; nothing is followed, and nothing is added that is not named. */
export function ask(
  address: string,
  { method = 'GET', headers = {}, body, certificate }: Asked = {},
): Promise<Answer> {
  const options = { method, headers, ca: certificate }
  const request = address.startsWith('https:') ? requestByTls : requestPlainly
  return new Promise((done, fail) => {
    const sent = request(address, options, (answer) => {
      const parts: Buffer[] = []
      answer.on('data', (part: Buffer) => parts.push(part))
      answer.on('error', fail)
      answer.on('end', () =>
        done({
          status: answer.statusCode ?? 0,
          headers: answer.headers,
          body: Buffer.concat(parts).toString('utf8'),
        }),
      )
    })
    sent.on('error', fail)
    void (async () => {
      if (typeof body === 'string' || Buffer.isBuffer(body)) sent.write(body)
      else if (body)
        for await (const part of body)
          if (!sent.write(part)) await new Promise((go) => sent.once('drain', go))
      sent.end()
    })().catch(fail)
  })
}

/** Signs in as a browser does. @returns the cookies of the session */
export async function cookiesOf(
  url: string,
  { email, password = 'a-long-password' }: { email: string; password?: string },
  asked: Asked = {},
): Promise<string> {
  const { headers, status, body } = await ask(`${url}/sign-in`, {
    ...asked,
    method: 'POST',
    headers: { 'Content-Type': 'application/x-www-form-urlencoded', Origin: url },
    body: new URLSearchParams({ email, password }).toString(),
  })
  if (!headers['set-cookie']) throw new Error(`not signed in: ${status} ${body.slice(0, 300)}`)
  return headers['set-cookie'].map((cookie) => cookie.split(';')[0]).join('; ')
}

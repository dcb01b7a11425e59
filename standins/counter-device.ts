import { readFile } from 'node:fs/promises'
import type { AddressInfo } from 'node:net'
import { serve } from '@hono/node-server'
import { Hono } from 'hono'

/** A paper that can be put in. */
export interface SamplePaper {
  name: string
  bytes: Uint8Array
}

const PANEL = new URL('counter-device.html', import.meta.url)

/**
 * A counter scanner with a touch panel: a page of its own on loopback, which speaks to the application as a device
 * does, by its key and the API alone.
 * @param api where the API of the application is, `http://…/api/v1`
 */
export async function startCounterDevice(
  api: string,
  key: string,
  papers: () => Promise<readonly SamplePaper[]>,
  port = 0,
): Promise<{ url: string; stop: () => Promise<void> }> {
  let drawn: Promise<readonly SamplePaper[]> | null = null
  const tray = () => (drawn ??= papers())
  const ask = (path: string, options: RequestInit = {}) =>
    fetch(`${api}${path}`, { ...options, headers: { Authorization: `Bearer ${key}` } }).catch(() =>
      Response.json({ detail: 'Jigsa does not answer.' }, { status: 502 }),
    )
  const through = async (answer: Response) =>
    new Response(await answer.text(), {
      status: answer.status,
      headers: { 'Content-Type': answer.headers.get('content-type') ?? 'application/json' },
    })
  const app = new Hono()
    .get('/', async (c) => c.html(await readFile(PANEL, 'utf8')))
    .get('/device', async () => through(await ask('/device')))
    .get('/papers', async (c) => c.json((await tray()).map((p) => p.name)))
    .post('/arrivals', async (c) => {
      const said = await c.req.formData()
      const form = new FormData()
      for (const name of ['button', 'caseNumber']) {
        const value = said.get(name)
        if (typeof value === 'string') form.set(name, value)
      }
      for (const { name, bytes } of await tray())
        if (said.getAll('paper').includes(name))
          form.append('files', new Blob([new Uint8Array(bytes)]), `${name}.pdf`)
      for (const file of said.getAll('files')) if (typeof file !== 'string') form.append('files', file)
      return through(await ask('/arrivals', { method: 'POST', body: form }))
    })
    .get('/arrivals/:id', async (c) =>
      through(
        await ask(
          `/arrivals/${encodeURIComponent(c.req.param('id'))}?wait=${Number(c.req.query('wait') ?? 0)}`,
        ),
      ),
    )
  return new Promise((done) => {
    const server = serve({ fetch: app.fetch, port, hostname: '127.0.0.1' }, (address: AddressInfo) =>
      done({
        url: `http://127.0.0.1:${address.port}`,
        stop: () =>
          new Promise((ended) => {
            server.close(() => ended())
            if ('closeAllConnections' in server) server.closeAllConnections()
          }),
      }),
    )
  })
}

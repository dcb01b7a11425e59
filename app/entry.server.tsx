import { createReadableStreamFromReadable } from '@react-router/node'
import { isbot } from 'isbot'
import { PassThrough } from 'node:stream'
import { renderToPipeableStream } from 'react-dom/server'
import {
  isRouteErrorResponse,
  ServerRouter,
  type AppLoadContext,
  type EntryContext,
  type HandleErrorFunction,
} from 'react-router'
import { holdStyles } from './parts/held-styles.ts'
import { log } from '../server/log.ts'

/** A page whose data does not come within so many milliseconds is sent without it. */
export const streamTimeout = 5_000

/** Renders a page to a stream; robots get it whole. */
export default function handleRequest(
  request: Request,
  status: number,
  headers: Headers,
  context: EntryContext,
  { nonce }: AppLoadContext,
): Promise<Response> | Response {
  if (request.method === 'HEAD') return new Response(null, { status, headers })
  const whole = isbot(request.headers.get('user-agent')) || context.isSpaMode
  return new Promise((resolve, reject) => {
    let code = status
    let shellSent = false
    const send = () => {
      shellSent = true
      const body = new PassThrough({
        final(done) {
          clearTimeout(late)
          done()
        },
      })
      headers.set('Content-Type', 'text/html; charset=utf-8')
      stream.pipe(holdStyles()).pipe(body)
      resolve(new Response(createReadableStreamFromReadable(body), { status: code, headers }))
    }
    const stream = renderToPipeableStream(
      <ServerRouter context={context} url={request.url} nonce={nonce} />,
      {
        nonce,
        [whole ? 'onAllReady' : 'onShellReady']: send,
        onShellError(error: unknown) {
          clearTimeout(late)
          reject(error instanceof Error ? error : new Error('a page could not be drawn', { cause: error }))
        },
        onError(error: unknown) {
          code = 500
          // Before the shell is sent the error reaches handleError by the rejection.
          if (shellSent) log.error({ error: nameOf(error) }, 'a page broke while it was sent')
        },
      },
    )
    const late = setTimeout(() => stream.abort(), streamTimeout + 1000)
  })
}

/** One line an error: a stack or a query's parameters would put applicants' data into the log. */
export const handleError: HandleErrorFunction = (error, { request }) => {
  if (request.signal.aborted) return
  const { pathname } = new URL(request.url)
  if (isRouteErrorResponse(error))
    log.info({ path: pathname, status: error.status }, 'an address is not served')
  else log.error({ path: pathname, error: nameOf(error) }, 'a request failed')
}

const nameOf = (error: unknown): string =>
  error instanceof Error ? `${error.name}: ${error.message.split('\n')[0].slice(0, 200)}` : 'unknown'

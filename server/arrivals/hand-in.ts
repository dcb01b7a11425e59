import type { AddressInfo } from 'node:net'
import { SMTPServer } from 'smtp-server'
import { inShort } from '../jobs/tried.ts'
import { log } from '../log.ts'
import { settings } from '../settings.ts'
import { inMegabytes, keep, TooLarge } from '../storage/contents.ts'
import { takeMessage } from './messages.ts'
import { isOurs, knowSources, setSourcesOf, type Source } from './sources.ts'

/** Connections of mail servers that are heard at once. */
const MOST_CONNECTIONS = 50
/** Milliseconds after which a line that says nothing is closed (RFC 5321, 4.5.3.2 asks for five minutes). */
const SILENCE_MS = 300_000

/** What a mail server is told (RFC 5321). */
class SmtpRefusal extends Error {
  constructor(
    readonly responseCode: number,
    message: string,
  ) {
    super(message)
  }
}

/**
 * Listens for mail that a mail server hands in (SMTP, RFC 5321) for the addresses that are set. A message is
 * acknowledged once it is stored: killed before that, the server hands it in again, and it is known.
 * @returns the port, and how it is ended
 */
export async function listenForMail({
  host,
  port,
}: {
  host: string
  port: number
}): Promise<{ port: number; stop: () => Promise<void> }> {
  const most = settings().MOST_FILE_BYTES
  const server = new SMTPServer({
    name: 'jigsa',
    banner: 'Jigsa',
    // It listens to mail servers on its own network alone; whoever sends is known by what it sends for.
    authOptional: true,
    disabledCommands: ['AUTH', 'STARTTLS'],
    size: most,
    maxClients: MOST_CONNECTIONS,
    socketTimeout: SILENCE_MS,
    onRcptTo({ address }, _session, done) {
      sourceFor(address).then(
        (source) =>
          source === null
            ? done(new SmtpRefusal(550, 'Nobody of this address is here.'))
            : source.paused
              ? done(new SmtpRefusal(450, 'This address takes nothing just now.'))
              : done(),
        () => done(new SmtpRefusal(451, 'A fault of ours; try again.')),
      )
    },
    onData(stream, session, done) {
      const { mailFrom, rcptTo } = session.envelope
      const from = mailFrom ? mailFrom.address : ''
      void take(delivered(from, stream), [...new Set(rcptTo.map((r) => r.address))], most).then(
        () => done(null),
        (error: unknown) => {
          if (error instanceof TooLarge)
            return done(new SmtpRefusal(552, `A message may have ${inMegabytes(most)}.`))
          log.warn({ error: inShort(error) }, 'a message could not be taken')
          done(new SmtpRefusal(451, 'A fault of ours; try again.'))
        },
      )
    },
  })
  server.on('error', (error) => log.warn({ error: inShort(error) }, 'mail that is handed in'))
  await new Promise<void>((done, fail) => {
    server.once('error', fail)
    server.listen(port, host, done)
  })
  return {
    port: (server.server.address() as AddressInfo).port,
    stop: () => new Promise((done) => server.close(() => done())),
  }
}

async function sourceFor(address: string): Promise<Source | null> {
  const find = async () =>
    (await setSourcesOf('address')).find((s) => s.address === address.toLowerCase()) ?? null
  const known = await find()
  if (known || !isOurs(address)) return known
  // An organisation may have been made since the last one asked.
  await knowSources()
  return find()
}

/**
 * A message with whom its envelope names as sender, as the last server on its way notes it (RFC 5321, 4.4): of bounces
 * and of what answers by itself that is nobody, and nothing else may say so.
 */
async function* delivered(from: string, message: AsyncIterable<Uint8Array>): AsyncGenerator<Uint8Array> {
  yield Buffer.from(`Return-Path: <${from.replace(/[\r\n<>]/g, '')}>\r\n`)
  yield* message
}

async function take(
  stream: AsyncIterable<Uint8Array>,
  addresses: readonly string[],
  most: number,
): Promise<void> {
  const kept = await keep(stream, most)
  for (const address of addresses) {
    const source = await sourceFor(address)
    // Bytes that are the same are the same message, handed in again by a server that did not hear us.
    if (source) await takeMessage(source, { identity: kept.sha256, ...kept })
  }
}

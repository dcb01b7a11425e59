import { readFileSync } from 'node:fs'
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { join } from 'node:path'
import { buffer } from 'node:stream/consumers'
import { setTimeout as pause } from 'node:timers/promises'
import { simpleParser } from 'mailparser'
import nodemailer from 'nodemailer'
import { SMTPServer } from 'smtp-server'

/** A letter as whoever asks is shown it. */
export interface Letter {
  from: string
  to: string[]
  subject: string
  messageId: string
  inReplyTo: string | null
  references: string[]
  text: string
  html: string | null
  attachments: { name: string; type: string; size: number }[]
  at: string
}

export interface PostOffice {
  /** `smtp://127.0.0.1:PORT`: takes mail for anybody. */
  smtp: string
  /** Where all that was not for the application is listed, the newest first. */
  messages: string
  letters: () => readonly Letter[]
  /** Takes letters and says nothing of it until it is told to: whoever sends them does not know that they arrived. */
  withhold: () => { taken: () => number; release: () => void }
  stop: () => Promise<void>
}

/** Shows all mail, opens its links, and answers as whoever got it. */
const PAGE = join(import.meta.dirname, 'post-office.html')
/** Nobody of this host has a mailbox: what is sent there is refused. */
const REFUSED = '@refused.example'

/** Milliseconds between two tries to hand on what is not taken yet. */
const AGAIN_MS = 500

interface Bag {
  from: string
  to: string[]
  raw: Buffer
}

/**
 * A post office for a demo and for tests: mail for the application is handed on to it, and tried again until it is
 * taken; all other mail is kept to be looked at.
 * @param own addresses that are the application's
 * @param handOn where the application listens, `smtp://…`
 */
export async function startPostOffice(
  own: readonly string[],
  handOn: string,
  ports: { smtp?: number; http?: number } = {},
): Promise<PostOffice> {
  const kept: Letter[] = []
  const waiting = new Set<Bag>()
  let open = true
  let gate = Promise.resolve()
  let behindGate = 0
  const smtp = new SMTPServer({
    authOptional: true,
    disabledCommands: ['AUTH', 'STARTTLS'],
    onRcptTo: ({ address }, _session, done) =>
      address.toLowerCase().endsWith(REFUSED)
        ? done(Object.assign(new Error('There is no such mailbox.'), { responseCode: 550 }))
        : done(),
    onData(stream, { envelope }, done) {
      const from = envelope.mailFrom ? envelope.mailFrom.address : ''
      const to = envelope.rcptTo.map((r) => r.address.toLowerCase())
      void buffer(stream)
        .then(async (raw) => {
          const inside = to.filter((address) => own.includes(address))
          const outside = to.filter((address) => !own.includes(address))
          if (inside.length > 0) {
            const bag = { from, to: inside, raw }
            waiting.add(bag)
            void handOver(bag)
          }
          if (outside.length > 0) kept.unshift(await letterOf(raw, outside))
          behindGate++
          await gate
        })
        .then(
          () => done(null),
          (error: unknown) => done(error instanceof Error ? error : new Error(String(error))),
        )
    },
  })
  smtp.on('error', () => undefined)

  async function handOver(bag: Bag): Promise<void> {
    while (open) {
      try {
        await nodemailer
          .createTransport(handOn)
          .sendMail({ envelope: { from: bag.from, to: bag.to }, raw: bag.raw })
        waiting.delete(bag)
        return
      } catch (error) {
        // Refused for good: a real one would write back.
        if (((error as { responseCode?: number }).responseCode ?? 0) >= 500) {
          waiting.delete(bag)
          return
        }
        await pause(AGAIN_MS)
      }
    }
  }

  /** Writes back as whoever got a letter. */
  async function answer(fields: FormData): Promise<boolean> {
    const letter = kept.find((l) => l.messageId === fields.get('to'))
    if (!letter) return false
    const text = fields.get('text')
    const files = fields.getAll('files').filter((f): f is File => typeof f !== 'string' && f.size > 0)
    await nodemailer.createTransport({ url: office.smtp }).sendMail({
      from: letter.to[0],
      to: letter.from,
      subject: `Re: ${letter.subject.replace(/^Re: /, '')}`,
      inReplyTo: letter.messageId,
      references: [...letter.references, letter.messageId],
      text: typeof text === 'string' ? text : '',
      attachments: await Promise.all(
        files.map(async (f) => ({ filename: f.name, content: Buffer.from(await f.arrayBuffer()) })),
      ),
    })
    return true
  }

  const http = createServer((request, response) => {
    const end = (status: number, type: string, body: string, headers = {}) =>
      response.writeHead(status, { 'Content-Type': type, ...headers }).end(body)
    if (request.method === 'POST' && request.url === '/answers')
      return void buffer(request)
        .then((body) =>
          new Response(new Uint8Array(body), {
            headers: { 'Content-Type': request.headers['content-type'] ?? '' },
          }).formData(),
        )
        .then(answer)
        .then(
          (sent) => end(sent ? 303 : 404, 'text/plain', '', sent ? { Location: '/' } : {}),
          () => end(400, 'text/plain', 'This is no answer.'),
        )
    if (request.url === '/messages')
      return void end(200, 'application/json', JSON.stringify(kept), { 'X-Waiting': String(waiting.size) })
    if (request.url === '/') return void end(200, 'text/html; charset=utf-8', readFileSync(PAGE, 'utf8'))
    end(404, 'text/plain', '')
  })
  const listening = (
    server: { listen: (port: number, host: string, done: () => void) => unknown },
    port = 0,
  ) => new Promise<void>((done) => void server.listen(port, '127.0.0.1', done))
  await Promise.all([listening(smtp, ports.smtp), listening(http, ports.http)])
  const portOf = (address: unknown) => (address as AddressInfo).port
  const office: PostOffice = {
    smtp: `smtp://127.0.0.1:${portOf(smtp.server.address())}`,
    messages: `http://127.0.0.1:${portOf(http.address())}/messages`,
    letters: () => kept,
    withhold() {
      behindGate = 0
      let release = () => undefined as void
      gate = new Promise<void>((done) => (release = done))
      return { taken: () => behindGate, release }
    },
    async stop() {
      open = false
      await Promise.all([
        new Promise<void>((done) => void smtp.close(done)),
        new Promise<void>((done) => {
          http.close(() => done())
          http.closeAllConnections()
        }),
      ])
    },
  }
  return office
}

async function letterOf(raw: Buffer, to: string[]): Promise<Letter> {
  const mail = await simpleParser(raw)
  return {
    from: mail.from?.value[0]?.address ?? '',
    to,
    subject: mail.subject ?? '',
    messageId: mail.messageId ?? '',
    inReplyTo: mail.inReplyTo ?? null,
    references: [mail.references ?? []].flat(),
    text: mail.text ?? '',
    html: mail.html || null,
    attachments: mail.attachments.map((a) => ({
      name: a.filename ?? '',
      type: a.contentType,
      size: a.size,
    })),
    at: new Date().toISOString(),
  }
}

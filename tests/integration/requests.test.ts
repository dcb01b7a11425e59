import { desc, eq, sql } from 'drizzle-orm'
import nodemailer from 'nodemailer'
import { plain } from '../../core/model/index.ts'
import { freePort } from '../../cli/postgres.ts'
import { listenForMail } from '../../server/arrivals/hand-in.ts'
import { setColour } from '../../server/access/organisations.ts'
import { knowSources, setSource, sourcesOf } from '../../server/arrivals/sources.ts'
import { newestProgram, saveProgram } from '../../server/configuration/programs.ts'
import { database } from '../../server/database/connection.ts'
import {
  arrivals,
  chunks,
  comingFiles,
  FIRST_ORGANISATION,
  messages,
  packages,
  requests,
  tasks,
} from '../../server/database/schema.ts'
import { packageRow } from '../../server/packages/queries.ts'
import { addOwnItem, changeDraft, draftOf, rejectPaper } from '../../server/requests/drafts.ts'
import { takePaper } from '../../server/requests/applicant.ts'
import { coloursOf } from '../../server/requests/colours.ts'
import { mendComing } from '../../server/requests/coming.ts'
import { addressOf, withGoodLink } from '../../server/requests/link.ts'
import { callBack, sendAgain, sendRequest, signRequest } from '../../server/requests/send.ts'
import { remindApplicants } from '../../server/requests/settle.ts'
import { requestsView } from '../../server/requests/view.ts'
import { endTask, syncOverdue, tasksOf } from '../../server/tasks/tasks.ts'
import { startPostOffice, type PostOffice } from '../../standins/post-office.ts'
import { identityCard, payslip, pdfOf } from '../support/papers.ts'
import { zip } from '../support/zip.ts'
import { asOwner, desk, person, readPackage, until, worker } from '../support/server.ts'
import { ask, startWebAt, type Web } from '../support/web.ts'

const OURS = 'loans@merrowsound.example'
const THEIRS = 'o@varnham.example'

// What web and worker are started with must be known before they are.
const [listen, smtpPort, webPort] = [await freePort(4400), await freePort(4500), await freePort(4600)]
process.env.MAIL_ADDRESSES = JSON.stringify({ [FIRST_ORGANISATION]: [OURS] })
process.env.MAIL_SERVER = `smtp://127.0.0.1:${smtpPort}`
process.env.BASE_URL = `http://127.0.0.1:${webPort}`
const at = desk()
let web: Web
let office: PostOffice
let listener: { stop: () => Promise<void> }

beforeAll(async () => {
  await knowSources()
  for (const source of await sourcesOf(FIRST_ORGANISATION))
    if (source.kind === 'address')
      await setSource(await person('lead'), source.id, {
        name: source.name,
        program: 'working-boat-loan',
        paused: false,
      })
  web = await startWebAt({ PORT: String(webPort) })
  listener = await listenForMail({ host: '127.0.0.1', port: listen })
  office = await startPostOffice([OURS], `smtp://127.0.0.1:${listen}`, { smtp: smtpPort })
}, 60_000)
afterAll(async () => {
  await office.stop()
  await listener.stop()
  await web.end()
})

let month = 0
/** Two payslips that name different national numbers, with other amounts each time. */
const papers = () => {
  const pay = `3,${100 + ++month}.10`
  const other = payslip('February', '28', pay).map((line) => line.replace('140380-2211', '140380-7755'))
  return pdfOf(payslip('January', '30', pay), other)
}
const card = () => pdfOf(identityCard(`MR${1_000_000 + ++month}`))

const change = (part: object = {}) => ({
  language: 'en' as const,
  recipient: THEIRS,
  opening: '',
  closing: '',
  due: '2027-01-31',
  choices: {},
  ...part,
})
/** A package whose applicant was asked for all that it lacks. */
async function asked(
  part: object = {},
): Promise<{ id: string; request: typeof requests.$inferSelect; token: string }> {
  const id = await readPackage(at.who, await papers())
  await changeDraft(at.who, id, change(part))
  const { id: requestId } = await sendRequest(at.who, id)
  const [request] = await database().select().from(requests).where(eq(requests.id, requestId))
  return { id, request, token: addressOf(request).split('/r/')[1] }
}
const letters = (which: (l: ReturnType<PostOffice['letters']>[number]) => boolean) =>
  office.letters().filter(which)
const stateNow = async (packageId: string, item: string) =>
  (await requestsView(at.who, packageId)).sent[0].items.find((i) => i.id === item)?.state

const page = (token: string, path = '') => ask(`${web.url}/r/${token}${path}`)
const say = (token: string, fields: Record<string, string>) =>
  ask(`${web.url}/r/${token}.data`, {
    method: 'POST',
    headers: { Origin: web.url, 'Content-Type': 'application/x-www-form-urlencoded' },
    body: new URLSearchParams(fields).toString(),
  })

const TUS = { 'Tus-Resumable': '1.0.0', Origin: '' }
const meta = (fields: Record<string, string>) =>
  Object.entries(fields)
    .map(([name, value]) => `${name} ${Buffer.from(value).toString('base64')}`)
    .join(',')
const begin = (token: string, size: number, fields: Record<string, string>) =>
  fetch(`${web.url}/r/${token}/uploads`, {
    method: 'POST',
    headers: { ...TUS, Origin: web.url, 'Upload-Length': String(size), 'Upload-Metadata': meta(fields) },
  })
const goOn = (location: string, offset: number, bytes: Uint8Array) =>
  fetch(`${web.url}${location}`, {
    method: 'PATCH',
    headers: {
      ...TUS,
      Origin: web.url,
      'Upload-Offset': String(offset),
      'Content-Type': 'application/offset+octet-stream',
    },
    body: Buffer.from(bytes),
  })
async function send(token: string, bytes: Uint8Array, fields: Record<string, string>): Promise<number> {
  const begun = await begin(token, bytes.length, fields)
  if (begun.status !== 201) return begun.status
  return (await goOn(begun.headers.get('location')!, 0, bytes)).status
}

test('what lacks is sent once, by a link that lies in no table', async () => {
  const { id, request, token } = await asked()
  await until(() => Promise.resolve(letters((l) => l.text.includes(token)).length > 0))
  const [letter] = letters((l) => l.text.includes(token))
  const { caseNumber } = (await packageRow(id, at.who))!
  expect(letter).toMatchObject({
    from: OURS,
    to: [THEIRS],
    subject: expect.stringContaining(caseNumber) as string,
  })
  expect(letter.text).toContain('We have not received it yet.')
  expect(letter.text).toContain('Please answer by 31 January 2027.')
  const [stored] = await database().select().from(messages).where(eq(messages.requestId, request.id))
  expect(stored.text).not.toContain(token)
  expect(JSON.stringify(request)).not.toContain(token)
  // Once it is sent there is no draft that could go a second time; the next one knows what was asked.
  expect(await draftOf(database(), id)).toBeNull()
  const { draft } = await requestsView(at.who, id)
  expect(draft?.items.every((i) => i.askedOn !== null)).toBe(true)
  expect(letters((l) => l.text.includes(token))).toHaveLength(1)
})

test('the page shows what is asked for, and nothing else of the package', async () => {
  const { token } = await asked()
  const { status, body, headers } = await page(token)
  expect(status).toBe(200)
  expect(body).toContain('We have not received it yet.')
  expect(body).not.toContain('Petrel')
  expect(body).not.toContain('2,755.00')
  expect(headers['set-cookie']).toBeUndefined()
  expect(headers['cache-control']).toBe('no-store')
  // Nothing is loaded from elsewhere.
  expect([...body.matchAll(/(?:src|href)="(https?:[^"]+)"/g)].map((m) => m[1])).toEqual([])
  expect((await page(token, '?language=es')).body).toContain('Todavía no lo hemos recibido.')
})

test('a paper comes in pieces, goes on where the line broke, and ticks its item off', async () => {
  const { id, request, token } = await asked()
  const item = request.items.find((i) => i.ways.flat().some((w) => /identity/i.test(w.type)))!
  const bytes = await card()
  const half = Math.floor(bytes.length / 2)
  const begun = await begin(token, bytes.length, { name: '../card.pdf', item: item.id })
  const location = begun.headers.get('location')!
  expect([begun.status, location]).toEqual([
    201,
    expect.stringMatching(/^\/r\/[\w-]{43}\/uploads\/[0-9a-f-]{36}$/),
  ])
  expect((await goOn(location, 0, bytes.subarray(0, half))).status).toBe(204)
  const head = await fetch(`${web.url}${location}`, { method: 'HEAD', headers: TUS })
  expect(head.headers.get('upload-offset')).toBe(String(half))
  // A piece that is not the next one changes nothing.
  expect((await goOn(location, 0, bytes.subarray(0, half))).status).toBe(409)
  expect((await goOn(location, half, bytes.subarray(half))).status).toBe(204)
  await until(async () => (await stateNow(id, item.id)) === 'done')
  const { body } = await page(token)
  expect(body).toContain('card.pdf')
  expect(body).toContain('This is: Identity card')
})

test('what comes in a heap, an archive even, finds its items, and each paper is told for what it is', async () => {
  const { id, request, token } = await asked()
  const item = request.items.find((i) => i.ways.flat().some((w) => /identity/i.test(w.type)))!
  const slip = await pdfOf(payslip('October', '29', `3,${100 + ++month}.10`))
  expect(await send(token, slip, { name: 'slip.pdf', item: item.id })).toBe(204)
  await until(async () => (await stateNow(id, item.id)) === 'not yet')
  expect((await page(token)).body).toMatch(/This is: Payslip[^.]*\. We asked for: Identity card\./)
  expect(await send(token, await zip({ 'card.pdf': await card() }), { name: 'papers.zip' })).toBe(204)
  await until(async () => (await stateNow(id, item.id)) === 'done')
  expect((await page(token)).body).toContain('This is: Identity card. That is what we asked for.')
})

test('the page stands in the lender’s colour, made legible', async () => {
  const { token } = await asked()
  await setColour(database(), FIRST_ORGANISATION, '#ffe100')
  try {
    const [, light] = /<style nonce="[^"]+">\.by-lender\{--petrol:(#[0-9a-f]{6})/.exec(
      (await page(token)).body,
    )!
    expect([light === '#ffe100', light]).toEqual([false, coloursOf('#ffe100').light])
  } finally {
    await setColour(database(), FIRST_ORGANISATION, null)
  }
})

test('two who write at one draft are told of each other, and nothing is written over unseen', async () => {
  const id = await readPackage(at.who, await papers())
  const other = await person('lead')
  await changeDraft(at.who, id, change({ opening: 'Mine.' }), 0)
  await expect(changeDraft(other, id, change({ opening: 'Theirs.' }), 0)).rejects.toThrow(/Somebody else/)
  // Whoever changes what they changed themselves is nobody else.
  await changeDraft(at.who, id, change({ opening: 'Mine again.' }), 0)
  await changeDraft(other, id, change({ opening: 'Theirs.' }), 2)
  expect(await draftOf(database(), id)).toMatchObject({ opening: 'Theirs.', edition: 3 })
})

test('what came before the web was killed is there when it goes on', async () => {
  const { request, token } = await asked()
  const bytes = await card()
  const half = Math.floor(bytes.length / 2)
  const location = (await begin(token, bytes.length, { name: 'card.pdf' })).headers.get('location')!
  expect((await goOn(location, 0, bytes.subarray(0, half))).status).toBe(204)
  web.child.kill('SIGKILL')
  await web.end()
  web = await startWebAt({ PORT: String(webPort) })
  const head = await fetch(`${web.url}${location}`, { method: 'HEAD', headers: TUS })
  expect(head.headers.get('upload-offset')).toBe(String(half))
  expect((await goOn(location, half, bytes.subarray(half))).status).toBe(204)
  const came = await database().select().from(arrivals).where(eq(arrivals.requestId, request.id))
  expect(came.map((a) => [a.name, a.outcome, a.files[0].size])).toEqual([['card.pdf', 'taken', bytes.length]])
})

test('what an applicant says stands beside the papers, and is asked of a person', async () => {
  const { id, request, token } = await asked()
  const question = request.items.find((i) => i.why.kind === 'differs')!
  const [first] = question.says
  expect(
    (await say(token, { item: question.id, kind: 'value', text: plain(first.value) })).status,
  ).toBeLessThan(300)
  expect(await stateNow(id, question.id)).toBe('said')
  const { assessment } = (await packageRow(id, at.who))!
  const asksAgain = assessment!.deck.find((q) => q.id === question.id)
  expect(asksAgain?.why[0]).toEqual({ code: 'why.applicant_says', text: plain(first.value) })
  // It settles nothing by itself.
  expect(assessment!.facts.find((f) => `fact:${f.fact}` === question.id)?.status).toBe('conflict')
  const mine = async () =>
    (await tasksOf(at.who)).filter((t) => t.packageId === id && t.kind === 'request answered')
  const [looked] = await mine()
  await endTask(at.who, looked.id)
  expect(await mine()).toEqual([])
  const other = request.items.find((i) => i.kind === 'bring')!
  await say(token, { item: other.id, kind: 'cannot', text: 'My card was stolen.' })
  expect(await stateNow(id, other.id)).toBe('said')
  // What they say later is to be looked at, though what they said before was.
  expect(await mine()).toHaveLength(1)
})

test('nothing is reached by a link that is none', async () => {
  const one = await asked()
  const two = await asked()
  const bytes = await card()
  const begun = await begin(one.token, bytes.length, { name: 'a.pdf' })
  const upload = begun.headers.get('location')!.split('/').at(-1)!
  const wrong = [
    one.token.slice(0, -1),
    one.token.slice(0, 42) + (one.token.endsWith('A') ? 'B' : 'A'),
    one.token.toLowerCase(),
    'x'.repeat(43),
  ]
  for (const token of wrong) {
    expect((await page(token)).status).toBe(404)
    expect((await begin(token, 10, { name: 'a.pdf' })).status).toBe(404)
  }
  // Another's upload, another's item, and what is not asked at all.
  expect((await goOn(`/r/${two.token}/uploads/${upload}`, 0, bytes)).status).toBe(404)
  expect((await begin(two.token, 10, { name: 'a.pdf', item: 'requirement:no_such_thing' })).status).toBe(404)
  expect((await say(two.token, { item: 'fact:no_such_thing', kind: 'words', text: 'x' })).status).toBe(409)
  expect((await page(two.token, '/form?item=requirement:photo_id')).status).toBe(404)
  // A page of the package by its address asks for a person.
  expect((await ask(`${web.url}/packages/${two.id}/deck`)).status).not.toBe(200)
  await asOwner((work) =>
    work
      .update(requests)
      .set({ linkEnds: new Date(Date.now() - 1000) })
      .where(eq(requests.id, one.request.id)),
  )
  expect((await page(one.token)).status).toBe(404)
  await callBack(at.who, two.id, two.request.id)
  expect((await page(two.token)).status).toBe(404)
  expect((await goOn(`/r/${one.token}/uploads/${upload}`, 0, bytes)).status).toBe(404)
  expect((await begin(two.token, 10, { name: 'a.pdf' })).status).toBe(404)
  await until(() => Promise.resolve(letters((l) => /is not needed any more/.test(l.text)).length > 0))
  // Whoever tries many is not listened to for a while, and whoever has a good one gets in all the same.
  const three = await asked()
  for (let i = 0; i < 20; i++) await page('y'.repeat(43))
  expect((await page('y'.repeat(43))).status).toBe(429)
  expect((await page(three.token)).status).toBe(200)
  await asOwner((work) => work.execute(sql`delete from rate_limit where key like 'request-link%'`))
})

test('a request that is sent again has a new link, and the old one is good for nothing', async () => {
  const { id, request, token } = await asked()
  await sendAgain(at.who, id, request.id, 'better@varnham.example')
  expect((await page(token)).status).toBe(404)
  const [now] = await database().select().from(requests).where(eq(requests.id, request.id))
  expect((await page(addressOf(now).split('/r/')[1])).status).toBe(200)
  await until(() => Promise.resolve(letters((l) => l.to.includes('better@varnham.example')).length > 0))
})

test('a letter of a request whose link was made under another secret has one that opens', async () => {
  const { request } = await asked()
  await database().update(requests).set({ linkSalt: 'another' }).where(eq(requests.id, request.id))
  const [changed] = await database().select().from(requests).where(eq(requests.id, request.id))
  const good = await withGoodLink(database(), changed)
  expect((await page(addressOf(good).split('/r/')[1])).status).toBe(200)
  expect(await withGoodLink(database(), good)).toEqual(good)
})

test('all that was asked for came: the applicant is thanked, nobody is reminded, and somebody looks', async () => {
  const id = await readPackage(at.who, await papers())
  await addOwnItem(at.who, id, 'A plan of the boat', 'A drawing with its length, please.')
  const { draft } = await requestsView(at.who, id)
  const own = draft.items.find((i) => i.title === 'A plan of the boat')!
  const choices = Object.fromEntries(draft.items.map((i) => [i.id, { on: i.id === own.id, own: null }]))
  await changeDraft(at.who, id, change({ choices, recipient: 'plan@varnham.example' }))
  const { id: requestId } = await sendRequest(at.who, id)
  const [request] = await database().select().from(requests).where(eq(requests.id, requestId))
  const token = addressOf(request).split('/r/')[1]
  expect(
    await send(token, await pdfOf(['Plan of the boat', 'Length 11 m']), { name: 'plan.pdf', item: own.id }),
  ).toBe(204)
  await until(async () => (await requestsView(at.who, id)).sent[0].state === 'done')
  await until(() => Promise.resolve(letters((l) => l.to.includes('plan@varnham.example')).length === 2))
  expect(letters((l) => l.to.includes('plan@varnham.example'))[0].text).toContain(
    'your answer to all that we asked for',
  )
  expect((await page(token)).body).toContain('Thank you, that is all')
  expect(await send(token, await card(), { name: 'late.pdf' })).toBe(410)
  const task = (await tasksOf(at.who)).find((t) => t.packageId === id && t.kind === 'request answered')!
  expect(await endTask(at.who, task.id)).toBe(true)
  expect((await tasksOf(at.who)).some((t) => t.id === task.id)).toBe(false)
})

test('applicants are reminded by the program’s days of what is open, and overdue requests are tasks', async () => {
  const { id, request } = await asked({ recipient: 'slow@varnham.example' })
  await until(() => Promise.resolve(letters((l) => l.to.includes('slow@varnham.example')).length === 1))
  const back = {
    sentAt: new Date(Date.now() - 8 * 86_400_000),
    remindAt: new Date(Date.now() - 1000),
    due: '2026-01-01',
  }
  await database().update(requests).set(back).where(eq(requests.id, request.id))
  await remindApplicants()
  await remindApplicants()
  await until(() => Promise.resolve(letters((l) => l.to.includes('slow@varnham.example')).length === 2))
  const [reminder, first] = letters((l) => l.to.includes('slow@varnham.example'))
  expect(reminder.text).toContain('we asked you for papers. This is still open.')
  expect(reminder.references).toContain(first.messageId)
  const [now] = await database().select().from(requests).where(eq(requests.id, request.id))
  expect([now.reminders, now.remindAt?.toISOString().slice(0, 10)]).toEqual([
    1,
    new Date(back.sentAt.getTime() + 12 * 86_400_000).toISOString().slice(0, 10),
  ])
  await syncOverdue()
  expect((await tasksOf(at.who)).filter((t) => t.packageId === id).map((t) => t.kind)).toContain(
    'request overdue',
  )
})

test('a letter that comes back is a task until a better address has one', async () => {
  const { id, request, token } = await asked({ recipient: 'gone@varnham.example' })
  await until(() => Promise.resolve(letters((l) => l.text.includes(token)).length === 1))
  const [{ messageId }] = letters((l) => l.text.includes(token))
  await nodemailer.createTransport(office.smtp).sendMail({
    envelope: { from: '', to: [OURS] },
    raw: [
      'From: MAILER-DAEMON@mx.example',
      `To: ${OURS}`,
      'Subject: Undelivered Mail',
      'Message-ID: <report@mx.example>',
      'MIME-Version: 1.0',
      'Content-Type: multipart/report; report-type=delivery-status; boundary="b"',
      '',
      '--b',
      'Content-Type: text/plain',
      '',
      'It could not be delivered.',
      '--b',
      'Content-Type: message/delivery-status',
      '',
      'Reporting-MTA: dns; mx.example',
      '',
      'Final-Recipient: rfc822; gone@varnham.example',
      'Action: failed',
      'Status: 5.1.1',
      '',
      '--b',
      'Content-Type: text/rfc822-headers',
      '',
      `Message-ID: ${messageId}`,
      '',
      '--b--',
      '',
    ].join('\r\n'),
  })
  const mine = async () =>
    (await tasksOf(at.who)).filter((t) => t.packageId === id && t.kind === 'mail came back')
  await until(async () => (await mine()).length === 1)
  expect((await mine())[0].reason).toContain('gone@varnham.example')
  await sendAgain(at.who, id, request.id, 'there@varnham.example')
  expect(await mine()).toEqual([])
})

test('a paper that is not taken is asked for with the reason, and what comes counts in its place', async () => {
  const id = await readPackage(at.who, await papers())
  await rejectPaper(at.who, id, 1, 'The stamp of the firm is missing.')
  const { draft } = await requestsView(at.who, id)
  const item = draft.items.find((i) => i.id === 'paper:1')!
  const choices = Object.fromEntries(draft.items.map((i) => [i.id, { on: i.id === item.id, own: null }]))
  await changeDraft(at.who, id, change({ choices }))
  const { id: requestId } = await sendRequest(at.who, id)
  const [request] = await database().select().from(requests).where(eq(requests.id, requestId))
  const token = addressOf(request).split('/r/')[1]
  expect((await page(token)).body).toContain('The stamp of the firm is missing.')
  await send(token, await pdfOf(payslip('January', '30', `3,${100 + month}.10`)), {
    name: 'stamped.pdf',
    item: item.id,
  })
  await until(async () => {
    const { assessment, state } = (await packageRow(id, at.who))!
    return (
      state === 'open' &&
      (assessment?.documents.find((d) => d.pages.includes(1))?.supersededBy ?? null) !== null
    )
  })
})

test('where the program says so a second person sends a request, and not whoever wrote it', async () => {
  const program = (await newestProgram(database(), FIRST_ORGANISATION, 'working-boat-loan'))!.body
  const lead = await person('lead')
  const set = (on: boolean) =>
    saveProgram(lead, { ...program, signOff: { ...program.signOff, requests: on } })
  await set(true)
  try {
    const id = await readPackage(at.who, await papers())
    await changeDraft(at.who, id, change({ recipient: 'second@varnham.example' }))
    expect((await sendRequest(at.who, id)).state).toBe('to sign')
    const reviewer = await person('reviewer')
    const waits = (await tasksOf(reviewer)).filter((t) => t.packageId === id).map((t) => t.kind)
    expect(waits).toContain('sign a request')
    expect((await tasksOf(at.who)).some((t) => t.packageId === id && t.kind === 'sign a request')).toBe(false)
    await expect(signRequest(at.who, id, true, '')).rejects.toThrow(/reviewer/)
    await expect(changeDraft(at.who, id, change())).rejects.toThrow(/second person/)
    await signRequest(reviewer, id, false, 'Say which months.')
    expect((await draftOf(database(), id))?.state).toBe('draft')
    await sendRequest(at.who, id)
    await signRequest(reviewer, id, true, '')
    await until(() => Promise.resolve(letters((l) => l.to.includes('second@varnham.example')).length === 1))
    const open = await database().select().from(tasks).where(eq(tasks.packageId, id))
    expect(open.filter((t) => t.kind === 'sign a request' && t.endedAt === null)).toEqual([])
  } finally {
    await set(false)
  }
})

test('papers that answer by mail do the same', async () => {
  const { id, request, token } = await asked({ recipient: 'mail@varnham.example' })
  await until(() => Promise.resolve(letters((l) => l.text.includes(token)).length === 1))
  const [letter] = letters((l) => l.text.includes(token))
  const item = request.items.find((i) => i.ways.flat().some((w) => /identity/i.test(w.type)))!
  await nodemailer.createTransport(office.smtp).sendMail({
    from: 'mail@varnham.example',
    to: OURS,
    subject: `Re: ${letter.subject}`,
    inReplyTo: letter.messageId,
    references: [letter.messageId],
    text: 'Here is my card.',
    attachments: [{ filename: 'card.pdf', content: Buffer.from(await card()) }],
  })
  await until(async () => (await stateNow(id, item.id)) === 'done')
})

test('a file that was whole when its taker was killed is taken later, once', async () => {
  const { id, request, token } = await asked()
  const bytes = await card()
  const half = Math.floor(bytes.length / 2)
  const begun = await begin(token, bytes.length, { name: 'card.pdf' })
  const upload = begun.headers.get('location')!.split('/').at(-1)!
  await goOn(begun.headers.get('location')!, 0, bytes.subarray(0, half))
  // The last piece was stored, and nothing after it.
  await database()
    .insert(chunks)
    .values({ sha256: `coming-${upload}`, position: 1, bytes: Buffer.from(bytes.subarray(half)) })
  await database()
    .update(comingFiles)
    .set({ offset: bytes.length, createdAt: new Date(Date.now() - 120_000) })
    .where(eq(comingFiles.id, upload))
  await mendComing()
  const came = () => database().select().from(arrivals).where(eq(arrivals.requestId, request.id))
  const [taken] = await came()
  expect([taken.outcome, taken.packageId]).toEqual(['taken', id])
  const kept = { name: 'card.pdf', sha256: taken.files[0].sha256, size: bytes.length }
  expect((await takePaper(request, { comingId: upload, item: null, kept })).arrivalId).toBe(taken.id)
  expect(await came()).toHaveLength(1)
  // One that is whole only after the request was called back is seen, and is in no package.
  await callBack(at.who, id, request.id)
  const late = await takePaper(request, { comingId: 'late', item: null, kept })
  expect(late.problem).toMatch(/nothing was asked/)
})

test('nobody is reminded of a package that is closed, and nothing is asked about it', async () => {
  const { id, request } = await asked({ recipient: 'closed@varnham.example' })
  await database().update(packages).set({ state: 'review' }).where(eq(packages.id, id))
  await database()
    .update(requests)
    .set({ remindAt: new Date(Date.now() - 1000) })
    .where(eq(requests.id, request.id))
  await remindApplicants()
  const sent = await database().select().from(messages).where(eq(messages.requestId, request.id))
  expect(sent.map((m) => m.kind)).toEqual(['request'])
  await expect(changeDraft(at.who, id, change())).rejects.toThrow(/second person looks at this package/)
  await database().update(packages).set({ state: 'open' }).where(eq(packages.id, id))
})

test('a sender that is killed before it hears that a letter arrived sends it again under the same name alone', async () => {
  const answer = office.withhold()
  const { id, token } = await asked({ recipient: 'killed@varnham.example' })
  await until(() => Promise.resolve(answer.taken() > 0))
  at.running.child.kill('SIGKILL')
  answer.release()
  at.running = worker()
  await until(async () => {
    const sent = await database().select().from(messages).where(eq(messages.packageId, id))
    return sent.some((m) => m.kind === 'request' && m.state === 'sent')
  })
  const arrived = letters((l) => l.text.includes(token))
  // Whoever keeps letters knows one by its Message-ID, and shows it once.
  expect(new Set(arrived.map((l) => l.messageId)).size).toBe(1)
}, 120_000)

test('letters wait while no mail server answers, and go once', async () => {
  const down = office
  await down.stop()
  const { id, token } = await asked({ recipient: 'later@varnham.example' })
  const waiting = async () =>
    (
      await database()
        .select({ state: messages.state, problem: messages.problem })
        .from(messages)
        .where(eq(messages.packageId, id))
        .orderBy(desc(messages.createdAt))
    )[0]
  await until(async () => (await waiting()).problem !== null)
  expect(await waiting()).toMatchObject({
    state: 'waiting',
    problem: expect.stringMatching(/tried again/) as string,
  })
  office = await startPostOffice([OURS], `smtp://127.0.0.1:${listen}`, { smtp: smtpPort })
  await until(() => Promise.resolve(letters((l) => l.text.includes(token)).length > 0), 45)
  expect(letters((l) => l.to.includes('later@varnham.example'))).toHaveLength(1)
}, 90_000)

import { eq } from 'drizzle-orm'
import { freePort } from '../../cli/postgres.ts'
import { noticeSchema, type Notice } from '../../core/notices/index.ts'
import { database } from '../../server/database/connection.ts'
import { noticesTold, packages } from '../../server/database/schema.ts'
import {
  faultOf,
  noticesOf,
  removeNotice,
  storeNotice,
  switchNotice,
  tryNotice,
} from '../../server/notices/notices.ts'
import { giveAnswers } from '../../server/packages/answer.ts'
import { startPostOffice, type PostOffice } from '../../standins/post-office.ts'
import { startReceiver } from '../../standins/receiver.ts'
import { payslip, pdfOf } from '../support/papers.ts'
import { desk, elsewhere, person, readPackage, until } from '../support/server.ts'

const receiver = await startReceiver()
const smtpPort = await freePort(4400)
// The worker is started with them.
process.env.POST_HOSTS = new URL(receiver.url).host
process.env.MAIL_SERVER = `smtp://127.0.0.1:${smtpPort}`
const at = desk()
let office: PostOffice
beforeAll(async () => {
  office = await startPostOffice([], 'smtp://127.0.0.1:1', { smtp: smtpPort })
})
afterAll(async () => {
  await office.stop()
  await receiver.stop()
})

/** Letters to whoever is told; what other tests left waiting goes out by this office, too. */
const told = () => office.letters().filter((l) => l.to.includes('chief@lender.example'))

const notice = (change: Partial<Notice> = {}): Notice =>
  noticeSchema.parse({
    title: 'Large pay',
    when: { type: 'payslip', field: 'net_pay', over: 2000, is: null },
    says: { from: 'employer_name', amount: 'net_pay', due: 'pay_date' },
    mail: ['chief@lender.example'],
    post: `${receiver.url}/hook`,
    lead: true,
    first: true,
    ...change,
  })

test('a notice is tried on past packages before it tells, and then tells of each paper once', async () => {
  const lead = await person('lead')
  const past = await readPackage(at.who, await pdfOf(payslip('January', '30', '2,310.40')))
  const id = (await storeNotice(lead, null, notice()))!
  expect(await switchNotice(lead, id, true)).toBe('Try it on past packages first.')
  const found = (await tryNotice(lead, id))!
  expect(found.tells).toContainEqual(
    expect.objectContaining({
      packageId: past,
      page: 1,
      text: 'Payslip for EUR 2,310.40, due 30 January 2026',
    }),
  )
  expect(await switchNotice(lead, id, true)).toBeNull()

  const fresh = await readPackage(at.who, await pdfOf(payslip('February', '28', '2,410.20')))
  await readPackage(at.who, await pdfOf(payslip('March', '31', '1,910.00')))
  await until(() => Promise.resolve(told().length > 0 && receiver.received().length > 0))
  const [row] = await database().select().from(packages).where(eq(packages.id, fresh))
  expect([row.flagged, row.first]).toEqual([true, true])
  expect(receiver.received()[0].body).toMatchObject({
    title: 'Large pay',
    case: row.caseNumber,
    due: '2026-02-28',
    text: expect.stringContaining('Payslip for EUR 2,410.20') as string,
  })
  const [letter] = told()
  expect(letter).toMatchObject({ to: ['chief@lender.example'], attachments: [{ name: 'due.ics' }] })
  expect(letter.text).toContain(`/packages/${fresh}/values?page=1`)

  // Judged again, it tells nobody twice.
  await giveAnswers(fresh, [{ kind: 'type', page: 1, type: 'payslip' }], at.who)
  const rows = await database().select().from(noticesTold).where(eq(noticesTold.packageId, fresh))
  expect(rows).toHaveLength(1)
  await until(async () => {
    const [now] = await database().select().from(noticesTold).where(eq(noticesTold.packageId, fresh))
    return now.post === 'sent'
  })
  expect([told().length, receiver.received().length]).toEqual([1, 1])
  expect((await noticesOf(lead.organisationId)).find((n) => n.id === id)).toMatchObject({ on: true, told: 1 })

  // Changed, it is off until it is tried anew.
  await storeNotice(lead, id, notice({ title: 'Larger pay' }))
  expect((await noticesOf(lead.organisationId)).find((n) => n.id === id)).toMatchObject({
    on: false,
    triedAt: null,
  })
  expect(await removeNotice(lead, id)).toBe(true)
}, 120_000)

test('what cannot be told is said when it is written', async () => {
  const of = (change: Partial<Notice>) => faultOf(at.who.organisationId, notice(change))
  expect(await of({})).toBeNull()
  expect(await of({ when: { type: 'none', field: null, over: null, is: null } })).toBe(
    'There is no such type of paper.',
  )
  expect(await of({ when: { type: 'payslip', field: 'pay_date', over: 1, is: null } })).toBe(
    'Only an amount can be more than something.',
  )
  expect(await of({ post: 'http://169.254.169.254/latest' })).toContain(
    'Nothing may be posted to 169.254.169.254',
  )
  expect(await of({ post: null, mail: [], lead: false, first: false })).toBe('Say whom it tells.')
})

test('another organisation’s notices are nobody else’s', async () => {
  const [lead, stranger] = [await person('lead'), await elsewhere()]
  const id = (await storeNotice(lead, null, notice()))!
  expect(await tryNotice(stranger, id)).toBeNull()
  expect(await switchNotice(stranger, id, false)).toBe('There is no such notice any more.')
  expect(await storeNotice(stranger, id, notice())).toBeNull()
  expect(await removeNotice(stranger, id)).toBe(false)
  expect(await removeNotice(lead, id)).toBe(true)
})

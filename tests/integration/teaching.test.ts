import { starterTypes } from '../../demo/lenders/merrow-sound/index.ts'
import { documentTypeSchema } from '../../core/program/schema.ts'
import { database } from '../../server/database/connection.ts'
import { pastReadings } from '../../server/configuration/field-records.ts'
import { learntFor, unlearn } from '../../server/configuration/teaching.ts'
import { saveType, typeAsSaved, typesOf, versionsOf } from '../../server/configuration/types.ts'
import { giveAnswers, placeOfTyped } from '../../server/packages/answer.ts'
import { askPackage } from '../../server/packages/ask.ts'
import { packageRow, wordsOf } from '../../server/packages/queries.ts'
import type { Person } from '../../server/access/person.ts'
import { payslip, pdfOf } from '../support/papers.ts'
import { desk, readPackage, until, elsewhere } from '../support/server.ts'

desk()

/** A payslip that calls its net pay by a word nobody knows, beside other amounts that might be it. */
const quayside = (month: string, sum: string): string[] => [
  ...payslip(month, '30').filter((l) => !l.startsWith('Net pay')),
  'Lent to the ice fund | 140.00',
  'Held for the winter | 1,950.00',
  `Over the quay | ${sum}`,
]
const net = async (id: string, who: Person) =>
  (await packageRow(id, who))!.assessment!.documents[0].fields.find((f) => f.name === 'net_pay')!
const placeOf = async (id: string, text: string) => (await wordsOf(id, 1))!.find((w) => w.text === text)!.box

test('one correction teaches papers that wait, what changed is listed, and it can be taken back', async () => {
  const [who, other] = [await elsewhere(), await elsewhere()]
  const [first, waiting, theirs] = [
    await readPackage(who, await pdfOf(quayside('January', '2,140.55'))),
    await readPackage(who, await pdfOf(quayside('March', '2,301.10'))),
    await readPackage(other, await pdfOf(quayside('May', '2,222.20'))),
  ]
  expect((await net(waiting, who)).needsReview).toBe(true)
  const taught = await giveAnswers(
    first,
    [
      {
        kind: 'value',
        page: 1,
        field: 'net_pay',
        value: { amount: '2140.55', currency: 'EUR' },
        state: 'corrected',
        at: { page: 1, box: await placeOf(first, '2,140.55') },
      },
    ],
    who,
  )
  expect(taught).toMatchObject([{ type: 'payslip', wording: 'over the quay' }])
  await until(async () => !(await net(waiting, who)).needsReview)
  expect(await net(waiting, who)).toMatchObject({ value: { amount: '2301.10' } })
  await until(async () => (await learntFor(who, 'payslip'))[0]?.changes.length > 0)
  const [label] = await learntFor(who, 'payslip')
  expect(label.changes.find((c) => c.field === 'net_pay')).toMatchObject({
    packageId: waiting,
    after: 'EUR 2,301.10',
    settled: true,
  })
  expect((await net(theirs, other)).needsReview).toBe(true)
  expect(await learntFor(other, 'payslip')).toEqual([])
  expect(await unlearn(other, label.id)).toBe(false)
  expect(await unlearn(who, label.id)).toBe(true)
  await until(async () => (await net(waiting, who)).needsReview)
  expect((await net(first, who)).state).toBe('corrected')
  expect((await pastReadings(who, 'payslip')).filter((p) => p.field === 'net_pay' && p.said).length).toBe(1)
})

test('what is typed is found on the page only where it stands whole, once, and is no mere figure or two', async () => {
  const who = await elsewhere()
  const id = await readPackage(who, await pdfOf(['Boat SKR-4260', 'Sum | 2,301.10', 'Term | 60']))
  expect(await placeOfTyped(id, [1], '2301.10')).toMatchObject({ page: 1 })
  expect(await placeOfTyped(id, [1], '60')).toBeNull()
  expect(await placeOfTyped(id, [1], 'KR-4260')).toBeNull()
  expect(await placeOfTyped(id, [1], '9,999.00')).toBeNull()
})

test('a person’s answer on a paper that waits is not overwritten by what is learnt', async () => {
  const who = await elsewhere()
  const [first, answered] = [
    await readPackage(who, await pdfOf(quayside('January', '2,140.55'))),
    await readPackage(who, await pdfOf(quayside('March', '2,301.10'))),
  ]
  await giveAnswers(
    answered,
    [
      {
        kind: 'value',
        page: 1,
        field: 'net_pay',
        value: { amount: '1.00', currency: 'EUR' },
        state: 'corrected',
        at: null,
      },
    ],
    who,
  )
  await giveAnswers(
    first,
    [
      {
        kind: 'value',
        page: 1,
        field: 'net_pay',
        value: { amount: '2140.55', currency: 'EUR' },
        state: 'corrected',
        at: { page: 1, box: await placeOf(first, '2,140.55') },
      },
    ],
    who,
  )
  await new Promise((done) => setTimeout(done, 1500))
  expect(await net(answered, who)).toMatchObject({ value: { amount: '1.00' }, state: 'corrected' })
})

test('a type is saved in versions, for its organisation alone, and its papers are read by it', async () => {
  const [who, other] = [await elsewhere(), await elsewhere()]
  const id = await readPackage(
    who,
    await pdfOf([
      'Landing settlement',
      'Landing no | LS-2214',
      'Landed on | 14/03/2026',
      'Paid to skipper | EUR 812.40',
    ]),
  )
  const landing = documentTypeSchema.parse({
    id: 'landing_slip',
    title: 'Landing slip',
    short: 'Landing',
    pages: { min: 1, max: 1 },
    titles: ['landing settlement'],
    fields: [
      { name: 'landing_no', title: 'Landing number', kind: 'id', labels: ['landing no'] },
      { name: 'paid', title: 'Paid', kind: 'money', labels: ['paid to skipper'] },
    ],
  })
  expect(await database().transaction((work) => saveType(work, who, landing))).toBe(1)
  await until(async () => (await packageRow(id, who))!.assessment!.documents[0].type === 'landing_slip')
  expect((await packageRow(id, who))!.assessment!.documents[0].fields.map((f) => f.value)).toEqual([
    'LS-2214',
    { amount: '812.40', currency: 'EUR' },
  ])
  expect(
    await database().transaction((work) =>
      saveType(work, who, { ...landing, fields: landing.fields.slice(0, 1) }),
    ),
  ).toBe(2)
  expect((await versionsOf(who, 'landing_slip')).map((v) => v.version)).toEqual([2, 1])
  await until(async () => (await packageRow(id, who))!.assessment!.documents[0].fields.length === 1)
  expect(await typeAsSaved(database(), other.organisationId, 'landing_slip')).toBeNull()
  expect(await typesOf(database(), other.organisationId)).toEqual(starterTypes)
  expect(await typesOf(database(), who.organisationId)).toBe(await typesOf(database(), who.organisationId))
})

test('a question is answered from a package with its place, or not at all', async () => {
  const who = await elsewhere()
  const id = await readPackage(who, await pdfOf(payslip('January', '30')))
  const { assessment } = (await packageRow(id, who))!
  const [answer] = await askPackage(who, id, assessment!, 'What is the net pay?', null)
  expect(answer).toMatchObject({ text: 'EUR 2,140.55', places: [{ page: 1 }] })
  expect(await askPackage(who, id, assessment!, 'Who painted the hull?', null)).toEqual([])
})

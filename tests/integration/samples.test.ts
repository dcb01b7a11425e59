import { eq } from 'drizzle-orm'
import { merrowSound } from '../../demo/lenders/merrow-sound/index.ts'
import { typeById } from '../../core/program/document-type.ts'
import {
  keepSample,
  newSample,
  readSample,
  removeSample,
  samplesOf,
  sampleState,
} from '../../server/configuration/samples.ts'
import { removeType } from '../../server/configuration/types.ts'
import { database } from '../../server/database/connection.ts'
import { packages } from '../../server/database/schema.ts'
import { queue, queueQuery, takeNext } from '../../server/packages/queries.ts'
import { payslip, pdfOf } from '../support/papers.ts'
import { bring, desk, elsewhere, until } from '../support/server.ts'

desk()
const slip = typeById(merrowSound.types, 'payslip')

async function sampled() {
  const who = await elsewhere('lead')
  const id = await newSample(who, null)
  await bring(id, 'slip.pdf', await pdfOf(payslip('February', '27')), who)
  await until(async () => {
    const sheets = (await sampleState(who, id))?.sheets ?? []
    return sheets.length > 0 && sheets.every((s) => s.read)
  })
  return { who, id }
}

test('a sample is read by a type as it is just written, and says what no value takes', async () => {
  const { who, id } = await sampled()
  const fields = slip.fields.filter((f) => f.name === 'net_pay')
  const draft = { ...slip, fields, relations: [], versions: null, person: null, tellsApart: null }
  const reading = (await readSample(who, id, [], draft))!
  expect(reading.fields.map((f) => [f.name, f.value])).toEqual([
    ['net_pay', { amount: '2140.55', currency: 'EUR' }],
  ])
  expect(reading.takenFor).toMatchObject({ id: 'payslip' })
  expect(reading.besides.map((b) => b.label)).toContain('Employee')
  expect(reading.besides.map((b) => b.label)).not.toContain('Net pay')
})
test('it is in no queue, is nobody else’s, and goes with its type', async () => {
  const { who, id } = await sampled()
  const other = await elsewhere('lead')
  expect((await queue(queueQuery.parse({ state: 'all' }), who)).total).toBe(0)
  expect(await takeNext(who)).toBeNull()
  expect(await sampleState(other, id)).toBeNull()
  expect(await readSample(other, id, [], slip)).toBeNull()
  expect(await removeSample(other, id)).toBe(false)
  await keepSample(who, id, 'berth_agreement')
  expect((await samplesOf(who, 'berth_agreement')).map((s) => [s.packageId, s.own, s.title])).toEqual([
    [id, true, 'slip.pdf'],
  ])
  expect(await removeType(who, 'berth_agreement')).toContain('asks for it')
})
test('one whose type was never made is gone after a day', async () => {
  const who = await elsewhere('lead')
  const left = await newSample(who, null)
  const kept = await newSample(who, 'payslip')
  for (const id of [left, kept])
    await database()
      .update(packages)
      .set({ createdAt: new Date(Date.now() - 2 * 24 * 3_600_000) })
      .where(eq(packages.id, id))
  await newSample(who, null)
  expect(await sampleState(who, left)).toBeNull()
  expect(await sampleState(who, kept)).not.toBeNull()
})

import { starterTypes } from '../../demo/lenders/merrow-sound/index.ts'
import { dollarLender, euroLender } from '../../core/testing/lender.ts'
import { pageOf } from '../../core/testing/page-of.ts'
import type { Page } from '../../core/model/page.ts'
import type { DocumentReading } from '../../core/extraction/fields/extract.ts'
import type { Work } from '../database/connection.ts'
import { keptReader } from './readings.ts'
import { typeById } from '../../core/program/document-type.ts'

/** As much of the database as readings are kept in, with the lender as it is by the time they are stored. */
function store(rows: { key: string; body: DocumentReading }[] = [], lender = euroLender) {
  let asked = 0
  const work = {
    select: () => ({
      from: () => ({
        where: () => {
          asked++
          return Promise.resolve(rows)
        },
        innerJoin: () => ({ where: () => ({ for: () => Promise.resolve([lender]) }) }),
      }),
    }),
    insert: () => ({
      values: (fresh: typeof rows) => ({
        onConflictDoNothing: () => Promise.resolve(void rows.push(...fresh)),
      }),
    }),
  } as unknown as Work
  return { work, rows, asked: () => asked }
}

const payslip = typeById(starterTypes, 'payslip')
const bill = typeById(starterTypes, 'utility_bill')
const pagesOf = (): Page[] => [
  pageOf(['Payslip', 'Net pay: EUR 2,140.55']),
  pageOf(['Water bill', 'Amount due: EUR 61.20'], { number: 2 }),
]
const netOf = (reading: DocumentReading) => reading.fields.find((f) => f.name === 'net_pay')?.value

test('what was read anew is stored once, by type and pages', async () => {
  const { work, rows } = store()
  const { read, keep } = await keptReader(work, 'p', {
    pages: pagesOf(),
    types: starterTypes,
    lender: euroLender,
  })
  read([1], payslip)
  await keep()
  expect(rows.map((r) => r.key)).toEqual(['payslip:1'])
})
test('the same list of pages is not asked for again, and nothing of it is stored twice', async () => {
  const { work, rows, asked } = store()
  const pages = pagesOf()
  const first = await keptReader(work, 'p', { pages, types: starterTypes, lender: euroLender })
  const reading = first.read([1], payslip)
  await first.keep()
  const second = await keptReader(work, 'p', { pages, types: starterTypes, lender: euroLender })
  expect(second.read([1], payslip)).toBe(reading)
  await second.keep()
  expect([asked(), rows.length]).toEqual([1, 1])
})
test('another list of pages, as after one was read again, is looked up in the database', async () => {
  const { work, asked } = store()
  await keptReader(work, 'p', { pages: pagesOf(), types: starterTypes, lender: euroLender })
  await keptReader(work, 'p', { pages: pagesOf(), types: starterTypes, lender: euroLender })
  expect(asked()).toBe(2)
})
test('when a type changes its papers are read by it, and those of other types stay', async () => {
  const { work } = store()
  const pages = pagesOf()
  const before = await keptReader(work, 'p', { pages, types: starterTypes, lender: euroLender })
  const [was, stays] = [before.read([1], payslip), before.read([2], bill)]
  const renamed = { ...payslip, fields: payslip.fields.filter((f) => f.name !== 'net_pay') }
  const after = await keptReader(work, 'p', {
    pages,
    types: starterTypes.map((t) => (t === payslip ? renamed : t)),
    lender: euroLender,
  })
  expect(netOf(was)).toEqual({ amount: '2140.55', currency: 'EUR' })
  expect(netOf(after.read([1], renamed))).toBeUndefined()
  expect(after.read([2], bill)).toBe(stays)
})

test('what was read by ways of writing that changed meanwhile is not stored', async () => {
  const { work, rows } = store([], dollarLender)
  const { read, keep } = await keptReader(work, 'p', {
    pages: pagesOf(),
    types: starterTypes,
    lender: euroLender,
  })
  read([1], payslip)
  await keep()
  expect(rows).toEqual([])
})

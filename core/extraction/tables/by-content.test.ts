import { starterTypes } from '../../../demo/lenders/merrow-sound/index.ts'
import { pageOf } from '../../testing/page-of.ts'
import { readTableByContent } from './by-content.ts'
import { typeById } from '../../program/document-type.ts'

const field = (type: string, name: string) =>
  typeById(starterTypes, type).fields.find((f) => f.name === name)!
const transactions = field('bank_statement', 'transactions')
const goods = field('purchase_quote', 'lines')
const eur = (amount: string) => ({ amount, currency: 'EUR' })
const at = [0.08, 0.22, 0.6, 0.8]
const booked = (lines: string[], more: Parameters<typeof pageOf>[1] = {}) =>
  readTableByContent([pageOf(lines, { at, ...more })], transactions)
const sold = (...lines: string[]) =>
  readTableByContent([pageOf(lines, { at: [0.08, 0.4, 0.55, 0.7] })], goods)

const fuel = '02/02/2026 | Card payment Fuel Quay | -104.96 | 1,723.85'
const savings = '03/02/2026 | Transfer to savings | -66.70 | 1,657.15'

describe('bookings, under a head that nobody knows or none', () => {
  test('are a day, words, an amount and a balance', () => {
    expect(booked(['What went where', fuel, savings])?.rows.map((row) => row.cells)).toEqual([
      {
        date: '2026-02-02',
        description: 'Card payment Fuel Quay',
        amount: eur('-104.96'),
        balance: eur('1723.85'),
      },
      {
        date: '2026-02-03',
        description: 'Transfer to savings',
        amount: eur('-66.70'),
        balance: eur('1657.15'),
      },
    ])
  })
  test('one alone makes no table', () => expect(booked([fuel, 'Thank you for banking with us'])).toBeNull())
  test('a second day, of value, is none of the words', () => {
    expect(
      booked(['02/02/2026 | 03/02/2026 Card payment | -104.96 | 1,723.85', savings])?.rows[0].cells,
    ).toMatchObject({ date: '2026-02-02', description: 'Card payment' })
  })
  test('a balance brought forward is no booking', () => {
    expect(
      booked(['01/02/2026 | Balance brought forward | 0.00 | 1,828.81', fuel, savings])?.rows.map(
        ({ cells }) => cells.description,
      ),
    ).toEqual(['Card payment Fuel Quay', 'Transfer to savings'])
  })
  test('nor is a period with the balances at its ends', () => {
    expect(booked(['01/02/2026 | to 28/02/2026 | 1,828.81 | 1,657.15', fuel, savings])?.rows).toHaveLength(2)
  })
  test('words straight under those of a row go on with them', () => {
    const table = booked([
      '02/02/2026 | Direct debit Skerrow | -104.96 | 1,723.85',
      ' | Tidal Power',
      savings,
    ])!
    expect(table.rows.map(({ cells }) => cells.description)).toEqual([
      'Direct debit Skerrow Tidal Power',
      'Transfer to savings',
    ])
  })
  test('an amount too faint to be read leaves its place to the rows around it', () => {
    const lines = [
      fuel,
      '03/02/2026 | Transfer to savings | 6670 | 1,657.15',
      '04/02/2026 | Chandlery | -10.00 | 1,647.15',
    ]
    expect(booked(lines, { source: 'ocr', confidence: 0.9 })?.rows[1].cells).toMatchObject({
      amount: eur('-66.70'),
      balance: eur('1657.15'),
    })
  })
  test('on a weak print a row may lack its day, where its amounts stand in the columns of the others', () => {
    const lines = [
      fuel,
      '0302/206 | Transfer to savings | -66.70 | 1,657.15',
      '04/02/2026 | Chandlery | -10.00 | 1,647.15',
    ]
    expect(booked(lines, { source: 'ocr', confidence: 0.9 })?.rows[1].cells).toMatchObject({
      date: '2026-02-03',
      description: 'Transfer to savings',
      amount: eur('-66.70'),
    })
    expect(booked(lines)?.rows).toHaveLength(2)
  })
  test('one amount alone is the one in whose column it stands, though a number stands among the words', () => {
    const lines = [fuel, '03/02/2026 | Cheque 000412 | -66.70', '04/02/2026 | Chandlery | -10.00 | 1,647.15']
    expect(booked(lines, { source: 'ocr', confidence: 0.9 })?.rows[1].cells).toMatchObject({
      description: 'Cheque 000412',
      amount: eur('-66.70'),
      balance: eur('1657.15'),
    })
  })
  test('a line of amounts amid them that is none is remembered', () =>
    expect(
      booked([fuel, savings, ' | Interest at the end of the quarter | 12.40 | 1,669.55'])?.unexplained,
    ).toEqual([[1240, 166955]]))
})

describe('goods', () => {
  const kit = 'Bow thruster kit | 2 | 100.00 | 200.00'
  const pump = 'Deck wash pump | 3 | 941.00 | 2,823.00'
  test('are words and three figures, of which the last is the product of the others', () => {
    expect(sold(kit, pump)?.rows.map((row) => row.cells)).toEqual([
      { description: 'Bow thruster kit', quantity: '2', unit_price: eur('100.00'), amount: eur('200.00') },
      { description: 'Deck wash pump', quantity: '3', unit_price: eur('941.00'), amount: eur('2823.00') },
    ])
  })
  test('wherever the count stands', () =>
    expect(
      sold('Bow thruster kit | 100.00 | 2 | 200.00', 'Deck wash pump | 941.00 | 3 | 2,823.00')?.rows.map(
        ({ cells }) => cells.quantity,
      ),
    ).toEqual(['2', '3']))
  test('a seller’s slip in the columns of the row before is a row all the same', () =>
    expect(
      sold(kit, pump.replace('3 | 941.00 | 2,823.00', '1 | 941.00 | 914.00'), 'Oars | 4 | 50.00 | 200.00')
        ?.rows[1].cells,
    ).toMatchObject({ quantity: '1', amount: eur('914.00') }))
  test('sums under them are none', () =>
    expect(sold(kit, pump, 'Sub total | | | 3,023.00', 'VAT 20 % | | | 604.60')?.rows).toHaveLength(2))
})

test('a table of another shape is not looked for', () =>
  expect(
    readTableByContent([pageOf([fuel, savings])], {
      ...transactions,
      columns: transactions.columns.filter((c) => c.kind !== 'money'),
    }),
  ).toBeNull())

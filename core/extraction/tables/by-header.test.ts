import { starterTypes } from '../../../demo/lenders/merrow-sound/index.ts'
import { cellsOf } from './row-order.ts'
import { tableOf } from '../../testing/table-of.ts'
import { pageOf } from '../../testing/page-of.ts'
import { readTableByContent } from './by-content.ts'
import { fillYears, readTableByHeader } from './by-header.ts'
import { typeById } from '../../program/document-type.ts'
import { documentTypeSchema, type Field } from '../../program/schema.ts'

const field = (type: string, name: string) =>
  typeById(starterTypes, type).fields.find((f) => f.name === name)!
const transactions = field('bank_statement', 'transactions')
const goods = field('purchase_quote', 'lines')
/** A table of its own columns. */
const fieldOf = (table: { columns: object[] }): Field =>
  documentTypeSchema.parse({
    id: 'made',
    title: 'Made',
    short: 'Made',
    pages: { min: 1, max: 1 },
    titles: ['made'],
    fields: [{ name: 'rows', title: 'Rows', kind: 'table', ...table }],
  }).fields[0]
const eur = (amount: string) => ({ amount, currency: 'EUR' })
const at = [0.08, 0.22, 0.6, 0.8]

const bookings = [
  '02/02/2026 | Card payment Fuel Quay | -104.96 | 1,723.85',
  '03/02/2026 | Transfer to savings | -66.70 | 1,657.15',
]
const booked = [
  {
    date: '2026-02-02',
    description: 'Card payment Fuel Quay',
    amount: eur('-104.96'),
    balance: eur('1723.85'),
  },
  { date: '2026-02-03', description: 'Transfer to savings', amount: eur('-66.70'), balance: eur('1657.15') },
]

test('rows under a head', () =>
  expect(
    readTableByHeader(
      [pageOf(['Date | Description | Amount | Balance', ...bookings], { at })],
      transactions,
    )?.rows.map((row) => row.cells),
  ).toEqual(booked))
test('a sign set apart from its amount is no word of what stands beside it', () =>
  expect(
    readTableByHeader(
      [
        pageOf(
          [
            'Date | Description | Amount | Balance',
            '02/02/2026 | − Card payment Fuel Quay | -104.96 | 1,723.85',
            '03/02/2026 | Transfer to savings – | -66.70 | 1,657.15',
          ],
          { at },
        ),
      ],
      transactions,
    )?.rows.map((row) => row.cells),
  ).toEqual(booked))
test('rows go on over pages, carried balances are none', () => {
  const pages = [
    pageOf(['Date | Description | Amount | Balance', bookings[0]], { at }),
    pageOf(
      ['Date | Description | Amount | Balance', 'x | Balance brought forward | x | 1,723.85', bookings[1]],
      { at, number: 2 },
    ),
  ]
  const table = readTableByHeader(pages, transactions)!
  expect(cellsOf(table)).toEqual(booked)
  expect(table.rows.map((row) => row.place.page)).toEqual([1, 2])
})
test('debit and credit columns give the sign', () => {
  const table = readTableByHeader(
    [
      pageOf(
        [
          'Date | Details | Money out | Money in | Balance',
          '02/02/2026 | Card payment | 104.96 | x | 1,723.85',
          '28/02/2026 | Salary | x | 500.00 | 2,223.85',
        ].map((l) => l.replaceAll(' x ', ' - ')),
        { at: [0.08, 0.22, 0.5, 0.65, 0.8] },
      ),
    ],
    transactions,
  )
  expect(table?.rows.map(({ cells }) => cells.amount)).toEqual([eur('-104.96'), eur('500.00')])
})
test('without signs the balances say which way an amount went', () => {
  const table = readTableByHeader(
    [
      pageOf(
        [
          'Date | Description | Amount | Balance',
          '01/02/2026 | Salary | 500.00 | 1,828.81',
          '02/02/2026 | Card payment | 104.96 | 1,723.85',
        ],
        { at },
      ),
    ],
    transactions,
  )!
  expect(table.rows[1].cells.amount).toEqual(eur('-104.96'))
  expect(table.repaired).toBe(true)
})
test('a wrapped description belongs to its row', () => {
  const table = readTableByHeader(
    [
      pageOf(
        [
          'Date | Description | Amount | Balance',
          '02/02/2026 | Direct debit Skerrow | -104.96 | 1,723.85',
          'Tidal Power',
          '03/02/2026 | Transfer | -66.70 | 1,657.15',
        ].map((l) => (l === 'Tidal Power' ? l : l)),
        { at: [0.08, 0.22, 0.6, 0.8] },
      ),
    ],
    transactions,
  )!
  expect(table.rows).toHaveLength(2)
})
describe('figures set to the middle of two lines of words', () => {
  /**
   * Lines at their places down the page, in hundredths of it; the figures' lines stand between those of their
   * words.
   */
  const rows: [at: number, line: string][] = [
    [20, '02/02/2026 |  | -104.96 | 1,723.85'],
    [19.3, ' | Direct debit'],
    [20.7, ' | Skerrow Tidal Power'],
    [23, '03/02/2026 |  | -66.70 | 1,657.15'],
    [22.3, ' | Transfer'],
    [23.7, ' | to savings'],
  ]
  const page = (head: string) => {
    const lines: [number, string][] = [[17, head], ...rows]
    const words = lines.flatMap(([down, line]) =>
      pageOf([line], { at }).words.map((w) => ({
        ...w,
        box: [w.box[0], down / 100, w.box[2], down / 100 + 0.006] as typeof w.box,
      })),
    )
    return pageOf([], { words })
  }
  const descriptions = ['Direct debit Skerrow Tidal Power', 'Transfer to savings']
  test('both lines belong to the row, under a head', () =>
    expect(
      readTableByHeader([page('Date | Description | Amount | Balance')], transactions)?.rows.map(
        ({ cells }) => cells.description,
      ),
    ).toEqual(descriptions))
})
test('a row without words is not whole', () => {
  const table = readTableByContent(
    [pageOf([...bookings, '04/02/2026 |  | -10.00 | 1,647.15'], { at })],
    transactions,
  )
  expect(table?.rows.map(({ cells }) => cells.description)).toEqual([
    'Card payment Fuel Quay',
    'Transfer to savings',
    null,
  ])
})
test('a head of several words is one column, its currency in brackets too', () => {
  const five = [0.08, 0.13, 0.5, 0.62, 0.8]
  const table = readTableByHeader(
    [
      pageOf(
        [
          '# | Item & description | Qty | Rate (EUR) | Amount (EUR)',
          '1 | Bow thruster kit | 2.00 | 100.00 | 200.00',
          '2 | Deck wash pump | 3.00 | 941.00 | 2,923.00',
          ' | | | Sub total | 3,123.00',
        ],
        { at: five },
      ),
    ],
    goods,
  )!
  expect(cellsOf(table)).toEqual([
    { description: 'Bow thruster kit', quantity: '2', unit_price: eur('100.00'), amount: eur('200.00') },
    { description: 'Deck wash pump', quantity: '3', unit_price: eur('941.00'), amount: eur('2923.00') },
  ])
  expect(table.unexplained).toEqual([])
})
describe('on a weak print', () => {
  const scanned = (...rows: string[]) =>
    readTableByHeader(
      [
        pageOf(['Date | Details | Debit | Credit | Balance', ...rows], {
          at: [0.08, 0.22, 0.5, 0.65, 0.8],
          confidence: 0.8,
          source: 'ocr',
        }),
      ],
      transactions,
    )!.rows.map((row) => row.cells)
  test('dashes and scraps under the heads of figures are not words of the row', () =>
    expect(scanned('02/02/2026 | Cheque 000412 | €52.42 | ce | €1,098.99')[0]).toEqual({
      date: '2026-02-02',
      description: 'Cheque 000412',
      amount: eur('-52.42'),
      balance: eur('1098.99'),
    }))
  test('strokes and colons between figures are points', () =>
    expect(scanned('02/02/2026 | Cheque | €52:42 | = | €1;098:99')[0]).toMatchObject({
      amount: eur('-52.42'),
      balance: eur('1098.99'),
    }))
  test('an amount that lost its point is given one, and what it adds up with must bear it out', () =>
    expect(scanned('02/02/2026 | Cheque | €52.42 | = | €109899')[0]).toMatchObject({
      amount: eur('-52.42'),
      balance: eur('1098.99'),
    }))
})
test('days and words are found under heads that are misread or worded anew', () => {
  for (const head of [
    'pate | Details | Amount | Balance',
    'Date | Test | Amount | Balance',
    'Date | Wherefore | Amount | Balance',
    'Booked on | Details | Amount | Balance',
  ])
    expect(
      readTableByHeader([pageOf([head, ...bookings], { at })], transactions)?.rows.map((row) => row.cells),
    ).toEqual(booked)
})
test('a head of a later page that could not be read is as it was before', () => {
  const pages = [
    pageOf(['Date | Details | Paid out | Paid in | Balance', bookings[0].replace('-104.96', '104.96 | ')], {
      at: [0.08, 0.22, 0.5, 0.65, 0.8],
    }),
    pageOf(['Date | Details | Pxdoot | Paid in | Balance', bookings[1].replace('-66.70', '66.70 | ')], {
      at: [0.08, 0.22, 0.5, 0.65, 0.8],
      number: 2,
    }),
  ]
  expect(readTableByHeader(pages, transactions)?.rows.map((row) => row.cells)).toEqual(booked)
})
test('two words of a head may be read as one', () => {
  expect(
    readTableByHeader(
      [
        pageOf(
          ['Date | Details | Paidout | Paid in | Balance', bookings[0].replace('-104.96', '104.96 | ')],
          { at: [0.08, 0.22, 0.5, 0.65, 0.8] },
        ),
      ],
      transactions,
    )?.rows[0].cells.amount,
  ).toEqual(eur('-104.96'))
})
test('no head, no table by head', () =>
  expect(readTableByHeader([pageOf(['Tide table'])], transactions)).toBeNull())

test('bookings without a known head are found by what they hold', () => {
  expect(
    readTableByContent(
      [pageOf(['Wann | Was | Wieviel | Stand', ...bookings], { at })],
      transactions,
    )?.rows.map((row) => row.cells),
  ).toEqual(booked)
})
test('goods are found by quantity times price', () => {
  const table = readTableByContent(
    [
      pageOf(
        [
          '1 | Liferaft, six persons | 2 | 201,50 € | 403,00 €',
          '2 | Hydraulic pot hauler | 1 | 1 088,50 € | 1 088,50 €',
        ],
        { at: [0.08, 0.12, 0.5, 0.6, 0.8] },
      ),
    ],
    goods,
  )
  expect(cellsOf(table!)).toEqual([
    { description: 'Liferaft, six persons', quantity: '2', unit_price: eur('201.50'), amount: eur('403.00') },
    {
      description: 'Hydraulic pot hauler',
      quantity: '1',
      unit_price: eur('1088.50'),
      amount: eur('1088.50'),
    },
  ])
})
test('sums under the goods are no goods', () =>
  expect(readTableByContent([pageOf(['Net | 100.00', 'VAT | 20.00', 'Total | 120.00'])], goods)).toBeNull())

test('years come from the period of the statement, over the turn of a year too', () => {
  const table = tableOf([{ date: '--12-30' }, { date: '--01-02' }])
  fillYears(table, 'date', '2025-12-15', '2026-01-14')
  expect(table.rows.map(({ cells }) => cells.date)).toEqual(['2025-12-30', '2026-01-02'])
})
test('what the head says under itself is no row, and days may be ordinal', () => {
  const page = pageOf(
    [
      'Date | Details | Amount | Balance',
      ' |  | (EUR) | (EUR)',
      '2nd February | Fuel Quay | -104.96 | 1,723.85',
      '3rd February | Savings | -66.70 | 1,657.15',
    ],
    { at },
  )
  expect(
    readTableByHeader([page], transactions)!.rows.map(({ cells }) => [cells.date, cells.description]),
  ).toEqual([
    ['--02-02', 'Fuel Quay'],
    ['--02-03', 'Savings'],
  ])
})
test('"Withdrawn" beside "Paid in" are amounts out and in', () => {
  const page = pageOf(
    [
      'Date | Details | Withdrawn | Paid in | Balance',
      '02/02/2026 | Fuel Quay | 104.96 |  | 1,723.85',
      '03/02/2026 | Wages |  | 66.70 | 1,790.55',
    ],
    { at: [0.08, 0.22, 0.5, 0.65, 0.8] },
  )
  expect(readTableByHeader([page], transactions)!.rows.map(({ cells }) => cells.amount)).toEqual([
    eur('-104.96'),
    eur('66.70'),
  ])
})

test('a sentence under the sums is no end of the last row', () => {
  const page = pageOf(
    [
      'Concepto | Unidades | Precio unitario | Total',
      'Radar and chart | 1 | 189.50 | 189.50',
      ' |  | Suma | € 189.50',
      ' |  | Importe total | € 189.50',
      'Pago: 30 % al pedido.',
    ],
    { at: [0.08, 0.4, 0.6, 0.8] },
  )
  expect(readTableByHeader([page], goods)?.rows.map(({ cells }) => cells.description)).toEqual([
    'Radar and chart',
  ])
})

test('a row of which only the balance was read on a weak print is a row, whose amount the rows around it say', () => {
  const weak = pageOf(
    [
      '01/03/2026 | Card payment | 57.131 | 4,315.58',
      '01/03/2026 | Ferry Office | 101.23 | 4,214.35',
      '02/03/2026 | Chandlery | 11.581 | 4,202.77',
      '02/03/2026 | Fuel Quay | 11.48 | 4,191.29',
    ],
    { at, source: 'ocr', confidence: 0.8 },
  )
  expect(
    readTableByContent([weak], transactions)?.rows.map(({ cells }) => [cells.amount, cells.balance]),
  ).toEqual([
    [null, eur('4315.58')],
    [eur('-101.23'), eur('4214.35')],
    [eur('-11.58'), eur('4202.77')],
    [eur('-11.48'), eur('4191.29')],
  ])
})

test('a line under the rows whose day was misread is a row all the same, on a picture', () => {
  const read = (sure: number) =>
    readTableByHeader(
      [
        pageOf(
          [
            'Date | Description | Amount | Balance',
            bookings[0],
            'O3/?2/20Z6 | Transfer to savings | -66.70 | 1,657.15',
            '03/02/2026 | Fuel Quay | -57.15 | 1,600.00',
          ],
          { at, source: sure < 1 ? 'ocr' : 'text', confidence: sure },
        ),
      ],
      transactions,
    )!.rows.map((row) => row.cells)
  expect(read(0.9).map((r) => r.amount)).toEqual([eur('-104.96'), eur('-66.70'), eur('-57.15')])
  expect(read(1)).toHaveLength(2)
})

test('a balance between its head and its first row is noted, what is left of a booking is not', () => {
  const read = (...lines: string[]) =>
    readTableByHeader(
      [pageOf(['Date | Description | Amount | Balance', ...lines, ...bookings], { at })],
      transactions,
    )!.broughtForward
  expect([
    read(),
    read('x | Balance brought forward | x | 1,828.81'),
    read('x | Balnce bght fwd | x | 1,828.81'),
    read('~ | Card pymnt | x | x'),
  ]).toEqual([false, true, true, false])
})

describe('a table with a column of its own for each way', () => {
  const ledger = fieldOf({
    columns: [
      { name: 'day', kind: 'date', role: 'date', labels: ['Date'] },
      { name: 'what', kind: 'text', role: 'description', labels: ['Particulars'] },
      { name: 'out', kind: 'money', labels: ['Withdrawals'], optional: true },
      { name: 'in', kind: 'money', labels: ['Deposits'], optional: true },
    ],
  })
  const rowsUnder = (head: string) =>
    readTableByHeader(
      [
        pageOf([head, '02/02/2026 | Card payment | 104.96 | -', '28/02/2026 | Salary | - | 500.00'], {
          at: [0.08, 0.22, 0.6, 0.8],
        }),
      ],
      ledger,
    )!
  const read = [
    { day: '2026-02-02', what: 'Card payment', out: eur('104.96'), in: null },
    { day: '2026-02-28', what: 'Salary', out: null, in: eur('500.00') },
  ]

  test('amounts are as printed: what they mean is in the column’s name', () =>
    expect(cellsOf(rowsUnder('Date | Particulars | Withdrawals | Deposits'))).toEqual(read))
  test('heads that say the way in other words are those columns’', () =>
    expect(cellsOf(rowsUnder('Date | Particulars | Money out | Paid in'))).toEqual(read))
  test('amounts under a head that nobody knows are told: a column of them is left out', () => {
    expect(rowsUnder('Date | Particulars | Withdrawals | Plovers').leftOut).toBe(true)
    expect(rowsUnder('Date | Particulars | Withdrawals | Deposits').leftOut).toBe(false)
  })
})

test('a line over this table’s own amounts that says what they are heads another one', () => {
  const earnings = fieldOf({
    columns: [
      { name: 'item', kind: 'text', role: 'description', labels: ['Earnings'] },
      { name: 'amount', kind: 'money', role: 'amount', labels: ['Amount'] },
    ],
  })
  const lines = [
    'Earnings | Amount',
    'Basic | 1,574.79',
    'Housing | 819.04',
    'Deductions | Amount',
    'Tax | 310.23',
  ]
  expect(
    cellsOf(readTableByHeader([pageOf(lines, { at: [0.08, 0.6] })], earnings)!).map((row) => row.item),
  ).toEqual(['Basic', 'Housing'])
})

import { starterTypes } from '../../demo/lenders/merrow-sound/index.ts'
import { pageOf } from '../testing/page-of.ts'
import { EvidenceReader, UNKNOWN } from './page-evidence.ts'

const reader = new EvidenceReader(starterTypes)
const index = (type: string) => starterTypes.findIndex((t) => t.id === type)
const read = (...lines: string[]) => reader.read(pageOf(lines))
const best = (...lines: string[]) => {
  const { scores } = read(...lines)
  return starterTypes[scores.indexOf(Math.max(...scores))].id
}

const slip = [
  'Fathom & Daughters Ltd',
  'Payslip',
  'Employee | Ottilie Varnham',
  'Pay date | 27/02/2026',
  'Gross pay | 2,755.00',
  'Net pay | 2,140.55',
]

describe('what speaks for a type', () => {
  test('a heading, and labels that only it has', () => expect(best(...slip)).toBe('payslip'))
  test('labels alone, where nothing is headed', () => expect(best(...slip.slice(2))).toBe('payslip'))
  test('a page of bookings, by its rows', () => {
    const rows = [
      '01/02/2026 | Rent | 620.00 | 1,228.13',
      '02/02/2026 | Ferry Office | 12.40 | 1,215.73',
      '03/02/2026 | Chandlery | 96.00 | 1,119.73',
      '05/02/2026 | Salary | 2,140.55 | 3,260.28',
    ]
    const ledger = index('bank_statement')
    expect(read(...rows).scores[ledger]).toBeGreaterThan(read(...rows.slice(0, 2)).scores[ledger])
  })
  test('a machine-readable zone for cards and passports', () => {
    const zone = [
      'P<UTOERIKSSON<<ANNA<MARIA<<<<<<<<<<<<<<<<<<<',
      'L898902C36UTO7408122F1204159ZE184226B<<<<<10',
    ]
    const { scores } = read(...zone)
    expect(scores[index('identity_card')]).toBeGreaterThan(UNKNOWN)
    expect(scores[index('payslip')]).toBeLessThan(UNKNOWN)
  })
  test('nothing, of a page that says nothing', () =>
    expect(Math.max(...read('12', '0.4').scores)).toBeLessThan(1))
})

describe('a heading', () => {
  const strength = (...lines: string[]) => read(...lines).titles[index('payslip')]
  test('counts more high on the page than amid it', () =>
    expect(strength('Payslip')).toBeGreaterThan(
      strength(...Array.from({ length: 20 }, () => 'Harbour dues are paid.'), 'Payslip'),
    ))
  test('counts more alone than within a sentence', () =>
    expect(strength('Payslip')).toBeGreaterThan(
      strength('We enclose the payslip of our deckhand for the month of May'),
    ))
})

describe('labels', () => {
  test('that were found are named by field: a first page carries many, a continuation few', () => {
    expect([...read(...slip).fields[index('payslip')]]).toEqual(
      expect.arrayContaining(['employee_name', 'pay_date', 'gross_pay', 'net_pay']),
    )
    expect(read('Qwz plk trn.').fields[index('payslip')].size).toBe(0)
  })
  test('within a sentence are spoken of, and not asked for', () => {
    const spoken = read(
      'We confirm that the net pay of our deckhand is sent to the bank on the last day of each month.',
    )
    expect(spoken.asked[index('payslip')].has('net_pay')).toBe(false)
    expect(read('Net pay | 2,140.55').asked[index('payslip')].has('net_pay')).toBe(true)
  })
  test('more of the same count less and less: a long page does not outweigh a clear title', () => {
    const many = Array.from({ length: 12 }, () => slip.slice(2)).flat()
    expect(read(...many).scores[index('payslip')]).toBeLessThan(
      read(...slip.slice(2)).scores[index('payslip')] * 1.5,
    )
  })
})

test('what is said of a page is the same however often it is asked', () =>
  expect(read(...slip)).toEqual(read(...slip)))

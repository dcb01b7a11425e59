import { linesOf } from '../../layout/index.ts'
import { pageOf } from '../../testing/page-of.ts'
import { captionsOn } from './captions.ts'

const around = (lines: string[], text: string) => {
  const page = pageOf(lines)
  const segment = linesOf(page)
    .flatMap((l) => l.segments)
    .find((s) => s.text === text)!
  return captionsOn(page).get(segment)!
}

test('what stands left of a value, over it and under it', () =>
  expect(around(['Port | Vessel', 'Home | Pole Star', ' | registered'], 'Pole Star')).toMatchObject({
    left: 'Home',
    above: 'Vessel',
    below: 'registered',
  }))
test('the head of a column is past the rows between', () =>
  expect(around(['What | Amount', 'Net | 20.00', 'Rope | 31.00'], '31.00').head).toBe('Amount'))
test('other figures of a row are stepped over to what it is called', () => {
  const row = ['Pay before stoppages | EUR 5,445.33 | 27,013.65']
  expect(around(row, '27,013.65')).toMatchObject({ left: 'Pay before stoppages', leftSkipped: 1 })
  expect(around(row, 'EUR 5,445.33')).toMatchObject({ left: 'Pay before stoppages', leftSkipped: 0 })
})
describe('years over columns of figures', () => {
  test('are told by how far they lie behind the newest', () => {
    const accounts = [' | Year 2025 | Year 2024', 'Turnover | 90,000.00 | 80,000.00']
    expect(around(accounts, '90,000.00').yearsBack).toBe(0)
    expect(around(accounts, '80,000.00').yearsBack).toBe(-1)
  })
  test('one year alone, a day further up, an amount and a sentence head no columns', () => {
    expect(around([' | 2025', 'Turnover | 90,000.00'], '90,000.00').yearsBack).toBeNull()
    const cover = [
      'Inception | 07/01/2026 | Expiry | 07/01/2027',
      'Insured value | 52,000.00 | Premium | 96.00',
    ]
    expect(around(cover, '52,000.00').yearsBack).toBeNull()
    const issued = ['Tax year 2024 | Issued 13/03/2025', '5,803.33 | 17.00']
    expect(around(issued, '5,803.33').yearsBack).toBeNull()
    expect(around(['Given on | 13/03/2025', 'Charged | 5,803.33'], '5,803.33').yearsBack).toBeNull()
    expect(
      around(['Seen and found in order in the spring of 2024', 'x | 2019.50', 'y | 5.00'], '5.00').yearsBack,
    ).toBeNull()
  })
})

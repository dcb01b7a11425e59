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
test('the year over a column of figures', () => {
  const accounts = [' | 2025 | 2024', 'Turnover | 90,000.00 | 80,000.00']
  expect(around(accounts, '90,000.00').year).toBe(2025)
  expect(around(accounts, '80,000.00').year).toBe(2024)
})
test('an amount is no year, nor is a sentence with one', () =>
  expect(
    around(['Seen and found in order in the spring of 2024', 'x | 2019.50', 'y | 5.00'], '5.00').year,
  ).toBeNull())

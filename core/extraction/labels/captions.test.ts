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
describe('a caption beside a value that goes over several lines', () => {
  const lines = [
    'Are you still paying back | ',
    'any other loan? | Yes',
    'What does she cost, | 12,000.00',
    'tax included?',
  ]
  test('is whole at whichever of them the value stands', () => {
    expect(around(lines, 'Yes')).toMatchObject({
      left: 'any other loan?',
      side: 'Are you still paying back any other loan?',
    })
    expect(around(lines, '12,000.00').side).toBe('What does she cost, tax included?')
  })
  test('ends where another row has a value, and is none where one line is all', () =>
    expect(around(['Port | Estervoe', 'Home | Pole Star', 'Built | 1998'], 'Pole Star').side).toBe(''))
  test('is taken from both sides of the middle that a value is set to, past the number of its row', () => {
    const page = pageOf(['x'])
    const word = (text: string, left: number, top: number) => ({
      ...page.words[0],
      text,
      box: [left, top, left + 0.02 * text.length, top + 0.012] as [number, number, number, number],
    })
    const set = {
      ...page,
      words: [word('How', 0.13, 0.1), word('much', 0.2, 0.1), word('4.1', 0.05, 0.107)].concat(
        word('9,500.00', 0.5, 0.107),
        word('borrowed?', 0.13, 0.114),
      ),
    }
    const segment = linesOf(set)
      .flatMap((l) => l.segments)
      .find((s) => s.text.includes('9,500.00'))!
    expect(captionsOn(set).get(segment)).toMatchObject({
      left: 'How much borrowed?',
      side: 'How much borrowed?',
    })
  })
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

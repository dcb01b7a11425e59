import { traderAccount, workingBoatLoan } from '../../demo/lenders/merrow-sound/index.ts'
import { paperOf } from '../testing/paper-of.ts'
import { timeLineOf } from './time-line.ts'

const statement = (id: string, start: string, end: string) =>
  paperOf(id, 'bank_statement', { statement_start: start, statement_end: end })
const slip = (id: string, day: string) => paperOf(id, 'payslip', { pay_date: day, period_end: day })
const line = (...papers: ReturnType<typeof paperOf>[]) => timeLineOf(workingBoatLoan, papers, '2026-04-10')

test('days between statements that nobody has are a gap', () => {
  const found = line(
    statement('mar', '2026-03-01', '2026-03-31'),
    statement('jan', '2026-01-01', '2026-01-31'),
  )!
  expect(found.lanes).toMatchObject([
    { type: 'bank_statement', gaps: [{ start: '2026-02-01', end: '2026-02-28' }] },
  ])
  expect(found.lanes[0].spans.map((s) => s.document)).toEqual(['jan', 'mar'])
})
test('statements that meet or overlap leave none', () =>
  expect(
    line(
      statement('a', '2026-01-01', '2026-01-31'),
      statement('b', '2026-01-20', '2026-02-28'),
      statement('c', '2026-03-01', '2026-03-31'),
    )!.lanes[0].gaps,
  ).toEqual([]))
test('pay days stand on a lane of their own; the line runs over whole months to the day of checking', () => {
  const found = line(slip('feb', '2026-02-27'), statement('feb st', '2026-02-01', '2026-02-28'))!
  expect(found.lanes.find((l) => l.type === 'payslip')!.marks).toMatchObject([
    { day: '2026-02-27', document: 'feb' },
  ])
  expect([found.from, found.to]).toEqual(['2026-02-01', '2026-04-30'])
})
test('a day of another century does not stretch the line', () =>
  expect(line(slip('odd', '1926-02-27'), slip('feb', '2026-02-27'))!.from).toBe('2026-02-01'))
test('where nothing of the kind is asked for or there, there is no line', () => {
  expect(line(paperOf('x', 'utility_bill', { issue_date: '2026-01-01' }))).toBeNull()
  expect(timeLineOf(traderAccount, [statement('a', '2026-01-01', '2026-01-31')], '2026-04-10')).toBeNull()
})

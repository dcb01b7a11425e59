import { type DesignerRun, summary } from './designers.ts'

const run = (designer: string, leftOut: number, fitted: number): DesignerRun => ({
  name: designer,
  designer,
  leftOut: { 'field accuracy': leftOut, 'conflict precision': null },
  fitted: { 'field accuracy': fitted, 'conflict precision': null },
})
const runs = [run('one', 0.8, 0.9), run('one', 0.9, 1), run('other', 0.7, 0.9)]

test('a designer counts once, however many corpora there are', () => {
  const found = summary(runs, 'field accuracy', true)!
  expect(found.leftOut).toBeCloseTo(0.775)
  expect(found.fitted).toBeCloseTo(0.925)
})
test('the worst is the least where more is better, and the most where less is', () => {
  expect(summary(runs, 'field accuracy', true)!.worst).toBeCloseTo(0.7)
  expect(summary(runs, 'field accuracy', false)!.worst).toBeCloseTo(0.85)
})
test('a figure that nobody could measure has no mean', () =>
  expect(summary(runs, 'conflict precision', true)).toBeNull())

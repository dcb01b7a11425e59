import { findText } from './find.ts'
import { pageOf } from '../testing/page-of.ts'

const page = pageOf([
  'Employee | Zélie Lefèvre',
  '12 Gannet Row, Port Ellery SK4 2QD',
  'Case MSM-26-004817 and again MSM-26-004817',
])
const lines = (wanted: string) => findText(page, wanted).map((h) => h.line)

test('case and accents do not matter', () =>
  expect(lines('zelie lefevre')).toEqual(['Employee Zélie Lefèvre']))
test('the beginning of a word, or a part of a number, is enough', () => {
  expect(lines('lef')).toHaveLength(1)
  expect(lines('4817')).toHaveLength(2)
})
test('neighbouring words are found together, and marked together', () => {
  const [hit] = findText(page, 'Gannet Row, Port')
  expect(hit.box[2] - hit.box[0]).toBeGreaterThan(0.1)
})
test('one letter, or none, finds nothing', () =>
  expect([lines(''), lines('a'), lines('.,')]).toEqual([[], [], []]))

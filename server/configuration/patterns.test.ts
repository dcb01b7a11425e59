import { starterTypes } from '../../demo/lenders/merrow-sound/index.ts'
import { patternFault, patternsFault } from './patterns.ts'

test.each([
  ['(', 'cannot be understood'],
  ['(\\d+)+X', 'would take for ever'],
  ['(a|a)*b', 'would take for ever'],
  ['([a-z]+[0-9]*)*!', 'would take for ever'],
  ['(?:a?){30}', 'would take for ever'],
  ['\\d*\\d*\\d*\\d*X', 'would take for ever'],
  ['x'.repeat(300), 'longer than'],
])('%s is refused: %s', (pattern, why) => expect(patternFault(pattern)).toMatch(why))

test.each([
  'SKR-\\d{4}',
  '[A-Z]{2}\\d{6}[A-D]?',
  '\\d{6}-\\d{4}',
  '(?:19|20)\\d{2}',
  '\\d+[ -]?\\d+',
  '(?:\\d{3} )?\\d{4}',
])('%s is taken', (pattern) => expect(patternFault(pattern)).toBeNull())

test('all patterns that ship are taken', () =>
  expect(starterTypes.map(patternsFault)).toEqual(starterTypes.map(() => null)))

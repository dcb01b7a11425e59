import { hasForm } from './patterns.ts'

test.each([
  ['SKR-\\d{4}', 'SKR-4260', true],
  ['SKR-\\d{4}', 'SKR-42605', false],
  ['one|two', 'two', true],
  ['one|two', 'twofold', false],
])('%s tells of %s: %s', (pattern, value, has) => expect(hasForm(pattern, value)).toBe(has))

test('no pattern, one that is none, and what is no text tell nothing', () => {
  expect([hasForm(undefined, 'a'), hasForm('(', 'a'), hasForm('a', { amount: '1.00' })]).toEqual([
    null,
    null,
    null,
  ])
})

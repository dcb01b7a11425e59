import { article, fieldWords, figures, list, lower, pageSpan, shortList } from './words.ts'

test.each([
  [[], ''],
  [['a'], 'a'],
  [['a', 'b'], 'a and b'],
  [['a', 'b', 'c'], 'a, b and c'],
])('a list of %j', (items, words) => expect(list(items)).toBe(words))
test('a long list names three, and what stands in it twice once', () => {
  expect(shortList(['a', 'a', 'b'])).toBe('a and b')
  expect(shortList(['a', 'b', 'c', 'd'])).toBe('a, b, c and d')
  expect(shortList(['a', 'b', 'c', 'd', 'e'])).toBe('a, b, c and 2 more')
})
test('titles in a sentence: small, with their article, abbreviations as they are', () => {
  expect(['Payslip', 'Identity card', 'IBAN'].map(lower)).toEqual(['payslip', 'identity card', 'IBAN'])
  expect(['Payslip', 'Identity card'].map(article)).toEqual(['a payslip', 'an identity card'])
})
test('names of fields, amounts and pages', () => {
  expect(fieldWords('issue_date')).toBe('issue date')
  expect(figures({ amount: '1048750.00', currency: 'EUR' })).toBe('1,048,750.00')
  expect([pageSpan({ first: 4, last: 4 }), pageSpan({ first: 4, last: 6 })]).toEqual([
    'page 4',
    'pages 4 to 6',
  ])
})

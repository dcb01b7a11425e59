import { changesInWords, hitsInWords } from './in-words.ts'

const titles = new Map([
  ['payslip', 'Payslip'],
  ['note', 'Landing note'],
])

test.each([
  [0, undefined, 'applies to no page'],
  [1, undefined, 'applies to 1 page'],
  [3, { number: 2, page: 7 }, 'applies to 3 pages, this is 2 of them: page 7'],
])('a rule with %i hits', (hits, shown, words) => expect(hitsInWords(hits, shown)).toBe(words))

test('what a rule changes is told by page; what pages speak against is asked about', () => {
  const told = changesInWords(
    [
      { kind: 'begins', page: 3, now: true },
      { kind: 'begins', page: 4, now: false },
      { kind: 'type', page: 5, from: 'payslip', to: 'note' },
      { kind: 'type', page: 6, from: 'gone', to: 'payslip' },
      { kind: 'asked', page: 8 },
    ],
    titles,
  )
  expect(told.map((t) => [t.text, t.asked])).toEqual([
    ['A document starts on page 3', false],
    ['No document starts on page 4 any more', false],
    ['Page 5: landing note, not payslip', false],
    ['Page 6: payslip, not of no known type', false],
    ['Page 8 says otherwise: a person would be asked', true],
  ])
})

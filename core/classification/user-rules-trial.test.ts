import { starterTypes, workingBoatLoan } from '../../demo/lenders/merrow-sound/index.ts'
import { euroLender } from '../testing/lender.ts'
import { inWords } from '../../wording/index.ts'
import { assess } from '../pipeline/assess.ts'
import { pageOf } from '../testing/page-of.ts'
import type { Page } from '../model/page.ts'
import { tryRule } from './user-rules-trial.ts'
import type { Rule } from './user-rules.ts'
import { segmentPages } from './segment.ts'

const number = (pages: Page[]): Page[] => pages.map((p, i) => ({ ...p, number: i + 1, filePage: i + 1 }))
const begins = (text: string): Rule => ({
  name: `Begins with ${text}`,
  says: { kind: 'begins' },
  words: [{ text, place: 'top' }],
  without: [],
})
const isType = (text: string, type: string): Rule => ({
  name: `${text} is ${type}`,
  says: { kind: 'type', type },
  words: [{ text, place: 'anywhere' }],
  without: [],
})
const leaf = (head: string, body: string) =>
  pageOf([
    head,
    '',
    body,
    'The nets were mended on the quay and hung to dry.',
    'They are counted again in autumn.',
  ])
const log = [leaf('Net loft log', 'Week of 2 March'), leaf('Net loft log', 'Week of 9 March')]
const consent = pageOf([
  'Merrow Sound Mutual',
  'Consent to a credit check',
  'Name of applicant | Ottilie Varnham',
  'National number | 140380-2211',
  'I consent to asking credit reference agencies about my credit history.',
  'Signature | Date',
])
const foot = (lines: string[], text: string) =>
  pageOf([...lines, ...Array.from({ length: 44 - lines.length }, () => ''), text])
const form = [
  foot(
    [
      'Application for a working-boat loan',
      'Name of applicant | Ottilie Varnham',
      'Date of birth | 14/03/1980',
      'Home address | 12 Gannet Row, Port Ellery SK4 2QD',
      'Employer | Petrel Slipways Ltd',
    ],
    'Page 1 of 2',
  ),
  foot(
    [
      'The loan',
      'Loan amount | EUR 48,750.00',
      'Purchase price | EUR 61,250.00',
      'Hull number | SKR-88241',
      'Signature of applicant',
    ],
    'Page 2 of 2',
  ),
]

const documents = (pages: Page[], rule: Rule) =>
  assess({
    files: [],
    pages,
    pieces: segmentPages(pages, starterTypes, { rules: [rule] }),
    program: workingBoatLoan,
    types: starterTypes,
    lender: euroLender,
    answers: [],
    asOf: '2026-04-10',
  })

test('a rule cuts where the pages leave it open', () => {
  const pages = number([...log, consent])
  const trial = tryRule(pages, starterTypes, {}, begins('Net loft log'))
  expect(trial.hits.map((h) => h.page)).toEqual([1, 2])
  expect(segmentPages(pages, starterTypes, { rules: [begins('Net loft log')] }).map((p) => p.pages)).toEqual([
    [1],
    [2],
    [3],
  ])
})
test('a rule gives a type to papers that are of none', () => {
  const pages = number([log[0], consent])
  expect(tryRule(pages, starterTypes, {}, isType('Net loft log', 'cover_letter')).changes).toContainEqual({
    kind: 'type',
    page: 1,
    from: 'unknown',
    to: 'cover_letter',
  })
})
test('a rule that the pages clearly contradict is asked about, not obeyed and not overheard in silence', () => {
  const pages = number([...form, consent])
  const rule = begins('The loan')
  expect(tryRule(pages, starterTypes, {}, rule).changes).toContainEqual({ kind: 'asked', page: 2 })
  const { deck } = documents(pages, rule)
  const question = deck.find((q) => q.id === 'cut:2')!
  expect(question.why.map(inWords).join(' ')).toContain(rule.name)
  expect(question.choices.map((c) => c.answer)).toEqual(
    expect.arrayContaining([
      { kind: 'cut', page: 2, begins: true },
      { kind: 'cut', page: 2, begins: false },
    ]),
  )
})
test('once a person has said, the rule asks no more', () => {
  const pages = number([...form, consent])
  const situation = {
    files: [],
    pages,
    pieces: segmentPages(pages, starterTypes, { rules: [begins('The loan')] }),
    program: workingBoatLoan,
    types: starterTypes,
    lender: euroLender,
    asOf: '2026-04-10',
  }
  for (const says of [true, false])
    expect(
      assess({ ...situation, answers: [{ kind: 'cut', page: 2, begins: says }] }).deck.map((q) => q.id),
    ).not.toContain('cut:2')
})
test('a type that the page clearly contradicts is asked about', () => {
  const pages = number([consent, ...form])
  const { deck } = documents(pages, isType('Merrow Sound Mutual', 'payslip'))
  expect(
    deck
      .find((q) => q.id === 'type:1')
      ?.why.map(inWords)
      .join(' '),
  ).toContain('Merrow Sound Mutual is payslip')
})
test('a rule that hits nothing changes nothing', () =>
  expect(tryRule(number([consent]), starterTypes, {}, begins('Kittiwake'))).toEqual({
    hits: [],
    changes: [],
  }))

import { starterTypes } from '../../demo/lenders/merrow-sound/index.ts'
import { pageOf } from '../testing/page-of.ts'
import type { Page } from '../model/page.ts'
import { similarityTo, samplesOf, type Learnt } from './nearest-samples.ts'
import { tryKnowledge } from './nearest-samples-trial.ts'
import { segmentPages } from './segment.ts'

/** A slip of the fish auction that no type describes: lenders take it for a payslip. */
const slip = (week: number, sum: string): Page =>
  pageOf([
    'Brackwater Fish Auction',
    'Landing settlement',
    `Week | ${week}`,
    'Species | Boxes | Sum',
    `Ling | 12 | ${sum}`,
    `Monk | 3 | ${sum}`,
    'Less harbour dues and ice',
    `Paid to skipper | ${sum}`,
  ])
const consent = pageOf([
  'Merrow Sound Mutual',
  'Consent to a credit check',
  'Name of applicant | Ottilie Varnham',
  'National number | 140380-2211',
  'I consent to asking credit reference agencies about my credit history.',
  'Signature | Date',
])
const leaflet = pageOf([
  'Harbour gala',
  'Rowing races start at noon on the north quay.',
  'Tea is served in the lifeboat house.',
])
const number = (pages: Page[]): Page[] => pages.map((p, i) => ({ ...p, number: i + 1, filePage: i + 1 }))
const learnt: Learnt = {
  samples: [
    ...samplesOf('payslip', [slip(9, '812.40')]),
    ...samplesOf('credit_consent', [consent]),
    ...samplesOf('unknown', [leaflet]),
  ],
}
const types = (pages: Page[], with_: Learnt | null) =>
  segmentPages(number(pages), starterTypes, { learnt: with_ }).map((p) => p.type)

test('a form confirmed once is known the next time, with other values on it', () => {
  expect(types([slip(10, '1,020.00'), consent], null)[0]).not.toBe('payslip')
  expect(types([slip(10, '1,020.00'), consent], learnt)).toEqual(['payslip', 'credit_consent'])
})
test('what resembles no sample is judged as before', () => {
  const likeness = similarityTo(learnt, leaflet, starterTypes)
  expect(Math.max(...likeness.first.slice(0, -1), ...likeness.further)).toBe(0)
  expect(likeness.first.at(-1)).toBeGreaterThan(4)
})
test('words that stand on papers of all types say nothing of the type', () => {
  const named = (type: string, own: string) =>
    samplesOf(type, [pageOf(['Ottilie Varnham', 'Gannet Row Port Ellery', own])])
  const all: Learnt = {
    samples: [
      ...named('payslip', 'Landing settlement'),
      ...named('tax_assessment', 'Revenue notice'),
      ...named('survey_report', 'Hull inspection'),
    ],
  }
  const likeness = similarityTo(
    all,
    pageOf(['Ottilie Varnham', 'Gannet Row Port Ellery', 'Hull inspection']),
    starterTypes,
  )
  const at = (id: string) => likeness.first[starterTypes.findIndex((t) => t.id === id)]
  expect(at('survey_report')).toBeGreaterThan(at('payslip') + 2)
})
test('blank pages and sheets between papers are no samples', () =>
  expect(
    samplesOf('payslip', [
      { ...pageOf([]), blank: true },
      { ...pageOf(['x']), separator: true },
    ]),
  ).toEqual([]))

describe('a trial on packages that nothing was learnt from', () => {
  const aside = [
    {
      pages: number([slip(11, '640.10'), consent]),
      documents: [
        { type: 'payslip', pages: [1] },
        { type: 'credit_consent', pages: [2] },
      ],
    },
  ]
  test('tells what came right before and after', () => {
    const before = tryKnowledge(aside, starterTypes, {})
    const after = tryKnowledge(aside, starterTypes, { learnt })
    expect(before).toMatchObject({
      documents: 2,
      right: 1,
      pages: 2,
      pagesRight: 1,
      confusions: [{ from: 'payslip', pages: 1 }],
    })
    expect(after).toMatchObject({ right: 2, pagesRight: 2, confusions: [], wrongUnasked: 0 })
  })
})

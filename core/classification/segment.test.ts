import { starterTypes } from '../../demo/lenders/merrow-sound/index.ts'
import { pageOf } from '../testing/page-of.ts'
import type { Page } from '../model/page.ts'
import { missingPages } from './missing-pages.ts'
import { linkScore, pageFeatures } from './page-links.ts'
import { segmentPages } from './segment.ts'

const number = (pages: Page[]): Page[] => pages.map((p, i) => ({ ...p, number: i + 1, filePage: i + 1 }))
const foot = (lines: string[], text: string) =>
  pageOf([...lines, ...Array.from({ length: 44 - lines.length }, () => ''), text])
const payslip = (month: string, pay: string) =>
  pageOf([
    'Petrel Slipways Ltd',
    'Payslip',
    'Employee | Ottilie Varnham',
    `Pay period | ${month} 2026`,
    `Pay date | 28 ${month} 2026`,
    `Gross pay | ${pay}`,
    `Net pay | ${pay}`,
    'Income tax | 402.15',
    'Social insurance | 212.30',
    'National number | 140380-2211',
  ])
const consent = pageOf([
  'Merrow Sound Mutual',
  'Consent to a credit check',
  'Name of applicant | Ottilie Varnham',
  'National number | 140380-2211',
  'I consent to asking credit reference agencies about my credit history.',
  'Signature | Date',
])
const application = [1, 2].map((n) =>
  foot(
    n === 1
      ? [
          'Application for a working-boat loan',
          'Name of applicant | Ottilie Varnham',
          'Date of birth | 14/03/1980',
          'Home address | 12 Gannet Row, Port Ellery SK4 2QD',
          'Employment status | Employed',
          'Employer | Petrel Slipways Ltd',
        ]
      : [
          'The loan',
          'Loan amount | EUR 48,750.00',
          'Purchase price | EUR 61,250.00',
          'Deposit | EUR 12,500.00',
          'Hull number | SKR-88241',
          'Signature of applicant',
        ],
    `Page ${n} of 2`,
  ),
)
const stray = pageOf([
  'Saltholm Choir',
  'Rehearsals are on Thursdays at half past seven in the net loft.',
  'Tea is brought by Group B in October.',
])
const blank: Page = { ...pageOf([]), blank: true, source: 'none' }

const cut = (pages: Page[]) =>
  segmentPages(number(pages), starterTypes).map((p) => `${p.type}:${p.pages.join(',')}`)

test('papers of several types', () =>
  expect(cut([...application, consent, payslip('January', '2,755.00')])).toEqual([
    'loan_application:1,2',
    'credit_consent:3',
    'payslip:4',
  ]))
test('the same kind twice in a row is two papers', () =>
  expect(
    cut([payslip('January', '2,755.00'), payslip('February', '2,755.00'), payslip('March', '2,801.10')]),
  ).toEqual(['payslip:1', 'payslip:2', 'payslip:3']))
test('a page of no known type comes out as unknown', () =>
  expect(cut([consent, stray])).toEqual(['credit_consent:1', 'unknown:2']))
test('blank pages are in no document and part none', () =>
  expect(cut([application[0], blank, application[1]])).toEqual(['loan_application:1,3']))
test('a separator parts what would hang together', () =>
  expect(cut([application[0], { ...blank, separator: true }, application[1]])).toHaveLength(2))
test('no pages, no documents', () => expect(cut([])).toEqual([]))
test('probabilities are between 0 and 1, the first type is the likeliest', () => {
  for (const piece of segmentPages(number([...application, consent, stray]), starterTypes)) {
    expect(piece.confidence).toBeGreaterThan(0)
    expect(piece.confidence).toBeLessThanOrEqual(0.999)
    expect(piece.types.map((t) => t.confidence)).toEqual(
      piece.types.map((t) => t.confidence).sort((a, b) => b - a),
    )
  }
})
test('the same pages give the same cut', () => {
  const pages = number([...application, consent, payslip('January', '1.00')])
  expect(segmentPages(pages, starterTypes)).toEqual(segmentPages(pages, starterTypes))
})

test('numbering links pages and parts them', () => {
  const [first, second] = application.map(pageFeatures)
  expect(linkScore(first, second)).toBeGreaterThan(3)
  expect(linkScore(second, first)).toBeLessThan(0)
})
test('another file is another paper', () => {
  const [first, second] = application
  expect(linkScore(pageFeatures(first), pageFeatures({ ...second, file: 'b.pdf' }))).toBeLessThan(
    linkScore(pageFeatures(first), pageFeatures(second)),
  )
})

test('a lacking page is known from the numbering', () => {
  expect(missingPages([foot(['a'], 'Page 1 of 3'), foot(['c'], 'Page 3 of 3')])).toEqual([2])
  expect(missingPages([foot(['a'], 'Page 1 of 2'), foot(['b'], 'Page 2 of 2')])).toEqual([])
  expect(missingPages([pageOf(['no number at all'])])).toEqual([])
})
test('one misread number does not make sixty pages lacking', () =>
  expect(missingPages([foot(['a'], 'Page 1 of 77')])).toEqual([]))
test('a total that two readers read apart makes no page lacking, one that another page says too does', () => {
  const disputed = (page: Page): Page => ({
    ...page,
    words: page.words.map((w) => (/\d/.test(w.text) ? { ...w, disputed: true } : w)),
  })
  expect(missingPages([disputed(foot(['a'], 'Page 1 of 4'))])).toEqual([])
  expect(missingPages([disputed(foot(['a'], 'Page 1 of 3')), disputed(foot(['b'], 'Page 2 of 3'))])).toEqual([
    3,
  ])
})
test('a page that says the same once more is a copy and begins anew', () => {
  const letter = pageOf([
    '89 Beacon Road',
    'Oyster Haven SK3 7DG',
    'Dear loan team,',
    'please find enclosed the papers for my application. I look forward to hearing from you.',
    'With best wishes',
    'Eskil Kestrelle',
  ])
  expect(cut([letter, letter])).toHaveLength(2)
  expect(linkScore(pageFeatures(letter), pageFeatures(letter))).toBeLessThan(-3)
})

const CLAUSES = [
  'The holder moors the vessel with lines of a strength that suits her displacement.',
  'Waste oil and nets go into the containers that are provided on the quay.',
  'Either side may end this agreement by three months of notice given in writing.',
  'The fee is payable in advance on the first day of each year of the term.',
  'Shore power and water are metered and charged apart from the berth fee.',
  'The harbour master may move the vessel in an emergency or for dredging.',
  'The holder keeps the vessel insured against third-party liability at all times.',
  'This agreement is governed by the law of the isles and by no other.',
  'Nothing is thrown overboard inside the breakwater by anybody on board.',
]
const clauses = (n: number) => CLAUSES.slice((n - 1) * 3, n * 3)
test('a contract of sentences without page numbers is one document', () => {
  const first = pageOf([
    'Berth agreement',
    'Berth holder | Ottilie Varnham',
    'Vessel | Pole Star',
    'Annual fee | EUR 1,200.00',
    'Start of agreement | 1 May 2025',
    'End of agreement | 30 April 2027',
    ...clauses(1),
  ])
  expect(cut([first, pageOf(clauses(2)), pageOf(clauses(3)), consent])).toEqual([
    'berth_agreement:1,2,3',
    'credit_consent:4',
  ])
})
test('numbers alone in the foot link pages that follow one another', () => {
  const [a, b, c] = [1, 2, 7].map((n) => pageFeatures(foot(['some words', 'and others'], String(n))))
  expect(linkScore(a, b)).toBeGreaterThan(linkScore(a, c) + 3)
})
const FINDINGS = [
  'The hull was sounded over the whole of its length and no defects',
  'were found below the waterline. The topsides show wear that is usual',
  'for a vessel of this age and were inspected in a good light.',
  'The engine was run for twenty minutes and showed no undue vibration,',
  'and the stern gear was dry. The surveyor recommends that the anodes',
  'be renewed before the vessel is launched again in the spring.',
  'The rigging was inspected from the deck only. In the opinion of the',
  'surveyor the condition of the vessel is good and her market value is',
  'as stated above, subject to the recommendations of this report.',
]
const findings = (n: number) => FINDINGS.slice((n - 1) * 3, n * 3)
test('a report goes on where its own number stands over sentences, whatever its parts are headed', () => {
  const head = 'Pre-purchase survey 8331/24'
  const first = pageOf([
    'Tern Island Surveyors Ltd',
    'PRE-PURCHASE SURVEY',
    'Report number | 8331/24',
    'Surveyor | Jory Tamblyn',
    'Date of inspection | 2 February 2026',
    'Hull number | SKR-88241',
    ...findings(1),
  ])
  const next = (n: number) => pageOf([head, '', ...findings(n)])
  const part = pageOf([head, '', 'Part C', ...findings(3)])
  expect(linkScore(pageFeatures(next(2)), pageFeatures(next(3)))).toBeGreaterThan(
    linkScore(pageFeatures(pageOf(findings(2))), pageFeatures(pageOf(findings(3)))) + 2,
  )
  expect(cut([first, next(2), part, consent])).toEqual(['survey_report:1,2,3', 'credit_consent:4'])
})
test('parts that are numbered on hang together', () => {
  const [a, b, c] = [3, 4, 7].map((n) =>
    pageFeatures(pageOf([`Section ${n}: the boat and what belongs to it`, 'Vessel | Pole Star'])),
  )
  expect(linkScore(a, b)).toBeGreaterThan(linkScore(a, c) + 1)
})

test('a page that lies away from its paper goes back to it, not to what it lies behind', () => {
  expect(cut([application[0], payslip('January', '2,755.00'), consent, application[1]])).toEqual(
    expect.arrayContaining(['loan_application:1,4', 'credit_consent:3']),
  )
})

describe('a form whose pages have no numbers', () => {
  const [first, second] = [1, 2].map((n) =>
    pageOf(
      n === 1
        ? [
            'Application for a working-boat loan',
            'Name of applicant | Ottilie Varnham',
            'Date of birth | 14/03/1980',
            'Home address | 12 Gannet Row, Port Ellery SK4 2QD',
            'National number | 140380-2211',
            'Employment status | Employed',
            'Employer | Petrel Slipways Ltd',
          ]
        : [
            'The loan',
            'Loan amount | EUR 48,750.00',
            'Purchase price | EUR 61,250.00',
            'Deposit | EUR 12,500.00',
            'Hull number | SKR-88241',
            'Term in months | 60',
            'Signature of applicant | Date',
          ],
      { source: 'ocr' },
    ),
  )
  const pieces = (...pages: Page[]) =>
    segmentPages(number(pages), starterTypes).map((p) => `${p.type}:${p.pages.join()}`)
  test('goes on with the page that asks for what the first did not', () =>
    expect(pieces(consent, first, second, payslip('March', '2,755.00'))).toEqual([
      'credit_consent:1',
      'loan_application:2,3',
      'payslip:4',
    ]))
  test('and begins anew where all is asked for once more', () => expect(pieces(first, first)).toHaveLength(2))
})
test('what a letter says of a loan makes no form of it, though the form behind it asks for the rest', () => {
  const letter = pageOf(
    [
      'Port Ellery, 3 April 2026',
      '',
      'Dear Sir or Madam,',
      'please find enclosed my papers.',
      'Loan amount | EUR 48,750.00',
      'Purchase price | EUR 61,250.00',
      'Deposit | EUR 12,500.00',
      'Hull number | SKR-88241',
      'Term in months | 60',
      'Vessel | Pole Star',
      'Yours faithfully,',
      'Ottilie Varnham',
    ],
    { source: 'ocr' },
  )
  const form = pageOf(
    [
      'Name of applicant | Ottilie Varnham',
      'Date of birth | 14/03/1980',
      'National number | 140380-2211',
      'Employment status | Employed',
      'Employer | Petrel Slipways Ltd',
      'Monthly net income | EUR 2,140.00',
      'Signature of applicant | Date',
    ],
    { source: 'ocr' },
  )
  expect(
    segmentPages(number([letter, form]), starterTypes).map((p) => `${p.type}:${p.pages.join()}`),
  ).toEqual(['cover_letter:1', 'loan_application:2'])
})

import { starterTypes, workingBoatLoan } from '../../demo/lenders/merrow-sound/index.ts'
import { euroLender } from '../testing/lender.ts'
import { assess } from '../pipeline/assess.ts'
import { pageOf } from '../testing/page-of.ts'
import { segmentPages } from '../classification/segment.ts'
import { ask } from './ask.ts'

const pages = [
  pageOf([
    'Application for a working-boat loan',
    'Application number | MSM-26-004817',
    'Name of applicant | Ottilie Varnham',
    'Date of birth | 14/03/1980',
    'National number | 140380-2211',
    'Home address | 12 Gannet Row, Port Ellery SK4 2QD',
    'Employment status | Employed',
    'Employer | Petrel Slipways Ltd',
    'Monthly net income | EUR 2,140.00',
    'Loan amount | EUR 48,750.00',
    'Purchase price | EUR 61,250.00',
    'Deposit | EUR 12,500.00',
  ]),
  pageOf([
    'Skerrow Marine Mutual',
    'Marine cover note',
    'Policy number | SMM-55120',
    'Insured | Ottilie Varnham',
    'Vessel | Pole Star',
    'Cover starts | 1 March 2026',
    'Cover ends | 28 February 2027',
    'Sum insured | EUR 60,000.00',
    'Premium | EUR 812.00',
  ]),
  pageOf([
    'Condition and valuation survey',
    'Report number | SR-4471',
    'Surveyor | Jory Tamblyn',
    'Date of inspection | 2 February 2026',
    'Vessel | Pole Star',
    'Hull number | SKR-88241',
    'Market value | EUR 63,000.00',
    'The engine was overhauled by Brackwater Yard in May 2024.',
  ]),
].map((p, i) => ({ ...p, number: i + 1, filePage: i + 1 }))
const { documents } = assess({
  files: [],
  pages,
  pieces: segmentPages(pages, starterTypes),
  program: workingBoatLoan,
  types: starterTypes,
  lender: euroLender,
  answers: [],
  asOf: '2026-03-10',
})
const answers = (question: string) => ask(question, { documents, pages, types: starterTypes })

test.each([
  ['What does the boat cost?', 'EUR 61,250.00', 1],
  ['When does the insurance end?', '2027-02-28', 2],
  ['Who surveyed it?', 'Jory Tamblyn', 3],
  ['how much does she want to borrow', 'EUR 48,750.00', 1],
  ['Where does the applicant live?', '12 Gannet Row, Port Ellery SK4 2QD', 1],
  ['what is the hull number?', 'SKR-88241', 3],
  ['When was the applicant born?', '1980-03-14', 1],
  ['What is the boat worth?', 'EUR 63,000.00', 3],
])('%s — %s, page %i', (question, text, page) => {
  const [first] = answers(question)
  expect(first?.text).toBe(text)
  expect(first.places[0].page).toBe(page)
})
test('the same value on several papers is one answer with several places', () => {
  const [first] = answers('What is the vessel called?')
  expect(first.text).toBe('Pole Star')
  expect(first.places.map((p) => p.page)).toEqual([2, 3])
})
test('what no field holds is looked for in the print', () => {
  const [first] = answers('Who overhauled the engine?')
  expect(first).toMatchObject({
    from: 'line',
    text: 'The engine was overhauled by Brackwater Yard in May 2024.',
  })
})
test.each(['What is the name of the dog?', 'When did the roof leak?', 'how much fuel is aboard?', '', '???'])(
  'nothing is invented: %s',
  (question) => expect(answers(question)).toEqual([]),
)

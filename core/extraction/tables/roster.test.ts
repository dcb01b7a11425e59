import { starterTypes } from '../../../demo/lenders/merrow-sound/index.ts'
import { pageOf } from '../../testing/page-of.ts'
import { isRoster, readRoster } from './roster.ts'
import { typeById } from '../../program/document-type.ts'

const owners = typeById(starterTypes, 'owners_declaration').fields.find((f) => f.name === 'owners')!
const signatories = typeById(starterTypes, 'board_resolution').fields.find((f) => f.name === 'signatories')!
const transactions = typeById(starterTypes, 'bank_statement').fields.find((f) => f.name === 'transactions')!
const read = (lines: string[], field = owners) =>
  readRoster([pageOf(lines)], field)?.rows.map((row) => row.cells) ?? null

test('tables with amounts are no lists of people', () =>
  expect([owners, signatories, transactions].map(isRoster)).toEqual([true, true, false]))

const TWO = [
  { name: 'Maren Carrow', date_of_birth: '1971-05-03', share: '60' },
  { name: 'Leif Thorne', date_of_birth: '1980-12-21', share: '40' },
]
test.each([
  [
    'in columns',
    [
      'Beneficial owners',
      'Name | Date of birth | Share',
      'Maren Carrow | 03/05/1971 | 60 %',
      'Leif Thorne | 21/12/1980 | 40 %',
      'Signature | Date | 14/03/2026',
    ],
  ],
  [
    'with the name behind its day and share',
    [
      'Share | Date of birth | Name of the owner',
      '60% | 03.05.1971 | Maren Carrow',
      '40% | 21.12.1980 | Leif Thorne',
    ],
  ],
  [
    'with the sign left out under its head',
    ['Owner | Born on | Share in %', 'Maren Carrow | 3 May 1971 | 60', 'Leif Thorne | 21 December 1980 | 40'],
  ],
  [
    'one under the other, with labels',
    [
      'Name | Maren Carrow',
      'Date of birth | 03.05.1971',
      'Share | 60%',
      'Name | Leif Thorne',
      'Date of birth | 21.12.1980',
      'Share | 40%',
    ],
  ],
])('owners %s', (_, lines) => expect(read(lines)).toEqual(TWO))

test('whoever signs is no owner', () =>
  expect(
    read([
      'Name | Born | Holds',
      'Maren Carrow | 03/05/1971 | 100 %',
      'Declared by Osric Pell on 14/03/2026',
    ]),
  ).toHaveLength(1))
test('a page without people has no such table', () =>
  expect(
    read(['The harbour is closed in winter.', 'Share the quay with care: 50 % of it is dredged.']),
  ).toBeNull())

const PAIR = [{ name: 'Maren Carrow' }, { name: 'Leif Thorne' }]
test.each([
  [
    'in the sentence',
    ['It was resolved that Maren Carrow and Leif Thorne are authorised to sign on behalf of the company.'],
  ],
  [
    'in the sentence that goes on in the next line',
    [
      'The directors resolved unanimously that the authorised signatories shall be Maren Carrow and Leif',
      'Thorne.',
    ],
  ],
  [
    'beneath its head',
    [
      'Resolved. The following are appointed authorised signatories of the account:',
      'Maren Carrow | Director',
      'Leif Thorne | Secretary',
      'Chairman',
    ],
  ],
  [
    'with labels',
    [
      'The following are authorised to sign for the company:',
      'Signatory | Maren Carrow',
      'Office | Director',
      'Signatory | Leif Thorne',
      'Office | Secretary',
    ],
  ],
])('signatories %s', (_, lines) => expect(read(lines, signatories)).toEqual(PAIR))
test('a bank and a town are no signatories', () =>
  expect(
    read(
      [
        'Resolved to open an account with Merrow Sound Mutual, and that Maren Carrow and Leif Thorne be authorised to sign.',
      ],
      signatories,
    ),
  ).toEqual(PAIR))
test('a firm is no signatory', () => {
  expect(
    read(
      [
        'Business name : Tern Island Ferries Ltd',
        'Resolved that the following be authorised to sign on the account:',
        'Signatory | Role',
        'Maren Carrow | Managing director',
        'Leif Thorne | Director',
      ],
      signatories,
    ),
  ).toEqual(PAIR)
})
test('two columns under a head each are one list', () =>
  expect(read(['May sign alone | May sign alone', 'Maren Carrow | Leif Thorne'], signatories)).toEqual([
    { name: 'Maren Carrow' },
    { name: 'Leif Thorne' },
  ]))

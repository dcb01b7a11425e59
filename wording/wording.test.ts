import { allOf, message, type Message, type MessageCode } from '../core/model/messages/message.ts'
import { en } from './en/index.ts'
import { inWords, sayer } from './index.ts'

const eur = (amount: string) => ({ amount, currency: 'EUR' })
const [payslip, statement] = ['Payslip', 'Bank statement']
const january = 2026 * 12

const sentences: [told: Message, sentence: string][] = [
  [message('value.too_short', { paper: 'Quote', whole: 'SKR-1' }), 'too short: Quote has SKR-1'],
  [
    message('value.front_figure_lost', { paper: statement, whole: eur('1048.57') }),
    'a figure in front may be lost: Bank statement says EUR 1,048.57',
  ],
  [message('agreement.short_form', { short: 'st', long: 'street' }), 'st is street'],
  [message('agreement.apart', { by: eur('12.50') }), '12.50 apart'],
  [
    message('requirement.not_known_yet', { field: 'employment_kind' }),
    'Not known yet whether it is asked for: the employment kind was not read',
  ],
  [message('requirement.none_there', { type: 'Identity card' }), 'No identity card is there'],
  [
    message('requirement.none_of_persons', { type: 'Identity card', persons: [null, 'Maren Carrow'] }),
    'No identity card of the applicant and Maren Carrow is there',
  ],
  [
    message('requirement.persons_not_read', { but: message('paper.not_signed', { paper: 'Consent' }) }),
    'Consent is not signed; who must bring one is not read yet',
  ],
  [message('paper.lacks_pages', { paper: statement, pages: [2] }), 'Bank statement lacks its page 2'],
  [
    message('paper.lacks_pages', { paper: statement, pages: [2, 3, 5] }),
    'Bank statement lacks its pages 2, 3 and 5',
  ],
  [
    message('paper.too_old', { paper: 'Bill', day: '2026-03-01', age: 95, allowed: { days: 90 } }),
    'Bill is of 1 March 2026, 95 days old; at most 90 days allowed',
  ],
  [
    message('paper.too_old', { paper: 'Bill', day: '2026-03-01', age: 95, allowed: { months: 3 } }),
    'Bill is of 1 March 2026, 95 days old; at most 3 months allowed',
  ],
  [
    message('paper.too_low', { paper: 'Policy', amount: eur('9000.00'), needed: eur('48750.00') }),
    'Policy: 9,000.00 is less than the 48,750.00 needed',
  ],
  [message('paper.good', { paper: 'Card', until: null, open: [], signatureOpen: false }), 'Card'],
  [
    message('paper.good', { paper: 'Card', until: '2030-01-01', open: ['issue_date'], signatureOpen: false }),
    'Card, good until 1 January 2030; its issue date is still asked about',
  ],
  [
    message('paper.good', { paper: 'Card', until: null, open: ['issue_date'], signatureOpen: true }),
    'Card; its issue date and signature are still asked about',
  ],
  [
    message('months.lacking', { type: payslip, there: [january, january + 2], lacking: [january + 1] }),
    'Payslip for January 2026 and March 2026; February 2026 is missing',
  ],
  [
    message('months.there', { type: payslip, months: [january, january + 1] }),
    'Payslips for January 2026 and February 2026',
  ],
  [
    message('years.lacking', { type: 'Tax assessment', years: ['2024', '2025'] }),
    'Tax assessment for 2024 and 2025 is missing',
  ],
  [
    message('coverage.too_short', {
      type: statement,
      covered: [
        { start: '2026-01-01', end: '2026-01-31' },
        { start: '2026-03-01', end: '2026-03-31' },
      ],
      months: 3,
      gap: { start: '2026-02-01', end: '2026-02-28' },
    }),
    'Bank statements cover 1 January 2026 to 31 January 2026 and 1 March 2026 to 31 March 2026, ' +
      '3 months are needed; nothing from 1 February 2026 to 28 February 2026',
  ],
  [
    message('difference.differs', {
      total: eur('65000.00'),
      minus: eur('16250.00'),
      is: eur('48750.00'),
      says: eur('47850.00'),
      apart: eur('900.00'),
    }),
    '65,000.00 less 16,250.00 is 48,750.00, but the paper says 47,850.00: 900.00 apart',
  ],
  [
    message('mean.compared', { stated: eur('3000.00'), mean: eur('2900.00'), apart: 3.448, allowed: 5 }),
    '3,000.00 stated against a mean of 2,900.00: 3.4 % apart, 5 % allowed',
  ],
  [
    message('account.credits_lacking', {
      payments: [
        { amount: eur('1.00'), paper: 'A' },
        { amount: eur('2.00'), paper: 'B' },
      ],
    }),
    'No credit on the statements for 1.00 of A and 2.00 of B',
  ],
  [
    message('column.total', { paper: 'Owners', numbers: [60, 30], sum: 90, is: 100 }),
    'Owners: 60 + 30 is 90, not 100',
  ],
  [
    message('column.total', { paper: 'Owners', numbers: [60, 40], sum: 100, is: 100 }),
    'Owners: 60 + 40 is 100',
  ],
  [
    message('finding.conflict', { title: 'Hull', values: [{ value: 'A', paper: 'Form' }] }),
    'Hull differs: A (Form)',
  ],
  [message('finding.limit', { title: 'Turnover', tells: 'lead' }), 'Turnover: the team lead is told'],
  [message('finding.unknown_pages', { first: 3, last: 3 }), 'Page 3 is of no known type'],
  [message('finding.unknown_pages', { first: 3, last: 5 }), 'Pages 3 to 5 are of no known type'],
  [
    message('finding.check', {
      title: 'Adds up',
      detail: allOf([message('quote.agrees'), message('check.no_rows')]),
    }),
    'Adds up: lines, net, tax and total agree; no statement with its rows read',
  ],
  [message('ask.starts', { type: 'Identity card', page: 3 }), 'Does an identity card start on page 3?'],
  [message('ask.what_is', { first: 1, last: 2 }), 'What are pages 1 to 2?'],
  [message('ask.is_of_type', { first: 1, last: 1, type: payslip }), 'Is page 1 a payslip?'],
  [message('ask.what_is_value', { field: 'IBAN', paper: payslip }), 'What is the IBAN on Payslip?'],
  [
    message('ask.is_value', { field: 'Net pay', paper: payslip, value: eur('2900.00') }),
    'Is the net pay of Payslip EUR 2,900.00?',
  ],
  [message('why.refused', { reason: 'typing slip', refusal: '' }), 'A second person refused “typing slip”.'],
  [
    message('why.differs', {
      papers: ['A', 'A', 'B', 'C', 'D', 'E'],
      count: 6,
      how: message('agreement.another_date'),
    }),
    'A, B, C and 2 more do not agree with the rest: another date.',
  ],
  [message('note.chance', { chance: 0.914 }), '91 sure'],
  [
    message('note.said_by', {
      papers: [
        { paper: 'Form', field: null },
        { paper: 'Card', field: 'Given name' },
      ],
    }),
    'Form and Card, given name',
  ],
]
test.each(sentences)('%j', (told, sentence) => expect(inWords(told)).toBe(sentence))

test('every code has a sentence with words in it, and none says its parameters wrongly', () => {
  for (const [code, sentence] of Object.entries(en)) {
    expect([code, typeof sentence]).toEqual([code, 'function'])
    // Codes without parameters are complete by themselves.
    if (sentence.length === 0) {
      const said = inWords({ code })
      expect([code, /^\S(?:.*\S)?$/.test(said)]).toEqual([code, true])
    }
  }
})
test('no two codes without parameters say the same of one subject', () => {
  const said = new Map<string, MessageCode>()
  for (const code of Object.keys(en) as MessageCode[]) {
    if (en[code].length > 0) continue
    const key = `${code.split('.')[0]} ${inWords({ code })}`
    expect([code, said.get(key)]).toEqual([code, undefined])
    said.set(key, code)
  }
})
test('sentences are had by language', () =>
  expect(sayer('en')(message('value.weak_print'))).toBe(inWords(message('value.weak_print'))))

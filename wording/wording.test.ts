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
    message('check.several_currencies', { currencies: ['EUR', 'USD'] }),
    'the amounts are in EUR and USD: they cannot be reckoned together',
  ],
  [
    message('paper.other_currency', {
      paper: 'Cover note',
      amount: { amount: '900.00', currency: 'USD' },
      needed: { amount: '850.00', currency: 'EUR' },
    }),
    'Cover note says USD 900.00, in another currency than the EUR 850.00 that are needed',
  ],
  [
    message('finding.conflict', { title: 'Hull', values: [{ value: 'A', paper: 'Form' }] }),
    'Hull differs: A (Form)',
  ],
  [
    message('finding.strangers_paper', { paper: 'ID card (2)', page: 7 }),
    'ID card (2) (page 7) is of somebody whom no other paper here names.',
  ],
  [
    message('finding.limit', { title: 'Turnover', tells: 'lead', otherCurrency: null }),
    'Turnover: the team lead is told',
  ],
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

/** One of each that the table above does not have. */
const others: [told: Message, sentence: string][] = [
  [
    message('value.day_or_month', { other: '2026-04-03' }),
    'day and month may be the other way round: 3 April 2026',
  ],
  [message('value.reader_failed', { fault: 'no words' }), 'this paper could not be read: no words'],
  [message('value.number_of_something_else', { paper: 'Form' }), 'Form has this number for something else'],
  [
    message('value.beginning_lost', { paper: 'Form', whole: 'SKR-56500' }),
    'its beginning may be lost: Form has SKR-56500',
  ],
  [message('value.letter_for_figure', { paper: 'Form' }), 'a letter stands where Form has a figure'],
  [message('value.own_currency', { usual: 'USD' }), 'all other amounts are in USD'],
  [message('requirement.waived', { reason: 'seen it' }), 'Waived: seen it'],
  [message('requirement.none_of_applicant', { type: 'Payslip' }), 'No payslip of the applicant is there'],
  [message('requirement.each_person', { count: 2 }), '2 persons, each with a good one'],
  [message('paper.ran_out', { paper: 'Card', day: '2026-01-31' }), 'Card ran out on 31 January 2026'],
  [
    message('paper.begins_later', { paper: 'Cover', day: '2026-01-31' }),
    'Cover begins only on 31 January 2026',
  ],
  [
    message('paper.signature_asked', { paper: 'Consent' }),
    'No signature was found on Consent; it is still asked about',
  ],
  [message('paper.not_signed', { paper: 'Consent' }), 'Consent is not signed'],
  [message('paper.not_dated', { paper: 'Consent' }), 'Consent is not dated'],
  [
    message('paper.dated_later', { paper: 'Bill', day: '2026-01-31' }),
    'Bill is dated 31 January 2026, after the day of checking',
  ],
  [message('months.not_read', { type: payslip }), 'The months of the payslips were not read'],
  [message('years.there', { type: 'Tax notice', years: ['2024', '2025'] }), 'Tax notice for 2024 and 2025'],
  [message('coverage.not_read', { type: statement }), 'The periods of the bank statements were not read'],
  [
    message('coverage.whole', { start: '2026-01-01', end: '2026-03-31' }),
    'Covered from 1 January 2026 to 31 March 2026',
  ],
  [
    message('difference.agrees', { total: eur('9.00'), minus: eur('4.00'), is: eur('5.00') }),
    '9.00 less 4.00 is 5.00',
  ],
  [message('account.credits_there', { count: 3 }), '3 of 3 payments found on the statements'],
  [
    message('balance.breaks', { paper: 'A', row: 3, should: eur('5.00'), says: eur('6.00') }),
    'A: after row 3 the balance should be 5.00, the paper says 6.00',
  ],
  [
    message('balance.ends_otherwise', { paper: 'A', leads: eur('5.00'), closes: eur('6.00') }),
    'A: the rows lead to 5.00, the paper closes at 6.00',
  ],
  [message('balance.adds_up', { count: 2 }), '2 statements add up'],
  [
    message('statements.break', { before: 'A', closes: eur('5.00'), next: 'B', opens: eur('6.00') }),
    'A closes at 5.00, B opens at 6.00',
  ],
  [message('statements.join', { count: 2 }), '2 statements join up'],
  [
    message('quote.lines_differ', { paper: 'Q', sum: eur('5.00'), net: eur('6.00') }),
    'Q: the lines sum to 5.00, its net amount is 6.00',
  ],
  [
    message('quote.total_differs', { paper: 'Q', makes: eur('5.00'), says: eur('6.00') }),
    'Q: net and tax make 5.00, the total says 6.00',
  ],
  [
    message('value.not_found_at_label', { label: 'Net pay' }),
    '“Net pay” is there, and nothing beside it reads as a value of it',
  ],
  [message('amount.covers', { amount: eur('9.00'), than: eur('5.00') }), '9.00 covers 5.00'],
  [message('amount.does_not_cover', { amount: eur('4.00'), than: eur('5.00') }), '4.00 does not cover 5.00'],
  [
    message('signing.later', { paper: 'Form', day: '2026-05-01' }),
    'Form is dated 2026-05-01, after the day of checking',
  ],
  [
    message('signing.too_early', { paper: 'Form', day: '2026-05-01', daysBefore: 90 }),
    'Form is dated 2026-05-01, more than 90 days before the application',
  ],
  [
    message('check.waits_for_answer', { otherwise: message('quote.agrees') }),
    'Waits for an answer about a value: lines, net, tax and total agree',
  ],
  [message('term.paper', { paper: 'Form' }), 'Form'],
  [message('term.words', { words: 'Bow thruster' }), 'Bow thruster'],
  [message('term.divided', { paper: 'Letter', by: 12 }), 'Letter, to be divided by 12'],
  [
    message('finding.requirement', { title: 'Survey', reason: message('paper.not_signed', { paper: 'S' }) }),
    'Survey: S is not signed',
  ],
  [message('finding.copy', { paper: 'A', page: 3, of: 'B' }), 'A on page 3 is a copy of B'],
  [
    message('finding.superseded', { paper: 'A', page: 3, by: 'B' }),
    'A on page 3 is an older version; B counts',
  ],
  [message('finding.lacks_pages', { paper: 'A', pages: [2, 4] }), 'A lacks page 2, 4 of its own numbering'],
  [message('finding.hard_to_read', { page: 7, problem: 'too dark' }), 'Page 7 is hard to read: too dark'],
  [message('finding.unusable_file', { file: 'x.pdf', problem: 'Locked.' }), 'x.pdf: Locked.'],
  [
    message('finding.file_notice', { file: 'x.pdf', notice: 'carries a script' }),
    'x.pdf carries a script; nothing of it is ever run',
  ],
  [message('ask.starts_inside', { page: 4 }), 'Does another document start on page 4?'],
  [message('ask.are_rows', { field: 'Lines', paper: 'Quote' }), 'Are the lines of Quote read right?'],
  [message('ask.signed', { paper: 'Form' }), 'Is Form signed?'],
  [message('ask.fact', { question: 'Which boat?' }), 'Which boat?'],
  [message('ask.check', { title: 'Adds up' }), 'Adds up: why not here?'],
  [
    message('ask.stray', { caseNumber: 'MSM-26-000002', first: 4, last: 6 }),
    'Are pages 4 to 6 of case MSM-26-000002?',
  ],
  [
    message('ask.belongs', { caseNumber: 'MSM-26-000002', applicant: 'Ottilie Varnham' }),
    'Does this belong to MSM-26-000002 of Ottilie Varnham?',
  ],
  [
    message('why.sender_known', { caseNumber: 'MSM-26-000002' }),
    'Whoever sent this is known from MSM-26-000002, and from other cases; nothing in it says which it is for.',
  ],
  [
    message('why.stray_unproved', { caseNumber: 'MSM-26-000002' }),
    'They lie behind a cover sheet of MSM-26-000002. Nothing proves that this desk printed it.',
  ],
  [
    message('why.stray_unknown', { caseNumber: 'MSM-26-000002' }),
    'They lie behind a cover sheet of MSM-26-000002. There is no such case: filed there, it is opened.',
  ],
  [message('choice.file_there', { caseNumber: 'MSM-26-000002' }), 'File them to MSM-26-000002'],
  [message('why.may_go_on', { page: 4, paper: 'Form' }), 'Page 4 may also go on with Form.'],
  [message('why.taken_to_go_on', { paper: 'Form' }), 'It is taken to go on with Form.'],
  [message('why.rule', { rule: 'Notes' }), 'The rule “Notes” says so; the page itself says otherwise.'],
  [message('why.value', { reason: message('value.weak_print') }), 'Asked because: weak print.'],
  [
    message('why.settled_before', { reason: 'old boat', against: ['1.00', '2.00', '3.00'] }),
    'This was settled (“old boat”), but now a paper says 1.00 and 2.00.',
  ],
  [message('why.check', { detail: message('quote.agrees') }), 'lines, net, tax and total agree.'],
  [message('why.applicant_says', { text: 'It is Petrel.' }), 'The applicant says: “It is Petrel.”'],
  [message('place.page', { page: 4 }), 'Page 4'],
  [message('place.pages', { first: 4, last: 6 }), 'Pages 4 to 6'],
  [message('place.paper', { paper: 'Form', page: 4 }), 'Form, page 4'],
  [message('place.term', { term: message('term.mean'), page: 4 }), 'their mean, page 4'],
  [message('choice.goes_on_with', { paper: 'Form' }), 'No, it goes on with Form'],
  [message('choice.goes_on', { type: 'Identity card' }), 'No, it goes on with an identity card'],
  [message('choice.type', { type: 'Payslip' }), 'Payslip'],
  [message('choice.value', { value: true }), 'yes'],
  [message('choice.rows', { count: 9 }), '9 rows'],
  [message('choice.misread', { paper: 'Form' }), 'It is misread on Form'],
]
test.each(others)('%j', (told, sentence) => expect(inWords(told)).toBe(sentence))

test('every code with parameters has its sentence among these', () => {
  const tried = new Set([...sentences, ...others].map(([told]) => told.code))
  const untried = (Object.keys(en) as MessageCode[]).filter((c) => en[c].length > 0 && !tried.has(c))
  // Several at once are tried inside a finding.
  expect(untried).toEqual(['all'])
})

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

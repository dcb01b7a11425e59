import type { Receipt } from '../../core/receipt/index.ts'
import { message } from '../../core/model/index.ts'
import { fileProblem } from './file-problems.ts'
import { receiptLetter, receiptLines, receiptProblems } from './index.ts'

const euros = (amount: string) => ({ amount, currency: 'EUR' })
const receipt = (change: Partial<Receipt> = {}): Receipt => ({
  state: 'done',
  caseNumber: 'MSM-26-004001',
  files: [
    { name: 'pay.pdf', pages: 2, problem: null },
    { name: 'old.pdf', pages: 0, problem: 'This file is locked with a password.' },
  ],
  documents: [
    { type: 'payslip', title: 'Payslip', pages: 1, sure: true },
    { type: 'letter', title: 'Letter', pages: 1, sure: false },
  ],
  required: [
    {
      requirement: 'pay',
      title: 'Proof of income',
      status: 'satisfied',
      reason: message('requirement.not_asked_for'),
    },
    {
      requirement: 'id',
      title: 'Photo identity',
      status: 'expired',
      reason: message('requirement.not_asked_for'),
    },
  ],
  exceeded: [],
  unchecked: [],
  unexpected: [],
  identity: [],
  refusal: null,
  ...change,
})

test('a letter says what arrived, how sure that is, what is there, what lacks, and what could not be used', () => {
  expect(receiptLetter(receipt(), 'en', 'Merrow Sound')).toBe(
    [
      'Thank you. We received 2 files with 2 pages.',
      'What arrived:\n- Payslip, 1 page\n- Letter, 1 page (perhaps; somebody looks at it)',
      'This could not be used:\n- old.pdf: It is locked with a password. Please send it unlocked.',
      'Of what is needed, this is there:\n- Proof of income',
      'This is still needed:\n- Photo identity: out of date',
      'Your case has the number MSM-26-004001. Further papers reach it in answer to this message.',
      'Merrow Sound\nThis message was written by a machine; answers to it are read.',
    ].join('\n\n'),
  )
})

test('no language leaves anything of it out', () => {
  const all = receipt({
    exceeded: [{ title: 'A bill', said: euros('700.01'), most: euros('700.00'), sure: true }],
    unchecked: [{ title: 'Net pay' }],
    unexpected: [{ title: 'Letter', expected: 'Payslip' }],
    identity: [{ page: 1, verdict: 'not valid', reasons: ['it ran out'] }],
  })
  const [en, fr, es] = (['en', 'fr', 'es'] as const).map((language) => receiptLines(all, language))
  expect([fr.length, es.length]).toEqual([en.length, en.length])
  expect(fr).toContain('Documents reçus :')
  expect(es).toContain('- Photo identity: caducado')
  // Titles are the lender's own words, and a page is a page in two languages.
  expect(fr.filter((line) => en.includes(line))).toEqual(['- Payslip, 1 page', '- Proof of income'])
  expect(es.filter((line) => en.includes(line))).toEqual(['- Proof of income'])
})

test('an amount that somebody still looks at is told with the doubt', () => {
  const over = { title: 'A bill', said: euros('700.01'), most: euros('700.00'), sure: false }
  expect(receiptLines(receipt({ exceeded: [over] }), 'en')).toContain(
    'A bill: EUR 700.01 is more than the EUR 700.00 that are allowed (perhaps; somebody looks at it)',
  )
})

test('nothing more is needed once all is there; nothing is said of a list that is not theirs', () => {
  const [pay] = receipt().required
  expect(receiptLines(receipt({ required: [pay] }), 'en')).toContain('Nothing more is needed for now.')
  expect(receiptLines(receipt({ required: [] }), 'en').join()).not.toMatch(/needed/)
})

test('of papers that are being read, or were not taken, just that is said', () => {
  expect(
    receiptLines(receipt({ state: 'reading', files: [], documents: [], required: [] }), 'en')[1],
  ).toMatch(/still being worked on/)
  expect(
    receiptLines(
      receipt({ files: [], documents: [], required: [], refusal: 'The very same came before.' }),
      'en',
    ),
  ).toContain('- It was received before.')
})

test('a paper that the service finds valid is no problem; one that it does not, and a limit nobody could check, are', () => {
  const identity = [
    { page: 1, verdict: 'valid' as const, reasons: [] },
    { page: 2, verdict: 'cannot tell' as const, reasons: ['no photo'] },
    { page: 3, verdict: null, reasons: [] },
  ]
  expect(receiptProblems(receipt({ identity, unchecked: [{ title: 'Net pay' }] }), 'en')).toEqual([
    'Net pay: could not be checked yet; somebody looks at it',
    'The identity paper was checked: it cannot be told; no photo',
  ])
})

test.each([
  ['This archive is locked with a password.', 'locked'],
  ['This archive is damaged and cannot be opened.', 'damaged'],
  ['The file is empty.', 'empty'],
  ['This archive has no files in it.', 'empty'],
  ['This is not a kind of file that can be read here; PDF, TIFF, JPEG, PNG, ZIP and e-mail can.', 'kind'],
  ['This archive unfolds to more than can be taken in.', 'large'],
  ['This message is nested too deeply.', 'large'],
  ['The file has 3000 pages; at most 2000 are taken.', 'large'],
  ['This very file is in the package already; it was not taken twice.', 'twice'],
  ['Something that nobody thought of.', 'other'],
])('%s is told as %s', (sentence, kind) => {
  expect(fileProblem(sentence)).toBe(kind)
})

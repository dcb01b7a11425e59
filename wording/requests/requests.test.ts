import type { Fits, RequestItem, WantedPaper } from '../../core/requests/index.ts'
import { message, type Message } from '../../core/model/index.ts'
import { en } from './en.ts'
import { es } from './es.ts'
import { fr } from './fr.ts'
import { LANGUAGES } from '../../core/lexicon/index.ts'
import { askedIn, broughtIn, linesIn, requestLetter } from './index.ts'

const paper = (more: Partial<WantedPaper> = {}): WantedPaper => ({
  type: 'Payslip',
  whose: [],
  signed: false,
  dated: false,
  notBefore: null,
  validOn: null,
  months: null,
  years: [],
  covers: null,
  atLeast: null,
  ...more,
})
const bring = (reason: Message, ways: WantedPaper[][] = [[paper()]]): RequestItem => ({
  id: 'requirement:income',
  kind: 'bring',
  title: 'Proof of income',
  why: { kind: 'requirement', status: 'missing', reason },
  ways,
  says: [],
  pages: [],
})
const missing = message('requirement.none_there', { type: 'Payslip' })

test('an item says why, and exactly what would do', () => {
  const wanted = paper({ notBefore: '2026-10-15', signed: true, whose: ['Ottilie Varnham', null] })
  expect(linesIn('en', bring(missing, [[wanted]]))).toEqual([
    'We have not received it yet.',
    '– Payslip, of Ottilie Varnham and the applicant, dated 15 October 2026 or later, signed, all pages',
  ])
  expect(linesIn('fr', bring(missing, [[wanted]]))[1]).toContain(
    'daté du 15 octobre 2026 ou plus récent, signé',
  )
})

test('of several ways one is enough', () => {
  const two = bring(missing, [[paper(), paper({ type: 'Letter' })], [paper({ type: 'Tax bill' })]])
  expect(linesIn('en', two).slice(1)).toEqual([
    'One of these is enough:',
    '– Payslip, all pages + Letter, all pages',
    '– Tax bill, all pages',
  ])
})

test('papers that differ are put as a question with its choices', () => {
  const differs: RequestItem = {
    ...bring(missing, []),
    kind: 'say',
    why: { kind: 'differs' },
    says: [
      { value: '1994-02-13', papers: ['your application'] },
      { value: { amount: '1200.50', currency: 'EUR' }, papers: ['card', 'bill'] },
    ],
  }
  expect(askedIn('fr', differs)).toEqual({
    title: 'Proof of income',
    why: 'Vos documents ne concordent pas : your application : 13 février 1994; card et bill : 1 200,50 EUR.'.replace(
      '1 200',
      '1\u202f200',
    ),
    wants: [],
    choices: ['13 février 1994', '1\u202f200,50 EUR'],
    todo: 'Qu’est-ce qui est juste ?',
  })
})

const euros = (amount: string) => ({ amount, currency: 'EUR' })
const REASONS: Message[] = [
  missing,
  message('requirement.none_of_applicant', { type: 'Payslip' }),
  message('requirement.none_of_persons', { type: 'Payslip', persons: ['Bram', null] }),
  message('requirement.persons_not_read', { but: missing }),
  message('paper.lacks_pages', { paper: 'Payslip', pages: [2, 4] }),
  message('paper.ran_out', { paper: 'Card', day: '2026-03-01' }),
  message('paper.begins_later', { paper: 'Policy', day: '2026-03-01' }),
  message('paper.signature_asked', { paper: 'Form' }),
  message('paper.not_signed', { paper: 'Form' }),
  message('paper.not_dated', { paper: 'Form' }),
  message('paper.dated_later', { paper: 'Bill', day: '2026-03-01' }),
  message('paper.too_old', { paper: 'Bill', day: '2026-03-01', age: 200, allowed: { days: 90 } }),
  message('paper.other_currency', { paper: 'Policy', amount: euros('1.00'), needed: euros('2.00') }),
  message('paper.too_low', { paper: 'Policy', amount: euros('1.00'), needed: euros('2.00') }),
  message('months.not_read', { type: 'Payslip' }),
  message('months.lacking', { type: 'Payslip', there: [24314], lacking: [24313] }),
  message('years.lacking', { type: 'Return', years: ['2024'] }),
  message('coverage.not_read', { type: 'Statement' }),
  message('coverage.too_short', {
    type: 'Statement',
    covered: [{ start: '2026-01-01', end: '2026-02-01' }],
    months: 3,
    gap: null,
  }),
]

test.each(REASONS.map((reason) => [reason.code, reason] as const))(
  '%s is said in every language',
  (_, reason) => {
    const said = LANGUAGES.map((language) => askedIn(language, bring(reason)).why)
    expect(said.every((why) => why.length > 10)).toBe(true)
    expect(new Set(said).size).toBe(LANGUAGES.length)
  },
)

test('reasons of several papers are said once each', () => {
  const twice = { code: 'all', of: [missing, missing] } as unknown as Message
  expect(askedIn('en', bring(twice)).why).toBe('We have not received it yet.')
})

test('a letter has all of it, what was asked before, the link and the day', () => {
  const letter = requestLetter({
    language: 'en',
    lender: 'Merrow Sound',
    applicant: 'Ottilie Varnham',
    opening: '',
    closing: '',
    items: [
      { asked: askedIn('en', bring(missing)), own: null, askedOn: '2026-04-01' },
      { asked: askedIn('en', bring(missing)), own: 'A plan of the boat, please.', askedOn: null },
    ],
    due: '2026-05-01',
    link: 'https://jigsa.example/r/token',
    remindsOf: null,
  })
  expect(letter).toMatch(/^Dear Ottilie Varnham,/)
  expect(letter).toContain('(We asked for this on 1 April 2026.)')
  expect(letter).toContain('2. Proof of income\n   A plan of the boat, please.')
  expect(letter).toContain('nothing has to be set up:\nhttps://jigsa.example/r/token')
  expect(letter).toContain('Please answer by 1 May 2026.')
})

test('languages have the same words, none of them twice', () => {
  const keys = (words: object) => Object.keys(words).sort()
  for (const other of [fr, es]) {
    expect(keys(other.reasons)).toEqual(keys(en.reasons))
    expect(keys(other.want)).toEqual(keys(en.want))
    expect([other.again, other.sign, other.oneOf]).not.toEqual([en.again, en.sign, en.oneOf])
  }
})

test('what came is named with its month, and with what was asked for where it is not that', () => {
  const month = (index: number) => ({ month: 2026 * 12 + index })
  const another = {
    title: 'Payslip',
    of: month(8),
    fits: { kind: 'another' as const, asked: [month(9)] },
  }
  expect(broughtIn('en', another)).toBe('This is: Payslip, September 2026. We asked for: October 2026.')
  expect(broughtIn('fr', another)).toBe('C’est : Payslip, septembre 2026. Nous avons demandé : octobre 2026.')
  expect(broughtIn('es', { ...another, fits: { kind: 'other type', asked: ['A', 'B'] } })).toContain('A o B')
})

test.each(LANGUAGES)('whatever came is told in %s, and names nothing that is not sure', (language) => {
  const all: Fits[] = [
    { kind: 'does', item: 'i' },
    { kind: 'may do', item: 'i' },
    { kind: 'another', asked: [{ year: '2025' }] },
    { kind: 'other type', asked: ['Card'] },
    { kind: 'faulty', reason: message('paper.not_signed', { paper: 'Form' }) },
    { kind: 'there already' },
    { kind: 'not asked for' },
  ]
  const told = all.map((fits) => broughtIn(language, { title: 'Payslip', of: null, fits }))
  expect(new Set(told).size).toBe(all.length)
  expect(told.every((text) => text.includes('Payslip'))).toBe(true)
  expect(broughtIn(language, { title: 'Payslip', of: null, fits: { kind: 'not sure' } })).not.toContain(
    'Payslip',
  )
})

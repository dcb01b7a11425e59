import { starterTypes } from '../../../demo/lenders/merrow-sound/index.ts'
import { pageOf } from '../../testing/page-of.ts'
import { addressBlocks, addresseeCandidates, letterheadCandidates } from './letterheads.ts'
import { typeById } from '../../program/document-type.ts'

const bill = typeById(starterTypes, 'utility_bill')
const payslip = typeById(starterTypes, 'payslip')
const employer = payslip.fields.find((f) => f.name === 'employer_name')!
const firms = (lines: string[]) =>
  letterheadCandidates(pageOf(lines), payslip, employer)
    .sort((a, b) => b.score - a.score)
    .map((c) => c.value)

test('the firm in the head of a page is a letterhead', () =>
  expect(firms(['Petrel Slipways Ltd', 'Payslip', 'Employee | Ottilie Varnham'])[0]).toBe(
    'Petrel Slipways Ltd',
  ))
test('what a paper is called is no firm, and neither is an address or a number', () => {
  expect(
    firms(['Payslip', '12 Gannet Row, Port Ellery SK4 2QD', 'Tel. +44 1657 089 493', 'Net pay | 2,140.55']),
  ).toEqual([])
})
test('a firm far down the page is no letterhead', () =>
  expect(firms([...Array.from({ length: 12 }, () => ''), 'Petrel Slipways Ltd'])).toEqual([]))
test('one firm alone in the head is surer than one of two', () => {
  const score = (lines: string[]) =>
    letterheadCandidates(pageOf(lines), payslip, employer).find((c) => c.value === 'Petrel Slipways Ltd')!
      .score
  expect(score(['Petrel Slipways Ltd', 'Payslip'])).toBeGreaterThan(
    score(['Petrel Slipways Ltd', 'Cormorant Slipway Ltd', 'Payslip']),
  )
})

const blocksOn = (lines: string[]) => addressBlocks(pageOf(lines), bill)
const addressedTo = (lines: string[], field: string) =>
  addresseeCandidates(
    pageOf(lines),
    bill.fields.find((f) => f.name === field)!,
    bill,
  )
const addressed = [
  'Puffin Telecom',
  '',
  'Ottilie Varnham',
  '12 Gannet Row',
  'Port Ellery SK4 2QD',
  '',
  'Your broadband bill',
]
test('a name over lines of an address is whom a letter goes to', () => {
  const [block] = blocksOn(addressed)
  expect([block.name.text, block.address.map((s) => s.text)]).toEqual([
    'Ottilie Varnham',
    ['12 Gannet Row', 'Port Ellery SK4 2QD'],
  ])
})
test('the addressee gives the name and the address', () => {
  const value = (name: string) => addressedTo(addressed, name).map((c) => c.value)
  expect(value('account_holder')).toEqual(['Ottilie Varnham'])
  expect(value('service_address')).toEqual(['12 Gannet Row, Port Ellery SK4 2QD'])
})
test('a name with no address under it is nobody’s block', () =>
  expect(blocksOn(['Ottilie Varnham', '', '', 'Your broadband bill'])).toEqual([]))
test('the address of a firm is not the addressee’s', () => {
  const [person, firm] = ['Ottilie Varnham', 'Petrel Slipways Ltd'].map(
    (name) => addressedTo([name, '12 Gannet Row', 'Port Ellery SK4 2QD'], 'account_holder')[0]?.score ?? -9,
  )
  expect(person).toBeGreaterThan(firm)
})
test('a firm’s name that its column breaks in two is one name', () => {
  const supplier = bill.fields.find((f) => f.name === 'supplier_name')!
  expect(
    letterheadCandidates(
      pageOf(['Northern Isles | Your bill', 'Energy'], { words: broken() }),
      bill,
      supplier,
    ).sort((a, b) => b.score - a.score)[0]?.value,
  ).toBe('Northern Isles Energy')
})
/** Two lines of large letters, set close. */
const broken = () =>
  pageOf(['Northern Isles', 'Energy']).words.map((w, i) => ({
    ...w,
    box: [w.box[0], i < 2 ? 0.05 : 0.068, w.box[2], i < 2 ? 0.07 : 0.088] as [number, number, number, number],
  }))
test('what stands straight under a postal code is no part of the address', () => {
  const [block] = blocksOn([
    'Puffin Telecom',
    '',
    'Ottilie Varnham',
    '12 Gannet Row',
    'Port Ellery SK4 2QD',
    '1. Account no. IE08SKRW83789274303035',
  ])
  expect(block.address.map((s) => s.text)).toEqual(['12 Gannet Row', 'Port Ellery SK4 2QD'])
})
test('a bill may be a firm’s where a letter is addressed to it', () => {
  for (const name of ['Petrel Slipways Ltd', 'Fathom & Daughters Ltd']) {
    const [letter] = addressedTo(
      ['Puffin Telecom Ltd', '', '', name, '12 Gannet Row', 'Port Ellery SK4 2QD'],
      'account_holder',
    )
    const [own] = addressedTo([name, '12 Gannet Row', 'Port Ellery SK4 2QD'], 'account_holder')
    expect(letter.score).toBeGreaterThan(own?.score ?? -9)
  }
})
test('a boat over the label of her hull is nobody that a letter goes to', () => {
  const quote = typeById(starterTypes, 'purchase_quote')
  expect(addressBlocks(pageOf(['Grey Seal', 'Hull mark', 'SKR-62434']), quote)).toEqual([])
})
test('what a paper is called, in capitals behind the firm, is no part of it', () => {
  expect(firms(['Isles Savings Bank STATEMENT OF ACCOUNT', 'Employee | Ottilie Varnham'])[0]).toBe(
    'Isles Savings Bank',
  )
  expect(firms(['PETREL SLIPWAYS LTD', 'Payslip'])[0]).toBe('PETREL SLIPWAYS LTD')
})
test('an office broken in two over its own address is nobody’s block', () =>
  expect(blocksOn(['Skerrow Isles', 'Revenue', '2 Customs House, Merrow SK1 1AA'])).toEqual([]))

test('nor is a heading behind its legal form, on a picture', () => {
  const read = letterheadCandidates(
    pageOf(['Merrow Ropeworks Ltd Employment reference', '84 Kelp Terrace, Oyster Haven SK3 7DG'], {
      source: 'ocr',
      confidence: 0.9,
    }),
    payslip,
    employer,
  )
  expect(read.sort((a, b) => b.score - a.score)[0].value).toBe('Merrow Ropeworks Ltd')
})

import { pageOf } from '../../testing/page-of.ts'
import {
  addressLikeness,
  hasPostcode,
  nameLikeness,
  orgLikeness,
  readNames,
  readOrgs,
  readTexts,
} from './words.ts'

test.each(['Ottilie Varnham', 'VARNHAM, Ottilie', 'O. Varnham', 'María del Carmen Núñez', "Sinéad O'Dowd"])(
  '%s looks like a name',
  (text) => expect(nameLikeness(text)).toBeGreaterThan(0.9),
)
test.each(['Total amount due', '12 Gannet Row', 'a@b.example', 'please see the form', ''])(
  '%s does not look like a name',
  (text) => expect(nameLikeness(text)).toBeLessThan(0.5),
)
test.each(['Petrel Slipways Ltd', 'Bank of Skerrow', 'Puffin Telecom', 'Isles Water'])(
  '%s looks like a firm',
  (text) => expect(orgLikeness(text)).toBe(1),
)
test.each(['IE67 LNTN 4493 5833', '€12.00', '-'])('%s is no firm', (text) =>
  expect(orgLikeness(text)).toBe(0),
)
test.each([
  ['12 Gannet Row, Port Ellery SK4 2QD', 1],
  ['12 Gannet Row', 0.9],
  ['Port Ellery SK4 2QD', 0.9],
])('%s looks like an address: %d', (text, fit) => expect(addressLikeness(text)).toBe(fit))
test('postal codes of several lands', () =>
  expect(['SK4 2QD', '29200 Brest', 'Saltholm'].map(hasPostcode)).toEqual([true, true, false]))
test.each([
  ['Seestrasse 12, 8002 Zollikon', true],
  ['Storgatan 14, 972 38 Norrvik', true],
  ['Flat 6B, Lake View, Chennai 600020', true],
  ['Keizersgracht 4, 1015 CX Amsterdam', true],
  ['ul. Polna 3, 00-625 Warszawa', true],
  ['18 Elm Ave, Ottawa ON K1A 0B1', true],
  ['4391 Calle del Norte', false],
  ['Flat 2, Mill Lane', false],
])('codes of all countries: %s, %s', (text, has) => expect(hasPostcode(text)).toBe(has))

const name = (text: string) => readNames(pageOf([text]).words)[0]?.value
test.each([
  ['Mrs Ottilie Varnham', 'Ottilie Varnham'],
  ['Mme Zélie Garvie', 'Zélie Garvie'],
  ['M. Brandreth', 'M. Brandreth'],
  ['Ottilie Varnham (applicant)', 'Ottilie Varnham'],
])('%s is %s', (text, value) => expect(name(text)).toBe(value))
test('leaders are no part of a firm', () =>
  expect(readOrgs(pageOf(['........ Petrel Slipways Ltd']).words)[0].value).toBe('Petrel Slipways Ltd'))
test('quotation marks are no part of a text', () =>
  expect(readTexts(pageOf(['“Grey Seal”']).words)[0].value).toBe('Grey Seal'))
test('a single letter is no text', () => expect(readTexts(pageOf(['D.']).words)).toEqual([]))
test('an initial that a weak reader took for a stroke or a figure', () => {
  const name = (text: string, sure: number) => readNames(pageOf([text], { confidence: sure }).words)[0]
  expect(name('|. Dunbarrow', 0.9)).toMatchObject({
    value: 'I. Dunbarrow',
    raw: '|. Dunbarrow',
    repaired: true,
  })
  expect(name('0. Maccrae', 0.9).value).toBe('O. Maccrae')
  expect(name('1. Maccrae', 1).value).not.toContain('I.')
})
test('a name ends where a sentence goes on behind a comma, not at its other half', () => {
  expect(readNames(pageOf(['Zélie Beth Lefèvre, was registered on']).words)[0].value).toBe(
    'Zélie Beth Lefèvre',
  )
  expect(readNames(pageOf(['Carrow, Elspeth']).words)[0].value).toBe('Carrow, Elspeth')
})
describe('names on scans', () => {
  const scanned = (text: string) => readNames(pageOf([text], { confidence: 0.9 }).words)[0]?.value
  test('begin with capitals, and say where one was put', () => {
    expect(readNames(pageOf(['lvar Sandwick'], { confidence: 0.9 }).words)).toMatchObject([
      { value: 'Ivar Sandwick', repaired: true },
    ])
    expect(scanned('Pettigrew, fñigo')).toBe('Pettigrew, Íñigo')
  })
  test('the one word behind a comma is a given name, though its capital was read as a small letter', () => {
    expect(scanned('Ravensby, wilma')).toBe('Ravensby, wilma')
    expect(name('Ravensby, wilma')).toBe('Ravensby')
  })
  test('a sentence behind a comma is not', () =>
    expect(scanned('Wilma Ravensby, was registered on')).toBe('Wilma Ravensby'))
})
test('half a bracket is no part of a name', () => {
  expect(name('(Corin Lorimer')).toBe('Corin Lorimer')
  expect(readTexts(pageOf(['Grey Seal (II)']).words)[0].value).toBe('Grey Seal (II)')
})
test('a text in capitals ends with its sentence too', () =>
  expect(readTexts(pageOf(['SAMPHIRE. The cover begins']).words)[0].value).toBe('SAMPHIRE'))
test.each([
  ['Saltholm Ice Ctd', 'Saltholm Ice Ltd'],
  ['Northlight Hatcheries (td', 'Northlight Hatcheries Ltd'],
  ['Ellery Harbour PLL', 'Ellery Harbour PLC'],
])('%s closes as firms do', (text, firm) => {
  expect(readOrgs(pageOf([text], { confidence: 0.9 }).words)).toMatchObject([
    { value: firm, raw: text, repaired: true },
  ])
  expect(readOrgs(pageOf([text]).words)[0].value).toBe(text)
})

test('a heading that runs on from a firm on a picture is no part of its name', () => {
  const read = (text: string, sure = 0.9) => readOrgs(pageOf([text], { confidence: sure }).words)[0].value
  expect(read('Merrow Ropeworks Ltd Employment reference')).toBe('Merrow Ropeworks Ltd')
  expect(read('Merrow Ropeworks Ltd Employment reference', 1)).toBe(
    'Merrow Ropeworks Ltd Employment reference',
  )
  expect(read('Petrel Slipways Ltd & Sons')).toBe('Petrel Slipways Ltd & Sons')
})

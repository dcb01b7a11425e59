import { pageOf } from '../../testing/page-of.ts'
import { plainNumber, readEmails, readIds, readNumbers, readPhones, tidyId } from './id.ts'
import { internLocale, localeOfLender } from '../../locale/index.ts'
import { euroLender } from '../../testing/lender.ts'
import type { Word } from '../../model/index.ts'

const EURO = localeOfLender(euroLender)
const numbersIn = (words: Word[]) => readNumbers(words, EURO)

const values = (reader: typeof readIds, text: string) => reader(pageOf([text]).words).map((r) => r.value)

test.each([
  ['MSM-26-004817', 'MSM-26-004817'],
  ['SKR 88241', 'SKR88241'],
  ['No: 12/345', '12/345'],
  ['130777 - 4034', '130777-4034'],
])('%s holds the id %s', (text, id) => expect(values(readIds, text.replace(/^No: /, ''))).toEqual([id]))
test.each(['14/03/2026', '1,234.56', 'Ottilie', 'AB', '12 - 34'])('%s is no id', (text) =>
  expect(values(readIds, text)).toEqual([]),
)
test('spaces are no part of an id, hyphens are', () => expect(tidyId(' sk 12–3. ')).toBe('SK12-3'))

test.each([
  ['write to a.b@islepost.example please', ['a.b@islepost.example']],
  ['E-mail address bram@islepost.example', ['bram@islepost.example']],
  ['ann @ islepost.example', ['ann@islepost.example']],
  ['nobody', []],
])('%s holds %j', (text, mails) => expect(values(readEmails, text)).toEqual(mails))
test('half an address beside a word is asked about, on pictures alone', () => {
  const line = ['wilma garvie@islepost.example']
  expect(readEmails(pageOf(line, { source: 'ocr', confidence: 0.96 }).words)).toMatchObject([
    { value: 'wilma.garvie@islepost.example', repaired: true, plausibility: 0.5 },
  ])
  expect(readEmails(pageOf(line).words)).toMatchObject([
    { value: 'garvie@islepost.example', repaired: false },
  ])
})
test('phone numbers keep their plus', () =>
  expect(values(readPhones, '+44 1657 089 493')).toEqual(['+44 1657 089 493']))
test('years become months', () => expect(values(numbersIn, '5 years')).toEqual(['60']))
test('numbers keep their decimals', () => expect(values(numbersIn, '2,5')).toEqual(['2.5']))

test.each([
  ['2.00', '2'],
  ['2,50', '2.5'],
  ['1.000', '1.000'],
  ['20', '20'],
  ['2.05', '2.05'],
])('the number %s is %s', (text, plain) => expect(plainNumber(text, EURO)).toBe(plain))
test.each([
  ['48,210', '.', '48210'],
  ['48.210', ',', '48210'],
  ['48,210', ',', '48.210'],
  ['1,248,210', null, '1248210'],
] as const)('%s where %s parts cents is %s', (text, decimal, plain) =>
  expect(plainNumber(text, internLocale({ ...EURO, decimal }))).toBe(plain),
)
test('the word for a number is none of it, and neither is the sentence behind it', () => {
  expect(values(readIds, 'No. C-24899')).toEqual(['C-24899'])
  expect(values(readIds, '226/95328/H In consideration')).toEqual(['226/95328/H'])
})
const picture = { confidence: 0.9 }
test('a letter in a telephone number on a picture stands for a figure: the rest alone would be another number', () =>
  expect(readPhones(pageOf(['+44 165Z 216 724'], picture).words)).toMatchObject([
    { value: '+44 1652 216 724', repaired: true },
  ]))
test('figures that a hand set apart are one number, on pictures', () => {
  const near = (sure: number) =>
    pageOf(['4, 8'], { confidence: sure }).words.map((w, i) =>
      i === 0
        ? w
        : { ...w, box: [w.box[0] - 0.003, w.box[1], w.box[2], w.box[3]] as [number, number, number, number] },
    )
  expect(numbersIn(near(0.9)).map((r) => r.value)).toEqual(['48', '4', '8'])
  expect(numbersIn(near(1)).map((r) => r.value)).toEqual(['4', '8'])
})
test('a number begins with no stroke, but with a hasty 1', () =>
  expect(readIds(pageOf(['/20484-7849'], picture).words)).toMatchObject([
    { value: '120484-7849', repaired: true },
  ]))
test('fours that look like u begin a telephone number', () =>
  expect(readPhones(pageOf(['+uu 1865 547 077'], picture).words).map((r) => r.value)).toEqual([
    '+44 1865 547 077',
  ]))
test('an address of mail whose last point was lost', () =>
  expect(readEmails(pageOf(['ann@islepostexample'], picture).words)).toMatchObject([
    { value: 'ann@islepost.example', repaired: true },
  ]))
test.each([
  [readIds, '/20484-7849'],
  [readEmails, 'ann@islepostexample'],
  [readPhones, '+uu 1865'],
])('a text layer spells what its paper says (%#)', (reader, text) => expect(values(reader, text)).toEqual([]))
test('a bracket that ends a number is a 1 on a picture', () =>
  expect(readIds(pageOf(['MSM-26-36699]'], { confidence: 0.8 }).words)).toMatchObject([
    { value: 'MSM-26-366991', repaired: true },
  ]))
test('an amount with its currency is no number', () =>
  expect(['249.56 EUR', 'EUR 3,372.39', '1249,56'].flatMap((text) => readIds(pageOf([text]).words))).toEqual(
    [],
  ))
test('the colon of a label, seen twice, is none of the number on a picture', () => {
  expect(readIds(pageOf(['R:030392-5560'], { confidence: 0.6 }).words)).toMatchObject([
    { value: '030392-5560', repaired: true },
  ])
})

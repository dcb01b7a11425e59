import { pageOf } from '../testing/page-of.ts'
import { separatorSheetOn } from './separator-sheets.ts'

const coded = (text: string, lines: string[] = []) => ({
  ...pageOf(lines),
  codes: [{ format: 'Code128', text, box: [0.2, 0.3, 0.8, 0.4] as [number, number, number, number] }],
})
const BILL = Array.from({ length: 20 }, (_, i) => `Consumption of month ${i} in kilowatt hours`)

test.each([
  [
    'a case number in its code',
    coded('MSM-26-004817', ['Cover sheet']),
    { caseNumber: 'MSM-26-004817', code: null },
  ],
  ['no words at all', coded('msm-26-004817'), { caseNumber: 'MSM-26-004817', code: null }],
  ['a mere separator', coded('NEW-DOCUMENT'), { caseNumber: null, code: null }],
  [
    'a heading alone, its code hidden by a stamp',
    pageOf(['SEPARATOR SHEET', 'Put between papers']),
    { caseNumber: null, code: null },
  ],
  [
    'a heading with the number in print',
    pageOf(['Cover sheet', 'MSM-26-004817']),
    { caseNumber: 'MSM-26-004817', code: null },
  ],
])('%s', (_, page, separator) => expect(separatorSheetOn(page)).toEqual(separator))

test('a bill with a barcode is a bill', () =>
  expect(separatorSheetOn(coded('MSM-26-004817', BILL))).toBeNull())
test('a parcel label is none', () =>
  expect(separatorSheetOn(coded('RR123456785SK', ['Saltholm Marine', 'Parcel']))).toBeNull())
test('a paper that speaks of a cover sheet is none', () =>
  expect(separatorSheetOn(pageOf(['Please lay the cover sheet on top of your papers.']))).toBeNull())
test('a number that a reader of pictures made out names no case: a figure misread would be a stranger’s', () => {
  const scan = pageOf(['Cover sheet', 'MSM-26-004817'])
  expect(separatorSheetOn({ ...scan, words: scan.words.map((w) => ({ ...w, confidence: 0.97 })) })).toEqual({
    caseNumber: null,
    code: null,
  })
})
test('a sheet that the desk printed carries a code beside the number', () =>
  expect(separatorSheetOn(coded('MSM-26-004817+K7QX2M5T'))).toEqual({
    caseNumber: 'MSM-26-004817',
    code: 'K7QX2M5T',
  }))

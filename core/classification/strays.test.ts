import type { Page } from '../model/index.ts'
import { pageOf } from '../testing/page-of.ts'
import { straysAmong } from './strays.ts'

const page = (number: number, more: Partial<Page> = {}): Page => ({
  ...pageOf(['words']),
  file: 'a',
  number,
  ...more,
})
const sheet = (number: number, text: string): Page =>
  page(number, { separator: true, words: [], codes: [{ format: 'Code128', text, box: [0, 0, 1, 1] }] })
const strays = (...pages: Page[]) =>
  straysAmong('MSM-26-000001', pages).map((s) => [s.sheet, s.caseNumber, s.pages])

test('what follows a sheet of another case may be that case’s', () =>
  expect(strays(page(1), sheet(2, 'MSM-26-000002'), page(3), page(4))).toEqual([
    [2, 'MSM-26-000002', [3, 4]],
  ]))
test('a sheet of the own case ends it', () =>
  expect(strays(sheet(1, 'MSM-26-000002'), page(2), sheet(3, 'MSM-26-000001'), page(4))).toEqual([
    [1, 'MSM-26-000002', [2]],
  ]))
test('several cases in one file', () =>
  expect(strays(sheet(1, 'MSM-26-000002'), page(2), sheet(3, 'MSM-26-000003'), page(4))).toEqual([
    [1, 'MSM-26-000002', [2]],
    [3, 'MSM-26-000003', [4]],
  ]))
test('a mere separator between the papers of the other case changes nothing', () =>
  expect(strays(sheet(1, 'MSM-26-000002'), page(2), sheet(3, 'NEW-DOCUMENT'), page(4))).toEqual([
    [1, 'MSM-26-000002', [2, 4]],
  ]))
test('the next file begins anew', () =>
  expect(strays(sheet(1, 'MSM-26-000002'), page(2), page(3, { file: 'b' }))).toEqual([
    [1, 'MSM-26-000002', [2]],
  ]))
test('what was filed is not filed again', () =>
  expect(strays(sheet(1, 'MSM-26-000002'), page(2, { separator: true, filedTo: 'MSM-26-000002' }))).toEqual(
    [],
  ))
test('a sheet that only parts papers, and one with nothing behind it, speak of no page', () =>
  expect(strays(sheet(1, 'NEW-DOCUMENT'), page(2), sheet(3, 'MSM-26-000002'))).toEqual([]))

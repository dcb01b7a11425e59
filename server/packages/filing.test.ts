import { pageOf } from '../../core/testing/page-of.ts'
import type { Page } from '../../core/model/page.ts'
import { strayedPages } from './filing.ts'

const page = (number: number, more: Partial<Page> = {}): Page => ({ ...pageOf(['words']), number, ...more })
const sheet = (number: number, caseNumber: string): Page => ({
  ...page(number),
  separator: true,
  codes: [{ format: 'Code128', text: caseNumber, box: [0, 0, 1, 1] }],
})
const rows = (...pages: Page[]) => pages.map((p) => ({ fileId: 'a', page: p }))
const strayed = (...pages: Page[]) =>
  strayedPages('MSM-26-000001', rows(...pages)).map((s) => [s.caseNumber, s.pages.map((p) => p.number)])

test('what follows a sheet of another case is that case’s', () =>
  expect(strayed(page(1), sheet(2, 'MSM-26-000002'), page(3), page(4))).toEqual([['MSM-26-000002', [3, 4]]]))
test('a sheet of the own case ends it', () =>
  expect(strayed(sheet(1, 'MSM-26-000002'), page(2), sheet(3, 'MSM-26-000001'), page(4))).toEqual([
    ['MSM-26-000002', [2]],
  ]))
test('several cases in one file', () =>
  expect(strayed(sheet(1, 'MSM-26-000002'), page(2), sheet(3, 'MSM-26-000003'), page(4))).toEqual([
    ['MSM-26-000002', [2]],
    ['MSM-26-000003', [4]],
  ]))
test('the next file begins anew', () =>
  expect(
    strayedPages('MSM-26-000001', [
      ...rows(sheet(1, 'MSM-26-000002'), page(2)),
      { fileId: 'b', page: page(3) },
    ]).map((s) => s.pages.length),
  ).toEqual([1]))
test('what was filed is not filed again', () =>
  expect(strayed(sheet(1, 'MSM-26-000002'), page(2, { separator: true, filedTo: 'MSM-26-000002' }))).toEqual(
    [],
  ))
test('a sheet that only parts papers files nothing', () =>
  expect(
    strayed(
      {
        ...page(1),
        separator: true,
        codes: [{ format: 'Code128', text: 'NEW-DOCUMENT', box: [0, 0, 1, 1] }],
      },
      page(2),
    ),
  ).toEqual([]))

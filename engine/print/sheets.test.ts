import { PDFDocument } from 'pdf-lib'
import { separatorSheetOn } from '../../core/classification/separator-sheets.ts'
import { openSource } from '../input/source.ts'
import { coverSheet, separatorSheets } from './sheets.ts'

const read = async (bytes: Uint8Array) => {
  const source = await openSource(bytes)
  const page = await source.read(0, { wantsInk: () => false })
  source.close()
  return page
}

test('a printed cover sheet is known by its code and by its words', async () => {
  const page = await read(
    await coverSheet({ caseNumber: 'MSM-26-004817', lines: ['Working-boat loan', 'Íñigo Ødegaard'] }),
  )
  expect(page.codes?.map((c) => c.text)).toContain('MSM-26-004817')
  expect(separatorSheetOn(page)).toEqual({ caseNumber: 'MSM-26-004817' })
  expect(separatorSheetOn({ ...page, codes: [] })).toEqual({ caseNumber: 'MSM-26-004817' })
})
test('separator sheets come in any number and name no case', async () => {
  const bytes = await separatorSheets(3)
  expect((await PDFDocument.load(bytes)).getPageCount()).toBe(3)
  expect(separatorSheetOn(await read(bytes))).toEqual({ caseNumber: null })
})

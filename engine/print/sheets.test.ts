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

test('a printed cover sheet is known by its code and by its words, of which the code alone proves it', async () => {
  const page = await read(
    await coverSheet({
      caseNumber: 'MSM-26-004817',
      authentication: 'K7QX2M5T',
      lines: ['Working-boat loan', 'Íñigo Ødegaard'],
    }),
  )
  expect(separatorSheetOn(page)).toEqual({ caseNumber: 'MSM-26-004817', code: 'K7QX2M5T' })
  expect(separatorSheetOn({ ...page, codes: [] })).toEqual({ caseNumber: 'MSM-26-004817', code: null })
})
test('separator sheets come in any number and name no case', async () => {
  const bytes = await separatorSheets(3)
  expect((await PDFDocument.load(bytes)).getPageCount()).toBe(3)
  expect(separatorSheetOn(await read(bytes))).toEqual({ caseNumber: null, code: null })
})

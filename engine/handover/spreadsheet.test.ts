import ExcelJS from 'exceljs'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { ValueOut } from '../../core/receivers/index.ts'
import { writeSpreadsheet } from './spreadsheet.ts'

const value = (more: Partial<ValueOut>): ValueOut => ({
  document: 'a',
  file: 'a.pdf',
  type: 'payslip',
  typeName: 'Payslip',
  label: 'Payslip January',
  field: 'net_pay',
  fieldName: 'Net pay',
  row: null,
  column: null,
  value: '2140.55',
  currency: 'EUR',
  raw: '2,140.55',
  confidence: 0.98765,
  state: 'certain',
  confirmedBy: '',
  page: 3,
  box: null,
  link: 'https://jigsa.example/p?page=3',
  ...more,
})

test('each type has a sheet, each value how sure it is and a link, and a table a sheet of its own', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'jigsa-sheet-'))
  try {
    const path = join(folder, 'values.xlsx')
    const booking = {
      type: 'bank',
      typeName: 'Bank: statement/all [of it], every one',
      document: 'b',
      field: 'rows',
      fieldName: 'Bookings',
    }
    await writeSpreadsheet(
      path,
      [{ label: 'Payslip January', typeName: 'Payslip', file: 'a.pdf', pages: [3, 4] }],
      [
        value({}),
        value({ field: 'pay_date', fieldName: 'Pay date', value: '2026-01-30', currency: '' }),
        value({ field: 'name', fieldName: 'Name', value: '=1+1', currency: '' }),
        value({ field: 'account', fieldName: 'Account', value: '0012', currency: '' }),
        value({ ...booking, row: 1, column: 'amount', value: '-4.00' }),
        value({ ...booking, row: 2, column: 'amount', value: '9.00' }),
      ],
    )
    const book = new ExcelJS.Workbook()
    await book.xlsx.readFile(path)
    expect(book.worksheets.map((s) => s.name)).toEqual([
      'Papers',
      'Payslip',
      'Bank  statement all  of it , ev',
    ])
    const payslip = book.getWorksheet('Payslip')!
    const cell = (name: string) => {
      const head = payslip.getRow(1).values as string[]
      return payslip.getRow(2).getCell(head.indexOf(name))
    }
    expect([cell('Net pay').value, cell('Net pay').numFmt]).toEqual([2140.55, '#,##0.00 "EUR"'])
    expect(cell('Net pay: sure').value).toBe(0.988)
    expect(cell('Net pay: place').hyperlink).toBe('https://jigsa.example/p?page=3')
    expect(cell('Pay date').value).toEqual(new Date('2026-01-30T00:00:00Z'))
    // Text is text, whatever it begins with, and figures that are none stay as they are written.
    expect([cell('Name').type, cell('Name').value]).toEqual([ExcelJS.ValueType.String, '=1+1'])
    expect(cell('Account').value).toBe('0012')
    expect(book.worksheets[2].getColumn(3).values.slice(1)).toEqual(['amount', -4, 9])
  } finally {
    rmSync(folder, { recursive: true })
  }
})

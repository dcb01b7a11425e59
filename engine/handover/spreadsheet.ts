import type { Row, Worksheet } from 'exceljs'
import type { ValueOut } from '../../core/receivers/index.ts'

/** A paper that goes out, for the first sheet. */
export interface PaperOut {
  label: string
  typeName: string
  file: string
  pages: readonly number[]
}

const DECIMAL = /^-?\d+(?:\.\d+)?$/
const ISO_DAY = /^\d{4}-\d{2}-\d{2}$/
/** Letters of a sheet's name, as spreadsheets take it (ECMA-376). */
const MOST_NAME = 31

/** Names of sheets: none twice, none too long, without the signs that references are made of. */
class SheetNames {
  private readonly taken = new Set<string>()

  of(name: string): string {
    const safe =
      name
        .replace(/[[\]:*?/\\]/g, ' ')
        .replace(/^'|'$/g, '')
        .trim() || 'Sheet'
    let tried = safe.slice(0, MOST_NAME)
    for (let n = 2; this.taken.has(tried.toLowerCase()); n++)
      tried = `${safe.slice(0, MOST_NAME - 5).trimEnd()} (${n})`
    this.taken.add(tried.toLowerCase())
    return tried
  }
}

/** Puts a value into a cell: amounts and days as such, so that they can be reckoned with; all else as text. */
function put(row: Row, column: number, { value, currency }: Pick<ValueOut, 'value' | 'currency'>): void {
  const cell = row.getCell(column)
  if (typeof value !== 'string') cell.value = value
  else if (currency && DECIMAL.test(value)) {
    cell.value = Number(value)
    cell.numFmt = `#,##0.00 "${currency}"`
  } else if (ISO_DAY.test(value)) {
    cell.value = new Date(`${value}T00:00:00Z`)
    cell.numFmt = 'yyyy-mm-dd'
  } else cell.value = value
}

const place = ({ page, link }: ValueOut): { text: string; hyperlink: string } => ({
  text: page === null ? 'paper' : `page ${page}`,
  hyperlink: link,
})

const head = (sheet: Worksheet, names: readonly string[], widths: readonly number[]): void => {
  names.forEach((_, i) => (sheet.getColumn(i + 1).width = widths[i] ?? 16))
  const row = sheet.addRow([...names])
  row.font = { bold: true }
  row.commit()
}

/**
 * Writes what papers say as a spreadsheet (Office Open XML): a sheet of the papers, one for each type with a row for
 * each of its papers, and one for each of their tables; each value with how sure it is, 0 to 1, and a link to its place.
 * Rows are written as they are made.
 */
export async function writeSpreadsheet(
  path: string,
  papers: readonly PaperOut[],
  values: readonly ValueOut[],
): Promise<void> {
  const { default: excel } = await import('exceljs')
  const book = new excel.stream.xlsx.WorkbookWriter({ filename: path, useStyles: true })
  const names = new SheetNames()
  const frozen = { views: [{ state: 'frozen' as const, ySplit: 1 }] }
  const first = book.addWorksheet(names.of('Papers'), frozen)
  head(first, ['Paper', 'Type', 'File', 'Pages'], [32, 24, 48, 16])
  for (const p of papers) first.addRow([p.label, p.typeName, p.file, p.pages.join(', ')]).commit()
  first.commit()
  for (const type of by(values, (v) => v.type)) {
    const single = type.filter((v) => v.row === null)
    if (single.length > 0) typeSheet(book.addWorksheet(names.of(type[0].typeName), frozen), single)
    for (const table of by(
      type.filter((v) => v.row !== null),
      (v) => v.field,
    ))
      tableSheet(book.addWorksheet(names.of(`${type[0].typeName} ${table[0].fieldName}`), frozen), table)
  }
  await book.commit()
}

function typeSheet(sheet: Worksheet, values: readonly ValueOut[]): void {
  const fields = [...new Map(values.map((v) => [v.field, v.fieldName]))]
  head(
    sheet,
    ['Paper', 'File', ...fields.flatMap(([, name]) => [name, `${name}: sure`, `${name}: place`])],
    [32, 32, ...fields.flatMap(() => [20, 8, 10])],
  )
  for (const paper of by(values, (v) => v.document)) {
    const row = sheet.addRow([paper[0].label, paper[0].file])
    for (const value of paper) {
      const at = 3 + 3 * fields.findIndex(([field]) => field === value.field)
      put(row, at, value)
      row.getCell(at + 1).value = Number(value.confidence.toFixed(3))
      row.getCell(at + 2).value = place(value)
    }
    row.commit()
  }
  sheet.commit()
}

function tableSheet(sheet: Worksheet, values: readonly ValueOut[]): void {
  const columns = [...new Set(values.map((v) => v.column!))]
  head(sheet, ['Paper', 'Row', ...columns, 'Sure', 'Place'], [32, 6, ...columns.map(() => 18), 8, 10])
  for (const cells of by(values, (v) => `${v.document} ${v.row}`)) {
    const row = sheet.addRow([cells[0].label, cells[0].row])
    for (const cell of cells) put(row, 3 + columns.indexOf(cell.column!), cell)
    row.getCell(3 + columns.length).value = Number(cells[0].confidence.toFixed(3))
    row.getCell(4 + columns.length).value = place(cells[0])
    row.commit()
  }
  sheet.commit()
}

/** Values that share a key, in the order in which keys come first. */
function by(values: readonly ValueOut[], keyOf: (value: ValueOut) => string): ValueOut[][] {
  const found = new Map<string, ValueOut[]>()
  for (const value of values) {
    const of = found.get(keyOf(value))
    if (of) of.push(value)
    else found.set(keyOf(value), [value])
  }
  return [...found.values()]
}

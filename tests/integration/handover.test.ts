import ExcelJS from 'exceljs'
import { parse } from 'csv-parse/sync'
import { execFileSync } from 'node:child_process'
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { Readable } from 'node:stream'
import { buffer } from 'node:stream/consumers'
import { type Receiver, receiverSchema, usualReceiver } from '../../core/receivers/index.ts'
import { FIRST_ORGANISATION } from '../../server/database/schema.ts'
import { database } from '../../server/database/connection.ts'
import { type ExportFormat, exportOf } from '../../server/handover/export.ts'
import { filesFor } from '../../server/handover/preview.ts'
import { dropReceiver, receiversOf, saveReceiver } from '../../server/handover/receivers.ts'
import { giveAnswers } from '../../server/packages/answer.ts'
import { packageRow } from '../../server/packages/queries.ts'
import { identityCard, payslip, pdfOf } from '../support/papers.ts'
import { desk, person, readPackage } from '../support/server.ts'
import { Open } from '../support/zip.ts'

const at = desk()
let id = ''
let folder = ''

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'jigsa-handover-test-'))
  id = await readPackage(
    at.who,
    await pdfOf(payslip('January', '30', '2,140.55'), identityCard(), payslip('February', '27', '2,151.20')),
  )
}, 90_000)
afterAll(() => rmSync(folder, { recursive: true }))

const receiver = (more: Partial<Receiver> = {}): Receiver =>
  receiverSchema.parse({
    id: 'archive',
    title: 'Archive',
    pattern: '{applicant}/{type}[ {pay_date:yyyy-MM}]',
    order: ['identity_card', 'payslip'],
    names: { types: { payslip: 'Bulletin de paie' }, fields: { 'payslip.net_pay': 'Net' } },
    contents: ['documents', 'report', 'csv', 'xlsx', 'history'],
    ...more,
  })
const made = async (format: ExportFormat, by: Receiver = receiver()): Promise<Buffer> =>
  buffer(Readable.fromWeb((await exportOf(id, by, format, at.who)).body as never))
const onDisk = (name: string, bytes: Uint8Array): string => {
  const path = join(folder, name)
  mkdirSync(dirname(path), { recursive: true })
  writeFileSync(path, bytes)
  return path
}
const textOf = (path: string) => execFileSync('pdftotext', ['-layout', path, '-'], { encoding: 'utf8' })

test('papers go in the receiver’s order and under its names, and so it was shown before', async () => {
  const zip = await Open.from((await exportOf(id, receiver(), 'zip', at.who)).body)
  const pdfs = zip.names.filter((name) => name.endsWith('.pdf'))
  const { files, faults } = await filesFor(FIRST_ORGANISATION, id, receiver())
  expect([faults, files.map((f) => f.path).sort()]).toEqual([[], pdfs])
  expect(files.map((f) => f.path.split('/')[1])).toEqual([
    'Identity card.pdf',
    'Bulletin de paie 2026-01.pdf',
    'Bulletin de paie 2026-02.pdf',
  ])
  expect(zip.names.filter((name) => !name.endsWith('.pdf')).sort()).toEqual([
    'history.json',
    'report.json',
    'values.csv',
    'values.xlsx',
  ])
  for (const name of pdfs) {
    const path = onDisk('one.pdf', zip.bytes(name))
    execFileSync('qpdf', ['--check', path])
    expect(textOf(path)).toMatch(/Varnham/)
  }
})

test('one PDF has all papers behind its contents', async () => {
  const path = onDisk('whole.pdf', await made('pdf'))
  execFileSync('qpdf', ['--check', path])
  const text = textOf(path)
  expect(text.indexOf('Identity card')).toBeLessThan(text.indexOf('Net pay'))
  expect(text).toContain((await packageRow(id, at.who))!.caseNumber)
})

test('each value leaves with its place, how sure it is and who confirmed it, in every form the same', async () => {
  const { assessment } = (await packageRow(id, at.who))!
  const slip = assessment!.documents.find((d) => d.type === 'payslip')!
  const pay = slip.fields.find((f) => f.name === 'net_pay')!
  await giveAnswers(
    id,
    [
      {
        kind: 'value',
        page: slip.pages[0],
        field: 'net_pay',
        value: pay.value,
        state: 'confirmed',
        at: null,
      },
    ],
    at.who,
  )
  const rows: Record<string, string>[] = parse(await made('csv'), { columns: true, bom: true })
  const row = rows.find((r) => r.document === slip.id && r.field === 'net_pay')!
  expect(row).toMatchObject({
    field_name: 'Net',
    value: '2140.55',
    currency: 'EUR',
    confidence: '1.000',
    state: 'confirmed',
    confirmed_by: at.who.name,
    page: String(slip.pages[0]),
  })
  expect(row.link).toMatch(/\/packages\/[0-9a-f-]+\/values\?page=1&field=net_pay$/)
  const book = new ExcelJS.Workbook()
  await book.xlsx.load((await made('xlsx')) as never)
  const sheet = book.getWorksheet('Bulletin de paie')!
  const head = sheet.getRow(1).values as string[]
  const cells = rows.filter((r) => r.field === 'net_pay').map((r) => Number(r.value))
  expect(sheet.getColumn(head.indexOf('Net')).values.slice(2)).toEqual(cells)
})

test('a bag is whole by another program’s count, and says whose it is', async () => {
  const zip = await Open.from((await exportOf(id, receiver({ envelope: 'bag' }), 'bag', at.who)).body)
  for (const name of zip.names) onDisk(join('bag', name), zip.bytes(name))
  const [top] = zip.names[0].split('/')
  const cwd = join(folder, 'bag', top)
  for (const manifest of ['manifest-sha256.txt', 'tagmanifest-sha256.txt'])
    execFileSync('sha256sum', ['--check', '--strict', '--quiet', manifest], { cwd })
  const listed = zip.bytes(`${top}/manifest-sha256.txt`).toString().trim().split('\n')
  expect(listed).toHaveLength(zip.names.filter((name) => name.startsWith(`${top}/data/`)).length)
  expect(zip.bytes(`${top}/bag-info.txt`).toString()).toContain(`External-Identifier: ${top}`)
})

const XSD = `<xs:schema xmlns:xs="http://www.w3.org/2001/XMLSchema">
  <xs:element name="income"><xs:complexType><xs:sequence>
    <xs:element name="pay" type="xs:decimal" maxOccurs="12"/>
  </xs:sequence></xs:complexType></xs:element></xs:schema>`
const income = (from: string): Partial<Receiver> => ({
  contents: ['xml'],
  xml: {
    root: 'income',
    namespace: null,
    elements: [{ path: 'pay', each: 'payslip', elements: [{ path: 'amount', from }] }],
  },
  xsd: XSD,
})

test('XML goes by the receiver’s elements, and not where it does not hold to its schema', async () => {
  const flat = receiver({
    ...income('net_pay'),
    xml: { root: 'income', namespace: null, elements: [{ path: 'pay', from: 'payslip.net_pay' }] },
  })
  expect((await made('xml', flat)).toString()).toContain('<pay>2140.55</pay>')
  await expect(made('xml', receiver(income('net_pay')))).rejects.toThrow(
    /does not hold to the schema of Archive/,
  )
  expect((await made('xml', usualReceiver)).toString()).toMatch(
    /<payslip>[\s\S]*<net_pay currency="EUR">2140.55</,
  )
})

test('a receiver is stored only where it can be used, and is one organisation’s', async () => {
  const lead = await person('lead')
  await expect(saveReceiver(lead, receiver({ pattern: '{no_such_value}' }))).rejects.toThrow(/no_such_value/)
  await expect(saveReceiver(lead, receiver({ id: usualReceiver.id }))).rejects.toThrow(/another/)
  await saveReceiver(lead, receiver())
  await saveReceiver(lead, receiver({ title: 'Archive of the bank' }))
  expect((await receiversOf(database(), FIRST_ORGANISATION)).map((r) => r.title)).toEqual([
    'Archive of the bank',
  ])
  expect(await receiversOf(database(), 'elsewhere')).toEqual([])
  await dropReceiver(lead, 'archive')
  expect(await receiversOf(database(), FIRST_ORGANISATION)).toEqual([])
})

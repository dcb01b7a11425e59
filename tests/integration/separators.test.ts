import { inWords } from '../../wording/index.ts'
import { eq } from 'drizzle-orm'
import { PDFDocument } from 'pdf-lib'
import { coverSheet, separatorSheets } from '../../engine/print/sheets.ts'
import { TEST_SIGNATURE } from '../../engine/screening/scanner.ts'
import { historyOf } from '../../server/audit.ts'
import { database } from '../../server/database/connection.ts'
import { packages } from '../../server/database/schema.ts'
import { giveAnswers, undo } from '../../server/packages/answer.ts'
import { newPackage } from '../../server/packages/intake.ts'
import { filesIn, packageRow, pageSheets, pictureOf } from '../../server/packages/queries.ts'
import { sheetCode } from '../../server/packages/sheet-code.ts'
import { payslip, pdfOf } from '../support/papers.ts'
import { bring, desk, readPackage, stateOf, until } from '../support/server.ts'

const at = desk()

async function bound(...parts: Uint8Array[]): Promise<Uint8Array> {
  const out = await PDFDocument.create()
  for (const part of parts) {
    const source = await PDFDocument.load(part)
    for (const page of await out.copyPages(source, source.getPageIndices())) out.addPage(page)
  }
  return out.save()
}
const typesOf = async (id: string) =>
  (await packageRow(id, at.who))!.assessment!.documents.map((d) => `${d.type}:${d.pages.join()}`)

test('a separator sheet parts and is in no document', async () => {
  const id = await readPackage(
    at.who,
    await bound(
      await separatorSheets(1),
      await pdfOf(payslip('January', '30')),
      await separatorSheets(1),
      await pdfOf(payslip('February', '27')),
    ),
  )
  expect(await typesOf(id)).toEqual(['payslip:2', 'payslip:4'])
  expect((await pageSheets(id)).map((s) => s.separator)).toEqual([true, false, true, false])
}, 90_000)

test('a cover sheet that this desk printed files what follows to its case', async () => {
  const other = 'MSM-26-990001'
  await newPackage('working-boat-loan', at.who, { caseNumber: other })
  const sheet = await coverSheet({
    caseNumber: other,
    authentication: sheetCode(at.who.organisationId, other),
    lines: ['Working-boat loan'],
  })
  const id = await readPackage(
    at.who,
    await bound(
      await pdfOf(payslip('January', '30')),
      sheet,
      await pdfOf(payslip('February', '27'), payslip('March', '30')),
    ),
  )
  expect(await typesOf(id)).toEqual(['payslip:1'])
  expect((await pageSheets(id)).map((s) => s.filedTo)).toEqual([null, null, other, other])
  expect((await historyOf(id)).map((h) => h.act)).toContain('filed pages to another case')
  const [filed] = await database().select().from(packages).where(eq(packages.caseNumber, other))
  await until(async () => (await stateOf(filed.id)).state === 'open')
  expect(await typesOf(filed.id)).toEqual(['payslip:1', 'payslip:2'])
  // However high its number, the next package is numbered on from those before.
  expect((await packageRow(await newPackage('working-boat-loan', at.who), at.who))!.caseNumber).not.toBe(
    'MSM-26-990002',
  )
  // Another scan of the same name files to it too: its pages must not be taken for those of the first.
  await readPackage(at.who, await bound(sheet, await pdfOf(payslip('April', '29'))))
  await until(
    async () =>
      (await stateOf(filed.id)).state === 'open' && (await packageRow(filed.id, at.who))!.pageCount === 3,
  )
  expect((await filesIn(filed.id)).map((f) => f.name).sort()).toEqual(['papers (2).pdf', 'papers.pdf'])
  await until(async () => (await pictureOf(filed.id, 2, 'large'))?.final === true)
  // More papers of the case, brought with its own sheet, stay with it.
  await bring(filed.id, 'more.pdf', await bound(sheet, await pdfOf(payslip('May', '28'))), at.who)
  await until(
    async () =>
      (await stateOf(filed.id)).state === 'open' && (await packageRow(filed.id, at.who))!.pageCount === 5,
  )
  await until(async () => (await typesOf(filed.id)).length === 4)
}, 120_000)

test('a sheet that anybody may have printed files nothing before a person says so', async () => {
  const [known, unknown] = ['MSM-26-990003', 'ZZZ-99-123456']
  await newPackage('working-boat-loan', at.who, { caseNumber: known })
  const id = await readPackage(
    at.who,
    await bound(
      await pdfOf(payslip('January', '30')),
      await coverSheet({ caseNumber: known, authentication: 'AAAAAAAA', lines: [] }),
      await pdfOf(payslip('February', '27', '9,999.99')),
      await coverSheet({ caseNumber: unknown, lines: [] }),
      await pdfOf(payslip('March', '30')),
    ),
  )
  const asked = async () =>
    (await packageRow(id, at.who))!.assessment!.deck.filter((q) => q.about === 'stray').map((q) => q.id)
  expect(await typesOf(id)).toEqual(['payslip:1', 'payslip:3', 'payslip:5'])
  expect((await asked()).sort()).toEqual(['stray:2', 'stray:4'])
  expect(await database().select().from(packages).where(eq(packages.caseNumber, unknown))).toEqual([])
  const [target] = await database().select().from(packages).where(eq(packages.caseNumber, known))
  expect(target.pageCount).toBe(0)

  await giveAnswers(id, [{ kind: 'file', page: 4, there: false }], at.who)
  expect(await asked()).toEqual(['stray:2'])
  await undo(id, at.who)
  expect(await asked()).toHaveLength(2)
  await giveAnswers(id, [{ kind: 'file', page: 2, there: true }], at.who)
  expect(await typesOf(id)).toEqual(['payslip:1', 'payslip:5'])
  await until(async () => (await stateOf(target.id)).state === 'open')
  expect(await typesOf(target.id)).toEqual(['payslip:1'])
  // Taken back, the pages are here again and there no more; said anew, they go into their own place there.
  await undo(id, at.who)
  expect(await typesOf(id)).toEqual(['payslip:1', 'payslip:3', 'payslip:5'])
  await until(async () => (await typesOf(target.id)).length === 0)
  await giveAnswers(id, [{ kind: 'file', page: 2, there: true }], at.who)
  await until(async () => (await typesOf(target.id)).length === 1)
  expect((await stateOf(target.id)).all).toBe(1)
  await giveAnswers(id, [{ kind: 'file', page: 4, there: true }], at.who)
  const [opened] = await database().select().from(packages).where(eq(packages.caseNumber, unknown))
  expect([opened.pageCount, opened.organisationId]).toEqual([1, at.who.organisationId])
}, 90_000)

test('a finished case takes nothing more: the pages stay where they came, and that is noted', async () => {
  const other = 'MSM-26-990002'
  const done = await newPackage('working-boat-loan', at.who, { caseNumber: other })
  await database().update(packages).set({ state: 'finished' }).where(eq(packages.id, done))
  const id = await readPackage(
    at.who,
    await bound(await coverSheet({ caseNumber: other, lines: [] }), await pdfOf(payslip('January', '30'))),
  )
  expect(await typesOf(id)).toEqual(['payslip:2'])
  expect((await historyOf(id)).map((h) => h.act)).toContain('could not file pages')
}, 90_000)

test('malware is set aside, active content is told of, the rest goes on', async () => {
  const id = await newPackage('working-boat-loan', at.who)
  const scripted = await PDFDocument.load(await pdfOf(payslip('May', '30')))
  scripted.addJavaScript('hello', 'app.alert(1)')
  await bring(id, 'bad.com', new TextEncoder().encode(TEST_SIGNATURE), at.who)
  await bring(id, 'scripted.pdf', await scripted.save(), at.who)
  await until(async () => (await stateOf(id)).state === 'open')
  const [bad, good] = (await filesIn(id)).sort((a, b) => a.name.localeCompare(b.name))
  expect(bad.problem).toBe('Malware was found in this file (Eicar-Test-Signature); it was not opened.')
  expect([good.problem, good.notices]).toEqual([null, ['carries a script']])
  expect(
    inWords((await packageRow(id, at.who))!.assessment!.findings.find((f) => f.kind === 'notice')!.message),
  ).toBe('scripted.pdf carries a script; nothing of it is ever run')
}, 90_000)

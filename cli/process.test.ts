import { starterTypes, workingBoatLoan } from '../demo/lenders/merrow-sound/index.ts'
import { euroLender } from '../core/testing/lender.ts'
import { inWords } from '../wording/index.ts'
import { execFile } from 'node:child_process'
import { mkdtemp, readdir, readFile, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { promisify } from 'node:util'
import { PDFDocument } from 'pdf-lib'
import { makePackage } from '../demo/package.ts'
import { assess } from '../core/pipeline/assess.ts'
import { reportOf, type Report } from '../core/handover/report.ts'
import { segmentPages } from '../core/classification/segment.ts'
import { readPackage } from '../engine/pipeline/read-package.ts'
import { WORTH_THREADS } from '../engine/parallel/pool.ts'
import { passbook, pledge } from '../core/testing/small-types.ts'
import { payslip, pdfOf } from '../tests/support/papers.ts'

const AS_OF = '2026-04-10'
let folder: string
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'jigsa-process-test-'))
})
afterAll(() => rm(folder, { recursive: true, force: true }))

/** Runs the command as a person would, from a folder of their own. */
const jigsa = join(import.meta.dirname, '../jigsa')
const run = (...words: string[]) =>
  promisify(execFile)(jigsa, ['process', ...words], { cwd: folder }).then(
    ({ stderr }) => ({ code: 0, stderr }),
    (error: { code: number; stderr: string }) => ({ code: error.code, stderr: error.stderr }),
  )
const report = async (out: string) =>
  JSON.parse(await readFile(join(folder, out, 'report.json'), 'utf8')) as Report
const put = (name: string, bytes: Uint8Array | string) => writeFile(join(folder, name), bytes)

test('a report and a PDF for each document; what cannot be used is named and costs the others nothing', async () => {
  await put('pay.pdf', await pdfOf(payslip('January', '30'), payslip('February', '27')))
  await put('broken.pdf', '%PDF-1.7 and then nothing of use')
  expect(
    (await run('--program', 'working-boat-loan', '--as-of', AS_OF, '--out', 'small', 'pay.pdf', 'broken.pdf'))
      .code,
  ).toBe(0)
  const { files, documents, pages } = await report('small')
  expect(files.map((f) => [f.name, f.pages, f.problem])).toEqual([
    ['pay.pdf', 2, null],
    ['broken.pdf', 0, 'This PDF is damaged and cannot be opened.'],
  ])
  expect(documents.map((d) => [d.type, d.pages])).toEqual([
    ['payslip', [1]],
    ['payslip', [2]],
  ])
  expect(pages.map((p) => p.document)).toEqual(documents.map((d) => d.id))
  const made = (await readdir(join(folder, 'small/documents'))).sort()
  expect(made).toHaveLength(2)
  const counts = await Promise.all(
    made.map(async (name) =>
      (await PDFDocument.load(await readFile(join(folder, 'small/documents', name)))).getPageCount(),
    ),
  )
  expect(counts).toEqual([1, 1])
}, 90_000)

test('many pages are read in threads, and the report is the very one that one thread makes', async () => {
  const whole = await PDFDocument.create()
  for (let seed = 41; whole.getPageCount() < WORTH_THREADS + 20; seed++) {
    const made = await PDFDocument.load(
      (await makePackage({ seed, papers: 'tuning', asOf: AS_OF, clutter: true })).bytes,
    )
    for (const page of await whole.copyPages(made, made.getPageIndices())) whole.addPage(page)
  }
  const bytes = await whole.save()
  await put('many.pdf', bytes)
  expect(
    (await run('--program', 'working-boat-loan', '--as-of', AS_OF, '--out', 'many', 'many.pdf')).code,
  ).toBe(0)
  const read = await readPackage([{ name: 'many.pdf', bytes: new Uint8Array(bytes) }], starterTypes)
  const situation = {
    files: read.files,
    pages: read.pages,
    pieces: segmentPages(read.pages, starterTypes),
    program: workingBoatLoan,
    types: starterTypes,
    lender: euroLender,
    answers: [],
    asOf: AS_OF,
  }
  const threaded = { ...(await report('many')), timing: undefined }
  expect(threaded.pages.length).toBeGreaterThan(WORTH_THREADS)
  expect(threaded).toEqual(
    JSON.parse(JSON.stringify({ ...reportOf(situation, assess(situation), inWords), timing: undefined })),
  )
}, 120_000)

const bare = {
  id: 'slips-only',
  title: 'Slips only',
  persons: { applicant: 'payslip.employee_name' },
  facts: [],
  checks: [],
  requirements: [],
}
test('a program may be a file, as the application exports it', async () => {
  await put(
    'slips.json',
    JSON.stringify({
      ...bare,
      requirements: [{ id: 'slip', title: 'A payslip', ways: [{ needs: [{ type: 'payslip' }] }] }],
    }),
  )
  await put('one.pdf', await pdfOf(payslip('January', '30')))
  expect((await run('--program', 'slips.json', '--as-of', AS_OF, '--out', 'own', 'one.pdf')).code).toBe(0)
  expect((await report('own')).checklist).toMatchObject([{ requirement: 'slip', status: 'satisfied' }])
}, 90_000)
test('rules reach the run from their file', async () => {
  await put(
    'note.pdf',
    await pdfOf(['Landing note of the morning', 'Boxes and baskets, as counted on the quay']),
  )
  const rule = {
    name: 'Landing notes',
    says: { kind: 'type', type: 'credit_consent' },
    words: [{ text: 'landing note', place: 'top' }],
  }
  await put('rules.json', JSON.stringify({ formatVersion: 1, rules: [rule] }))
  const words = ['--program', 'working-boat-loan', '--as-of', AS_OF, '--out', 'ruled', 'note.pdf']
  expect((await run(...words)).code).toBe(0)
  const typeOf = async () => (await report('ruled')).documents.map((d) => d.type)
  expect(await typeOf()).toEqual(['unknown'])
  expect((await run('--knowledge', 'rules.json', ...words)).code).toBe(0)
  expect(await typeOf()).toEqual(['credit_consent'])
  await put('odd-rules.json', '{"rules": [{}]}')
  const refused = await run('--knowledge', 'odd-rules.json', ...words)
  expect([refused.code, refused.stderr]).toEqual([2, expect.stringMatching(/no file of rules and samples/)])
}, 90_000)

test.each([
  [
    'a program that is not there',
    ['--program', 'yacht-loan', '--out', 'x', 'pay.pdf'],
    /there is no program "yacht-loan"/,
  ],
  [
    'a program’s file that names what is not there',
    ['--program', 'odd.json', '--out', 'x', 'pay.pdf'],
    /in requirement “Quote”: “Purchase quote” has no value “good_till”/,
  ],
  [
    'a day that is none',
    ['--program', 'working-boat-loan', '--as-of', '31/31/2026', '--out', 'x', 'pay.pdf'],
    /YYYY-MM-DD/,
  ],
  [
    'a file that is not there',
    ['--program', 'working-boat-loan', '--out', 'x', 'nowhere.pdf'],
    /nowhere\.pdf cannot be read/,
  ],
  ['no file at all', ['--program', 'working-boat-loan', '--out', 'x'], /missing required argument/],
  [
    'nothing but broken files',
    ['--program', 'working-boat-loan', '--out', 'x', 'broken.pdf'],
    /no file of the package could be used: broken\.pdf: This PDF is damaged/,
  ],
])(
  '%s ends with code 2 and one line',
  async (_, words, why) => {
    await put('broken.pdf', '%PDF-1.7 and then nothing of use')
    await put(
      'odd.json',
      JSON.stringify({
        ...bare,
        requirements: [
          { id: 'x', title: 'Quote', ways: [{ needs: [{ type: 'purchase_quote', until: 'good_till' }] }] },
        ],
      }),
    )
    const { code, stderr } = await run(...words)
    expect(code).toBe(2)
    expect(stderr).toMatch(why)
    expect(
      stderr
        .trim()
        .split('\n')
        .filter((line) => line.startsWith('jigsa process:')),
    ).toHaveLength(1)
  },
  60_000,
)

test('document types may be a file: then no others take part', async () => {
  await put('types.json', JSON.stringify([pledge, passbook]))
  await put(
    'pledges.json',
    JSON.stringify({
      ...bare,
      persons: { applicant: 'pledge.giver' },
      requirements: [{ id: 'pledge', title: 'A pledge', ways: [{ needs: [{ type: 'pledge' }] }] }],
    }),
  )
  const lines = [
    'Pledge of goods',
    'Giver | Ottilie Varnham',
    'Pledge number | PL-4711',
    'Given on | 14/03/2026',
  ]
  await put('pledge.pdf', await pdfOf(lines))
  await put('slip.pdf', await pdfOf(payslip('January', '30')))
  const words = ['--program', 'pledges.json', '--types', 'types.json', '--as-of', AS_OF, '--out', 'pledged']
  expect((await run(...words, 'pledge.pdf', 'slip.pdf')).code).toBe(0)
  const { documents, checklist } = await report('pledged')
  expect(documents.map((d) => d.type)).toEqual(['pledge', 'unknown'])
  expect(documents[0].fields.find((f) => f.name === 'pledge_number')?.value).toBe('PL-4711')
  expect(checklist).toMatchObject([{ requirement: 'pledge', status: 'satisfied' }])
}, 90_000)

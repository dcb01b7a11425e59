import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pdfOf } from '../../tests/support/papers.ts'
import type { Bookmark } from '../../core/receivers/index.ts'
import { joinDocuments } from './whole.ts'

let folder = ''
beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'jigsa-whole-test-'))))
afterEach(() => rmSync(folder, { recursive: true }))

const part = async (name: string, ...pages: string[][]) => {
  const path = join(folder, name)
  writeFileSync(path, await pdfOf(...pages))
  return path
}
interface Outline {
  title: string
  destpageposfrom1: number
  kids: Outline[]
}
const told = (path: string) =>
  JSON.parse(
    execFileSync('qpdf', ['--json=2', '--json-key=outlines', '--json-key=pagelabels', path], {
      encoding: 'utf8',
    }),
  ) as { outlines: Outline[]; pagelabels: { index: number; label: Record<string, unknown> }[] }
const shape = (all: readonly Outline[]): unknown[] =>
  all.map((o) => [o.title, o.destpageposfrom1, ...(o.kids.length > 0 ? [shape(o.kids)] : [])])

test('papers become one, with contents in front, bookmarks and page labels', async () => {
  const marks: Bookmark[] = [
    { title: 'Identity card', page: 1, below: [] },
    {
      title: 'Payslip',
      page: 2,
      below: [
        { title: 'Payslip January 2026', page: 2, below: [] },
        { title: 'Payslip Łódź', page: 4, below: [] },
      ],
    },
  ]
  const path = join(folder, 'whole.pdf')
  await joinDocuments(path, {
    title: 'MSM-26-004811',
    about: ['Ottilie Varnham'],
    parts: [
      await part('a.pdf', ['Card']),
      await part('b.pdf', ['January one'], ['January two']),
      await part('c.pdf', ['February']),
    ],
    marks,
  })
  execFileSync('qpdf', ['--check', path])
  const { outlines, pagelabels } = told(path)
  expect(shape(outlines)).toEqual([
    ['Identity card', 2],
    [
      'Payslip',
      3,
      [
        ['Payslip January 2026', 3],
        ['Payslip Łódź', 5],
      ],
    ],
  ])
  expect(pagelabels).toMatchObject([
    { index: 0, label: { '/S': '/r' } },
    { index: 1, label: { '/S': '/D' } },
  ])
  const text = execFileSync('pdftotext', ['-layout', path, '-'], { encoding: 'utf8' })
  expect(text).toMatch(/MSM-26-004811[\s\S]*Payslip January 2026\s+2[\s\S]*January one[\s\S]*February/)
})

test('contents of many papers take several pages, and bookmarks count behind them', async () => {
  const marks = Array.from({ length: 60 }, (_, i) => ({ title: `Paper ${i + 1}`, page: i + 1, below: [] }))
  const path = join(folder, 'whole.pdf')
  const parts = [await part('a.pdf', ...marks.map((m) => [m.title]))]
  await joinDocuments(path, { title: 'Many', about: [], parts, marks })
  expect(shape(told(path).outlines).at(-1)).toEqual(['Paper 60', 62])
})

import type { Document } from '../findings/document.ts'
import { fileNames } from './names.ts'

const named = (...labels: string[]): string[] => [
  ...fileNames(labels.map((label, i) => ({ id: `d${i}`, label }) as Document)).values(),
]

test('a file is called by its place and its label', () =>
  expect(named('Payslip January 2026', 'ID card')).toEqual(['01-Payslip-January-2026.pdf', '02-ID-card.pdf']))
test('accents, strokes and brackets are left to the paper', () =>
  expect(named('Relevé n° 4/2026 (2)')).toEqual(['01-Releve-n-4-2026-2.pdf']))
test('no two files of a package have one name', () => {
  const names = named(...Array.from({ length: 120 }, () => 'Payslip'))
  expect(new Set(names).size).toBe(120)
  expect([names[0], names[119]]).toEqual(['001-Payslip.pdf', '120-Payslip.pdf'])
})
test('a label without a letter still makes a name', () => expect(named('…')).toEqual(['01-.pdf']))

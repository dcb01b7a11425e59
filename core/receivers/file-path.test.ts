import fc from 'fast-check'
import { apart, plainLetters, safePath } from './file-path.ts'

test('signs that a file system forbids are replaced, and names that it keeps are none', () => {
  expect(safePath('a:b/c?*d. ')).toBe('a-b/c-d')
  expect(safePath('CON/nul.txt/aux')).toBe('_CON/_nul.txt/_aux')
  expect(safePath('../../etc/./passwd')).toBe('etc/passwd')
})

test('letters of other languages stay, or become plain ones', () => {
  expect(safePath('Zoë Ångström – 東京')).toBe('Zoë Ångström – 東京')
  expect(plainLetters('Zoë Ångström, Łódź, Straße')).toBe('Zoe Angstrom, Lodz, Strasse')
})

test('whatever a paper says, its path leads nowhere else and every file system takes it', () => {
  const bytes = (text: string) => new TextEncoder().encode(text).length
  fc.assert(
    fc.property(fc.string({ unit: 'binary', maxLength: 400 }), (said) => {
      const names = safePath(said).split('/')
      expect(names.every((n) => !/[<>:"|?*\\\p{Cc}]/u.test(n) && n !== '..' && n !== '.')).toBe(true)
      expect(names.every((n) => bytes(n) <= 121 && !/[ .]$/.test(n))).toBe(true)
    }),
  )
})

test('names that clash are told apart by a number, capitals or not', () =>
  expect(apart(['a/Payslip', 'a/payslip', 'b/Payslip'], '.pdf')).toEqual([
    'a/Payslip.pdf',
    'a/payslip (2).pdf',
    'b/Payslip.pdf',
  ]))

test('a number never takes the name of another', () => {
  const names = apart(['a', 'a (2)', 'a'], '.pdf')
  expect(new Set(names).size).toBe(3)
})

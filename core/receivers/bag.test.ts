import { bagFiles } from './index.ts'

const file = (path: string, size = 3) => ({ path, sha256: 'a'.repeat(64), size })
const about = { organisation: 'Merrow\nSound', identifier: 'MSM-1', senderIdentifier: '', day: '2026-04-10' }

test('a bag says its version, what it holds, and the digest of each file', () => {
  const { files, manifest, linesOf } = bagFiles([file('a.pdf'), file('b/c.pdf', 4)], about)
  const text = (path: string) => files.find((f) => f.path === path)!.text
  expect(text('bagit.txt')).toBe('BagIt-Version: 1.0\nTag-File-Character-Encoding: UTF-8\n')
  expect(text('manifest-sha256.txt')).toBe(`${'a'.repeat(64)}  data/a.pdf\n${'a'.repeat(64)}  data/b/c.pdf\n`)
  expect(text('bag-info.txt')).toContain('Payload-Oxum: 7.2\n')
  expect(text('bag-info.txt')).toContain('Source-Organization: Merrow Sound\n')
  expect(text('bag-info.txt')).not.toContain('Internal-Sender-Identifier')
  expect([manifest, linesOf([file('bagit.txt')])]).toEqual([
    'tagmanifest-sha256.txt',
    `${'a'.repeat(64)}  bagit.txt\n`,
  ])
})

test('a line break in a path is no second line', () =>
  expect(bagFiles([file('a\nb%.pdf')], about).files[2].text).toBe(`${'a'.repeat(64)}  data/a%0Ab%25.pdf\n`))

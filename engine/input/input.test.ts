import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { Readable } from 'node:stream'
import { join } from 'node:path'
import { degrees, PDFDocument, StandardFonts } from 'pdf-lib'
import sharp from 'sharp'
import { zip } from '../../tests/support/zip.ts'
import { Budget, LIMITS, type Limits } from './budget.ts'
import { expand } from './expand.ts'
import type { IncomingFile } from './incoming-file.ts'
import { kindOf } from './kind.ts'
import { wellFormed } from '../../core/text/index.ts'
import { openSource } from './source.ts'
import { UnusableFile } from './unusable-file.ts'

const noInk = () => false
async function pdf(lines: string[], turned = 0): Promise<Uint8Array> {
  const made = await PDFDocument.create()
  const font = await made.embedFont(StandardFonts.Helvetica)
  const page = made.addPage([595, 842])
  lines.forEach((line, i) => page.drawText(line, { x: 60, y: 780 - i * 20, size: 11, font }))
  page.setRotation(degrees(turned))
  return made.save()
}
const text = (value: string) => new TextEncoder().encode(value)
const unfolded = async (file: IncomingFile, budget?: Budget): Promise<IncomingFile[]> =>
  (await Readable.from(expand(file, budget)).toArray()) as IncomingFile[]
const locked = (bytes: Uint8Array, ...password: [string, string]): Uint8Array => {
  const folder = mkdtempSync(join(tmpdir(), 'jigsa-'))
  writeFileSync(join(folder, 'in.pdf'), bytes)
  execFileSync('qpdf', [
    '--encrypt',
    ...password,
    '256',
    '--',
    join(folder, 'in.pdf'),
    join(folder, 'out.pdf'),
  ])
  const out = new Uint8Array(readFileSync(join(folder, 'out.pdf')))
  rmSync(folder, { recursive: true })
  return out
}

describe('opening a file', () => {
  test('a PDF gives its words with places', async () => {
    const source = await openSource(await pdf(['Net pay 2,140.55', 'and a line more of it']))
    const page = await source.read(0, { wantsInk: noInk })
    expect(page.words.map((w) => w.text).slice(0, 3)).toEqual(['Net', 'pay', '2,140.55'])
    expect(page).toMatchObject({ source: 'text', rotation: 0, blank: false })
    for (const {
      box: [l, t, r, b],
    } of page.words)
      expect(l >= 0 && t >= 0 && r <= 1 && b <= 1 && l < r && t < b).toBe(true)
    source.close()
  })
  test('a page that is turned in its file is read upright', async () => {
    const source = await openSource(await pdf(['The first line of it', 'The second line of it'], 90))
    const page = await source.read(0, { wantsInk: noInk })
    expect(page.words[0].text).toBe('The')
    source.close()
  })
  test('a page of two words keeps them, and is not blank', async () => {
    const source = await openSource(await pdf(['Annex A']))
    const page = await source.read(0, { wantsInk: noInk })
    expect(page).toMatchObject({ source: 'text', blank: false })
    expect(page.words.map((w) => w.text)).toEqual(['Annex', 'A'])
    source.close()
  })
  test('an empty page is blank', async () => {
    const source = await openSource(await pdf([]))
    expect(await source.read(0, { wantsInk: noInk })).toMatchObject({ blank: true, words: [] })
    source.close()
  })
  test('a PDF locked with an empty password opens', async () => {
    const source = await openSource(locked(await pdf(['Open to everybody who looks']), '', 'owner'))
    expect((await source.read(0, { wantsInk: noInk })).words).toHaveLength(5)
    source.close()
  })
  test('pages are drawn upright at the width asked for', async () => {
    const source = await openSource(await pdf(['x']))
    expect(await sharp(await source.picture(0, 0, 150)).metadata()).toMatchObject({
      format: 'webp',
      width: 150,
    })
    source.close()
  })
  test.each<[string, () => Uint8Array | Promise<Uint8Array>, RegExp]>([
    ['an empty file', () => new Uint8Array(), /^The file is empty\.$/],
    ['a damaged PDF', () => text('%PDF-1.7\nnothing of use'), /^This PDF is damaged/],
    [
      'a locked PDF',
      async () => locked(await pdf(['secret']), 'secret', 'owner'),
      /^This PDF is locked with a password\.$/,
    ],
    ['a program', () => text('MZ and so on'), /^This is not a kind of file/],
    ['words under a PDF name', () => text('Dear all'), /^This is not a kind of file/],
  ])('%s is refused in one sentence', async (_, bytes, sentence) => {
    const opening = openSource(await bytes())
    await expect(opening).rejects.toThrow(UnusableFile)
    await expect(opening).rejects.toThrow(sentence)
  })
  test('the kind is told by content, rubbish before a PDF forgiven', async () => {
    expect(await kindOf(text(`junk\n%PDF-1.4`))).toBe('application/pdf')
    expect(await kindOf(text('From: a@b.example\r\nSubject: papers\r\n\r\nHello'))).toBe('message/rfc822')
    expect(
      await kindOf(
        await sharp({ create: { width: 8, height: 8, channels: 3, background: '#fff' } })
          .png()
          .toBuffer(),
      ),
    ).toBe('image/png')
  })
})

describe('text at the border', () => {
  test.each([
    ['a half of a pair', 'Net\ud800 pay', 'Net\ufffd pay'],
    ['the other half', '\udc00x', '\ufffdx'],
    ['a whole pair', 'x \ud83d\ude00', 'x \ud83d\ude00'],
    ['nothing that can be stored', 'a\0b', 'ab'],
  ])('%s', (_, given, kept) => expect(wellFormed(given)).toBe(kept))
})

describe('unfolding archives and messages', () => {
  test('files of an archive come out, hidden ones and folders do not', async () => {
    const bytes = await zip({
      'a.pdf': text('x'),
      'in/b.pdf': text('y'),
      '.hidden': text('z'),
      '__MACOSX/a.pdf': text('z'),
    })
    expect((await unfolded({ name: 'all.zip', bytes })).map((f) => f.name)).toEqual([
      'all.zip/a.pdf',
      'all.zip/in/b.pdf',
    ])
  })
  test('an archive in an archive comes out, one deeper does not', async () => {
    const one = await zip({ 'a.pdf': text('x') })
    const two = await zip({ 'one.zip': one })
    expect(await unfolded({ name: 'two.zip', bytes: two })).toHaveLength(1)
    await expect(unfolded({ name: 'three.zip', bytes: await zip({ 'two.zip': two }) })).rejects.toThrow(
      /nested too deeply/,
    )
  })
  test('a damaged archive is refused', async () => {
    const bytes = await zip({ 'a.pdf': text('x'.repeat(500)) })
    await expect(unfolded({ name: 'a.zip', bytes: bytes.slice(0, 60) })).rejects.toThrow(UnusableFile)
  })
  test('a message becomes a page, its attachments follow', async () => {
    const mail = [
      'From: Ottilie Varnham <o@islepost.example>',
      'To: papers@merrowsound.example',
      'Subject: My papers',
      'Date: Sat, 14 Mar 2026 10:00:00 +0000',
      'MIME-Version: 1.0',
      'Content-Type: multipart/mixed; boundary=b',
      '',
      '--b',
      'Content-Type: text/plain',
      '',
      'Here they are.',
      '--b',
      'Content-Type: application/pdf; name=pay.pdf',
      'Content-Disposition: attachment; filename=pay.pdf',
      'Content-Transfer-Encoding: base64',
      '',
      Buffer.from(await pdf(['Payslip'])).toString('base64'),
      '--b--',
      '',
    ].join('\r\n')
    const files = await unfolded({ name: 'mail.eml', bytes: text(mail) })
    expect(files.map((f) => f.name)).toEqual(['mail.eml/message.pdf', 'mail.eml/pay.pdf'])
    const source = await openSource(files[0].bytes)
    expect((await source.read(0, { wantsInk: noInk })).words.map((w) => w.text).join(' ')).toContain(
      'Subject: My papers',
    )
    source.close()
  })
  test('other files stay as they are', async () =>
    expect(await unfolded({ name: 'a.pdf', bytes: text('%PDF-') })).toHaveLength(1))
})

describe('what one upload may unfold to', () => {
  const most = (change: Partial<Limits>) => new Budget({ ...LIMITS, ...change })
  test('is counted over all archives in it, not for each apart', async () => {
    const inner = await zip(Object.fromEntries([...'abc'].map((n) => [`${n}.pdf`, text('x'.repeat(400))])))
    const outer = { name: 'o.zip', bytes: await zip({ '1.zip': inner, '2.zip': inner, '3.zip': inner }) }
    const whole = 9 * 400 + 3 * inner.length
    expect(await unfolded(outer, most({ bytes: whole, files: 12 }))).toHaveLength(9)
    await expect(unfolded(outer, most({ bytes: whole - 1 }))).rejects.toThrow(/more than can be taken in/)
    await expect(unfolded(outer, most({ files: 11 }))).rejects.toThrow(/more than can be taken in/)
  })
  test('ends before a bomb is unpacked: by what it says of its size, its share, or what really comes', async () => {
    const bomb = await zip({ 'a.pdf': new Uint8Array(12 * 1024 * 1024) })
    await expect(unfolded({ name: 'b.zip', bytes: bomb })).rejects.toThrow(/more than can be taken in/)
    expect(await unfolded({ name: 'b.zip', bytes: bomb }, most({ ratio: 2000 }))).toHaveLength(1)
    await expect(
      unfolded({ name: 'b.zip', bytes: bomb }, most({ ratio: 2000, bytesEach: 1e6 })),
    ).rejects.toThrow(/more than can be taken in/)
    const lying = Buffer.from(bomb)
    // The central directory says that the file is a byte long.
    lying.writeUInt32LE(1, lying.indexOf('PK\x01\x02', 0, 'latin1') + 24)
    await expect(unfolded({ name: 'b.zip', bytes: lying })).rejects.toThrow(/damaged/)
  })
  test('files come one at a time, and names of any length are cut', async () => {
    const bytes = await zip({ [`${'n'.repeat(5000)}.pdf`]: text('x'), 'b.pdf': text('y') })
    const [first] = await unfolded({ name: 'a.zip', bytes })
    expect(first.name.length).toBeLessThanOrEqual(240)
    expect(first.name).toMatch(/^a\.zip\/n+….*n\.pdf$/)
    for await (const one of expand({ name: 'a.zip', bytes })) {
      expect(new TextDecoder().decode(one.bytes)).toBe('x')
      break
    }
  })
  test('a message of any length is shown to so many lines', async () => {
    const mail = ['From: a@b.example', 'Subject: long', '', ...Array.from({ length: 6000 }, () => 'x')]
    const [message] = await unfolded({ name: 'm.eml', bytes: text(mail.join('\r\n')) })
    const source = await openSource(message.bytes)
    const last = await source.read(source.pages - 1, { wantsInk: noInk })
    expect(last.words.map((w) => w.text).join(' ')).toMatch(/and 10\d\d more lines/)
    source.close()
  })
})

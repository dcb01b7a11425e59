import { deflateSync } from 'node:zlib'
import { PDFDocument, PDFName, PDFString } from 'pdf-lib'
import { startMalwareScanner } from '../../standins/malware-scanner.ts'
import { activeContent } from './active.ts'
import { builtInScanner, instreamScanner, scannerOf, TEST_SIGNATURE } from './scanner.ts'
import { refuseMalware } from './screen.ts'

const bytes = (text: string) => new Uint8Array(Buffer.from(text, 'latin1'))

describe('malware', () => {
  test('the test file is caught, wherever it stands in a file', async () => {
    await expect(refuseMalware(bytes(TEST_SIGNATURE), builtInScanner)).rejects.toThrow(
      'Malware was found in this file (Eicar-Test-Signature); it was not opened.',
    )
    expect(await builtInScanner.scan(bytes(`%PDF-1.7 ${TEST_SIGNATURE}`))).toBe('Eicar-Test-Signature')
  })
  test('a harmless file passes', async () => expect(await builtInScanner.scan(bytes('%PDF-1.7'))).toBeNull())
  test('a scanner on the network is asked in chunks', async () => {
    const { port, stop } = await startMalwareScanner()
    const scanner = instreamScanner('127.0.0.1', port)
    expect(await scanner.scan(bytes(TEST_SIGNATURE))).toBe('Eicar-Test-Signature')
    expect(await scanner.scan(new Uint8Array(300_000))).toBeNull()
    expect(await scanner.scan(new Uint8Array(0))).toBeNull()
    await stop()
  })
  test('where nobody can look, that is no all-clear', async () => {
    const { port, stop } = await startMalwareScanner()
    await stop()
    await expect(instreamScanner('127.0.0.1', port).scan(bytes('x'))).rejects.toThrow()
  })
  test('the setting names the scanner', () => {
    expect(scannerOf('built-in')).toBe(builtInScanner)
    expect(scannerOf('clamd://scanner.example:3310')).not.toBe(builtInScanner)
  })
})

describe('active content', () => {
  const pdf = async (change: (document: PDFDocument) => void, packed: boolean) => {
    const document = await PDFDocument.create()
    document.addPage()
    change(document)
    return document.save({ useObjectStreams: packed })
  }
  const script = (d: PDFDocument) =>
    d.catalog.set(
      PDFName.of('OpenAction'),
      d.context.obj({ S: 'JavaScript', JS: PDFString.of('app.alert(1)') }),
    )
  test.each([false, true])('a script is told of (packed: %s)', async (packed) =>
    expect(await activeContent(await pdf(script, packed))).toEqual(['carries a script']),
  )
  test('a program to start', async () =>
    expect(
      await activeContent(
        await pdf(
          (d) =>
            d.catalog.set(PDFName.of('OpenAction'), d.context.obj({ S: 'Launch', F: PDFString.of('a.exe') })),
          false,
        ),
      ),
    ).toEqual(['wants to start a program']))
  test('a file inside', async () => {
    const document = await PDFDocument.create()
    document.addPage()
    await document.attach(bytes('hello'), 'note.txt')
    expect(await activeContent(await document.save())).toEqual(['carries other files inside'])
  })
  test('a name spelt with escapes is the same name', async () =>
    expect(await activeContent(bytes('%PDF-1.7\n1 0 obj<</S/Java#53cript>>endobj'))).toEqual([
      'carries a script',
    ]))
  test('words on a page are no script, and other kinds of files have none', async () => {
    expect(await activeContent(await pdf((d) => d.getPage(0).drawText('/JavaScript'), false))).toEqual([])
    expect(await activeContent(bytes('a text about /JavaScript'))).toEqual([])
  })

  const objects = (held: Uint8Array, words = 1) =>
    Buffer.concat([
      Buffer.from(`%PDF-1.7\n1 0 obj<<${'/Type/ObjStm'.repeat(words)}>>stream\n`, 'latin1'),
      deflateSync(held),
      Buffer.from('\nendstream endobj', 'latin1'),
    ])
  test('packed objects are unpacked once, however often their name is said before them', async () => {
    const before = process.memoryUsage().arrayBuffers
    const file = objects(Buffer.alloc(30 * 1024 * 1024, ' '), 300)
    expect(await activeContent(new Uint8Array(file))).toEqual([])
    expect(process.memoryUsage().arrayBuffers - before).toBeLessThan(200 * 1024 * 1024)
  })
  test('what packs more than is looked into is told of', async () => {
    const file = Buffer.concat([
      objects(Buffer.alloc(40 * 1024 * 1024)),
      objects(Buffer.alloc(40 * 1024 * 1024)),
    ])
    expect(await activeContent(new Uint8Array(file))).toEqual(['packs more than was looked into'])
  })
  test('a file of nothing but names of packed objects costs what its size does', async () =>
    expect(await activeContent(bytes(`%PDF-1.7\n${'/ObjStm stream '.repeat(60_000)}`))).toEqual([]))
})

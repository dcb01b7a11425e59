import { deflateRawSync, deflateSync, gzipSync } from 'node:zlib'
import { crc32 } from 'node:zlib'
import yazl from 'yazl'
import { buffer } from 'node:stream/consumers'
import { CATALOGUE, latin, line, ONE_PAGE, page, pdfOf, stream } from '../support/raw-pdf.ts'

/**
 * Files of people who mean no good, and of programs that mean well and write badly. Each is made here, small and the
 * same every time, so that none of them lies in the repository.
 */
export interface HostileFile {
  name: string
  /** What it tries. */
  about: string
  bytes: Uint8Array
}

const MB = 1024 * 1024

// PDF

const WORDS = line('Net pay 2,140.55 and a line more')

/** A text layer whose letters are mapped to half a pair of surrogates, and to NUL. */
function strangeLetters(): Buffer {
  const map = [
    '/CIDInit /ProcSet findresource begin 12 dict begin begincmap /CMapName /X def',
    '1 begincodespacerange <00> <ff> endcodespacerange',
    '2 beginbfchar <41> <D800> <42> <0000> endbfchar endcmap end end',
  ].join('\n')
  return page('BT /F 12 Tf 50 700 Td (ABAB ABBA and other words of it) Tj ET', {
    resources: '/Font << /F 6 0 R >>',
    objects: [
      '<< /Type /Font /Subtype /Type1 /BaseFont /Helvetica /ToUnicode 7 0 R >>',
      stream('', latin(map)),
    ],
  })
}

/** Streams that unpack to far more than they are, in a PDF that says to look into them. */
function packedObjects(): Buffer {
  const bomb = deflateSync(Buffer.alloc(60 * MB), { level: 9 })
  const words = latin('/ObjStm '.repeat(60_000))
  return pdfOf([
    CATALOGUE,
    ONE_PAGE,
    '<< /Type /Page /Parent 2 0 R /MediaBox [0 0 200 200] >>',
    ...Array.from({ length: 6 }, () => stream('/Type /ObjStm /N 1 /First 4 /Filter /FlateDecode', bomb)),
    stream('', words),
  ])
}

/** Filters one on the other, each unpacking to a thousand times its size. */
function filtersOnFilters(): Buffer {
  let bytes: Buffer = Buffer.alloc(200 * MB)
  let filters = 0
  while (filters < 3) {
    bytes = deflateSync(bytes, { level: 9 })
    filters++
  }
  return pdfOf([
    CATALOGUE,
    ONE_PAGE,
    '<< /Type /Page /Parent 2 0 R /MediaBox [0 0 595 842] /Contents 4 0 R >>',
    stream(`/Filter [${'/FlateDecode '.repeat(filters)}]`, bytes),
  ])
}

/** A form that draws itself, and pages whose parent is their child. */
const circles = (): [string, Buffer][] => [
  [
    'a form that draws itself',
    page('/X Do', {
      resources: '/XObject << /X 6 0 R >>',
      objects: [
        stream(
          '/Type /XObject /Subtype /Form /BBox [0 0 9 9] /Resources << /XObject << /X 6 0 R >> >>',
          latin('/X Do'),
        ),
      ],
    }),
  ],
  ['pages that are their own pages', pdfOf([CATALOGUE, '<< /Type /Pages /Kids [2 0 R 2 0 R] /Count 4 >>'])],
  ['a table that goes back to itself', Buffer.concat([page(WORDS), latin('startxref\n9\n%%EOF')])],
  [
    'a trailer whose table before it is itself',
    pdfOf([CATALOGUE, ONE_PAGE, '<< /Type /Page /Parent 2 0 R /MediaBox [0 0 9 9] >>'], '/Prev 9'),
  ],
]

/** Drawn so much and so finely that it takes for ever. */
const toil = (): [string, Buffer][] => [
  ['two million strokes', page(latin(`0.1 w ${'0 0 m 595 842 l S 595 0 m 0 842 l S '.repeat(1_000_000)}`))],
  [
    'a pattern of points over a huge page',
    page('/Pattern cs /P scn 0 0 14400 14400 re f', {
      box: '0 0 14400 14400',
      resources: '/Pattern << /P 6 0 R >>',
      objects: [
        stream(
          '/Type /Pattern /PatternType 1 /PaintType 1 /TilingType 1 /BBox [0 0 1 1] /XStep 0.5 /YStep 0.5 /Resources << >>',
          latin('0 0 0.2 0.2 re f'),
        ),
      ],
    }),
  ],
  [
    'five thousand fonts',
    page(`BT ${Array.from({ length: 5000 }, (_, i) => `/F${i} 9 Tf (x) Tj`).join(' ')} ET`, {
      resources: `/Font << ${Array.from({ length: 5000 }, (_, i) => `/F${i} 5 0 R`).join(' ')} >>`,
    }),
  ],
  ['ten thousand states that are never given back', page(`${'q '.repeat(200_000)}${WORDS}`)],
]

// Pictures

function chunk(kind: string, bytes: Buffer): Buffer {
  const body = Buffer.concat([latin(kind), bytes])
  const ends = Buffer.alloc(8)
  ends.writeUInt32BE(bytes.length, 0)
  ends.writeUInt32BE(crc32(body), 4)
  return Buffer.concat([ends.subarray(0, 4), body, ends.subarray(4)])
}

/** A PNG (ISO 15948) of one bit a dot, all black. */
function png(width: number, height: number): Buffer {
  const head = Buffer.alloc(13)
  head.writeUInt32BE(width, 0)
  head.writeUInt32BE(height, 4)
  head.set([1, 0, 0, 0, 0], 8)
  const row = 1 + Math.ceil(width / 8)
  const dots = deflateSync(Buffer.alloc(Math.min(row * height, 530 * MB)), { level: 9 })
  return Buffer.concat([
    Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]),
    chunk('IHDR', head),
    chunk('IDAT', dots),
    chunk('IEND', Buffer.alloc(0)),
  ])
}

/** A TIFF (6.0) of so many pages of one dot; `circle` has its last page followed by its first. */
function tiff(pages: number, circle = false): Buffer {
  const TAGS = 8
  const size = 2 + TAGS * 12 + 4
  const all = Buffer.alloc(8 + 1 + pages * size + 1)
  all.write('II*\0', 0, 'latin1')
  const first = 10
  all.writeUInt32LE(first, 4)
  for (let i = 0; i < pages; i++) {
    const at = first + i * size
    all.writeUInt16LE(TAGS, at)
    const tags = [256, 1, 257, 1, 258, 8, 259, 1, 262, 1, 273, 8, 278, 1, 279, 1]
    for (let t = 0; t < TAGS; t++) {
      const tag = at + 2 + t * 12
      all.writeUInt16LE(tags[2 * t], tag)
      all.writeUInt16LE(4, tag + 2)
      all.writeUInt32LE(1, tag + 4)
      all.writeUInt32LE(tags[2 * t + 1], tag + 8)
    }
    const next = i + 1 < pages ? at + size : circle ? first : 0
    all.writeUInt32LE(next, at + size - 4)
  }
  return all
}

/** A JPEG whose head says that it is huge, and that ends there. */
const jpegOf = (width: number, height: number): Buffer => {
  const frame = Buffer.from([0xff, 0xc0, 0, 11, 8, 0, 0, 0, 0, 1, 1, 0x11, 0])
  frame.writeUInt16BE(height, 5)
  frame.writeUInt16BE(width, 7)
  return Buffer.concat([Buffer.from([0xff, 0xd8]), frame, Buffer.from([0xff, 0xda, 0, 8, 1, 1, 0, 0, 63, 0])])
}

// Archives and messages

async function zipOf(files: readonly { name: string; bytes: Buffer }[]): Promise<Buffer> {
  const zip = new yazl.ZipFile()
  for (const { name, bytes } of files) zip.addBuffer(bytes, name)
  zip.end()
  return buffer(zip.outputStream)
}

/** A ZIP (APPNOTE) with one file under a name that no library would write. */
function zipNamed(name: Buffer, bytes: Buffer, saidSize = bytes.length): Buffer {
  const packed = deflateRawSync(bytes)
  const about = Buffer.alloc(26)
  about.writeUInt16LE(20, 0)
  about.writeUInt16LE(0x800, 2)
  about.writeUInt16LE(8, 4)
  about.writeUInt32LE(crc32(bytes), 10)
  about.writeUInt32LE(packed.length, 14)
  about.writeUInt32LE(saidSize, 18)
  about.writeUInt16LE(name.length, 22)
  const local = Buffer.concat([latin('PK\x03\x04'), about, name, packed])
  const rest = Buffer.alloc(14)
  const central = Buffer.concat([latin('PK\x01\x02'), Buffer.from([20, 0]), about, rest, name])
  const end = Buffer.alloc(18)
  end.writeUInt16LE(1, 4)
  end.writeUInt16LE(1, 6)
  end.writeUInt32LE(central.length, 8)
  end.writeUInt32LE(local.length, 12)
  return Buffer.concat([local, central, latin('PK\x05\x06'), end])
}

async function nested(inner: Buffer, depth: number, wide = 1): Promise<Buffer> {
  let now = inner
  for (let i = 0; i < depth; i++)
    now = await zipOf(Array.from({ length: wide }, (_, n) => ({ name: `inner-${n}.zip`, bytes: now })))
  return now
}

/** A message in a message in a message (RFC 5322, RFC 2046). */
function messageIn(depth: number): Buffer {
  let body = 'Content-Type: text/plain\r\n\r\nwords\r\n'
  for (let i = 0; i < depth; i++)
    body = `Content-Type: multipart/mixed; boundary="b${i}"\r\n\r\n--b${i}\r\nContent-Type: message/rfc822\r\n\r\nFrom: a@b.example\r\nSubject: ${i}\r\nMIME-Version: 1.0\r\n${body}\r\n--b${i}--\r\n`
  return latin(`From: a@b.example\r\nTo: c@d.example\r\nSubject: deep\r\nMIME-Version: 1.0\r\n${body}`)
}

function messageWith(attachments: number): Buffer {
  const parts = Array.from(
    { length: attachments },
    (_, i) =>
      `--b\r\nContent-Type: application/octet-stream\r\nContent-Disposition: attachment; filename="${i}.pdf"\r\n\r\nx\r\n`,
  )
  return latin(
    `From: a@b.example\r\nSubject: many\r\nMIME-Version: 1.0\r\nContent-Type: multipart/mixed; boundary="b"\r\n\r\n${parts.join('')}--b--\r\n`,
  )
}

/** All hostile files, one after the other: some are large before they are packed. */
export async function* hostileFiles(): AsyncGenerator<HostileFile> {
  const file = (name: string, about: string, bytes: Uint8Array): HostileFile => ({ name, about, bytes })
  yield file('empty.pdf', 'nothing at all', Buffer.alloc(0))
  yield file('one.bin', 'one byte', Buffer.from([7]))
  yield file(
    'noise.pdf',
    'noise under the name of a PDF',
    Buffer.from(Array.from({ length: 5000 }, (_, i) => (i * 7919 + (i >> 3)) & 255)),
  )
  yield file('head.pdf', 'the head of a PDF and nothing behind it', latin('%PDF-1.7\n'))
  yield file('half.pdf', 'half of a PDF', page(WORDS).subarray(0, 420))
  yield file('packed.gz', 'a kind that is not taken', gzipSync(Buffer.alloc(10 * MB)))
  yield file('page.html', 'a page of the web', latin('<script>alert(1)</script><h1>Payslip</h1>'))
  yield file('letters.pdf', 'letters that no store takes', strangeLetters())
  yield file('objects.pdf', 'packed objects that unpack to a thousand times their size', packedObjects())
  yield file('filters.pdf', 'filters on filters', filtersOnFilters())
  for (const [i, [about, bytes]] of circles().entries()) yield file(`circle-${i}.pdf`, about, bytes)
  for (const [i, [about, bytes]] of toil().entries()) yield file(`toil-${i}.pdf`, about, bytes)
  for (const inches of [30, 60, 200])
    yield file(
      `box-${inches}.pdf`,
      `a page of ${inches} inches`,
      page('0 0 20 20 re f', { box: `0 0 ${inches * 72} ${inches * 72}` }),
    )
  yield file('thin.pdf', 'a page without width', page(WORDS, { box: '0 0 0.0001 842' }))
  yield file('back.pdf', 'a page that is measured backwards', page(WORDS, { box: '595 842 0 0' }))
  yield file('far.pdf', 'a page as large as numbers go', page(WORDS, { box: '0 0 3e38 3e38' }))
  yield file('huge.png', 'a picture of 65,535 by 65,535 dots', png(65_535, 65_535))
  yield file('long.png', 'a picture of one row', png(900_000, 3))
  yield file('huge.jpg', 'a JPEG that says it is huge', jpegOf(65_500, 65_500))
  yield file('many.tiff', 'a TIFF of 100,000 pages', tiff(100_000))
  yield file('circle.tiff', 'a TIFF whose last page leads to its first', tiff(3, true))
  yield file(
    'bomb.zip',
    'a ZIP with a member of 270 MB',
    await zipOf([{ name: 'bomb.pdf', bytes: Buffer.alloc(270 * MB) }]),
  )
  yield file(
    'nest.zip',
    'twenty ZIPs of 40 MB in a ZIP',
    await zipOf(
      await Promise.all(
        Array.from({ length: 20 }, async (_, i) => ({
          name: `${i}.zip`,
          bytes: await zipOf([{ name: 'a.pdf', bytes: Buffer.alloc(40 * MB) }]),
        })),
      ),
    ),
  )
  yield file('deep.zip', 'a ZIP in a ZIP, forty deep', await nested(latin('words'), 40))
  yield file('wide.zip', 'ten ZIPs in each of ten ZIPs, six deep', await nested(latin('words'), 6, 10))
  yield file(
    'crowd.zip',
    'a ZIP of 20,000 files',
    await zipOf(Array.from({ length: 20_000 }, (_, i) => ({ name: `${i}.txt`, bytes: latin('x') }))),
  )
  yield file(
    'liar.zip',
    'a ZIP that says less than it unpacks to',
    zipNamed(latin('a.pdf'), Buffer.alloc(50 * MB), 10),
  )
  yield file('path.zip', 'a name that leads elsewhere', zipNamed(latin('../../../../etc/passwd'), latin('x')))
  yield file('name.zip', 'a name of 5,000 signs', zipNamed(latin(`${'n'.repeat(5000)}.pdf`), page(WORDS)))
  yield file(
    'signs.zip',
    'a name of signs that turn, end and part',
    zipNamed(Buffer.from('a\u202efdp.\0\n\ud800é.pdf', 'utf8'), page(WORDS)),
  )
  yield file('deep.eml', 'a message in a message, 200 deep', messageIn(200))
  yield file('many.eml', 'a message with 3,000 attachments', messageWith(3000))
}

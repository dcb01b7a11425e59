export const latin = (text: string): Buffer => Buffer.from(text, 'latin1')

/** A PDF (ISO 32000-1) of these objects, the first of them its catalogue, with a table of where each stands. */
export function pdfOf(objects: readonly (string | Buffer)[], trailer = ''): Buffer {
  const parts: Buffer[] = [latin('%PDF-1.7\n')]
  const places: number[] = []
  let at = parts[0].length
  objects.forEach((object, i) => {
    const whole = Buffer.concat([
      latin(`${i + 1} 0 obj\n`),
      Buffer.from(object as Buffer),
      latin('\nendobj\n'),
    ])
    places.push(at)
    at += whole.length
    parts.push(whole)
  })
  const rows = places.map((place) => `${String(place).padStart(10, '0')} 00000 n \n`).join('')
  parts.push(
    latin(
      `xref\n0 ${objects.length + 1}\n0000000000 65535 f \n${rows}trailer\n<< /Size ${objects.length + 1} /Root 1 0 R ${trailer} >>\nstartxref\n${at}\n%%EOF\n`,
    ),
  )
  return Buffer.concat(parts)
}

export const stream = (head: string, bytes: Buffer): Buffer =>
  Buffer.concat([latin(`<< ${head} /Length ${bytes.length} >>\nstream\n`), bytes, latin('\nendstream')])

export const CATALOGUE = '<< /Type /Catalog /Pages 2 0 R >>'
export const ONE_PAGE = '<< /Type /Pages /Kids [3 0 R] /Count 1 >>'
export const HELVETICA = '<< /Type /Font /Subtype /Type1 /BaseFont /Helvetica >>'

/** A PDF of one page with this content, and what else it needs. */
export const page = (
  content: string | Buffer,
  more: {
    box?: string
    pages?: string
    besides?: string
    resources?: string
    objects?: (string | Buffer)[]
  } = {},
): Buffer =>
  pdfOf([
    CATALOGUE,
    more.pages ?? ONE_PAGE,
    `<< /Type /Page /Parent 2 0 R /MediaBox [${more.box ?? '0 0 595 842'}] /Contents 4 0 R /Resources << ${more.resources ?? '/Font << /F 5 0 R >>'} >> ${more.besides ?? ''} >>`,
    stream('', Buffer.isBuffer(content) ? content : latin(content)),
    HELVETICA,
    ...(more.objects ?? []),
  ])

/** A line of text as the content of a page. */
export const line = (text: string): string => `BT /F 12 Tf 50 700 Td (${text}) Tj ET`

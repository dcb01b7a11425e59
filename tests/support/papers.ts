import { PDFDocument, StandardFonts } from 'pdf-lib'

/** A PDF with these lines on its pages, as a person's word processor would make it. */
export async function pdfOf(...pages: readonly (readonly string[])[]): Promise<Uint8Array> {
  const pdf = await PDFDocument.create()
  const font = await pdf.embedFont(StandardFonts.Helvetica)
  for (const lines of pages) {
    const page = pdf.addPage([595, 842])
    lines.forEach((line, i) =>
      line
        .split(' | ')
        .forEach((text, column) =>
          page.drawText(text, { x: 50 + column * 220, y: 780 - i * 18, size: i === 0 ? 15 : 10, font }),
        ),
    )
  }
  return pdf.save()
}

export const payslip = (month: string, day: string, pay = '2,140.55'): string[] => [
  'Payslip',
  'Petrel Slipways Ltd',
  'Employee | Ottilie Varnham',
  `Pay period | ${month} 2026`,
  `Pay date | ${day} ${month} 2026`,
  'Gross pay | 2,755.00',
  `Net pay | ${pay}`,
  'Year to date gross | 2,755.00',
  'National number | 140380-2211',
]
/** The identity card of whoever the payslips are of. */
export const identityCard = (number = 'MR1234567'): string[] => [
  'Identity card',
  'Surname and given names | Varnham Ottilie',
  'Nationality | Merrow',
  'Sex | F',
  'Date of birth | 14 March 1980',
  `Document number | ${number}`,
  'Date of issue | 2 May 2022',
  'Date of expiry | 2 May 2032',
  'Authority | Merrow Harbour Registry',
  'Holder signature',
]
export const stray = [
  'Saltholm Choir: autumn evenings',
  'Rehearsals are on Thursdays at half past seven in the net loft.',
  'Tea is brought by Group B in October.',
]

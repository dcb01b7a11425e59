import type { Browser } from '@playwright/test'
import { PDFDocument } from 'pdf-lib'
import { CHROMIUM } from '../../chromium.ts'
import type { Drawn } from '../../truth.ts'
import type { Facts } from '../facts.ts'

/**
 * Papers set by a browser: text flows, kerns and is placed by another program than the one that draws the
 * other sets, so that readers are not tuned on one program's habits. Needs Debian's Chromium, hence only
 * `./jigsa corpus` draws them.
 */
let browser: Promise<Browser> | null = null

export const closePrinter = async (): Promise<void> => {
  await (await browser)?.close()
  browser = null
}

/** Text as HTML shows it. */
export const esc = (text: string): string => text.replace(/&/g, '&amp;').replace(/</g, '&lt;')

/** Prints HTML on A4; `.page` begins a new page. */
export async function print(
  type: string,
  facts: Facts,
  css: string,
  html: string,
  signed: boolean | null = null,
): Promise<Drawn> {
  browser ??= import('@playwright/test').then(({ chromium }) => chromium.launch(CHROMIUM))
  const page = await (await browser).newPage()
  await page.setContent(
    '<style>@page{size:A4;margin:0}*{box-sizing:border-box}body{margin:0;font:10pt Lato;' +
      'color:#222}.page{width:210mm;height:296mm;padding:16mm;break-after:page;position:relative;' +
      'overflow:hidden}.page:last-child{break-after:auto}.r{text-align:right}' +
      'table{border-collapse:collapse;width:100%}.foot{position:absolute;bottom:9mm;left:16mm;' +
      `right:16mm;font-size:7pt;color:#777}${css}</style>${html}`,
  )
  const bytes = await page.pdf({
    format: 'A4',
    printBackground: true,
    margin: { top: '0', bottom: '0', left: '0', right: '0' },
  })
  await page.close()
  return {
    type,
    bytes,
    pages: (await PDFDocument.load(bytes)).getPageCount(),
    signed,
    fields: facts.truth.fields,
  }
}

/** A signature by hand, as curves. */
export function scrawl(x: (low: number, high: number) => number): string {
  let [path, at] = ['M4 30', 4]
  for (let i = 0; i < 7; i++) {
    path += ` q ${x(4, 9)} ${-x(14, 30)} ${x(10, 16)} ${x(-8, 8)} t ${x(4, 8)} ${x(2, 9)}`
    at += 20
  }
  return (
    `<svg width="${at + 40}" height="44" style="overflow:visible">` +
    `<path d="${path}" fill="none" stroke="#1c2f7a" stroke-width="1.7" stroke-linecap="round"/></svg>`
  )
}

import { PDFDocument } from 'pdf-lib'
import sharp from 'sharp'
import { Pdf } from '../engine/pdf/pdfium.ts'
import type { Dice } from './dice.ts'

/** How a paper came through the scanner. */
export type ScanQuality = 'light' | 'bad'

/** A PDF printed, handled and scanned: pictures of its pages with lean, noise, blur and JPEG, and no text. */
export async function scanPdf(
  bytes: Uint8Array,
  quality: ScanQuality,
  dice: Dice,
  turns: readonly (0 | 90 | 180 | 270)[] = [],
): Promise<Uint8Array> {
  const source = await Pdf.open(bytes)
  const out = await PDFDocument.create()
  const dpi = quality === 'light' ? 200 : dice.pick([150, 170, 200])
  for (let i = 0; i < source.pages; i++) {
    const { width, height, data } = source.renderColour(i, dpi)
    const lean = quality === 'light' ? (dice.next() - 0.5) * 1.6 : (dice.next() - 0.5) * 5
    let picture = sharp(data, { raw: { width, height, channels: 4 } })
      .removeAlpha()
      .greyscale()
      .rotate(lean, { background: '#ffffff' })
    picture = sharp(await picture.png({ compressionLevel: 1 }).toBuffer())
    const blur = quality === 'light' ? 0.4 : 0.6 + dice.next() * 0.5
    picture =
      quality === 'light'
        ? picture.linear(0.93, 10)
        : picture.linear(0.62 + dice.next() * 0.2, 40 + dice.int(0, 20))
    picture = picture.blur(blur)
    const { data: grey, info } = await picture
      .greyscale()
      .extractChannel(0)
      .raw()
      .toBuffer({ resolveWithObject: true })
    const strength = quality === 'light' ? 7 : 24
    for (let k = 0; k < grey.length; k++)
      grey[k] = Math.max(0, Math.min(255, grey[k] + (dice.next() + dice.next() - 1) * strength))
    if (quality === 'bad') speckle(grey, info.width, info.height, dice)
    const turn = turns[i] ?? 0
    // A page fed in turned needs the opposite turn to come upright again.
    const jpeg = await sharp(grey, { raw: { width: info.width, height: info.height, channels: 1 } })
      .rotate((360 - turn) % 360)
      .jpeg({ quality: quality === 'light' ? 78 : 45 })
      .toBuffer({ resolveWithObject: true })
    const image = await out.embedJpg(jpeg.data)
    const page = out.addPage([(jpeg.info.width / dpi) * 72, (jpeg.info.height / dpi) * 72])
    page.drawImage(image, { x: 0, y: 0, width: page.getWidth(), height: page.getHeight() })
  }
  source.close()
  return out.save()
}

function speckle(grey: Uint8Array, width: number, height: number, dice: Dice): void {
  for (let n = 0; n < 160; n++) {
    const [x, y, r] = [dice.int(2, width - 3), dice.int(2, height - 3), dice.int(0, 1)]
    for (let dy = -r; dy <= r; dy++)
      for (let dx = -r; dx <= r; dx++) grey[(y + dy) * width + x + dx] = dice.int(20, 110)
  }
}

/** Photographs of a paper, a JPEG for each page: it lies on a table, a little askew, lit from one side. */
export async function photographs(bytes: Uint8Array, dice: Dice): Promise<Uint8Array[]> {
  const source = await Pdf.open(bytes)
  const pictures: Uint8Array[] = []
  for (let i = 0; i < source.pages; i++) {
    const { width, height, data } = source.renderColour(i, PHOTO_DPI)
    const table = { r: dice.int(70, 110), g: dice.int(52, 80), b: dice.int(38, 60) }
    const margin = dice.int(50, 110)
    const laid = await sharp(data, { raw: { width, height, channels: 4 } })
      .flatten({ background: '#ffffff' })
      .rotate((dice.next() - 0.5) * 5, { background: table })
      .extend({ top: margin, bottom: margin, left: margin, right: margin, background: table })
      .removeAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true })
    const { width: wide, height: high } = laid.info
    const [lightX, lightY] = [dice.next(), dice.next()]
    for (let y = 0; y < high; y++)
      for (let x = 0; x < wide; x++) {
        const light = 1 - 0.22 * Math.hypot(x / wide - lightX, y / high - lightY)
        const grain = (dice.next() - 0.5) * 9
        const at = (y * wide + x) * 3
        for (let c = 0; c < 3; c++)
          laid.data[at + c] = Math.max(0, Math.min(255, laid.data[at + c] * light * 0.96 + grain))
      }
    pictures.push(
      await sharp(laid.data, { raw: { width: wide, height: high, channels: 3 } })
        .blur(0.5)
        .jpeg({ quality: 82 })
        .toBuffer(),
    )
  }
  source.close()
  return pictures
}

const PHOTO_DPI = 170

import type { Page, Rotation, Word } from '../../core/page/page.ts'
import { turned, type Grey } from '../picture/grey.ts'
import { inkGrid, measure, reduce } from '../picture/measure.ts'
import { withoutRules } from '../picture/rules.ts'
import { straighten } from '../picture/straighten.ts'
import { orientation, recognise } from './tesseract.ts'

/** What a picture of a page yields. */
export type ScanReading = Pick<Page, 'words' | 'lean' | 'rotation' | 'blank' | 'ink' | 'poor'>

/** Dark share below which a page without words is blank. */
const BLANK = 0.0025

/**
 * Reads a picture of a page: put upright and straight, then recognised. Most pages are recognised once; only where the
 * reading makes no sense is orientation looked into and the page read a second time.
 */
export async function readScan(picture: Grey, dpi: number): Promise<ScanReading> {
  const measures = measure(picture)
  if (measures.dark < 0.0004 || measures.contrast < 12) return { words: [], lean: 0, rotation: 0, blank: true, ink: null, poor: null }
  let rotation: Rotation = 0
  if (measures.sideways) rotation = (await orientation(picture, dpi))?.rotation ?? 90
  let reading = await readUpright(picture, rotation, dpi, measures.sideways && rotation % 180 !== 90 ? 0 : measures.skew)
  if (sense(reading.words) < 0.62) {
    const seen = await orientation(picture, dpi)
    const other: Rotation = seen && seen.rotation !== rotation ? seen.rotation : (((rotation + 180) % 360) as Rotation)
    if ((seen && seen.rotation !== rotation) || sense(reading.words) < 0.4) {
      const again = await readUpright(picture, other, dpi, measures.skew)
      if (sense(again.words) > sense(reading.words) + 0.04) {
        reading = again
        rotation = other
      }
    }
  }
  const blank = measures.dark < BLANK && reading.words.filter((w) => w.sure > 0.5 && /[\p{L}\d]{2}/u.test(w.text)).length < 2
  const upright = turned(reduce(picture, 1500), rotation)
  return { words: blank ? [] : reading.words, lean: measures.skew, rotation, blank, ink: blank ? null : inkGrid(upright), poor: blank ? null : weakness(reading.words, measures) }
}

async function readUpright(picture: Grey, rotation: Rotation, dpi: number, skew: number): Promise<{ words: Word[] }> {
  const { picture: straight, back } = await straighten(turned(picture, rotation), skew)
  const words = await recognise(withoutRules(straight, dpi), dpi)
  return { words: words.map((w) => ({ ...w, box: back(w.box) })) }
}

/** Mean sureness over letters: near 0.9 on fair print, below 0.5 on print upside down. */
function sense(words: readonly Word[]): number {
  let sum = 0
  let letters = 0
  for (const word of words) {
    const n = word.text.length
    sum += word.sure * n * (/^[\p{L}\d.,:;()€/'-]+$/u.test(word.text) ? 1 : 0.4)
    letters += n
  }
  return letters < 8 ? 0.3 : sum / letters
}

function weakness(words: readonly Word[], { paper, contrast }: { paper: number; contrast: number }): string | null {
  const good = sense(words)
  if (good >= 0.72) return null
  if (paper < 120) return 'too dark'
  if (contrast < 60) return 'too faint'
  return good < 0.5 ? 'blurred or badly printed' : 'weak print'
}

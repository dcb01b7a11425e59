import { languageOf } from '../../core/lexicon/index.ts'
import type { Page, Rotation, Word } from '../../core/model/index.ts'
import { stretchContrast } from '../image/contrast.ts'
import { fullestStrip, turned, type Grey } from '../image/greyscale.ts'
import { inkGrid, measure, reduce } from '../image/measure.ts'
import { removeRuledLines } from '../image/ruled-lines.ts'
import { straighten } from '../image/straighten.ts'
import { readBarcodes } from './barcodes.ts'
import { isLowQuality } from '../../core/ocr/index.ts'
import { recogniseWithBoth } from './merge-engines.ts'
import { retryLowConfidence } from './retry-low-confidence.ts'
import { recognise } from './tesseract.ts'

/** What a picture of a page yields. */
export type ScanReading = Pick<
  Page,
  'words' | 'skew' | 'rotation' | 'blank' | 'ink' | 'codes' | 'language' | 'qualityProblem'
>

/** Dark share below which a page without words is blank. */
const BLANK = 0.0025

/**
 * Reads a picture of a page: put upright and straight, then recognised. Most pages are recognised once; only
 * where the reading makes no sense is the way it lies looked into and the page read a second time.
 * @param said how a person says that it lies: nothing is then looked into
 */
export async function readScan(picture: Grey, dpi: number, said?: Rotation): Promise<ScanReading> {
  const measures = measure(picture)
  if (measures.dark < 0.0004 || measures.contrast < 12)
    return { words: [], skew: 0, rotation: said ?? 0, blank: true, ink: null, qualityProblem: null }
  let rotation: Rotation = said ?? (measures.sideways ? await likeliest(picture, [90, 270], dpi) : 0)
  // The lean was measured along the lines that were taken for text.
  let lean = (rotation % 180 === 90) === measures.sideways ? measures.skew : measures.skewOtherwise
  let reading = await readUpright(picture, rotation, dpi, lean)
  if (said === undefined && sense(reading.words) < SENSE) {
    // A card on an empty sheet has too few lines to tell by them which way they run.
    const anyWay = measures.sideways || sense(reading.words) < LITTLE_SENSE || areScraps(reading.words)
    const other = await likeliest(picture, anyWay ? [0, 180, 90, 270] : [rotation, opposite(rotation)], dpi)
    if (other !== rotation) {
      const leaning = (other % 180 === 90) === measures.sideways ? measures.skew : measures.skewOtherwise
      const again = await readUpright(picture, other, dpi, leaning)
      if (sense(again.words) > sense(reading.words) + 0.04) {
        reading = again
        rotation = other
        lean = leaning
      }
    }
  }
  // Where print is poor, one model's guesses are no better than its training: the English one is asked beside
  // the French.
  if (weakness(reading.words, measures) !== null)
    reading = await readUpright(picture, rotation, dpi, lean, POOR_LANGUAGES)
  // Spanish has letters that the French model does not know.
  if (languageOf(reading.words) === 'es') reading = await readUpright(picture, rotation, dpi, lean, SPANISH)
  const again = await reading.again()
  const poor = weakness(again.words, measures)
  reading = {
    ...reading,
    words:
      again.passedOver || isLowQuality({ words: again.words, qualityProblem: poor })
        ? await reading.both(again.words)
        : again.words,
  }
  const blank =
    measures.dark < BLANK &&
    reading.words.filter((w) => w.confidence > 0.5 && /[\p{L}\d]{2}/u.test(w.text)).length < 2
  const upright = turned(picture, rotation)
  const ink = blank ? null : inkGrid(reduce(upright, 1500))
  const codes = ink
    ? await readBarcodes(
        upright,
        reading.words.filter((w) => w.confidence > 0.5 && /[\p{L}\d]{3}/u.test(w.text)).length,
        ink,
      )
    : []
  return {
    words: blank ? [] : reading.words,
    skew: lean,
    rotation,
    blank,
    ink,
    ...(codes.length > 0 ? { codes } : {}),
    ...languageIn(reading.words),
    qualityProblem: blank
      ? null
      : (weakness(reading.words, measures) ?? (isCutOff(reading.words) ? 'cut off at its edge' : null)),
  }
}

/** What a page of poor print is read with. */
const POOR_LANGUAGES = 'fra+eng'
const SPANISH = 'spa'

/** A page read with less sense than this may lie upside down; with much less, any way. */
const SENSE = 0.62
const LITTLE_SENSE = 0.4

const opposite = (rotation: Rotation): Rotation => ((rotation + 180) % 360) as Rotation

/** How the page likely lies, by reading its fullest strip each way: a fifth of the cost of reading the page. */
async function likeliest(picture: Grey, ways: readonly Rotation[], dpi: number): Promise<Rotation> {
  const strips = new Map<boolean, Grey>()
  let best: { way: Rotation; sense: number } = { way: ways[0], sense: -1 }
  for (const way of ways) {
    const across = way % 180 === 90
    let strip = strips.get(across)
    if (!strip) strips.set(across, (strip = fullestStrip(turned(picture, across ? 90 : 0))))
    const words = await recognise(turned(strip, way >= 180 ? 180 : 0), dpi)
    // A strip that a card lies beside says nothing, and must not win over one that says a little.
    const found = lettersIn(words) < FEW_LETTERS ? 0 : sense(words)
    if (found > best.sense) best = { way, sense: found }
  }
  return best.way
}

/** A page read one way up. */
interface Reading {
  words: Word[]
  /** The words after a second look at the weak ones; where that fails they stay weak, and are asked about. */
  again: () => ReturnType<typeof retryLowConfidence>
  /** These words put together with what the second reader sees on the whole page; where it fails they stay. */
  both: (words: readonly Word[]) => Promise<Word[]>
}

async function readUpright(
  picture: Grey,
  rotation: Rotation,
  dpi: number,
  skew: number,
  languages?: string,
): Promise<Reading> {
  const upright = turned(picture, rotation)
  const { picture: straight, back, forth } = straighten(stretchContrast(upright), skew)
  const cleared = removeRuledLines(straight, dpi)
  const found = await recognise(cleared.picture, dpi, { languages })
  const onPage = (words: readonly Word[]) => words.map((w) => ({ ...w, box: back(cleared.back(w.box)) }))
  // The second reader is given the page as it came: what helps the first on print takes strokes from handwriting.
  const both = async (words: readonly Word[]): Promise<Word[]> => {
    try {
      const seen = await recogniseWithBoth(
        straighten(upright, skew).picture,
        words.map((w) => ({ ...w, box: forth(w.box) })),
      )
      return seen.map((w) => ({ ...w, box: back(w.box) }))
    } catch (error) {
      process.emitWarning(`a poor page could not be read by the second reader: ${String(error)}`)
      return [...words]
    }
  }
  return {
    words: onPage(found),
    both,
    again: async () => {
      const seen = await retryLowConfidence(cleared.picture, found, dpi).catch((error: unknown) => {
        process.emitWarning(`weak places of a page could not be read again: ${String(error)}`)
        return { words: found, passedOver: false }
      })
      return { ...seen, words: onPage(seen.words) }
    },
  }
}

/** Mean sureness over letters: near 0.9 on fair print, below 0.5 on print upside down. */
function sense(words: readonly Word[]): number {
  let sum = 0
  let letters = 0
  for (const word of words) {
    const n = word.text.length
    sum += word.confidence * n * (/^[\p{L}\d.,:;()\p{Sc}/'-]+$/u.test(word.text) ? 1 : 0.4)
    letters += n
  }
  return letters < FEW_LETTERS ? 0.3 : sum / letters
}

/** Of print lying across the page single letters are all that is read, some of them surely. */
const SCRAPS = 0.35
const areScraps = (words: readonly Word[]): boolean =>
  words.filter((w) => /[\p{L}\d]{3}/u.test(w.text)).length < words.length * SCRAPS

/** Fewer letters make no sense and no nonsense. */
const FEW_LETTERS = 8
const lettersIn = (words: readonly Word[]): number => words.reduce((sum, w) => sum + w.text.length, 0)

/** The language as a page keeps it; no word of it where it is not plain. */
export function languageIn(words: readonly Word[]): Pick<Page, 'language'> {
  const language = languageOf(words)
  return language ? { language } : {}
}

/** Shares of the page: print this near its edge was cut by it. */
const EDGE = 0.004
/** So many words at one edge are lines that go on beyond it; a page number or a stain is one. */
const CUT_WORDS = 5

function isCutOff(words: readonly Word[]): boolean {
  const print = words.filter((w) => w.confidence > 0.5 && /[\p{L}\d]{2}/u.test(w.text))
  return (
    print.filter((w) => w.box[0] < EDGE).length >= CUT_WORDS ||
    print.filter((w) => w.box[2] > 1 - EDGE).length >= CUT_WORDS
  )
}

function weakness(
  words: readonly Word[],
  { paper, contrast }: { paper: number; contrast: number },
): string | null {
  const good = sense(words)
  if (good >= 0.72) return null
  if (paper < 120) return 'too dark'
  if (contrast < 60) return 'too faint'
  return good < 0.5 ? 'blurred or badly printed' : 'weak print'
}

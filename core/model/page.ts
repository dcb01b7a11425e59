import type { Box, Rotation } from './geometry.ts'
import type { InkGrid } from './ink-grid.ts'
import type { Language } from '../lexicon/index.ts'
import { type Locale, NEUTRAL } from '../locale/index.ts'

/** One word as read, with its place and how sure the reader is of every letter in it (0 to 1). */
export interface Word {
  text: string
  box: Box
  confidence: number
  /** Read by the second reader alone: handwriting, or print too poor for the first. */
  hand?: true
  /** Both readers looked at it and do not agree. */
  disputed?: true
}

/** A mark on a page with a text layer that may be a pen's: `drawn` as a line, or else a picture that may be one. */
export interface PenMark {
  box: Box
  drawn: boolean
}

/** A barcode or a square code on a page, as its standard names it ("Code128", "QRCode"). */
export interface PageCode {
  format: string
  text: string
  box: Box
}

/** Where the words of a page come from. */
export type PageSource = 'text' | 'ocr' | 'mixed' | 'none'

/** A page as the readers leave it: all that the later stages know of it. Everything in it is of the upright page. */
export interface Page {
  /** 1-based over the whole package. */
  number: number
  file: string
  /** 1-based in its file. */
  filePage: number
  /** In points (1/72 inch). */
  width: number
  height: number
  rotation: Rotation
  source: PageSource
  blank: boolean
  separator: boolean
  words: Word[]
  /**
   * Degrees that the lines lean on the upright page, clockwise; scans are read straightened, but shown as
   * they came.
   */
  skew: number
  /** Where dark marks lie; only measured on pages that ask for ink (a signature) and on scans. */
  ink: InkGrid | null
  /** Marks that a page with a text layer carries besides; a scan shows them as ink alone. */
  pens?: PenMark[]
  codes?: PageCode[]
  /** How its paper writes amounts and days; told once it is known what paper it is of. */
  locale?: Locale
  /** What its small words are of, where that is plain. */
  language?: Language
  /** Why the page is hard to read, null where it is fair. */
  qualityProblem: string | null
  /** The case that a cover sheet filed it to; it is in no document here. */
  filedTo?: string
  /** Its doubtful places were looked at by the second reader; once is enough. */
  regionsRetried?: true
}

/** How the paper of a page writes amounts and days. */
export const localeOf = (page: Page): Locale => page.locale ?? NEUTRAL

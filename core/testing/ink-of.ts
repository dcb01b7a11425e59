import { packInk, type InkGrid } from '../model/ink-grid.ts'

/** The ink of a page from a rule of where it is dark, for tests and examples: 200 cells across, 283 down. */
export const inkOf = (dark: (x: number, y: number) => boolean): InkGrid =>
  packInk(
    200,
    283,
    Uint8Array.from({ length: 200 * 283 }, (_, i) => (dark(i % 200, Math.floor(i / 200)) ? 220 : 0)),
  )

/** Paper without ink. */
export const none = (): boolean => false

import { UnusableFile } from './unusable-file.ts'

/** What may come out of one upload, whatever lies in what. */
export interface Limits {
  files: number
  /** Of all files together. */
  bytes: number
  /** Of each file. */
  bytesEach: number
  /** Archives in archives, messages in messages. */
  depth: number
  /** How many times its packed size a file may unfold to, once it is large. */
  ratio: number
}

export const LIMITS: Limits = {
  files: 200,
  bytes: 400 * 1024 * 1024,
  bytesEach: 100 * 1024 * 1024,
  depth: 1,
  ratio: 200,
}

/** Files smaller than this may be packed as tightly as they like: forms without a picture are. */
const LARGE = 10 * 1024 * 1024

/**
 * What is left of the limits of one upload. It is carried through all that lies in it: limits for each archive apart
 * let a few hundred bytes unfold to any size.
 */
export class Budget {
  private files = 0
  private bytes = 0

  constructor(readonly limits: Limits = LIMITS) {}

  /** @throws UnusableFile where an archive or a message lies deeper than is looked */
  enter(depth: number, what: 'archive' | 'message'): void {
    if (depth > this.limits.depth) throw new UnusableFile(`This ${what} is nested too deeply.`)
  }

  /**
   * Takes one file that is about to come out; `packed` is its size in the archive.
   * @throws UnusableFile before a byte of it is unpacked
   */
  take(bytes: number, packed = bytes): void {
    this.files++
    this.bytes += bytes
    const { limits } = this
    const bomb = bytes > LARGE && bytes > packed * limits.ratio
    if (this.files > limits.files || this.bytes > limits.bytes || bytes > limits.bytesEach || bomb)
      throw new UnusableFile('This archive unfolds to more than can be taken in.')
  }
}

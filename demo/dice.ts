/**
 * A repeatable source of chance: the same seed throws the same dice. Source: Mulberry32, Tommy Ettinger,
 * public domain.
 */
export class Dice {
  private state: number

  constructor(seed: number) {
    this.state = seed >>> 0
  }

  /** From 0 up to, not including, 1. */
  next(): number {
    this.state = (this.state + 0x6d2b79f5) >>> 0
    let t = this.state
    t = Math.imul(t ^ (t >>> 15), t | 1)
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61)
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }

  /** A whole number from `low` to `high`, both included. */
  int = (low: number, high: number): number => low + Math.floor(this.next() * (high - low + 1))
  chance = (p: number): boolean => this.next() < p
  pick = <T>(items: readonly T[]): T => items[this.int(0, items.length - 1)]
  digits = (n: number): string => Array.from({ length: n }, () => this.int(0, 9)).join('')

  shuffle<T>(items: readonly T[]): T[] {
    const out = [...items]
    for (let i = out.length - 1; i > 0; i--) {
      const j = this.int(0, i)
      ;[out[i], out[j]] = [out[j], out[i]]
    }
    return out
  }
}

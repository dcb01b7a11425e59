const BINS = 10
const WIDE = 40

/**
 * Draws how often what is said to be so sure is right: a row for each tenth, a bar as long as it was right, a
 * mark where its mean sureness lies. Where bar and mark end together, the probabilities are honest.
 */
export function drawCalibration(pairs: readonly (readonly [sure: number, right: boolean])[]): string[] {
  return Array.from({ length: BINS }, (_, bin) => {
    const inside = pairs.filter(([p]) => Math.min(BINS - 1, Math.floor(p * BINS)) === bin)
    const name = `${(bin / BINS).toFixed(1)}–${((bin + 1) / BINS).toFixed(1)}`
    if (inside.length === 0) return `${name}  ${''.padEnd(WIDE + 1)}      –`
    const right = inside.filter(([, r]) => r).length / inside.length
    const meant = inside.reduce((sum, [p]) => sum + p, 0) / inside.length
    const bar = '█'
      .repeat(Math.round(right * WIDE))
      .padEnd(WIDE + 1)
      .split('')
    bar[Math.round(meant * WIDE)] = '│'
    return `${name}  ${bar.join('')} ${right.toFixed(2)} of ${inside.length}`
  })
}

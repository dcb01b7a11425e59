/**
 * How many answers are kept of one question: papers repeat their words without end, what is remembered of
 * them must not grow likewise.
 */
const MOST = 20_000

/**
 * A pure function of a text that remembers its answers. The same labels, days and firms stand on page after
 * page, and are asked about by field after field. An answer is shared: it must not be changed by whoever gets
 * it.
 */
export function memoize<T>(work: (text: string) => T): (text: string) => T {
  const known = new Map<string, T>()
  return (text) => {
    let answer = known.get(text)
    if (answer === undefined) {
      answer = work(text)
      if (known.size >= MOST) known.clear()
      known.set(text, answer)
    }
    return answer
  }
}

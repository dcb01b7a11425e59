/** Whether an amount in cents, as read, is another with its first digits lost. */
export const isTruncated = (read: number, meant: number): boolean =>
  String(Math.abs(meant)).length > String(Math.abs(read)).length &&
  String(Math.abs(meant)).endsWith(String(Math.abs(read)))

/**
 * Whether a slip in reading explains that an amount in cents was read for another: one figure taken for
 * another, or some lost in front. A fair reader takes no two figures for others, so what is two figures off
 * is what the paper says.
 */
export function isDigitSlip(read: number, meant: number): boolean {
  const [a, b] = [String(Math.abs(read)), String(Math.abs(meant))]
  const others = a.length === b.length ? [...a].filter((figure, i) => figure !== b[i]).length : Infinity
  return others <= 1 || isTruncated(read, meant) || isTruncated(meant, read)
}

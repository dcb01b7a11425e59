import { shareOf, type Looks } from './link.ts'
import type { Piece } from './split.ts'

/** A stretch of pages whose own numbering says which part of a document it is. */
interface Part {
  piece: Piece
  of: number
  /** Printed numbers of its pages, in the order of the pages. */
  numbers: number[]
  looks: Looks[]
}

/** As sure as a document can be that was put together from pages that lay apart. */
const REUNITED = 0.93
/** Share of the words in the heads or feet of two pages that shows them to be of one make. */
const ALIKE = 0.5

/**
 * Puts documents together that lie in pieces: a page 2 of 3 that lies elsewhere belongs to the one document that lacks
 * it and looks like it, and pages in the wrong order go by their numbers. Where two documents could claim a piece, or
 * nothing but the number speaks for it, it stays alone and is asked about.
 */
export function reunite(pieces: readonly Piece[], looksOf: (page: number) => Looks): Piece[] {
  const parts = new Map<Piece, Part>()
  for (const piece of pieces) {
    const part = partOf(piece, piece.pages.map(looksOf))
    if (part) parts.set(piece, part)
  }
  const gone = new Set<Piece>()
  const grown = new Map<Piece, Part>()
  for (const piece of pieces) {
    const part = parts.get(piece)
    if (!part || part.numbers.includes(1)) continue
    const takers = [...parts.values()].map((p) => grown.get(p.piece) ?? p).filter((p) => p.piece !== piece && !gone.has(p.piece) && p.numbers.includes(1) && lacks(p, part) && alike(p, part))
    if (takers.length !== 1) continue
    const [taker] = takers
    grown.set(taker.piece, { ...taker, numbers: [...taker.numbers, ...part.numbers], looks: [...taker.looks, ...part.looks] })
    gone.add(piece)
  }
  return pieces.filter((p) => !gone.has(p)).map((piece) => {
    const whole = grown.get(piece) ?? parts.get(piece)
    return whole ? inOrder(piece, whole, grown.has(piece)) : piece
  })
}

function partOf(piece: Piece, looks: Looks[]): Part | null {
  const printed = looks.map((l) => l.numbering)
  const of = printed[0]?.of ?? null
  if (of === null || of < 2 || printed.some((n) => n === null || n.of !== of)) return null
  const numbers = printed.map((n) => n!.page)
  return new Set(numbers).size === numbers.length ? { piece, of, numbers, looks } : null
}

const lacks = (whole: Part, part: Part): boolean => whole.of === part.of && part.numbers.every((n) => !whole.numbers.includes(n))

/** The same account or case on both, or heads and feet of one make on pages of one size. */
function alike(a: Part, b: Part): boolean {
  const codes = new Set(a.looks.flatMap((l) => [...l.codes]))
  if (b.looks.some((l) => [...l.codes].some((c) => codes.has(c)))) return true
  const [x, y] = [a.looks[0], b.looks[0]]
  const sized = Math.abs(x.page.width - y.page.width) < 8 && x.page.source === y.page.source
  return sized && a.looks.some((l) => shareOf(l.head, y.head) >= ALIKE || (shareOf(l.foot, y.foot) >= ALIKE && a.piece.type === b.piece.type))
}

function inOrder(piece: Piece, { numbers, looks }: Part, put: boolean): Piece {
  const pages = looks.map((l, i) => ({ page: l.page.number, at: numbers[i] })).sort((a, b) => a.at - b.at).map((p) => p.page)
  if (!put) return pages.every((p, i) => p === piece.pages[i]) ? piece : { ...piece, pages }
  return { ...piece, pages, confidence: Math.min(piece.confidence, REUNITED), types: piece.types.map((t) => (t.type === piece.type ? { ...t, confidence: Math.min(t.confidence, REUNITED) } : t)) }
}

import { meets } from './carried-balance.ts'
import { sameLook, shareOf, type PageFeatures } from './page-links.ts'
import type { Piece } from './piece.ts'

/** A stretch of pages whose own numbering says which part of a document it is. */
interface Part {
  piece: Piece
  of: number
  /** Printed numbers of its pages, in the order of the pages. */
  numbers: number[]
  looks: PageFeatures[]
  /** Went with a document of another make for want of its own: whether it may be of a type instead. */
  stray?: (type: string) => boolean
}

/** As sure as a document can be that was put together from pages that lay apart. */
const REUNITED = 0.93
/** Share of the words in the heads or feet of two pages that shows them to be of one make. */
const ALIKE = 0.5

/**
 * Puts documents together that lie in pieces: a page 2 of 3 that lies elsewhere belongs to the one document
 * that lacks it and looks like it, and pages in the wrong order go by their numbers. Where two documents
 * could claim a piece, or nothing but the number speaks for it, it stays alone and is asked about.
 * @param speaksFor whether what stands on a page, looked at alone, is that of a type
 */
export function mergeFragments(
  pieces: readonly Piece[],
  looksOf: (page: number) => PageFeatures,
  speaksFor: (page: number, type: string) => boolean,
): Piece[] {
  const parts = new Map<Piece, Part>()
  for (const piece of pieces) {
    const part = partOf(piece, piece.pages.map(looksOf))
    if (part) parts.set(piece, part)
  }
  const gone = new Set<Piece>()
  const grown = new Map<Piece, Part>()
  /** The one document that lacks these pages and looks like them. */
  const takerOf = (part: Part): Part | null => {
    const takers = [...parts.values()]
      .map((p) => grown.get(p.piece) ?? p)
      .filter(
        (p) =>
          p.piece !== part.piece &&
          !gone.has(p.piece) &&
          p.numbers.includes(1) &&
          lacks(p, part) &&
          alike(p, part),
      )
    return takers.length === 1 ? takers[0] : null
  }
  const give = (taker: Part, part: Part) =>
    grown.set(taker.piece, {
      ...taker,
      numbers: [...taker.numbers, ...part.numbers],
      looks: [...taker.looks, ...part.looks],
    })
  for (const piece of pieces) {
    const part = parts.get(piece)
    if (!part || part.numbers.includes(1)) continue
    const taker = takerOf(part)
    if (!taker) continue
    give(taker, part)
    gone.add(piece)
  }
  const trimmed = new Map<Piece, Piece>()
  for (const piece of pieces) {
    if (gone.has(piece) || grown.has(piece)) continue
    const tail = strayTail(piece, piece.pages.map(looksOf), speaksFor)
    const taker = tail && takerOf(tail)
    if (!taker) continue
    give(taker, tail)
    trimmed.set(piece, {
      ...piece,
      pages: piece.pages.slice(0, -tail.numbers.length),
      confidence: Math.min(piece.confidence, REUNITED),
    })
  }
  return pieces
    .filter((p) => !gone.has(p))
    .map((piece) => {
      const short = trimmed.get(piece)
      if (short) return short
      const whole = grown.get(piece) ?? parts.get(piece)
      return whole ? inOrder(piece, whole, grown.has(piece)) : piece
    })
}

/**
 * The last page of a piece, where its number cannot be the next one of that document: it is there already,
 * counts another total, or follows pages of another make. Such a page went with the document before it for
 * want of a better.
 */
function strayTail(
  piece: Piece,
  looks: PageFeatures[],
  speaksFor: (page: number, type: string) => boolean,
): Part | null {
  const last = looks.at(-1)!
  const { numbering } = last
  if (looks.length < 2 || !numbering || numbering.of === null || numbering.of < 2 || numbering.page === 1)
    return null
  const before = looks.slice(0, -1)
  const numbered = before.flatMap((l) => (l.numbering ? [l.numbering] : []))
  const contradicts =
    numbered.length > 0
      ? numbered.some((n) => n.of !== numbering.of || n.page === numbering.page)
      : !before.some((l) => sameMake(l, last))
  return contradicts
    ? {
        piece,
        of: numbering.of,
        numbers: [numbering.page],
        looks: [last],
        stray: (type) => speaksFor(last.page.number, type),
      }
    : null
}

function partOf(piece: Piece, looks: PageFeatures[]): Part | null {
  const printed = looks.map((l) => l.numbering)
  const of = printed[0]?.of ?? null
  if (of === null || of < 2 || printed.some((n) => n === null || n.of !== of)) return null
  const numbers = printed.map((n) => n!.page)
  return new Set(numbers).size === numbers.length ? { piece, of, numbers, looks } : null
}

const lacks = (whole: Part, part: Part): boolean =>
  whole.of === part.of && part.numbers.every((n) => !whole.numbers.includes(n))

const sharesCode = (a: PageFeatures, b: PageFeatures): boolean => [...b.codes].some((c) => a.codes.has(c))
const sameMake = (a: PageFeatures, b: PageFeatures): boolean =>
  sharesCode(a, b) || shareOf(a.head, b.head) >= ALIKE

/**
 * The same account or case on both, or a balance that runs on to the cent, or heads and feet of one make on
 * pages of one size, or one type set in one hand.
 */
function alike(a: Part, b: Part): boolean {
  if (a.looks.some((x) => b.looks.some((y) => sharesCode(x, y) || meets(x.carried, y.carried.from))))
    return true
  const [x, y] = [a.looks[0], b.looks[0]]
  const sized = Math.abs(x.page.width - y.page.width) < 8 && x.page.source === y.page.source
  const oneType =
    a.piece.type !== 'unknown' && (b.stray ? b.stray(a.piece.type) : a.piece.type === b.piece.type)
  return (
    sized &&
    a.looks.some(
      (l) =>
        shareOf(l.head, y.head) >= ALIKE || (oneType && (shareOf(l.foot, y.foot) >= ALIKE || sameLook(l, y))),
    )
  )
}

function inOrder(piece: Piece, { numbers, looks }: Part, put: boolean): Piece {
  const pages = looks
    .map((l, i) => ({ page: l.page.number, at: numbers[i] }))
    .sort((a, b) => a.at - b.at)
    .map((p) => p.page)
  if (!put) return pages.every((p, i) => p === piece.pages[i]) ? piece : { ...piece, pages }
  return {
    ...piece,
    pages,
    confidence: Math.min(piece.confidence, REUNITED),
    types: piece.types.map((t) =>
      t.type === piece.type ? { ...t, confidence: Math.min(t.confidence, REUNITED) } : t,
    ),
  }
}

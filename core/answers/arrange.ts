import type { Answer } from './answer.ts'
import type { Doubt, Piece } from '../classification/index.ts'

/** A document after people's cuts, moves and types; what nobody touched is as the machine cut it. */
export interface Arranged {
  pages: number[]
  type: string
  confidence: number
  types: { type: string; confidence: number }[]
  cutBefore: number
  doubts?: Doubt[]
  contested?: string
  /** A person said the type. */
  typeSaid: boolean
  /** A person said that it begins here. */
  cutSaid: boolean
  /** A person chose the pages that follow the first. */
  joinsSaid: Set<number>
}

/**
 * Applies people's answers on cuts, moves and types to the machine's pieces. Emptied documents are gone.
 * @param outside pages in no piece, blanks and sheets between papers: like those set aside, they can be moved
 * into a document
 */
export function arrange(
  pieces: readonly Piece[],
  answers: readonly Answer[],
  outside: Iterable<number> = [],
): Arranged[] {
  let documents: Arranged[] = pieces.map((p) => ({
    ...p,
    pages: [...p.pages],
    typeSaid: false,
    cutSaid: false,
    joinsSaid: new Set<number>(),
  }))
  const aside = new Set<number>(outside)
  const holding = (page: number) => documents.findIndex((d) => d.pages.includes(page))
  for (const answer of answers) {
    if (answer.kind === 'type') {
      const at = holding(answer.page)
      if (at >= 0) documents[at] = { ...documents[at], type: answer.type, typeSaid: true }
    } else if (answer.kind === 'cut') {
      const at = holding(answer.page)
      if (at < 0) continue
      documents = answer.begins ? cut(documents, at, answer.page) : join(documents, at, answer.page)
    } else if (answer.kind === 'aside') {
      documents = documents
        .map((d) => ({ ...d, pages: d.pages.filter((p) => !answer.pages.includes(p)) }))
        .filter((d) => d.pages.length > 0)
      for (const page of answer.pages) aside.add(page)
    } else if (answer.kind === 'move') {
      documents = move(
        documents,
        answer.pages.filter((p) => holding(p) >= 0 || aside.has(p)),
        answer.behind,
      )
      for (const page of answer.pages) if (holding(page) >= 0) aside.delete(page)
    }
  }
  return documents
}

/** Doubts on beginnings inside a document that nobody has settled. */
export const openDoubts = ({ pages, doubts = [], joinsSaid }: Arranged): Doubt[] =>
  doubts.filter((d) => pages.indexOf(d.page) > 0 && !joinsSaid.has(d.page))

function cut(documents: Arranged[], at: number, page: number): Arranged[] {
  const whole = documents[at]
  const place = whole.pages.indexOf(page)
  if (place === 0) return documents.with(at, { ...whole, cutSaid: true })
  const head = { ...whole, pages: whole.pages.slice(0, place) }
  const tail = {
    ...whole,
    pages: whole.pages.slice(place),
    cutSaid: true,
    typeSaid: false,
    joinsSaid: new Set(whole.joinsSaid),
  }
  return documents.toSpliced(at, 1, head, tail)
}

function join(documents: Arranged[], at: number, page: number): Arranged[] {
  const tail = documents[at]
  if (tail.pages[0] !== page)
    return documents.with(at, { ...tail, joinsSaid: new Set([...tail.joinsSaid, page]) })
  if (at === 0) return documents
  const head = documents[at - 1]
  const joined = {
    ...head,
    pages: [...head.pages, ...tail.pages],
    joinsSaid: new Set([...head.joinsSaid, ...tail.joinsSaid, page]),
  }
  return documents.toSpliced(at - 1, 2, joined)
}

function move(documents: Arranged[], pages: number[], behind: number | null): Arranged[] {
  if (pages.length === 0 || (behind !== null && pages.includes(behind))) return documents
  const sourceAt = documents.findIndex((d) => d.pages.includes(pages[0]))
  const source = documents[sourceAt] ?? BROUGHT_BACK
  const lifted = documents.map((d) => ({ ...d, pages: d.pages.filter((p) => !pages.includes(p)) }))
  if (behind === null)
    lifted.splice(sourceAt >= 0 ? sourceAt + 1 : inPlace(pages[0], lifted), 0, {
      ...source,
      pages,
      cutSaid: true,
      typeSaid: false,
      joinsSaid: new Set(pages.slice(1)),
    })
  else {
    const target = lifted.findIndex((d) => d.pages.includes(behind))
    if (target < 0) return documents
    const into = lifted[target]
    lifted[target] = {
      ...into,
      pages: into.pages.toSpliced(into.pages.indexOf(behind) + 1, 0, ...pages),
      joinsSaid: new Set([...into.joinsSaid, ...pages]),
    }
  }
  return lifted.filter((d) => d.pages.length > 0)
}

/** What is known of pages that were in no document: nothing. */
const BROUGHT_BACK: Arranged = {
  pages: [],
  type: 'unknown',
  confidence: 0.5,
  types: [],
  cutBefore: 1,
  typeSaid: false,
  cutSaid: true,
  joinsSaid: new Set(),
}

/** Where a page that was in no document comes back: before the first document that begins behind it. */
function inPlace(page: number, documents: readonly Arranged[]): number {
  const at = documents.findIndex((d) => d.pages.length > 0 && d.pages[0] > page)
  return at < 0 ? documents.length : at
}

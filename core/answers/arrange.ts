import type { Piece } from '../split/split.ts'
import type { Answer } from './answer.ts'

/** A document after people's cuts, moves and types; what nobody touched is as the machine cut it. */
export interface Arranged {
  pages: number[]
  type: string
  confidence: number
  types: { type: string; confidence: number }[]
  cutBefore: number
  /** A person said the type. */
  typeSaid: boolean
  /** A person said that it begins here. */
  cutSaid: boolean
  /** A person chose the pages that follow the first. */
  joinsSaid: Set<number>
}

/** Applies people's answers on cuts, moves and types to the machine's pieces. Emptied documents are gone. */
export function arrange(pieces: readonly Piece[], answers: readonly Answer[]): Arranged[] {
  let documents: Arranged[] = pieces.map((p) => ({ ...p, pages: [...p.pages], typeSaid: false, cutSaid: false, joinsSaid: new Set<number>() }))
  const holding = (page: number) => documents.findIndex((d) => d.pages.includes(page))
  for (const answer of answers) {
    if (answer.kind === 'type') {
      const at = holding(answer.page)
      if (at >= 0) documents[at] = { ...documents[at], type: answer.type, typeSaid: true }
    } else if (answer.kind === 'cut') {
      const at = holding(answer.page)
      if (at < 0) continue
      documents = answer.begins ? cut(documents, at, answer.page) : join(documents, at, answer.page)
    } else if (answer.kind === 'move') documents = move(documents, answer.pages.filter((p) => holding(p) >= 0), answer.behind)
  }
  return documents
}

function cut(documents: Arranged[], at: number, page: number): Arranged[] {
  const whole = documents[at]
  const place = whole.pages.indexOf(page)
  if (place === 0) return documents.with(at, { ...whole, cutSaid: true })
  const head = { ...whole, pages: whole.pages.slice(0, place) }
  const tail = { ...whole, pages: whole.pages.slice(place), cutSaid: true, typeSaid: false, joinsSaid: new Set(whole.joinsSaid) }
  return documents.toSpliced(at, 1, head, tail)
}

function join(documents: Arranged[], at: number, page: number): Arranged[] {
  const tail = documents[at]
  if (tail.pages[0] !== page) return documents.with(at, { ...tail, joinsSaid: new Set([...tail.joinsSaid, page]) })
  if (at === 0) return documents
  const head = documents[at - 1]
  const joined = { ...head, pages: [...head.pages, ...tail.pages], joinsSaid: new Set([...head.joinsSaid, ...tail.joinsSaid, page]) }
  return documents.toSpliced(at - 1, 2, joined)
}

function move(documents: Arranged[], pages: number[], behind: number | null): Arranged[] {
  if (pages.length === 0 || (behind !== null && pages.includes(behind))) return documents
  const source = documents.find((d) => d.pages.includes(pages[0]))!
  const sourceAt = documents.indexOf(source)
  const lifted = documents.map((d) => ({ ...d, pages: d.pages.filter((p) => !pages.includes(p)) }))
  if (behind === null) lifted.splice(sourceAt + 1, 0, { ...source, pages, cutSaid: true, typeSaid: false, joinsSaid: new Set(pages.slice(1)) })
  else {
    const target = lifted.findIndex((d) => d.pages.includes(behind))
    if (target < 0) return documents
    const into = lifted[target]
    lifted[target] = { ...into, pages: into.pages.toSpliced(into.pages.indexOf(behind) + 1, 0, ...pages), joinsSaid: new Set([...into.joinsSaid, ...pages]) }
  }
  return lifted.filter((d) => d.pages.length > 0)
}

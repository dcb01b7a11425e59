import type { Answer } from './answer.ts'
import { arrange, openDoubts } from './arrange.ts'
import type { Piece } from '../classification/piece.ts'

const piece = (type: string, ...pages: number[]): Piece => ({
  pages,
  type,
  confidence: 0.9,
  types: [{ type, confidence: 0.9 }],
  cutBefore: 0.95,
})
const pieces = [piece('loan_application', 1, 2, 3), piece('payslip', 4), piece('bank_statement', 5, 6)]
const after = (...answers: Answer[]) => arrange(pieces, answers)
const pagesOf = (documents: { pages: number[] }[]) => documents.map((d) => d.pages)
const cut = (page: number, begins = true): Answer => ({ kind: 'cut', page, begins })
const move = (behind: number | null, ...pages: number[]): Answer => ({ kind: 'move', pages, behind })

test('what nobody touched is as the machine cut it', () =>
  expect(pagesOf(after())).toEqual([[1, 2, 3], [4], [5, 6]]))
describe('cuts', () => {
  test('a cut parts a document; its tail has a beginning that a person said, and a type that nobody did', () => {
    const [head, tail] = after({ kind: 'type', page: 1, type: 'cover_letter' }, cut(3))
    expect([head.pages, tail.pages]).toEqual([[1, 2], [3]])
    expect([head.typeSaid, tail.typeSaid, tail.cutSaid]).toEqual([true, false, true])
  })
  test('to say that a document begins where it does settles it and moves nothing', () => {
    const [, slip] = after(cut(4))
    expect([slip.pages, slip.cutSaid]).toEqual([[4], true])
  })
  test('a document joined to the one before takes its type', () => {
    const [first, last] = after(cut(4, false))
    expect([first.pages, first.type, last.pages]).toEqual([[1, 2, 3, 4], 'loan_application', [5, 6]])
  })
  test('the first page joins nothing, and a page inside a document that goes on is no longer in doubt', () => {
    expect(pagesOf(after(cut(1, false)))).toEqual([[1, 2, 3], [4], [5, 6]])
    const doubted = {
      ...pieces[0],
      doubts: [
        { page: 2, chance: 0.4 },
        { page: 3, chance: 0.3 },
      ],
    }
    const [document] = arrange([doubted], [cut(2, false)])
    expect(openDoubts(document).map((d) => d.page)).toEqual([3])
  })
  test('a cut and its opposite leave the pages as they were', () =>
    expect(pagesOf(after(cut(2), cut(2, false)))).toEqual([[1, 2, 3], [4], [5, 6]]))
})
describe('moves', () => {
  test('pages go behind another, in the order they are named', () =>
    expect(pagesOf(after(move(5, 3, 2)))).toEqual([[1], [4], [5, 3, 2, 6]]))
  test('an emptied document is gone', () =>
    expect(pagesOf(after(move(6, 4)))).toEqual([
      [1, 2, 3],
      [5, 6, 4],
    ]))
  test('pages on their own stand behind what they came from', () => {
    const documents = after(move(null, 2))
    expect(pagesOf(documents)).toEqual([[1, 3], [2], [4], [5, 6]])
    expect(documents[1].cutSaid).toBe(true)
  })
  test('behind a page that is moved itself, or that is nowhere, nothing goes', () => {
    expect(pagesOf(after(move(2, 2, 3)))).toEqual([[1, 2, 3], [4], [5, 6]])
    expect(pagesOf(after(move(99, 4)))).toEqual([[1, 2, 3], [4], [5, 6]])
  })
})
describe('pages in no document', () => {
  test('what is set aside is gone, and comes back where it is moved', () => {
    expect(pagesOf(after({ kind: 'aside', pages: [4, 6] }))).toEqual([[1, 2, 3], [5]])
    expect(pagesOf(after({ kind: 'aside', pages: [4, 6] }, move(3, 6)))).toEqual([[1, 2, 3, 6], [5]])
  })
  test('brought back on its own it is of no known type, before what begins behind it', () => {
    const documents = after({ kind: 'aside', pages: [4] }, move(null, 4))
    expect(pagesOf(documents)).toEqual([[1, 2, 3], [4], [5, 6]])
    expect(documents[1].type).toBe('unknown')
  })
  test('a blank back can be put into a document, a page of no package cannot', () => {
    expect(pagesOf(arrange(pieces, [move(4, 7)], [7]))).toEqual([
      [1, 2, 3],
      [4, 7],
      [5, 6],
    ])
    expect(pagesOf(arrange(pieces, [move(4, 8)], [7]))).toEqual([[1, 2, 3], [4], [5, 6]])
  })
})
test('an answer on a page that is in no document says nothing', () =>
  expect(after({ kind: 'type', page: 42, type: 'payslip' }).every((d) => !d.typeSaid)).toBe(true))
test('the pieces themselves are never changed', () => {
  const before = structuredClone(pieces)
  after(cut(2), move(5, 1), { kind: 'aside', pages: [6] })
  expect(pieces).toEqual(before)
})

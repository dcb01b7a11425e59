import { usableText } from '../dossier/index.ts'
import type { Document } from '../findings/index.ts'
import type { DocumentType } from '../program/index.ts'
import { typeName } from './file-names.ts'
import type { Receiver } from './receiver.ts'

/** A bookmark of a PDF of all papers: a page from 1, and those below it. */
export interface Bookmark {
  title: string
  page: number
  below: Bookmark[]
}

/** Whom a paper is from: the first firm or office that its type has it name; null where it names none surely. */
function issuerOf(document: Document, types: readonly DocumentType[]): string | null {
  const fields = types.find((t) => t.id === document.type)?.fields ?? []
  for (const { name, kind } of fields)
    if (kind === 'org') {
      const said = usableText(document, name)
      if (said) return said
    }
  return null
}

/** Bookmarks of papers one behind the other: by kind, and by whom they are from where a kind is from several. */
export function outlineOf(
  documents: readonly Document[],
  receiver: Receiver,
  types: readonly DocumentType[],
  first = 1,
): Bookmark[] {
  let page = first
  const placed = documents.map((document) => {
    const at = page
    page += document.pages.length
    return { at, document, kind: typeName(receiver, types, document.type), issuer: issuerOf(document, types) }
  })
  const leaf = ({ at, document }: (typeof placed)[number]): Bookmark => ({
    title: document.label,
    page: at,
    below: [],
  })
  return groups(placed, (p) => p.kind).map(({ key, of }) => {
    const issuers = groups(of, (p) => p.issuer ?? '')
    const below =
      issuers.length > 1 && issuers.length < of.length
        ? issuers.flatMap((i) =>
            i.key === '' ? i.of.map(leaf) : [{ title: i.key, page: i.of[0].at, below: i.of.map(leaf) }],
          )
        : of.map(leaf)
    return of.length === 1 ? leaf(of[0]) : { title: key, page: of[0].at, below }
  })
}

/** Things that share a key, in the order in which keys come first. */
function groups<T>(all: readonly T[], keyOf: (one: T) => string): { key: string; of: T[] }[] {
  const found = new Map<string, T[]>()
  for (const one of all) found.set(keyOf(one), [...(found.get(keyOf(one)) ?? []), one])
  return [...found].map(([key, of]) => ({ key, of }))
}

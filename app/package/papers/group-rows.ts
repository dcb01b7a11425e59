import type { Document } from '../../../core/findings/index.ts'

/**
 * Dots of the screen: a page's tile with the gap behind it, what a group has around its tiles, and the gap
 * between groups.
 */
export const TILE = { wide: 74, high: 122 }
const FRAME = { wide: 12, high: 32 }
export const GAP = 16
/** Pages of a document that stand side by side at most. */
const ACROSS = 12
/** A name is read at this width a letter, and is cut off beyond the widest. */
const LETTER = 7
const NAME_AROUND = 26
const [NARROWEST, WIDEST_NAME] = [86, 440]

/** A document's group of pages, as wide as it will be drawn. */
export interface Group {
  document: Document
  width: number
}

/** Groups that stand side by side, and about how high they are. */
export interface GroupRow {
  groups: Group[]
  height: number
}

/**
 * Documents put in rows as they fit, in their order: known before anything is drawn, so that of a package of
 * hundreds of pages only what is on the screen need be.
 * @param width of the table, in dots of the screen
 * @param noted how many letters stand behind a document's name
 */
export function rowsOf(
  documents: readonly Document[],
  width: number,
  noted: (document: Document) => number,
): GroupRow[] {
  const rows: GroupRow[] = []
  let room = 0
  for (const document of documents) {
    const name = Math.min(WIDEST_NAME, (document.label.length + noted(document)) * LETTER + NAME_AROUND)
    const wanted = Math.max(NARROWEST, Math.min(ACROSS, document.pages.length) * TILE.wide + FRAME.wide, name)
    const group: Group = { document, width: Math.min(width, wanted) }
    const across = Math.max(1, Math.floor((group.width - FRAME.wide) / TILE.wide))
    const height = Math.ceil(document.pages.length / across) * TILE.high + FRAME.high
    const row = rows.at(-1)
    if (row && room >= group.width + GAP) {
      row.groups.push(group)
      row.height = Math.max(row.height, height)
      room -= group.width + GAP
    } else {
      rows.push({ groups: [group], height })
      room = width - group.width
    }
  }
  return rows
}

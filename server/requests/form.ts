import { readFile } from 'node:fs/promises'
import { inArray, and, eq } from 'drizzle-orm'
import { database } from '../database/connection.ts'
import { pages } from '../database/schema.ts'
import { DocumentsOut } from '../handover/documents-out.ts'
import type { RequestRow } from './link.ts'

/**
 * The pages of a paper that an item asks to have signed, as they came: what is known stands on them already.
 * @returns null where the request asks for no signature under such an item, or its pages are gone
 */
export async function formToSign(
  row: RequestRow,
  itemId: string,
): Promise<{ name: string; bytes: Buffer } | null> {
  const item = row.items.find((i) => i.id === itemId && i.kind === 'sign' && i.pages.length > 0)
  if (!item) return null
  const there = await database()
    .select({ number: pages.number })
    .from(pages)
    .where(and(eq(pages.packageId, row.packageId), inArray(pages.number, item.pages)))
  if (there.length < item.pages.length) return null
  const name = `${item.title.replace(/[^\p{L}\p{N} .-]/gu, ' ').trim() || 'form'}.pdf`
  const out = new DocumentsOut(row.packageId)
  try {
    for await (const made of out.cut([{ name, pages: item.pages }]))
      if ('path' in made) return { name, bytes: await readFile(made.path) }
    return null
  } finally {
    out.close()
  }
}

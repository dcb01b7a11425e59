import { findText, type Hit } from '../../core/layout/index.ts'
import { database } from '../database/connection.ts'
import { pagesOf } from './judge.ts'

/** More hits than this are no answer; a longer word is. */
const MOST = 500

/** Where words stand on the pages of a package, in the order of its pages. */
export async function findIn(packageId: string, words: string): Promise<{ hits: Hit[]; more: boolean }> {
  const hits: Hit[] = []
  for (const page of await pagesOf(database(), packageId)) {
    hits.push(...findText(page, words))
    if (hits.length > MOST) return { hits: hits.slice(0, MOST), more: true }
  }
  return { hits, more: false }
}

import { asc, eq } from 'drizzle-orm'
import type { PackageFile } from '../../core/findings/index.ts'
import type { Work } from '../database/connection.ts'
import { files } from '../database/schema.ts'

/**
 * Files as the report names them; archives and messages that unfolded into others are not pages' files
 * themselves.
 */
export async function filesOf(work: Work, packageId: string): Promise<PackageFile[]> {
  const rows = await work
    .select()
    .from(files)
    .where(eq(files.packageId, packageId))
    .orderBy(asc(files.createdAt), asc(files.id))
  const parents = new Set(rows.map((r) => r.parentId))
  return rows
    .filter((r) => !parents.has(r.id) && r.state !== 'arriving')
    .map((r) => ({
      name: r.name,
      sha256: r.sha256 ?? '',
      pages: r.pages,
      problem: r.problem,
      notices: r.notices,
    }))
}

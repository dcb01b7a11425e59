import { useRouteLoaderData } from 'react-router'
import type { Document } from '../../core/findings/index.ts'
import type { PackageView } from '../../server/packages/view.ts'

export type { PackageView }

/** What all views of one package share, from the loader of the package's route. */
export function usePackage(): PackageView {
  const data = useRouteLoaderData<() => Promise<PackageView>>('routes/package/package')
  if (!data) throw new Error('usePackage is for the views of a package')
  return data
}

/** A judged package; views that need one are shown only once it is there. */
export function useJudged() {
  const view = usePackage()
  if (!view.assessment) throw new Error('the package is not judged yet')
  return { ...view, assessment: view.assessment }
}

/** It takes no answers: it is finished, or a second person looks at it. */
export const isClosed = ({ state }: Pick<PackageView['row'], 'state'>): boolean =>
  state === 'finished' || state === 'review'

export const documentOfPage = (documents: readonly Document[], page: number): Document | undefined =>
  documents.find((d) => d.pages.includes(page))

/** What a page is that belongs in no document; null for all others. */
export const apartOf = (sheet: PackageView['sheets'][number]): string | null =>
  sheet.filedTo
    ? `filed to ${sheet.filedTo}`
    : sheet.separator
      ? 'separator sheet'
      : sheet.blank
        ? 'blank'
        : null

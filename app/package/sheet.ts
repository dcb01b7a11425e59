import type { PackageView } from './view.ts'

/** A page as screens know it, without its words. */
export type Sheet = PackageView['sheets'][number]

/**
 * The address of a page's picture. A turned page has another one, so that no old picture is taken from the
 * browser's store.
 */
export const pictureUrl = (
  packageId: string,
  sheet: Pick<Sheet, 'number' | 'rotation' | 'read'>,
  size: 'small' | 'large',
): string =>
  `/packages/${packageId}/pages/${sheet.number}/${size}?${sheet.read ? `up=${sheet.rotation}` : 'glance'}`

/** Width by height, in points; a page that is not read yet is taken for A4. */
export const shapeOf = (
  sheet: Pick<Sheet, 'width' | 'height'> | undefined,
): { width: number; height: number } => ({ width: sheet?.width ?? 595, height: sheet?.height ?? 842 })

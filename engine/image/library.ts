import type Sharp from 'sharp'

/**
 * The library for pictures, loaded when the first picture comes: loading it takes longer than reading ten
 * pages of text.
 */
export const pictures = async (): Promise<typeof Sharp> => (await import('sharp')).default

/**
 * An id of a name that a person gave: small letters, figures and underscores, beginning with a letter. Empty
 * where the name has no letter to begin with.
 */
export const idFrom = (name: string, longest = 60): string =>
  name
    .toLowerCase()
    .normalize('NFD')
    .replace(/\p{M}+/gu, '')
    .replace(/[^a-z0-9]+/g, '_')
    .replace(/^[^a-z]+|_+$/g, '')
    .slice(0, longest)

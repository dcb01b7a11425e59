/** A message that says all by its code. */
export type None = Record<never, never>

/**
 * A message inside another. Every message is one; the files of codes cannot name the list of all codes, which
 * is made of them.
 */
export interface Inner {
  readonly code: string
}

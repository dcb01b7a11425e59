import { memoize } from '../text/index.ts'

/** A pattern longer than this is no form of a value. */
export const LONGEST_PATTERN = 200

/** The form of a whole value; null where the pattern is none, as older files may have it. */
const formOf = memoize((pattern): RegExp | null => {
  try {
    return new RegExp(`^(?:${pattern})$`)
  } catch {
    return null
  }
})

/** Whether a value has the form that its field's pattern tells; null where nothing tells one. */
export function hasForm(pattern: string | undefined, value: unknown): boolean | null {
  const form = pattern === undefined || typeof value !== 'string' ? null : formOf(pattern)
  return form ? form.test(value as string) : null
}

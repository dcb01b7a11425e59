/** A pattern longer than this is no form of a value. */
export const LONGEST_PATTERN = 200

const forms = new Map<string, RegExp | null>()

/** The form of a whole value; null where the pattern is none, as older files may have it. */
function formOf(pattern: string): RegExp | null {
  let form = forms.get(pattern)
  if (form === undefined) {
    try {
      form = new RegExp(`^(?:${pattern})$`)
    } catch {
      form = null
    }
    forms.set(pattern, form)
  }
  return form
}

/** Whether a value has the form that its field's pattern tells; null where nothing tells one. */
export function hasForm(pattern: string | undefined, value: unknown): boolean | null {
  const form = pattern === undefined || typeof value !== 'string' ? null : formOf(pattern)
  return form ? form.test(value as string) : null
}

import { wellFormed } from '../core/text/index.ts'

/** What a text says as JSON, its words such as any store takes; null where it is none. */
export function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text, (_, value: unknown) => (typeof value === 'string' ? wellFormed(value) : value))
  } catch {
    return null
  }
}

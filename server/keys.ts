import { createHmac, hkdfSync, timingSafeEqual } from 'node:crypto'
import { settings } from './settings.ts'

/** What a key is for: no code made for one purpose is good for another. */
export type Purpose = 'known device' | 'cover sheet' | 'trail head' | 'request link'

/** A key of one purpose, from the secret of this installation (HKDF, RFC 5869). */
const keyFor = (purpose: Purpose): Buffer =>
  Buffer.from(hkdfSync('sha256', settings().AUTH_SECRET, '', purpose, 32))

/** An authentication code over words (HMAC-SHA-256, RFC 2104). */
export const codeOf = (purpose: Purpose, ...words: readonly string[]): Buffer =>
  createHmac('sha256', keyFor(purpose)).update(JSON.stringify(words)).digest()

/** Compares in a time that says nothing of where two codes part. */
export const sameCode = (a: Buffer, b: Buffer): boolean => a.length === b.length && timingSafeEqual(a, b)

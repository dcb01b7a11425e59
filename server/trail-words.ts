import { createCipheriv, createDecipheriv, randomBytes } from 'node:crypto'
import { eq } from 'drizzle-orm'
import type { Work } from './database/connection.ts'
import { packageKeys } from './database/schema.ts'

const CIPHER = 'aes-256-gcm'
const [KEY_BYTES, IV_BYTES, TAG_BYTES] = [32, 12, 16]
/** In front of words under a key; no act's plain words begin so. */
const MARK = '~1:'

/** Words under a key (AES-256-GCM): nonce, tag and cipher text in base64. */
export function seal(words: string, key: Buffer): string {
  if (words === '') return ''
  const iv = randomBytes(IV_BYTES)
  const cipher = createCipheriv(CIPHER, key, iv)
  const text = Buffer.concat([cipher.update(words, 'utf8'), cipher.final()])
  return MARK + Buffer.concat([iv, cipher.getAuthTag(), text]).toString('base64')
}

/** What was sealed, or plain words as they are; null where the key was thrown away, or is another one. */
export function unseal(stored: string, key: Buffer | null): string | null {
  if (!stored.startsWith(MARK)) return stored
  if (!key) return null
  const bytes = Buffer.from(stored.slice(MARK.length), 'base64')
  try {
    const decipher = createDecipheriv(CIPHER, key, bytes.subarray(0, IV_BYTES))
    decipher.setAuthTag(bytes.subarray(IV_BYTES, IV_BYTES + TAG_BYTES))
    const text = decipher.update(bytes.subarray(IV_BYTES + TAG_BYTES))
    return Buffer.concat([text, decipher.final()]).toString('utf8')
  } catch {
    return null
  }
}

/** The key of a package's words, made with its first act. */
export async function keyOf(work: Work, packageId: string): Promise<Buffer> {
  const stored = () =>
    work.select({ key: packageKeys.key }).from(packageKeys).where(eq(packageKeys.packageId, packageId))
  const [known] = await stored()
  if (known) return known.key
  await work
    .insert(packageKeys)
    .values({ packageId, key: randomBytes(KEY_BYTES) })
    .onConflictDoNothing()
  return (await stored())[0].key
}

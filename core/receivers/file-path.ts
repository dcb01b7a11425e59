/** Signs that one file system or another does not take in a name (those of Windows are the most). */
const FORBIDDEN = /[<>:"|?*\\\p{Cc}\p{Cf}]+/gu
/** Names that Windows keeps for devices, with any ending. */
const RESERVED = /^(?:con|prn|aux|nul|com[1-9]|lpt[1-9])(?:\.|$)/i
/** Bytes of one name: file systems take 255, with room for an ending and a number. */
const MOST_NAME = 120
/** Bytes of a whole path: what is unpacked into a deep folder must still open on Windows, which takes 260. */
const MOST_PATH = 180

/** Cuts text to so many bytes of UTF-8, between letters. */
function cut(text: string, most: number): string {
  let size = 0
  let kept = ''
  for (const letter of text) {
    size += new TextEncoder().encode(letter).length
    if (size > most) break
    kept += letter
  }
  return kept
}

const tidy = (text: string): string =>
  text
    .replace(/\s+/g, ' ')
    .replace(/^[ .\-_,]+|[ .\-_,]+$/g, '')
    .trim()

function safeName(name: string, most: number): string {
  const safe = tidy(cut(tidy(name.normalize('NFC').replace(FORBIDDEN, '-')), most))
  return RESERVED.test(safe) ? `_${safe}` : safe
}

/** Letters that no mark can be taken from, as they are written without. */
const SPELT: Readonly<Record<string, string>> = {
  ß: 'ss',
  æ: 'ae',
  Æ: 'Ae',
  ø: 'o',
  Ø: 'O',
  ł: 'l',
  Ł: 'L',
  đ: 'd',
  Đ: 'D',
  ð: 'd',
  þ: 'th',
  œ: 'oe',
  Œ: 'Oe',
  ı: 'i',
}

/** Letters without their marks, and nothing but those of ASCII. */
export const plainLetters = (text: string): string =>
  text
    .normalize('NFKD')
    .replace(/\p{M}+/gu, '')
    .replace(/[^\x20-\x7e]/g, (letter) => SPELT[letter] ?? '-')
    .replace(/-{2,}/g, '-')

/** A path that every file system takes and that leads nowhere else; empty where nothing of it is left. */
export function safePath(path: string): string {
  const names = path.split('/').map((name) => safeName(name, MOST_NAME))
  const kept = names.filter((name) => name !== '')
  // Folders are many papers' and stay; what is too long is cut off the paper's own name.
  const folders = kept.slice(0, -1)
  const last = kept.at(-1) ?? ''
  const room = Math.max(24, MOST_PATH - new TextEncoder().encode(folders.join('/')).length)
  return [...folders, safeName(last, Math.min(room, MOST_NAME))].join('/')
}

/**
 * Paths of which none is another's, for file systems that hold capitals and small letters for the same: those that
 * clash get a number, in their order.
 * @param ending with its dot, `.pdf`
 */
export function apart(paths: readonly string[], ending: string): string[] {
  const taken = new Set<string>()
  return paths.map((path) => {
    let tried = `${path}${ending}`
    for (let n = 2; taken.has(tried.toLowerCase()); n++) tried = `${path} (${n})${ending}`
    taken.add(tried.toLowerCase())
    return tried
  })
}

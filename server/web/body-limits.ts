const KB = 1024
const MB = 1024 * KB

/** Without a session nothing longer than a form with two fields is listened to. */
const STRANGER = 64 * KB

/** What strangers with a link of an applicant's may send: a piece of a file at a time. */
const BY_LINK: readonly (readonly [path: RegExp, bytes: number])[] = [
  [/^\/r\/[\w-]{43}\/uploads(?:\/|$)/, 8 * MB],
]

/** The most bytes of a request's body by its path; the first that fits counts. */
const LIMITS: readonly (readonly [path: RegExp, bytes: number])[] = [
  // Counted where it is stored, so that a file too large is named in its package.
  [/^\/packages\/[^/]+\/bring$/, Infinity],
  [/^\/registers(?:\/|\.data|$)/, 60 * MB],
  [/^\/(?:types|programs|rules|learning|starter)(?:\/|\.data|$)/, 8 * MB],
  [/^\/packages\//, MB],
]

/** The most bytes that a request to `path` may bring. */
export const bodyLimit = (path: string, stranger: boolean): number =>
  (stranger ? BY_LINK : [...BY_LINK, ...LIMITS]).find(([at]) => at.test(path))?.[1] ?? STRANGER

/** A body that grew over its limit while it came. */
export class BodyTooLarge extends Error {}

/** Passes a body on and breaks it off where it grows over `most` bytes: one that names no length is counted. */
export function counted(
  body: ReadableStream<Uint8Array>,
  most: number,
  tooLarge: () => void,
): ReadableStream<Uint8Array> {
  let bytes = 0
  return body.pipeThrough(
    new TransformStream<Uint8Array, Uint8Array>({
      transform(part, controller) {
        bytes += part.byteLength
        if (bytes <= most) return controller.enqueue(part)
        tooLarge()
        controller.error(new BodyTooLarge())
      },
    }),
  )
}

/** What somebody is told whose request is too large. */
export const tooLargeSentence = (most: number): string =>
  `This is larger than ${most >= MB ? `${Math.round(most / MB)} MB` : `${Math.round(most / KB)} kB`}, the most that is taken here.`

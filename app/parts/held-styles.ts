import { Transform } from 'node:stream'

/** What an attribute of style is called in a page as it is sent. */
const HELD = 'data-style'

const ATTRIBUTE = ' style="'

/**
 * Renames the attributes of style in a page that is sent: a page whose policy forbids inline styles would not obey
 * them, and browsers would complain of each. The page's script puts them in force. The quotation mark of the attribute
 * stands in no text: there it is written as an entity, and in scripts behind a backslash.
 */
export function holdStyles(): Transform {
  let kept = ''
  const renamed = (text: string) => text.replaceAll(ATTRIBUTE, ` ${HELD}="`)
  return new Transform({
    transform(part: Buffer, _encoding, done) {
      // Byte by byte, so that no letter of several bytes is cut; an attribute that is cut is found with the next part.
      const text = kept + part.toString('latin1')
      const keep = cutAttribute(text)
      kept = keep > 0 ? text.slice(-keep) : ''
      done(null, Buffer.from(renamed(keep > 0 ? text.slice(0, -keep) : text), 'latin1'))
    },
    flush(done) {
      done(null, Buffer.from(kept, 'latin1'))
    },
  })
}

/** How many characters at the end of a text may begin an attribute of style. */
function cutAttribute(text: string): number {
  for (let n = Math.min(ATTRIBUTE.length - 1, text.length); n > 0; n--)
    if (text.endsWith(ATTRIBUTE.slice(0, n))) return n
  return 0
}

import { fileTypeFromBuffer } from 'file-type'

/** The signature of Transport Neutral Encapsulation (MS-OXTNEF), which arrives as `winmail.dat`. */
const TNEF = [0x78, 0x9f, 0x3e, 0x22]

/** The media type by content; PDFs may have some bytes of rubbish before their header. */
export async function kindOf(bytes: Uint8Array): Promise<string | null> {
  if (Buffer.from(bytes.buffer, bytes.byteOffset, Math.min(1024, bytes.length)).includes('%PDF-'))
    return 'application/pdf'
  if (TNEF.every((byte, i) => bytes[i] === byte)) return 'application/vnd.ms-tnef'
  const type = await fileTypeFromBuffer(bytes)
  return type?.mime ?? (looksLikeMail(bytes) ? 'message/rfc822' : null)
}

const looksLikeMail = (bytes: Uint8Array): boolean => {
  const head = Buffer.from(bytes.buffer, bytes.byteOffset, Math.min(4096, bytes.length)).toString('latin1')
  return (
    /^(?:[A-Z-]+:.*\r?\n(?:[ \t].*\r?\n)*)+/i.test(head) &&
    /^(?:from|mime-version|subject|received|date):/im.test(head)
  )
}

import { connect } from 'node:net'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'

/** Looks into a file for malware before anything else does. */
export interface MalwareScanner {
  /** The name of what was found, or null where nothing was. @throws where the file could not be looked into */
  scan(bytes: Uint8Array): Promise<string | null>
}

/**
 * The test file that every scanner must catch and that harms nobody (EICAR, 2003), in two parts lest this
 * file be caught itself.
 */
export const TEST_SIGNATURE = [
  'X5O!P%@AP[4\\PZX54(P^)7CC)7}$',
  'EICAR-STANDARD-ANTIVIRUS-TEST-FILE!$H+H*',
].join('')

/** Knows the test file alone: what Jigsa uses where no scanner is set. */
export const builtInScanner: MalwareScanner = {
  scan: (bytes) =>
    Promise.resolve(
      Buffer.from(bytes.buffer, bytes.byteOffset, bytes.length).includes(TEST_SIGNATURE, 0, 'latin1')
        ? 'Eicar-Test-Signature'
        : null,
    ),
}

const CHUNK = 64 * 1024
const PATIENCE = 60_000

/** A file is larger than the scanner looks into. It is not opened: nobody knows what is in it. */
export class TooLargeToScan extends Error {}

/**
 * A scanner that speaks the INSTREAM command of the clamd protocol: the file goes over in chunks, each behind
 * its length in four bytes, and a length of nought ends it. Chunks wait until those before were taken.
 * @throws TooLargeToScan where the file is over the scanner's own limit
 */
export function instreamScanner(host: string, port: number): MalwareScanner {
  return {
    scan: (bytes) =>
      new Promise((resolve, reject) => {
        const line = connect({ host, port })
        const said: Buffer[] = []
        line.setTimeout(PATIENCE, () => line.destroy(new Error('the malware scanner does not answer')))
        // A scanner that refuses closes the line while more is sent; what it said before counts.
        line.on('error', (error) => {
          if (said.length === 0) reject(error)
        })
        line.on('data', (part) => said.push(part))
        line.on('close', () => {
          const verdict = Buffer.concat(said).toString('utf8').replace(/\0/g, '').trim()
          const found = /^stream: (.+) FOUND$/.exec(verdict)
          if (found) resolve(found[1])
          else if (verdict === 'stream: OK') resolve(null)
          else if (/size limit exceeded/i.test(verdict)) reject(new TooLargeToScan())
          else reject(new Error(`the malware scanner says ${verdict || 'nothing'}`))
        })
        pipeline(Readable.from(instream(bytes)), line, { end: false }).catch(() => undefined)
      }),
  }
}

/** A file as the INSTREAM command wants it. */
function* instream(bytes: Uint8Array): Generator<Buffer> {
  yield Buffer.from('zINSTREAM\0')
  for (let at = 0; at < bytes.length; at += CHUNK) {
    const part = bytes.subarray(at, at + CHUNK)
    const length = Buffer.alloc(4)
    length.writeUInt32BE(part.length)
    yield length
    yield Buffer.from(part)
  }
  yield Buffer.alloc(4)
}

/** The scanner of a setting: `built-in`, or `clamd://host:port`. */
export function scannerOf(setting: string): MalwareScanner {
  const clamd = /^clamd:\/\/([^:/]+):(\d+)$/.exec(setting)
  return clamd ? instreamScanner(clamd[1], Number(clamd[2])) : builtInScanner
}

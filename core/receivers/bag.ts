/** A file of a bag with its digest. */
export interface Payload {
  path: string
  sha256: string
  size: number
}

/** Line breaks and per cents in paths are written so (RFC 8493, 2.1.3). */
const inManifest = (path: string): string =>
  path.replace(/%/g, '%25').replace(/\r/g, '%0D').replace(/\n/g, '%0A')

const lines = (all: readonly Payload[], folder: string): string =>
  all.map(({ path, sha256 }) => `${sha256}  ${folder}${inManifest(path)}\n`).join('')

/**
 * The files that make a folder `data/` a bag (BagIt 1.0, RFC 8493), and the name and lines of the manifest over them,
 * which is written once their digests are known.
 */
export function bagFiles(
  payload: readonly Payload[],
  about: { organisation: string; identifier: string; senderIdentifier: string; day: string },
): {
  files: { path: string; text: string }[]
  manifest: string
  linesOf: (tagged: readonly Payload[]) => string
} {
  const bytes = payload.reduce((sum, { size }) => sum + size, 0)
  const info = [
    ['Source-Organization', about.organisation],
    ['External-Identifier', about.identifier],
    ['Internal-Sender-Identifier', about.senderIdentifier],
    ['Bagging-Date', about.day],
    ['Payload-Oxum', `${bytes}.${payload.length}`],
    ['Bag-Software-Agent', 'Jigsa'],
  ].filter(([, value]) => value !== '')
  return {
    files: [
      { path: 'bagit.txt', text: 'BagIt-Version: 1.0\nTag-File-Character-Encoding: UTF-8\n' },
      // A value that goes over several lines would be another element.
      {
        path: 'bag-info.txt',
        text: info.map(([name, value]) => `${name}: ${value.replace(/\s+/g, ' ')}\n`).join(''),
      },
      { path: 'manifest-sha256.txt', text: lines(payload, 'data/') },
    ],
    manifest: 'tagmanifest-sha256.txt',
    linesOf: (tagged) => lines(tagged, ''),
  }
}

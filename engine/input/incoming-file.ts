/** A file as it came in, with its bytes. */
export interface IncomingFile {
  name: string
  bytes: Uint8Array
}

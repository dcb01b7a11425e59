import yauzl from 'yauzl'
import yazl from 'yazl'

/** An archive, unpacked in memory. */
export class Open {
  private constructor(private readonly entries: ReadonlyMap<string, Buffer>) {}

  static async from(stream: ReadableStream<Uint8Array>): Promise<Open> {
    const bytes = Buffer.from(await new Response(stream).arrayBuffer())
    return Open.of(bytes)
  }

  static of(bytes: Buffer): Promise<Open> {
    return new Promise((done, fail) => {
      yauzl.fromBuffer(bytes, { lazyEntries: true }, (error, zip) => {
        if (error) return fail(error)
        const entries = new Map<string, Buffer>()
        zip.on('end', () => done(new Open(entries)))
        zip.on('error', fail)
        zip.on('entry', (entry: yauzl.Entry) => {
          zip.openReadStream(entry, (failed, stream) => {
            if (failed) return fail(failed)
            const parts: Buffer[] = []
            stream.on('data', (part: Buffer) => parts.push(part))
            stream.on('end', () => {
              entries.set(entry.fileName, Buffer.concat(parts))
              zip.readEntry()
            })
          })
        })
        zip.readEntry()
      })
    })
  }

  get names(): string[] {
    return [...this.entries.keys()].sort()
  }
  bytes = (name: string): Buffer => this.entries.get(name)!
  text = (name: string): string => this.bytes(name).toString('utf8')
}

/** An archive of these files. */
export function zip(files: Record<string, Uint8Array>): Promise<Uint8Array> {
  const made = new yazl.ZipFile()
  for (const [name, bytes] of Object.entries(files)) made.addBuffer(Buffer.from(bytes), name)
  made.end()
  return new Promise((done) => {
    const parts: Buffer[] = []
    made.outputStream.on('data', (part: Buffer) => parts.push(part))
    made.outputStream.on('end', () => done(new Uint8Array(Buffer.concat(parts))))
  })
}

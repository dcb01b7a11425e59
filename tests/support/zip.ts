import yauzl from 'yauzl'

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

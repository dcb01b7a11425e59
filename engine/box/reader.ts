import { LRUCache } from 'lru-cache'
import { inkNeeded, type NeedsInk } from '../../core/extraction/index.ts'
import { writeDocuments } from '../handover/documents.ts'
import { joinDocuments } from '../handover/whole.ts'
import { Budget } from '../input/budget.ts'
import { expand, holdsFiles } from '../input/expand.ts'
import type { IncomingFile } from '../input/incoming-file.ts'
import { attachmentsOf, messageOf, parseMessage } from '../input/message.ts'
import { openSource, type Source } from '../input/source.ts'
import { UnusableFile } from '../input/unusable-file.ts'
import { activeContent } from '../screening/active.ts'
import type { Answers, Asked, BoxFile, Said } from './protocol.ts'

/**
 * A reader: a process of its own in which strangers' files are opened, one call after the other. It knows no database
 * and no secret, and whatever a file makes of it ends with it.
 */
const say = (said: Said): Promise<void> =>
  new Promise((done, fail) => process.send!(said, undefined, {}, (error) => (error ? fail(error) : done())))

/** Page after page of a file is read, and opening it anew each time would cost more than the page. */
const open = new LRUCache<string, Source>({ max: 4, dispose: (source) => source.close() })
const ink = new Map<string, NeedsInk>()

class Lacks extends Error {
  constructor(readonly what: 'bytes' | 'types') {
    super(what)
  }
}

async function sourceOf({ sha256, bytes }: BoxFile): Promise<Source> {
  const known = open.get(sha256)
  if (known) return known
  if (!bytes) throw new Lacks('bytes')
  const source = await openSource(bytes)
  open.set(sha256, source)
  return source
}

function inkOf({ key, types }: Extract<Asked, { call: 'read' }>['ink']): NeedsInk {
  const known = ink.get(key)
  if (known) return known
  if (!types) throw new Lacks('types')
  const needed = inkNeeded(types)
  ink.set(key, needed)
  return needed
}

/** Gives a file to whoever asked, and waits until it was taken. */
async function handOver(file: IncomingFile): Promise<void> {
  const taken = new Promise<void>((done) => process.once('message', () => done()))
  await say({ said: 'file', file })
  await taken
}

async function answer(asked: Asked): Promise<Answers[keyof Answers]> {
  switch (asked.call) {
    case 'unfold': {
      for await (const file of expand(asked.file)) await handOver(file)
      return null
    }
    case 'message': {
      const mail = await parseMessage(asked.bytes)
      if (asked.withPapers) for (const file of attachmentsOf(mail, new Budget())) await handOver(file)
      return messageOf(mail)
    }
    case 'open': {
      // Also of a file that is open already: what it carries besides pages is told each time.
      const { bytes } = asked.file
      if (!bytes) throw new Lacks('bytes')
      if (await holdsFiles(bytes)) return { kind: 'files' }
      const { pages, kind } = await sourceOf(asked.file)
      return { pages, kind, notices: await activeContent(bytes) }
    }
    case 'read': {
      const source = await sourceOf(asked.file)
      return source.read(asked.index, { wantsInk: inkOf(asked.ink), said: asked.said })
    }
    case 'picture':
      return new Uint8Array(
        await (await sourceOf(asked.file)).picture(asked.index, asked.rotation, asked.width),
      )
    case 'regions':
      return (await sourceOf(asked.file)).recogniseRegions(asked.index, asked.page, asked.places)
    case 'cut':
      return writeDocuments(asked.folder, asked.originals, asked.documents)
    case 'join':
      await joinDocuments(asked.path, asked.whole)
      return null
  }
}

let busy = false
process.on('message', (asked: Asked | 'taken') => {
  if (asked === 'taken' || busy) return
  busy = true
  void answer(asked)
    .then((result): Said => ({ said: 'done', result }))
    .catch((error: unknown): Said => {
      if (error instanceof Lacks) return { said: 'lacks', what: error.what }
      if (error instanceof UnusableFile) return { said: 'unusable', problem: error.message }
      const problem = error instanceof Error ? error.message : String(error)
      // After a trap PDFium's memory is no longer to be relied on, for this file or any other.
      return { said: 'fault', problem, broken: error instanceof WebAssembly.RuntimeError }
    })
    .then((said) => {
      busy = false
      return say(said)
    })
    .catch(() => process.exit(1))
})
process.on('disconnect', () => process.exit(0))
void say({ said: 'done', result: null })

import type { Box, Page, Rotation, Word } from '../../core/model/index.ts'
import type { DocumentType } from '../../core/program/index.ts'
import type { DocumentFile, Original } from '../handover/runs.ts'
import type { Whole } from '../handover/whole.ts'
import type { IncomingFile } from '../input/incoming-file.ts'
import type { Message } from '../input/message.ts'
import type { ReadPage } from '../input/source.ts'
import { ReaderBox } from './box.ts'
import { BOX_LIMITS, type BoxLimits, ReaderEnded } from './limits.ts'
import type { Answers, Asked, BoxFile, OpenedBox } from './protocol.ts'

/** Fetches the bytes of a file by its hash; only asked for where a reader has it not open. */
export type Fetch = (sha256: string) => Promise<Uint8Array>

/** Takes one file out of an archive. */
export type Take = (file: IncomingFile) => Promise<void>

/** A reader of the pool, and what it read last. */
interface Place {
  box: Promise<ReaderBox>
  last: string | null
  busy: boolean
  /** Set while it rests. */
  rest?: NodeJS.Timeout
}

/**
 * Readers in processes of their own, so many at once. A file goes to the reader that has it open where that is free;
 * one that ended is replaced, and costs nothing but the file that ended it.
 */
export class ReaderPool {
  private readonly places: Place[] = []
  private readonly waiting: (() => void)[] = []
  private closed = false

  constructor(
    private readonly fetch: Fetch,
    private readonly most: number,
    private readonly limits: BoxLimits = BOX_LIMITS,
  ) {}

  /** Hands over the files in an archive or a message, one by one; `begin` is asked anew at each try. @throws UnusableFile */
  unfold = async (file: IncomingFile, begin: () => Take): Promise<void> => {
    await this.ask(null, { call: 'unfold', file }, { begin })
  }

  /** Takes a message apart; its papers are handed over one by one where `begin` is given, asked anew at each try. */
  message = (bytes: Uint8Array, begin?: () => Take): Promise<Message> =>
    this.ask(null, { call: 'message', bytes, withPapers: begin !== undefined }, { begin })

  /** Opens a file and says what it is. @throws UnusableFile */
  open = (sha256: string): Promise<OpenedBox> => this.ask(sha256, { call: 'open', file: { sha256 } })

  read = (
    sha256: string,
    index: number,
    ink: { key: string; types: readonly DocumentType[] },
    said?: Rotation,
  ): Promise<ReadPage> =>
    this.ask(
      sha256,
      { call: 'read', file: { sha256 }, index, said, ink: { key: ink.key } },
      { types: ink.types },
    )

  picture = (sha256: string, index: number, rotation: Rotation, width: number): Promise<Uint8Array> =>
    this.ask(sha256, { call: 'picture', file: { sha256 }, index, rotation, width })

  recogniseRegions = (
    sha256: string,
    index: number,
    page: Pick<Page, 'rotation' | 'words'>,
    places: readonly Box[],
  ): Promise<Word[]> =>
    this.ask(sha256, {
      call: 'regions',
      file: { sha256 },
      index,
      page: { rotation: page.rotation, words: page.words },
      places,
    })

  /** Writes documents into a folder. @returns names of those drawn anew @throws UnusableFile, ReaderEnded, ReaderFault */
  cut = (
    folder: string,
    originals: readonly Original[],
    documents: readonly DocumentFile[],
  ): Promise<string[]> => this.ask(null, { call: 'cut', folder, originals, documents })

  /** Puts documents on disk together into one. @throws ReaderEnded, ReaderFault */
  join = async (path: string, whole: Whole): Promise<void> => {
    await this.ask(null, { call: 'join', path, whole })
  }

  /** Ends all readers. Calls that are under way fail. */
  async close(): Promise<void> {
    this.closed = true
    for (const { box } of this.places)
      await box.then(
        (b) => b.end(),
        () => undefined,
      )
  }

  /**
   * A reader that crashed is tried once more with a fresh one: a neighbour may have been its end. What took too long or
   * too much does so again.
   */
  private async ask<C extends Asked['call']>(
    sha256: string | null,
    asked: Extract<Asked, { call: C }>,
    { begin, types }: { begin?: () => Take; types?: readonly DocumentType[] } = {},
  ): Promise<Answers[C]> {
    for (let again = true; ;) {
      const place = await this.free(sha256)
      try {
        const box = await place.box
        // It ended at rest, and not of this file.
        if (box.gone) continue
        return await box.ask(asked, (what) => this.whole(asked, what, types), begin?.())
      } catch (error) {
        if (this.closed) throw new Error('the readers are closed', { cause: error })
        if (!(error instanceof ReaderEnded) || error.why !== 'crash' || !again) throw error
        again = false
      } finally {
        await this.release(place, sha256)
      }
    }
  }

  /** What was asked, with what the reader lacks. */
  private async whole<C extends Asked['call']>(
    asked: Extract<Asked, { call: C }>,
    what: 'bytes' | 'types',
    types: readonly DocumentType[] | undefined,
  ): Promise<Extract<Asked, { call: C }>> {
    const { file } = asked as { file: BoxFile }
    // Once its bytes are there the file is open, and they need not be sent with the types again.
    if (what === 'bytes') return { ...asked, file: { ...file, bytes: await this.fetch(file.sha256) } }
    const { ink } = asked as Extract<Asked, { call: 'read' }>
    return { ...asked, ink: { ...ink, types } }
  }

  private async free(sha256: string | null): Promise<Place> {
    for (;;) {
      if (this.closed) throw new Error('the readers are closed')
      const idle = this.places.filter((p) => !p.busy)
      let place = idle.find((p) => p.last === sha256) ?? null
      if (!place && this.places.length < this.most) {
        place = { box: ReaderBox.start(this.limits), last: null, busy: false }
        this.places.push(place)
      }
      place ??= idle[0] ?? null
      if (place) {
        clearTimeout(place.rest)
        place.busy = true
        return place
      }
      await new Promise<void>((done) => this.waiting.push(done))
    }
  }

  private drop(place: Place): void {
    void place.box.then(
      (b) => b.end(),
      () => undefined,
    )
    this.places.splice(this.places.indexOf(place), 1)
  }

  private async release(place: Place, sha256: string | null): Promise<void> {
    place.last = sha256
    const fit = await place.box.then(
      (b) => b.isFit(),
      () => false,
    )
    if (fit) place.rest = setTimeout(() => this.drop(place), this.limits.restSeconds * 1000).unref()
    else this.drop(place)
    place.busy = false
    this.waiting.shift()?.()
  }
}

import { UnusableFile } from '../input/unusable-file.ts'

/** What one reader process may use before it is ended; whoever sends files must not end anything else. */
export interface BoxLimits {
  /** Of it and of the commands that it starts, together. */
  bytes: number
  /**
   * Of processor for one call, by what is asked; of an archive, for each of its files. Counted so, a machine that is
   * busy with other papers makes no good page fail.
   */
  cpuSeconds: Record<BoxCall, number>
  /** By the clock, for what waits and does nothing; likewise. */
  seconds: Record<BoxCall, number>
  /** Files after which a reader is thrown away: its memory only grows. */
  files: number
  /** A reader at rest with more than this is thrown away. */
  restBytes: number
  /** Seconds after which a reader at rest is thrown away, and its memory is others'. */
  restSeconds: number
  /** How far it stands back where processors are short: 0 as anybody else, 19 behind everybody (`nice` of POSIX). */
  nice: number
}

/** What a reader can be asked. */
export type BoxCall = 'unfold' | 'message' | 'open' | 'read' | 'picture' | 'regions' | 'cut' | 'join'

const MB = 1024 * 1024

export const BOX_LIMITS: BoxLimits = {
  bytes: 1536 * MB,
  cpuSeconds: { unfold: 15, message: 15, open: 10, read: 24, picture: 12, regions: 24, cut: 240, join: 240 },
  seconds: { unfold: 60, message: 60, open: 40, read: 90, picture: 45, regions: 90, cut: 900, join: 900 },
  files: 200,
  restBytes: 700 * MB,
  restSeconds: 300,
  nice: 0,
}

/** Why a reader was ended, or ended by itself. */
export type BoxEnd = 'time' | 'memory' | 'crash'

/** A reader says that it failed at what it was asked, and is good for the next. People read the message alone. */
export class ReaderFault extends Error {
  constructor(
    /** What a library said, for the log. */
    readonly detail: string,
  ) {
    super('It is damaged, or made in a way that is not known here.')
  }
}

/** A reader did not come back: its file is to be set aside, or the call made again where that may help. */
export class ReaderEnded extends Error {
  constructor(readonly why: BoxEnd) {
    super(
      {
        time: 'Reading it takes longer than a file may take.',
        memory: 'Reading it takes more memory than a file may take.',
        crash: 'The reader of this file breaks on it.',
      }[why],
    )
  }
}

/** Whether something is wrong with a file, and not with us: trying again would end the same way. */
export const isFilesFault = (error: unknown): error is Error =>
  error instanceof UnusableFile || error instanceof ReaderEnded || error instanceof ReaderFault

import type { Box, Page, Rotation, Word } from '../../core/model/index.ts'
import type { DocumentFile, Original } from '../handover/runs.ts'
import type { Whole } from '../handover/whole.ts'
import type { DocumentType } from '../../core/program/index.ts'
import type { IncomingFile } from '../input/incoming-file.ts'
import type { Message } from '../input/message.ts'
import type { ReadPage, Source } from '../input/source.ts'

/** What is known of a file once it is open. */
export type OpenedBox =
  | { kind: Source['kind']; pages: number; notices: string[] }
  /** An archive or a message: to be unfolded. */
  | { kind: 'files' }

/** A file of the store by its hash, with its bytes where the reader does not have it open yet. */
export interface BoxFile {
  sha256: string
  bytes?: Uint8Array
}

/** What a reader is asked; types tell which pages' ink is wanted, and are sent once a key. */
export type Asked =
  | { call: 'unfold'; file: IncomingFile }
  /** A message to be taken apart; its papers come one by one where they are wanted. */
  | { call: 'message'; bytes: Uint8Array; withPapers: boolean }
  | { call: 'open'; file: BoxFile }
  | {
      call: 'read'
      file: BoxFile
      index: number
      said?: Rotation
      ink: { key: string; types?: readonly DocumentType[] }
    }
  | { call: 'picture'; file: BoxFile; index: number; rotation: Rotation; width: number }
  | {
      call: 'regions'
      file: BoxFile
      index: number
      page: Pick<Page, 'rotation' | 'words'>
      places: readonly Box[]
    }
  /** Documents to be written into a folder, of files that lie on disk: they may be larger than memory. */
  | { call: 'cut'; folder: string; originals: readonly Original[]; documents: readonly DocumentFile[] }
  /** Documents that were written, put together into one file. */
  | { call: 'join'; path: string; whole: Whole }

/** What comes back, by what was asked. */
export interface Answers {
  unfold: null
  message: Message
  open: OpenedBox
  read: ReadPage
  picture: Uint8Array
  regions: Word[]
  /** Names of documents that had to be drawn anew. */
  cut: string[]
  join: null
}

/** A reader's words to whoever asked. */
export type Said =
  /** One of the files in a file; the next comes when this one was taken. */
  | { said: 'file'; file: IncomingFile }
  | { said: 'done'; result: Answers[keyof Answers] }
  /** Bytes of the file, or the types of the key, are not here yet. */
  | { said: 'lacks'; what: 'bytes' | 'types' }
  /** A sentence for the person who brought the file. */
  | { said: 'unusable'; problem: string }
  /** A fault of ours; a broken reader is of no use for any other file. */
  | { said: 'fault'; problem: string; broken: boolean }

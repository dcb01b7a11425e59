import { AlertTriangle } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'
import type { PageWords } from '../../wording/applicant/index.ts'
import type { PictureFault } from '../../core/picture-check/index.ts'
import { lookAtPicture } from './look-at-picture.ts'

/** A file on its way. */
export interface Going {
  id: number
  item: string | null
  file: File
  percent: number
  state: 'sending' | 'broken' | 'refused'
}

/** A picture that something seems to be wrong with, before it is sent. */
interface Doubtful {
  item: string | null
  file: File
  fault: PictureFault
  /** Of the picture, to be looked at. */
  url: string
}

export interface Sender {
  going: readonly Going[]
  doubtful: Doubtful | null
  send: (item: string | null, files: readonly File[]) => void
  /** Settles the doubtful picture: it is sent all the same, or not. */
  drop: (sendIt: boolean) => void
  again: (id: number) => void
}

/** Milliseconds before each further try of a piece; the last is repeated by `again`, or once there is a line again. */
const TRIES = [0, 1000, 3000, 5000, 10_000, 20_000]
/** A piece is acknowledged whole: on a slow line no more than this is sent twice. */
const PIECE = 256 * 1024

/**
 * Sends an applicant's files in pieces, so that a line that breaks costs one of them, and goes on by itself.
 * @param onSent once a file is there whole
 */
export function useSender(token: string, onSent: () => void): Sender {
  const [going, setGoing] = useState<Going[]>([])
  const [waiting, setWaiting] = useState<Doubtful[]>([])
  const next = useRef(0)
  const restart = useRef(new Map<number, () => void>())
  const set = (id: number, part: Partial<Going>) =>
    setGoing((all) => all.map((g) => (g.id === id ? { ...g, ...part } : g)))
  useEffect(() => {
    const online = () => restart.current.forEach((again) => again())
    addEventListener('online', online)
    return () => removeEventListener('online', online)
  }, [])

  const start = async (item: string | null, file: File) => {
    const id = ++next.current
    setGoing((all) => [...all, { id, item, file, percent: 0, state: 'sending' }])
    const { Upload } = await import('tus-js-client')
    const upload = new Upload(file, {
      endpoint: `/r/${token}/uploads`,
      retryDelays: TRIES,
      chunkSize: PIECE,
      metadata: { name: file.name, ...(item ? { item } : {}) },
      // The same file for another item is another upload: what is gone on with is known by its item, too.
      fingerprint: () => Promise.resolve([token, item, file.name, file.size, file.lastModified].join(' ')),
      storeFingerprintForResuming: true,
      removeFingerprintOnSuccess: true,
      onProgress: (sent, all) =>
        set(id, { percent: Math.floor((100 * sent) / Math.max(1, all)), state: 'sending' }),
      onError: (error) => {
        const status = 'originalResponse' in error ? error.originalResponse?.getStatus() : undefined
        set(id, { state: status && status >= 400 && status < 500 ? 'refused' : 'broken' })
      },
      onSuccess: () => {
        restart.current.delete(id)
        setGoing((all) => all.filter((g) => g.id !== id))
        onSent()
      },
    })
    const go = () => {
      set(id, { state: 'sending' })
      upload.start()
    }
    restart.current.set(id, go)
    const [earlier] = await upload.findPreviousUploads()
    if (earlier) upload.resumeFromPreviousUpload(earlier)
    go()
  }

  return {
    going,
    doubtful: waiting[0] ?? null,
    send(item, files) {
      for (const file of files)
        void lookAtPicture(file).then((fault) => {
          if (fault === null) return start(item, file)
          setWaiting((all) => [...all, { item, file, fault, url: URL.createObjectURL(file) }])
        })
    },
    drop(sendIt) {
      const [first, ...rest] = waiting
      setWaiting(rest)
      URL.revokeObjectURL(first.url)
      if (sendIt) void start(first.item, first.file)
    },
    again: (id) => restart.current.get(id)?.(),
  }
}

/** How far files are that are being sent. */
export function Sending({
  going,
  words,
  sender,
}: {
  going: readonly Going[]
  words: PageWords
  sender: Sender
}) {
  return (
    <ul className="mt-2 grid gap-2" aria-live="polite">
      {going.map(({ id, file, percent, state }) => (
        <li key={id} className="rounded-md border border-line px-3 py-2">
          <span className="block truncate font-semibold">{file.name}</span>
          {state === 'sending' ? (
            <>
              <span aria-hidden className="my-1 block h-2 overflow-hidden rounded bg-line-2">
                <span className="block h-full bg-petrol" style={{ width: `${percent}%` }} />
              </span>
              {words.sending(percent)}
            </>
          ) : (
            <span className="flex flex-wrap items-center justify-between gap-2 text-plum">
              {state === 'refused' ? words.refused : words.broken}
              <button type="button" className="button py-2" onClick={() => sender.again(id)}>
                {words.again}
              </button>
            </span>
          )}
        </li>
      ))}
    </ul>
  )
}

/** Shows a picture that something seems to be wrong with, and asks whether it is to go all the same. */
export function DoubtfulPicture({
  words,
  doubtful,
  onDecide,
}: {
  words: PageWords
  doubtful: Doubtful
  /** Given whether it is sent. */
  onDecide: (sendIt: boolean) => void
}) {
  const dialog = useRef<HTMLDialogElement>(null)
  useEffect(() => dialog.current?.showModal(), [])
  return (
    <dialog
      ref={dialog}
      aria-labelledby="picture-fault"
      className="m-auto w-[min(28rem,92vw)] rounded-lg border border-line bg-sheet p-4 text-ink backdrop:bg-black/60"
      onCancel={() => onDecide(false)}
    >
      <h2 id="picture-fault" className="flex items-center gap-2 text-lg font-bold">
        <AlertTriangle size={20} aria-hidden />
        {words.picture[doubtful.fault]}
      </h2>
      <img
        src={doubtful.url}
        alt={doubtful.file.name}
        className="mx-auto my-3 max-h-[50vh] rounded border border-line"
      />
      <div className="flex flex-wrap gap-2">
        <button type="button" className="button-main py-2.5" onClick={() => onDecide(false)}>
          {words.takeAnother}
        </button>
        <button type="button" className="button py-2.5" onClick={() => onDecide(true)}>
          {words.sendAnyway}
        </button>
      </div>
    </dialog>
  )
}

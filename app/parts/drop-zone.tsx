import { clsx } from 'clsx'
import { useRef, useState } from 'react'

/** A place to drop files on, or to pick them by mouse or keyboard. */
export function DropZone({
  text,
  limit,
  label = 'Files of the package',
  onFiles,
}: {
  text: string
  limit: string
  /** What the field for files is called to who cannot see it. */
  label?: string
  onFiles: (files: File[]) => void
}) {
  const [over, setOver] = useState(false)
  const input = useRef<HTMLInputElement>(null)
  const take = (list: FileList | null) => {
    if (list?.length) onFiles([...list])
  }
  return (
    <div
      onDragOver={(event) => {
        event.preventDefault()
        setOver(true)
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        event.preventDefault()
        setOver(false)
        take(event.dataTransfer.files)
      }}
      className={clsx(
        'rounded-lg border-2 border-dashed p-8 text-center',
        over ? 'border-petrol bg-petrol-soft' : 'border-line bg-sheet',
      )}
    >
      <p className="mb-3 text-lg">{text}</p>
      <button type="button" className="button-main" onClick={() => input.current?.click()}>
        Pick files
      </button>
      <input
        ref={input}
        type="file"
        multiple
        className="sr-only"
        tabIndex={-1}
        aria-label={label}
        onChange={(event) => {
          take(event.target.files)
          event.target.value = ''
        }}
      />
      <p className="mt-3 text-sm text-ink-2">PDF, TIFF, JPEG, PNG, e-mail with attachments, ZIP. {limit}</p>
    </div>
  )
}

import { Upload } from 'lucide-react'
import { useRef } from 'react'

/** A button that takes the words of one file from this machine. */
export function PickFile({
  label,
  accept,
  disabled,
  onPick,
  children,
}: {
  /** What the field for the file is called to who cannot see it. */
  label: string
  accept: string
  disabled?: boolean
  onPick: (file: File) => void
  children: React.ReactNode
}) {
  const input = useRef<HTMLInputElement>(null)
  return (
    <>
      <input
        ref={input}
        type="file"
        accept={accept}
        className="hidden"
        aria-label={label}
        onChange={(event) => {
          const [file] = event.target.files ?? []
          if (file) onPick(file)
          // The same file can be picked again once it was changed.
          event.target.value = ''
        }}
      />
      <button type="button" className="button" disabled={disabled} onClick={() => input.current?.click()}>
        <Upload size={16} />
        {children}
      </button>
    </>
  )
}

/** Files of tables, as spreadsheets save them. */
export const CSV = '.csv,text/csv,text/plain'

import { linesOf } from './edit.ts'

/** Wordings, one a line, each once. */
export function LinesField({
  title,
  lines,
  onChange,
}: {
  title: string
  lines: readonly string[]
  onChange: (lines: string[]) => void
}) {
  return (
    <label className="block font-semibold">
      {title} <span className="font-normal text-ink-2">one a line</span>
      <textarea
        className="field mt-1 h-28 font-normal"
        defaultValue={lines.join('\n')}
        onChange={(event) => onChange(linesOf(event.target.value))}
      />
    </label>
  )
}

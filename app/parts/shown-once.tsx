/** Something secret that is shown once, to be handed over. */
export function ShownOnce({ text, secret, testId }: { text: string; secret: string; testId: string }) {
  return (
    <div role="status" className="mb-3 rounded-md border border-line bg-sheet px-3 py-2">
      <p>{text}</p>
      <p className="mt-1 flex items-center gap-3">
        <code className="min-w-0 flex-1 font-mono break-all" data-testid={testId}>
          {secret}
        </code>
        <button type="button" className="button" onClick={() => void navigator.clipboard?.writeText(secret)}>
          Copy
        </button>
      </p>
    </div>
  )
}

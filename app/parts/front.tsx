/** The frame of what is shown before anybody is signed in. */
export function Front({
  title,
  under,
  children,
}: {
  title: string
  under: string
  children: React.ReactNode
}) {
  return (
    <main className="grid min-h-dvh place-items-center p-4">
      <div className="w-full max-w-sm">
        <div className="relative card p-7 knob">
          <h1 className="text-2xl font-bold">{title}</h1>
          <p className="mt-1 mb-6 text-ink-2">{under}</p>
          {children}
        </div>
      </div>
    </main>
  )
}

/** What is wrong with what was entered, read out at once. */
export function Problem({ children }: { children?: string | null }) {
  return children ? (
    <p
      role="alert"
      className="rounded-md border-l-4 border-double border-plum bg-plum-soft px-3 py-2 text-plum"
    >
      {children}
    </p>
  ) : null
}

/** A field with its name above. */
export function Labelled({ label, ...input }: { label: string } & React.ComponentProps<'input'>) {
  return (
    <label className="grid gap-1 font-semibold">
      {label}
      <input className="field font-normal" required {...input} />
    </label>
  )
}

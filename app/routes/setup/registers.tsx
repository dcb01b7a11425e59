import { Upload } from 'lucide-react'
import { useRef } from 'react'
import { data, useFetcher } from 'react-router'
import { z } from 'zod'
import { type RegisterKind, registerKinds } from '../../../core/dossier/index.ts'
import { signedIn } from '../../../server/access/people.ts'
import { maySwitch } from '../../../server/configuration/rules.ts'
import { loadRegister, registersOf, UnusableRegister } from '../../../server/registers.ts'
import { count } from '../../parts/format.ts'
import type { Route } from './+types/registers'

export const meta = () => [{ title: 'Registers · Jigsa' }]

export async function loader({ request }: Route.LoaderArgs) {
  const who = await signedIn(request)
  return { registers: await registersOf(who), may: maySwitch(who) }
}

const bodySchema = z.object({ kind: z.enum(registerKinds), csv: z.string().max(60_000_000) })

export async function action({ request }: Route.ActionArgs) {
  const who = await signedIn(request)
  if (!maySwitch(who))
    return data({ problem: 'A lead or an administrator takes registers in.', said: null }, 403)
  const body = bodySchema.safeParse(await request.json().catch(() => null))
  if (!body.success) return data({ problem: 'The file is too large, or is no text.', said: null }, 400)
  try {
    return {
      problem: null,
      said: `${count(await loadRegister(who, body.data.kind, body.data.csv), 'entry', 'entries')} taken in.`,
    }
  } catch (error) {
    if (error instanceof UnusableRegister) return data({ problem: error.message, said: null }, 400)
    throw error
  }
}

/** Registers outside that papers are compared with: whose entries, how many, and taking them in. */
export default function Registers({ loaderData: { registers, may } }: Route.ComponentProps) {
  const fetcher = useFetcher<typeof action>()
  return (
    <main className="mx-auto max-w-4xl p-4">
      <h1 className="mb-1 text-xl font-semibold">Registers</h1>
      <p className="mb-4 text-ink-2">
        What papers say is looked up here: by number, else by likeness of the name. The facts of a package
        show what a register says beside the papers; it confirms, completes or differs, and changes nothing by
        itself.
      </p>
      {fetcher.data?.problem ? (
        <p role="alert" className="odd-edge mb-3 rounded-md border border-line bg-sheet px-3 py-2">
          {fetcher.data.problem}
        </p>
      ) : fetcher.data?.said ? (
        <p role="status" className="mb-3 rounded-md border border-line bg-sheet px-3 py-2">
          {fetcher.data.said}
        </p>
      ) : null}
      <ul className="grid gap-2">
        {registers.map((r) => (
          <li key={r.kind} className="card flex flex-wrap items-center gap-x-4 gap-y-2 px-4 py-3">
            <span className="min-w-0 flex-1">
              <b>{r.title}</b>{' '}
              <span className="text-ink-2">
                {r.outside
                  ? 'asked over the network'
                  : r.rows === 0
                    ? 'no entries yet'
                    : count(r.rows, 'entry', 'entries')}
              </span>
              <span className="block text-[13px] text-ink-2">
                Columns: <span className="font-mono">{r.columns.join(', ')}</span>
              </span>
            </span>
            {may && !r.outside ? (
              <Take
                kind={r.kind}
                busy={fetcher.state !== 'idle'}
                onTake={(csv) =>
                  void fetcher.submit({ kind: r.kind, csv }, { method: 'post', encType: 'application/json' })
                }
              />
            ) : null}
          </li>
        ))}
      </ul>
    </main>
  )
}

function Take({ kind, busy, onTake }: { kind: RegisterKind; busy: boolean; onTake: (csv: string) => void }) {
  const input = useRef<HTMLInputElement>(null)
  return (
    <>
      <input
        ref={input}
        type="file"
        accept=".csv,text/csv,text/plain"
        className="hidden"
        aria-label={`Entries of ${kind}`}
        onChange={(event) => {
          void event.target.files?.[0]?.text().then(onTake)
          event.target.value = ''
        }}
      />
      <button type="button" className="button" disabled={busy} onClick={() => input.current?.click()}>
        <Upload size={16} />
        Take in from CSV
      </button>
    </>
  )
}

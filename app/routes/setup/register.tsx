import { useState } from 'react'
import { data, Link, redirect, useFetcher } from 'react-router'
import { z } from 'zod'
import { guessRegister, type SaidOfColumns } from '../../../core/dossier/index.ts'
import { idFrom, type Register, registerSchema } from '../../../core/program/index.ts'
import { signedIn } from '../../../server/access/people.ts'
import {
  addressOf,
  factsOf,
  firstEntries,
  readCsv,
  registersOf,
  removeRegister,
  saveRegister,
  UnusableRegister,
} from '../../../server/configuration/registers.ts'
import { may, refusalOf } from '../../../server/access/rights.ts'
import { jsonBody } from '../../../server/web/bodies.ts'
import { CSV, PickFile } from '../../parts/pick-file.tsx'
import { Told } from '../../parts/told.tsx'
import type { Route } from './+types/register'
import { MOST_CSV, takenIn } from './register-words.ts'

export const meta = ({ loaderData }: Route.MetaArgs) => [
  { title: `${loaderData?.register?.title ?? 'New register'} · Jigsa` },
]

export async function loader({ request, params }: Route.LoaderArgs) {
  const who = await signedIn(request)
  const facts = await factsOf(who.organisationId)
  const mayChange = may(who, 'set up')
  if (params.id === 'new') return { register: null, entries: [], facts, may: mayChange, outside: false }
  const register = (await registersOf(who.organisationId)).find((r) => r.id === params.id)
  if (!register) throw data('There is no such register.', 404)
  return {
    register,
    facts,
    may: mayChange,
    entries: await firstEntries(who.organisationId, register.id),
    outside: addressOf(who.organisationId, register.id) !== undefined,
  }
}

const csvSchema = z.string().max(MOST_CSV, 'The file is too large.')
const bodySchema = z.discriminatedUnion('act', [
  /** Looks at a file: its columns, its first entries, and what the columns seem to say. */
  z.object({ act: z.literal('look'), title: z.string().max(80), csv: csvSchema }),
  z.object({ act: z.literal('save'), register: registerSchema, csv: csvSchema.nullable() }),
  z.object({ act: z.literal('remove') }),
])
type Body = z.infer<typeof bodySchema>

interface Told {
  problem: string | null
  said: string | null
  looked: (SaidOfColumns & { entries: Record<string, string>[] }) | null
}
const told = (part: Partial<Told>): Told => ({ problem: null, said: null, looked: null, ...part })

export async function action({ request, params }: Route.ActionArgs) {
  const who = await signedIn(request)
  if (!may(who, 'set up')) return data(told({ problem: refusalOf('set up') }), 403)
  const body = bodySchema.safeParse(await jsonBody(request))
  if (!body.success) return data(told({ problem: sentence(body.error.issues[0].message) }), 400)
  try {
    if (body.data.act === 'look') {
      const { head, rows } = await readCsv(body.data.csv)
      // What somebody said of its columns stays, whatever else the new file has.
      const before = (await registersOf(who.organisationId)).find((r) => r.id === params.id)
      const guessed = guessRegister(body.data.title, head, await factsOf(who.organisationId), before)
      return told({ looked: { ...guessed, entries: rows.slice(0, 3) } })
    }
    if (body.data.act === 'remove') {
      await removeRegister(who, params.id)
      return redirect('/registers')
    }
    const { register, csv } = body.data
    const known = (await registersOf(who.organisationId)).some((r) => r.id === register.id)
    if (params.id === 'new' ? known : register.id !== params.id)
      return data(told({ problem: 'There is a register of that name already.' }), 409)
    const taken = await saveRegister(who, register, csv)
    // Entries that say nothing are told, though another page is shown.
    if (params.id === 'new')
      return redirect(`/registers?entries=${taken?.entries ?? 0}&unread=${taken?.unread ?? 0}`)
    return told({ said: `Stored.${taken ? ` ${takenIn(taken)}` : ''}` })
  } catch (error) {
    if (error instanceof UnusableRegister) return data(told({ problem: error.message }), 400)
    throw error
  }
}

const sentence = (words: string): string => `${words[0].toUpperCase()}${words.slice(1).replace(/\.$/, '')}.`

/** A register: what its columns say, and by which of them an entry is found. New ones begin with their file. */
export default function RegisterPage({ loaderData }: Route.ComponentProps) {
  const { register: stored, facts, may, outside } = loaderData
  const looking = useFetcher<typeof action>()
  const saving = useFetcher<typeof action>()
  const [title, setTitle] = useState(stored?.title ?? '')
  const [csv, setCsv] = useState<string | null>(null)
  const [changed, setChanged] = useState<SaidOfColumns | null>(null)
  const looked = looking.data?.looked
  const now = changed ?? looked ?? stored
  const entries = looked?.entries ?? loaderData.entries
  const look = (text: string, called: string) => {
    setCsv(text)
    setChanged(null)
    void looking.submit({ act: 'look', title: called, csv: text } satisfies Body, json)
  }
  const busy = looking.state !== 'idle' || saving.state !== 'idle'
  const save = () => {
    if (!now) return
    const { columns, number, name } = now
    const register: Register = {
      formatVersion: 1,
      id: stored?.id ?? idFrom(title),
      title,
      columns,
      number,
      name,
    }
    // A file that could not be looked at takes the place of nothing.
    void saving.submit({ act: 'save', register, csv: looked ? csv : null } satisfies Body, json)
  }
  const ready = now != null && idFrom(title) !== '' && (now.number ?? now.name) !== null
  return (
    <main className="mx-auto max-w-5xl p-4">
      <Link to="/registers" className="text-sm text-petrol underline">
        All registers
      </Link>
      <h1 className="mb-3 text-xl font-semibold">{stored?.title ?? 'New register'}</h1>
      <Told {...(saving.data ?? looking.data)} />
      <fieldset disabled={!may || busy} className="grid gap-4">
        <label className="grid max-w-sm gap-1">
          <span className="font-semibold">What it is called</span>
          <input
            className="field"
            placeholder="Members, for instance"
            maxLength={80}
            value={title}
            onChange={(event) => setTitle(event.target.value)}
          />
        </label>
        {outside ? null : (
          <div className="flex flex-wrap items-center gap-3">
            <PickFile
              label="File of entries"
              accept={CSV}
              onPick={(file) => void file.text().then((text) => look(text, title))}
            >
              {stored ? 'Look at another CSV file' : 'Choose its CSV file'}
            </PickFile>
            <span className="text-sm text-ink-2">
              A table with a head, as a spreadsheet saves it: commas, semicolons or tabs.
            </span>
          </div>
        )}
        {now ? (
          <>
            <Columns now={now} facts={facts} entries={entries} onChange={setChanged} />
            <span className="flex flex-wrap gap-3">
              <button type="button" className="button-main" disabled={!ready} onClick={save}>
                Store
              </button>
              {stored ? (
                <button
                  type="button"
                  className="button text-plum"
                  onClick={() => {
                    if (window.confirm(`Take “${stored.title}” away, with its entries?`))
                      void saving.submit({ act: 'remove' } satisfies Body, json)
                  }}
                >
                  Take this register away
                </button>
              ) : null}
            </span>
          </>
        ) : null}
      </fieldset>
      {may ? null : <p className="mt-3 text-ink-2">A lead or an administrator changes registers.</p>}
    </main>
  )
}

const json = { method: 'post', encType: 'application/json' } as const

/** Each column with its first entries, the fact that it says, and whether an entry is found by it. */
function Columns({
  now,
  facts,
  entries,
  onChange,
}: {
  now: SaidOfColumns
  facts: Route.ComponentProps['loaderData']['facts']
  entries: readonly Record<string, string>[]
  onChange: (next: SaidOfColumns) => void
}) {
  const { columns, number, name } = now
  const put = (part: Partial<typeof now>) => onChange({ columns, number, name, ...part })
  const say = (column: string, fact: string | null) =>
    put({
      columns: columns.map((c) => (c.name === column ? { ...c, fact } : c)),
      // A column that says nothing finds nothing.
      ...(fact === null && number === column ? { number: null } : {}),
      ...(fact === null && name === column ? { name: null } : {}),
    })
  const head = 'border-b border-line px-3 py-2 font-semibold'
  return (
    <div className="overflow-x-auto rounded-lg border border-line bg-sheet">
      <table className="w-full text-sm">
        <thead className="text-left text-[13px] text-ink-2">
          <tr>
            <th className={head}>Column</th>
            <th className={head}>First entries</th>
            <th className={head}>Says</th>
            <th className={head}>Finds an entry for sure</th>
            <th className={head}>Finds it by likeness</th>
          </tr>
        </thead>
        <tbody>
          {columns.map((column) => (
            <tr key={column.name} className="border-b border-line-2 last:border-0">
              <td className="px-3 py-1.5 font-semibold">{column.name.replaceAll('_', ' ')}</td>
              <td className="max-w-64 px-3 py-1.5 text-[13px] text-ink-2">
                {entries.map((row, i) => (
                  <span key={i} className="block truncate">
                    {row[column.name] || '–'}
                  </span>
                ))}
              </td>
              <td className="px-3 py-1.5">
                <select
                  className="field w-auto py-1"
                  aria-label={`What ${column.name.replaceAll('_', ' ')} says`}
                  value={column.fact ?? ''}
                  onChange={(event) => say(column.name, event.target.value || null)}
                >
                  <option value="">nothing that is compared</option>
                  {facts
                    .filter((f) => f.id === column.fact || !columns.some((c) => c.fact === f.id))
                    .map((f) => (
                      <option key={f.id} value={f.id}>
                        {f.title}
                      </option>
                    ))}
                  {column.fact !== null && !facts.some((f) => f.id === column.fact) ? (
                    <option value={column.fact}>{column.fact}, which no program asks any more</option>
                  ) : null}
                </select>
              </td>
              {(['number', 'name'] as const).map((by) => (
                <td key={by} className="px-3 py-1.5">
                  <input
                    type="checkbox"
                    className="accent-(--petrol)"
                    aria-label={`${column.name.replaceAll('_', ' ')} finds an entry ${by === 'number' ? 'for sure' : 'by likeness'}`}
                    disabled={column.fact === null}
                    checked={now[by] === column.name}
                    onChange={(event) => put({ [by]: event.target.checked ? column.name : null })}
                  />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}

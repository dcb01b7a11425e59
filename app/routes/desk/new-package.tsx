import { useEffect, useRef, useState } from 'react'
import { data, Link, useFetcher, useNavigate } from 'react-router'
import { z } from 'zod'
import { signedIn } from '../../../server/access/people.ts'
import { database } from '../../../server/database/connection.ts'
import { programsOf } from '../../../server/configuration/programs.ts'
import { newPackage } from '../../../server/packages/intake.ts'
import { settings } from '../../../server/settings.ts'
import { jsonBody } from '../../../server/web/bodies.ts'
import { DropZone } from '../../parts/drop-zone.tsx'
import { fileSize } from '../../parts/format.ts'
import { sendFiles } from '../../parts/uploads.ts'
import { Options } from '../../parts/options.tsx'
import type { Route } from './+types/new-package'

export const meta = () => [{ title: 'New package · Jigsa' }]

export async function loader({ request }: Route.LoaderArgs) {
  const who = await signedIn(request)
  const { MOST_FILE_BYTES, MOST_FILE_PAGES } = settings()
  return {
    programs: (await programsOf(database(), who.organisationId)).map(({ body: { id, title } }) => ({
      id,
      title,
    })),
    mostBytes: MOST_FILE_BYTES,
    mostPages: MOST_FILE_PAGES,
    today: new Date().toISOString().slice(0, 10),
  }
}

const bodySchema = z.object({
  program: z.string().max(80),
  asOf: z.iso.date('Give the day to judge on as year, month and day.'),
})

export async function action({ request }: Route.ActionArgs) {
  const who = await signedIn(request)
  const parsed = bodySchema.safeParse(await jsonBody(request))
  if (!parsed.success) return data({ problem: parsed.error.issues[0].message, id: null }, 400)
  if (!(await programsOf(database(), who.organisationId)).some((p) => p.body.id === parsed.data.program))
    return data({ problem: 'There is no such program any more; load the page again.', id: null }, 400)
  return { problem: null, id: await newPackage(parsed.data.program, who, { asOf: parsed.data.asOf }) }
}

/** The package is made when its first files are there, so that nobody leaves empty ones behind. */
export default function NewPackage({
  loaderData: { programs, mostBytes, mostPages, today },
}: Route.ComponentProps) {
  const navigate = useNavigate()
  const fetcher = useFetcher<typeof action>()
  const [program, setProgram] = useState(programs[0]?.id ?? '')
  const [asOf, setAsOf] = useState(today)
  const chosen = useRef<File[]>([])
  const made = fetcher.data?.id
  useEffect(() => {
    // Going on while the screen still loads its data again after the act would be taken back by that load.
    if (!made || fetcher.state !== 'idle') return
    sendFiles(made, chosen.current)
    chosen.current = []
    void navigate(`/packages/${made}/files`)
  }, [made, fetcher.state, navigate])
  const begin = (files: File[]) => {
    if (fetcher.state !== 'idle') return
    chosen.current = files
    void fetcher.submit({ program, asOf }, { method: 'post', encType: 'application/json' })
  }
  if (programs.length === 0)
    return (
      <main className="mx-auto max-w-2xl p-4">
        <h1 className="mb-4 text-xl font-semibold">New package</h1>
        <p className="card p-6 text-ink-2">
          This desk has no program yet that a package could be judged by.{' '}
          <Link className="text-petrol underline" to="/packages">
            See what to set up
          </Link>
        </p>
      </main>
    )
  return (
    <main className="mx-auto max-w-2xl p-4">
      <h1 className="mb-4 text-xl font-semibold">New package</h1>
      <div className="mb-4 flex flex-wrap gap-4">
        <label className="grid gap-1 font-semibold">
          Program
          <select
            className="field font-normal"
            value={program}
            onChange={(event) => setProgram(event.target.value)}
          >
            <Options of={programs} />
          </select>
        </label>
        <label className="grid gap-1 font-semibold">
          Judged on
          <input
            type="date"
            className="field font-normal"
            value={asOf}
            onChange={(event) => setAsOf(event.target.value)}
          />
        </label>
      </div>
      <DropZone
        text="Drop the files of one package here"
        limit={`At most ${fileSize(mostBytes)} and ${mostPages} pages a file.`}
        onFiles={begin}
      />
      {fetcher.state !== 'idle' || made ? (
        <p role="status" className="mt-3 text-ink-2">
          Making the package …
        </p>
      ) : null}
      {fetcher.data?.problem ? (
        <p role="alert" className="odd-edge mt-3 bg-plum-soft px-3 py-2 text-plum">
          {fetcher.data.problem}
        </p>
      ) : null}
      <p className="mt-4">
        <Link to="/packages" className="text-petrol underline">
          Back to the queue
        </Link>
      </p>
    </main>
  )
}

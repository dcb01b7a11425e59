import { useState } from 'react'
import { data, Link, useFetcher } from 'react-router'
import { z } from 'zod'
import { signedIn } from '../../../server/access/people.ts'
import { may, refusalOf } from '../../../server/access/rights.ts'
import { programsOf } from '../../../server/configuration/programs.ts'
import { database } from '../../../server/database/connection.ts'
import { agreeToErase, askErasure, keepingOf, setRetention } from '../../../server/packages/erase.ts'
import { Refused } from '../../../server/packages/states.ts'
import { jsonBody } from '../../../server/web/bodies.ts'
import { Told } from '../../parts/told.tsx'
import type { Route } from './+types/keeping'

export const meta = () => [{ title: 'Keeping · Jigsa' }]

export async function loader({ request }: Route.LoaderArgs) {
  const who = await signedIn(request)
  const { days, held, asked } = await keepingOf(who.organisationId)
  return {
    me: who.id,
    maySetUp: may(who, 'set up'),
    mayAgree: may(who, 'agree to erase'),
    mayErase: may(who, 'erase'),
    programs: (await programsOf(database(), who.organisationId)).map(({ body }) => ({
      id: body.id,
      title: body.title,
      days: days.get(body.id) ?? null,
    })),
    held,
    asked,
  }
}

const [SHORTEST, LONGEST] = [1, 36_500]
const bodySchema = z.discriminatedUnion('act', [
  z.object({
    act: z.literal('days'),
    program: z.string().max(80),
    days: z
      .number()
      .int()
      .min(SHORTEST, 'Give a number of days, or leave it empty.')
      .max(LONGEST, 'Give a number of days, or leave it empty.')
      .nullable(),
  }),
  z.object({ act: z.literal('agree'), id: z.uuid() }),
  z.object({ act: z.literal('keep'), id: z.uuid() }),
])
type Body = z.infer<typeof bodySchema>

export async function action({ request }: Route.ActionArgs) {
  const who = await signedIn(request)
  const body = bodySchema.safeParse(await jsonBody(request))
  if (!body.success) return data({ problem: body.error.issues[0].message, said: null }, 400)
  const asked = body.data
  try {
    if (asked.act === 'days') {
      if (!may(who, 'set up')) return data({ problem: refusalOf('set up'), said: null }, 403)
      await setRetention(who, asked.program, asked.days)
      return { problem: null, said: 'Stored. What is past its days is erased at night.' }
    }
    const right = asked.act === 'agree' ? 'agree to erase' : 'erase'
    if (!may(who, right)) return data({ problem: refusalOf(right), said: null }, 403)
    if (asked.act === 'keep') {
      await askErasure(asked.id, who, null)
      return { problem: null, said: 'It is kept.' }
    }
    await agreeToErase(asked.id, who)
    return { problem: null, said: 'It is erased for good.' }
  } catch (error) {
    if (error instanceof Refused) return data({ problem: error.message, said: null }, 409)
    throw error
  }
}

/** How long packages are kept, what must not be erased, and what is to be. */
export default function Keeping({
  loaderData: { me, maySetUp, mayAgree, mayErase, programs, held, asked },
}: Route.ComponentProps) {
  const fetcher = useFetcher<typeof action>()
  const send = (body: Body) => void fetcher.submit(body, { method: 'post', encType: 'application/json' })
  const busy = fetcher.state !== 'idle'
  return (
    <main className="mx-auto max-w-4xl p-4">
      <h1 className="mb-1 text-xl font-semibold">Keeping</h1>
      <p className="mb-4 text-ink-2">
        An erased package is gone for good: files, pages, values, answers. The trail keeps who did what and
        when, without the words.
      </p>
      <Told {...fetcher.data} />
      <section className="card mb-4 p-4">
        <h2 className="mb-2 font-semibold">Days that finished packages are kept</h2>
        {programs.length === 0 ? <p className="text-ink-2">There is no program yet.</p> : null}
        <ul className="grid gap-2">
          {programs.map((p) => (
            <Days
              key={`${p.id} ${p.days}`}
              program={p}
              may={maySetUp}
              busy={busy}
              onStore={(days) => send({ act: 'days', program: p.id, days })}
            />
          ))}
        </ul>
      </section>
      <section className="card mb-4 p-4">
        <h2 className="mb-2 font-semibold">
          To be erased, once a second person agrees{' '}
          <span className="font-normal text-ink-2">{asked.length}</span>
        </h2>
        {asked.length === 0 ? <p className="text-ink-2">Nothing.</p> : null}
        <ul className="grid gap-3">
          {asked.map((row) => (
            <li key={row.id} className="flex flex-wrap items-center gap-3">
              <Case {...row} />
              <span className="min-w-0 flex-1 text-sm">
                {row.eraseReason}{' '}
                <span className="text-ink-2">
                  ({row.askedById === me ? 'you asked; somebody else agrees' : (row.askedBy ?? 'somebody')})
                </span>
              </span>
              {mayErase ? (
                <button
                  type="button"
                  className="button"
                  disabled={busy}
                  onClick={() => send({ act: 'keep', id: row.id })}
                >
                  Keep it
                </button>
              ) : null}
              {mayAgree && row.askedById !== me ? (
                <button
                  type="button"
                  className="button-main"
                  disabled={busy}
                  onClick={() => {
                    if (window.confirm(`Erase ${row.caseNumber} for good? Nobody can bring it back.`))
                      send({ act: 'agree', id: row.id })
                  }}
                >
                  Erase for good
                </button>
              ) : null}
            </li>
          ))}
        </ul>
      </section>
      <section className="card p-4">
        <h2 className="mb-2 font-semibold">
          On hold <span className="font-normal text-ink-2">{held.length}</span>
        </h2>
        {held.length === 0 ? <p className="text-ink-2">Nothing.</p> : null}
        <ul className="grid gap-2">
          {held.map((row) => (
            <li key={row.id} className="flex flex-wrap items-center gap-3">
              <Case {...row} />
              <span className="min-w-0 flex-1 text-sm">{row.heldBecause}</span>
            </li>
          ))}
        </ul>
      </section>
    </main>
  )
}

function Case({ id, caseNumber, applicant }: { id: string; caseNumber: string; applicant: string | null }) {
  return (
    <Link to={`/packages/${id}/files`} className="w-56 text-petrol underline-offset-2 hover:underline">
      {caseNumber}
      <span className="block text-[13px] text-ink-2">{applicant ?? 'applicant not known'}</span>
    </Link>
  )
}

function Days({
  program,
  may,
  busy,
  onStore,
}: {
  program: { title: string; days: number | null }
  may: boolean
  busy: boolean
  onStore: (days: number | null) => void
}) {
  const [text, setText] = useState(program.days === null ? '' : String(program.days))
  const stored = program.days === null ? '' : String(program.days)
  return (
    <li className="flex flex-wrap items-center gap-3">
      <span className="min-w-40 flex-1">{program.title}</span>
      {may ? (
        <>
          <input
            className="field w-28 py-1"
            inputMode="numeric"
            aria-label={`Days that packages of ${program.title} are kept`}
            placeholder="always"
            value={text}
            onChange={(event) => setText(event.target.value.replace(/\D/g, ''))}
          />
          <span className="w-10 text-sm text-ink-2">days</span>
          <button
            type="button"
            className="button"
            disabled={busy || text === stored}
            onClick={() => onStore(text === '' ? null : Number(text))}
          >
            Store
          </button>
        </>
      ) : (
        <span>{program.days === null ? 'always' : `${program.days} days`}</span>
      )}
    </li>
  )
}

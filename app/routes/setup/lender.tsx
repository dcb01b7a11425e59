import { useState } from 'react'
import { data, useFetcher } from 'react-router'
import type { z } from 'zod'
import {
  countries,
  dateOrderOf,
  dateOrders,
  lenderSchema,
  NO_CURRENCY,
  usualCurrency,
  usualDateOrder,
} from '../../../core/locale/index.ts'
import { signedIn } from '../../../server/access/people.ts'
import { may, refusalOf } from '../../../server/access/rights.ts'
import { lenderOf, organisationName, setColour, setLender } from '../../../server/access/organisations.ts'
import { note } from '../../../server/audit.ts'
import { database } from '../../../server/database/connection.ts'
import { jsonBody } from '../../../server/web/bodies.ts'
import { Told } from '../../parts/told.tsx'
import type { Route } from './+types/lender'

export const meta = () => [{ title: 'Papers of this desk · Jigsa' }]

export async function loader({ request }: Route.LoaderArgs) {
  const who = await signedIn(request)
  return {
    lender: await lenderOf(database(), who.organisationId),
    name: await organisationName(who.organisationId),
    countries: countries().map(({ code, name }) => ({
      code,
      name,
      currency: usualCurrency(code),
      dateOrder: usualDateOrder(code),
    })),
    currencies: Intl.supportedValuesOf('currency'),
    may: may(who, 'say how papers are written'),
  }
}

const writtenSchema = lenderSchema.pick({ country: true, currency: true, dateOrder: true })
type Written = z.infer<typeof writtenSchema>
const colourSchema = lenderSchema.pick({ colour: true })
/** Whether it is the colour that is said, rather than how papers are written. */
const isColour = (raw: unknown): boolean => typeof raw === 'object' && raw !== null && 'colour' in raw

export async function action({ request }: Route.ActionArgs) {
  const who = await signedIn(request)
  if (!may(who, 'say how papers are written'))
    return data({ problem: refusalOf('say how papers are written'), said: null }, 403)
  const raw = await jsonBody(request)
  const body = isColour(raw) ? colourSchema.safeParse(raw) : writtenSchema.safeParse(raw)
  if (!body.success) return data({ problem: `${body.error.issues[0].message}.`, said: null }, 400)
  const said = body.data
  if ('colour' in said) {
    await database().transaction(async (work) => {
      await setColour(work, who.organisationId, said.colour)
      await note(work, who, who, 'said which colour applicants see', said.colour ?? 'the usual one')
    })
    return { problem: null, said: 'Stored. Applicants see it from now on.' }
  }
  await database().transaction(async (work) => {
    await setLender(work, who.organisationId, said)
    await note(work, who, who, 'said how papers are written', inWords(said))
  })
  return {
    problem: null,
    said: 'Stored. Papers that come from now on are read so; packages that are judged again, too.',
  }
}

/** What was said, for the trail. */
const inWords = ({ country, currency, dateOrder }: Written): string =>
  [country ?? 'from anywhere', currency, dateOrder && ORDERS[dateOrder]].filter(Boolean).join(', ')

const ORDERS: Record<(typeof dateOrders)[number], string> = {
  dmy: 'day, month, year',
  mdy: 'month, day, year',
  ymd: 'year, month, day',
}
/** The fourth of March, as each order writes it. */
const WRITTEN = { dmy: '04/03/2026', mdy: '03/04/2026', ymd: '2026/03/04' } as const

/** How the papers of an organisation are written where they do not say it themselves. */
export default function LenderPage({ loaderData }: Route.ComponentProps) {
  const { lender, may } = loaderData
  const fetcher = useFetcher<typeof action>()
  const [draft, setDraft] = useState<Written>({
    country: lender.country,
    currency: lender.currency,
    dateOrder: dateOrderOf(lender),
  })
  const put = (part: Partial<Written>) => setDraft((now) => ({ ...now, ...part }))
  // What is usual in a country is filled in with it; each can still be another.
  const choose = (code: string) => {
    const country = loaderData.countries.find((c) => c.code === code)
    put({
      country: code === '' ? null : code,
      ...(country?.currency ? { currency: country.currency } : {}),
      ...(country?.dateOrder ? { dateOrder: country.dateOrder } : {}),
    })
  }
  return (
    <main className="mx-auto max-w-3xl p-4">
      <h1 className="mb-1 text-xl font-semibold">Papers of this desk</h1>
      <p className="mb-4 text-ink-2">
        How most papers here are written. Each paper is looked at by itself: one in another currency, or with
        the month first, is read as it shows. This counts where a paper does not show it.
      </p>
      <Told {...fetcher.data} />
      <fieldset disabled={!may || fetcher.state !== 'idle'} className="card grid gap-4 p-4">
        <label className="grid gap-1">
          <span className="font-semibold">Country</span>
          <select className="field" value={draft.country ?? ''} onChange={(e) => choose(e.target.value)}>
            <option value="">from anywhere</option>
            {loaderData.countries.map(({ code, name }) => (
              <option key={code} value={code}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <label className="grid gap-1">
          <span className="font-semibold">Currency of amounts that say none</span>
          <select
            className="field"
            value={draft.currency}
            onChange={(e) => put({ currency: e.target.value })}
          >
            <option value={NO_CURRENCY}>not said: every amount must say it</option>
            {loaderData.currencies.map((code) => (
              <option key={code} value={code}>
                {currencyName(code)}
              </option>
            ))}
          </select>
        </label>
        <fieldset className="grid gap-1">
          <legend className="font-semibold">Days in figures</legend>
          {dateOrders.map((order) => (
            <label key={order} className="flex items-center gap-2">
              <input
                type="radio"
                className="accent-(--petrol)"
                name="order"
                checked={draft.dateOrder === order}
                onChange={() => put({ dateOrder: order })}
              />
              {ORDERS[order]}
              <span className="text-ink-2">
                4 March is <span className="font-mono">{WRITTEN[order]}</span>
              </span>
            </label>
          ))}
        </fieldset>
        {may ? (
          <button
            type="button"
            className="button-main justify-self-start"
            onClick={() => void fetcher.submit(draft, { method: 'post', encType: 'application/json' })}
          >
            Store
          </button>
        ) : (
          <p className="text-ink-2">An administrator changes this.</p>
        )}
      </fieldset>
      <Colour stored={lender.colour} name={loaderData.name} may={may} />
    </main>
  )
}

/** The colour by which applicants know whom their page is from. */
function Colour({ stored, name, may }: { stored: string | null; name: string; may: boolean }) {
  const fetcher = useFetcher<typeof action>()
  const [colour, setColour] = useState(stored ?? OURS)
  const store = (chosen: string | null) =>
    void fetcher.submit({ colour: chosen }, { method: 'post', encType: 'application/json' })
  return (
    <section className="mt-6">
      <h2 className="mb-1 text-lg font-semibold">What applicants see</h2>
      <p className="mb-3 text-ink-2">
        The page on which applicants answer stands under this name and in this colour. Where it would be hard
        to read it is made a little darker, or lighter at night.
      </p>
      <Told {...fetcher.data} />
      <fieldset
        disabled={!may || fetcher.state !== 'idle'}
        className="card flex flex-wrap items-center gap-4 p-4"
      >
        <label className="flex items-center gap-3">
          <span className="font-semibold">Colour</span>
          <input
            type="color"
            className="h-10 w-16 cursor-pointer rounded border border-line bg-raised p-1"
            value={colour}
            onChange={(event) => setColour(event.target.value)}
          />
          <span className="font-mono">{colour}</span>
        </label>
        {may ? (
          <>
            <button type="button" className="button-main" onClick={() => store(colour)}>
              Take this colour
            </button>
            {stored ? (
              <button
                type="button"
                className="button"
                onClick={() => {
                  setColour(OURS)
                  store(null)
                }}
              >
                Take the usual one
              </button>
            ) : null}
          </>
        ) : null}
        <span className="ml-auto text-ink-2">{name}</span>
      </fieldset>
    </section>
  )
}

/** What a page for applicants is in where its lender named no colour: the accent of the sheet. */
const OURS = '#0d5c6b'

const currencyName = (code: string): string =>
  `${code} · ${new Intl.DisplayNames('en', { type: 'currency' }).of(code) ?? code}`

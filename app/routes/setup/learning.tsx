import { clsx } from 'clsx'
import { useEffect } from 'react'
import { data, useFetcher, useRevalidator } from 'react-router'
import { z } from 'zod'
import type { TrialScore } from '../../../core/classification/index.ts'
import { signedIn } from '../../../server/access/people.ts'
import { database } from '../../../server/database/connection.ts'
import { typesOf } from '../../../server/configuration/types.ts'
import {
  beginLesson,
  learningState,
  useLesson as switchLesson,
} from '../../../server/configuration/lessons.ts'
import { may, refusalOf } from '../../../server/access/rights.ts'
import { jsonBody } from '../../../server/web/bodies.ts'
import { count, moment, recutInWords } from '../../parts/format.ts'
import { Told } from '../../parts/told.tsx'
import type { Route } from './+types/learning'

export const meta = () => [{ title: 'Learning · Jigsa' }]

/** With fewer packages kept aside than this a trial says little. */
const FEW = 5

export async function loader({ request }: Route.LoaderArgs) {
  const who = await signedIn(request)
  return {
    ...(await learningState(who)),
    may: may(who, 'set up'),
    titles: {
      ...Object.fromEntries((await typesOf(database(), who.organisationId)).map((t) => [t.id, t.title])),
      unknown: 'Of no known type',
    } as Record<string, string>,
  }
}

const bodySchema = z.discriminatedUnion('act', [
  z.object({ act: z.literal('learn') }),
  z.object({ act: z.literal('use'), id: z.uuid().nullable() }),
])

export async function action({ request }: Route.ActionArgs) {
  const who = await signedIn(request)
  const body = bodySchema.safeParse(await jsonBody(request))
  if (!body.success)
    return data({ problem: 'That could not be understood; load the page again.', said: null }, 400)
  if (!may(who, 'set up')) return data({ problem: refusalOf('set up'), said: null }, 403)
  if (body.data.act === 'learn') {
    await beginLesson(who)
    return { problem: null, said: null }
  }
  const recut = await switchLesson(who, body.data.id)
  if (recut === null)
    return data({ problem: 'There is no such lesson, or it is not ready.', said: null }, 404)
  return {
    problem: null,
    said: `${body.data.id ? 'This lesson is used from now on' : 'No lesson is used any more'}.${recutInWords(recut)}`,
  }
}

/** What confirmed papers teach: samples by type, what is kept aside, how lessons did on it, and which one is used. */
export default function Learning({
  loaderData: { types, packagesAside, lessons, may, titles },
}: Route.ComponentProps) {
  const fetcher = useFetcher<typeof action>()
  const { revalidate } = useRevalidator()
  const learning = lessons.some((l) => l.state === 'learning')
  useEffect(() => {
    if (!learning) return
    const timer = setInterval(() => void revalidate(), 1500)
    return () => clearInterval(timer)
  }, [learning, revalidate])
  const send = (body: z.infer<typeof bodySchema>) =>
    void fetcher.submit(body, { method: 'post', encType: 'application/json' })
  const samples = types.reduce((sum, t) => sum + t.samples, 0)
  const inUse = lessons.find((l) => l.on)
  return (
    <main className="mx-auto max-w-6xl p-4">
      <div className="mb-1 flex flex-wrap items-center gap-3">
        <h1 className="mr-auto text-xl font-semibold">Learning</h1>
        {may ? (
          <button
            type="button"
            className="button-main"
            disabled={samples === 0 || learning || fetcher.state !== 'idle'}
            onClick={() => send({ act: 'learn' })}
          >
            Make a lesson of {count(samples, 'paper')}
          </button>
        ) : null}
        {may && inUse ? (
          <a className="button" href="/knowledge/file" download>
            Export
          </a>
        ) : null}
        {may && inUse ? (
          <button
            type="button"
            className="button"
            disabled={fetcher.state !== 'idle'}
            onClick={() => send({ act: 'use', id: null })}
          >
            Use none
          </button>
        ) : null}
      </div>
      <p className="mb-4 max-w-3xl text-ink-2">
        Papers of finished packages, and papers whose type a person said, are samples of their types. Every
        fourth finished package is kept aside: a lesson is tried on it before anybody uses it. What is learnt
        here stays with this organisation.
      </p>
      <Told {...fetcher.data} />
      <div className="grid items-start gap-4 lg:grid-cols-[330px_minmax(0,1fr)]">
        <Samples types={types} packagesAside={packagesAside} titles={titles} />
        <section aria-label="Lessons" className="grid gap-3">
          {lessons.length === 0 ? (
            <p className="card p-8 text-center text-ink-2">
              No lesson was made yet. Papers are known by their wording alone, which needs no samples; a
              lesson adds the looks and wording of those that come here.
            </p>
          ) : null}
          {lessons.map((lesson) => (
            <LessonCard
              key={lesson.id}
              lesson={lesson}
              titles={titles}
              busy={fetcher.state !== 'idle'}
              onUse={may ? () => send({ act: 'use', id: lesson.id }) : null}
            />
          ))}
        </section>
      </div>
    </main>
  )
}

type Loaded = Route.ComponentProps['loaderData']
type Titles = Record<string, string>

/** Papers by type that a lesson is made of, and those that it is tried on. */
function Samples({ types, packagesAside, titles }: Pick<Loaded, 'types' | 'packagesAside' | 'titles'>) {
  return (
    <section className="card p-4">
      <h2 className="mb-2 font-semibold">Papers to learn from</h2>
      {types.length === 0 ? (
        <p className="text-ink-2">
          None yet. Finish a package, or say the type of a paper that was asked about.
        </p>
      ) : (
        <table className="w-full text-sm">
          <thead>
            <tr className="text-left text-[13px] text-ink-2">
              <th className="font-semibold">Type</th>
              <th className="text-right font-semibold">Samples</th>
              <th className="pl-3 text-right font-semibold">Kept aside</th>
            </tr>
          </thead>
          <tbody>
            {types.map((t) => (
              <tr key={t.type}>
                <td className="border-t border-line-2 py-1">{titles[t.type] ?? t.type}</td>
                <td className="border-t border-line-2 text-right">
                  {t.samples || <span className="text-ink-3">none</span>}
                </td>
                <td className="border-t border-line-2 pl-3 text-right">
                  {t.aside || <span className="text-ink-3">none</span>}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <p className="mt-3 text-[13px] text-ink-2">
        {packagesAside === 0
          ? 'No package is kept aside yet, so a lesson cannot be tried.'
          : `${count(packagesAside, 'package')} ${packagesAside === 1 ? 'is' : 'are'} kept aside.`}
        {packagesAside > 0 && packagesAside < FEW
          ? ' That is few: the figures of a trial say little yet.'
          : ''}
      </p>
    </section>
  )
}

/** A lesson: when and of what it was made, how it did, and whether it is used. */
function LessonCard({
  lesson,
  titles,
  busy,
  onUse,
}: {
  lesson: Loaded['lessons'][number]
  titles: Titles
  busy: boolean
  /** Null where somebody may not switch lessons on. */
  onUse: (() => void) | null
}) {
  return (
    <article className={`card p-4 ${lesson.on ? 'border-petrol shadow-[0_0_0_1px_var(--petrol)]' : ''}`}>
      <div className="flex flex-wrap items-baseline gap-3">
        <h2 className="font-semibold">
          <time suppressHydrationWarning>{moment(lesson.createdAt)}</time>
        </h2>
        <span className="mr-auto text-sm text-ink-2">
          {lesson.by ?? 'somebody'}
          {lesson.trial
            ? ` · ${count(
                lesson.trial.samples.reduce((s, t) => s + t.papers, 0),
                'paper',
              )} of ${count(lesson.trial.samples.length, 'type')}`
            : ''}
        </span>
        {lesson.state === 'learning' ? (
          <span role="status" className="text-sm">
            being made …
          </span>
        ) : lesson.state === 'failed' ? (
          <span className="text-sm font-semibold text-plum">could not be made; make another</span>
        ) : lesson.on ? (
          <span className="rounded-full border border-petrol px-2 text-sm text-petrol">in use</span>
        ) : onUse ? (
          <button type="button" className="button px-2 py-1" disabled={busy} onClick={onUse}>
            Use this one
          </button>
        ) : null}
      </div>
      {lesson.trial ? (
        <Scores
          before={lesson.trial.before}
          after={lesson.trial.after}
          aside={lesson.trial.packagesAside}
          titles={titles}
        />
      ) : null}
    </article>
  )
}

function Scores({ before, after, aside, titles }: Compared & { aside: number; titles: Titles }) {
  if (aside === 0)
    return (
      <p className="mt-2 text-sm text-ink-2">
        It could not be tried: no package was kept aside when it was made.
      </p>
    )
  return (
    <div className="mt-3 grid gap-4 text-sm md:grid-cols-2">
      <Figures before={before} after={after} aside={aside} />
      <Confusions before={before} after={after} titles={titles} />
    </div>
  )
}

interface Compared {
  before: TrialScore
  after: TrialScore
}

function Figures({ before, after, aside }: Compared & { aside: number }) {
  const rows: [name: string, of: (s: TrialScore) => string, better: number][] = [
    ['Papers of the right pages and type', (s) => `${s.right} of ${s.documents}`, after.right - before.right],
    ['of them placed without asking', (s) => String(s.sure), after.sure - before.sure],
    [
      'Papers wrong, and nobody asked',
      (s) => String(s.wrongUnasked),
      before.wrongUnasked - after.wrongUnasked,
    ],
    ['Pages of the right type', (s) => `${s.pagesRight} of ${s.pages}`, after.pagesRight - before.pagesRight],
  ]
  return (
    <table>
      <caption className="mb-1 text-left text-[13px] text-ink-2">
        On {count(aside, 'package')} kept aside
      </caption>
      <thead>
        <tr className="text-[13px] text-ink-2">
          <th />
          <th className="text-right font-semibold">without</th>
          <th className="pl-3 text-right font-semibold">with it</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(([name, of, better]) => (
          <tr key={name}>
            <td className="border-t border-line-2 py-1 pr-2">{name}</td>
            <td className="border-t border-line-2 text-right whitespace-nowrap">{of(before)}</td>
            <td
              className={clsx(
                'border-t border-line-2 pl-3 text-right whitespace-nowrap',
                better > 0 ? 'font-bold text-petrol' : better < 0 ? 'font-bold text-plum' : '',
              )}
            >
              {of(after)}
              {better > 0 ? ' ↑' : better < 0 ? ' ↓' : ''}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}

/** Types that were taken for others, by pages. */
function Confusions({ before, after, titles }: Compared & { titles: Titles }) {
  const mixed = new Map<string, { from: string; to: string; before: number; after: number }>()
  for (const [when, score] of [
    ['before', before],
    ['after', after],
  ] as const)
    for (const { from, to, pages } of score.confusions) {
      const row = mixed.get(`${from} ${to}`) ?? { from, to, before: 0, after: 0 }
      mixed.set(`${from} ${to}`, { ...row, [when]: pages })
    }
  return (
    <table className="self-start">
      <caption className="mb-1 text-left text-[13px] text-ink-2">Pages taken for another type</caption>
      {mixed.size === 0 ? (
        <tbody>
          <tr>
            <td className="border-t border-line-2 py-1">none, without it or with it</td>
          </tr>
        </tbody>
      ) : (
        <>
          <thead>
            <tr className="text-[13px] text-ink-2">
              <th className="text-left font-semibold">truly</th>
              <th className="text-left font-semibold">taken for</th>
              <th className="text-right font-semibold">without</th>
              <th className="pl-3 text-right font-semibold">with</th>
            </tr>
          </thead>
          <tbody>
            {[...mixed.values()].map((m) => (
              <tr key={`${m.from} ${m.to}`}>
                <td className="border-t border-line-2 py-1 pr-2">{titles[m.from] ?? m.from}</td>
                <td className="border-t border-line-2 pr-2">{titles[m.to] ?? m.to}</td>
                <td className="border-t border-line-2 text-right">{m.before}</td>
                <td className="border-t border-line-2 pl-3 text-right">{m.after}</td>
              </tr>
            ))}
          </tbody>
        </>
      )}
    </table>
  )
}

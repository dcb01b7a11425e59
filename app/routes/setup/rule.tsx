import { useEffect, useRef, useState } from 'react'
import { data, Link, redirect, useFetcher, useNavigation, useSubmit } from 'react-router'
import { z } from 'zod'
import { grow, type Box } from '../../../core/model/geometry.ts'
import type { RuleChange } from '../../../core/classification/user-rules-trial.ts'
import { areaOf, ruleSchema, type Rule, type RulePlace } from '../../../core/classification/user-rules.ts'
import { signedIn } from '../../../server/access/people.ts'
import { database } from '../../../server/database/connection.ts'
import { typesOf } from '../../../server/configuration/types.ts'
import { packagesToTry, rulesOf, saveRule } from '../../../server/configuration/rules.ts'
import { count } from '../../parts/format.ts'
import { useKeys } from '../../parts/keys.ts'
import type { Picked } from '../../package/looking.tsx'
import { PageView } from '../../package/page-view.tsx'
import type { action as tryAction, loader as pagesLoader } from '../package/rule-trial.ts'
import type { Route } from './+types/rule'

export const meta = ({ loaderData }: Route.MetaArgs) => [
  { title: `${loaderData?.rule?.name ?? 'New rule'} · Jigsa` },
]

const idSchema = z.union([z.literal('new'), z.uuid()])

export async function loader({ request, params }: Route.LoaderArgs) {
  const who = await signedIn(request)
  const id = idSchema.safeParse(params.id)
  const stored =
    id.success && id.data !== 'new' ? (await rulesOf(who)).find((r) => r.id === id.data) : undefined
  if (!id.success || (id.data !== 'new' && !stored)) throw data('There is no such rule.', 404)
  return {
    id: stored?.id ?? null,
    rule: stored?.body ?? null,
    on: stored?.on ?? false,
    packages: await packagesToTry(who),
    types: (await typesOf(database(), who.organisationId)).map(({ id: type, title }) => ({
      id: type,
      title,
    })),
  }
}

export async function action({ request, params }: Route.ActionArgs) {
  const who = await signedIn(request)
  const id = idSchema.safeParse(params.id)
  const rule = ruleSchema.safeParse(await request.json().catch(() => null))
  if (!id.success) throw data('There is no such rule.', 404)
  if (!rule.success)
    return data({ problem: 'Give the rule a name of three letters, and words of two letters or more.' }, 400)
  const { says } = rule.data
  if (
    says.kind === 'type' &&
    !(await typesOf(database(), who.organisationId)).some((t) => t.id === says.type)
  )
    return data({ problem: 'Say what the page is.' }, 400)
  if (!(await saveRule(who, id.data === 'new' ? null : id.data, rule.data)))
    throw data('There is no such rule any more.', 404)
  return redirect('/rules')
}

const EMPTY: Rule = {
  name: '',
  says: { kind: 'begins' },
  words: [{ text: '', place: 'anywhere' }],
  without: [],
}
/** How far around picked words they may stand on other pages, as shares of the page. */
const [WIDER, HIGHER] = [0.08, 0.05]

/** A rule in a form, tried on a package while it is written. */
export default function RuleEditor({
  loaderData: { id, rule: stored, on, packages, types },
  actionData,
}: Route.ComponentProps) {
  const [rule, setRule] = useState<Rule>(stored ?? EMPTY)
  const [packageId, setPackageId] = useState(packages[0]?.id ?? '')
  const [pickFor, setPickFor] = useState<number | null>(null)
  const submit = useSubmit()
  const saving = useNavigation().state !== 'idle'
  const change = (part: Partial<Rule>) => setRule((now) => ({ ...now, ...part }))
  const word = (i: number, part: Partial<Rule['words'][number]>) =>
    change({ words: rule.words.map((w, k) => (k === i ? { ...w, ...part } : w)) })
  const picked = ({ text, box }: Picked) => {
    if (pickFor === null) return
    word(pickFor, { text: text.slice(0, 120), place: grow(box, WIDER, HIGHER) })
    setPickFor(null)
  }
  const ready = ruleSchema.safeParse(rule).success
  return (
    <main className="mx-auto grid h-full max-w-7xl gap-4 p-4 lg:grid-cols-[minmax(340px,480px)_minmax(0,1fr)]">
      <form
        className="min-h-0 space-y-4 overflow-auto px-1 pb-2"
        onSubmit={(event) => {
          event.preventDefault()
          void submit(rule, { method: 'post', encType: 'application/json' })
        }}
      >
        <div>
          <Link to="/rules" className="text-sm text-petrol underline">
            All rules
          </Link>
          <h1 className="text-xl font-semibold">{stored ? 'Change a rule' : 'A new rule'}</h1>
        </div>
        <label className="block font-semibold">
          Its name
          <input
            className="field mt-1 font-normal"
            value={rule.name}
            maxLength={80}
            autoFocus
            onChange={(event) => change({ name: event.target.value })}
            placeholder="Landing slips of the fish auction"
          />
        </label>
        <fieldset className="space-y-2">
          <legend className="mb-1 font-semibold">Where these words stand</legend>
          {rule.words.map((w, i) => (
            <div key={i} className="flex flex-wrap items-center gap-2">
              <input
                aria-label={`Words ${i + 1}`}
                className="field min-w-40 flex-1"
                value={w.text}
                maxLength={120}
                onChange={(event) => word(i, { text: event.target.value })}
                placeholder="as they are printed"
              />
              <select
                aria-label={`Place of words ${i + 1}`}
                className="field w-auto py-2"
                value={typeof w.place === 'string' ? w.place : 'here'}
                onChange={(event) =>
                  word(i, {
                    place: event.target.value === 'here' ? w.place : (event.target.value as RulePlace),
                  })
                }
              >
                <option value="anywhere">anywhere</option>
                <option value="top">at the top</option>
                <option value="bottom">at the bottom</option>
                {typeof w.place === 'string' ? null : <option value="here">where picked</option>}
              </select>
              <button
                type="button"
                className={`button px-2 py-1.5 ${pickFor === i ? 'border-petrol bg-petrol-soft' : ''}`}
                disabled={!packageId}
                onClick={() => setPickFor(pickFor === i ? null : i)}
              >
                {pickFor === i ? 'click or drag on the page' : 'pick on the page'}
              </button>
              {rule.words.length > 1 ? (
                <button
                  type="button"
                  className="text-sm underline"
                  onClick={() => change({ words: rule.words.filter((_, k) => k !== i) })}
                >
                  leave out
                </button>
              ) : null}
            </div>
          ))}
          {rule.words.length < 6 ? (
            <button
              type="button"
              className="text-sm text-petrol underline"
              onClick={() => change({ words: [...rule.words, { text: '', place: 'anywhere' }] })}
            >
              and these words too
            </button>
          ) : null}
        </fieldset>
        <fieldset className="space-y-2">
          <legend className="mb-1 font-semibold">and none of these</legend>
          {rule.without.map((text, i) => (
            <div key={i} className="flex items-center gap-2">
              <input
                aria-label={`Words that must not stand ${i + 1}`}
                className="field flex-1"
                value={text}
                maxLength={120}
                onChange={(event) =>
                  change({ without: rule.without.map((t, k) => (k === i ? event.target.value : t)) })
                }
              />
              <button
                type="button"
                className="text-sm underline"
                onClick={() => change({ without: rule.without.filter((_, k) => k !== i) })}
              >
                leave out
              </button>
            </div>
          ))}
          {rule.without.length < 6 ? (
            <button
              type="button"
              className="text-sm text-petrol underline"
              onClick={() => change({ without: [...rule.without, ''] })}
            >
              words that must not stand there
            </button>
          ) : null}
        </fieldset>
        <fieldset className="space-y-2">
          <legend className="mb-1 font-semibold">it follows that</legend>
          <label className="flex items-center gap-2">
            <input
              type="radio"
              name="says"
              className="accent-(--petrol)"
              checked={rule.says.kind === 'begins'}
              onChange={() => change({ says: { kind: 'begins' } })}
            />
            a new document starts on that page
          </label>
          <label className="flex flex-wrap items-center gap-2">
            <input
              type="radio"
              name="says"
              className="accent-(--petrol)"
              checked={rule.says.kind === 'type'}
              onChange={() => change({ says: { kind: 'type', type: types[0].id } })}
            />
            that page is a
            <select
              aria-label="Type"
              className="field w-auto py-1.5"
              value={rule.says.kind === 'type' ? rule.says.type : ''}
              onChange={(event) => change({ says: { kind: 'type', type: event.target.value } })}
            >
              {rule.says.kind === 'type' ? null : <option value="">…</option>}
              {types.map((t) => (
                <option key={t.id} value={t.id}>
                  {t.title}
                </option>
              ))}
            </select>
          </label>
        </fieldset>
        {actionData?.problem ? (
          <p role="alert" className="odd-edge rounded-md border border-line bg-sheet px-3 py-2">
            {actionData.problem}
          </p>
        ) : null}
        <div className="flex items-center gap-3">
          <button className="button-main" disabled={!ready || saving}>
            Keep the rule
          </button>
          <span className="text-sm text-ink-2">
            {!ready
              ? 'It needs a name and words.'
              : on
                ? 'Changed, it is off until a lead switches it on.'
                : 'It stays off until a lead switches it on.'}
          </span>
        </div>
      </form>
      <Trial
        rule={rule}
        ready={ready}
        id={id}
        packages={packages}
        packageId={packageId}
        onPackage={setPackageId}
        picking={pickFor !== null}
        onPicked={picked}
        titles={new Map(types.map((t) => [t.id, t.title]))}
      />
    </main>
  )
}

const NONE: readonly Box[] = []

/** The rule on a package: its hits one by one, and what would change. */
function Trial({
  rule,
  ready,
  id,
  packages,
  packageId,
  onPackage,
  picking,
  onPicked,
  titles,
}: {
  rule: Rule
  ready: boolean
  id: string | null
  packages: Route.ComponentProps['loaderData']['packages']
  packageId: string
  onPackage: (id: string) => void
  picking: boolean
  onPicked: (picked: Picked) => void
  titles: ReadonlyMap<string, string>
}) {
  const { submit, data: found, state } = useFetcher<typeof tryAction>()
  const { load, data: whole } = useFetcher<typeof pagesLoader>()
  useEffect(() => {
    if (packageId) void load(`/packages/${packageId}/rule-trial`)
  }, [packageId, load])
  const [at, setAt] = useState(0)
  const [free, setFree] = useState(1)
  const asked = useRef('')
  useEffect(() => {
    if (!packageId) return
    // A rule without a name yet can be tried all the same.
    const body = { rule: { ...rule, name: rule.name.trim().length >= 3 ? rule.name : 'This rule' }, id }
    if (!ruleSchema.safeParse(body.rule).success) return
    const key = JSON.stringify([packageId, body])
    if (key === asked.current) return
    const timer = setTimeout(() => {
      asked.current = key
      void submit(body, {
        method: 'post',
        action: `/packages/${packageId}/rule-trial`,
        encType: 'application/json',
      })
    }, 350)
    return () => clearTimeout(timer)
  }, [rule, packageId, id, submit, ready])
  const trial = found?.trial ?? null
  const hits = trial?.hits ?? []
  const hit = hits[Math.min(at, hits.length - 1)]
  const sheets = whole?.sheets ?? []
  const page = picking || !hit ? Math.min(free, Math.max(1, sheets.length)) : hit.page
  const sheet = sheets[page - 1]
  const step = (by: number) => {
    if (picking || hits.length === 0) setFree((now) => Math.max(1, Math.min(sheets.length || 1, now + by)))
    else setAt((now) => (Math.min(now, hits.length - 1) + by + hits.length) % hits.length)
  }
  useKeys({ '.': () => step(1), ',': () => step(-1) })
  const told = trial ? changesInWords(trial.changes, titles) : []
  if (packages.length === 0)
    return (
      <section className="card grid place-items-center p-8 text-center text-ink-2">
        Once a package is read, a rule can be tried on it here.
      </section>
    )
  return (
    <section aria-label="Trial" className="flex min-h-0 flex-col rounded-lg bg-band p-3">
      <div className="mb-2 flex flex-wrap items-center gap-2 text-sm">
        <label className="flex items-center gap-2 font-semibold">
          Tried on
          <select
            className="field w-auto max-w-80 py-1.5 font-normal"
            value={packageId}
            onChange={(event) => {
              onPackage(event.target.value)
              setAt(0)
            }}
          >
            {packages.map((p) => (
              <option key={p.id} value={p.id}>
                {p.caseNumber} · {p.applicant ?? 'applicant not known'} · {count(p.pages, 'page')}
              </option>
            ))}
          </select>
        </label>
        <span role="status" className="mr-auto text-ink-2">
          {!trial
            ? state !== 'idle'
              ? 'trying …'
              : 'write some words'
            : hits.length === 0
              ? 'applies to no page'
              : `applies to ${count(hits.length, 'page')}${picking || !hit ? '' : `, this is ${Math.min(at, hits.length - 1) + 1} of them: page ${hit.page}`}`}
        </span>
        <button type="button" className="button px-2 py-1" onClick={() => step(-1)}>
          <span className="key">,</span>
          {picking || hits.length === 0 ? 'page before' : 'hit before'}
        </button>
        <button type="button" className="button px-2 py-1" onClick={() => step(1)}>
          <span className="key">.</span>
          {picking || hits.length === 0 ? 'next page' : 'next hit'}
        </button>
      </div>
      {found?.problem ? (
        <p className="odd-edge mb-2 rounded-md border border-line bg-sheet px-3 py-2 text-sm">
          {found.problem}
        </p>
      ) : null}
      {trial && hits.length > 0 ? (
        <div className="mb-2 max-h-32 overflow-auto rounded-md border border-line bg-sheet px-3 py-2 text-sm">
          <b>What would change</b>
          {told.length === 0 ? (
            <span className="ml-2 text-ink-2">nothing: the pages say so themselves</span>
          ) : (
            <ul>
              {told.map(({ page: n, text, asked: isAsked }) => (
                <li key={text} className={isAsked ? 'border-l-4 border-dashed border-amber pl-2' : 'pl-3'}>
                  <button
                    type="button"
                    className="text-left underline-offset-2 hover:underline"
                    onClick={() => {
                      const to = hits.findIndex((h) => h.page === n)
                      if (to >= 0) setAt(to)
                    }}
                  >
                    {text}
                  </button>
                </li>
              ))}
            </ul>
          )}
        </div>
      ) : null}
      <div className="min-h-0 flex-1 overflow-auto">
        {sheet ? (
          <div className="mx-auto max-w-2xl">
            <PageView
              packageId={packageId}
              sheet={sheet}
              marks={hit && !picking && hit.page === page ? hit.places : NONE}
              found={rule.words.flatMap((w) => (typeof w.place === 'string' ? [] : [areaOf(w.place)]))}
              picking={picking}
              onPicked={onPicked}
            />
          </div>
        ) : (
          <p className="p-8 text-center text-ink-2">The pages are on their way.</p>
        )}
      </div>
    </section>
  )
}

function changesInWords(
  changes: readonly RuleChange[],
  titles: ReadonlyMap<string, string>,
): { page: number; text: string; asked: boolean }[] {
  const title = (type: string) => (titles.get(type) ?? 'of no known type').toLowerCase()
  return changes.map((change) => {
    if (change.kind === 'begins')
      return {
        page: change.page,
        asked: false,
        text: change.now
          ? `A document starts on page ${change.page}`
          : `No document starts on page ${change.page} any more`,
      }
    if (change.kind === 'type')
      return {
        page: change.page,
        asked: false,
        text: `Page ${change.page}: ${title(change.to)}, not ${title(change.from)}`,
      }
    return {
      page: change.page,
      asked: true,
      text: `Page ${change.page} says otherwise: a person would be asked`,
    }
  })
}

import { useEffect, useRef, useState } from 'react'
import { useFetcher } from 'react-router'
import { areaOf, type Rule, ruleSchema } from '../../core/classification/index.ts'
import type { Box } from '../../core/model/index.ts'
import type { Picked } from '../package/looking.tsx'
import { PageView } from '../package/page-view.tsx'
import { count } from '../parts/format.ts'
import { useKeys } from '../parts/keys.ts'
import { changesInWords, hitsInWords } from './in-words.ts'
import type { action as tryAction, loader as pagesLoader } from '../routes/package/rule-trial.ts'

const NONE: readonly Box[] = []
/** Time in ms after which what was written is tried. */
const PAUSE = 350

/** What a rule does on a package, tried anew when either changes. */
function useTried(rule: Rule, id: string | null, packageId: string) {
  const { submit, data: found, state } = useFetcher<typeof tryAction>()
  const { load, data: whole } = useFetcher<typeof pagesLoader>()
  useEffect(() => {
    if (packageId) void load(`/packages/${packageId}/rule-trial`)
  }, [packageId, load])
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
    }, PAUSE)
    return () => clearTimeout(timer)
  }, [rule, packageId, id, submit])
  return {
    trial: found?.trial ?? null,
    problem: found?.problem,
    trying: state !== 'idle',
    sheets: whole?.sheets ?? [],
  }
}

/** The rule on a package: its hits one by one, and what would change. */
export function RuleTrial({
  rule,
  id,
  packages,
  packageId,
  onPackage,
  picking,
  onPicked,
  titles,
}: {
  rule: Rule
  id: string | null
  packages: readonly { id: string; caseNumber: string; applicant: string | null; pages: number }[]
  packageId: string
  onPackage: (id: string) => void
  picking: boolean
  onPicked: (picked: Picked) => void
  titles: ReadonlyMap<string, string>
}) {
  const { trial, problem, trying, sheets } = useTried(rule, id, packageId)
  const [at, setAt] = useState(0)
  const [free, setFree] = useState(1)
  const hits = trial?.hits ?? []
  const hit = picking ? undefined : hits[Math.min(at, hits.length - 1)]
  const page = hit ? hit.page : Math.min(free, Math.max(1, sheets.length))
  const sheet = sheets[page - 1]
  const step = (by: number) => {
    if (picking || hits.length === 0) setFree((now) => Math.max(1, Math.min(sheets.length || 1, now + by)))
    else setAt((now) => (Math.min(now, hits.length - 1) + by + hits.length) % hits.length)
  }
  useKeys({ '.': () => step(1), ',': () => step(-1) })
  if (packages.length === 0)
    return (
      <section className="card grid place-items-center p-8 text-center text-ink-2">
        Once a package is read, a rule can be tried on it here.
      </section>
    )
  const stepping = picking || hits.length === 0 ? ['page before', 'next page'] : ['hit before', 'next hit']
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
          {trial
            ? hitsInWords(hits.length, hit && { number: Math.min(at, hits.length - 1) + 1, page: hit.page })
            : trying
              ? 'trying …'
              : 'write some words'}
        </span>
        {([-1, 1] as const).map((by, i) => (
          <button key={by} type="button" className="button px-2 py-1" onClick={() => step(by)}>
            <span className="key">{by < 0 ? ',' : '.'}</span>
            {stepping[i]}
          </button>
        ))}
      </div>
      {problem ? (
        <p className="odd-edge mb-2 rounded-md border border-line bg-sheet px-3 py-2 text-sm">{problem}</p>
      ) : null}
      {trial && hits.length > 0 ? (
        <Changes
          changes={changesInWords(trial.changes, titles)}
          onOpen={(n) => {
            const to = hits.findIndex((h) => h.page === n)
            if (to >= 0) setAt(to)
          }}
        />
      ) : null}
      <div className="min-h-0 flex-1 overflow-auto">
        {sheet ? (
          <div className="mx-auto max-w-2xl">
            <PageView
              packageId={packageId}
              sheet={sheet}
              marks={hit ? hit.places : NONE}
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

function Changes({
  changes,
  onOpen,
}: {
  changes: ReturnType<typeof changesInWords>
  onOpen: (page: number) => void
}) {
  return (
    <div className="mb-2 max-h-32 overflow-auto rounded-md border border-line bg-sheet px-3 py-2 text-sm">
      <b>What would change</b>
      {changes.length === 0 ? (
        <span className="ml-2 text-ink-2">nothing: the pages say so themselves</span>
      ) : (
        <ul>
          {changes.map(({ page, text, asked }) => (
            <li key={text} className={asked ? 'border-l-4 border-dashed border-amber pl-2' : 'pl-3'}>
              <button
                type="button"
                className="text-left underline-offset-2 hover:underline"
                onClick={() => onOpen(page)}
              >
                {text}
              </button>
            </li>
          ))}
        </ul>
      )}
    </div>
  )
}

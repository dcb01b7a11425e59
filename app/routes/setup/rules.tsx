import { clsx } from 'clsx'
import { Download, Plus } from 'lucide-react'
import { data, Link, useFetcher } from 'react-router'
import { z } from 'zod'
import type { Rule } from '../../../core/classification/index.ts'
import { signedIn } from '../../../server/access/people.ts'
import { may, refusalOf } from '../../../server/access/rights.ts'
import { database } from '../../../server/database/connection.ts'
import { typesOf } from '../../../server/configuration/types.ts'
import { removeRule, rulesOf, switchRule } from '../../../server/configuration/rules.ts'
import { jsonBody } from '../../../server/web/bodies.ts'
import { moment, recutInWords } from '../../parts/format.ts'
import { Told } from '../../parts/told.tsx'
import type { Route } from './+types/rules'

export const meta = () => [{ title: 'Rules · Jigsa' }]

export async function loader({ request }: Route.LoaderArgs) {
  const who = await signedIn(request)
  return {
    rules: await rulesOf(who),
    maySwitch: may(who, 'set up'),
    titles: Object.fromEntries((await typesOf(database(), who.organisationId)).map((t) => [t.id, t.title])),
  }
}

const bodySchema = z.discriminatedUnion('act', [
  z.object({ act: z.literal('switch'), id: z.uuid(), on: z.boolean() }),
  z.object({ act: z.literal('remove'), id: z.uuid() }),
])

export async function action({ request }: Route.ActionArgs) {
  const who = await signedIn(request)
  const body = bodySchema.safeParse(await jsonBody(request))
  if (!body.success)
    return data({ problem: 'That could not be understood; load the page again.', said: null }, 400)
  if (!may(who, 'set up')) return data({ problem: refusalOf('set up'), said: null }, 403)
  if (body.data.act === 'remove') {
    await removeRule(who, body.data.id)
    return { problem: null, said: 'The rule is gone.' }
  }
  const recut = await switchRule(who, body.data.id, body.data.on)
  if (recut === null) return data({ problem: 'There is no such rule any more.', said: null }, 404)
  return {
    problem: null,
    said: `The rule is ${body.data.on ? 'on' : 'off'}.${recutInWords(recut)}`,
  }
}

/** A rule as one sentence. */
export function ruleInWords({ says, words, without }: Rule, titleOf: (type: string) => string): string {
  const place = (p: Rule['words'][number]['place']) =>
    typeof p !== 'string'
      ? ' in its place'
      : { anywhere: '', top: ' at the top', bottom: ' at the bottom' }[p]
  const stands = words.map((w) => `“${w.text}”${place(w.place)}`).join(' and ')
  const never = without.length > 0 ? `, and nowhere ${without.map((w) => `“${w}”`).join(' or ')}` : ''
  const then =
    says.kind === 'begins' ? 'a new document starts' : `the page is a ${titleOf(says.type).toLowerCase()}`
  return `Where ${stands} ${words.length === 1 ? 'stands' : 'stand'}${never}, ${then}.`
}

/** What people say of papers in words: where documents begin, and what they are. */
export default function Rules({ loaderData: { rules, maySwitch, titles } }: Route.ComponentProps) {
  const fetcher = useFetcher<typeof action>()
  const send = (body: z.infer<typeof bodySchema>) =>
    void fetcher.submit(body, { method: 'post', encType: 'application/json' })
  return (
    <main className="mx-auto max-w-4xl p-4">
      <div className="mb-1 flex flex-wrap items-center gap-3">
        <h1 className="mr-auto text-xl font-semibold">
          Rules <span className="font-normal text-ink-2">{rules.length}</span>
        </h1>
        {maySwitch && rules.some((r) => r.on) ? (
          <a className="button" href="/knowledge/file" download>
            <Download size={16} />
            Export what is on
          </a>
        ) : null}
        <Link to="/rules/new" className="button-main">
          <Plus size={16} />
          Write a rule
        </Link>
      </div>
      <p className="mb-4 text-ink-2">
        A rule says in words where a document starts, or what a page is. It counts beside what the page itself
        says; where the two clearly disagree, a person is asked.
      </p>
      <Told {...fetcher.data} />
      {rules.length === 0 ? (
        <p className="card p-8 text-center text-ink-2">
          No rule is written yet. Papers are cut by what they say themselves; a rule helps with those that say
          too little.
        </p>
      ) : (
        <ul className="grid gap-2">
          {rules.map((rule) => (
            <li key={rule.id} className="card flex flex-wrap items-center gap-x-4 gap-y-2 px-4 py-3">
              <span className="min-w-0 flex-1">
                <Link
                  to={`/rules/${rule.id}`}
                  className="font-semibold text-petrol underline-offset-2 hover:underline"
                >
                  {rule.body.name}
                </Link>
                <span
                  className={clsx(
                    'ml-3 rounded-full border px-2 text-[13px]',
                    rule.on ? 'border-petrol text-petrol' : 'border-dashed border-ink-3 text-ink-2',
                  )}
                >
                  {rule.on ? 'on' : 'off'}
                </span>
                <span className="block text-sm">
                  {ruleInWords(rule.body, (type) => titles[type] ?? type)}
                </span>
                {rule.draft ? (
                  <span className="odd-edge my-1 block pl-2 text-sm">
                    Changed, not in force yet: {ruleInWords(rule.draft, (type) => titles[type] ?? type)}
                  </span>
                ) : null}
                <span className="block text-[13px] text-ink-2">
                  {rule.changedBy ?? 'somebody'},{' '}
                  <time suppressHydrationWarning>{moment(rule.updatedAt)}</time>
                </span>
              </span>
              {maySwitch ? (
                <span className="flex gap-2">
                  {rule.draft ? (
                    <button
                      type="button"
                      className="button"
                      disabled={fetcher.state !== 'idle'}
                      onClick={() => send({ act: 'switch', id: rule.id, on: true })}
                    >
                      Put in force
                    </button>
                  ) : null}
                  <button
                    type="button"
                    className="button"
                    disabled={fetcher.state !== 'idle'}
                    onClick={() => send({ act: 'switch', id: rule.id, on: !rule.on })}
                  >
                    Switch {rule.on ? 'off' : 'on'}
                  </button>
                  <button
                    type="button"
                    className="button"
                    disabled={fetcher.state !== 'idle'}
                    onClick={() => {
                      if (window.confirm(`Take the rule “${rule.body.name}” away?`))
                        send({ act: 'remove', id: rule.id })
                    }}
                  >
                    Take away
                  </button>
                </span>
              ) : null}
            </li>
          ))}
        </ul>
      )}
      {maySwitch ? null : (
        <p className="mt-3 text-sm text-ink-2">Anybody may write a rule and try it; a lead switches it on.</p>
      )}
    </main>
  )
}

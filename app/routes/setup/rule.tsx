import { useState } from 'react'
import { data, Link, redirect, useNavigation, useSubmit } from 'react-router'
import { z } from 'zod'
import { grow } from '../../../core/model/index.ts'
import { type Rule, ruleSchema } from '../../../core/classification/index.ts'
import { signedIn } from '../../../server/access/people.ts'
import { database } from '../../../server/database/connection.ts'
import { typesOf } from '../../../server/configuration/types.ts'
import { packagesToTry, rulesOf, saveRule } from '../../../server/configuration/rules.ts'
import { jsonBody } from '../../../server/web/bodies.ts'
import type { Picked } from '../../package/looking.tsx'
import { Told } from '../../parts/told.tsx'
import { RuleForm } from '../../rules/rule-form.tsx'
import { RuleTrial } from '../../rules/rule-trial.tsx'
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
    rule: stored ? (stored.draft ?? stored.body) : null,
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
  const rule = ruleSchema.safeParse(await jsonBody(request))
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
  const picked = ({ text, box }: Picked) => {
    if (pickFor === null) return
    change({ words: rule.words.with(pickFor, { text: text.slice(0, 120), place: grow(box, WIDER, HIGHER) }) })
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
        <RuleForm
          rule={rule}
          types={types}
          picking={packageId ? { at: pickFor } : null}
          onPick={setPickFor}
          onChange={change}
        />
        <Told problem={actionData?.problem} />
        <div className="flex items-center gap-3">
          <button className="button-main" disabled={!ready || saving}>
            Keep the rule
          </button>
          <span className="text-sm text-ink-2">
            {!ready
              ? 'It needs a name and words.'
              : on
                ? 'The rule stays on as it is until a lead puts the change in force.'
                : 'It stays off until a lead switches it on.'}
          </span>
        </div>
      </form>
      <RuleTrial
        rule={rule}
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

import type { TypeShape } from '../../core/program/index.ts'
import type { Draft, Outcomes } from './draft.ts'
import { AddButton, bareNeed, blank, CheckRow, FactRow, LimitRow, RequirementRow } from './rows.tsx'

/** The rules of a program by what they are about, each list with a button for one more. */
export function Lists({
  draft: { draft, row, add },
  types,
  may,
  outcomes,
}: {
  draft: Draft
  types: readonly TypeShape[]
  may: boolean
  outcomes: Outcomes | undefined
}) {
  const given = { types, may }
  return (
    <>
      <Part title="What is asked for">
        {draft.requirements.map((r, i) => (
          <RequirementRow key={i} item={r} {...given} {...row('requirements', r, i, outcomes)} />
        ))}
      </Part>
      <More
        may={may}
        what="Requirement"
        onAdd={() => add('requirements', { any: false, ways: [{ needs: [bareNeed(types[0].id)] }] })}
      />
      <Part title="What must be one and the same">
        {draft.facts.map((f, i) => (
          <FactRow key={i} item={f} {...given} {...row('facts', f, i, outcomes)} />
        ))}
      </Part>
      <More
        may={may}
        what="Fact"
        onAdd={() => add('facts', { question: 'Which is right?', kind: 'name', fields: [] })}
      />
      <Part title="What must add up">
        {draft.checks.map((c, i) => (
          <CheckRow key={i} item={c} {...given} {...row('checks', c, i, outcomes)} />
        ))}
      </Part>
      <More may={may} what="Check" onAdd={() => add('checks', { kind: 'at_least', ...blank('at_least') })} />
      <Part title="What somebody is told of">
        {draft.limits.map((l, i) => (
          <LimitRow key={i} item={l} {...given} {...row('limits', l, i, outcomes)} />
        ))}
      </Part>
      <More
        may={may}
        what="Limit"
        onAdd={() => add('limits', { when: { field: '', over: 0 }, tells: 'lead' })}
      />
    </>
  )
}

function More({ may, what, onAdd }: { may: boolean; what: string; onAdd: () => void }) {
  return may ? <AddButton onClick={onAdd}>{what}</AddButton> : null
}

function Part({ title, children }: { title: string; children: React.ReactNode[] }) {
  return (
    <section aria-label={title} className="mt-4">
      <h2 className="mb-1.5 text-lg font-semibold">
        {title} <span className="font-normal text-ink-2">{children.length}</span>
      </h2>
      {children.length > 0 ? (
        <ul className="grid gap-px overflow-hidden rounded-lg border border-line bg-line-2">{children}</ul>
      ) : (
        <p className="text-sm text-ink-2">Nothing yet.</p>
      )}
    </section>
  )
}

import { inWords } from '../../../wording/index.ts'
import { clsx } from 'clsx'
import { Suspense, useEffect, useMemo, useRef, useState } from 'react'
import { Await, Link } from 'react-router'
import { isAnothers, type RegisterSide } from '../../../core/dossier/index.ts'
import { askedPackage } from '../../../server/access/packages.ts'
import { database } from '../../../server/database/connection.ts'
import { programAt } from '../../../server/configuration/programs.ts'
import { plain } from '../../../core/model/index.ts'
import { log } from '../../../server/log.ts'
import { registersSay } from '../../../server/packages/registered.ts'
import type { Route } from './+types/deck'
import type { Choice, CutOut as Evidence, Question } from '../../../core/findings/index.ts'
import { count, show } from '../../parts/format.ts'
import { useKeys } from '../../parts/keys.ts'
import { CutOut } from '../../package/cut-out.tsx'
import { useLooking, type Picked } from '../../package/looking.tsx'
import { useSay, useTaken } from '../../package/say.ts'
import { TypePicker } from '../../package/type-picker.tsx'
import { isClosed, useJudged } from '../../package/view.ts'

/**
 * What the registers say of what may be asked, by fact and by `type.field`. It comes behind the deck itself:
 * a register may be slow.
 */
export async function loader({ request, params }: Route.LoaderArgs) {
  const { who, row } = await askedPackage(request, params.id)
  const program = await programAt(database(), who.organisationId, row.program, row.programVersion)
  const said = async (): Promise<Record<string, RegisterSide>> => {
    if (!row.assessment || !program || row.assessment.deck.length === 0) return {}
    const { sides } = await registersSay(who, row.assessment, program)
    return Object.fromEntries(
      program.facts.flatMap((f) => {
        const side = sides[f.id]
        return side ? [f.id, ...f.fields].map((key) => [key, side]) : []
      }),
    )
  }
  return {
    register: said().catch((error: unknown) => {
      log.warn({ error: String(error) }, 'registers could not be asked for the deck')
      return {}
    }),
  }
}

export default function Deck({ loaderData: { register } }: Route.ComponentProps) {
  const { assessment, row } = useJudged()
  const [later, setLater] = useState<readonly string[]>([])
  // Pieces put off come last, in the order they were put off.
  const deck = useMemo(
    () => [
      ...assessment.deck.filter((q) => !later.includes(q.id)),
      ...later.flatMap((id) => assessment.deck.find((q) => q.id === id) ?? []),
    ],
    [assessment, later],
  )
  if (isClosed(row)) return <Finished />
  if (deck.length === 0) return <NothingLoose />
  const [first, ...then] = deck
  return (
    <div className="pt-3">
      <Piece
        key={first.id}
        question={first}
        register={register}
        onLater={() => setLater((l) => [...l.filter((id) => id !== first.id), first.id])}
        onBack={() => setLater((l) => l.slice(0, -1))}
      />
      {then.length > 0 ? (
        <section className="mt-4">
          <h2 className="text-[13px] font-semibold text-ink-2">Then {count(then.length, 'more piece')}</h2>
          <ul>
            {then.slice(0, 6).map((q) => (
              <li key={q.id} className="flex gap-3 border-t border-line-2 py-1.5">
                <span className="min-w-0 flex-1 truncate font-semibold">{inWords(q.question)}</span>
                <span className="text-[13px] whitespace-nowrap text-ink-2">
                  {ABOUT[q.about]}
                  {q.evidence[0]?.sure != null ? ` · ${Math.round(q.evidence[0].sure * 100)} sure` : ''}
                </span>
              </li>
            ))}
          </ul>
        </section>
      ) : null}
    </div>
  )
}

const ABOUT: Record<Question['about'], string> = {
  cut: 'cut',
  stray: 'another case',
  type: 'type',
  value: 'value',
  signature: 'signature',
  fact: 'papers differ',
  check: 'does not add up',
}

/** One loose piece: what is asked, the evidence, the answers with their keys. */
function Piece({
  question,
  register,
  onLater,
  onBack,
}: {
  question: Question
  register: Promise<Record<string, RegisterSide>>
  onLater: () => void
  onBack: () => void
}) {
  const { look, pick } = useLooking()
  const say = useSay()
  const [chosen, setChosen] = useState<Choice | null>(null)
  const [clicked, setClicked] = useState<Picked | null>(null)
  const evidence = question.evidence[0]
  useEffect(() => {
    if (evidence) look(evidence.page, evidence.box)
  }, [evidence?.page, evidence?.box?.join(), look]) // eslint-disable-line react-hooks/exhaustive-deps
  const choose = (choice: Choice | undefined) => {
    if (!choice || say.busy) return
    if (choice.needs === 'nothing') return say.answer(choice.answer)
    setChosen(choice)
    const { answer } = choice
    const misread =
      answer.kind === 'value'
        ? question.evidence.find((e) => e.document === `d${answer.page}` && e.field === answer.field)
        : undefined
    if (misread) look(misread.page, misread.box)
  }
  // A click on the page answers a value question without a key before it. Where papers differ, it would not
  // say whose value it is.
  const asked = inWords(question.question)
  const fillable = question.about === 'value' ? question.choices.find((c) => c.needs === 'value') : undefined
  useEffect(() => {
    if (!fillable || chosen) return
    return pick(asked, (picked) => {
      setClicked(picked)
      setChosen(fillable)
    })
  }, [fillable, chosen, pick, asked])
  const typing = question.choices.find((c) => c.needs === 'value' || c.needs === 'type')
  useKeys({
    ...Object.fromEntries(question.choices.map((c, i) => [String(i + 1), () => choose(c)])),
    enter: () => choose(question.choices[0]),
    e: () => choose(typing),
    arrowright: onLater,
    arrowleft: onBack,
    escape: () => setChosen(null),
  })
  return (
    <article className="card knob relative p-5 pt-4 shadow-[0_6px_22px_#1c2f3a12]" aria-label="Loose piece">
      <h1 className="text-2xl leading-tight font-semibold">{asked}</h1>
      <p className="mt-1 mb-3 text-ink-2">{question.why.map(inWords).join(' ')}</p>
      <EvidenceRow evidence={question.evidence} />
      <Suspense>
        {question.about === 'value' || question.about === 'fact' ? (
          <Await resolve={register}>{(sides) => <FromRegister question={question} sides={sides} />}</Await>
        ) : null}
      </Suspense>
      <div className="grid gap-1.5">
        {question.choices.map((choice, i) => (
          <ChoiceButton
            key={i}
            number={i + 1}
            choice={choice}
            about={question.about}
            busy={say.busy}
            onChoose={() => choose(choice)}
          />
        ))}
      </div>
      {chosen?.needs === 'reason' ? <ReasonForm choice={chosen} onClose={() => setChosen(null)} /> : null}
      {chosen?.needs === 'value' ? (
        <ValueForm
          question={question}
          choice={chosen}
          clicked={clicked}
          onClose={() => {
            setChosen(null)
            setClicked(null)
          }}
        />
      ) : null}
      {chosen?.needs === 'type' ? (
        <TypePicker
          open
          title="What is it?"
          likely={question.choices.flatMap((c) =>
            c.answer.kind === 'type' && c.needs === 'nothing' ? [c.answer.type] : [],
          )}
          onClose={() => setChosen(null)}
          onChoose={(type) => {
            if (chosen.answer.kind === 'type') say.answer({ ...chosen.answer, type })
          }}
        />
      ) : null}
      <Foot
        typing={
          typing && {
            words:
              typing.needs === 'type'
                ? 'another type'
                : question.about === 'fact'
                  ? 'it is misread'
                  : 'type it or click it',
            run: () => choose(typing),
          }
        }
        onLater={onLater}
        onUndo={() => say.undo()}
      />
    </article>
  )
}

/** One way to answer, with its key. */
function ChoiceButton({
  number,
  choice,
  about,
  busy,
  onChoose,
}: {
  number: number
  choice: Choice
  about: Question['about']
  busy: boolean
  onChoose: () => void
}) {
  const { answer, needs } = choice
  const isValue =
    (about === 'value' || about === 'fact') &&
    ((needs === 'nothing' && answer.kind === 'value' && answer.value !== null) ||
      (answer.kind === 'fact' && answer.decision === 'value'))
  return (
    <button
      type="button"
      disabled={busy}
      onClick={onChoose}
      className={clsx(
        'flex items-center gap-3 rounded-md border bg-raised px-3 py-2 text-left hover:border-petrol disabled:opacity-60',
        number === 1 ? 'border-petrol shadow-[0_0_0_1px_var(--petrol)]' : 'border-line',
      )}
    >
      <span className="key">{number}</span>
      <span className={isValue ? 'value text-base' : ''}>{inWords(choice.text)}</span>
      <span className="ml-auto text-right text-[13px] text-ink-2">
        {[choice.note && inWords(choice.note), choice.needs === 'reason' && 'with a reason']
          .filter(Boolean)
          .join(' · ')}
      </span>
    </button>
  )
}

/** The keys of a piece besides its answers. */
function Foot({
  typing,
  onLater,
  onUndo,
}: {
  typing: { words: string; run: () => void } | undefined
  onLater: () => void
  onUndo: () => void
}) {
  return (
    <p className="mt-3 flex flex-wrap gap-x-4 gap-y-1 text-sm text-ink-2">
      {typing ? (
        <button type="button" onClick={typing.run}>
          <span className="key">E</span> {typing.words}
        </button>
      ) : null}
      <button type="button" onClick={onLater}>
        <span className="key">→</span> later
      </button>
      <button type="button" onClick={onUndo}>
        <span className="key">U</span> undo last
      </button>
      <span>
        <span className="key">?</span> all keys
      </span>
    </p>
  )
}

function EvidenceRow({ evidence }: { evidence: readonly Evidence[] }) {
  const { look } = useLooking()
  if (evidence.length === 0) return null
  return (
    <div className={`mb-4 grid gap-3.5 ${evidence.length > 1 ? 'sm:grid-cols-2' : ''}`}>
      {evidence.map((e, i) => (
        <button
          key={i}
          type="button"
          onClick={() => look(e.page, e.box)}
          className="min-w-0 text-left"
          aria-label={`Show ${inWords(e.title)}`}
        >
          <span className="mb-1 block text-[13px] font-semibold text-ink-2">{inWords(e.title)}</span>
          <CutOut page={e.page} box={e.box} most={evidence.length > 1 ? 320 : 660} />
          {e.raw !== null || e.sure !== null ? (
            <span className="mt-1 block text-[13px] text-ink-2">
              {e.raw !== null ? (
                <>
                  read as <span className="value">{e.raw.slice(0, 80)}</span>
                </>
              ) : null}
              {e.raw !== null && e.sure !== null ? ' · ' : ''}
              {e.sure !== null ? `${Math.round(e.sure * 100)} sure` : ''}
            </span>
          ) : null}
        </button>
      ))}
    </div>
  )
}

/** What a register says of what is asked; a value question can be answered by it. */
function FromRegister({ question, sides }: { question: Question; sides: Record<string, RegisterSide> }) {
  const { assessment } = useJudged()
  const say = useSay()
  const document = assessment.documents.find((d) => d.id === question.document)
  const key =
    question.about === 'fact' ? question.id.replace('fact:', '') : `${document?.type}.${question.field}`
  // A paper of somebody else says nothing of the applicant, whom the register was asked for.
  const side = document && (isAnothers(document) || document.owner === 'other') ? undefined : sides[key]
  const fills = side !== undefined && question.about === 'value' && document !== undefined
  const use = () => {
    if (fills && !say.busy) say.typed(document.pages[0], question.field!, plain(side.value), null)
  }
  useKeys({ r: use })
  if (!side) return null
  return (
    <p className="-mt-1 mb-3 flex flex-wrap items-center gap-x-3 gap-y-1 text-[13px] text-ink-2">
      <span>
        The register “{side.register}” says <span className="value text-ink">{show(side.value)}</span> (
        {side.by === 'number' ? 'found by its number' : `a name ${Math.round(side.score * 100)} % alike`})
      </span>
      {fills ? (
        <button type="button" className="button px-2 py-0.5" disabled={say.busy} onClick={use}>
          <span className="key">R</span> take that
        </button>
      ) : null}
    </p>
  )
}

function ReasonForm({ choice, onClose }: { choice: Choice; onClose: () => void }) {
  const say = useSay()
  // Naming a value: what speaks for it is offered as the reason, and typing replaces it.
  const [reason, setReason] = useState(
    choice.answer.kind === 'fact' && choice.answer.decision === 'value' && choice.note
      ? `as ${inWords(choice.note)} says`
      : '',
  )
  const input = useRef<HTMLInputElement>(null)
  useEffect(() => input.current?.select(), [])
  useTaken(say, onClose)
  const { answer } = choice
  if (!('reason' in answer)) return null
  return (
    <form
      className="mt-3 flex gap-2"
      onSubmit={(event) => {
        event.preventDefault()
        say.answer({ ...answer, reason })
      }}
    >
      <input
        ref={input}
        autoFocus
        className="field"
        aria-label="Reason"
        placeholder={`Why “${inWords(choice.text)}”?`}
        value={reason}
        onChange={(event) => setReason(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === 'Escape') onClose()
        }}
      />
      <button className="button-main whitespace-nowrap" disabled={say.busy || reason.trim().length < 3}>
        Settle it
      </button>
    </form>
  )
}

/** A value typed, or clicked on the page under the loupe. */
function ValueForm({
  question,
  choice,
  clicked,
  onClose,
}: {
  question: Question
  choice: Choice
  clicked: Picked | null
  onClose: () => void
}) {
  const say = useSay()
  const { pick } = useLooking()
  const asked = inWords(question.question)
  const [text, setText] = useState(
    clicked?.text ??
      (
        question.evidence.find(
          (e) =>
            choice.answer.kind === 'value' &&
            e.field === choice.answer.field &&
            e.document === `d${choice.answer.page}`,
        ) ?? question.evidence[0]
      )?.raw ??
      '',
  )
  const at = useRef<Picked | null>(clicked)
  const input = useRef<HTMLInputElement>(null)
  useEffect(
    () =>
      pick(asked, (picked) => {
        at.current = picked
        setText(picked.text)
        input.current?.focus()
      }),
    [pick, asked],
  )
  useEffect(() => input.current?.select(), [])
  useTaken(say, onClose)
  const { answer } = choice
  if (answer.kind !== 'value') return null
  return (
    <form
      className="mt-3 flex gap-2"
      onSubmit={(event) => {
        event.preventDefault()
        say.typed(
          answer.page,
          answer.field,
          text,
          at.current && at.current.text === text ? { page: at.current.page, box: at.current.box } : null,
        )
      }}
    >
      <input
        ref={input}
        autoFocus
        className="field value"
        aria-label="Value"
        value={text}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === 'Escape') onClose()
        }}
      />
      <button className="button-main" disabled={say.busy || text.trim() === ''}>
        Store
      </button>
    </form>
  )
}

function NothingLoose() {
  const { assessment } = useJudged()
  const open = assessment.checklist.filter(
    (c) => !['satisfied', 'not_applicable', 'waived'].includes(c.status),
  ).length
  const asked =
    assessment.facts.filter((f) => f.settled?.decision === 'ask').length +
    assessment.checks.filter((c) => c.settled?.decision === 'ask').length
  return (
    <div className="card max-w-xl p-6">
      <h1 className="text-2xl font-semibold">Every piece is in place</h1>
      <p className="mt-2 text-ink-2">
        {open === 0
          ? 'The checklist is complete.'
          : `${count(open, 'requirement')} of the checklist ${open === 1 ? 'is' : 'are'} still open.`}
        {asked ? ` ${count(asked, 'matter')} to be asked of the applicant.` : ''}
      </p>
      <p className="mt-4 flex gap-2">
        <Link className="button-main" to="../hand-over">
          Hand over
        </Link>
        <Link className="button" to="../checklist">
          Checklist
        </Link>
      </p>
    </div>
  )
}

function Finished() {
  const { row } = useJudged()
  const review = row.state === 'review'
  return (
    <div className="card max-w-xl p-6">
      <h1 className="text-2xl font-semibold">
        {review ? 'A second person looks at this package' : 'This package is finished'}
      </h1>
      <p className="mt-2 text-ink-2">
        {review ? 'It takes no answers meanwhile.' : 'It takes no more answers unless it is opened again.'}
      </p>
      <Link className="button mt-4" to="../hand-over">
        Hand over
      </Link>
    </div>
  )
}

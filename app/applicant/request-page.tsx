import { clsx } from 'clsx'
import { Camera, Check, FileDown, FilePlus2, Files } from 'lucide-react'
import { useId, useState } from 'react'
import { useFetcher, useSearchParams } from 'react-router'
import type { ApplicantView } from '../../server/requests/applicant.ts'
import { pageWords, type PageWords } from '../../wording/applicant/index.ts'
import { figuresOf } from '../../wording/requests/figures.ts'
import { ByLender } from './by-lender.tsx'
import { DoubtfulPicture, Sending, type Sender } from './sending.tsx'
import { LanguageOptions } from '../parts/options.tsx'

/** What a page without a sender shows, as in a preview. */
const NOBODY: Sender = {
  going: [],
  doubtful: null,
  send: () => undefined,
  drop: () => undefined,
  again: () => undefined,
}

interface Props {
  view: ApplicantView
  /** Null for a preview. */
  token: string | null
  sender?: Sender
  /** By which the browser takes the page's own style; null for a preview. */
  nonce?: string | null
}

/** The page that an applicant answers a request on: made for a phone, one thing below the other. */
export function RequestPage({ view, token, sender = NOBODY, nonce = null }: Props) {
  const words = pageWords[view.language]
  const done = view.items.filter((i) => i.state === 'done' || i.state === 'said').length
  const day = figuresOf(view.language).day
  return (
    <ByLender name={view.lender} colours={view.colours} nonce={nonce}>
      <main lang={view.language} className="mx-auto max-w-xl px-4 pt-5 pb-16 text-[17px]">
        <div className="flex items-start justify-between gap-3">
          <h1 className="text-2xl font-bold">
            {view.state === 'done'
              ? words.doneTitle
              : view.state === 'closed'
                ? words.closedTitle
                : words.title(view.lender)}
          </h1>
          <Languages view={view} />
        </div>
        {view.state === 'open' ? (
          <>
            <p className="mt-2">{words.intro}</p>
            <p className="mt-3 flex flex-wrap items-center justify-between gap-2 border-y border-line py-2 font-semibold">
              <span>{words.progress(done, view.items.length)}</span>
              {view.due ? <span>{words.due(day(view.due))}</span> : null}
            </p>
            <ol className="mt-4 grid gap-3">
              {view.items.map((item, i) => (
                <Item key={item.id} number={i + 1} item={item} view={view} token={token} sender={sender} />
              ))}
            </ol>
            {view.items.some((i) => !i.canSay) ? (
              <section className="card mt-3 p-4">
                <h2 className="flex items-center gap-2 font-bold">
                  <Files size={20} aria-hidden />
                  {words.heap}
                </h2>
                <p className="mt-1 text-ink-2">{words.heapHint}</p>
                <Pick item={null} view={view} sender={sender} />
                <Sending going={sender.going.filter((g) => g.item === null)} words={words} sender={sender} />
              </section>
            ) : null}
          </>
        ) : (
          <p className="mt-3">{view.state === 'done' ? words.doneText : words.closedText}</p>
        )}
        {view.papers.length > 0 ? (
          <section className="mt-6">
            <h2 className="font-bold">{words.sent}</h2>
            <SentPapers papers={view.papers} words={words} />
          </section>
        ) : null}
        <p className="mt-8 text-[15px] text-ink-2">{words.privacy}</p>
        {sender.doubtful ? (
          <DoubtfulPicture
            key={sender.doubtful.url}
            words={words}
            doubtful={sender.doubtful}
            onDecide={sender.drop}
          />
        ) : null}
      </main>
    </ByLender>
  )
}

/** What was sent, and what it was taken for. */
function SentPapers({ papers, words }: { papers: ApplicantView['papers']; words: PageWords }) {
  return (
    <ul className="mt-2" aria-live="polite">
      {papers.map((paper, i) => (
        <li key={i} className="border-t border-line-2 py-2">
          <span className="block truncate font-semibold">{paper.name}</span>
          {paper.state === 'read' ? (
            paper.found.map(({ text, good }, k) => (
              <span key={k} className={clsx('block', good ? 'text-ink-2' : 'font-semibold text-plum')}>
                {text}
              </span>
            ))
          ) : (
            <span
              className={clsx('block', paper.state === 'refused' ? 'font-semibold text-plum' : 'text-ink-2')}
            >
              {paper.state === 'refused' ? paper.problem : words.reading}
            </span>
          )}
        </li>
      ))}
    </ul>
  )
}

function Languages({ view }: { view: ApplicantView }) {
  const [params, setParams] = useSearchParams()
  return (
    <label className="shrink-0">
      <span className="sr-only">{pageWords[view.language].language}</span>
      <select
        className="field w-auto py-1 text-[15px]"
        value={view.language}
        onChange={(event) => {
          params.set('language', event.target.value)
          setParams(params, { preventScrollReset: true })
        }}
      >
        <LanguageOptions />
      </select>
    </label>
  )
}

type ItemView = ApplicantView['items'][number]

function Item({
  number,
  item,
  view,
  token,
  sender,
}: Props & { number: number; item: ItemView; sender: Sender }) {
  const words = pageWords[view.language]
  const settled = item.state === 'done'
  const { asked } = item
  const own = view.papers.filter((p) => p.item === item.id)
  return (
    <li className={clsx('card p-4', settled && 'opacity-80')}>
      <div className="flex items-baseline justify-between gap-3">
        <h2 className="font-bold">
          {number}. {asked.title}
        </h2>
        <span
          className={clsx(
            'shrink-0 text-[15px] font-semibold',
            settled ? 'text-ink-2' : item.state === 'said' ? 'text-ink-2' : 'text-petrol',
          )}
        >
          {settled ? <Check size={16} aria-hidden className="mr-1 inline" /> : null}
          {words.state[item.state]}
        </span>
      </div>
      {settled ? null : (
        <>
          {item.state === 'not yet' ? <p className="mt-2 font-semibold text-plum">{words.notYet}</p> : null}
          {item.own !== null ? (
            <p className="mt-2 whitespace-pre-line">{item.own}</p>
          ) : (
            <div className="mt-2 grid gap-1">
              {asked.why ? <p>{asked.why}</p> : null}
              {asked.todo && !item.canSay ? <p>{asked.todo}</p> : null}
              {asked.wants.map((way, i) => (
                <ul key={i} className="list-disc pl-5">
                  {way.map((line) => (
                    <li key={line}>{line}</li>
                  ))}
                </ul>
              ))}
            </div>
          )}
          {item.said ? (
            <p className="mt-2 rounded border border-dashed border-amber bg-amber-soft px-3 py-2">
              {item.said.kind === 'cannot' ? words.saidCannot(item.said.text) : words.said(item.said.text)}
            </p>
          ) : null}
          {own.length > 0 ? <SentPapers papers={own} words={words} /> : null}
          {item.form && token ? (
            <a
              className="button mt-3 py-2.5"
              href={`/r/${token}/form?item=${encodeURIComponent(item.id)}`}
              download
            >
              <FileDown size={18} aria-hidden />
              {words.form}
            </a>
          ) : null}
          {item.canSay ? <Question item={item} view={view} token={token} /> : null}
          {/* Where papers only have to be chosen between, none explains more. */}
          {item.canSay && asked.choices.length > 0 ? null : (
            <>
              <Pick item={item.id} view={view} sender={sender} />
              <Sending going={sender.going.filter((g) => g.item === item.id)} words={words} sender={sender} />
              {item.canSay ? null : <Cannot item={item} view={view} token={token} />}
            </>
          )}
        </>
      )}
    </li>
  )
}

/** Files from the phone's memory, or from its camera. */
function Pick({ item, view, sender }: { item: string | null; view: ApplicantView; sender: Sender }) {
  const words = pageWords[view.language]
  const [files, camera] = [useId(), useId()]
  const take = (event: React.ChangeEvent<HTMLInputElement>) => {
    sender.send(item, [...(event.target.files ?? [])])
    event.target.value = ''
  }
  return (
    <div className="mt-3 flex flex-wrap gap-2">
      <label htmlFor={camera} className="button-main cursor-pointer py-2.5 focus-within:outline-2">
        <Camera size={18} aria-hidden />
        {words.photograph}
        <input
          id={camera}
          type="file"
          accept="image/*"
          capture="environment"
          className="sr-only"
          onChange={take}
        />
      </label>
      <label htmlFor={files} className="button cursor-pointer py-2.5 focus-within:outline-2">
        <FilePlus2 size={18} aria-hidden />
        {words.addPapers}
        <input
          id={files}
          type="file"
          multiple
          accept="application/pdf,image/*,.tif,.tiff,.zip,.eml"
          className="sr-only"
          onChange={take}
        />
      </label>
    </div>
  )
}

/** Which of several values is right, or what is. */
function Question({ item, view, token }: { item: ItemView; view: ApplicantView; token: string | null }) {
  const words = pageWords[view.language]
  const say = useFetcher<{ problem: string | null }>()
  const [chosen, setChosen] = useState('')
  const [text, setText] = useState('')
  const { choices, todo } = item.asked
  const other = choices.length === 0 || chosen === OTHER
  const answer = other ? text.trim() : chosen
  return (
    <say.Form method="post" className="mt-3 grid gap-2" action={token ? `/r/${token}` : undefined}>
      <input type="hidden" name="item" value={item.id} />
      <input type="hidden" name="kind" value={other ? 'words' : 'value'} />
      <input type="hidden" name="text" value={answer} />
      <fieldset className="grid gap-1.5">
        <legend className="mb-1 font-semibold">{todo}</legend>
        {choices.length > 0
          ? [...choices, OTHER].map((choice) => (
              <label
                key={choice}
                className="flex items-center gap-3 rounded-md border border-line bg-raised px-3 py-2.5"
              >
                <input
                  type="radio"
                  name="choice"
                  className="size-5 accent-(--petrol)"
                  value={choice}
                  checked={chosen === choice}
                  onChange={() => setChosen(choice)}
                />
                {choice === OTHER ? words.another : choice}
              </label>
            ))
          : null}
      </fieldset>
      {other ? (
        <textarea
          className="field min-h-20"
          aria-label={words.yourAnswer}
          placeholder={words.yourAnswer}
          maxLength={1000}
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
      ) : null}
      {say.data?.problem ? (
        <p role="alert" className="text-plum">
          {words.failed}
        </p>
      ) : null}
      <button
        className="button-main justify-center py-2.5"
        disabled={say.state !== 'idle' || answer === '' || token === null}
      >
        {words.send}
      </button>
    </say.Form>
  )
}

const OTHER = '\u0000other'

/** Says that somebody does not have what is asked for, and why: that is an answer, too. */
function Cannot({ item, view, token }: { item: ItemView; view: ApplicantView; token: string | null }) {
  const words = pageWords[view.language]
  const say = useFetcher<{ problem: string | null }>()
  const [open, setOpen] = useState(false)
  if (!open)
    return (
      <button type="button" className="mt-3 py-1 text-petrol underline" onClick={() => setOpen(true)}>
        {words.noHave}
      </button>
    )
  return (
    <say.Form
      method="post"
      className="mt-3 grid gap-2"
      action={token ? `/r/${token}` : undefined}
      onSubmit={() => setOpen(false)}
    >
      <input type="hidden" name="item" value={item.id} />
      <input type="hidden" name="kind" value="cannot" />
      <textarea
        autoFocus
        className="field min-h-20"
        name="text"
        aria-label={words.why}
        placeholder={words.why}
        maxLength={1000}
        required
      />
      <span className="flex gap-2">
        <button className="button-main py-2.5" disabled={say.state !== 'idle'}>
          {words.send}
        </button>
        <button type="button" className="button py-2.5" onClick={() => setOpen(false)}>
          {words.cancel}
        </button>
      </span>
    </say.Form>
  )
}

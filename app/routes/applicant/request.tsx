import { useEffect, useState } from 'react'
import { data, useRevalidator } from 'react-router'
import { z } from 'zod'
import { LANGUAGES } from '../../../core/lexicon/index.ts'
import { letterLanguage } from '../../../core/mail/index.ts'
import { pageWords } from '../../../wording/applicant/index.ts'
import {
  applicantView,
  noteOpened,
  statementSchema,
  takeStatement,
} from '../../../server/requests/applicant.ts'
import { openLink } from '../../../server/requests/link.ts'
import { Refused } from '../../../server/packages/states.ts'
import { formBody } from '../../../server/web/bodies.ts'
import { RequestPage } from '../../applicant/request-page.tsx'
import { useSender } from '../../applicant/sending.tsx'
import type { Route } from './+types/request'

const languageSchema = z.enum(LANGUAGES)

/** The language that a browser asks for first, of those that there are. */
const preferred = (request: Request) =>
  letterLanguage('', { named: request.headers.get('accept-language') ?? undefined, lender: [] })

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const opened = await openLink(request, params.token)
  if (!('row' in opened))
    return data({ shut: opened.shut, language: preferred(request) } as const, {
      status: opened.shut === 'none' ? 404 : 429,
    })
  await noteOpened(opened.row)
  const asked = languageSchema.safeParse(new URL(request.url).searchParams.get('language'))
  return {
    view: await applicantView(opened.row, asked.success ? asked.data : null),
    token: params.token,
    nonce: context.nonce,
  }
}

export async function action({ request, params }: Route.ActionArgs) {
  const opened = await openLink(request, params.token)
  if (!('row' in opened)) return data({ problem: 'gone' }, opened.shut === 'none' ? 404 : 429)
  const said = statementSchema.safeParse(await formBody(request))
  if (!said.success) return data({ problem: 'empty' }, 400)
  try {
    await takeStatement(opened.row, said.data)
    return { problem: null }
  } catch (error) {
    if (error instanceof Refused) return data({ problem: error.message }, 409)
    throw error
  }
}

export const meta = ({ loaderData }: Route.MetaArgs) => [
  {
    title:
      loaderData && 'view' in loaderData
        ? pageWords[loaderData.view.language].title(loaderData.view.lender)
        : pageWords[loaderData?.language ?? 'en'].goneTitle,
  },
  // A link that somebody was sent is nobody else's to find.
  { name: 'robots', content: 'noindex, nofollow' },
  { name: 'referrer', content: 'no-referrer' },
]

/** What an applicant sees who opens the link of a request. */
export default function Applicant({ loaderData }: Route.ComponentProps) {
  if ('shut' in loaderData) {
    const words = pageWords[loaderData.language]
    return (
      <main lang={loaderData.language} className="mx-auto max-w-xl px-4 pt-12 text-[17px]">
        <h1 className="text-2xl font-bold">{words.goneTitle}</h1>
        <p className="mt-3">{loaderData.shut === 'none' ? words.goneText : words.tooManyText}</p>
      </main>
    )
  }
  return <Open {...loaderData} />
}

/** What an applicant is told where something of ours failed; nobody knows their language then. */
export function ErrorBoundary() {
  return (
    <main className="mx-auto max-w-xl px-4 pt-12 text-[17px]">
      {Object.entries(pageWords).map(([language, { failed }]) => (
        <p key={language} lang={language} className="mt-3 text-lg">
          {failed}
        </p>
      ))}
    </main>
  )
}

/** Milliseconds between two looks at what became of what was sent, while something is being read. */
const LOOK_EVERY = 2500

interface OpenProps {
  view: Awaited<ReturnType<typeof applicantView>>
  token: string
  nonce: string
}

function Open({ view, token, nonce }: OpenProps) {
  // What the page was first sent with: an answer to a script has another.
  const [first] = useState(nonce)
  const { revalidate, state } = useRevalidator()
  const sender = useSender(token, () => void revalidate())
  const reading =
    view.papers.some((p) => p.state === 'reading') || view.items.some((i) => i.state === 'reading')
  useEffect(() => {
    if (!reading || state !== 'idle') return
    const next = setTimeout(() => void revalidate(), LOOK_EVERY)
    return () => clearTimeout(next)
  }, [reading, state, revalidate])
  return <RequestPage view={view} token={token} sender={sender} nonce={first} />
}

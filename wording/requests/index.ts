import type { Language } from '../../core/lexicon/index.ts'
import type { Inner, Message } from '../../core/model/index.ts'
import type { Brought, Of, RequestItem, WantedPaper, Why } from '../../core/requests/index.ts'
import { fileProblem } from '../letters/file-problems.ts'
import { problemWords } from '../letters/index.ts'
import { en } from './en.ts'
import { es } from './es.ts'
import { amountIn, valueIn } from './figures.ts'
import { fr } from './fr.ts'
import type { RequestSentences } from './words.ts'

const languages: Record<Language, RequestSentences> = { en, fr, es }

/** An item as it is put to an applicant. */
export interface Asked {
  title: string
  why: string
  /** What would do, one line for each paper; several lists where any one of them is enough. */
  wants: string[][]
  /** What is to be chosen from, where papers differ. */
  choices: string[]
  /** What to do, where that is not to bring something. */
  todo: string
}

/** Puts an item into words. */
export function askedIn(language: Language, item: RequestItem): Asked {
  const words = languages[language]
  return {
    title: item.title,
    why: whyIn(language, item.why, item.says),
    wants: item.ways.map((way) => way.map((paper) => wantIn(language, paper))),
    choices: item.why.kind === 'differs' ? item.says.map((s) => valueIn(language, s.value, words)) : [],
    todo: {
      bring: '',
      sign: words.sign,
      again: words.again,
      say: item.why.kind === 'differs' ? words.whichIsRight : '',
    }[item.kind],
  }
}

function whyIn(language: Language, why: Why, says: RequestItem['says']): string {
  const words = languages[language]
  switch (why.kind) {
    case 'requirement':
      return reasonIn(words, why.reason)
    case 'differs':
      return words.differs(sidesIn(language, says))
    case 'does not fit':
      return words.doesNotFit(sidesIn(language, says))
    case 'hard to read':
      return words.hardToRead(words.pages(why.pages), why.paper)
    case 'lacks pages':
      return words.lacksPages(words.pages(why.pages), why.paper)
    case 'unusable file':
      return `${why.file}: ${problemWords(language)[fileProblem(why.problem)]}`
    case 'own words':
      return why.text
    case 'rejected':
      return words.rejected(why.paper, why.reason)
  }
}

/** Who says what. */
function sidesIn(language: Language, says: RequestItem['says']): string {
  const words = languages[language]
  return says
    .map((s) => words.says(words.figures.list(s.papers), valueIn(language, s.value, words)))
    .join('; ')
}

/** What is said of a paper that was brought: "This is: Payslip, September 2026. We asked for: October 2026." */
export function broughtIn(language: Language, { title, of, fits }: Brought): string {
  const words = languages[language]
  const { brought: said, figures } = words
  const ofIn = (one: Of) => ('month' in one ? figures.month(one.month) : one.year)
  const is = said.is(of ? said.oneOf(title, ofIn(of)) : title)
  switch (fits.kind) {
    case 'not sure':
      return said.notSure
    case 'may do':
      return `${is} ${said.notSure}`
    case 'does':
      return `${is} ${said.does}`
    case 'another':
      return `${is} ${said.asked(figures.list(fits.asked.map(ofIn)))}`
    case 'other type':
      return `${is} ${said.asked(figures.either(fits.asked))}`
    case 'faulty':
      return `${is} ${reasonIn(words, fits.reason)}`
    case 'there already':
      return `${is} ${said.already}`
    case 'not asked for':
      return `${is} ${said.notAsked}`
  }
}

/** Reasons of which there are several are said once each. */
function reasonIn(words: RequestSentences, reason: Message): string {
  const sentences = words.reasons as Record<
    string,
    ((p: object, say: (m: Inner) => string) => string) | undefined
  >
  const say = (inner: Inner): string => {
    const told = inner as Message
    return told.code === 'all'
      ? [...new Set(told.of.map(say))].join(' ')
      : (sentences[told.code]?.(told, say) ?? '')
  }
  return say(reason)
}

/** A paper that would do: "Payslip, dated 15 October 2026 or later, all pages". */
function wantIn(language: Language, paper: WantedPaper): string {
  const { want, figures } = languages[language]
  return [
    paper.type,
    ...(paper.whose.length > 0 ? [want.whose(paper.whose.map((p) => p ?? want.applicant))] : []),
    ...(paper.months
      ? [
          paper.months.lacking.length > 0
            ? want.lackingMonths(figures.list(paper.months.lacking.map(figures.month)))
            : want.months(paper.months.count),
        ]
      : []),
    ...(paper.years.length > 0 ? [want.years(figures.list(paper.years))] : []),
    ...(paper.covers === null ? [] : [want.covers(paper.covers)]),
    ...(paper.notBefore ? [want.notBefore(figures.day(paper.notBefore))] : []),
    ...(paper.validOn ? [want.validOn(figures.day(paper.validOn))] : []),
    ...(paper.atLeast ? [want.atLeast(amountIn(language, paper.atLeast))] : []),
    ...(paper.signed ? [want.signed] : []),
    ...(paper.dated ? [want.dated] : []),
    want.allPages,
  ].join(', ')
}

/** What a letter that asks is made of. */
export interface Letter {
  language: Language
  lender: string
  applicant: string
  /** The lender's own words before and behind; empty for the usual ones. */
  opening: string
  closing: string
  items: readonly {
    asked: Asked
    /** Words in place of the usual ones. */ own: string | null
    askedOn: string | null
  }[]
  /** ISO day; null where none is set. */
  due: string | null
  link: string
  /** The day that it was first asked for; null for a request, a day for a reminder. */
  remindsOf: string | null
}

/** The letter of a request or a reminder, as plain text. */
export function requestLetter({ language, items, ...given }: Letter): string {
  const words = languages[language]
  const { day } = words.figures
  const opening = given.remindsOf
    ? words.reminderOpening(given.applicant, day(given.remindsOf))
    : given.opening || words.opening(given.applicant)
  return [
    opening,
    ...items.map(({ asked, own, askedOn }, i) =>
      [
        `${i + 1}. ${asked.title}`,
        ...(own !== null ? [own] : itemLines(asked, words)),
        ...(askedOn ? [words.askedBefore(day(askedOn))] : []),
      ].join('\n   '),
    ),
    `${words.link}\n${given.link}`,
    ...(given.due ? [words.due(day(given.due))] : []),
    words.byMail,
    given.closing || words.closing(given.lender),
  ].join('\n\n')
}

/** What is asked for in lines: why, what would do, what to do. */
export function itemLines(asked: Asked, { oneOf }: Pick<RequestSentences, 'oneOf'>): string[] {
  const single = asked.wants.length === 1
  return [
    ...(asked.why ? [asked.why] : []),
    ...(asked.todo ? [asked.todo] : []),
    ...(single
      ? asked.wants[0]
      : asked.wants.length > 1
        ? [oneOf, ...asked.wants.map((w) => w.join(' + '))]
        : []
    ).map((line, i) => (single || i > 0 ? `– ${line}` : line)),
  ]
}

/** The lines of an item in one language, which an editor begins with. */
export const linesIn = (language: Language, item: RequestItem): string[] =>
  itemLines(askedIn(language, item), languages[language])

export const requestSubject = (language: Language, lender: string, caseNumber: string): string =>
  languages[language].subject(lender, caseNumber)

/** The usual words before what is asked for. */
export const usualOpening = (language: Language, applicant: string): string =>
  languages[language].opening(applicant)
export const usualClosing = (language: Language, lender: string): string =>
  languages[language].closing(lender)

/** Thanks whoever brought all that was asked for. */
export const thanksLetter = (language: Language, applicant: string, lender: string): string =>
  languages[language].thanks(applicant, lender)

/** Tells that what was asked for is not needed any more. */
export const calledBackLetter = (language: Language, applicant: string, lender: string): string =>
  languages[language].calledBack(applicant, lender)

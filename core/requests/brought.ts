import { faultOf, needsOf, type Situation } from '../check/index.ts'
import type { Document } from '../findings/index.ts'
import { type Message, message } from '../model/index.ts'
import { fieldOf, usableText } from '../dossier/index.ts'
import type { Need, Program } from '../program/index.ts'
import { monthIndex } from '../text/index.ts'
import type { RequestItem } from './item.ts'

/** Which of several papers of a kind one is: of a month since year 0, or of a year. */
export type Of = { month: number } | { year: string }

/** Whether a paper that somebody brought does for what they were asked. */
export type Fits =
  /** For this item. */
  | { kind: 'does'; item: string }
  /** It is whole and good, but of another month or year than those that lack. */
  | { kind: 'another'; asked: Of[] }
  /** It is of another kind; `asked` are titles of types. */
  | { kind: 'other type'; asked: string[] }
  | { kind: 'faulty'; reason: Message }
  /** Nothing speaks against it, but what makes it good was not read surely: a person looks at it. */
  | { kind: 'may do'; item: string }
  /** It is a copy of one that is here. */
  | { kind: 'there already' }
  /** Nothing like it is asked for. */
  | { kind: 'not asked for' }
  /** What it is is not sure: a person looks at it. */
  | { kind: 'not sure' }

/** A paper that was brought for a request. */
export interface Brought {
  /** The title of its type. */
  title: string
  of: Of | null
  fits: Fits
}

interface Asked {
  program: Program
  situation: Situation
  documents: readonly Document[]
}

/**
 * Tells of a paper that came for a request what it is and whether it does.
 * @param items those that it may be for: the one that it was sent for, or all of them where it came in a heap
 */
export function broughtFor(document: Document, items: readonly RequestItem[], asked: Asked): Brought {
  const title = asked.situation.titles.get(document.type) ?? document.type
  if (document.typeAsked || document.type === 'unknown')
    return { title, of: null, fits: { kind: 'not sure' } }
  const [only] = items.length === 1 ? items : []
  // Nothing says what would do for words of somebody's own, or for a file that could not be opened: what is sent for
  // one of these is taken for it, and what comes in a heap never.
  if (only && isOpen(only)) return { title, of: null, fits: { kind: 'does', item: only.id } }
  const tries = items.filter((i) => !isOpen(i)).flatMap((item) => fitsItem(document, item, asked))
  // Of several that it may be for, it is for one that it does for.
  const best = tries.find((t) => itemOf(t.fits) !== null) ?? tries[0]
  if (document.copyOf !== null) return { title, of: best?.of ?? null, fits: { kind: 'there already' } }
  if (best) return { title, ...best }
  const wanted = only ? wantedTypes(only, asked) : []
  return {
    title,
    of: null,
    fits: wanted.length > 0 ? { kind: 'other type', asked: wanted } : { kind: 'not asked for' },
  }
}

/** The item that a paper is for; null where it does for none. */
export const itemOf = (fits: Fits): string | null => ('item' in fits ? fits.item : null)

/** Whether anything at all may be what an item asks for. */
const isOpen = ({ kind, why }: RequestItem): boolean =>
  kind === 'say' || why.kind === 'own words' || why.kind === 'unusable file'

type Try = Pick<Brought, 'of' | 'fits'>

/** What a paper is for one item; none where it is of another kind. */
function fitsItem(document: Document, item: RequestItem, asked: Asked): Try[] {
  if (item.why.kind !== 'requirement') {
    const older = asked.documents.find((d) => d.pages.includes(item.pages[0]))
    if (older?.type !== document.type) return []
    const lacks = document.lacking.length > 0
    return [
      {
        of: null,
        fits: lacks
          ? {
              kind: 'faulty',
              reason: message('paper.lacks_pages', { paper: document.label, pages: document.lacking }),
            }
          : { kind: 'does', item: item.id },
      },
    ]
  }
  return needsFor(item, asked)
    .filter((need) => need.type === document.type)
    .map((need) => fitsNeed(document, need, item, asked))
}

function fitsNeed(document: Document, need: Need, item: RequestItem, { situation }: Asked): Try {
  const of = ofNeed(document, need)
  const reason = faultOf(need, document, situation)
  if (reason) return { of, fits: { kind: 'faulty', reason } }
  const lacking = lackingOf(need, item, situation)
  if (of && lacking.length > 0 && !lacking.some((one) => sameOf(one, of)))
    return { of, fits: { kind: 'another', asked: lacking } }
  return { of, fits: { kind: isReadFor(need, document) ? 'does' : 'may do', item: item.id } }
}

/** Whether all that makes a paper good for a need is read, whose it is included, and nobody is asked about it. */
const isReadFor = (need: Need, document: Document): boolean =>
  !(need.signed && document.signedAsked) &&
  !document.ownerAsked &&
  (need.whose === 'anyone' || document.owner !== 'other') &&
  [
    need.until,
    need.from,
    need.fresh?.field,
    need.atLeast?.field,
    need.months?.field,
    need.years?.field,
    need.covers?.from,
    need.covers?.to,
  ].every((name) => !name || fieldOf(document, name)?.needsReview !== true)

/** Which of several a paper is, where a need asks for one a month or a year. */
function ofNeed(document: Document, { months, years, fresh }: Need): Of | null {
  if (years) {
    const year = usableText(document, years.field)
    return year ? { year } : null
  }
  const day = months
    ? (usableText(document, months.field) ?? (fresh ? usableText(document, fresh.field) : null))
    : null
  return day ? { month: monthIndex(day) } : null
}

/** Months and years that were asked for by name. */
const lackingOf = (need: Need, item: RequestItem, { titles }: Situation): Of[] =>
  item.ways
    .flat()
    .filter((paper) => paper.type === (titles.get(need.type) ?? need.type))
    .flatMap((paper) => [
      ...(paper.months?.lacking ?? []).map((month) => ({ month })),
      ...paper.years.map((year) => ({ year })),
    ])

const sameOf = (a: Of, b: Of): boolean => JSON.stringify(a) === JSON.stringify(b)

function needsFor({ id }: RequestItem, { program, situation }: Asked): Need[] {
  const requirement = program.requirements.find((r) => `requirement:${r.id}` === id)
  return requirement ? needsOf(requirement, situation) : []
}

/** Titles of what an item asks for. */
function wantedTypes(item: RequestItem, asked: Asked): string[] {
  const { titles } = asked.situation
  const older = asked.documents.find((d) => d.pages.includes(item.pages[0]))
  const types =
    item.why.kind === 'requirement'
      ? needsFor(item, asked).map((need) => need.type)
      : older
        ? [older.type]
        : []
  return [...new Set(types)].map((type) => titles.get(type) ?? type)
}

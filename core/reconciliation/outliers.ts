import { isMoney, message, type Message, type Money, type Page, plain } from '../model/index.ts'
import type { FilledField } from '../answers/index.ts'
import { editDistance, squeeze } from '../text/index.ts'
import type { DocumentType, Field, Program } from '../program/index.ts'
import { asDigits } from '../extraction/index.ts'
import { type Paper, splitReference } from '../dossier/index.ts'
import { askedFor } from './told.ts'

const MACHINE: ReadonlySet<string> = new Set(['certain', 'repaired'])
/** Fewer signs are no number of something: "12" may be many things. */
const LONG = 5
/** So many signs at least of a number whose beginning was lost; fewer are none where others of it have so many. */
const [TAIL, WHOLE] = [4, 8]
/** So many amounts of a package say what it is in. */
const AMOUNTS = 3
/** A firm's name that is a letter off what so many others say is likely misread, if it is as long as that. */
const [OTHERS, NAME] = [2, 8]

interface Place {
  paper: Paper
  field: FilledField
  kind: Field['kind']
  reference: string
}

/**
 * Asks about values that were read surely from a picture and yet stand oddly among the papers of their
 * package: a number that is something else's elsewhere, the end of one or one with a letter for a figure, a
 * currency of its own, a day still to come on what was signed or issued, a firm a letter off. The reader saw
 * nothing wrong with them; only the other papers do. A text layer misreads nothing.
 */
export function flagOutliers(
  papers: readonly Paper[],
  program: Program,
  types: ReadonlyMap<string, DocumentType>,
  pages: ReadonlyMap<number, Page>,
  asOf: string,
): Paper[] {
  const places = papers.flatMap((paper) =>
    paper.fields.flatMap((field): Place[] => {
      const kind = types.get(paper.type)?.fields.find((f) => f.name === field.name)?.kind
      return kind && field.value !== null && !field.needsReview
        ? [{ paper, field, kind, reference: `${paper.type}.${field.name}` }]
        : []
    }),
  )
  const numbers = grouped(
    places.filter((p) => p.kind === 'id'),
    (p) => squeeze(plain(p.field.value)),
  )
  const currencies = grouped(
    places.filter((p) => isMoney(p.field.value)),
    (p) => (p.field.value as Money).currency,
  )
  const firms = grouped(
    places.filter((p) => p.kind === 'org'),
    (p) => p.reference,
  )
  const odd = new Map<FilledField, Message>()
  for (const place of places) {
    const { field } = place
    if (!MACHINE.has(field.state) || pages.get(field.page ?? 0)?.source === 'text') continue
    const reason =
      borrowedNumber(place, numbers, program) ??
      lostBeginning(place, numbers, program) ??
      letterForFigure(place, numbers, program) ??
      ownCurrency(place, currencies) ??
      dayToCome(place, program, asOf) ??
      firmLetterOff(place, firms)
    if (reason) odd.set(field, reason)
  }
  return odd.size === 0
    ? [...papers]
    : papers.map((paper) => ({
        ...paper,
        fields: paper.fields.map((f) => (odd.has(f) ? askedFor(f, odd.get(f)!) : f)),
      }))
}

type Groups = ReadonlyMap<string, readonly Place[]>

function grouped(places: readonly Place[], keyOf: (place: Place) => string): Groups {
  const groups = new Map<string, Place[]>()
  for (const place of places) {
    const key = keyOf(place)
    const group = groups.get(key)
    if (group) group.push(place)
    else groups.set(key, [place])
  }
  return groups
}

/** A label on one line and a value on the next lead to the wrong one: the serial number for the quote's. */
function borrowedNumber(
  { paper, field, kind, reference }: Place,
  numbers: Groups,
  program: Program,
): Message | null {
  if (kind !== 'id') return null
  const number = squeeze(plain(field.value))
  if (number.length < LONG || !/\d/.test(number)) return null
  const same = numbers.get(number)!.filter((p) => p.paper !== paper)
  if (same.length === 0 || same.some((p) => p.field.name === field.name)) return null
  return same.some((p) => isOneFact(program, reference, p.reference))
    ? null
    : message('value.number_of_something_else', { paper: same[0].paper.label })
}

const wholeAt = ({ paper, field }: Place) => ({ paper: paper.label, whole: field.value })
const isOneFact = (program: Program, a: string, b: string): boolean =>
  program.facts.some((f) => f.fields.includes(a) && f.fields.includes(b))

/** "SKR: 57061" looks like a label with its number: another paper has the number whole. */
function lostBeginning({ field, kind, reference }: Place, numbers: Groups, program: Program): Message | null {
  if (kind !== 'id') return null
  const number = squeeze(plain(field.value))
  if (number.length < TAIL) {
    const longer = [...numbers].find(
      ([other, places]) =>
        other.length >= WHOLE && places.some((p) => isOneFact(program, reference, p.reference)),
    )
    return longer ? message('value.too_short', wholeAt(longer[1][0])) : null
  }
  const whole = [...numbers].find(
    ([other, places]) =>
      other.length > number.length &&
      other.endsWith(number) &&
      places.some((p) => isOneFact(program, reference, p.reference)),
  )
  return whole ? message('value.beginning_lost', wholeAt(whole[1][0])) : null
}

/**
 * "211179-S708" where another paper has "211179-5708": a hand's figures look like letters, and no two numbers
 * are so alike.
 */
function letterForFigure(
  { field, kind, reference }: Place,
  numbers: Groups,
  program: Program,
): Message | null {
  const [own, figures] = [plain(field.value), asDigits(plain(field.value))]
  if (kind !== 'id' || own === figures) return null
  const other = numbers
    .get(squeeze(figures))
    ?.find((p) => p.field !== field && isOneFact(program, reference, p.reference))
  return other ? message('value.letter_for_figure', { paper: other.paper.label }) : null
}

function ownCurrency({ field }: Place, currencies: Groups): Message | null {
  if (!isMoney(field.value) || currencies.size !== 2 || currencies.get(field.value.currency)!.length > 1)
    return null
  const own = field.value.currency
  const [usual, others] = [...currencies].find(([currency]) => currency !== own)!
  return others.length >= AMOUNTS ? message('value.own_currency', { usual }) : null
}

function dayToCome({ field, kind, reference }: Place, program: Program, asOf: string): Message | null {
  if (kind !== 'date' || typeof field.value !== 'string' || field.value <= asOf) return null
  const [, name] = splitReference(reference)
  const signed = program.checks.some((c) => c.kind === 'signed_within' && c.field === name)
  const fresh = program.requirements.some((r) =>
    r.ways.some((w) => w.needs.some((n) => n.fresh && `${n.type}.${n.fresh.field}` === reference)),
  )
  return signed || fresh ? message('value.day_to_come') : null
}

function firmLetterOff({ field, kind, reference }: Place, firms: Groups): Message | null {
  if (kind !== 'org') return null
  const own = squeeze(plain(field.value))
  if (own.length < NAME) return null
  const others = firms
    .get(reference)!
    .filter((p) => p.field !== field)
    .map((p) => squeeze(plain(p.field.value)))
  const near = others.filter((other) => other !== own && editDistance(other, own, 1) <= 1)
  return !others.includes(own) && near.length >= OTHERS && new Set(near).size === 1
    ? message('value.kind_differs_by_letter')
    : null
}

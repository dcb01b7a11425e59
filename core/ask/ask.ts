import { questionForms, questionMeanings, questionWords } from '../lexicon/index.ts'
import type { Document } from '../findings/index.ts'
import { type Box, type Page, plain, localeOf } from '../model/index.ts'
import { type Line, linesOf } from '../layout/index.ts'
import { fold } from '../text/index.ts'
import { type DocumentType, type Field, type FieldKind, fieldKind } from '../program/index.ts'
import { contentWords, kindReaders } from '../extraction/index.ts'

/** Where an answer stands. */
export interface AnswerPlace {
  page: number
  box: Box | null
  document: string
  /** "Total price" on "Seller's quote". */
  field: string | null
}

/** One answer: a value that was read, the same on one paper or several, or a line of print that seems to say it. */
export interface Answer {
  text: string
  from: 'value' | 'line'
  places: AnswerPlace[]
  /** Somebody is still to look at the value. */
  asked: boolean
}

/** What kinds of value answer a question of that form; the first that fits counts. */
const FORMS = questionForms.map(({ asks, kinds }) => ({
  asks: new RegExp(`\\b(?:${asks.join('|')})\\b`),
  kinds: kinds.map((kind) => fieldKind.parse(kind)),
}))

/** What people say for what stands on papers: the word asked with, and words of labels it may stand for. */
const MEANT = questionMeanings.map(({ asked, means }) => ({
  asked: new RegExp(`\\b(?:${asked.join('|')})\\b`),
  means,
}))

const QUESTION: ReadonlySet<string> = new Set(questionWords)

/** Share of what a question asks for that an answer must speak of; below it nothing is answered. */
const ENOUGH = 0.6
const LINE_ENOUGH = 0.75
/** Answers this near the best are given beside it. */
const BESIDE = 0.9
/** Surer than this, or said by a person: what is likelier wrong answers nothing. */
const BELIEVED = 0.5

/**
 * Answers a question in plain words from what was read: the values whose labels and papers speak of what is
 * asked, else a line of print that does. Never anything that does not stand on a page; nothing is an answer
 * too. Source of the weighting: Spärck Jones, "A statistical interpretation of term specificity", 1972.
 */
export function ask(
  question: string,
  given: { documents: readonly Document[]; pages: readonly Page[]; types: readonly DocumentType[] },
): Answer[] {
  const plainly = fold(question).replace(/[?!.]/g, ' ')
  const wanted = wordsOf(plainly, given.types)
  if (wanted.length === 0) return []
  const kinds = FORMS.find(({ asks }) => asks.test(plainly))?.kinds ?? null
  const values = fromValues(wanted, kinds, given)
  return values.length > 0 ? values : fromLines(wanted, kinds, given)
}

/** What a question asks for, word by word, each with the words of labels that it may stand for. */
type Wanted = readonly string[]

function wordsOf(question: string, types: readonly DocumentType[]): Wanted[] {
  const alike = types.flatMap((type) => type.synonyms)
  return question
    .split(/[^\p{L}\p{N}]+/u)
    .filter((w) => w.length > 1 && !QUESTION.has(w))
    .map((word) => {
      const means = MEANT.filter(({ asked }) => asked.test(word)).flatMap(({ means }) => means)
      const said = alike.filter((group) => group.includes(word)).flat()
      return [...new Set([word, ...means, ...said].flatMap((w) => contentWords(w)))]
    })
    .filter((w) => w.length > 0)
}

/** One word of a question is spoken of where any of the words it may stand for is, or another form of it. */
const speaks = (words: ReadonlySet<string>, wanted: Wanted): boolean =>
  wanted.some(
    (w) => words.has(w) || (w.length > 4 && [...words].some((word) => word.startsWith(w.slice(0, 5)))),
  )

function fromValues(
  wanted: readonly Wanted[],
  kinds: readonly FieldKind[] | null,
  { documents, types }: { documents: readonly Document[]; types: readonly DocumentType[] },
): Answer[] {
  const found: {
    document: Document
    field: Field
    text: string
    asked: boolean
    place: AnswerPlace
    own: Set<string>
    paper: Set<string>
  }[] = []
  for (const document of documents) {
    const type = types.find((t) => t.id === document.type)
    if (!type) continue
    const paper = new Set([type.title, ...type.titles.slice(0, 8)].flatMap((t) => [...contentWords(t)]))
    for (const field of type.fields) {
      const value = document.fields.find((f) => f.name === field.name)
      if (!value || value.value === null || value.confidence < BELIEVED || field.kind === 'table') continue
      const own = new Set(
        [field.title, field.name.replaceAll('_', ' '), ...field.labels.slice(0, 12)].flatMap((t) => [
          ...contentWords(t),
        ]),
      )
      found.push({
        document,
        field,
        own,
        paper,
        text: plain(value.value),
        asked: value.needsReview,
        place: {
          page: value.page ?? document.pages[0],
          box: value.box,
          document: document.id,
          field: field.title,
        },
      })
    }
  }
  const all = found.map((f) => new Set([...f.own, ...f.paper]))
  const weights = wanted.map((w) =>
    Math.log(1 + found.length / Math.max(1, all.filter((words) => speaks(words, w)).length)),
  )
  const most = weights.reduce((a, b) => a + b, 0)
  const scored = found
    .map((f) => {
      let score = 0
      let ownly = 0
      wanted.forEach((w, i) => {
        const own = speaks(f.own, w)
        if (own) ownly += weights[i]
        // What the value itself is called says more than what its paper is.
        score += own ? weights[i] : speaks(f.paper, w) ? weights[i] * 0.8 : 0
      })
      // A form's own words first: its kind of paper alone does not say which of its values is meant.
      const fits = kinds === null ? 0 : kinds.includes(f.field.kind) ? 0.25 : -0.45
      return { ...f, score: most > 0 ? score / most + fits : 0, ownly }
    })
    .filter((f) => f.score >= ENOUGH && (f.ownly > 0 || (kinds?.includes(f.field.kind) ?? false)))
  const best = Math.max(0, ...scored.map((s) => s.score))
  const groups = new Map<string, Answer>()
  for (const one of scored.filter((s) => s.score >= best * BESIDE).sort((a, b) => b.score - a.score)) {
    const group = groups.get(fold(one.text)) ?? {
      text: one.text,
      from: 'value' as const,
      places: [],
      asked: true,
    }
    group.places.push(one.place)
    group.asked &&= one.asked
    groups.set(fold(one.text), group)
  }
  return [...groups.values()].slice(0, 8)
}

function fromLines(
  wanted: readonly Wanted[],
  kinds: readonly FieldKind[] | null,
  { pages, documents }: { pages: readonly Page[]; documents: readonly Document[] },
): Answer[] {
  const lines = pages.flatMap((page) =>
    linesOf(page).map((line) => ({ page, line, words: new Set(contentWords(line.text)) })),
  )
  const weights = wanted.map((w) => {
    const users = lines.filter((l) => speaks(l.words, w)).length
    return users === 0 ? Math.log(1 + lines.length) : Math.log(1 + lines.length / users)
  })
  const most = weights.reduce((a, b) => a + b, 0)
  const scored = lines
    .map((l) => ({
      ...l,
      score: wanted.reduce((sum, w, i) => sum + (speaks(l.words, w) ? weights[i] : 0), 0) / most,
    }))
    .filter((l) => l.score >= LINE_ENOUGH && holds(l.line, l.page, kinds))
    .sort((a, b) => b.score - a.score)
  return scored
    .filter((l) => l.score >= scored[0].score * BESIDE)
    .slice(0, 5)
    .map(({ page, line }) => ({
      text: line.text,
      from: 'line',
      asked: false,
      places: [
        {
          page: page.number,
          box: line.box,
          document: documents.find((d) => d.pages.includes(page.number))?.id ?? '',
          field: null,
        },
      ],
    }))
}

/** Whether a line holds a value of a kind that is asked for. */
const holds = (line: Line, page: Page, kinds: readonly FieldKind[] | null): boolean =>
  kinds === null ||
  (kinds.some((kind) => kind === 'name' || kind === 'org') && /\p{Lu}\p{L}+ \p{Lu}\p{L}+/u.test(line.text)) ||
  kinds.some(
    (kind) =>
      kind in kindReaders &&
      kindReaders[kind as keyof typeof kindReaders](line.words, localeOf(page)).some(
        (r) => r.plausibility >= 0.7,
      ),
  )

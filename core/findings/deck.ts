import type { Answer } from '../answers/answer.ts'
import type { RequirementResult } from '../check/checklist.ts'
import type { Evidence, FactResult, Settled } from '../dossier/facts.ts'
import { figuresOf, type CheckResult } from '../dossier/checks.ts'
import type { Box } from '../model/geometry.ts'
import type { Program } from '../program/schema.ts'
import { plain, type Value } from '../model/value.ts'
import type { Document } from './document.ts'

/** A cut-out of a page that bears on a question. */
export interface CutOut {
  title: string
  page: number
  box: Box | null
  /** How it was read. */
  raw: string | null
  /** How sure, 0 to 1; null where that is no measure. */
  sure: number | null
  document: string
  field: string | null
}

/** One way to answer, with what it stores. `needs` says what the person must still give. */
export interface Choice {
  text: string
  note: string
  answer: Answer
  needs: 'nothing' | 'reason' | 'type' | 'value'
}

/** One question for a person: a loose piece. */
export interface Question {
  id: string
  about: 'cut' | 'type' | 'value' | 'signature' | 'fact' | 'check'
  question: string
  why: string
  /** Field kind of a value question, so that what is typed is checked. */
  kind?: string
  field?: string
  evidence: CutOut[]
  choices: Choice[]
  document: string | null
  /** How much an answer settles; the deck is in this order. */
  weight: number
}

/** Types whose thresholds, titles and fields the questions need. */
export interface DeckTypes {
  title: (id: string) => string
  fieldTitle: (type: string, field: string) => string
  fieldKind: (type: string, field: string) => string
  threshold: (type: string) => number
}

/**
 * All open questions of a judged package, those first that settle most. Rejoining answers come out of the
 * same data, so an answer closes its question.
 */
export function dealDeck(given: {
  documents: readonly Document[]
  facts: readonly FactResult[]
  checks: readonly CheckResult[]
  checklist: readonly RequirementResult[]
  program: Program
  types: DeckTypes
}): Question[] {
  const { documents, types } = given
  const byId = new Map(documents.map((d) => [d.id, d]))
  const questions = [
    ...documents.flatMap((d, i) => cutQuestion(d, documents[i - 1], types)),
    ...documents.flatMap((d) => doubtQuestions(d, types)),
    ...documents.flatMap((d) => typeQuestion(d, types)),
    ...documents.flatMap((d) => valueQuestions(d, types)),
    ...documents.flatMap(signatureQuestion),
    ...given.facts.flatMap((f) => factQuestion(f, byId, given.program, types)),
    ...given.checks.flatMap((c) => checkQuestion(c, byId, given.program)),
  ]
  return questions.sort((a, b) => b.weight - a.weight)
}

const percent = (p: number): string => `${Math.round(p * 100)} sure`

/**
 * Asks about a beginning that the model finds doubtful; a certain type with a doubtful start is a question of
 * the cut, not of the type.
 */
function cutQuestion(document: Document, before: Document | undefined, types: DeckTypes): Question[] {
  if (!before || document.cutSaid || document.cutBefore >= 0.85 || !document.needsReview || document.typeSaid)
    return []
  const page = document.pages[0]
  return [
    {
      id: `cut:${page}`,
      about: 'cut',
      question: `Does ${article(types.title(document.type))} start on page ${page}?`,
      why: document.contested
        ? contestedBy(document.contested)
        : `Page ${page} may also go on with ${before.label}.`,
      evidence: [
        {
          title: `${before.label}, page ${before.pages.at(-1)}`,
          page: before.pages.at(-1)!,
          box: null,
          raw: null,
          sure: null,
          document: before.id,
          field: null,
        },
        {
          title: `Page ${page}`,
          page,
          box: null,
          raw: null,
          sure: document.cutBefore,
          document: document.id,
          field: null,
        },
      ],
      choices: [
        {
          text: `Yes, it starts here`,
          note: percent(document.cutBefore),
          answer: { kind: 'cut', page, begins: true },
          needs: 'nothing',
        },
        {
          text: `No, it goes on with ${before.label}`,
          note: percent(1 - document.cutBefore),
          answer: { kind: 'cut', page, begins: false },
          needs: 'nothing',
        },
      ],
      document: document.id,
      weight: 100 + document.fields.length / 10,
    },
  ]
}

const contestedBy = (rule: string): string => `The rule “${rule}” says so; the page itself says otherwise.`

/** Asks about pages inside a document at which another may begin. */
function doubtQuestions(document: Document, types: DeckTypes): Question[] {
  if (!document.needsReview) return []
  return document.doubts.map(({ page, chance, rule }): Question => {
    const before = document.pages[document.pages.indexOf(page) - 1]
    return {
      id: `cut:${page}`,
      about: 'cut',
      question: `Does another document start on page ${page}?`,
      why: rule ? contestedBy(rule) : `It is taken to go on with ${document.label}.`,
      evidence: [
        {
          title: `${document.label}, page ${before}`,
          page: before,
          box: null,
          raw: null,
          sure: null,
          document: document.id,
          field: null,
        },
        { title: `Page ${page}`, page, box: null, raw: null, sure: null, document: document.id, field: null },
      ],
      choices: [
        {
          text: `No, it goes on with ${article(types.title(document.type))}`,
          note: percent(1 - chance),
          answer: { kind: 'cut', page, begins: false },
          needs: 'nothing',
        },
        {
          text: 'Yes, another one starts here',
          note: percent(chance),
          answer: { kind: 'cut', page, begins: true },
          needs: 'nothing',
        },
      ],
      document: document.id,
      weight: 100 + document.fields.length / 10,
    }
  })
}

function typeQuestion(document: Document, types: DeckTypes): Question[] {
  if (document.typeSaid || !document.needsReview) return []
  const sureOfType = document.types.find((t) => t.type === document.type)?.confidence ?? document.confidence
  // Where only the ends are in doubt, the cut questions ask.
  const typeShare =
    sureOfType /
    Math.max(
      1e-6,
      document.types.reduce((sum, t) => sum + t.confidence, 0),
    )
  if (
    typeShare >= 0.97 &&
    document.type !== 'unknown' &&
    ((document.cutBefore < 0.85 && !document.cutSaid) || document.doubts.length > 0)
  )
    return []
  const page = document.pages[0]
  const alternatives = document.types
    .filter((t) => t.type !== 'unknown' || document.type === 'unknown')
    .slice(0, 4)
  const where = document.pages.length === 1 ? `page ${page}` : `pages ${page} to ${document.pages.at(-1)}`
  return [
    {
      id: `type:${page}`,
      about: 'type',
      question:
        document.type === 'unknown'
          ? `What ${document.pages.length === 1 ? 'is' : 'are'} ${where}?`
          : `${document.pages.length === 1 ? 'Is' : 'Are'} ${where} ${article(types.title(document.type))}?`,
      why: document.contested
        ? contestedBy(document.contested)
        : document.type === 'unknown'
          ? 'No known type fits it well.'
          : 'Its wording fits more than one kind of paper, or its ends are not certain.',
      evidence: [
        {
          title: capital(where),
          page,
          box: null,
          raw: null,
          sure: document.confidence,
          document: document.id,
          field: null,
        },
      ],
      choices: [
        ...alternatives.map((t): Choice => ({
          text: t.type === 'unknown' ? 'None of the known types' : types.title(t.type),
          note: percent(t.confidence),
          answer: { kind: 'type', page, type: t.type },
          needs: 'nothing',
        })),
        {
          text: 'Another type',
          note: 'type some letters of its name',
          answer: { kind: 'type', page, type: 'unknown' },
          needs: 'type',
        },
      ],
      document: document.id,
      weight: 90,
    },
  ]
}

function valueQuestions(document: Document, types: DeckTypes): Question[] {
  if (document.needsReview && !document.typeSaid) return []
  return document.fields
    .filter((f) => f.needsReview)
    .map((field) => {
      const title = types.fieldTitle(document.type, field.name)
      const kind = types.fieldKind(document.type, field.name)
      const page = document.pages[0]
      const answer = (
        value: Value,
        state: 'confirmed' | 'corrected' | 'empty' | 'unreadable',
        at: { page: number; box: Box } | null = null,
      ): Answer => ({ kind: 'value', page, field: field.name, value, state, at })
      const shown =
        kind === 'table' ? `${Array.isArray(field.value) ? field.value.length : 0} rows` : plain(field.value)
      return {
        id: `value:${page}:${field.name}`,
        about: 'value' as const,
        question:
          field.value === null
            ? `What is the ${lower(title)} on ${document.label}?`
            : kind === 'table'
              ? `Are the ${lower(title)} of ${document.label} read right?`
              : `Is the ${lower(title)} of ${document.label} ${shown}?`,
        why: field.reason ? `Asked because: ${field.reason}.` : '',
        kind,
        field: field.name,
        evidence: [
          {
            title: `${document.label}, page ${field.page ?? page}`,
            page: field.page ?? page,
            box: field.box,
            raw: field.raw,
            sure: field.value === null ? null : field.confidence,
            document: document.id,
            field: field.name,
          },
        ],
        choices: [
          ...(field.value === null
            ? []
            : [
                {
                  text: shown,
                  note: percent(field.confidence),
                  answer: answer(field.value, 'confirmed'),
                  needs: 'nothing' as const,
                },
              ]),
          ...(kind === 'table'
            ? []
            : field.others.slice(0, 2).map((o) => ({
                text: plain(o.value),
                note: 'also on the page',
                answer: answer(o.value, 'corrected', { page: o.page, box: o.box }),
                needs: 'nothing' as const,
              }))),
          ...(kind === 'table'
            ? []
            : [
                {
                  text: 'Type it, or click it on the page',
                  note: '',
                  answer: answer(null, 'corrected'),
                  needs: 'value' as const,
                },
              ]),
          {
            text: 'The paper does not say',
            note: 'leaves it empty',
            answer: answer(null, 'empty'),
            needs: 'nothing' as const,
          },
          {
            text: 'Unreadable',
            note: 'takes no part in checks',
            answer: answer(null, 'unreadable'),
            needs: 'nothing' as const,
          },
        ],
        document: document.id,
        weight: 40 + (field.value === null ? 1 : 0) - field.confidence,
      }
    })
}

function signatureQuestion(document: Document): Question[] {
  const { signature } = document
  if (!signature || !document.signedAsked) return []
  const page = document.pages[0]
  const choice = (signed: boolean): Choice => ({
    text: signed ? 'Yes, it is signed' : 'No, it is not',
    note: signature.signed === signed ? percent(signature.confidence) : '',
    answer: { kind: 'signed', page, signed },
    needs: 'nothing',
  })
  return [
    {
      id: `signed:${page}`,
      about: 'signature',
      question: `Is ${document.label} signed?`,
      why:
        signature.confidence <= 0.5
          ? 'No place for a signature was found on it.'
          : 'The ink where it would be signed is doubtful.',
      evidence: [
        {
          title: `${document.label}, page ${signature.page}`,
          page: signature.page,
          box: signature.box,
          raw: null,
          sure: signature.confidence,
          document: document.id,
          field: null,
        },
      ],
      choices: signature.signed ? [choice(true), choice(false)] : [choice(false), choice(true)],
      document: document.id,
      weight: 60,
    },
  ]
}

/** The picture shows that the paper says something else than was read. */
const misread = (evidence: Evidence, document: Document): Choice => ({
  text: `It is misread on ${document.label}`,
  note: 'type it, or click it on the page',
  needs: 'value',
  answer: {
    kind: 'value',
    page: document.pages[0],
    field: evidence.field,
    value: null,
    state: 'corrected',
    at: null,
  },
})

/** A decision that nothing speaks against, whether it counts already or waits for a second person. */
const resting = (settled: Settled<string> | null): boolean =>
  settled !== null && settled.state !== 'refused' && settled.against.length === 0
/** What went before, where something is asked again. */
const before = (settled: Settled<string> | null): string =>
  settled?.state === 'refused'
    ? `A second person refused “${settled.reason}”${settled.refusal ? `: ${settled.refusal}` : ''}. `
    : settled && settled.against.length > 0
      ? `This was settled (“${settled.reason}”), but now a paper says ${settled.against.slice(0, 2).join(' and ')}. `
      : ''
const SECOND = 'with a reason; a second person must agree'

function factQuestion(
  fact: FactResult,
  documents: ReadonlyMap<string, Document>,
  program: Program,
  types: DeckTypes,
): Question[] {
  if (fact.status !== 'conflict' || resting(fact.settled)) return []
  const spec = program.facts.find((f) => f.id === fact.fact)!
  const groups = new Map<string, Evidence[]>()
  for (const e of fact.evidence) {
    const key = e.relation === 'different' ? plain(e.value).toLowerCase() : ''
    groups.set(key, [...(groups.get(key) ?? []), e])
  }
  const documentOf = (id: string) => documents.get(id)!
  const cutOut = (e: Evidence): CutOut => {
    const document = documentOf(e.document)
    const field = document.fields.find((f) => f.name === e.field)!
    return {
      title: `${document.label}, page ${field.page ?? document.pages[0]}`,
      page: field.page ?? document.pages[0],
      box: field.box,
      raw: field.raw,
      sure: field.confidence,
      document: document.id,
      field: field.name,
    }
  }
  const sides = [...groups.values()].sort((a, b) => b.length - a.length)
  const differing = fact.evidence.filter((e) => e.relation === 'different')
  const over = [...new Set(fact.evidence.map((e) => plain(e.value)))]
  return [
    {
      id: `fact:${fact.fact}`,
      about: 'fact',
      question: spec.question,
      why: [
        `${before(fact.settled)}${sentence(differing.map((e) => documentOf(e.document).label))}`,
        `${differing.length === 1 ? 'does' : 'do'} not agree with the rest: ${differing[0].why}.`,
      ].join(' '),
      kind: spec.kind,
      evidence: sides.flatMap((side) => side.slice(0, 2).map(cutOut)).slice(0, 4),
      choices: [
        ...sides.slice(0, 3).map((side): Choice => ({
          text: plain(side[0].value),
          note: sentence(
            side.map(
              (e) =>
                `${documentOf(e.document).label}${side.length === 1 ? `, ${lower(types.fieldTitle(documentOf(e.document).type, e.field))}` : ''}`,
            ),
          ),
          answer: {
            kind: 'fact',
            fact: fact.fact,
            decision: 'value',
            value: side[0].value,
            reason: `${plain(side[0].value)} is right`,
            over,
          },
          needs: 'reason',
        })),
        misread(differing[0], documentOf(differing[0].document)),
        {
          text: 'Accept the difference',
          note: program.signOff.differences ? SECOND : 'with a reason',
          answer: {
            kind: 'fact',
            fact: fact.fact,
            decision: 'accepted',
            value: null,
            reason: 'accepted',
            over,
          },
          needs: 'reason',
        },
        {
          text: 'Ask the applicant',
          note: 'stays open, noted for the request',
          answer: {
            kind: 'fact',
            fact: fact.fact,
            decision: 'ask',
            value: null,
            reason: 'to be asked of the applicant',
            over,
          },
          needs: 'nothing',
        },
      ],
      document: differing[0].document,
      weight: 50 + differing.length,
    },
  ]
}

function checkQuestion(
  check: CheckResult,
  documents: ReadonlyMap<string, Document>,
  program: Program,
): Question[] {
  if (check.status !== 'failed' || resting(check.settled)) return []
  const over = figuresOf(check.detail)
  return [
    {
      id: `check:${check.check}`,
      about: 'check',
      question: `${check.title}: why not here?`,
      why: `${before(check.settled)}${check.detail}.`,
      evidence: check.terms.slice(0, 4).flatMap((term): CutOut[] => {
        const document = documents.get(term.document)
        const field = document?.fields.find((f) => f.name === term.field)
        const place =
          term.row !== undefined && field?.rowPlaces
            ? field.rowPlaces[term.row]
            : field?.box && field.page
              ? { page: field.page, box: field.box }
              : null
        return document && field && place
          ? [
              {
                title: `${term.label}, page ${place.page}`,
                page: place.page,
                box: place.box,
                raw: plain(term.amount),
                sure: field.confidence,
                document: document.id,
                field: field.name,
              },
            ]
          : []
      }),
      choices: [
        {
          text: 'Accept it as it is',
          note: program.signOff.differences ? SECOND : 'with a reason',
          answer: { kind: 'check', check: check.check, decision: 'accepted', reason: 'accepted', over },
          needs: 'reason',
        },
        {
          text: 'Ask the applicant',
          note: 'stays open, noted for the request',
          answer: {
            kind: 'check',
            check: check.check,
            decision: 'ask',
            reason: 'to be asked of the applicant',
            over,
          },
          needs: 'nothing',
        },
      ],
      document: check.documents[0] ?? null,
      weight: 30,
    },
  ]
}

const lower = (text: string): string =>
  /^[A-Z]{2}/.test(text) ? text : text[0].toLowerCase() + text.slice(1)
const capital = (text: string): string => text[0].toUpperCase() + text.slice(1)
const article = (title: string): string => `${/^[aeiou]/i.test(title) ? 'an' : 'a'} ${lower(title)}`
const sentence = (items: string[]): string => {
  const unique = [...new Set(items)]
  if (unique.length > 4) return `${unique.slice(0, 3).join(', ')} and ${unique.length - 3} more`
  return unique.length < 2 ? (unique[0] ?? '') : `${unique.slice(0, -1).join(', ')} and ${unique.at(-1)}`
}

import { type Box, figuresIn, message, type Message, plain, type Value } from '../model/index.ts'
import type { Answer } from '../answers/index.ts'
import type { RequirementResult } from '../check/index.ts'
import type { CheckResult, Evidence, FactResult, Settled } from '../dossier/index.ts'
import type { Program } from '../program/index.ts'
import type { Stray } from '../classification/index.ts'
import type { Document } from './document.ts'

/** A cut-out of a page that bears on a question. */
export interface CutOut {
  title: Message
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
  text: Message
  note: Message | null
  answer: Answer
  needs: 'nothing' | 'reason' | 'type' | 'value'
}

/** One question for a person: a loose piece. */
export interface Question {
  id: string
  about: 'cut' | 'stray' | 'type' | 'value' | 'signature' | 'fact' | 'check'
  question: Message
  why: Message[]
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
  strays?: readonly OpenStray[]
  /** What the applicant says, by the id of the question, since it was decided last. */
  said?: ReadonlyMap<string, string>
}): Question[] {
  const { documents, types, said = new Map<string, string>() } = given
  const byId = new Map(documents.map((d) => [d.id, d]))
  const questions = [
    ...(given.strays ?? []).map((stray) => strayQuestion(stray, documents)),
    ...documents.flatMap((d, i) => cutQuestion(d, documents[i - 1], types)),
    ...documents.flatMap((d) => doubtQuestions(d, types)),
    ...documents.flatMap((d) => typeQuestion(d, types)),
    ...documents.flatMap((d) => valueQuestions(d, types)),
    ...documents.flatMap(signatureQuestion),
    ...given.facts.flatMap((f) => factQuestion(f, byId, given.program, types, said.get(`fact:${f.fact}`))),
    ...given.checks.flatMap((c) => checkQuestion(c, byId, given.program, said.get(`check:${c.check}`))),
  ]
  return questions.sort((a, b) => b.weight - a.weight)
}

/** Pages that may be another case's, where nobody has said yet whether they are. */
export interface OpenStray extends Omit<Stray, 'code'> {
  /** A sheet before them names the case; or whoever sent them is known from it. */
  by: 'sheet' | 'sender'
  /** Whose case that is, where it is known. */
  applicant: string | null
  /** There is such a case, and it takes papers. */
  known: boolean
}

/** Pages behind the sheet of another case stay where they came until a person says where they belong. */
function strayQuestion(stray: OpenStray, documents: readonly Document[]): Question {
  const { sheet, caseNumber, pages, known, by, applicant } = stray
  const [first, last] = [pages[0], pages.at(-1)!]
  const cutOut = (page: number): CutOut => ({
    title: message('place.page', { page }),
    page,
    box: null,
    raw: null,
    sure: null,
    document: documents.find((d) => d.pages.includes(page))?.id ?? '',
    field: null,
  })
  return {
    id: `stray:${sheet}`,
    about: 'stray',
    question:
      by === 'sheet'
        ? message('ask.stray', { caseNumber, first, last })
        : message('ask.belongs', { caseNumber, applicant }),
    why: [
      message(by === 'sender' ? 'why.sender_known' : known ? 'why.stray_unproved' : 'why.stray_unknown', {
        caseNumber,
      }),
    ],
    evidence: (sheet === first ? [first] : [sheet, first]).map(cutOut),
    choices: [
      {
        text: message('choice.file_there', { caseNumber }),
        note: null,
        answer: { kind: 'file', page: sheet, there: true },
        needs: 'nothing',
      },
      {
        text: message('choice.stays_here'),
        note: null,
        answer: { kind: 'file', page: sheet, there: false },
        needs: 'nothing',
      },
    ],
    document: null,
    // Papers of another person must leave before anything of them is compared or answered.
    weight: 1000,
  }
}

const chanceOf = (chance: number): Message => message('note.chance', { chance })

/**
 * Asks about a beginning that the model finds doubtful; a certain type with a doubtful start is a question of
 * the cut, not of the type.
 */
function cutQuestion(document: Document, before: Document | undefined, types: DeckTypes): Question[] {
  if (!before || document.cutSaid || document.cutBefore >= 0.85 || !document.typeAsked) return []
  const page = document.pages[0]
  return [
    {
      id: `cut:${page}`,
      about: 'cut',
      question: message('ask.starts', { type: types.title(document.type), page }),
      why: [
        document.contested
          ? contestedBy(document.contested)
          : message('why.may_go_on', { page, paper: before.label }),
      ],
      evidence: [
        {
          title: onPage(before, before.pages.at(-1)!),
          page: before.pages.at(-1)!,
          box: null,
          raw: null,
          sure: null,
          document: before.id,
          field: null,
        },
        {
          title: message('place.page', { page }),
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
          text: message('choice.starts_here'),
          note: chanceOf(document.cutBefore),
          answer: { kind: 'cut', page, begins: true },
          needs: 'nothing',
        },
        {
          text: message('choice.goes_on_with', { paper: before.label }),
          note: chanceOf(1 - document.cutBefore),
          answer: { kind: 'cut', page, begins: false },
          needs: 'nothing',
        },
      ],
      document: document.id,
      weight: 100 + document.fields.length / 10,
    },
  ]
}

const contestedBy = (rule: string): Message => message('why.rule', { rule })
const onPage = ({ label }: Document, page: number): Message => message('place.paper', { paper: label, page })

/** Asks about pages inside a document at which another may begin. */
function doubtQuestions(document: Document, types: DeckTypes): Question[] {
  if (!document.needsReview) return []
  return document.doubts.map(({ page, chance, rule }): Question => {
    const before = document.pages[document.pages.indexOf(page) - 1]
    return {
      id: `cut:${page}`,
      about: 'cut',
      question: message('ask.starts_inside', { page }),
      why: [rule ? contestedBy(rule) : message('why.taken_to_go_on', { paper: document.label })],
      evidence: [
        {
          title: onPage(document, before),
          page: before,
          box: null,
          raw: null,
          sure: null,
          document: document.id,
          field: null,
        },
        {
          title: message('place.page', { page }),
          page,
          box: null,
          raw: null,
          sure: null,
          document: document.id,
          field: null,
        },
      ],
      choices: [
        {
          text: message('choice.goes_on', { type: types.title(document.type) }),
          note: chanceOf(1 - chance),
          answer: { kind: 'cut', page, begins: false },
          needs: 'nothing',
        },
        {
          text: message('choice.another_starts'),
          note: chanceOf(chance),
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
  if (!document.typeAsked) return []
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
  const where = { first: page, last: document.pages.at(-1)! }
  return [
    {
      id: `type:${page}`,
      about: 'type',
      question:
        document.type === 'unknown'
          ? message('ask.what_is', where)
          : message('ask.is_of_type', { ...where, type: types.title(document.type) }),
      why: [
        document.contested
          ? contestedBy(document.contested)
          : message(document.type === 'unknown' ? 'why.no_type_fits' : 'why.types_alike'),
      ],
      evidence: [
        {
          title: message('place.pages', where),
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
          text:
            t.type === 'unknown'
              ? message('choice.no_known_type')
              : message('choice.type', { type: types.title(t.type) }),
          note: chanceOf(t.confidence),
          answer: { kind: 'type', page, type: t.type },
          needs: 'nothing',
        })),
        {
          text: message('choice.another_type'),
          note: message('note.search_type'),
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
  if (document.typeAsked) return []
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
      const about = { field: title, paper: document.label }
      const at = {
        page: field.page ?? field.beside?.page ?? page,
        box: field.box ?? field.beside?.box ?? null,
      }
      return {
        id: `value:${page}:${field.name}`,
        about: 'value' as const,
        question:
          field.value === null
            ? message('ask.what_is_value', about)
            : kind === 'table'
              ? message('ask.are_rows', about)
              : message('ask.is_value', { ...about, value: field.value }),
        why: field.reason ? [message('why.value', { reason: field.reason })] : [],
        kind,
        field: field.name,
        evidence: [
          {
            title: onPage(document, at.page),
            page: at.page,
            box: at.box,
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
                  text:
                    kind === 'table'
                      ? message('choice.rows', { count: Array.isArray(field.value) ? field.value.length : 0 })
                      : message('choice.value', { value: field.value }),
                  note: chanceOf(field.confidence),
                  answer: answer(field.value, 'confirmed'),
                  needs: 'nothing' as const,
                },
              ]),
          ...(kind === 'table'
            ? []
            : field.others.slice(0, 2).map((o) => ({
                text: message('choice.value', { value: o.value }),
                note: message('note.on_page_too'),
                answer: answer(o.value, 'corrected', { page: o.page, box: o.box }),
                needs: 'nothing' as const,
              }))),
          ...(kind === 'table'
            ? []
            : [
                {
                  text: message('choice.type_value'),
                  note: null,
                  answer: answer(null, 'corrected'),
                  needs: 'value' as const,
                },
              ]),
          {
            text: message('choice.not_said'),
            note: message('note.leaves_empty'),
            answer: answer(null, 'empty'),
            needs: 'nothing' as const,
          },
          {
            text: message('choice.unreadable'),
            note: message('note.takes_no_part'),
            answer: answer(null, 'unreadable'),
            needs: 'nothing' as const,
          },
        ],
        document: document.id,
        weight: 40 + (field.value === null ? 1 : 0) - field.confidence,
      }
    })
}

/** A signature no surer than this had no place found for it. */
const NO_PLACE = 0.5

function signatureQuestion(document: Document): Question[] {
  const { signature } = document
  if (!signature || !document.signedAsked) return []
  const page = document.pages[0]
  const choice = (signed: boolean): Choice => ({
    text: message(signed ? 'choice.signed' : 'choice.not_signed'),
    note: signature.signed === signed ? chanceOf(signature.confidence) : null,
    answer: { kind: 'signed', page, signed },
    needs: 'nothing',
  })
  return [
    {
      id: `signed:${page}`,
      about: 'signature',
      question: message('ask.signed', { paper: document.label }),
      why: [message(signature.confidence <= NO_PLACE ? 'why.no_place_to_sign' : 'why.ink_doubtful')],
      evidence: [
        {
          title: onPage(document, signature.page),
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
  text: message('choice.misread', { paper: document.label }),
  note: message('note.type_or_click'),
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

/**
 * A decision that nothing speaks against, whether it counts already or waits for a second person. One to ask the
 * applicant rests until they have said something.
 */
const resting = (settled: Settled<string> | null, said: string | undefined): boolean =>
  settled !== null &&
  settled.state !== 'refused' &&
  settled.against.length === 0 &&
  !(settled.decision === 'ask' && said !== undefined)
/** What the applicant says is a reason to look, and no answer. */
const heard = (said: string | undefined): Message[] =>
  said === undefined ? [] : [message('why.applicant_says', { text: said })]
/** What went before, where something is asked again. */
const before = (settled: Settled<string> | null): Message[] =>
  settled?.state === 'refused'
    ? [message('why.refused', { reason: settled.reason, refusal: settled.refusal })]
    : settled && settled.against.length > 0
      ? [message('why.settled_before', { reason: settled.reason, against: settled.against })]
      : []
/** Whoever accepts a difference does so alone, or a second person agrees. */
const signedOff = (program: Program): Message | null =>
  program.signOff.differences ? message('note.second_agrees') : null

function factQuestion(
  fact: FactResult,
  documents: ReadonlyMap<string, Document>,
  program: Program,
  types: DeckTypes,
  said: string | undefined,
): Question[] {
  if (fact.status !== 'conflict' || resting(fact.settled, said)) return []
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
      title: onPage(document, field.page ?? document.pages[0]),
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
      question: message('ask.fact', { question: spec.question }),
      why: [
        ...heard(said),
        ...before(fact.settled),
        message('why.differs', {
          papers: differing.map((e) => documentOf(e.document).label),
          count: differing.length,
          how: differing[0].why,
        }),
      ],
      kind: spec.kind,
      evidence: sides.flatMap((side) => side.slice(0, 2).map(cutOut)).slice(0, 4),
      choices: [
        ...sides.slice(0, 3).map((side): Choice => ({
          text: message('choice.value', { value: side[0].value }),
          note: message('note.said_by', {
            papers: side.map((e) => {
              const { label, type } = documentOf(e.document)
              return { paper: label, field: side.length === 1 ? types.fieldTitle(type, e.field) : null }
            }),
          }),
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
          text: message('choice.accept_difference'),
          note: signedOff(program),
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
          text: message('choice.ask_applicant'),
          note: message('note.stays_open'),
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
  said: string | undefined,
): Question[] {
  if (check.status !== 'failed' || resting(check.settled, said)) return []
  const over = figuresIn(check.detail)
  return [
    {
      id: `check:${check.check}`,
      about: 'check',
      question: message('ask.check', { title: check.title }),
      why: [...heard(said), ...before(check.settled), message('why.check', { detail: check.detail })],
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
                title: message('place.term', { term: term.label, page: place.page }),
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
          text: message('choice.accept'),
          note: signedOff(program),
          answer: { kind: 'check', check: check.check, decision: 'accepted', reason: 'accepted', over },
          needs: 'reason',
        },
        {
          text: message('choice.ask_applicant'),
          note: message('note.stays_open'),
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

import { type Answer, type Standing, standingOf } from '../answers/index.ts'
import type { Fact, Program } from '../program/index.ts'
import { plain, type Value } from '../model/index.ts'
import { type Agreement, comparerOf, same, WEAK } from '../matching/index.ts'
import { counts, fieldOf, isAnothers, splitReference, TAKES_PART, type Paper } from './paper.ts'

/** One value of a fact, where it stands and how it lies to the fact's value. */
export interface Evidence extends Agreement {
  document: string
  field: string
  value: Value
  confidence: number
  /** The reading is still asked about. */
  asked: boolean
}

/** A person's decision on what differs. */
export interface Settled<D extends string> {
  decision: D
  reason: string
  state: Standing['state']
  refusal: string
  /** What papers say that nobody knew of when it was decided, and that speaks against it: it is asked again. */
  against: string[]
}

/** What the papers say of one fact. */
export interface FactResult {
  fact: string
  title: string
  status: 'agreed' | 'conflict' | 'single' | 'absent'
  value: Value
  evidence: Evidence[]
  /** How a person ended a conflict, and how far that counts. */
  settled: Settled<'value' | 'accepted' | 'ask'> | null
}

/** Compares every fact of the program over the papers, then applies people's decisions. */
export function judgeFacts(
  papers: readonly Paper[],
  program: Program,
  answers: readonly Answer[],
): FactResult[] {
  return program.facts.map((fact) => {
    return judgeFact(
      fact,
      papers,
      standingOf(answers, 'fact', fact.id, (a) => a.decision === 'accepted' && program.signOff.differences),
    )
  })
}

function judgeFact(
  fact: Fact,
  papers: readonly Paper[],
  standing: Standing<Answer & { kind: 'fact' }> | null,
): FactResult {
  const said = standing?.answer
  const sides = collect(fact, papers)
  const base = { fact: fact.id, title: fact.title }
  const settledBy = (against: string[]) =>
    standing && said
      ? {
          decision: said.decision,
          reason: said.reason,
          state: standing.state,
          refusal: standing.refusal,
          against,
        }
      : null
  if (sides.length === 0)
    return { ...base, settled: settledBy([]), status: 'absent', value: null, evidence: [] }
  const compare = comparerOf(fact)
  const named = said?.decision === 'value' ? said.value : null
  const reference =
    named !== null ? { value: named, confidence: 1, asked: false } : mostAgreed(sides, compare)
  const compared = sides.map((side): Evidence => {
    const agreement =
      side === reference
        ? same
        : compare(
            { value: side.value, confidence: side.confidence },
            { value: reference.value, confidence: reference.confidence },
          )
    return { ...side, ...agreement }
  })
  // A value still asked about may be misread: it backs the others where it agrees, and accuses nobody where
  // it does not.
  const evidence = compared.filter((e) => !(e.asked && e.relation === 'different'))
  const differs = evidence.some((e) => e.relation === 'different')
  // A decision stands against the evidence it was made on; it says so beside the values instead of hiding them.
  const known = said?.over && new Set(said.over)
  const against = known
    ? [
        ...new Set(
          evidence.flatMap((e) =>
            e.relation === 'different' && !known.has(plain(e.value)) ? [plain(e.value)] : [],
          ),
        ),
      ]
    : []
  const ended = standing?.state === 'holds' && standing.answer.decision !== 'ask' && against.length === 0
  const status = differs && !ended ? 'conflict' : evidence.length === 1 ? 'single' : 'agreed'
  return { ...base, settled: settledBy(against), status, value: reference.value, evidence }
}

function collect(fact: Fact, papers: readonly Paper[]) {
  // Where two people are about, or the applicant has brought such a paper already, one that does not say whose it
  // is may be another's: it accuses nobody.
  const two = papers.some(isAnothers)
  const theirs = new Set(papers.flatMap((p) => (p.owner === 'applicant' && counts(p) ? [p.type] : [])))
  const unowned = (p: Paper) =>
    fact.person === 'applicant' && p.owner === 'nobody' && (two || theirs.has(p.type))
  return fact.fields.flatMap((reference) => {
    const [type, field] = splitReference(reference)
    return papers
      .filter((p) => p.type === type && counts(p) && !(fact.person === 'applicant' && isAnothers(p)))
      .flatMap((p) => {
        const value = fieldOf(p, field)
        return value && value.value !== null && value.confidence >= TAKES_PART
          ? [
              {
                document: p.id,
                field,
                value: value.value,
                confidence: value.confidence,
                asked: value.needsReview || unowned(p) || (fact.person === 'applicant' && p.ownerAsked),
              },
            ]
          : []
      })
  })
}

/** Sides that say the very same and are read as surely: compared with others once for all of them. */
interface Voice<S> {
  /** The surest of them, the first of equals. */
  side: S
  weak: boolean
  /** How many of them nobody asks about. */
  votes: number
}

/** The value that most others agree with; of equals the surer, then the first in the fact's order. */
function mostAgreed<S extends { value: Value; confidence: number; asked: boolean }>(
  sides: S[],
  compare: (a: { value: Value; confidence: number }, b: { value: Value; confidence: number }) => Agreement,
): S {
  const voices = new Map<string, Voice<S>>()
  for (const side of sides) {
    const weak = side.confidence < WEAK
    const key = `${plain(side.value)}\n${weak}`
    const voice = voices.get(key)
    if (!voice) voices.set(key, { side, weak, votes: side.asked ? 0 : 1 })
    else {
      if (side.confidence > voice.side.confidence) voice.side = side
      if (!side.asked) voice.votes++
    }
  }
  const all = [...voices.values()]
  let best = all[0].side
  let most = -1
  all.forEach((voice, i) => {
    const votes = all.reduce((sum, other, k) => {
      if (other.votes === 0) return sum
      const relation =
        k === i
          ? 'same'
          : compare(
              { value: voice.side.value, confidence: voice.side.confidence },
              { value: other.side.value, confidence: other.side.confidence },
            ).relation
      return sum + other.votes * (relation === 'same' ? 1.01 : relation === 'variant' ? 1 : 0)
    }, voice.side.confidence * 0.001)
    if (votes > most + 0.002) {
      most = votes
      best = voice.side
    }
  })
  return best
}

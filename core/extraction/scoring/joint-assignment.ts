import { tokens } from '../../text/index.ts'
import { type DocumentType, type Field, isTicked, type Relation } from '../../program/index.ts'
import { readingOf, type Candidate } from './candidate.ts'
import { isDigitSlip } from './digit-slips.ts'
import { cents, isMoney, type Money, plain, type Value } from '../../model/index.ts'

/** One value that a field may have. */
export interface Reading {
  candidate: Candidate
  probability: number
  /** The same value at other places of the paper, the likeliest first. */
  elsewhere: Candidate[]
}

/** A field's candidates by value, the likeliest first, each with its probability; the rest to 1 is "none of them". */
export interface Ranked {
  field: Field
  ranked: Reading[]
  /** A relation that holds between chosen values backs this one. */
  backed: boolean
  /** Arithmetic shows that its figures were read right, if not that they are this field's. */
  wellRead: boolean
  /** A relation that fails makes this one questionable. */
  doubted: boolean
}

/**
 * Log-odds that a field's value is none of the candidates found. Those that were weighed have fitted odds
 * against nothing; those of ticked boxes have the odds of rules, measured against this.
 */
const NONE = { weighed: 0, ticked: 0.3 }

/** Groups candidates by value and gives each group its probability. */
export function rankCandidates(field: Field, candidates: readonly Candidate[]): Ranked {
  const groups = new Map<string, Candidate[]>()
  for (const candidate of candidates) {
    const key = plain(candidate.value)
      .toLowerCase()
      .replace(/[^\p{L}\p{N}]+/gu, '')
    groups.set(key, [...(groups.get(key) ?? []), candidate])
  }
  const scored = [...groups.values()].map((group) => {
    group.sort((a, b) => b.score - a.score)
    return { candidate: group[0], elsewhere: group.slice(1), score: group[0].score }
  })
  const against = scored.filter(
    (s) => !scored.some((whole) => whole.score >= s.score && isPartOf(s.candidate, whole.candidate, field)),
  )
  const none = isTicked(field) ? NONE.ticked : NONE.weighed
  const total = Math.exp(none) + against.reduce((sum, s) => sum + Math.exp(s.score), 0)
  const ranked = scored
    .map((s) => ({ candidate: s.candidate, elsewhere: s.elsewhere, probability: Math.exp(s.score) / total }))
    .sort((a, b) => b.probability - a.probability)
  return { field, ranked, backed: false, wellRead: false, doubted: false }
}

/** "Ruaridh" under a letter that is from Ruaridh Penhallow speaks for the whole name, not against it. */
function isPartOf(part: Candidate, whole: Candidate, field: Field): boolean {
  if (field.kind !== 'name' && field.kind !== 'org') return false
  const [few, many] = [tokens(plain(part.value)), tokens(plain(whole.value))]
  return few.length === 1 && many.length > 1 && many.includes(few[0])
}

/**
 * Settles who takes which value: one place of the page is one field's, the surest first, and values that
 * cannot be true together give way to runners-up that can.
 */
export function assignJointly(type: DocumentType, fields: readonly Ranked[]): Map<string, Ranked> {
  const chosen = new Map(fields.map((f) => [f.field.name, { ...f, ranked: [...f.ranked] }]))
  sharePlaces(chosen)
  for (const relation of type.relations) {
    if (relation.kind === 'sum') addUp(relation, fields, chosen)
    settle(relation, chosen)
  }
  return chosen
}

/** So many values of each field are tried together. */
const TRIED = 6
/** A value that nothing was found for counts as this likely. */
const NOTHING = 0.02
/** Adding up to the cent outweighs being this many times less likely. */
const OUTWEIGHS = 0.01

/**
 * Where the likeliest values do not add up, or one of them went to another field, the likeliest set of
 * different places that does. Without this "Total VAT" would be taken for the total, and leave the tax with
 * nothing.
 */
function addUp(
  relation: Relation & { kind: 'sum' },
  fields: readonly Ranked[],
  chosen: Map<string, Ranked>,
): void {
  const names = namesOf(relation)
  if (holds(relation, (n) => valueOf(chosen, n)) === true) return
  const options = names.map(
    (name) =>
      fields
        .find((f) => f.field.name === name)
        ?.ranked.filter((r) => isMoney(r.candidate.value) && cents(r.candidate.value) !== 0)
        .slice(0, TRIED) ?? [],
  )
  let best: { set: Reading[]; odds: number } | null = null
  const walk = (set: Reading[], odds: number): void => {
    if (set.length < names.length)
      return options[set.length].forEach((r) => {
        if (!set.some((s) => r.candidate.words.some((w) => s.candidate.words.includes(w))))
          walk([...set, r], odds * r.probability)
      })
    if (odds > (best?.odds ?? 0) && holds(relation, (n) => set[names.indexOf(n)].candidate.value))
      best = { set, odds }
  }
  walk([], 1)
  const now = names.reduce((odds, name) => odds * (chosen.get(name)!.ranked[0]?.probability ?? NOTHING), 1)
  const found = best as { set: Reading[]; odds: number } | null
  if (!found || found.odds < now * OUTWEIGHS) return
  const words = new Set(found.set.flatMap((r) => r.candidate.words))
  for (const other of chosen.values())
    if (!names.includes(other.field.name) && other.ranked[0]?.candidate.words.some((w) => words.has(w)))
      return
  found.set.forEach((reading, i) => {
    const { ranked } = chosen.get(names[i])!
    const rest = ranked.filter(
      (r) =>
        plain(r.candidate.value) !== plain(reading.candidate.value) &&
        !r.candidate.words.some((w) => words.has(w)),
    )
    ranked.splice(
      0,
      ranked.length,
      {
        ...reading,
        probability: Math.max(reading.probability, (ranked[0]?.probability ?? NOTHING) * ELSEWHERE),
      },
      ...rest,
    )
  })
}

/** What is left of a value's probability when its likeliest place turns out to be another field's. */
const ELSEWHERE = 0.85

function sharePlaces(chosen: Map<string, Ranked>): void {
  const order = [...chosen.values()].sort(
    (a, b) => (b.ranked[0]?.probability ?? 0) - (a.ranked[0]?.probability ?? 0),
  )
  const taken = new Map<unknown, string>()
  const pending = [...order]
  let rounds = 0
  while (pending.length > 0 && rounds++ < 500) {
    const ranked = pending.shift()!
    const top = ranked.ranked[0]
    if (!top) continue
    const clash = !top.candidate.shared && top.candidate.words.some((w) => taken.has(w))
    if (
      !clash ||
      sharesPeriod(ranked.field, top.candidate, taken, chosen) ||
      makeRoom(top.candidate, taken, chosen)
    ) {
      if (!top.candidate.shared) for (const word of top.candidate.words) taken.set(word, ranked.field.name)
      continue
    }
    const free = top.elsewhere.find((c) => c.words.every((w) => !taken.has(w)))
    if (free)
      ranked.ranked[0] = {
        candidate: free,
        elsewhere: top.elsewhere.filter((c) => c !== free),
        probability: top.probability * ELSEWHERE,
      }
    else ranked.ranked.shift()
    pending.push(ranked)
    pending.sort((a, b) => (b.ranked[0]?.probability ?? 0) - (a.ranked[0]?.probability ?? 0))
  }
}

/**
 * A value that its holder finds at another place as well is left to who has it only here: the last day of a
 * period is printed in the period too, the pay day beside it only once.
 * @returns whether the words are free now
 */
function makeRoom(candidate: Candidate, taken: Map<unknown, string>, chosen: Map<string, Ranked>): boolean {
  const holders = [...new Set(candidate.words.flatMap((w) => taken.get(w) ?? []))].map(
    (name) => chosen.get(name)!.ranked[0],
  )
  const moves = holders.map((holder) => ({
    holder,
    to: holder.elsewhere.find((c) =>
      c.words.every(
        (w) => !candidate.words.includes(w) && (!taken.has(w) || holder.candidate.words.includes(w)),
      ),
    ),
  }))
  if (moves.some((m) => !m.to)) return false
  for (const { holder, to } of moves) {
    const left = holder.candidate
    for (const word of left.words) taken.delete(word)
    for (const word of to!.words) taken.set(word, left.field)
    holder.elsewhere = [left, ...holder.elsewhere.filter((c) => c !== to)]
    holder.candidate = to!
  }
  return true
}

/**
 * "March 2026" is both ends of a period: two fields may rest on the same words when both were read as a
 * period, and one date of a written-out period is another field's own.
 */
function sharesPeriod(
  field: Field,
  candidate: Candidate,
  taken: Map<unknown, string>,
  chosen: Map<string, Ranked>,
): boolean {
  if (field.kind !== 'date') return false
  return candidate.words.every((w) => {
    const other = taken.get(w)
    const first = other === undefined ? undefined : chosen.get(other)!.ranked[0]?.candidate
    return (
      first === undefined ||
      (first.period && candidate.period) ||
      ((first.period || candidate.period) && first.value !== candidate.value)
    )
  })
}

const valueOf = (chosen: Map<string, Ranked>, name: string, at = 0): Value =>
  chosen.get(name)?.ranked[at]?.candidate.value ?? null

/** Whether a relation between two or more plain values holds; null where one is lacking. */
function holds(relation: Relation, value: (name: string) => Value): boolean | null {
  switch (relation.kind) {
    case 'not_after': {
      const [first, second] = [value(relation.first), value(relation.second)]
      return typeof first === 'string' && typeof second === 'string' ? first <= second : null
    }
    case 'at_most': {
      const [less, more] = [value(relation.less), value(relation.more)]
      return isMoney(less) && isMoney(more) ? cents(less) <= cents(more) : null
    }
    case 'sum': {
      const parts = relation.parts.map(value)
      const total = value(relation.total)
      if (!isMoney(total) || !parts.every(isMoney)) return null
      // Figures in another currency prove nothing: a "€" misread as "£" would be vouched for by the cents.
      if (parts.some((p) => p.currency !== total.currency)) return null
      return Math.abs(parts.reduce((sum, p) => sum + cents(p), 0) - cents(total)) <= 1
    }
    default:
      return null
  }
}

const namesOf = (relation: Relation): string[] =>
  relation.kind === 'not_after'
    ? [relation.first, relation.second]
    : relation.kind === 'at_most'
      ? [relation.less, relation.more]
      : relation.kind === 'sum'
        ? [...relation.parts, relation.total]
        : []

/** Not sure enough to go unasked. */
const THINKABLE = 0.6

function settle(relation: Relation, chosen: Map<string, Ranked>): void {
  const names = namesOf(relation)
  const good = holds(relation, (n) => valueOf(chosen, n))
  if (good === null) return
  const strong = relation.kind === 'sum'
  if (good) {
    if (strong) for (const name of names) chosen.get(name)!.backed = true
    return
  }
  // One swap for a runner-up that makes the relation hold, the likeliest such swap.
  let best: { name: string; at: number; odds: number } | null = null
  // A guess accuses nobody: what is far surer than the least sure value of the relation is not what is wrong.
  const tops = names.map((name) => chosen.get(name)!.ranked[0].probability)
  // Two days of a picture the wrong way round likely changed places: neither is where it was found.
  const swapped =
    relation.kind === 'not_after' &&
    names.some((name) => chosen.get(name)!.ranked[0].candidate.page.source !== 'text')
  const suspects = swapped ? names : names.filter((_, i) => tops[i] <= Math.min(...tops) + 0.35)
  for (const name of suspects) {
    const ranked = chosen.get(name)!.ranked
    for (let at = 1; at < Math.min(4, ranked.length); at++) {
      const odds = ranked[at].probability / ranked[0].probability
      if (
        odds > 0.02 &&
        (!best || odds > best.odds) &&
        holds(relation, (n) => (n === name ? ranked[at].candidate.value : valueOf(chosen, n)))
      )
        best = { name, at, odds }
    }
  }
  if (best) {
    const { ranked } = chosen.get(best.name)!
    const [winner] = ranked.splice(best.at, 1)
    // Adding up proves a runner-up; lying in the right order only makes it thinkable, and it is asked.
    const most = ranked[0].probability * 0.9
    ranked.unshift({
      ...winner,
      probability: Math.max(winner.probability, strong ? most : Math.min(THINKABLE, most)),
    })
    if (strong) for (const name of names) chosen.get(name)!.backed = true
    return
  }
  // A paper may truly not add up: that is a finding about the paper when it was read well, and a doubt when
  // it was not.
  for (const name of suspects) {
    const ranked = chosen.get(name)!
    const top = ranked.ranked[0]
    if (
      top &&
      (!strong ||
        top.probability < 0.8 ||
        (readingOf(top.candidate.words) < 0.9 && misreadable(relation, name, chosen)))
    )
      ranked.doubted = true
  }
}

/** Read so weakly that any figure of it may be another. */
const UNREADABLE = 0.75

/** Whether a slip in reading one of its amounts would explain why a sum does not come out. */
function misreadable(
  relation: Relation & { kind: 'sum' },
  name: string,
  chosen: Map<string, Ranked>,
): boolean {
  const amount = (n: string) => cents(valueOf(chosen, n) as Money)
  const missing = amount(relation.total) - relation.parts.reduce((sum, part) => sum + amount(part), 0)
  const meant = amount(name) + (name === relation.total ? -missing : missing)
  return (
    isDigitSlip(amount(name), meant) || readingOf(chosen.get(name)!.ranked[0].candidate.words) < UNREADABLE
  )
}

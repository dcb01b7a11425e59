import type { Page } from '../model/index.ts'
import { squeeze } from '../text/index.ts'
import { type DocumentType, type Program, typeById } from '../program/index.ts'
import { comparers, isOneConfusion, mostAlike, shareNoWord } from '../matching/index.ts'
import { perPersonTypes } from './co-applicant.ts'
import {
  counting,
  counts,
  fieldOf,
  splitReference,
  usableText,
  valueIn,
  type Owner,
  type Paper,
} from './paper.ts'

/** Who applies, by the names on the application. */
export interface Persons {
  applicant: string | null
  coApplicant: string | null
  /** Others whom papers are asked of, by the value that names them; null where it says nobody. */
  named: Readonly<Record<string, string | null>>
  /** Others who are here with a paper of their own that each person brings, and whom nothing names. */
  strangers: readonly string[]
}

/** So many papers of one name speak for who applies where the form itself was not read. */
const SPEAKING = 3
/** What the machine says of a value; what a person said of it stands. */
const MACHINE: ReadonlySet<string> = new Set(['certain', 'repaired'])

/**
 * The applicant's name: as the form has it, or where that could not be read, as most of the papers have it.
 * Without one, two people's papers would be held against one another. A form read from a picture whose name
 * is a letter off what so many say was misread: all others would be strangers.
 * @param nameField the field that says whose paper a type is
 */
export function applicantOf(
  papers: readonly Paper[],
  program: Program,
  nameField: (type: string) => string | null,
  pages: ReadonlyMap<number, Page>,
): string | null {
  const onForm = valueIn(papers, program.persons.applicant)
  const [, name] = splitReference(program.persons.applicant)
  const told = onForm && typeof onForm.value === 'string' ? onForm.value : null
  const field = onForm ? fieldOf(onForm.paper, name)! : null
  const certain = field !== null && !field.needsReview
  if (certain && (!MACHINE.has(field.state) || pages.get(field.page ?? 0)?.source === 'text')) return told
  // Many papers spell a name the same: each spelling is compared once.
  const spellings = new Map<string, number>()
  for (const paper of papers.filter(counts)) {
    const own = nameField(paper.type)
    const said = own && usableText(paper, own)
    if (said && !fieldOf(paper, own)!.needsReview) spellings.set(said, (spellings.get(said) ?? 0) + 1)
  }
  const agree = (a: string, b: string) =>
    comparers.name({ value: a, confidence: 1 }, { value: b, confidence: 1 }).relation !== 'different'
  const papersSaying = (names: readonly string[]) =>
    names.reduce((sum, name) => sum + spellings.get(name)!, 0)
  const variants = [...spellings.keys()].map((name) => [
    name,
    ...[...spellings.keys()].filter((other) => other !== name && agree(other, name)),
  ])
  const most = variants.reduce<string[]>(
    (best, next) => (papersSaying(next) > papersSaying(best) ? next : best),
    [],
  )
  if (
    papersSaying(most) < SPEAKING ||
    papersSaying(most) * 2 <= papersSaying([...spellings.keys()]) ||
    most.includes(told!)
  )
    return told
  if (certain && !isOneConfusion(squeeze(told!), squeeze(mostAlike(told, most)))) return told
  return most[0]
}

/** Who applies, and who else papers are of. */
export function personsOf(
  papers: readonly Paper[],
  program: Program,
  applicant: string | null,
  types: readonly DocumentType[],
): Persons {
  const name = (reference: string | undefined) => {
    const value = reference ? valueIn(papers, reference)?.value : null
    return typeof value === 'string' ? value : null
  }
  const asked = program.requirements.flatMap((r) =>
    r.ways.flatMap((w) => w.needs.flatMap((n) => (n.whose === 'named' && n.namedBy ? [n.namedBy] : []))),
  )
  return {
    applicant,
    coApplicant: name(program.persons.coApplicant),
    named: Object.fromEntries(asked.map((reference) => [reference, name(reference)])),
    strangers: applicant === null ? [] : strangersAmong(papers, program, applicant, types),
  }
}

/**
 * Names on papers that each person brings one of, where the applicant's own is here as well and shares no word with
 * them: a card of somebody else, filed here by mistake or for somebody whom the form does not name, differs in all
 * that it says and contradicts nothing.
 */
const strangersAmong = (
  papers: readonly Paper[],
  program: Program,
  applicant: string,
  types: readonly DocumentType[],
): string[] =>
  perPersonTypes(program).flatMap((type) => {
    const field = typeById(types, type).person
    const names = counting(papers, type).flatMap((paper) => {
      const name = field && usableText(paper, field)
      return name && !fieldOf(paper, field)!.needsReview ? [name] : []
    })
    const others = names.filter((name) => shareNoWord(name, applicant))
    return others.length < names.length ? others : []
  })

/** Says of each paper whose it is, from the name that its type gives it. */
export function assignOwners(
  papers: readonly Paper[],
  persons: Persons,
  types: readonly DocumentType[],
): Paper[] {
  return papers.map((paper) => {
    const type = typeById(types, paper.type)
    const owner = ownerOf(paper, persons, type)
    return { ...paper, owner, ownerAsked: owner === 'other' && fieldOf(paper, type.person!)!.needsReview }
  })
}

function ownerOf(paper: Paper, persons: Persons, type: DocumentType): Owner {
  const name = type.person ? usableText(paper, type.person) : null
  if (!name) return 'nobody'
  const sure = fieldOf(paper, type.person!)!.confidence
  const kind = type.fields.find((f) => f.name === type.person)?.kind === 'org' ? 'org' : 'name'
  const is = (person: string | null, compare = comparers.name) =>
    person !== null &&
    compare({ value: name, confidence: sure }, { value: person, confidence: 1 }).relation !== 'different'
  if (is(persons.applicant)) return 'applicant'
  if (is(persons.coApplicant)) return 'co_applicant'
  const named = Object.entries(persons.named).find(([, person]) => is(person, comparers[kind]))
  if (named) return `named:${named[0]}`
  return persons.strangers.some((name) => is(name)) ? 'stranger' : 'other'
}

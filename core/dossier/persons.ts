import type { Page } from '../model/index.ts'
import { squeeze } from '../text/index.ts'
import { type DocumentType, type Program, typeById } from '../program/index.ts'
import { comparers, isOneConfusion, mostAlike } from '../matching/index.ts'
import { counts, fieldOf, splitReference, usableText, valueIn, type Owner, type Paper } from './paper.ts'

/** Who applies, by the names on the application. */
export interface Persons {
  applicant: string | null
  coApplicant: string | null
  /** Others whom papers are asked of, by the value that names them; null where it says nobody. */
  named: Readonly<Record<string, string | null>>
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

export function personsOf(papers: readonly Paper[], program: Program, applicant: string | null): Persons {
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
  }
}

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
  return named ? `named:${named[0]}` : 'other'
}

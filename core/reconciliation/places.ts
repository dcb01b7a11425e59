import type { FilledField } from '../answers/index.ts'
import { counts, isAnothers, type Paper, splitReference } from '../dossier/index.ts'
import { inside, type Page } from '../model/index.ts'
import type { Fact } from '../program/index.ts'

/** What a paper says of a fact, or was not read to say. */
export interface FactPlace {
  paper: Paper
  field: FilledField
}

/** Where the papers of a package say something of a fact; what is known to be another person's says nothing of it. */
export const placesOf = (fact: Fact, papers: readonly Paper[]): FactPlace[] =>
  fact.fields.flatMap((reference) => {
    const [type, name] = splitReference(reference)
    return papers
      .filter((p) => p.type === type && counts(p) && !(fact.person === 'applicant' && isAnothers(p)))
      .flatMap((paper) => {
        const field = paper.fields.find((f) => f.name === name)
        return field ? [{ paper, field }] : []
      })
  })

const MACHINE: ReadonlySet<string> = new Set(['certain', 'asked', 'repaired', 'absent'])
/** Whether the machine says so: what a person said is not for other papers to change. */
export const isMachines = ({ state }: FilledField): boolean => MACHINE.has(state)

/** A word read less surely than this is worth less than what others say of it. */
const LEGIBLE = 0.85
/** Whether a value was read from weak print. One that is doubtful by its place alone says what it says. */
export const isHardlyReadable = ({ box }: Pick<FilledField, 'box'>, page: Page | undefined): boolean =>
  page !== undefined &&
  page.source !== 'text' &&
  box !== null &&
  inside(page.words, box).some((w) => w.confidence < LEGIBLE)

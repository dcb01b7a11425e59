import type { Answer } from '../answers/index.ts'
import {
  applicantOf,
  assignOwners,
  findCoApplicant,
  markDuplicates,
  markReplaced,
  markVersions,
  type Paper,
  type Persons,
  personsOf,
  type Replacement,
  withCoApplicant,
} from '../dossier/index.ts'
import type { Page } from '../model/index.ts'
import { type DocumentType, type Program, typeById } from '../program/index.ts'
import {
  chainStatements,
  flagOutliers,
  reachConsensus,
  readNamesWhole,
  repairRowSpelling,
} from '../reconciliation/index.ts'

/** What passes over a package may look at besides its papers. */
export interface PassContext {
  program: Program
  types: readonly DocumentType[]
  typesById: ReadonlyMap<string, DocumentType>
  pages: ReadonlyMap<number, Page>
  answers: readonly Answer[]
  /** What was brought in the place of what. */
  replacements?: readonly Replacement[]
  /** The day the package is judged on, ISO. */
  asOf: string
  /** The words of English; loaded when asked for. */
  english?: () => ReadonlySet<string>
}

/** The papers of a package and its persons, as far as passes have found them out. */
export interface PackageState {
  papers: readonly Paper[]
  persons: Persons
}

/** One look over all papers of a package, which knows what those before it found. */
interface Pass {
  name: string
  /** Why it stands where it does. */
  place: string
  run: (state: PackageState, context: PassContext) => Partial<PackageState>
}

const nameField =
  ({ types }: PassContext) =>
  (type: string): string | null =>
    typeById(types, type).person

/** All passes over a package, in order; each is given what the one before it left. */
export const PASSES: readonly Pass[] = [
  {
    name: 'replacements',
    place: 'First: what was brought in the place of a paper is no copy of it.',
    run: ({ papers }, { replacements, answers }) => ({
      papers: markReplaced(papers, replacements ?? [], answers),
    }),
  },
  {
    name: 'duplicates',
    place:
      'Before all that compares: a copy says the same misreading once more, and must bear out nothing that follows.',
    run: ({ papers }, { typesById }) => ({ papers: markDuplicates(papers, typesById) }),
  },
  {
    name: 'versions',
    place: 'Behind the copies, which are no newer version: what an older paper says is no conflict.',
    run: ({ papers }, { typesById, answers }) => ({ papers: markVersions(papers, typesById, answers) }),
  },
  {
    name: 'persons',
    place: 'Of the papers that count: who applies, and who with them where the form was not read to say so.',
    run({ papers }, context) {
      const { program, pages } = context
      const name = nameField(context)
      const applicant = applicantOf(papers, program, name, pages)
      const accompanied = withCoApplicant(papers, program, findCoApplicant(papers, program, applicant, name))
      return { papers: accompanied, persons: personsOf(accompanied, program, applicant, context.types) }
    },
  },
  {
    name: 'owners',
    place: 'Once the persons are known: only papers of one person bear out one another’s names.',
    run: ({ papers, persons }, { types }) => ({ papers: assignOwners(papers, persons, types) }),
  },
  {
    name: 'whole names',
    place: 'Before names are held against one another: half a name agrees with all of it, and is not it.',
    run: ({ papers }, { program, pages }) => ({ papers: readNamesWhole(papers, program, pages) }),
  },
  {
    name: 'consensus',
    place: 'Once each paper has its owner: what two papers say settles a third’s doubtful reading.',
    run: ({ papers }, { program, pages, typesById }) => ({
      papers: reachConsensus(papers, program, pages, typesById),
    }),
  },
  {
    name: 'statement chain',
    place: 'Behind the consensus, which names the account that statements follow one another on.',
    run: ({ papers }, { program, pages }) => ({ papers: chainStatements(papers, program, pages) }),
  },
  {
    name: 'row spelling',
    place: 'Once names are settled, which rows may carry as well.',
    run: ({ papers }, { pages, typesById, english }) => ({
      papers: repairRowSpelling(papers, pages, typesById, english),
    }),
  },
  {
    name: 'outliers',
    place: 'Of what stands after all corrections: a value mended by others is no oddity any more.',
    run: ({ papers }, { program, typesById, pages, asOf }) => ({
      papers: flagOutliers(papers, program, typesById, pages, asOf),
    }),
  },
  {
    name: 'owners again',
    place: 'Last: a name that other papers made certain says whose its paper is, too.',
    run: ({ papers, persons }, { types }) => ({ papers: assignOwners(papers, persons, types) }),
  },
]

/** What one pass made of a package. */
export interface Step {
  before: PackageState
  after: PackageState
}

/** Runs all passes over the papers of a package, one step after the other. */
export function stepsOver(papers: readonly Paper[], context: PassContext): Step[] {
  let before: PackageState = {
    papers,
    persons: { applicant: null, coApplicant: null, named: {}, strangers: [] },
  }
  return PASSES.map((pass) => {
    const after = { ...before, ...pass.run(before, context) }
    const step = { before, after }
    before = after
    return step
  })
}

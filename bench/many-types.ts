import { starterTypes } from '../demo/lenders/merrow-sound/index.ts'
import { type DocumentType, documentTypeSchema } from '../core/program/index.ts'
import { segmentPages } from '../core/classification/index.ts'
import { Dice } from '../demo/dice.ts'
import type { BenchCase } from './run.ts'

/** How well and how fast pages find their types among so many. */
export interface TypesRun {
  types: number
  typeAccuracy: number
  boundaryF1: number
  /** Milliseconds a page, cutting alone; pages are read already. */
  millisecondsPerPage: number
}

const MATTERS = [
  'slipway',
  'harbour',
  'vessel',
  'crew',
  'catch',
  'quota',
  'mooring',
  'pilotage',
  'customs',
  'freight',
  'engine',
  'radio',
  'safety',
  'fuel',
  'ice',
  'net',
  'oyster',
  'licence',
  'lease',
  'pension',
  'insurance',
  'tax',
  'vehicle',
  'household',
  'medical',
  'school',
  'court',
  'building',
  'water',
  'energy',
]
const KINDS = [
  'certificate',
  'notice',
  'declaration',
  'request',
  'receipt',
  'order',
  'schedule',
  'summary',
  'permit',
  'register extract',
  'confirmation',
  'assessment',
  'inspection',
  'return',
  'ledger',
  'invoice',
  'reminder',
  'agreement',
  'report',
  'renewal',
]
const MANNERS = [
  'annual',
  'interim',
  'quarterly',
  'provisional',
  'joint',
  'final',
  'amended',
  'general',
  'second',
  'local',
]

/**
 * Types that no paper of the corpora is of, in words of the same trade and with labels that the true types
 * use too.
 */
export function inventedTypes(count: number, seed = 1): DocumentType[] {
  const dice = new Dice(seed)
  const labels = [
    ...new Set(
      starterTypes.flatMap((t) =>
        t.fields.flatMap((f) => (f.kind === 'table' ? [] : f.labels.map((label) => `${f.kind} ${label}`))),
      ),
    ),
  ]
  const taken = new Set(starterTypes.flatMap((t) => t.titles.map((title) => title.toLowerCase())))
  const made: DocumentType[] = []
  while (made.length < count) {
    const title = `${dice.pick(MANNERS)} ${dice.pick(MATTERS)} ${dice.pick(KINDS)}`
    if (taken.has(title)) continue
    taken.add(title)
    const own = dice.pick(MATTERS)
    const fields = Array.from({ length: 4 + dice.int(0, 5) }, (_, i) => {
      const [kind, ...label] = dice.pick(labels).split(' ')
      return {
        name: `field_${i}`,
        title: `Field ${i}`,
        kind: kind === 'choice' ? 'text' : kind,
        labels: dice.chance(0.5) ? [label.join(' ')] : [`${own} ${label.join(' ')}`],
      }
    })
    made.push(
      documentTypeSchema.parse({
        id: `invented_${made.length}`,
        title,
        short: title,
        pages: { min: 1, max: dice.int(1, 4) },
        titles: [title, `${title.split(' ').slice(1).join(' ')} ${dice.pick(KINDS)}`],
        signs: [{ words: `${own} ${dice.pick(KINDS)}`, weight: 1 }],
        fields,
      }),
    )
  }
  return made
}

/** Cuts the pages of cases with the built-in types among as many others as make `counts` in all. */
export function runManyTypes(cases: readonly BenchCase[], counts: readonly number[]): TypesRun[] {
  return counts.map((count) => {
    const types = [...starterTypes, ...inventedTypes(count - starterTypes.length)]
    // The wordings of a set of types are gone through once, as a worker does at its start.
    segmentPages(cases[0].pages.slice(0, 1), types)
    let [right, typed, told, truly, both, pages] = [0, 0, 0, 0, 0, 0]
    const started = performance.now()
    const cuts = cases.map((c) => segmentPages(c.pages, types))
    const took = performance.now() - started
    cases.forEach(({ truth, pages: read }, i) => {
      pages += read.length
      const at = new Map(
        cuts[i].flatMap((piece, p) => piece.pages.map((n) => [n, { p, type: piece.type }] as const)),
      )
      const kept = truth.pages.flatMap((p, k) => (p.document === null ? [] : [k + 1]))
      for (const n of kept) {
        typed++
        if (at.get(n)?.type === truth.documents[truth.pages[n - 1].document!].type) right++
      }
      for (let k = 1; k < kept.length; k++) {
        const [is, was] = [
          truth.pages[kept[k] - 1].document !== truth.pages[kept[k - 1] - 1].document,
          at.get(kept[k])?.p !== at.get(kept[k - 1])?.p,
        ]
        truly += Number(is)
        told += Number(was)
        both += Number(is && was)
      }
    })
    return {
      types: count,
      typeAccuracy: right / typed,
      boundaryF1: (2 * both) / (told + truly),
      millisecondsPerPage: took / pages,
    }
  })
}

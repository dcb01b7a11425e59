import { create } from 'xmlbuilder2'
import {
  counting,
  fieldOf,
  splitReference,
  usable,
  valueIn,
  type FactResult,
  type Paper,
} from '../../core/dossier/index.ts'
import { isMoney, type Row, type Value } from '../../core/model/index.ts'
import type { About, XmlMapping } from '../../core/receivers/index.ts'

/** What elements are filled from. */
export interface XmlSource {
  about: About & { asOf: string }
  papers: readonly Paper[]
  facts: readonly Pick<FactResult, 'fact' | 'value'>[]
}

/** What is put into an element: amounts as decimals, days as ISO has them, truth as XML has it. */
function text(value: Value | Row[string], part: string | undefined): string {
  if (value === null || Array.isArray(value)) return ''
  if (typeof value === 'boolean') return String(value)
  if (isMoney(value)) return part === 'currency' ? value.currency : value.amount
  return value
}

type Node = ReturnType<typeof create>

/** The element of a path below another: those on the way are opened where the last of their name is not open. */
function opened(node: Node, path: readonly string[]): Node {
  return path.reduce((at, name) => (at.node.lastChild?.nodeName === name ? at.last() : at.ele(name)), node)
}

function put(node: Node, path: string, value: string): void {
  const names = path.split('/')
  const last = names.pop()!
  const parent = opened(node, names)
  if (last.startsWith('@')) parent.att(last.slice(1), value)
  else parent.ele(last).txt(value)
}

/** A value by where it comes from: of the package, `fact:ID`, or `type.field`, with `:amount` or `:currency` behind. */
function valueOf(from: string, { about, papers, facts }: XmlSource): string {
  const own: Record<string, string> = {
    case: about.caseNumber,
    reference: about.reference,
    applicant: about.applicant,
    program: about.program,
    as_of: about.asOf,
  }
  if (from in own) return own[from]
  if (from.startsWith('fact:')) {
    const [, fact, part] = from.split(':')
    return text(facts.find((f) => f.fact === fact)?.value ?? null, part)
  }
  const [reference, part] = from.split(':')
  return text(valueIn(papers, reference)?.value ?? null, part)
}

/**
 * The XML of a package by a receiver's mapping. An element whose value is not there is left out: a schema says whether
 * it may be.
 */
export function xmlOf(mapping: XmlMapping, source: XmlSource): string {
  const document = create({ version: '1.0', encoding: 'UTF-8' })
  const root = mapping.namespace ? document.ele(mapping.namespace, mapping.root) : document.ele(mapping.root)
  for (const element of mapping.elements) {
    if (!('each' in element)) {
      const value = valueOf(element.from, source)
      if (value !== '') put(root, element.path, value)
      continue
    }
    const names = element.path.split('/')
    const name = names.pop()!
    for (const one of repeats(element.each, source.papers)) {
      const node = opened(root, names).ele(name)
      for (const { path, from } of element.elements) {
        const [field, part] = from.split(':')
        const value = text(one(field), part)
        if (value !== '') put(node, path, value)
      }
    }
  }
  return document.end({ prettyPrint: true })
}

/** What each repeated element is filled from: a paper of the type, or a row of its table. */
function repeats(each: string, papers: readonly Paper[]): ((name: string) => Value | Row[string])[] {
  if (!each.includes('.')) return counting(papers, each).map((paper) => (name) => usable(paper, name))
  const [type, table] = splitReference(each)
  return counting(papers, type).flatMap((paper) => {
    const rows = fieldOf(paper, table)?.value
    return Array.isArray(rows) ? rows.map((row) => (name: string) => row[name] ?? null) : []
  })
}

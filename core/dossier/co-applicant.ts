import { message } from '../model/index.ts'
import type { Program } from '../program/index.ts'
import { comparers } from '../matching/index.ts'
import { counting, counts, fieldOf, splitReference, usableText, valueIn, type Paper } from './paper.ts'

/** The types of paper that each applying person brings one of. */
export const perPersonTypes = (program: Program): string[] => [
  ...new Set(
    program.requirements.flatMap((r) =>
      r.ways.flatMap((w) => w.needs.filter((n) => n.whose === 'each_person').map((n) => n.type)),
    ),
  ),
]

/**
 * Somebody beside the applicant who brought papers of two kinds that each person brings (a card and a
 * consent), and whom the application was not read to name. Taking that person's papers for the applicant's
 * would accuse them all.
 * @param nameField the field that says whose paper a type is
 */
export function findCoApplicant(
  papers: readonly Paper[],
  program: Program,
  applicant: string | null,
  nameField: (type: string) => string | null,
): string | null {
  if (!program.persons.coApplicant || applicant === null) return null
  const onForm = valueIn(papers, program.persons.coApplicant)
  const [form, nameOnForm] = splitReference(program.persons.coApplicant)
  if (onForm && !fieldOf(onForm.paper, nameOnForm)!.needsReview) return null
  if (counting(papers, form).length === 0) return null
  const named = perPersonTypes(program).map((type) =>
    counting(papers, type).flatMap((p) => {
      const field = nameField(type)
      const name = field && usableText(p, field)
      return name && !fieldOf(p, field)!.needsReview ? [name] : []
    }),
  )
  const is = (a: string, b: string) =>
    comparers.name({ value: a, confidence: 1 }, { value: b, confidence: 1 }).relation !== 'different'
  // Only where the applicant's own papers are there as well: else the name on the form may be the misread one.
  if (!named.every((names) => names.some((n) => is(n, applicant)))) return null
  const others = named.map((names) => names.filter((n) => !is(n, applicant)))
  const second =
    others[0]?.find(
      (name) =>
        others.slice(1).length > 0 && others.slice(1).every((names) => names.some((n) => is(n, name))),
    ) ?? null
  // A doubtful name on the form that is the very one needs no other.
  return second !== null && onForm && typeof onForm.value === 'string' && is(onForm.value, second)
    ? null
    : (second ?? null)
}

/** The papers with that person put on the form, to be confirmed. */
export function withCoApplicant(papers: readonly Paper[], program: Program, name: string | null): Paper[] {
  if (name === null) return [...papers]
  const [form, field] = splitReference(program.persons.coApplicant!)
  return papers.map((paper) =>
    paper.type !== form || !counts(paper)
      ? paper
      : {
          ...paper,
          fields: paper.fields.map((f) =>
            f.name === field && (f.state === 'absent' || f.state === 'asked')
              ? {
                  ...f,
                  value: name,
                  confidence: 0.6,
                  needsReview: true,
                  state: 'asked' as const,
                  reason: message('value.second_person'),
                  others:
                    f.value === null
                      ? f.others
                      : [{ value: f.value, raw: f.raw ?? '', page: f.page!, box: f.box! }, ...f.others].slice(
                          0,
                          3,
                        ),
                }
              : f,
          ),
        },
  )
}

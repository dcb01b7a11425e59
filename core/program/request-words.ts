import { z } from 'zod'
import { LANGUAGES } from '../lexicon/index.ts'

/** What a lender's own words may name; each stands in braces. */
export const VARIABLES = ['applicant', 'case', 'due', 'lender', 'program'] as const
type Variable = (typeof VARIABLES)[number]

const NAMED = /\{([^{}]*)\}/g

/** Words of the lender's own, in which only what is known is named: a slip would stand in a letter to an applicant. */
const words = z
  .string()
  .trim()
  .max(2000)
  .superRefine((text, context) => {
    for (const [all, name] of text.matchAll(NAMED))
      if (!(VARIABLES as readonly string[]).includes(name.trim()))
        context.addIssue({
          code: 'custom',
          message: `${all} is nothing that can be put in; there is ${VARIABLES.map((v) => `{${v}}`).join(', ')}.`,
        })
    if (/[{}]/.test(text.replace(NAMED, '')))
      context.addIssue({ code: 'custom', message: 'A brace is left open.' })
  })

const inLanguages = z.partialRecord(z.enum(LANGUAGES), words).default({})

/** How a program asks applicants for papers. */
export const requestWordsSchema = z.object({
  /** Before and behind what is asked for; the usual words where there are none. */
  opening: inLanguages,
  closing: inLanguages,
  /** Words in place of the usual ones for a requirement, by its id. */
  items: z.record(z.string(), inLanguages).default({}),
  /** Days until the day by which an answer is asked for. */
  dueDays: z.number().int().min(1).max(365).default(14),
  /** Days after it was sent on which an applicant is reminded, as long as something is open. */
  remindDays: z.array(z.number().int().min(1).max(365)).max(6).default([7, 12]),
  /** What becomes of a package once its applicant has answered: it goes before others, or stays where it is. */
  whenAnswered: z.enum(['first', 'stay']).default('first'),
})

/** The lender's words with what they name. */
export const withVariables = (text: string, values: Record<Variable, string>): string =>
  text.replace(NAMED, (all, name: string) => values[name.trim() as Variable] ?? all)

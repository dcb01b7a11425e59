import { z } from 'zod'
import type { Document } from '../findings/index.ts'
import { isMoney, isOver, type Money, sameCurrency, type Value } from '../model/index.ts'

const field = z.string().regex(/^[a-z][a-z0-9_]*$/)

/**
 * A rule that tells somebody of a paper: when one of a type comes, and perhaps only where a value of it is this or more
 * than that.
 */
export const noticeSchema = z.object({
  title: z.string().trim().min(1, 'Give it a name.').max(80),
  when: z.object({
    type: z.string().min(1, 'Say which paper it is about.'),
    field: field.nullable(),
    /** More than so much, in the lender's currency. */
    over: z.number().positive().max(1e12).nullable(),
    /** This, whatever its capitals and spaces. */
    is: z.string().trim().min(1).max(120).nullable(),
  }),
  /** Which values of the paper are told: whom it is from, for how much, due when. */
  says: z.object({ from: field.nullable(), amount: field.nullable(), due: field.nullable() }),
  /** Addresses that get it by mail. */
  mail: z.array(z.email('An address of mail has a form like name@lender.example.')).max(10),
  /** An address that it is posted to, as a chat's hook. */
  post: z
    .url({ protocol: /^https?$/, error: 'The address is one like https://chat.example/hook.' })
    .nullable(),
  /** The package is for the lead's eye. */
  lead: z.boolean(),
  /** The package goes before others. */
  first: z.boolean(),
  /** Somebody of the desk has to look at it, and says when that is done. */
  task: z.boolean().default(false),
})
export type Notice = z.infer<typeof noticeSchema>

/** What is told of one paper. */
export interface Told {
  /** The paper, by its pages: told once, however often its package is judged. */
  document: string
  /** Its first page. */
  page: number
  type: string
  from: string | null
  amount: Money | null
  /** ISO day. */
  due: string | null
}

/** Values that nobody is asked about any more. A doubtful one is told of once it is settled. */
const settledValue = (document: Document, name: string): Value => {
  const found = document.fields.find((f) => f.name === name)
  return found && !found.needsReview ? found.value : null
}

const plainText = (text: string): string => text.trim().toLowerCase().replace(/\s+/g, ' ')

function fits({ when }: Notice, document: Document, currency: string): boolean {
  if (document.type !== when.type || document.copyOf || document.typeAsked) return false
  if (when.field === null) return true
  const value = settledValue(document, when.field)
  if (when.over !== null)
    // An amount in another currency cannot be held against the limit: it is told of.
    return isMoney(value) && (!sameCurrency(value.currency, currency) || isOver(value, when.over))
  if (when.is !== null) return typeof value === 'string' && plainText(value) === plainText(when.is)
  return value !== null
}

/** What a rule tells of the papers of a package. @param currency the lender's, ISO 4217 */
export function toldBy(notice: Notice, documents: readonly Document[], currency: string): Told[] {
  const { from, amount, due } = notice.says
  return documents
    .filter((d) => fits(notice, d, currency))
    .map((d) => {
      const value = (name: string | null) => (name === null ? null : settledValue(d, name))
      const [who, much, when] = [value(from), value(amount), value(due)]
      return {
        document: d.pages.join(','),
        page: d.pages[0],
        type: d.type,
        from: typeof who === 'string' ? who : null,
        amount: isMoney(much) ? much : null,
        due: typeof when === 'string' ? when : null,
      }
    })
}

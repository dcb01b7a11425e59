import { z } from 'zod'

/** The form of a register's description. */
export const REGISTER_FORM = 1

const column = z
  .string()
  .regex(/^[a-z][a-z0-9_]*$/, 'a column is small letters, figures and underscores, beginning with a letter')

/**
 * A register outside that papers are compared with, as an organisation describes it: what each of its columns
 * says, and by which of them an entry is found. A column that says no fact is kept and says nothing of the
 * applicant: in a register of boats, the owner is the seller until the boat is bought.
 */
export const registerSchema = z
  .strictObject({
    formatVersion: z.literal(REGISTER_FORM).default(REGISTER_FORM),
    id: column.max(60),
    title: z.string().trim().min(1, 'it needs a name').max(80),
    columns: z
      .array(z.strictObject({ name: column, fact: z.string().nullable() }))
      .min(1, 'it needs columns')
      .max(60),
    /** The column that finds an entry for sure, and the one that finds it by likeness. */
    number: column.nullable(),
    name: column.nullable(),
  })
  .superRefine((register, issues) => {
    const names = register.columns.map((c) => c.name)
    const twice = names.find((n, i) => names.indexOf(n) !== i)
    if (twice) issues.addIssue({ code: 'custom', message: `the column ${twice} is there twice` })
    const facts = register.columns.flatMap((c) => c.fact ?? [])
    const again = facts.find((f, i) => facts.indexOf(f) !== i)
    if (again) issues.addIssue({ code: 'custom', message: `two columns say ${again}` })
    if (register.number === null && register.name === null)
      issues.addIssue({ code: 'custom', message: 'say which column finds an entry: a number or a name' })
    for (const by of [register.number, register.name])
      if (by !== null && !register.columns.some((c) => c.name === by && c.fact !== null))
        issues.addIssue({
          code: 'custom',
          message: `an entry is looked for by ${by}: say which fact that column is`,
        })
  })
export type Register = z.infer<typeof registerSchema>

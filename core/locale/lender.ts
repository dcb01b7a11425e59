import { z } from 'zod'
import { isCurrency, NO_CURRENCY } from './currencies.ts'

/** Orders in which papers write day, month and year in figures. */
export const dateOrders = ['dmy', 'mdy', 'ymd'] as const
export type DateOrder = (typeof dateOrders)[number]

/** The form of a lender's file. */
export const LENDER_FORM = 1

/** What an organisation says of how its papers are written; each paper may differ. */
export const lenderSchema = z.object({
  formatVersion: z.literal(LENDER_FORM).default(LENDER_FORM),
  name: z.string().trim().min(1).max(200),
  /** ISO 3166-1 alpha-2; null where its papers come from anywhere. */
  country: z
    .string()
    .regex(/^[A-Z]{2}$/, 'a country is two capitals, as ISO 3166-1 has them')
    .nullable()
    .default(null),
  currency: z
    .string()
    .regex(/^[A-Z]{3}$/, 'a currency is three capitals, as ISO 4217 has them')
    .refine((code) => code === NO_CURRENCY || isCurrency(code), 'no currency of ISO 4217 has this code'),
  dateOrder: z.enum(dateOrders).optional(),
  /** ISO 639-1, the usual one first. */
  languages: z
    .array(z.string().regex(/^[a-z]{2,3}$/, 'a language is two small letters, as ISO 639-1 has them'))
    .min(1)
    .default(['en']),
  /** Its own colour, `#rrggbb`, by which applicants know it. */
  colour: z
    .string()
    .regex(/^#[0-9a-f]{6}$/i, 'a colour is written like #0d5c6b')
    .nullable()
    .default(null),
})
export type Lender = z.infer<typeof lenderSchema>

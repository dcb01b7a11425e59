import type { Language } from '../../core/lexicon/index.ts'
import { en } from './en.ts'
import { es } from './es.ts'
import { fr } from './fr.ts'
import type { PageWords } from './words.ts'

export type { PageWords }

/** The words of an applicant's page, by language. */
export const pageWords: Record<Language, PageWords> = { en, fr, es }

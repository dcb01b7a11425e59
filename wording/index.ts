import type { Messages } from '../core/model/index.ts'
import { en } from './en/index.ts'
import type { Say, Sentences } from './sentences.ts'

const languages = { en } satisfies Record<string, Sentences<Messages>>

/** Languages by ISO 639-1. */
export type Language = keyof typeof languages

/** The sentences of one language. */
export function sayer(language: Language): Say {
  const sentences = languages[language] as Record<string, (parameters: object, say: Say) => string>
  const say: Say = (message) => sentences[message.code](message, say)
  return say
}

/** A message in English. */
export const inWords: Say = sayer('en')

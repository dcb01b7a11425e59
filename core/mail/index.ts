export { automaticKind, type AutomaticKind, type HeadField } from './automatic.ts'
export { letterLanguage } from './letter-language.ts'
export { answerReferences, answerSubject, messageIds } from './thread.ts'

export { automaticKind, type AutomaticKind } from './automatic.ts'
export { letterLanguage } from './letter-language.ts'
export { answerReferences, answerSubject, messageIds } from './thread.ts'

import type { FieldKind } from '../../core/program/index.ts'

/** What people call the kinds of values. */
export const KINDS: Record<FieldKind, string> = {
  name: 'a person’s name',
  org: 'a firm’s name',
  address: 'address',
  date: 'date',
  money: 'amount',
  number: 'number',
  percent: 'percentage',
  id: 'number or code',
  iban: 'account (IBAN)',
  email: 'e-mail',
  phone: 'telephone',
  text: 'words',
  choice: 'choice',
  yesno: 'yes or no',
  table: 'table',
}

/** Some of the kinds with their words, for a choice among them. */
export const kindsWithWords = <K extends FieldKind>(kinds: readonly K[]): [kind: K, words: string][] =>
  kinds.map((kind) => [kind, KINDS[kind]])

import type { Value } from '../value.ts'
import type { Inner, None } from './parameters.ts'

/** Pages in a row, by their numbers in the package. */
export interface PageSpan {
  first: number
  last: number
}

/** Questions to a person, why they are asked, and the answers that are offered. */
export interface DeckMessages {
  'ask.starts': { type: string; page: number }
  'ask.starts_inside': { page: number }
  'ask.what_is': PageSpan
  'ask.is_of_type': PageSpan & { type: string }
  'ask.what_is_value': { field: string; paper: string }
  'ask.are_rows': { field: string; paper: string }
  'ask.is_value': { field: string; paper: string; value: Value }
  'ask.signed': { paper: string }
  /** The question of a fact, as the lender's program asks it. */
  'ask.fact': { question: string }
  'ask.check': { title: string }
  'ask.belongs': { caseNumber: string; applicant: string | null }
  'ask.stray': PageSpan & { caseNumber: string }
  'why.may_go_on': { page: number; paper: string }
  'why.taken_to_go_on': { paper: string }
  'why.rule': { rule: string }
  'why.no_type_fits': None
  'why.types_alike': None
  'why.value': { reason: Inner }
  'why.no_place_to_sign': None
  'why.ink_doubtful': None
  'why.refused': { reason: string; refusal: string }
  'why.settled_before': { reason: string; against: string[] }
  'why.differs': { papers: string[]; count: number; how: Inner }
  'why.check': { detail: Inner }
  /** What the applicant says where they were asked. */
  'why.applicant_says': { text: string }
  'why.sender_known': { caseNumber: string }
  'why.stray_unproved': { caseNumber: string }
  'why.stray_unknown': { caseNumber: string }
  'place.page': { page: number }
  'place.pages': PageSpan
  'place.paper': { paper: string; page: number }
  'place.term': { term: Inner; page: number }
  'choice.file_there': { caseNumber: string }
  'choice.stays_here': None
  'choice.starts_here': None
  'choice.goes_on_with': { paper: string }
  'choice.goes_on': { type: string }
  'choice.another_starts': None
  'choice.no_known_type': None
  'choice.type': { type: string }
  'choice.another_type': None
  'choice.value': { value: Value }
  'choice.rows': { count: number }
  'choice.type_value': None
  'choice.not_said': None
  'choice.unreadable': None
  'choice.signed': None
  'choice.not_signed': None
  'choice.misread': { paper: string }
  'choice.accept_difference': None
  'choice.accept': None
  'choice.ask_applicant': None
  /** Chance that this answer is the right one, 0 to 1. */
  'note.chance': { chance: number }
  'note.search_type': None
  'note.on_page_too': None
  'note.leaves_empty': None
  'note.takes_no_part': None
  'note.type_or_click': None
  'note.second_agrees': None
  'note.stays_open': None
  /** Papers that say so; the field where it is one alone. */
  'note.said_by': { papers: { paper: string; field: string | null }[] }
}

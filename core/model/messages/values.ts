import type { Value } from '../value.ts'
import type { None } from './parameters.ts'

/** Why a person is asked about a value that was read. `paper` is what a person calls another paper. */
export interface ValueMessages {
  'value.not_found': None
  'value.not_found_at_label': { label: string }
  'value.doubted_by_others_here': None
  'value.check_digits_repaired': None
  'value.character_repaired': None
  'value.weak_print': None
  'value.two_readings': None
  'value.currency_open': None
  'value.maybe_partial': None
  'value.unusual_place': None
  /** The day that its figures are in the other order. */
  'value.day_or_month': { other: string }
  /** What the reader threw; for who maintains it, in no person's language. */
  'value.reader_failed': { fault: string }
  'table.not_found': None
  'table.no_rows': None
  'table.page_lacking': None
  'table.does_not_add_up': None
  'table.days_either_way': None
  'table.days_out_of_order': None
  'table.column_left_out': None
  'table.cells_unreadable': None
  'table.words_spelt_as_other_rows': None
  'table.words_spelt_as_nearest': None
  'value.number_of_something_else': { paper: string }
  'value.too_short': { paper: string; whole: Value }
  'value.beginning_lost': { paper: string; whole: Value }
  'value.front_figure_lost': { paper: string; whole: Value }
  'value.letter_for_figure': { paper: string }
  /** ISO 4217. */
  'value.own_currency': { usual: string }
  'value.day_to_come': None
  'value.kind_differs_by_letter': None
  'value.others_differ_by_letter': None
  'value.end_lost': None
  'value.others_alike': None
  'value.others_say_so': None
  'value.others_have_a_word_more': None
  'value.second_person': None
}

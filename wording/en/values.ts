import { dayName } from '../../core/text/index.ts'
import { plain, type ValueMessages } from '../../core/model/index.ts'
import type { Sentences } from '../sentences.ts'

export const values: Sentences<ValueMessages> = {
  'value.not_found': () => 'not found',
  'value.not_found_at_label': ({ label }) =>
    `“${label}” is there, and nothing beside it reads as a value of it`,
  'value.doubted_by_others_here': () => 'does not fit the other values of this paper',
  'value.check_digits_repaired': () => 'its check digits needed a mended letter',
  'value.character_repaired': () => 'one sign was taken for another, and put right',
  'value.weak_print': () => 'weak print',
  'value.currency_open': () => 'the paper does not show which currency it is in',
  'value.maybe_partial': () => 'its form is unusual: more may belong to it, or a sign was misread',
  'value.two_readings': () => 'two readings fit',
  'value.unusual_place': () => 'its place on the paper is unusual',
  'value.day_or_month': ({ other }) => `day and month may be the other way round: ${dayName(other)}`,
  'value.reader_failed': ({ fault }) => `this paper could not be read: ${fault}`,
  'table.not_found': () => 'no table was found',
  'table.no_rows': () => 'no rows were found',
  'table.page_lacking': () => 'a page of it is lacking',
  'table.does_not_add_up': () => 'its rows do not add up',
  'table.days_either_way': () => 'day and month of its rows may be the other way round',
  'table.days_out_of_order': () => 'its days do not follow one another',
  'table.column_left_out': () => 'amounts of it stand under a head that is not known',
  'table.cells_unreadable': () => 'some cells could not be read',
  'table.words_spelt_as_other_rows': () => 'other rows of its kind spell some words otherwise',
  'table.words_spelt_as_nearest': () => 'some words are none, and are spelt as the nearest one',
  'value.number_of_something_else': ({ paper }) => `${paper} has this number for something else`,
  'value.too_short': ({ paper, whole }) => `too short: ${paper} has ${plain(whole)}`,
  'value.beginning_lost': ({ paper, whole }) => `its beginning may be lost: ${paper} has ${plain(whole)}`,
  'value.front_figure_lost': ({ paper, whole }) =>
    `a figure in front may be lost: ${paper} says ${plain(whole)}`,
  'value.letter_for_figure': ({ paper }) => `a letter stands where ${paper} has a figure`,
  'value.own_currency': ({ usual }) => `all other amounts are in ${usual}`,
  'value.day_to_come': () => 'this day is still to come',
  'value.kind_differs_by_letter': () => 'other papers of its kind differ by a letter',
  'value.others_differ_by_letter': () => 'other papers differ by a letter',
  'value.end_lost': () => 'its end may be lost: other papers go on',
  'value.others_alike': () => 'other papers say so, and what can be read here is like it',
  'value.others_say_so': () => 'other papers say so, and it stands here in an unusual place',
  'value.others_have_a_word_more': () => 'other papers have a word more',
  'value.second_person': () => 'other papers here are of a second person',
}

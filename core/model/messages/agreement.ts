import type { Money } from '../value.ts'
import type { None } from './parameters.ts'

/** How two values of one fact lie to each other. */
export interface AgreementMessages {
  'agreement.same': None
  'agreement.not_said': None
  'agreement.letter_case': None
  'agreement.letter_case_or_accents': None
  'agreement.title_or_accents': None
  'agreement.letter_case_or_punctuation': None
  'agreement.spaces_or_punctuation': None
  'agreement.spacing': None
  'agreement.order': None
  'agreement.short_forms': None
  'agreement.short_form': { short: string; long: string }
  'agreement.shorter': None
  'agreement.company_suffix': None
  'agreement.prefix': None
  'agreement.initials': None
  'agreement.name_left_out': None
  'agreement.maiden_name': None
  'agreement.transliteration': None
  'agreement.rounded': None
  'agreement.reading_slip': None
  'agreement.no_name': None
  'agreement.spelt_otherwise': None
  'agreement.another_name': None
  'agreement.initials_alone': None
  'agreement.one_part_alone': None
  'agreement.another_firm': None
  'agreement.digits_swapped': None
  'agreement.another_number': None
  'agreement.day_and_month_swapped': None
  'agreement.another_date': None
  'agreement.no_amount': None
  'agreement.another_currency': None
  'agreement.apart': { by: Money }
  'agreement.another_house_number': None
  'agreement.another_address': None
}

import { confusions } from '../../lexicon/index.ts'
import { asDigits } from './reading.ts'

/** A stroke that no reader made out is a seven as often as not. */
const asDigit = (c: string): string => (c === '?' ? '7' : asDigits(c))

/**
 * A code of letters, digit, digit and two letters at the end of an address, with letters that weak readers
 * put for its digits.
 */
const CODE = /\b([A-Z]{1,2})([\dOIlZSGB?]{1,2})\s?([\dOIlZSGB?])([A-Z]{2})$/

/**
 * What hands write for the figure between the halves of a code, where small letters follow as often as
 * capitals: "SK6 ywE".
 */
const BY_HAND = /\b([A-Z]{1,2}\d{1,2}) ([UuyYqg])([A-Za-z]{2})$/

/**
 * An address with the digits of its postal code put right where exactly the form of the code says that
 * letters were read for them: "SKS 6RT" is "SK5 6RT". Codes of digits alone are left as they are.
 */
export function repairPostcode(address: string): string {
  return address
    .replace(
      BY_HAND,
      (_, outer: string, figure: string, unit: string) =>
        `${outer} ${confusions.digitsByHand[figure]}${unit.toUpperCase()}`,
    )
    .replace(CODE, (whole, area: string, district: string, sector: string, unit: string) => {
      const mended = `${area}${[...district].map(asDigit).join('')} ${asDigit(sector)}${unit}`
      return mended.replace(' ', '') === whole.replace(/\s/g, '') ? whole : mended
    })
}

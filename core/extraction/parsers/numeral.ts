import { asDigits } from './reading.ts'

/**
 * Strokes behind a name that can be nothing but a Roman two or three: "Morning Tern Il". Digits alone are a
 * number.
 */
const NUMERAL = / (?!\d+$)[Il1|]{2,3}$/

/** A name with the strokes of its Roman numeral put right, which weak readers spell with letters and digits alike. */
export const repairNumeral = (name: string): string =>
  name.replace(NUMERAL, (strokes) => ` ${'I'.repeat(strokes.length - 1)}`)

/** A number with the one letter in it that stands among its figures put right: "0Z0161-0358". */
export const repairDigits = (id: string): string =>
  id.replace(/[^A-Z]/gi, '').length === 1 && id.replace(/\D/g, '').length >= 6
    ? id.replace(/(?<=\d)[OIZSB](?=\d)/, asDigits)
    : id

/** Strokes behind a name that can be nothing but a Roman two or three: "Morning Tern Il". Digits alone are a number. */
const NUMERAL = / (?!\d+$)[Il1|]{2,3}$/

/** A name with the strokes of its Roman numeral put right, which weak readers spell with letters and digits alike. */
export const mendNumeral = (name: string): string => name.replace(NUMERAL, (strokes) => ` ${'I'.repeat(strokes.length - 1)}`)

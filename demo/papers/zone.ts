const plain = (text: string): string =>
  text
    .replace(/ø/gi, 'OE')
    .replace(/ü/gi, 'UE')
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .toUpperCase()
    .replace(/[^A-Z]+/g, '<')

/** Check digit of ICAO 9303 part 3, 4.9: weights 7, 3, 1 over the values of the characters. */
export function checkDigit(text: string): string {
  let sum = 0
  ;[...text].forEach((c, i) => (sum += (c === '<' ? 0 : parseInt(c, 36)) * [7, 3, 1][i % 3]))
  return String(sum % 10)
}

const fill = (text: string, width: number): string => text.slice(0, width).padEnd(width, '<')
const six = (iso: string): string => iso.slice(2).replaceAll('-', '')

/** What the zone says of its holder; days are ISO. */
interface Holder {
  number: string
  born: string
  expiry: string
  given: string
  family: string
}

/**
 * Lines of a machine-readable zone: three of 30 for a card (TD1), two of 44 for a passport (TD3). Source:
 * ICAO 9303 parts 4 and 5.
 */
export function zoneLines(card: boolean, { number, born, expiry, given, family }: Holder): string[] {
  const names = `${plain(family)}<<${plain(given)}`
  const doc = fill(number, 9)
  if (card) {
    const first = fill(`I<UTO${doc}${checkDigit(doc)}`, 30)
    const middle = `${six(born)}${checkDigit(six(born))}X${six(expiry)}${checkDigit(six(expiry))}UTO${'<'.repeat(11)}`
    const composite = checkDigit(
      first.slice(5) + middle.slice(0, 7) + middle.slice(8, 15) + middle.slice(18, 29),
    )
    return [first, middle + composite, fill(names, 30)]
  }
  const second = `${doc}${checkDigit(doc)}UTO${six(born)}${checkDigit(six(born))}X${six(expiry)}${checkDigit(six(expiry))}${'<'.repeat(14)}0`
  const composite = checkDigit(second.slice(0, 10) + second.slice(13, 20) + second.slice(21, 43))
  return [fill(`P<UTO${names}`, 44), second + composite]
}

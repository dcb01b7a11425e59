import { count } from '../../parts/format.ts'

/** Signs of a CSV file at most. */
export const MOST_CSV = 60_000_000

/** What came of taking entries in. */
export const takenIn = ({ entries, unread }: { entries: number; unread: number }): string =>
  `${count(entries, 'entry', 'entries')} taken in.${
    unread > 0
      ? ` ${count(unread, 'entry', 'entries')} have a day or an amount that cannot be read; those say nothing.`
      : ''
  }`

import { plain } from '../../core/model/index.ts'
import type { Told } from '../../core/notices/index.ts'
import { dayName } from '../../core/text/index.ts'

/** A paper in one sentence: what it is, whom it is from, for how much, due when. */
export const noticeSentence = ({ from, amount, due }: Told, title: string): string =>
  [
    title,
    from ? ` from ${from}` : '',
    amount ? ` for ${plain(amount)}` : '',
    due ? `, due ${dayName(due)}` : '',
  ].join('')

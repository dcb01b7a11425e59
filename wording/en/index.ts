import type { Messages } from '../../core/model/index.ts'
import type { Sentences } from '../sentences.ts'
import { agreement } from './agreement.ts'
import { checklist } from './checklist.ts'
import { checks } from './checks.ts'
import { deck } from './deck.ts'
import { findings } from './findings.ts'
import { values } from './values.ts'

export const en: Sentences<Messages> = {
  ...values,
  ...agreement,
  ...checklist,
  ...checks,
  ...findings,
  ...deck,
  all: ({ of }, say) => of.map(say).join('; '),
}

import type { Rotation } from '../model/index.ts'
import type { Answer } from './answer.ts'

/** How people say that pages lie; the last word on a page holds. */
export function turnsOf(answers: readonly Answer[]): Map<number, Rotation> {
  return new Map(answers.flatMap((a) => (a.kind === 'turn' ? [[a.page, a.rotation] as const] : [])))
}

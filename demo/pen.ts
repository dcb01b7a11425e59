import { cents, isMoney, type Value } from '../core/model/index.ts'
import { Dice } from './dice.ts'
import { Paper, type Face } from './sheet.ts'
import { dateForms, moneyForms } from './story.ts'
import type { Drawn } from './truth.ts'

/** A value in every way that a layout may print it. */
function waysOf(value: Value): string[] {
  if (isMoney(value)) return Object.values(moneyForms).map((form) => form(cents(value)))
  if (typeof value !== 'string') return []
  if (/^\d{4}-\d\d-\d\d$/.test(value)) return Object.values(dateForms).map((form) => form(value))
  return [value, value.replace(/(.{4})(?=.)/g, '$1 '), ...value.split(', ')]
}

/**
 * Draws a paper whose blanks are filled in by hand. What it says is known from drawing it typed first, with
 * the same dice.
 */
export async function byHand(face: Face, dice: Dice, draw: (dice: Dice) => Promise<Drawn>): Promise<Drawn> {
  const seed = dice.int(1, 1_000_000_000)
  const typed = await draw(new Dice(seed))
  Paper.pen = {
    face,
    writes: new Set(
      Object.values(typed.fields)
        .flatMap((f) => waysOf(f.value))
        .filter((text) => text.length > 1),
    ),
  }
  try {
    const written = await draw(new Dice(seed))
    for (const field of Object.values(written.fields)) field.handwritten = true
    return written
  } finally {
    Paper.pen = null
  }
}

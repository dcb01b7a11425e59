import Color from 'color'
import { lenderOf } from '../access/organisations.ts'
import type { Work } from '../database/connection.ts'

/** What text and buttons in a lender's colour stand on, by day and by night: the grounds of the page's own sheet. */
export const GROUNDS = { light: '#e9edf0', dark: '#27333b' }
/** The least contrast of text that WCAG 2.2 asks for (1.4.3). */
const LEAST_CONTRAST = 4.5
/** By how much a colour moves towards black or white at a time. */
const STEP = 0.04

/** A lender's colour as it can be read on each ground. */
export interface Colours {
  light: string
  dark: string
}

/** Makes a lender's colour legible: moved towards black or white, as little as need be. @param colour `#rrggbb` */
export const coloursOf = (colour: string): Colours => ({
  light: legible(colour, GROUNDS.light, 'black'),
  dark: legible(colour, GROUNDS.dark, 'white'),
})

function legible(colour: string, ground: string, towards: string): string {
  for (let share = 0; share < 1; share += STEP) {
    const moved = Color(colour).mix(Color(towards), share)
    // As it is written it must hold: a colour is rounded to 256 steps.
    const written = moved.hex().toLowerCase()
    if (Color(written).contrast(Color(ground)) >= LEAST_CONTRAST) return written
  }
  return Color(towards).hex().toLowerCase()
}

/** The colours of a lender's pages for applicants; null where it named none. */
export async function lenderColours(work: Work, organisationId: string): Promise<Colours | null> {
  const { colour } = await lenderOf(work, organisationId)
  return colour ? coloursOf(colour) : null
}

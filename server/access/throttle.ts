import { randomBytes } from 'node:crypto'
import { setTimeout as pause } from 'node:timers/promises'
import { parse, serialize } from 'cookie'
import { codeOf, sameCode } from '../keys.ts'
import { settings } from '../settings.ts'
import { clientOf } from '../web/client.ts'
import { count, forget, look, type Rate } from '../web/rate-limits.ts'

const QUARTER = 15 * 60

/** Tries of one person from one place. Others from elsewhere go on: who knows an address must not shut its owner out. */
const PAIR: Rate = { name: 'sign-in', points: 8, duration: QUARTER }
/** Wrong tries of one place at anybody: a password tried on every colleague in turn. */
const PLACE: Rate = { name: 'sign-in-place', points: 40, duration: QUARTER }
/** Wrong tries at one person from anywhere, after which each further one takes longer. */
const PERSON: Rate = { name: 'sign-in-person', points: 10, duration: 60 * 60 }
/** Milliseconds of the first delay, doubled with each further try, and of the longest. */
const [FIRST_DELAY, LONGEST_DELAY] = [250, 8000]

const DEVICE_COOKIE = 'jigsa.device'
const HALF_A_YEAR = 180 * 24 * 60 * 60

/** A cookie that says that somebody signed in from here before. */
export function deviceCookie(email: string): string {
  const id = randomBytes(12).toString('hex')
  return serialize(DEVICE_COOKIE, `${id}.${codeOf('known device', email, id).toString('hex')}`, {
    httpOnly: true,
    sameSite: 'lax',
    secure: settings().BASE_URL.startsWith('https://'),
    // A form that is sent by a script goes to `/sign-in.data`, which is not below `/sign-in`.
    path: '/',
    maxAge: HALF_A_YEAR,
  })
}

/** The device that a person signed in from before; null where none is known. */
export function knownDevice(request: Request, email: string): string | null {
  const [id, code] = parse(request.headers.get('cookie') ?? '')[DEVICE_COOKIE]?.split('.') ?? []
  if (!id || !code) return null
  return sameCode(Buffer.from(code, 'hex'), codeOf('known device', email, id)) ? id : null
}

/** One try to sign in, before it is known whether it is right. */
export interface Attempt {
  /** Seconds until another may be made from here; null where this one may. */
  shutFor: number | null
  /** Counts it as wrong. @returns whether it was the last that is taken for now */
  wrong: () => Promise<boolean>
}

/**
 * Counts a try to sign in. A device from which the person signed in before is counted by itself: wrong tries of others
 * in the same office neither shut it out nor slow it down.
 */
export async function attempt(request: Request, email: string): Promise<Attempt> {
  const client = clientOf(request)
  const device = knownDevice(request, email)
  const pair = pairOf(request, email)
  const taken = await count(PAIR, pair)
  const place = device ? null : await look(PLACE, client)
  const shut = [taken, place].find((one) => one && !one.allowed)
  if (!shut && !device) {
    const { counted } = await look(PERSON, email)
    const over = counted - PERSON.points
    if (over > 0) await pause(Math.min(LONGEST_DELAY, FIRST_DELAY * 2 ** over))
  }
  return {
    shutFor: shut?.seconds ?? null,
    async wrong() {
      await count(PERSON, email)
      const here = await count(PLACE, client)
      const mine = await look(PAIR, pair)
      return !here.allowed || !mine.allowed
    },
  }
}

/** Forgets what was counted against a person here: they are in. */
export const forgetTries = (request: Request, email: string): Promise<boolean> =>
  forget(PAIR, pairOf(request, email))

const pairOf = (request: Request, email: string): string =>
  `${email}|${knownDevice(request, email) ?? clientOf(request)}`.slice(0, 200)

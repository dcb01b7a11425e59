import { betterAuth } from 'better-auth'
import { drizzleAdapter } from 'better-auth/adapters/drizzle'
import { twoFactor } from 'better-auth/plugins/two-factor'
import { database } from '../database/connection.ts'
import * as schema from '../database/schema.ts'
import { FIRST_ORGANISATION } from '../database/schema.ts'
import { settings } from '../settings.ts'
import { CLIENT_HEADER } from '../web/client.ts'
import { LONGEST } from './sessions.ts'

function build() {
  const { AUTH_SECRET, BASE_URL } = settings()
  return betterAuth({
    secret: AUTH_SECRET,
    baseURL: BASE_URL,
    database: drizzleAdapter(database(), { provider: 'pg', schema }),
    emailAndPassword: { enabled: true, minPasswordLength: 10, disableSignUp: true },
    user: {
      additionalFields: {
        role: { type: 'string', required: false, defaultValue: 'processor', input: false },
        organisationId: { type: 'string', required: false, defaultValue: FIRST_ORGANISATION, input: false },
      },
    },
    // Counted from signing in: a token that was stolen does not live for ever.
    session: { expiresIn: LONGEST, disableSessionRefresh: true },
    advanced: {
      useSecureCookies: BASE_URL.startsWith('https://'),
      cookiePrefix: 'jigsa',
      ipAddress: { ipAddressHeaders: [CLIENT_HEADER] },
    },
    plugins: [twoFactor({ issuer: 'Jigsa' })],
    telemetry: { enabled: false },
    logger: { disabled: true },
  })
}

/** Whether a session's cookie comes with a request; who it is of is looked up by the routes. */
export const hasSession = (cookies: string): boolean =>
  /(?:^|;\s*)(?:__Secure-)?jigsa\.session_token=/.test(cookies)

let built: ReturnType<typeof build> | null = null

/**
 * Sign-in: hashed passwords, sessions in the database. Nothing of it is open to the network but through our
 * own routes.
 */
export const auth = () => (built ??= build())

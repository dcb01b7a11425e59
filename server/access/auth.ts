import { betterAuth } from 'better-auth'
import { drizzleAdapter } from 'better-auth/adapters/drizzle'
import { genericOAuth } from 'better-auth/plugins/generic-oauth'
import { twoFactor } from 'better-auth/plugins/two-factor'
import { eq } from 'drizzle-orm'
import { database } from '../database/connection.ts'
import * as schema from '../database/schema.ts'
import { FIRST_ORGANISATION } from '../database/schema.ts'
import { settings } from '../settings.ts'
import { CLIENT_HEADER } from '../web/client.ts'
import { LONGEST } from './sessions.ts'

/**
 * Lets a provider vouch for the people of its own organisation alone: one of another house could name any address.
 * @returns false where it must not
 */
async function ofItsOrganisation({
  userId,
  providerId,
}: {
  userId: string
  providerId: string
}): Promise<boolean> {
  if (providerId === 'credential') return true
  const [row] = await database()
    .select({ organisationId: schema.user.organisationId })
    .from(schema.user)
    .where(eq(schema.user.id, userId))
  return row?.organisationId === providerId
}

function build() {
  const { AUTH_SECRET, BASE_URL, OPENID } = settings()
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
    plugins: [
      twoFactor({ issuer: 'Jigsa' }),
      genericOAuth({
        config: Object.entries(OPENID).map(([providerId, { name, issuer, clientId, clientSecret }]) => ({
          providerId,
          name,
          discoveryUrl: `${issuer.replace(/\/$/, '')}/.well-known/openid-configuration`,
          clientId,
          clientSecret,
          scopes: ['openid', 'email', 'profile'],
          pkce: true,
          requireIdTokenVerification: true,
          // People are made by their administrator; a provider says who somebody is, not that they may come in.
          disableSignUp: true,
        })),
      }),
    ],
    account: { accountLinking: { enabled: true, trustedProviders: Object.keys(OPENID) } },
    databaseHooks: { account: { create: { before: ofItsOrganisation } } },
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
